import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'

/** A stretch of a line that is thicker than its pipe: a body, a nut. */
export interface Bulk {
  /** Along the line from the wall, mm. */
  readonly fromMm: number
  readonly toMm: number
  /** From the middle of the line to its outside, mm. */
  readonly radiusMm: number
  /** A wrench goes on here. */
  readonly wrench: boolean
}

/** Bodies that pass each other nearer than this touch when they are made up, mm. Common practice. */
export const CLEAR_MM = 3
/** The head of an open wrench reaches so far from the middle of its nut, in radii of the nut. Common practice. */
export const WRENCH_RADII = 2.2
export const STAGGER_SOURCE: Source = commonPractice

export interface Stagger {
  /** Whether both can be made up side by side as they are. */
  readonly clear: boolean
  /** The least by which the second has to stand further out, and the least by which it may stand further in, mm. */
  readonly outMm: number
  readonly inMm: number
  /** What they need from middle to middle to stand side by side, mm. */
  readonly apartMm: number
}

/** How far apart two stretches have to be where they lie side by side, mm: their bodies, or the wrench on either. */
function needs(a: Bulk, b: Bulk): number {
  const bodies = a.radiusMm + b.radiusMm + CLEAR_MM
  const onA = a.wrench ? a.radiusMm * WRENCH_RADII + b.radiusMm : 0
  const onB = b.wrench ? b.radiusMm * WRENCH_RADII + a.radiusMm : 0
  return Math.max(bodies, onA, onB)
}

/**
 * How far one of two parallel lines has to be shifted along the other so that their bodies and the wrenches on their
 * nuts clear. Each pair that needs more room than there is forbids an open interval of shifts; the answer is the
 * nearest shift to none, each way, that lies in no interval. Exact; cost O(n log n) in the pairs.
 *
 * @param apartMm from middle to middle
 */
export function stagger(one: readonly Bulk[], other: readonly Bulk[], apartMm: number): Stagger {
  const forbidden: (readonly [number, number])[] = []
  let least = 0
  for (const a of one)
    for (const b of other) {
      const need = needs(a, b)
      const [from, to] = [a.fromMm - b.toMm - CLEAR_MM, a.toMm - b.fromMm + CLEAR_MM]
      if (from < 0 && to > 0) least = Math.max(least, need)
      if (need > apartMm) forbidden.push([from, to])
    }
  const outMm = beyond(forbidden.map(([from, to]) => [from, to] as const))
  const inMm = beyond(forbidden.map(([from, to]) => [-to, -from] as const))
  return { clear: outMm === 0, outMm, inMm, apartMm: least }
}

/** The least shift of nothing or more that lies inside no open interval: one sweep by where they begin. */
function beyond(intervals: readonly (readonly [number, number])[]): number {
  let at = 0
  for (const [from, to] of [...intervals].sort((a, b) => a[0] - b[0])) if (from < at && to > at) at = to
  return at
}
