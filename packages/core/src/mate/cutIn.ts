import { sidewaysSpring } from '../fitup/spring'
import type { Pipe } from '../reference/types'
import type { Group } from './network'
import type { CutIn } from './types'

/** Two faces of a union pass each other with this much, mm. Common practice. */
export const UNION_GAP_MM = 2
/** A sliding part is pushed on until its end is clear, mm. */
export const PARK_MM = 3

/** How far the two ends of a run can be drawn apart by springing both sideways, mm. */
export function retractionMm(pipe: Pipe, cutIn: CutIn): number {
  const tube = { ...pipe, ...(pipe.temper === 'soft' ? { soft: true } : {}) }
  return cutIn.freeMm.reduce(
    (sum, free) => sum + sidewaysSpring(tube, free, cutIn.sidewaysMm).retractionMm,
    0,
  )
}

/** Whether a part slides along its pipe until it is needed. */
export function slides(group: Pick<Group, 'family'>): boolean {
  return ['slip-coupling', 'repair-coupling', 'slip-tee'].includes(group.family)
}
