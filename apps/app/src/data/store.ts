import { v4 as uuid } from 'uuid'
import { create } from 'zustand'
import { ApiError, signOut as callSignOut, sync as callSync, whoAmI } from './api'
import { type LocalDatabase, openLocal } from './database'
import type { Doc, EntityFields, EntityKind, OperationRecord, Refused, SessionResponse } from './types'

const SESSION = 'diarmos.session'
const DEVICE = 'diarmos.device'
const SCHEMA = 1
const BATCH = 60
const POLL_MS = 20_000

type Docs = { readonly [Kind in EntityKind]?: Readonly<Record<string, Doc<Kind>>> }

interface Undo {
  readonly label: string
  readonly edits: readonly Edit[]
}

/** One edit of one document. `remove` takes it away; it can be brought back by undo. */
export interface Edit<Kind extends EntityKind = EntityKind> {
  readonly kind: Kind
  readonly id: string
  readonly patch?: Partial<EntityFields<Kind>>
  readonly remove?: boolean
}

interface DataState {
  readonly status: 'starting' | 'signed-out' | 'ready'
  readonly session: SessionResponse | null
  readonly docs: Docs
  readonly pending: number
  readonly online: boolean
  readonly expired: boolean
  readonly refused: readonly Refused[]
  readonly undoable: Undo | null
  readonly fault: string | null
}

export const useData = create<DataState>(() => ({
  status: 'starting',
  session: null,
  docs: {},
  pending: 0,
  online: true,
  expired: false,
  refused: [],
  undoable: null,
  fault: null,
}))

let local: LocalDatabase | null = null
let timer: ReturnType<typeof setTimeout> | undefined
let running: Promise<void> | null = null
let again = false

/** A new id. */
export const newId = (): string => uuid()

/** Now, as it is stored. */
export const now = (): string => new Date().toISOString()

function deviceId(): string {
  const known = localStorage.getItem(DEVICE)
  if (known) return known
  const made = uuid()
  localStorage.setItem(DEVICE, made)
  return made
}

function withDoc(docs: Docs, doc: Doc): Docs {
  return { ...docs, [doc.kind]: { ...docs[doc.kind], [doc.id]: doc } } as Docs
}

function applied(doc: Doc | undefined, operation: OperationRecord): Doc {
  return {
    kind: operation.kind,
    id: operation.id,
    revision: doc?.revision ?? 0,
    removed: operation.remove,
    fields: { ...doc?.fields, ...operation.patch } as Doc['fields'],
    conflicts: (doc?.conflicts ?? []).filter((conflict) => !(conflict.field in operation.patch)),
  }
}

/** Opens the store of the person who was last signed in; works without the server. */
export async function begin(): Promise<void> {
  const saved = localStorage.getItem(SESSION)
  if (!saved) {
    useData.setState({ status: 'signed-out' })
    return
  }
  await open(JSON.parse(saved) as SessionResponse)
  whoAmI().catch((error) => {
    if (error instanceof ApiError && error.status === 401) useData.setState({ expired: true })
  })
}

/** Signs a person in on this phone and loads what it holds. */
export async function open(session: SessionResponse): Promise<void> {
  local?.close()
  local = await openLocal(session.person.id)
  localStorage.setItem(SESSION, JSON.stringify(session))
  const [docs, queue, refused] = await Promise.all([
    local.getAll('docs'),
    local.getAll('queue'),
    local.getAll('refused'),
  ])
  useData.setState({
    status: 'ready',
    session,
    docs: docs.reduce(withDoc, {}),
    pending: queue.length,
    refused,
    expired: false,
    undoable: null,
  })
  void syncSoon()
}

/** Leaves the phone to someone else. What is queued stays, and goes out when this person signs in again. */
export async function leave(): Promise<void> {
  await callSignOut().catch(() => undefined)
  localStorage.removeItem(SESSION)
  clearTimeout(timer)
  local?.close()
  local = null
  useData.setState({ status: 'signed-out', session: null, docs: {}, undoable: null, pending: 0 })
}

/** What would take an edit back. */
function inverse(edit: Edit): Edit {
  const doc = useData.getState().docs[edit.kind]?.[edit.id]
  if (!doc) return { kind: edit.kind, id: edit.id, remove: true }
  if (edit.remove) return { kind: edit.kind, id: edit.id, patch: doc.fields as never }
  const before = doc.fields as Record<string, unknown>
  return {
    kind: edit.kind,
    id: edit.id,
    patch: Object.fromEntries(Object.keys(edit.patch ?? {}).map((name) => [name, before[name]])) as never,
  }
}

