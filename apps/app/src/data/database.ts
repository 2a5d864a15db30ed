import { liftConflict, liftFixtures, liftNames, liftOperation } from '@diarmos/contract/sync'
import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB, type StoreNames } from 'idb'
import type { Acknowledged, Held, OperationRecord, Refused } from './types'

interface Shape extends DBSchema {
  docs: { key: [string, string]; value: Held; indexes: { job: string; kind: string } }
  queue: { key: number; value: OperationRecord; indexes: { doc: [string, string] } }
  /** Edits that wait for somebody's word. */
  waiting: { key: string; value: OperationRecord; indexes: { doc: [string, string] } }
  refused: { key: string; value: Refused }
  acknowledged: { key: string; value: Acknowledged; indexes: { at: number } }
  meta: { key: string; value: number | string }
}
export type LocalDatabase = IDBPDatabase<Shape>
export type LocalStore = StoreNames<Shape>
export type LocalTransaction = IDBPTransaction<Shape, LocalStore[], 'readwrite'>
export const ALL_STORES: LocalStore[] = ['docs', 'queue', 'waiting', 'refused', 'acknowledged', 'meta']

const VERSION = 3
const nameOf = (personId: string) => `diarmos-${personId}`

interface Watch {
  /** Another tab holds an older version open. */
  readonly blocked?: () => void
  /** A newer version wants in: this tab has let go and should load anew. */
  readonly superseded?: () => void
  readonly terminated?: () => void
}

/** The phone's own store, one for each person: what is queued outlives signing out. Older stores are lifted. */
export function openLocal(personId: string, watch: Watch = {}): Promise<LocalDatabase> {
  return openDB<Shape>(nameOf(personId), VERSION, {
    async upgrade(database, from, _to, transaction) {
      if (from < 1) {
        database.createObjectStore('docs', { keyPath: ['kind', 'id'] })
        database.createObjectStore('queue', { autoIncrement: true })
        database.createObjectStore('refused', { keyPath: 'operation.opId' })
        database.createObjectStore('meta')
      }
      if (from < 2) {
        const docs = transaction.objectStore('docs')
        docs.createIndex('job', 'fields.jobId')
        docs.createIndex('kind', 'kind')
        transaction.objectStore('queue').createIndex('doc', ['kind', 'id'])
        database.createObjectStore('waiting', { keyPath: 'opId' }).createIndex('doc', ['kind', 'id'])
        database.createObjectStore('acknowledged', { keyPath: 'operation.opId' }).createIndex('at', 'at')
        // a transaction of an upgrade spans every store, which its type does not say
        if (from === 1) await liftFirst(transaction as unknown as LocalTransaction)
      }
      // likewise
      if (from > 0 && from < 3) await liftSecond(transaction as unknown as LocalTransaction)
    },
    blocked: () => watch.blocked?.(),
    blocking(_current, _blocked, event) {
      ;(event.target as IDBDatabase).close()
      watch.superseded?.()
    },
    terminated: () => watch.terminated?.(),
  })
}

/** What goes in is bodies since the third: in what the phone has, and in every edit that it still keeps. */
async function liftSecond(transaction: LocalTransaction): Promise<void> {
  const docs = transaction.objectStore('docs')
  for (let at = await docs.openCursor(); at; at = await at.continue()) {
    const { kind, own, server, ...held } = at.value
    if (kind !== 'job' && kind !== 'proposal') continue
    const lifted = <Copy extends Pick<Held, 'fields' | 'conflicts'>>(copy: Copy): Copy => ({
      ...copy,
      fields: liftFixtures(kind, copy.fields as Record<string, unknown>) as never,
      conflicts: copy.conflicts.map((conflict) => liftConflict(kind, conflict)),
    })
    await at.update({
      ...lifted({ ...held, kind }),
      own: liftNames(kind, own),
      ...(server === undefined ? {} : { server: server && lifted(server) }),
    })
  }
  const queue = transaction.objectStore('queue')
  for (let at = await queue.openCursor(); at; at = await at.continue())
    await at.update(liftOperation(at.value))
  const waiting = transaction.objectStore('waiting')
  for (let at = await waiting.openCursor(); at; at = await at.continue())
    await at.update(liftOperation(at.value))
  for (const name of ['refused', 'acknowledged'] as const) {
    const kept = transaction.objectStore(name)
    for (let at = await kept.openCursor(); at; at = await at.continue())
      await at.update({ ...at.value, operation: liftOperation(at.value.operation) } as never)
  }
}

/** What the first release kept: edits lay in the documents themselves, so the shop's copies are read anew. */
async function liftFirst(transaction: LocalTransaction): Promise<void> {
  const docs = transaction.objectStore('docs')
  for (let at = await docs.openCursor(); at; at = await at.continue())
    await at.update({ ...at.value, clock: '', own: {}, epoch: 0, turn: 0 })
  const queue = transaction.objectStore('queue')
  for (let at = await queue.openCursor(); at; at = await at.continue())
    await at.update(liftOperation(at.value))
  const refused = transaction.objectStore('refused')
  for (let at = await refused.openCursor(); at; at = await at.continue())
    await at.update({ ...at.value, operation: liftOperation(at.value.operation) })
  const meta = transaction.objectStore('meta')
  await meta.put(0, 'cursor')
  await meta.put(1, 'epoch')
  await meta.put(1, 'rereading')
}
