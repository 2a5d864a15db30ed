import { byHeard } from '../data/held'
import { shelf } from '../data/state'
import type { Doc, EntityKind } from '../data/types'
import { pictureText } from '../pictures/kept'

const OF_JOB = ['situation', 'observation', 'finding', 'mating', 'dimension', 'check', 'attachment'] as const
const rowsOf = (docs: readonly Doc[]) =>
  [...docs].sort(byHeard).map(({ id, fields }): Record<string, unknown> => ({ ...fields, id }))

/** Every document of a house as it lies on this phone, by kind, in the order in which the shop heard of them. */
export async function houseRows(propertyId: string) {
  const points = shelf.of('point', 'propertyId', propertyId)
  const jobs = shelf.of('job', 'propertyId', propertyId)
  const house = shelf.get('property', propertyId)
  const rows: Partial<Record<EntityKind, Record<string, unknown>[]>> = {
    property: house ? rowsOf([house]) : [],
    point: rowsOf(points),
    line: points.flatMap(({ id }) => rowsOf(shelf.of('line', 'pointId', id))),
    job: rowsOf(jobs),
  }
  for (const kind of OF_JOB) rows[kind] = rowsOf(jobs.flatMap(({ id }) => shelf.of(kind, 'jobId', id)))
  for (const row of rows.attachment ?? [])
    if (!row.content) row.content = (await pictureText(String(row.id))) ?? ''
  return rows
}
