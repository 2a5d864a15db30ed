import { runOperation } from '@diarmos/contract'
import { fitup, formatLength, type MateOption } from '@diarmos/core'
import { type TrapMeasures, trapAsk } from '@diarmos/core/record'

/** What was measured round a trap and what was cut for it, in words; nothing where there is none. */
export function trapCuts(
  option: MateOption,
  stubMm: number | null,
  measured: TrapMeasures | null | undefined,
): string[] {
  const { stations } = fitup.layOut({ chain: option, stubMm, dimensions: [] })
  // what is not measured yet is no fault of a sheet
  const ask = trapAsk(option, stations, measured)
  if (!ask) return []
  const { fit } = runOperation('trap', ask)
  const inches = (mm: number) => formatLength(mm, { unit: 'in', quantity: 'pipe-to-cut' })
  return [
    `Measured: drain ${inches(ask.outMm)} out from the wall, ${inches(ask.asideMm)} aside; its end ${inches(ask.drainMm)} and the stub ${inches(ask.stubMm)} over the floor.`,
    ...(fit.ok
      ? [
          `Wall tube of the trap, bend to end: ${inches(fit.armMm[1])} at most. Tailpiece: ${inches(fit.tailMm[1])} at most.`,
        ]
      : []),
  ]
}
