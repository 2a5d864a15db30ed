import type { OperationRequest } from '@diarmos/contract'
import { conditionsOf, type JobView, type LineView } from '../data/select'
import type { EntityFields } from '../data/types'
import { toObservations, toThreadObservations } from '../find/looks'

type MateSettings = EntityFields<'settings'>['mate']
/** What this house, this shop and its corrections say before anyone looks. */
export type Expectation = Pick<OperationRequest<'identify'>, 'known' | 'finds' | 'factors'>

/** The looks at a line, as they are shared by a job and the bench. */
export function looksOf(line: LineView) {
  return line.observations.map(({ id, fields }) => ({ id, ...fields }))
}

/** What Find asks: and, once it is known what goes in, for which decision. */
export function identifyRequest(
  view: JobView,
  line: LineView,
  expectation: Expectation,
  settings: MateSettings | undefined,
): OperationRequest<'identify'> {
  const { era, region } = view.property.fields
  const { fixtureId } = view.job.fields
  const conditions = conditionsOf(line)
  return {
    era,
    region,
    service: line.line.fields.service,
    ...expectation,
    observations: toObservations(looksOf(line)),
    ...(fixtureId && settings && conditions
      ? { decideFor: { line: { lineId: line.line.id, fixtureId, conditions }, settings } }
      : {}),
  }
}

/** What the thread at a line is asked from; null while nobody has looked at one. */
export function threadRequest(view: JobView, line: LineView): OperationRequest<'identify-thread'> {
  return { region: view.property.fields.region, observations: toThreadObservations(looksOf(line)) }
}

/** What Mate asks, for every line whose pipe is known; null while there is none or no fixture. */
export function mateRequest(
  view: JobView,
  settings: MateSettings | undefined,
  improvised = false,
): OperationRequest<'mate'> | null {
  const { fixtureId } = view.job.fields
  if (!fixtureId || !settings) return null
  const lines = view.lines.flatMap((line) => {
    const conditions = conditionsOf(line)
    return line.finding && conditions
      ? [{ lineId: line.line.id, pipeId: line.finding.fields.pipeId, fixtureId, conditions }]
      : []
  })
  return lines.length > 0 ? { lines, settings, ...(improvised ? { improvised } : {}) } : null
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
    const conditions = conditionsOf(line)
    return line.mating && material && conditions
      ? [{ lineId: line.line.id, material, conditions, option: line.mating.fields.option }]
      : []
  })
  const old = !['1995-2010', 'since-2010'].includes(view.property.fields.era)
  return lines.length > 0 ? { lines, houseRules: settings.houseRules, oldSolder: old } : null
}
