import type { MethodId } from '../../assembly/methods/table'
import type { Problem } from '../model/problem'
import { type Guide, guideOf } from './guide'
import { Heap } from './heap'
import { Grower, type Label, needsTrip } from './labels'

/** Labels after which a search gives up and says so. */
export const LABEL_BOUND = 60_000

export interface SearchOutcome {
  readonly goals: readonly Label[]
  readonly truncated: boolean
}

/**
 * `ways`: the k cheapest distinct ways. `least`: the one chain with the least additive cost. `masks`: the cheapest for
 * every set of methods opened, with and without a trip, up to a bound.
 */
export type SearchMode =
  | { readonly kind: 'ways'; readonly k: number }
  | { readonly kind: 'least' }
  | { readonly kind: 'masks'; readonly additiveBound: (mask: number, trip: boolean) => number }

/** Whether one label can stand for another that has the same future: at no more cost, no more parts, no fewer lengths. */
function stands(a: Label, b: Label): boolean {
  return (
    a.additive <= b.additive &&
    a.parts <= b.parts &&
    (a.tools | b.tools) === b.tools &&
    (a.notAboard === 0 || b.notAboard > 0) &&
    a.lo <= b.lo &&
    a.hi >= b.hi
  )
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
  const grower = new Grower(problem, guide, { firstMethod, told: mode.kind === 'ways' })
  const heap = new Heap<Label>()
  const held = new Map<string | number, Label[]>()
  const goals: Label[] = []
  const found = new Set<number>()
  let labels = 0

  const offer = (label: Label) => {
    const rest = label.done ? 0 : guide.rest(label)
    if (rest === undefined) return
    const additive = label.additive + rest
    if (mode.kind === 'masks' && additive > mode.additiveBound(label.mask, needsTrip(label))) return
    // ways are told apart by their sequence; else only what is still to come matters, and on a stub its own state
    const key =
      mode.kind === 'ways'
        ? label.fine
        : `${label.back ? label.origin : label.fine}|${label.done ? -1 : label.openClass},${label.stage},${label.turned},${label.closing},${mode.kind === 'masks' ? label.mask : 0}`
    const others = held.get(key)
    if (others) {
      for (const other of others) if (stands(other, label)) return
      others.push(label)
    } else held.set(key, [label])
    labels++
    problem.effort.spend()
    heap.push(mode.kind === 'ways' ? problem.total(additive, label.mask, needsTrip(label)) : additive, label)
  }

  for (const label of grower.initial()) offer(label)
  for (let label = heap.pop(); label; label = heap.pop()) {
    if (label.done) {
      if (mode.kind === 'ways') {
        if (found.has(label.way)) continue
        found.add(label.way)
      }
      goals.push(label)
      if (mode.kind === 'least' || (mode.kind === 'ways' && goals.length >= mode.k)) break
      continue
    }
    if (labels > LABEL_BOUND || problem.effort.exhausted) return { goals, truncated: true }
    for (const next of grower.next(label)) offer(next)
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
