import { removalSeconds } from '../../assembly/oldJoints/removals'
import { isWithin } from '../costs/sets'
import type { Problem } from '../model/problem'
import type { Criteria, CriterionId } from '../types'
import { type Guide, guideOf, type Measure } from './guide'
import { Heap } from './heap'
import { Grower, type Label, leavesAsMuch, needsTrip, overdrawn } from './labels'
import { LABEL_BOUND } from './search'

/** Most points of a front that are listed. */
export const FRONT_MOST = 12
/** The front is taken among all ways that cost at most so many times the cheapest. */
export const FRONT_WINDOW = 2

export const CRITERIA: readonly CriterionId[] = [
  'priceCents',
  'seconds',
  'waterOffSeconds',
  'joints',
  'riskPerMille',
  'notAboard',
]

/** What a finished chain is weighed by. */
export function criteriaOf(label: Label, problem: Problem): Criteria {
  const setUp = problem.book.setUp(label.mask)
  return {
    priceCents: label.priceCents + setUp.openedCents,
    seconds: label.seconds + setUp.seconds,
    waterOffSeconds: label.waterOffSeconds,
    joints: label.joints,
    riskPerMille: label.riskPerMille,
    notAboard: label.notAboard,
  }
}

/** Whether one is as good in everything. */
export function covers(a: Criteria, b: Criteria): boolean {
  return CRITERIA.every((criterion) => a[criterion] <= b[criterion])
}

/** Whether a label can stand for another whatever follows: no worse in any criterion, with no more opened. */
function stands(a: Label, b: Label): boolean {
  return (
    a.additive <= b.additive &&
    a.priceCents <= b.priceCents &&
    a.seconds <= b.seconds &&
    a.riskPerMille <= b.riskPerMille &&
    a.waterOffSeconds <= b.waterOffSeconds &&
    a.joints <= b.joints &&
    a.notAboard <= b.notAboard &&
    leavesAsMuch(a, b) &&
    isWithin(a.mask, b.mask) &&
    (a.tools | b.tools) === b.tools &&
    a.lo <= b.lo &&
    a.hi >= b.hi
  )
}

export interface FrontOutcome {
  readonly goals: readonly Label[]
  readonly truncated: boolean
}

/** Whether a finished chain is at least as good as anything a label can still come to. */
function hopeless(
  label: Label,
  problem: Problem,
  guide: Guide,
  goals: readonly { readonly criteria: Criteria }[],
): boolean {
  const setUp = problem.book.setUp(label.mask)
  const rest = (measure: Measure) =>
    label.done ? 0 : (guide.rest(label, measure) ?? Number.POSITIVE_INFINITY)
  const price = label.priceCents + setUp.openedCents + rest('priceCents')
  if (price === Number.POSITIVE_INFINITY) return true
  const seconds = label.seconds + setUp.seconds + rest('seconds')
  const joints = label.joints + rest('joints')
  const risk = label.riskPerMille + rest('riskPerMille')
  const notAboard = label.notAboard + rest('notAboard')
  // of a run the longer of its two ends counts
  const waterOff = Math.max(
    label.waterOffSeconds,
    problem.far ? removalSeconds(label.start.removal) + rest('waterOffSeconds') : 0,
  )
  for (const { criteria } of goals)
    if (
      criteria.priceCents <= price &&
      criteria.seconds <= seconds &&
      criteria.joints <= joints &&
      criteria.riskPerMille <= risk &&
      criteria.notAboard <= notAboard &&
      criteria.waterOffSeconds <= waterOff
    )
      return true
  return false
}

/**
 * The chains that no other chain within the window is as good as in all six criteria and better than in one. Chains
 * that are alike in all six are one point: the cheapest stands for them. Exact: a label is dropped only where a
 * finished chain covers the least it can come to, or where another label stands for it whatever follows. Labels are
 * bounded, and `truncated` says when the bound was met.
 *
 * @param windowCents most that a chain on the front may cost
 * @param known finished chains within the window that are already found
 */
export function front(
  problem: Problem,
  windowCents: number,
  guide: Guide = guideOf(problem),
  known: readonly Label[] = [],
): FrontOutcome {
  // not counted, a chain is never worse than it is: a front that takes no piece too often is the true one
  for (let counting = problem; ; ) {
    const found = frontOnce(counting, windowCents, guide, known)
    const over = overdrawn(found.goals, counting)
    if (over.size === 0) return found
    counting = counting.counting(over)
  }
}

