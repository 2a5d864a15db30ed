import { runOperation } from '@diarmos/contract'
import { fitup, formatLength, type LengthUnit, type MateOption } from '@diarmos/core'
import { gripsPipe, isOnRiser, type TrapMeasures, trapAsk } from '@diarmos/core/record'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'

/** What was measured round a trap and what was cut for it, in words; nothing where there is none. */
export function trapCuts(
  option: MateOption,
  stubMm: number | null,
  measured: TrapMeasures | null | undefined,
  unit: LengthUnit,
): string[] {
  const { stations } = fitup.layOut({ chain: option, stubMm, dimensions: [] })
  // what is not measured yet is no fault of a sheet
  const ask = trapAsk(option, stations, measured)
  if (!ask) return []
  const { fit } = runOperation('trap', ask)
  const read = (mm: number) => formatLength(mm, { unit })
  // never longer than there is room for
  const cut = (mm: number) => formatLength(mm, { unit, quantity: 'pipe-to-cut' })
  const riser = isOnRiser(option)
  const [from, at] = riser
    ? ['away from the riser', 'the side of the tee']
    : ['out from the wall', 'the stub']
  return [
    `Measured: drain ${read(ask.outMm)} ${from}, ${read(ask.asideMm)} aside; its end ${read(ask.drainMm)} and ${at} ${read(ask.stubMm)} over the floor.`,
    ...(fit.ok
      ? [
          gripsPipe(option)
            ? [
                `Pipe, wall to its end: ${cut(fit.armMm[1])} at most. Inlet of the trap drawn out ${read(fit.tailMm[1])}.`,
                ...fit.notes.map(({ ruleId, parameters }) => say(REASONS[ruleId] ?? '', parameters, unit)),
              ].join(' ')
            : `${riser ? 'Tube of the trap to the tee' : 'Wall tube of the trap'}, bend to end: ${cut(fit.armMm[1])} at most. Tailpiece: ${cut(fit.tailMm[1])} at most.`,
        ]
      : []),
  ]
}
