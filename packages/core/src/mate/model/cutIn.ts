import { drawnBack, sidewaysSpring } from '../../fitup/spring'
import { usualElbowMm } from '../../fitup/usualElbow'
import type { Pipe } from '../../reference/types'
import type { CutIn } from '../types'

/**
 * How far two halves of what goes in can be drawn apart at a joint, by springing the run or bowing soft tube, mm: at a joint before the
 * corner and at one behind it. A straight run gives both sides' shortening, wherever the joint is. Round a corner the
 * leg on the other side is pushed sideways, which is along this one; only a right angle does that.
 */
export function springsMm(pipe: Pipe, cutIn: CutIn, turn: number): readonly [number, number] {
  const tube = { ...pipe, ...(pipe.temper === 'soft' ? { soft: true } : {}) }
  const corner = cutIn.insert === 'corner'
  const yields = corner ? sidewaysSpring : drawnBack
  const [near, far] = cutIn.freeMm.map((free) => yields(tube, free, cutIn.sidewaysMm))
  if (!near || !far) return [0, 0]
  if (corner) return turn === 90 ? [far.sidewaysMm, near.sidewaysMm] : [0, 0]
  const together = near.retractionMm + far.retractionMm
  return [together, together]
}

/**
 * What has to come out at least on each side of a corner, mm: as it was measured, else the elbow that usually stands
 * there; null for what has no corner, or where no such elbow is known.
 */
export function leastLegsMm(pipe: Pipe, { insert, legsMm }: CutIn): readonly [number, number] | null {
  if (insert !== 'corner') return null
  const elbow = usualElbowMm(pipe)
  return legsMm ?? (elbow === null ? null : [elbow, elbow])
}

/** Degrees that what goes into a run turns it by: a corner as it was, a right angle where it is not said. */
export function turnOfCut(insert: CutIn['insert'], turn: 0 | 45 | 90 | undefined): 0 | 45 | 90 {
  return insert === 'corner' ? turn || 90 : 0
}
