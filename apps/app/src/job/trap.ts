import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import type { LineView } from '../data/select'
import type { EntityFields } from '../data/types'

/** What is measured round a trap; each null until it is. */
export type Measured = NonNullable<EntityFields<'situation'>['trap']>

const SIZES = ['1-1/4', '1-1/2', '32', '40'] as const

/**
 * Whether the trap of the chosen way lines up: its size from the way, the nut at the wall where the layout has it;
 * null until enough is measured.
 */
export function trapRequest(
  line: LineView,
  layout: OperationResponse<'layout'> | null,
): OperationRequest<'trap'> | null {
  const option = line.mating?.fields.option
  const measured = line.situation?.fields.trap
  const at = option?.parts.findIndex(({ family }) => family === 'tubular-trap') ?? -1
  const size = SIZES.find((entry) => entry === option?.joints.find(({ to }) => to === at)?.nominal)
  // the mouth that the wall tube goes into is the outlet of the part before the trap
  const mouth = layout?.stations.find(({ id }) => id === `part:${at - 1}:out`)?.fromLegMm
  const wall = layout?.stations.find(({ id }) => id === 'wall')?.fromLegMm
  if (!measured || !size || mouth == null || wall == null) return null
  const { outMm, drainMm, stubMm, asideMm } = measured
  if (outMm === null || drainMm === null || stubMm === null) return null
  return { size, outMm, drainMm, stubMm, asideMm: asideMm ?? 0, stubOutMm: mouth - wall, tailMm: null }
}
