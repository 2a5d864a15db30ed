import { sidewaysSpring } from '../../fitup/spring'
import type { Pipe } from '../../reference/types'
import type { CutIn } from '../types'

/** How far the two ends of a run can be drawn apart by springing both sideways, mm. */
export function retractionMm(pipe: Pipe, cutIn: CutIn): number {
  const tube = { ...pipe, ...(pipe.temper === 'soft' ? { soft: true } : {}) }
  return cutIn.freeMm.reduce(
    (sum, free) => sum + sidewaysSpring(tube, free, cutIn.sidewaysMm).retractionMm,
    0,
  )
}
