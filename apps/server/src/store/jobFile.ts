import type { EntityKind, JobFile } from '@diarmos/contract'
import type { LengthUnit } from '@diarmos/core'
import { type DataSource, In } from 'typeorm'
import { inShop } from './database'
import { OF_JOB } from './kinds'
import { pointsOf } from './points'
import { type DocumentRow, documents } from './schemas'
import { asRow } from './work'

const plain = ({
  shopId: _s,
  fieldRevisions: _f,
  conflicts: _c,
  removed: _r,
  removedBy: _b,
  ...fields
}: DocumentRow) => fields

/** A whole job with all that belongs to it, without contact data; null where the shop has no such job. */
export async function jobFile(database: DataSource, shopId: string, jobId: string): Promise<JobFile | null> {
  return inShop(database, shopId, async (manager) => {
    const one = (kind: EntityKind, id: unknown) =>
      manager
        .getRepository<DocumentRow>(documents[kind])
        .findOneBy({ shopId, id: id as string, removed: false })
    const many = (kind: EntityKind, where: Record<string, unknown>) =>
      manager
        .getRepository<DocumentRow>(documents[kind])
        .find({ where: asRow({ shopId, removed: false, ...where }), order: asRow({ revision: 'ASC' }) })
    const job = await one('job', jobId)
    if (!job) return null
    const property = await one('property', job.propertyId)
    const points = (await Promise.all(pointsOf(job).map((id) => one('point', id)))).filter(
      (row) => row !== null,
    )
    const [point, ...more] = points
    if (!property || !point || point.id !== job.pointId) return null
    const found: Record<string, Record<string, unknown>[]> = {}
    for (const kind of OF_JOB) found[kind] = (await many(kind, { jobId })).map(plain)
    return {
      format: 'diarmos-job/2',
      job: plain(job),
      property: plain(property),
      point: plain(point),
      ...(more.length > 0 ? { more: more.map(plain) } : {}),
      lines: (await many('line', { pointId: In(points.map(({ id }) => id)) })).map(plain),
      documents: found,
    }
  })
}

/** In which lengths a shop reads; inches where it has not said. */
export async function unitOf(database: DataSource, shopId: string): Promise<LengthUnit> {
  return inShop(database, shopId, async (manager) => {
    const row = await manager
      .getRepository<DocumentRow>(documents.settings)
      .findOneBy({ shopId, removed: false })
    return row?.unit === 'mm' ? 'mm' : 'in'
  })
}
