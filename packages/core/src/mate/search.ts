import type { PortEnd } from '../catalog/ends'
import type { FixtureConnection } from '../catalog/fixtures'
import type { Pipe } from '../reference/types'
import {
  consumableCents,
  jointSeconds,
  labourCents,
  methodBit,
  missingTools,
  partCents,
  removalRiskPerMille,
  riskCents,
  setUpCents,
} from './costs'
import { Heap } from './heap'
import { following, type Pair, pairEngagement, pairs, portClass, type Step } from './pairs'
import { judge } from './rules'
import { type Start, starts } from './start'
import type { Conditions, MateSettings, MethodId, Reason } from './types'

/** Parts in one chain, the stop and the connector among them. */
export const MOST_PARTS = 6
/** Labels after which a search gives up and says so. */
export const LABEL_BOUND = 60_000

export interface Problem {
  readonly pipe: Pipe
  readonly fixture: FixtureConnection
  readonly conditions: Conditions
  readonly settings: MateSettings
  /** A part counts as aboard when this many are, so that every line of the fixture can have one. */
  readonly linesTogether: number
  /** Only chains whose joint at the stub is made by this method. */
  readonly firstMethod?: MethodId
  /** The search's guide, where it was computed before for the same problem. */
  readonly guide?: ReadonlyMap<string, number>
}

/** A chain under construction, linked back to the wall. */
export interface Label {
  readonly back: Label | null
  readonly start: Start
  readonly step: Step | null
  readonly final: Pair | null
  readonly open: PortEnd
  readonly openClass: string
  readonly stopPlaced: boolean
  readonly parts: number
  readonly mask: number
  readonly trip: boolean
  /** Sum of everything that is paid per part and joint, cents. */
  readonly additive: number
  readonly riskPerMille: number
  readonly remarks: readonly Reason[]
  /** Removal and port classes so far: chains with the same have the same future. */
  readonly fine: string
  /** Removal, methods and families: chains with the same are the same way to do it. */
  readonly coarse: string
}

/** Bare stub the first joint needs: full insertion, what nut or ring takes, and the wall plate, mm. */
export function stubNeedMm(pair: Pair, conditions: Conditions): number {
  const { fixed, perOd } = pair.method.stubExtraMm
  const threaded = pair.method.id === 'threaded'
  const engagement = pairEngagement(pair)
  const insertion = threaded ? engagement.minMm : engagement.maxMm
  return insertion + fixed + perOd * pair.tip.diameterMm + conditions.plateMm
}

function isAboard(problem: Problem, fittingId: string): boolean {
  return (problem.settings.partsAboard[fittingId] ?? 0) >= problem.linesTogether
}

/** What one more joint costs and whether it may be made at all. */
function weigh(problem: Problem, pair: Pair, start: Start | null, beforeStop: boolean) {
  const { conditions, settings } = problem
  const verdict = judge({
    method: pair.method,
    tip: pair.tip,
    body: pair.body,
    start,
    beforeStop,
    needsStubMm: start ? stubNeedMm(pair, conditions) : 0,
    conditions,
    settings,
  })
  return {
    ...verdict,
    cents:
      consumableCents(pair.method, settings) +
      labourCents(jointSeconds(pair.method, settings), settings) +
      riskCents(verdict.riskPerMille, settings),
    trip: missingTools(pair.method.tools, settings).length > 0,
  }
}

function totalOf(problem: Problem, additive: number, mask: number, trip: boolean): number {
  const { settings } = problem
  return additive + setUpCents(mask, settings) + (trip ? labourCents(settings.tripMinutes * 60, settings) : 0)
}

/** Whether a part may be placed at all here: one stop, its shape, connectors that reach. */
function admits(problem: Problem, step: Step, stopPlaced: boolean): boolean {
  const { conditions } = problem
  const { family, lengthMm } = step.fitting
  if (family.endsWith('stop')) {
    if (stopPlaced) return false
    return conditions.stopShape === 'either' || family === `${conditions.stopShape}-stop`
  }
  if (family === 'supply-connector') {
    if (!stopPlaced) return false
    // a connector pulled tight leaks; one inch of slack is the least
    return conditions.reachMm === null || (lengthMm?.max ?? 0) >= conditions.reachMm + 25.4
  }
  // beyond the stop only the connector comes
  return !stopPlaced
}

