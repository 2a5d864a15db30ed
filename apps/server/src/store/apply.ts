import { createHash } from 'node:crypto'
import type { OperationRecord, SyncResponse } from '@diarmos/contract'
import { type DataSource, type EntityManager, QueryFailedError } from 'typeorm'
import { change } from './change'
import { inShop } from './database'
import { baseIn, generationOf } from './generation'
import { sorted } from './merge'
import { type Fault, readOperation } from './readable'
import { Operation } from './schemas'
import type { Actor, Work } from './work'

export type Result = SyncResponse['results'][number]

const rejected = (opId: string, faults: readonly Fault[]): Result => ({
  opId,
  status: 'rejected',
  revision: 0,
  faults: [...faults],
})

/** What an operation says, in few letters: the same id may not stand for something else. */
function digestOf({ kind, id, patch, remove }: OperationRecord): string {
  return createHash('sha256')
    .update(JSON.stringify(sorted({ kind, id, patch, remove })))
    .digest('hex')
}

async function applyOne(manager: EntityManager, actor: Actor, operation: OperationRecord): Promise<Result> {
  const { shopId } = actor
  const { opId } = operation
  const log = manager.getRepository(Operation)
  // the lock on the shop's row puts the same operation, sent twice at once, one after the other
  const [shop] = (await manager.query('SELECT revision FROM shop WHERE id = $1 FOR UPDATE', [shopId])) as {
    revision: string
  }[]
  const digest = digestOf(operation)
  const known = await log.findOneBy({ shopId, opId })
  if (known) {
    if (known.digest !== null && known.digest !== digest)
      return rejected(opId, [{ path: 'opId', message: 'was used for another edit' }])
    const status = known.status === 'proposed' ? 'proposed' : 'repeated'
    return { opId, status, revision: known.revision, faults: [] }
  }
  const generation = await generationOf(manager, shopId)
  const first = Number(shop?.revision)
  let revision = first
  const work: Work = {
    manager,
    actor,
    operation,
    seen: {
      base: baseIn(generation, operation.base, operation.generation),
      replayed: operation.generation !== null && operation.generation !== generation.id,
    },
    take: () => ++revision,
  }
  const outcome = await change(work)
  if ('faults' in outcome) return rejected(opId, outcome.faults)
  if (outcome.status === 'later') return { opId, status: 'later', revision: 0, faults: [] }
  // one row a revision: a page of changes never ends in the middle of one
  if (revision > first) await manager.query('UPDATE shop SET revision = $2 WHERE id = $1', [shopId, revision])
  const erases = operation.kind === 'contact' && operation.remove
  if (erases)
    await manager.query('UPDATE operation_log SET digest = NULL WHERE shop_id = $1 AND entity_id = $2', [
      shopId,
      operation.id,
    ])
  await log.insert({
    shopId,
    opId,
    revision,
    personId: actor.personId,
    deviceId: operation.deviceId,
    kind: operation.kind,
    entityId: operation.id,
    // what a person may ask to have erased is not kept a second time
    patch: (operation.kind === 'contact'
      ? { fields: Object.keys(operation.patch) }
      : operation.patch) as never,
    removes: operation.remove,
    base: operation.base,
    generation: operation.generation,
    clock: operation.clock,
    digest: erases ? null : digest,
    status: outcome.status,
    deviceAt: new Date(operation.at),
  })
  return { opId, status: outcome.status, revision, faults: [] }
}

/** Faults that the database finds in values, as far as they are the sender's; null for anything else. */
function faultOf(error: unknown, operation: OperationRecord): Fault | null {
  if (!(error instanceof QueryFailedError)) return null
  const { code = '', constraint = '' } = error.driverError as { code?: string; constraint?: string }
  if (code === '23503') {
    const field = Object.keys(operation.patch).find(
      (name) => name.endsWith('Id') && constraint.includes(name.slice(0, -2).toLowerCase()),
    )
    return { path: `patch.${field ?? 'id'}`, message: 'refers to something that is not in this shop' }
  }
  // data exceptions, broken constraints, and what is too complex or too large for the database
  return /^(22|23|54)/.test(code) ? { path: 'patch', message: 'holds what the database cannot keep' } : null
}

/**
 * Applies one operation once, field by field, in a transaction of its own: one that is refused takes no other
 * with it. It comes as it was sent, of any released version.
 */
export async function apply(database: DataSource, actor: Actor, raw: unknown): Promise<Result> {
  const read = readOperation(raw)
  const opId = String((raw as { opId?: unknown } | null)?.opId ?? '').slice(0, 80)
  if (read.faults)
    return read.newer
      ? { opId, status: 'later', revision: 0, faults: [...read.faults] }
      : rejected(opId, read.faults)
  const { operation } = read
  try {
    return await inShop(database, actor.shopId, (manager) => applyOne(manager, actor, operation))
  } catch (error) {
    const fault = faultOf(error, operation)
    if (!fault) throw error
    // after a restore what it refers to may come from another phone yet
    const waits = fault.message.startsWith('refers') && (await isReplayed(database, actor, operation))
    return waits
      ? { opId: operation.opId, status: 'later', revision: 0, faults: [] }
      : rejected(operation.opId, [fault])
  }
}

async function isReplayed(database: DataSource, { shopId }: Actor, { generation }: OperationRecord) {
  if (generation === null) return false
  return inShop(database, shopId, async (manager) => (await generationOf(manager, shopId)).id !== generation)
}
