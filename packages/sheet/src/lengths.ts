import type { EntityFields, JobFile } from '@diarmos/contract'
import { fitup, keptStopEnd, type MateOption } from '@diarmos/core'
import { type Body, fromStop, lineEnds } from '@diarmos/core/bodies'
import { dimensionsFor } from '@diarmos/core/record'
import { newest } from './newest'

type Fields = Record<string, unknown>

/** What goes in at a point of a job. */
function goesIn({ pointId, fixtures, more }: Fields, at: unknown): Body[] {
  const further = (more ?? []) as readonly { readonly pointId: string; readonly fixtures: Body[] }[]
  return at === pointId
    ? (fixtures as Body[])
    : (further.find((entry) => entry.pointId === at)?.fixtures ?? [])
}

/** What a line of a job leads to, and what it begins at. */
export function endsOf(file: JobFile, line: Fields) {
  const finding = newest(file.documents.finding, line.id)
  const place = newest(file.documents.situation, line.id) as Partial<EntityFields<'situation'>> | undefined
  const ends = fromStop(
    lineEnds(goesIn(file.job, line.pointId), String(line.service), finding !== undefined),
    keptStopEnd(place?.stopOutlet ?? ''),
  )
  const into = ends?.insert ?? null
  const begins: 'pipe' | 'fresh' | 'run' = into ? 'run' : ends && ends.from !== 'pipe' ? 'fresh' : 'pipe'
  return { finding, place, ends, into, begins }
}

/** Every way that was ever chosen for a line. */
export function waysOf(file: JobFile, lineId: unknown): MateOption[] {
  return (file.documents.mating ?? []).flatMap((row) =>
    row.lineId === lineId ? [row.option as MateOption] : [],
  )
}

/** Distances measured along a line that hold for its way, as the core takes them. */
export function measuredOf(file: JobFile, lineId: unknown, option: MateOption): fitup.Dimension[] {
  const rows = (file.documents.dimension ?? []) as readonly (Fields & EntityFields<'dimension'>)[]
  return dimensionsFor(
    rows.filter((row) => row.lineId === lineId),
    option,
    waysOf(file, lineId),
  ).map(({ id, from, to, mm, measurer, dry }) => ({
    id: String(id),
    // checked against the places there are when it was kept
    from: from as fitup.StationId,
    to: to as fitup.StationId,
    mm,
    measurer,
    dry,
  }))
}

/** The pieces of a way as they are to be cut, by what was measured. */
export function piecesOf(file: JobFile, line: Fields, option: MateOption) {
  return fitup.layOut({
    chain: option,
    stubMm: endsOf(file, line).begins === 'pipe' ? option.leavesStubMm : null,
    dimensions: measuredOf(file, line.id, option),
  }).pieces
}
