import { pictureText } from '../pictures/kept'
import { byHeard } from './held'
import { shelf } from './state'
import type { Doc, EntityKind } from './types'

type Row = Record<string, unknown>

/** Kinds of documents that belong to a job, as files of it and of its house hold them. */
const OF_JOB = ['situation', 'observation', 'finding', 'mating', 'dimension', 'check', 'attachment'] as const

/** Documents as plain rows, in the order in which the shop heard of them: a later row is a later one. */
export const rowsOf = (docs: readonly Doc[]): Row[] =>
  [...docs].sort(byHeard).map(({ id, fields }, index) => ({ ...fields, id, revision: index + 1 }))

/** All that belongs to some jobs, by kind, with the pictures that the phone or the server can give. */
export async function rowsOfJobs(
  jobs: readonly Pick<Doc, 'id'>[],
): Promise<Partial<Record<EntityKind, Row[]>>> {
  const rows: Partial<Record<EntityKind, Row[]>> = {}
  for (const kind of OF_JOB) rows[kind] = rowsOf(jobs.flatMap(({ id }) => shelf.of(kind, 'jobId', id)))
  for (const row of rows.attachment ?? [])
    if (!row.content) row.content = (await pictureText(String(row.id))) ?? ''
  return rows
}
