import { isWithin } from '../costs/sets'
import type { Problem } from '../model/problem'
import type { RankedOption } from '../types'
import { type Label, needsTrip } from './labels'

/** A way that wants something from the counter, as others are held against it. */
export interface Simpler {
  /** Its methods, as bits. */
  readonly mask: number
  readonly joints: number
  /** What it comes to, the trip apart. */
  readonly cents: number
}

/** So many joints more are a longer line. */
const MORE_JOINTS = 2

/** A listed way as it is held against others. */
export function weightOf(
  { methods, joints, costs }: RankedOption,
  { book }: Problem,
): Simpler & { readonly trip: boolean } {
  return {
    mask: book.maskOf(methods),
    joints: joints.length,
    cents: costs.totalCents - costs.tripCents,
    trip: costs.tripCents > 0,
  }
}

/** Of the ways of a line, those that want a trip. */
export function simplerOf(options: readonly RankedOption[], problem: Problem): readonly Simpler[] {
  return options.map((option) => weightOf(option, problem)).filter(({ trip }) => trip)
}

/**
 * Whether a way is dearer than a simpler one but for the trip: fewer kinds of joints, all of them its own, two joints fewer
 * at least, and less to pay, only that something of it is not aboard. Nobody makes the longer line to be spared the way to
 * the counter; one adapter more, which lies aboard, everybody takes. Trade; common practice.
 */
export function onlySparesTrip(
  way: Simpler & { readonly trip: boolean },
  simpler: readonly Simpler[],
): boolean {
  return (
    !way.trip &&
    simpler.some(
      ({ mask, joints, cents }) =>
        isWithin(mask, way.mask) &&
        mask !== way.mask &&
        joints + MORE_JOINTS <= way.joints &&
        cents < way.cents,
    )
  )
}

/** The same of a finished chain. */
export function labelOnlySparesTrip(label: Label, simpler: readonly Simpler[], problem: Problem): boolean {
  const { mask, joints, additive } = label
  return onlySparesTrip(
    { mask, joints, cents: problem.total(additive, mask, false), trip: needsTrip(label) },
    simpler,
  )
}
