import { METHODS } from '../../assembly'
import { starts } from '../../assembly/oldJoints/start'
import type { PortEnd } from '../../catalog'
import { pipeById } from '../../reference'
import type { LineRequest, MateSettings, RankedOption } from '../types'
import { bruteForce, type Chain } from './bruteForce'
import { toolsBought } from './hands'

type Limits = Parameters<typeof bruteForce>[2]

const named = (end: Pick<PortEnd, 'form' | 'system' | 'nominal' | 'material'>) =>
  [end.form, end.system, end.nominal, end.material].join()

/** What a chain leaves for the others to share, as text: of two with the same the dearer is never wanted. */
const sharedOf = (chain: Chain, scarce: (id: string) => boolean) =>
  JSON.stringify([
    [...chain.methods].sort(),
    chain.trip,
    chain.trip ? [] : chain.parts.filter(scarce).sort(),
    chain.heat,
    chain.branch && named(chain.branch),
  ])

/** Trade: what begins with a screwed joint in water is not closed by that, whatever branches off it. */
export function wetTrunk(lines: readonly LineRequest[], { branchOf }: LineRequest): boolean {
  const trunk = lines.find(({ lineId }) => lineId === branchOf)
  if (!trunk) return false
  const pipe = pipeById(trunk.pipeId ?? '')
  if (!pipe) return wetTrunk(lines, trunk)
  return (
    trunk.conditions.line !== 'dry' &&
    starts(pipe, trunk.conditions).some(({ removal }) => removal.threadedEnd)
  )
}

/**
 * The cheapest choice for lines that are solved together, by enumeration of whole sets of chains: set-up, cans and trip
 * paid once, a trip where all together want more than is aboard, ten minutes for a body that is soldered and joined to
 * what heat would spoil, a line that begins at another's branch only where that branch is.
 */
export function bestTogether(
  lines: readonly LineRequest[],
  settings: MateSettings,
  limits: Limits,
  branchEnds: readonly PortEnd[] = [],
  /** Of each line, the ways that are listed: a longer chain is not taken beside them only to spare the trip. */
  listed: readonly (readonly RankedOption[])[] = [],
): number {
  const aboard = (id: string) => settings.partsAboard[id] ?? 0
  const labour = (seconds: number) => Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
  const bodies = [...new Set(lines.flatMap(({ from, to }) => [from?.bodyId, to?.bodyId]))].filter(
    (id): id is string => id !== undefined,
  )
  const choices = lines.map((line, at) => {
    const simpler = (listed[at] ?? []).filter(({ costs }) => costs.tripCents > 0)
    const sparesTrip = ({ methods, criteria, trip, total }: Chain) =>
      !trip &&
      simpler.some(
        (way) =>
          way.methods.length < methods.size &&
          way.methods.every((id) => methods.has(id)) &&
          way.joints.length + 2 <= criteria.joints &&
          way.costs.totalCents - way.costs.tripCents < total,
      )
    const kept = new Map<string, Chain & { readonly begins: string }>()
    const { branchOf, ...own } = line
    const begun =
      branchOf === undefined
        ? [{ own, begins: '' }]
        : branchEnds.map((end) => ({ own: { ...own, from: { ends: [end] } }, begins: named(end) }))
    for (const { own: request, begins } of begun)
      for (const chain of bruteForce(request, settings, {
        ...limits,
        pastStop: branchOf !== undefined && /compression-outlet/.test(begins),
        hotStart: branchOf !== undefined && /^solder-cup/.test(begins),
        wetTrunk: wetTrunk(lines, line),
      })) {
        if (sparesTrip(chain)) continue
        const key =
          begins + sharedOf(chain, (id) => aboard(id) > 0 && aboard(id) < lines.length * limits.mostParts)
        if (chain.additive < (kept.get(key)?.additive ?? Number.POSITIVE_INFINITY))
          kept.set(key, { ...chain, begins })
      }
    return [...kept.values()].sort((a, b) => a.additive - b.additive)
  })
  const least = choices.map((chains) => chains[0]?.additive ?? Number.POSITIVE_INFINITY)
  let best = Number.POSITIVE_INFINITY
  const weigh = (chosen: readonly (Chain & { readonly begins: string })[]) => {
    const fits = lines.every(({ branchOf }, at) => {
      if (branchOf === undefined) return true
      const branch = chosen[lines.findIndex(({ lineId }) => lineId === branchOf)]?.branch
      return branch && named(branch) === chosen[at]?.begins
    })
    if (!fits) return
    const pieces = new Map<string, number>()
    for (const id of chosen.flatMap(({ parts }) => parts)) pieces.set(id, (pieces.get(id) ?? 0) + 1)
    const trip = chosen.some((chain) => chain.trip) || [...pieces].some(([id, count]) => count > aboard(id))
    const hot = bodies.filter((body) => {
      const done = lines.flatMap(({ from, to }, at) => {
        const heat = chosen[at]?.heat
        return [from?.bodyId === body ? heat?.[0] : null, to?.bodyId === body ? heat?.[1] : null]
      })
      return done.includes('heats') && done.includes('spoilt')
    })
    const opened = METHODS.filter(({ id }) => chosen.some(({ methods }) => methods.has(id)))
    const cents =
      chosen.reduce((sum, { additive }) => sum + additive, 0) +
      opened.reduce(
        (sum, { setUpSeconds, opens = [], tools }) =>
          sum +
          labour(setUpSeconds) +
          toolsBought({ tools }, settings) +
          opens.reduce((cans, { id, quantity }) => cans + quantity * (settings.consumableCents[id] ?? 0), 0),
        0,
      ) +
      (trip ? labour(settings.tripMinutes * 60) : 0) +
      hot.length * labour(600)
    best = Math.min(best, cents)
  }
  const choose = (at: number, chosen: readonly (Chain & { readonly begins: string })[], additive: number) => {
    if (at === lines.length) return weigh(chosen)
    const rest = least.slice(at + 1).reduce((sum, cents) => sum + cents, 0)
    for (const chain of choices[at] ?? []) {
      if (additive + chain.additive + rest >= best) break
      choose(at + 1, [...chosen, chain], additive + chain.additive)
    }
  }
  choose(0, [], 0)
  return best
}
