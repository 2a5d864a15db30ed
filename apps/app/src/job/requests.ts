import type { OperationRequest } from '@diarmos/contract'
import { conditionsOf, type JobView, type LineView } from '../data/select'
import type { EntityFields } from '../data/types'

type MateSettings = EntityFields<'settings'>['mate']
type Known = NonNullable<OperationRequest<'identify'>['known']>

/** Observations as the core reads them. */
function observationsOf(line: LineView): OperationRequest<'identify'>['observations'] {
  return line.observations
    .filter((doc) => !doc.fields.withdrawn)
    .map(({ id, fields }) =>
      fields.kind === 'sign'
        ? { id, kind: 'sign' as const, sign: fields.sign as 'magnet', answer: fields.answer ?? '' }
        : fields.kind === 'print'
          ? { id, kind: 'print' as const, text: fields.entered }
          : {
              id,
              kind: fields.kind,
              instrument: fields.instrument as 'caliper',
              mm: fields.mm as number,
              resolutionMm: fields.resolutionMm ?? 0,
            },
    )
}

/** What Find asks: and, once it is known what goes in, for which decision. */
export function identifyRequest(
  view: JobView,
  line: LineView,
  known: Known,
  settings: MateSettings | undefined,
): OperationRequest<'identify'> {
  const { era, region } = view.property.fields
  const { fixtureId } = view.job.fields
  return {
    era,
    region,
    known,
    observations: observationsOf(line),
    ...(fixtureId && settings
      ? { decideFor: { line: { lineId: line.line.id, fixtureId, conditions: conditionsOf(line) }, settings } }
      : {}),
  }
}

/** What Mate asks, for every line whose pipe is known; null while there is none or no fixture. */
export function mateRequest(
  view: JobView,
  settings: MateSettings | undefined,
): OperationRequest<'mate'> | null {
  const { fixtureId } = view.job.fields
  if (!fixtureId || !settings) return null
  const lines = view.lines.flatMap((line) =>
    line.finding
      ? [
          {
            lineId: line.line.id,
            pipeId: line.finding.fields.pipeId,
            fixtureId,
            conditions: conditionsOf(line),
          },
        ]
      : [],
  )
  return lines.length > 0 ? { lines, settings } : null
}

/** What the plan asks, for every line that has a way chosen. */
export function planRequest(
  view: JobView,
  settings: MateSettings | undefined,
): OperationRequest<'sequence'> | null {
  if (!settings) return null
  const lines = view.lines.flatMap((line) => {
    const found = line.finding?.fields.snapshot as { classes?: { material: 'copper' }[] } | undefined
    const material = found?.classes?.[0]?.material
    return line.mating && material
      ? [
          {
            lineId: line.line.id,
            material,
            conditions: conditionsOf(line),
            option: line.mating.fields.option,
          },
        ]
      : []
  })
  const old = !['1995-2010', 'since-2010'].includes(view.property.fields.era)
  return lines.length > 0 ? { lines, houseRules: settings.houseRules, oldSolder: old } : null
}