/**
 * Cheapest way from each class of open end to the fixture with every rule, set-up and trip left out:
 * never more than the true rest, so that it may guide the search (A*). One Dijkstra run backwards.
 */
function restCosts(problem: Problem, initial: readonly PortEnd[]): ReadonlyMap<string, number> {
  interface Edge {
    readonly from: string
    readonly cents: number
  }
  const into = new Map<string, Edge[]>()
  const goalCost = new Map<string, number>()
  const pending: { open: PortEnd; stop: boolean }[] = initial.map((open) => ({ open, stop: false }))
  const seen = new Set<string>()
  const base = (pair: Pair) =>
    consumableCents(pair.method, problem.settings) +
    labourCents(jointSeconds(pair.method, problem.settings), problem.settings) +
    riskCents(pair.method.riskPerMille, problem.settings)
  while (pending.length > 0) {
    const { open, stop } = pending.pop() as (typeof pending)[number]
    const key = `${portClass(open)}|${stop}`
    if (seen.has(key)) continue
    seen.add(key)
    if (stop)
      for (const pair of pairs(open, problem.fixture.port)) {
        const cents = base(pair)
        goalCost.set(key, Math.min(goalCost.get(key) ?? Number.POSITIVE_INFINITY, cents))
      }
    for (const step of following(open)) {
      if (!admits(problem, step, stop)) continue
      const next = step.fitting.ports[step.outPort] as PortEnd
      const nextStop = stop || step.fitting.family.endsWith('stop')
      const nextKey = `${portClass(next)}|${nextStop}`
      const edges = into.get(nextKey) ?? []
      edges.push({ from: key, cents: base(step.pair) + partCents(step.fitting, problem.settings) })
      into.set(nextKey, edges)
      pending.push({ open: next, stop: nextStop })
    }
  }
  const rest = new Map<string, number>()
  const heap = new Heap<{ key: string; cents: number }>()
  for (const [key, cents] of goalCost) heap.push(cents, { key, cents })
  for (let item = heap.pop(); item; item = heap.pop()) {
    if (rest.has(item.key)) continue
    rest.set(item.key, item.cents)
    for (const edge of into.get(item.key) ?? [])
      if (!rest.has(edge.from))
        heap.push(item.cents + edge.cents, { key: edge.from, cents: item.cents + edge.cents })
  }
  return rest
}

/** The same problem with its guide computed once, for several searches. */
export function guided(problem: Problem): Problem {
  const begin = starts(problem.pipe, problem.conditions)
  return {
    ...problem,
    guide: restCosts(
      problem,
      begin.map((start) => start.port),
    ),
  }
}

export interface SearchOutcome {
  readonly goals: readonly Label[]
  readonly truncated: boolean
}

/**
 * `ways`: the k cheapest distinct ways. `least`: the one chain with the least additive cost. `masks`: the
 * cheapest for every set of methods opened, with and without a trip, up to a bound.
 */
export type SearchMode =
  | { readonly kind: 'ways'; readonly k: number }
  | { readonly kind: 'least' }
  | { readonly kind: 'masks'; readonly additiveBound: (mask: number, trip: boolean) => number }

/**
 * Exact search over classes of open ends, from the stub outward, best first.
 *
 * Labels carry the open end, whether the stop is placed, the methods opened, whether the counter must be
 * visited, and the chain so far. A label is dropped only for another with the same future at no more cost
 * (docs/cost-model.md argues why nothing is lost). Cost: O(labels × parts that fit one end); labels are bounded
 * by `LABEL_BOUND`, and `truncated` says when that bound was met.
 */
