import {
  ENTITY_KINDS,
  type EntityKind,
  entities,
  type FieldConflict,
  type SyncResponse,
} from '@diarmos/contract'
import { type DataSource, type EntityManager, In, MoreThan } from 'typeorm'
import { inShop } from './database'
import { OF_JOB } from './kinds'
import { pointsOf } from './points'
import { type DocumentRow, documents } from './schemas'
import { asRow } from './work'

const PAGE = 400
/** What a picture's document says in the stream; the picture itself has its own address. */
const BESIDE_PICTURES = Object.fromEntries(
  ['id', 'shopId', 'revision', 'removed', 'clock', 'conflicts', ...Object.keys(entities.attachment.shape)]
    .filter((name) => name !== 'content')
    .map((name) => [name, true]),
)

/** The kinds that have something new: a pull mostly brings nothing, or one kind's, and need not ask each for its rows. */
async function kindsSince(
  manager: EntityManager,
  shopId: string,
  since: number,
): Promise<readonly EntityKind[]> {
  const one = (kind: EntityKind) => {
    const { tablePath } = manager.connection.getMetadata(documents[kind])
    return `SELECT '${kind}' AS kind WHERE EXISTS (SELECT 1 FROM "${tablePath}" WHERE shop_id = $1 AND revision > $2)`
  }
  const rows: { kind: EntityKind }[] = await manager.query(ENTITY_KINDS.map(one).join(' UNION ALL '), [
    shopId,
    since,
  ])
  const news = new Set(rows.map(({ kind }) => kind))
  return ENTITY_KINDS.filter((kind) => news.has(kind))
}

/**
 * Everything of the shop that changed after a revision, in order, a page at a time. All kinds are read from one
 * snapshot: what is committed between two of them comes with the next cursor, not never.
 */
export async function changesSince(
  database: DataSource,
  shopId: string,
  since: number,
): Promise<Pick<SyncResponse, 'changes' | 'cursor' | 'more'>> {
  return inShop(
    database,
    shopId,
    async (manager) => {
      const found: { kind: EntityKind; row: DocumentRow }[] = []
      for (const kind of await kindsSince(manager, shopId, since)) {
        const rows = await manager.getRepository<DocumentRow>(documents[kind]).find({
          where: { shopId, revision: MoreThan(since) as never },
          order: asRow({ revision: 'ASC' }),
          take: PAGE + 1,
          // a page of pictures would weigh more than all the rest: each is asked for when it is shown
          ...(kind === 'attachment' ? { select: BESIDE_PICTURES as never } : {}),
        })
        found.push(...rows.map((row) => ({ kind, row })))
      }
      found.sort((a, b) => a.row.revision - b.row.revision)
      const page = found.slice(0, PAGE)
      return {
        changes: page.map(({ kind, row }) => toChange(kind, row)),
        cursor: page.at(-1)?.row.revision ?? since,
        more: found.length > PAGE,
      }
    },
    'REPEATABLE READ',
  )
}

/** Open jobs that a day may hold. */
const DAY_JOBS = 100

/** What a fresh phone needs first: the shop's settings, and the latest open jobs with all that belongs to them. */
export async function dayOf(database: DataSource, shopId: string): Promise<SyncResponse['changes']> {
  return inShop(
    database,
    shopId,
    async (manager) => {
      const find = (kind: EntityKind, where: object, more: object = {}) =>
        manager
          .getRepository<DocumentRow>(documents[kind])
          .find({ where: asRow({ shopId, removed: false, ...where }), ...more })
      const jobs = await find('job', { state: 'open' }, { order: { openedAt: 'DESC' }, take: DAY_JOBS })
      const houses = In([...new Set(jobs.map((job) => job.propertyId as string))])
      const points = In([...new Set(jobs.flatMap(pointsOf))])
      const jobId = In(jobs.map((job) => job.id))
      const found: Partial<Record<EntityKind, DocumentRow[]>> = {
        settings: await find('settings', {}),
        property: await find('property', { id: houses }),
        point: await find('point', { id: points }),
        line: await find('line', { pointId: points }),
        job: jobs,
      }
      // pictures come with the rest
      for (const kind of OF_JOB) if (kind !== 'attachment') found[kind] = await find(kind, { jobId })
      return Object.entries(found).flatMap(([kind, rows]) =>
        (rows ?? []).map((row) => toChange(kind as EntityKind, row)),
      )
    },
    'REPEATABLE READ',
  )
}

function toChange(kind: EntityKind, row: DocumentRow): SyncResponse['changes'][number] {
  const names = Object.keys(entities[kind].shape)
  return {
    kind,
    id: row.id,
    revision: row.revision,
    removed: row.removed,
    clock: row.clock,
    fields: row.removed
      ? {}
      : Object.fromEntries(names.map((name) => [name, row[name] ?? (name === 'content' ? '' : null)])),
    conflicts: row.conflicts as FieldConflict[],
  }
}
