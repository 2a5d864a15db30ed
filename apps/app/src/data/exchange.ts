import type { SyncResponse } from '@diarmos/contract'
import { laterStamp } from '@diarmos/contract/sync'
import { ApiError, day as callDay, sync as callSync } from './api'
import { ALL_STORES, type LocalDatabase, type LocalTransaction } from './database'
import { copyOf, rebuild, withEdit } from './held'
import { overlay } from './overlay'
import { local, shelf, turned } from './state'
import { tell } from './tabs'
import type { Held, OperationRecord, ServerCopy } from './types'

const BATCH = 60
/** Well under what the server takes in one request. */
const BATCH_BYTES = 900_000
const KEPT_MS = 35 * 86_400_000

interface Batch {
  readonly keys: readonly number[]
  readonly operations: readonly OperationRecord[]
}

/** The next edits of the queue after a key, as many as one request takes. */
async function nextBatch(database: LocalDatabase, after: number, most: number): Promise<Batch> {
  const keys: number[] = []
  const operations: OperationRecord[] = []
  let bytes = 0
  const range = IDBKeyRange.lowerBound(after, true)
  let at = await database.transaction('queue').store.openCursor(range)
  while (at && operations.length < most) {
    bytes += JSON.stringify(at.value.patch).length
    if (operations.length > 0 && bytes > BATCH_BYTES) break
    keys.push(at.key)
    operations.push(at.value)
    at = await at.continue()
  }
  return { keys, operations }
}

/** Sends the queue from its beginning and reads until nothing more comes. */
export async function exchange(database: LocalDatabase): Promise<void> {
  let after = 0
  let most = BATCH
  if ((await database.get('meta', 'cursor')) === undefined && (await database.count('docs')) === 0)
    await dayFirst(database)
  for (;;) {
    if (database !== local.database) return
    const { keys, operations } = await nextBatch(database, after, most)
    const [since, generation] = await Promise.all([
      database.get('meta', 'cursor'),
      database.get('meta', 'generation'),
    ])
    const known = (generation as string | undefined) ?? null
    let answer: SyncResponse
    try {
      answer = await callSync(known, Number(since ?? 0), operations)
    } catch (error) {
      // a request that is too much or unreadable as a whole: smaller ones, then the one edit that it was
      const status = error instanceof ApiError ? error.status : 0
      if (![400, 413, 415, 422].includes(status) || operations.length === 0) throw error
      if (operations.length > 1) most = Math.ceil(operations.length / 2)
      else await commit(database, keys, operations, refusal(operations, (error as Error).message, known))
      continue
    }
    if (database !== local.database) return
    if (known !== null && answer.generation !== known) {
      await beginAnew(database, answer.generation)
      after = 0
      continue
    }
    await commit(database, keys, operations, answer)
    // what was put off stays in the queue and is passed over until the next time
    after = keys.at(-1) ?? after
    const left = await database.count('queue', IDBKeyRange.lowerBound(after, true))
    if (left === 0 && !answer.more) return
  }
}

/** A phone that holds nothing yet gets what it needs for the day, before all the rest in its order. */
async function dayFirst(database: LocalDatabase): Promise<void> {
  const changes = await callDay().catch(() => [])
  if (database !== local.database || changes.length === 0) return
  await commit(database, [], [], { generation: '', results: [], changes, cursor: -1, more: true })
}

/** As if the server had answered: this one edit cannot be sent at all. */
function refusal(operations: readonly OperationRecord[], message: string, generation: string | null) {
  return {
    generation: generation ?? '',
    results: operations.map(({ opId }) => ({
      opId,
      status: 'rejected' as const,
      revision: 0,
      faults: [{ path: '(whole)', message }],
    })),
    changes: [],
    cursor: -1,
    more: true,
  }
}

/**
 * The server's database was put back from a backup: everything is read anew, and what this phone knows to have been
 * acknowledged goes out again before what waits.
 */
async function beginAnew(database: LocalDatabase, generation: string): Promise<void> {
  const transaction = database.transaction(ALL_STORES, 'readwrite')
  const meta = transaction.objectStore('meta')
  const epoch = Number((await meta.get('epoch')) ?? 0)
  const old = await meta.get('generation')
  const queue = transaction.objectStore('queue')
  const waiting = await queue.getAll()
  const acknowledged = await transaction.objectStore('acknowledged').getAll()
  acknowledged.sort((a, b) => a.order - b.order)
  await queue.clear()
  await transaction.objectStore('acknowledged').clear()
  for (const operation of [...acknowledged.map((entry) => entry.operation), ...waiting])
    await queue.add(operation)
  if (old !== undefined) await meta.put(old, `generation ${epoch}`)
  await Promise.all([
    meta.put(generation, 'generation'),
    meta.put(epoch + 1, 'epoch'),
    meta.put(0, 'cursor'),
    meta.put(1, 'rereading'),
  ])
  await transaction.done
}

type Key = `${string} ${string}`
const keyOf = ({ kind, id }: { readonly kind: string; readonly id: string }): Key => `${kind} ${id}`