function frontOnce(
  problem: Problem,
  windowCents: number,
  guide: Guide,
  known: readonly Label[],
): FrontOutcome {
  const grower = new Grower(problem, guide, { told: false })
  const heap = new Heap<Label>()
  const held = new Map<number, Label[]>()
  const goals: { readonly label: Label; readonly criteria: Criteria }[] = []
  let labels = 0
  const keep = (label: Label) => {
    const criteria = criteriaOf(label, problem)
    if (!goals.some((goal) => covers(goal.criteria, criteria))) goals.push({ label, criteria })
  }
  for (const label of known)
    if (problem.total(label.additive, label.mask, needsTrip(label)) <= windowCents) keep(label)

  const offer = (label: Label) => {
    const rest = label.done ? 0 : guide.rest(label)
    if (rest === undefined) return
    const cost = problem.total(label.additive + rest, label.mask, needsTrip(label))
    if (cost > windowCents) return
    if (hopeless(label, problem, guide, goals)) return
    if (label.done) return keep(label)
    labels++
    problem.effort.spend()
    // on a stub its own state decides what may follow, so none stands for another
    if (!label.back) return heap.push(cost, label)
    const key = stateOf(label)
    const others = held.get(key)
    if (others) {
      for (const other of others) if (stands(other, label)) return
      const left = others.filter((other) => !stands(label, other))
      left.push(label)
      held.set(key, left)
    } else held.set(key, [label])
    heap.push(cost, label)
  }

  for (const label of grower.initial()) offer(label)
  for (let label = heap.pop(); label; label = heap.pop()) {
    // one that came later may have taken its place, or a finished chain may cover it by now
    if (label.back && !held.get(stateOf(label))?.includes(label)) continue
    if (hopeless(label, problem, guide, goals)) continue
    if (labels > LABEL_BOUND || problem.effort.exhausted)
      return { goals: nondominated(goals), truncated: true }
    grower.next(label, offer)
  }
  return { goals: nondominated(goals), truncated: false }
}

const CLOSING = { no: 0, sliding: 1, yes: 2 } as const

/** Room for the states or ends that a line can begin with. */
const MOST_ORIGINS = 256

/** Room for what the ends of adapters look like. */
const MOST_SHAPES = 4096

/** Labels with the same have the same to come. */
function stateOf({ openClass, stage, turned, trend, closing, group, origin, hot }: Label): number {
  if (origin >= MOST_ORIGINS) throw new RangeError(`no room for beginning ${origin} in a state of the front`)
  const place = ((openClass + 1) * 8 + stage) * 12 + (turned / 45) * 3 + CLOSING[closing]
  const adapts = (group?.adapts[0] ?? -1) + 1
  if (adapts >= MOST_SHAPES) throw new RangeError(`no room for shape ${adapts} in a state of the front`)
  return (((place * 3 + trend + 1) * MOST_SHAPES + adapts) * MOST_ORIGINS + origin) * 2 + (hot ? 1 : 0)
}

function nondominated(goals: readonly { readonly label: Label; readonly criteria: Criteria }[]): Label[] {
  return goals
    .filter((goal) => !goals.some((other) => other !== goal && covers(other.criteria, goal.criteria)))
    .map((goal) => goal.label)
}

/**
 * At most `FRONT_MOST` of a front: the best in each criterion first, then the cheapest. All are points of the whole
 * front.
 */
export function bounded<T extends { readonly criteria: Criteria; readonly totalCents: number }>(
  points: readonly T[],
): T[] {
  const cheapest = [...points].sort((a, b) => a.totalCents - b.totalCents)
  if (cheapest.length <= FRONT_MOST) return cheapest
  const chosen = new Set<T>()
  for (const criterion of CRITERIA)
    chosen.add(
      cheapest.reduce((best, point) => (point.criteria[criterion] < best.criteria[criterion] ? point : best)),
    )
  for (const point of cheapest) if (chosen.size < FRONT_MOST) chosen.add(point)
  return cheapest.filter((point) => chosen.has(point))
}
