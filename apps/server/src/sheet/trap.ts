import { type EntityFields, runOperation } from '@diarmos/contract'
import { fitup, formatLength, type MateOption } from '@diarmos/core'

/** What was measured round a trap and what was cut for it, in words; nothing where there is none. */
export function trapCuts(
  option: MateOption,
  stubMm: number | null,
  measured: EntityFields<'situation'>['trap'] | undefined,
): string[] {
  const at = option.parts.findIndex(({ family }) => family === 'tubular-trap')
  if (at < 0 || !measured) return []
  const { stations } = fitup.layOut({ chain: option, stubMm, dimensions: [] })
  const place = (id: fitup.StationId) => stations.find((station) => station.id === id)?.fromLegMm
  const [mouth, wall] = [place(`part:${at - 1}:out`), place('wall')]
  const { outMm, drainMm, stubMm: heightMm } = measured
  const asideMm = measured.asideMm ?? 0
  const trap = fitup.TUBULAR_TRAPS.find(({ id }) => id === option.joints.find(({ to }) => to === at)?.nominal)
  // what is not measured yet is no fault of a sheet
  if (!trap || outMm === null || drainMm === null || heightMm === null || mouth == null || wall == null)
    return []
  const { fit } = runOperation('trap', {
    size: trap.id,
    outMm,
    asideMm,
    drainMm,
    stubMm: heightMm,
    stubOutMm: Math.max(0, mouth - wall),
  })
  const inches = (mm: number) => formatLength(mm, { unit: 'in', quantity: 'pipe-to-cut' })
  return [
    `Measured: drain ${inches(outMm)} out from the wall, ${inches(asideMm)} aside; its end ${inches(drainMm)} and the stub ${inches(heightMm)} over the floor.`,
    ...(fit.ok
      ? [
          `Wall tube of the trap, bend to end: ${inches(fit.armMm[1])} at most. Tailpiece: ${inches(fit.tailMm[1])} at most.`,
        ]
      : []),
  ]
}