/** Takes an answer in: one transaction for the queue, the documents and the cursor. */
async function commit(
  database: LocalDatabase,
  keys: readonly number[],
  operations: readonly OperationRecord[],
  answer: SyncResponse,
): Promise<void> {
  const transaction = database.transaction(ALL_STORES, 'readwrite') as LocalTransaction
  const docs = transaction.objectStore('docs')
  const meta = transaction.objectStore('meta')
  const epoch = Number((await meta.get('epoch')) ?? 0)
  const touched = new Map<
    Key,
    { kind: Held['kind']; id: string; acknowledged: OperationRecord[]; floor: number }
  >()
  const touch = (doc: { readonly kind: Held['kind']; readonly id: string }) => {
    const held = touched.get(keyOf(doc)) ?? { kind: doc.kind, id: doc.id, acknowledged: [], floor: 0 }
    touched.set(keyOf(doc), held)
    return held
  }
  let order = Number((await meta.get('order')) ?? 0)
  const refused = []
  for (const [index, operation] of operations.entries()) {
    const result = answer.results[index]
    if (!result || result.opId !== operation.opId || result.status === 'later') continue
    const entry = touch(operation)
    await transaction.objectStore('queue').delete(keys[index] as number)
    if (result.status === 'rejected') {
      const put = { operation, faults: result.faults }
      refused.push(put)
      await transaction.objectStore('refused').put(put)
    } else if (result.status === 'proposed') await transaction.objectStore('waiting').put(operation)
    else {
      entry.acknowledged.push(operation)
      entry.floor = Math.max(entry.floor, result.revision)
      await transaction.objectStore('acknowledged').put({ operation, at: Date.now(), order: ++order })
    }
  }
  const changes = new Map(answer.changes.map((change) => [keyOf(change), change]))
  let clock = String((await meta.get('clock')) ?? '')
  for (const change of answer.changes) {
    touch(change)
    clock = laterStamp(clock, change.clock ?? '')
    const { state, kind, entityId } = change.fields as { state?: string; kind?: string; entityId?: string }
    if (change.kind === 'proposal' && (state !== 'open' || change.removed)) {
      await transaction.objectStore('waiting').delete(change.id)
      if (kind && entityId) touch({ kind: kind as Held['kind'], id: entityId })
    }
  }

  const fresh: Held[] = []
  const gone: [string, string][] = []
  for (const [key, { kind, id, acknowledged, floor }] of touched) {
    const held = await docs.get([kind, id])
    const change = changes.get(key)
    let copy: ServerCopy | null = held ? (held.server === null ? null : copyOf(held)) : null
    let known: Readonly<Record<string, string>> = held?.own ?? {}
    const heard = Math.max(floor, copy?.floor ?? 0, copy?.revision ?? 0)
    const older = held?.epoch === epoch && change && change.revision < heard
    if (change && !older) {
      const { revision, removed, fields, conflicts } = change
      copy = { revision, removed, clock: change.clock ?? '', fields: fields as Held['fields'], conflicts }
      known = {}
    } else if (acknowledged.length > 0) {
      // the shop has them, and its copy comes with a later page
      copy = { ...(acknowledged.reduce<ServerCopy | null>(withEdit, copy) as ServerCopy), floor }
    }
    const next = rebuild({ kind, id }, copy, await overlay(transaction, { kind, id }), {
      epoch: change ? epoch : (held?.epoch ?? epoch),
      turn: (held?.turn ?? 0) + 1,
      known,
    })
    if (next) {
      await docs.put(next)
      fresh.push(next)
    } else if (held) {
      await docs.delete([kind, id])
      gone.push([kind, id])
    }
  }
  if (!answer.more && (await meta.get('rereading'))) {
    gone.push(...(await sweep(transaction, epoch)))
    await meta.delete('rereading')
  }
  await forget(transaction)
  await meta.put(order, 'order')
  await meta.put(clock, 'clock')
  if (answer.cursor >= 0) {
    await meta.put(answer.cursor, 'cursor')
    if (answer.generation) await meta.put(answer.generation, 'generation')
  }
  const pending = await transaction.objectStore('queue').count()
  const putAside = await transaction.objectStore('refused').getAll()
  await transaction.done
  if (database !== local.database) return
  shelf.put(fresh)
  for (const [kind, id] of gone) shelf.drop(kind as Held['kind'], id)
  turned({
    pending,
    refused: putAside,
    online: true,
    expired: false,
    fault: null,
    ...(answer.cursor >= 0 && !answer.more ? { heard: true } : {}),
  })
  if (fresh.length + gone.length + operations.length > 0) tell({ kind: 'docs', docs: fresh, gone })
}

/** After everything was read anew: what the shop does not have any more, and no edit of this phone lies on. */
async function sweep(transaction: LocalTransaction, epoch: number): Promise<[string, string][]> {
  const gone: [string, string][] = []
  const docs = transaction.objectStore('docs')
  for (let at = await docs.openCursor(); at; at = await at.continue()) {
    const { kind, id, epoch: from } = at.value
    if (from === epoch || (await overlay(transaction, { kind, id })).length > 0) continue
    await at.delete()
    gone.push([kind, id])
  }
  return gone
}

/** Acknowledged edits are kept as long as a backup may be put back. */
async function forget(transaction: LocalTransaction): Promise<void> {
  const old = IDBKeyRange.upperBound(Date.now() - KEPT_MS)
  const index = transaction.objectStore('acknowledged').index('at')
  for (let at = await index.openCursor(old); at; at = await at.continue()) await at.delete()
}
