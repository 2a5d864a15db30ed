import type { JobFile } from '@diarmos/contract'
import { byHeard } from '../data/held'
import type { JobView } from '../data/select'
import { shelf } from '../data/state'
import type { Doc, EntityKind } from '../data/types'
import { pictureText } from '../pictures/kept'

const OF_JOB = [
  'visit',
  'situation',
  'observation',
  'finding',
  'mating',
  'dimension',
  'check',
  'attachment',
] as const

/** What the shop heard of later counts as later, also what it has not heard of yet. */
const rowsOf = (docs: readonly Doc[]) =>
  [...docs]
    .sort(byHeard)
    .map(({ id, fields }, index): Record<string, unknown> => ({ ...fields, id, revision: index + 1 }))

const rowOf = (doc: Doc): Record<string, unknown> => ({ ...doc.fields, id: doc.id, revision: doc.revision })

/** A whole job as it lies on this phone, own unsent edits with it, as a file of the kind that the server writes. */
export async function jobFileOf(view: JobView): Promise<JobFile> {
  const jobId = view.job.id
  const points = view.points.map(({ point }) => point)
  const [point, ...more] = points
  const documents = Object.fromEntries(
    OF_JOB.map((kind) => [kind, rowsOf(shelf.of(kind as EntityKind, 'jobId', jobId))]),
  )
  for (const row of documents.attachment ?? [])
    if (!row.content) row.content = (await pictureText(String(row.id))) ?? ''
  return {
    format: 'diarmos-job/2',
    job: rowOf(view.job),
    property: rowOf(view.property),
    point: point ? rowOf(point) : {},
    ...(more.length > 0 ? { more: more.map(rowOf) } : {}),
    lines: view.lines.map(({ line }) => rowOf(line)),
    documents,
  }
}
