import type { MethodId } from '../../assembly/methods/table'
import type { Fitting } from '../../catalog/types'
import { isWithin } from '../costs/sets'
import type { Problem } from '../model/problem'
import { type Guide, guideOf } from './guide'
import { Heap } from './heap'
import { bothWays, Grower, type Label, leavesAsMuch, needsTrip, overdrawn } from './labels'

/** Labels after which a search gives up and says so. */
export const LABEL_BOUND = 60_000

export interface SearchOutcome {
  readonly goals: readonly Label[]
  readonly truncated: boolean
}

/**
 * `ways`: the k cheapest distinct ways. `least`: the one chain with the least additive cost. `masks`: every
 * chain, up to a bound, for which no other can stand beside whatever the other lines take, open and meet.
 */
export type SearchMode =
  | {
      readonly kind: 'ways'
      readonly k: number
      /** As if everything were aboard: what a plumber would choose with the counter next door. */
      readonly tripApart?: true
    }
  /**
   * `each`: for every end that it may begin at and every end that it may leave open for another line. `without`: parts
   * that are not taken.
   */
  | { readonly kind: 'least'; readonly each?: true; readonly without?: ReadonlySet<Fitting> }
  | {
      readonly kind: 'masks'
      readonly additiveBound: (mask: number, trip: boolean, heat: number) => number
      /** Finished chains that are not taken: of two alike, what leaves the simpler one out leaves the other out too. */
      readonly leftOut?: (goal: Label) => boolean
    }

/** Whether one label can stand for another that has the same future: at no more cost, no more parts, no fewer lengths. */
function cheaper(a: Label, b: Label): boolean {
  return a.additive <= b.additive && a.parts <= b.parts && a.lo <= b.lo && a.hi >= b.hi
}

/** The same where a trip counts: one that has to be made anyway brings whatever else is lacking. */
function stands(a: Label, b: Label): boolean {
  return cheaper(a, b) && (needsTrip(b) || (!needsTrip(a) && leavesAsMuch(a, b)))
}

/** The same whatever other lines open or meet: with no more opened and no more heated; done, no length is to come. */
function standsBesideAny(a: Label, b: Label): boolean {
  if (!isWithin(a.mask, b.mask) || (a.heat | b.heat) !== b.heat) return false
  return b.done
    ? a.additive <= b.additive && (needsTrip(b) || (!needsTrip(a) && leavesAsMuch(a, b)))
    : stands(a, b)
}

/** What another line begins at. Left out where none does. */
function opening(label: Label, { meets }: Problem): string {
  return meets.tee < 0 ? '' : `${label.branch},${label.second},${label.group?.role === 'tee'}`
}

/**
 * Exact search over classes of open ends, from the first end outward, best first.
 *
 * A label is dropped only for another with the same future at no more cost (docs/cost-model.md argues why nothing is
 * lost). Cost: O(labels × groups that fit one end); labels are bounded by `LABEL_BOUND`, and `truncated` says when
 * that bound was met.
 */
export function search(
  problem: Problem,
  mode: SearchMode,
  guide: Guide = guideOf(problem),
  firstMethod?: MethodId,
): SearchOutcome {
  // not counted, a way is never dearer than it is: those found are the cheapest unless one takes too many of a piece
  for (let counting = problem; ; ) {
    const found = searchOnce(counting, mode, guide, firstMethod)
    const over = mode.kind === 'ways' ? overdrawn(found.goals, counting) : NONE
    if (over.size === 0) return found
    counting = counting.counting(over)
  }
}

const NONE: ReadonlySet<Fitting> = new Set()

function searchOnce(
  problem: Problem,
  mode: SearchMode,
  guide: Guide,
  firstMethod: MethodId | undefined,
): SearchOutcome {
  const each = mode.kind === 'least' && mode.each === true
  const without = mode.kind === 'least' ? (mode.without ?? NONE) : NONE
  // where some are left out for the trip that they spare, one that makes it is never dropped for one that does not
  const telling = mode.kind === 'masks' && mode.leftOut !== undefined
  const beside = (a: Label, b: Label) => (!telling || needsTrip(a) === needsTrip(b)) && standsBesideAny(a, b)
  const standsFor = { least: cheaper, ways: stands, masks: beside }[mode.kind]
  const tripApart = mode.kind === 'ways' && mode.tripApart === true
  const grower = new Grower(problem, guide, { firstMethod, told: mode.kind === 'ways' })
  const heap = new Heap<Label>()
  const held = new Map<string | number, Label[]>()
  const goals: Label[] = []
  const found = new Set<number | string>()
  /** From which end to which open one the least is known. */
  const reached = new Set<string>()
  const reach = ({ origin, branch }: Label) => `${origin},${branch}`
  /** Whether it can come to nothing but what is known: what it leaves open is decided. */
  const settled = (label: Label) =>
    (label.done || label.branch >= 0 || problem.meets.tee < 0) && reached.has(reach(label))
  let labels = 0

  const offer = (label: Label) => {
    const rest = label.done ? 0 : guide.rest(label)
    if (rest === undefined || (label.choice && without.has(label.choice.part))) return
    const additive = label.additive + rest
    if (mode.kind === 'masks' && label.done && mode.leftOut?.(label)) return
    if (mode.kind === 'masks' && additive > mode.additiveBound(label.mask, needsTrip(label), label.heat))
      return
    // ways are told apart by their sequence; else only what is still to come matters, and on a stub its own state
    const key =
      mode.kind === 'ways'
        ? label.fine
        : `${label.back ? label.origin : `on ${label.fine}`}|${label.done ? -1 : label.openClass},${label.stage},${label.turned},${label.hot},${label.trend},${label.group?.adapts[0] ?? -1},${label.closing},${mode.kind === 'masks' ? opening(label, problem) : each ? label.branch : 0}`
    const others = held.get(key)
    if (others) {
      for (const other of others) if (standsFor(other, label)) return
      others.push(label)
    } else held.set(key, [label])
    labels++
    problem.effort.spend()
    heap.push(
      mode.kind === 'ways' ? problem.total(additive, label.mask, !tripApart && needsTrip(label)) : additive,
      label,
    )
  }

  for (const label of grower.initial()) offer(label)
  for (let label = heap.pop(); label; label = heap.pop()) {
    if (each && settled(label)) continue
    if (label.done) {
      if (mode.kind === 'ways') {
        // into a run the same from the other side is the same way
        const way = problem.line.cutIn ? bothWays(label) : label.way
        if (found.has(way)) continue
        found.add(way)
      }
      reached.add(reach(label))
      goals.push(label)
      if ((mode.kind === 'least' && !each) || (mode.kind === 'ways' && goals.length >= mode.k)) break
      continue
    }
    if (labels > LABEL_BOUND || problem.effort.exhausted) return { goals, truncated: true }
    grower.next(label, offer)
  }
  return { goals, truncated: false }
}

/**
 * Whether there is any chain at all; null where the search was cut short before it knew. Labels with the same future
 * stand for each other, so this is quick.
 */
export function fits(
  problem: Problem,
  guide: Guide = guideOf(problem),
  firstMethod?: MethodId,
): boolean | null {
  const { goals, truncated } = search(problem, { kind: 'least' }, guide, firstMethod)
  return goals.length > 0 ? true : truncated ? null : false
}