/**
 * Makes edits: written to the phone first, in one transaction with the queue, then shown, then sent. An edit
 * that this returns from is not lost any more.
 *
 * @param label what undo would take back; leave out for edits that are no step of their own
 */
export async function edit(edits: readonly Edit[], label?: string): Promise<void> {
  if (!local) throw new Error('nobody is signed in')
  const undo = edits.map(inverse).reverse()
  const at = now()
  const transaction = local.transaction(['docs', 'queue'], 'readwrite')
  let { docs } = useData.getState()
  const writes: Promise<unknown>[] = []
  for (const { kind, id, patch = {}, remove = false } of edits) {
    const doc = docs[kind]?.[id] as Doc | undefined
    const operation: OperationRecord = {
      opId: uuid(),
      deviceId: deviceId(),
      kind,
      id,
      patch: patch as Record<string, unknown>,
      remove,
      base: doc?.revision ?? 0,
      schema: SCHEMA,
      at,
    }
    const next = applied(doc, operation)
    docs = withDoc(docs, next)
    writes.push(transaction.objectStore('docs').put(next), transaction.objectStore('queue').add(operation))
  }
  await Promise.all([...writes, transaction.done])
  useData.setState((state) => ({
    docs,
    pending: state.pending + edits.length,
    undoable: label ? { label, edits: undo } : state.undoable,
  }))
  void syncSoon()
}

/** Takes the last labelled step back, as a new edit. */
export async function undo(): Promise<void> {
  const { undoable } = useData.getState()
  if (!undoable) return
  useData.setState({ undoable: null })
  await edit(undoable.edits)
}

export function dismissUndo(): void {
  useData.setState({ undoable: null })
}

/** Puts a refused edit aside for good. */
export async function discardRefused(opId: string): Promise<void> {
  await local?.delete('refused', opId)
  useData.setState((state) => ({ refused: state.refused.filter((entry) => entry.operation.opId !== opId) }))
}

/** Sends what is queued and fetches what changed; one at a time, and again when asked meanwhile. */
export function syncSoon(): Promise<void> {
  if (running) {
    again = true
    return running
  }
  running = exchange()
    .catch((error: unknown) => {
      const status = error instanceof ApiError ? error.status : -1
      useData.setState({
        online: status > 0,
        expired: status === 401 || useData.getState().expired,
        fault: status > 0 && status !== 401 ? (error as Error).message : null,
      })
    })
    .finally(() => {
      running = null
      clearTimeout(timer)
      if (again) {
        again = false
        void syncSoon()
      } else if (local) timer = setTimeout(syncSoon, POLL_MS)
    })
  return running
}

async function exchange(): Promise<void> {
  for (;;) {
    const database = local
    if (!database) return
    const keys = await database.getAllKeys('queue', undefined, BATCH)
    const operations = await database.getAll('queue', undefined, BATCH)
    const since = Number((await database.get('meta', 'cursor')) ?? 0)
    const answer = await callSync(since, operations)
    if (database !== local) return

    const transaction = database.transaction(['docs', 'queue', 'refused', 'meta'], 'readwrite')
    const queue = transaction.objectStore('queue')
    const refusedNow: Refused[] = []
    for (const [index, operation] of operations.entries()) {
      const result = answer.results.find((entry) => entry.opId === operation.opId)
      if (!result) continue
      if (result.status === 'rejected') {
        const entry = { operation, faults: result.faults }
        refusedNow.push(entry)
        await transaction.objectStore('refused').put(entry)
      }
      await queue.delete(keys[index] as number)
    }
    const left = await queue.getAll()
    const fresh: Doc[] = answer.changes.map((change) => {
      const doc: Doc = {
        kind: change.kind,
        id: change.id,
        revision: change.revision,
        removed: change.removed,
        fields: change.fields as Doc['fields'],
        conflicts: change.conflicts,
      }
      // edits made meanwhile stay on top of what came in
      return left
        .filter((operation) => operation.kind === doc.kind && operation.id === doc.id)
        .reduce<Doc>((held, operation) => ({ ...applied(held, operation), revision: held.revision }), doc)
    })
    for (const doc of fresh) await transaction.objectStore('docs').put(doc)
    await transaction.objectStore('meta').put(answer.cursor, 'cursor')
    await transaction.done
    useData.setState((state) => ({
      docs: fresh.reduce(withDoc, state.docs),
      pending: left.length,
      refused: [...state.refused, ...refusedNow],
      online: true,
      expired: false,
      fault: null,
    }))
    if (left.length === 0 && !answer.more) return
    if (operations.length > 0 && left.length >= operations.length && answer.results.length === 0) return
  }
}
