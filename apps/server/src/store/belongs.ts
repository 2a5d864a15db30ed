import type { EntityKind } from '@diarmos/contract'
import { type EntityManager, Not } from 'typeorm'
import { alsoAt, pointsOf } from './points'
import type { Fault } from './readable'
import { type DocumentRow, documents } from './schemas'
import { asRow } from './work'

const OF_LINE: ReadonlySet<EntityKind> = new Set([
  'situation',
  'observation',
  'finding',
  'mating',
  'dimension',
  'check',
  'attachment',
])

/** Whether a document, as it would stand after an edit, goes together with what it refers to. */
export async function belongs(
  manager: EntityManager,
  shopId: string,
  kind: EntityKind,
  before: DocumentRow | null,
  after: Readonly<Record<string, unknown>>,
): Promise<Fault[]> {
  const find = (of: EntityKind, id: unknown) =>
    manager.getRepository<DocumentRow>(documents[of]).findOneBy({ shopId, id: id as string })
  const changed = (...fields: string[]) => fields.some((field) => before?.[field] !== after[field])
  const faults: Fault[] = []
  const no = (field: string, message: string) => faults.push({ path: `patch.${field}`, message })

  if (kind === 'job') {
    if (changed('propertyId', 'pointId', 'more')) {
      const points = pointsOf(after)
      for (const [index, id] of points.entries()) {
        const path = index === 0 ? 'pointId' : `more.${index - 1}.pointId`
        const point = await find('point', id)
        if (!point && index > 0) no(path, 'is no point that is known')
        if (point && point.propertyId !== after.propertyId) no(path, 'lies in another house')
        if (points.indexOf(id) < index) no(path, 'is worked on in this job already')
      }
    }
    const { openedAt, closedAt } = after as { openedAt: string; closedAt: string | null }
    if (changed('openedAt', 'closedAt') && closedAt !== null && Date.parse(closedAt) < Date.parse(openedAt))
      no('closedAt', 'is before the job was opened')
  }
  if (kind === 'point' && before && changed('propertyId')) {
    const jobs = manager.getRepository<DocumentRow>(documents.job)
    const elsewhere = { shopId, propertyId: Not(after.propertyId) }
    if (
      (await jobs.existsBy(asRow({ ...elsewhere, pointId: before.id }))) ||
      (await jobs.existsBy(asRow({ ...elsewhere, ...alsoAt(before.id) })))
    )
      no('propertyId', 'a job at this point belongs to the house it is in')
  }
  if (kind === 'line' && before && changed('pointId')) no('pointId', 'a line stays at its point')
  if (OF_LINE.has(kind) && after.lineId !== null && changed('jobId', 'lineId')) {
    const [job, line] = [await find('job', after.jobId), await find('line', after.lineId)]
    if (job && line && !pointsOf(job).includes(line.pointId as string))
      no('lineId', 'is no line of the job’s point')
  }
  return faults
}
