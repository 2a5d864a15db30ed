import type { EntityKind } from '@diarmos/contract'
import { liftFixtures } from '@diarmos/contract/sync'
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

export interface JobFile {
  readonly format: 'diarmos-job/2'
  readonly job: Record<string, unknown>
  readonly property: Record<string, unknown>
  readonly point: Record<string, unknown>
  /** Further points that are worked on; none in files from before a job could have any. */
  readonly more?: readonly Record<string, unknown>[]
  readonly lines: readonly Record<string, unknown>[]
  readonly documents: Readonly<Record<string, readonly Record<string, unknown>[]>>
}

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

/** A file of any released format as it reads today: until the first it said what goes in by one text. */
export function liftJobFile(file: Omit<JobFile, 'format'> & { readonly format: string }): JobFile {
  return { ...file, format: 'diarmos-job/2', job: liftFixtures('job', file.job) }
}
