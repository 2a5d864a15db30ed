import { CATALOG, fixtureById, type PortEnd } from '../../catalog'
import { pipeById } from '../../reference'
import { METHODS } from '../methods'
import { RULES } from '../rules'
import { stubNeedMm } from '../search'
import { starts } from '../start'
import type { LineRequest, MateSettings } from '../types'

/**
 * All chains by plain depth-first enumeration over the raw tables, priced by the formula of docs/cost-model.md
 * written out anew. Shares the data and the rules with the product, no search and no cost code.
 */
export interface Chain {
  readonly way: string
  readonly additive: number
  readonly methods: ReadonlySet<string>
  readonly trip: boolean
  readonly total: number
}

export function bruteForce(line: LineRequest, settings: MateSettings, mostParts: number, lines = 1): Chain[] {
  const pipe = pipeById(line.pipeId)
  const fixture = fixtureById(line.fixtureId)
  if (!pipe || !fixture) throw new Error('unknown pipe or fixture')
  const { conditions } = line
  const labour = (seconds: number) => Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
  const risk = (perMille: number) => Math.ceil((perMille * settings.callBackCents) / 1000)
  const found: Chain[] = []

  const judge = (joint: Joint, start: ReturnType<typeof starts>[number] | null, beforeStop: boolean) => {
    let perMille = joint.method.riskPerMille
    for (const rule of RULES) {
      const needsStubMm = start ? stubNeedMm(joint, conditions) : 0
      if (!rule.bites({ ...joint, start, beforeStop, needsStubMm, conditions, settings })) continue
      if (rule.severity === 'forbid') return null
      perMille += rule.riskPerMille ?? 0
    }
    const { threadSeal } = settings.houseRules
    const consumables = joint.method.consumables.reduce((sum, { id, quantity }) => {
      const left =
        joint.method.id === 'threaded' &&
        ((threadSeal === 'tape' && id === 'thread-paste') || (threadSeal === 'paste' && id === 'ptfe-tape'))
      return left ? sum : sum + (settings.consumableCents[id] ?? 0) * quantity
    }, 0)
    const minutes = settings.jointMinutes[joint.method.id]
    const seconds = minutes === undefined ? joint.method.jointSeconds : Math.round(minutes * 60)
    return consumables + labour(seconds) + risk(perMille)
  }

  for (const start of starts(pipe, conditions)) {
    if (start.forbidden.length > 0) continue
    const { removal } = start
    const cutting = removal.id.includes('cut-behind')
    const taking = ['sweat-off', 'unscrew-pull-ring', 'release'].includes(removal.id)
    const disliked = settings.houseRules.oldStop === 'cut-behind' ? taking : cutting
    const tripAtStart = removal.tools.some((tool) => !settings.toolsAboard.includes(tool))
    const walk = (
      open: PortEnd,
      way: string,
      additive: number,
      methods: Set<string>,
      trip: boolean,
      parts: number,
      stop: boolean,
    ) => {
      const price = (joint: Joint, beforeStop: boolean) =>
        judge(joint, parts === 0 ? start : null, beforeStop)
      if (stop)
        for (const joint of jointsOf(open, fixture.port)) {
          const cents = price(joint, false)
          if (cents === null) continue
          const opened = new Set([...methods, joint.method.id])
          const needsTrip = trip || joint.method.tools.some((tool) => !settings.toolsAboard.includes(tool))
          const shared =
            METHODS.filter((m) => opened.has(m.id)).reduce((sum, m) => sum + labour(m.setUpSeconds), 0) +
            (needsTrip ? labour(settings.tripMinutes * 60) : 0)
          found.push({
            way: `${way};${joint.method.id}`,
            additive: additive + cents,
            methods: opened,
            trip: needsTrip,
            total: additive + cents + shared,
          })
        }
      if (parts >= mostParts) return
      for (const { fitting, index, joint } of neighbours(open)) {
        const isStop = fitting.family.endsWith('stop')
        const isConnector = fitting.family === 'supply-connector'
        if (isStop && stop) continue
        if (isStop && conditions.stopShape !== 'either' && fitting.family !== `${conditions.stopShape}-stop`)
          continue
        if (isConnector !== stop) continue
        if (
          isConnector &&
          conditions.reachMm !== null &&
          (fitting.lengthMm?.max ?? 0) < conditions.reachMm + 25.4
        )
          continue
        if ((isStop || isConnector) && index !== 0) continue
        const cents = price(joint, !stop)
        if (cents === null) continue
        walk(
          fitting.ports[1 - index] as PortEnd,
          `${way};${joint.method.id}>${fitting.family}`,
          additive +
            cents +
            (settings.priceCents[fitting.id] ?? settings.familyPriceCents[fitting.family] ?? 0),
          new Set([...methods, joint.method.id]),
          trip ||
            joint.method.tools.some((tool) => !settings.toolsAboard.includes(tool)) ||
            (settings.partsAboard[fitting.id] ?? 0) < lines,
          parts + 1,
          stop || isStop,
        )
      }
    }
    walk(
      start.port,
      removal.id,
      labour(removal.seconds) + risk(disliked ? 10 : 0),
      new Set(),
      tripAtStart,
      0,
      false,
    )
  }
  return found
}

interface Joint {
  readonly method: (typeof METHODS)[number]
  readonly tip: PortEnd
  readonly body: PortEnd
}

function jointsOf(a: PortEnd, b: PortEnd): Joint[] {
  return METHODS.flatMap((method) =>
    method.pairings.flatMap((pairing) =>
      [
        { method, tip: a, body: b },
        { method, tip: b, body: a },
      ].filter(
        ({ tip, body }) =>
          tip.form === pairing.tip &&
          body.form === pairing.body &&
          tip.system === body.system &&
          tip.nominal === body.nominal &&
          (!pairing.materials || pairing.materials.includes(tip.material)),
      ),
    ),
  )
}

const NEAR = new Map<string, { fitting: (typeof CATALOG)[number]; index: number; joint: Joint }[]>()

/** Every port of the raw catalogue that an end can be joined to. */
function neighbours(open: PortEnd) {
  const key = [open.form, open.system, open.nominal, open.material].join()
  const known = NEAR.get(key)
  if (known) return known
  const near = CATALOG.flatMap((fitting) =>
    fitting.ports.flatMap((port, index) => jointsOf(open, port).map((joint) => ({ fitting, index, joint }))),
  )
  NEAR.set(key, near)
  return near
}
