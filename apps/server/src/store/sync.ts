import {
  ENTITY_KINDS,
  type EntityKind,
  entities,
  type FieldConflict,
  faultsOf,
  LATER_FIELDS,
  type OperationRecord,
  type SyncResponse,
} from '@diarmos/contract'
import { type DataSource, type EntityManager, MoreThan, QueryFailedError } from 'typeorm'
import { inShop } from './database'
import { type DocumentRow, documents, Operation } from './schemas'

export interface Actor {
  readonly shopId: string
  readonly personId: string
}

type Result = SyncResponse['results'][number]
type Fault = Result['faults'][number]

const PAGE = 400
const FOREIGN_KEY = '23503'

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))
}
// jsonb does not keep the order of keys
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (value && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([key, inner]) => [key, sorted(inner)]),
    )
  return value
}

/** The next revision of the shop. The row stays locked until the end, so revisions appear in order. */
async function nextRevision(manager: EntityManager, shopId: string): Promise<number> {
  const [rows] = (await manager.query(
    'UPDATE shop SET revision = revision + 1 WHERE id = $1 RETURNING revision',
    [shopId],
  )) as [{ revision: string }[], number]
  return Number(rows[0]?.revision)
}

function check(
  operation: OperationRecord,
  exists: boolean,
): { fields: Record<string, unknown>; faults: Fault[] } {
  if (operation.remove) return { fields: {}, faults: [] }
  const schema = entities[operation.kind]
  const parsed = exists
    ? schema.partial().strict().safeParse(operation.patch)
    : schema.strict().safeParse({ ...LATER_FIELDS[operation.kind], ...operation.patch })
  return parsed.success
    ? { fields: parsed.data as Record<string, unknown>, faults: [] }
    : {
        fields: {},
        faults: faultsOf(parsed.error).map((fault) => ({ ...fault, path: `patch.${fault.path}` })),
      }
}

/** Fields that this edit sets, and those that someone else set meanwhile from the same beginning. */
function merge(
  row: DocumentRow,
  fields: Record<string, unknown>,
  operation: OperationRecord,
): { set: Record<string, unknown>; conflicts: FieldConflict[] } {
  const set: Record<string, unknown> = {}
  const conflicts: FieldConflict[] = []
  for (const [field, value] of Object.entries(fields)) {
    const last = row.fieldRevisions[field]
    const changedMeanwhile =
      last !== undefined && last.revision > operation.base && last.device !== operation.deviceId
    if (changedMeanwhile && !same(row[field], value))
      conflicts.push({ field, theirs: row[field], mine: value, opId: operation.opId, at: operation.at })
    else set[field] = value
  }
  return { set, conflicts }
}

async function applyOne(manager: EntityManager, actor: Actor, operation: OperationRecord): Promise<Result> {
  const { shopId } = actor
  const log = manager.getRepository(Operation)
  // the lock on the shop's row puts the same operation, sent twice at once, one after the other
  await manager.query('SELECT 1 FROM shop WHERE id = $1 FOR UPDATE', [shopId])
  const known = await log.findOneBy({ shopId, opId: operation.opId })
  if (known) return { opId: operation.opId, status: 'repeated', revision: known.revision, faults: [] }

  const repository = manager.getRepository<DocumentRow>(documents[operation.kind])
  const row = await repository.findOneBy({ shopId, id: operation.id })
  const { fields, faults } = check(operation, row !== null)
  if (faults.length > 0) return { opId: operation.opId, status: 'rejected', revision: 0, faults }
  if (operation.remove && row === null)
    return {
      opId: operation.opId,
      status: 'rejected',
      revision: 0,
      faults: [{ path: 'id', message: `there is no such ${operation.kind}` }],
    }

  const revision = await nextRevision(manager, shopId)
  const stamp = (names: readonly string[]) =>
    Object.fromEntries(names.map((name) => [name, { revision, device: operation.deviceId }]))
  let status: Result['status'] = 'applied'
  if (row === null) {
    await repository.insert({
      ...fields,
      shopId,
      id: operation.id,
      revision,
      removed: false,
      fieldRevisions: stamp(Object.keys(fields)),
      conflicts: [],
    } as never)
  } else if (operation.remove) {
    // what is said of a person is erased for good, not only hidden
    const erased = operation.kind === 'contact' ? { name: '', phone: '', email: '', conflicts: [] } : {}
    await repository.update({ shopId, id: operation.id }, { ...erased, removed: true, revision } as never)
  } else {
    const { set, conflicts } = merge(row, fields, operation)
    const settled = (row.conflicts as FieldConflict[]).filter((conflict) => !(conflict.field in set))
    await repository.update({ shopId, id: operation.id }, {
      ...set,
      // an edit outlives a removal: nothing that someone wrote disappears
      removed: false,
      revision,
      fieldRevisions: { ...row.fieldRevisions, ...stamp(Object.keys(set)) },
      conflicts: [...settled, ...conflicts],
    } as never)
    if (conflicts.length > 0) status = 'conflict'
  }
  await log.insert({
    shopId,
    opId: operation.opId,
    revision,
    personId: actor.personId,
    deviceId: operation.deviceId,
    kind: operation.kind,
    entityId: operation.id,
    // what a person may ask to have erased is not kept a second time
    patch: (operation.kind === 'contact' ? { fields: Object.keys(fields) } : operation.patch) as never,
    removes: operation.remove,
    base: operation.base,
    status,
    deviceAt: new Date(operation.at),
  })
  return { opId: operation.opId, status, revision, faults: [] }
}

/**
 * Applies one operation once, field by field, in a transaction of its own: one that is refused takes no other
 * with it.
 */
export async function apply(database: DataSource, actor: Actor, operation: OperationRecord): Promise<Result> {
  try {
    return await inShop(database, actor.shopId, (manager) => applyOne(manager, actor, operation))
  } catch (error) {
    if (error instanceof QueryFailedError && (error.driverError as { code?: string }).code === FOREIGN_KEY) {
      const detail = (error.driverError as { detail?: string; constraint?: string }).constraint ?? ''
      const field = Object.keys(operation.patch).find(
        (name) => name.endsWith('Id') && detail.includes(name.slice(0, -2).toLowerCase()),
      )
      return {
        opId: operation.opId,
        status: 'rejected',
        revision: 0,
        faults: [{ path: `patch.${field ?? 'id'}`, message: 'refers to something that is not in this shop' }],
      }
    }
    throw error
  }
}

/** Everything of the shop that changed after a revision, in order, a page at a time. */
export async function changesSince(
  database: DataSource,
  shopId: string,
  since: number,
): Promise<Pick<SyncResponse, 'changes' | 'cursor' | 'more'>> {
  return inShop(database, shopId, async (manager) => {
    const found: { kind: EntityKind; row: DocumentRow }[] = []
    for (const kind of ENTITY_KINDS) {
      const rows = await manager.getRepository<DocumentRow>(documents[kind]).find({
        where: { shopId, revision: MoreThan(since) as never },
        order: { revision: 'ASC' } as never,
        take: PAGE + 1,
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
  })
}

function toChange(kind: EntityKind, row: DocumentRow): SyncResponse['changes'][number] {
  const names = Object.keys(entities[kind].shape)
  return {
    kind,
    id: row.id,
    revision: row.revision,
    removed: row.removed,
    fields: row.removed ? {} : Object.fromEntries(names.map((name) => [name, row[name]])),
    conflicts: row.conflicts as FieldConflict[],
  }
}