export function search(problem: Problem, mode: SearchMode): SearchOutcome {
  const { conditions, settings } = problem
  const begin = starts(problem.pipe, conditions).filter((start) => start.forbidden.length === 0)
  const rest =
    problem.guide ??
    restCosts(
      problem,
      begin.map((start) => start.port),
    )
  const heap = new Heap<Label>()
  const best = new Map<string, number>()
  const goals: Label[] = []
  const waysFound = new Set<string>()
  let labels = 0

  const bound = (label: Label): number =>
    (label.final ? 0 : (rest.get(`${label.openClass}|${label.stopPlaced}`) ?? Number.POSITIVE_INFINITY)) +
    (mode.kind === 'ways' ? totalOf(problem, label.additive, label.mask, label.trip) : label.additive)

  const offer = (label: Label) => {
    const f = bound(label)
    if (!Number.isFinite(f)) return
    if (mode.kind === 'masks' && f > mode.additiveBound(label.mask, label.trip)) return
    const state = `${label.final ? 'goal' : label.openClass}|${label.stopPlaced}|${label.mask}|${label.trip}|`
    const key = mode.kind === 'ways' ? `${state}${label.fine}` : `${state}${label.parts}`
    const held = best.get(key)
    if (held !== undefined && held <= label.additive) return
    best.set(key, label.additive)
    labels++
    heap.push(f, label)
  }

  for (const start of begin) {
    const { removal } = start
    const risk = removalRiskPerMille(removal, settings)
    offer({
      back: null,
      start,
      step: null,
      final: null,
      open: start.port,
      openClass: portClass(start.port),
      stopPlaced: false,
      parts: 0,
      mask: 0,
      trip: missingTools(removal.tools, settings).length > 0,
      additive: labourCents(removal.seconds, settings) + riskCents(risk, settings),
      riskPerMille: risk,
      remarks: [],
      fine: removal.id,
      coarse: removal.id,
    })
  }

  for (let label = heap.pop(); label; label = heap.pop()) {
    if (label.final) {
      if (mode.kind === 'ways') {
        if (waysFound.has(label.coarse)) continue
        waysFound.add(label.coarse)
        goals.push(label)
        if (goals.length >= mode.k) break
      } else {
        goals.push(label)
        if (mode.kind === 'least') break
      }
      continue
    }
    if (labels > LABEL_BOUND) return { goals, truncated: true }
    const start = label.back === null ? label.start : null
    const backAtStart = label.back !== null && label.openClass === portClass(label.start.port)

    if (label.stopPlaced)
      for (const pair of pairs(label.open, problem.fixture.port)) {
        const joint = weigh(problem, pair, null, false)
        if (joint.forbidden.length > 0) continue
        offer({
          ...label,
          back: label,
          step: null,
          final: pair,
          mask: label.mask | methodBit(pair.method.id),
          trip: label.trip || joint.trip,
          additive: label.additive + joint.cents,
          riskPerMille: label.riskPerMille + joint.riskPerMille,
          remarks: joint.remarks,
          fine: `${label.fine};${pair.method.id}`,
          coarse: `${label.coarse};${pair.method.id}`,
        })
      }
    if (label.parts >= MOST_PARTS) continue

    for (const step of following(label.open)) {
      if (!admits(problem, step, label.stopPlaced)) continue
      if (start && problem.firstMethod && step.pair.method.id !== problem.firstMethod) continue
      const joint = weigh(problem, step.pair, start, !label.stopPlaced)
      if (joint.forbidden.length > 0) continue
      // Coming back to an end like the stub's own is needless where the same joint could be made on the stub.
      if (backAtStart && weigh(problem, step.pair, label.start, !label.stopPlaced).forbidden.length === 0)
        continue
      const open = step.fitting.ports[step.outPort] as PortEnd
      const openClass = portClass(open)
      if (mode.kind === 'ways' && openClass !== portClass(label.start.port) && visits(label, openClass))
        continue
      const isStop = step.fitting.family.endsWith('stop')
      offer({
        back: label,
        start: label.start,
        step,
        final: null,
        open,
        openClass,
        stopPlaced: label.stopPlaced || isStop,
        parts: label.parts + 1,
        mask: label.mask | methodBit(step.pair.method.id),
        trip: label.trip || joint.trip || !isAboard(problem, step.fitting.id),
        additive: label.additive + joint.cents + partCents(step.fitting, settings),
        riskPerMille: label.riskPerMille + joint.riskPerMille,
        remarks: joint.remarks,
        fine: `${label.fine};${step.pair.method.id}>${step.fitting.family}>${openClass}`,
        coarse: `${label.coarse};${step.pair.method.id}>${step.fitting.family}`,
      })
    }
  }
  return { goals, truncated: false }
}

/** Whether the chain has already shown that class of open end: going round in a circle is never a way. */
function visits(label: Label, openClass: string): boolean {
  for (let at: Label | null = label; at; at = at.back) if (at.openClass === openClass) return true
  return false
}
