import type { MateOption } from '../mate/types'
import { sequence } from './plan'
import type { PlanLine, PlanRequest } from './types'

/** What the order of work makes of a way. */
export interface WayTimes {
  readonly optionId: string
  /** Hands for this line: its old end, its joints, what is set out for them; seconds. */
  readonly handsSeconds: number
  /** The water is off for so long where this line is all that is done, and no order is shorter than the bound; seconds. */
  readonly waterOffSeconds: number
  readonly boundSeconds: number
}

/**
 * The minutes of ways of one line as the plan has them, each by itself: with what is soldered in one heat, what is made
 * at the bench before the water is shut, and what waits.
 *
 * @throws CircularPlanError where the data contradict themselves
 */
export function wayTimes(
  line: Omit<PlanLine, 'option'>,
  options: readonly MateOption[],
  request: Omit<PlanRequest, 'lines'>,
): readonly WayTimes[] {
  return options.map((option) => {
    const { steps, waterOff } = sequence({ ...request, lines: [{ ...line, option }] })
    const handsSeconds = steps.reduce((sum, { id, lineId, seam, passive, startSeconds, endSeconds }) => {
      const own = lineId === line.lineId && (seam !== null || id.startsWith(`${lineId}/remove/`))
      return !passive && (own || id.startsWith('general/set-up-')) ? sum + endSeconds - startSeconds : sum
    }, 0)
    return {
      optionId: option.id,
      handsSeconds,
      waterOffSeconds: waterOff.seconds,
      boundSeconds: waterOff.boundSeconds,
    }
  })
}
