import { laterStamp, nextStamp, SCHEMA_VERSION } from '@diarmos/contract/sync'
import { v4 as uuid } from 'uuid'
import { ALL_STORES, type LocalDatabase, type LocalTransaction } from './database'
import { copyOf, rebuild } from './held'
import { overlay } from './overlay'
import { deviceId, local, now, shelf, turned, type Undo, useData } from './state'
import { syncSoon } from './sync'
import { tell } from './tabs'
import type { Edit, Held, OperationRecord } from './types'

const STEPS = 10

/** What would take an edit back, and what must still stand for that. */
function inverse(edit: Edit, held: Held | undefined): Undo['edits'][number] {
  const { kind, id } = edit
  if (!held || held.removed) return { kind, id, remove: true, expects: { ...edit.patch } }
  const before = { ...(held.fields as Record<string, unknown>) }
  // the shop's copy comes without its picture, which it still has
  if (kind === 'attachment' && !before.content) delete before.content
  if (edit.remove) return { kind, id, patch: before as never, expects: {} }
  const names = Object.keys(edit.patch ?? {})
  return {
    kind,
    id,
    patch: Object.fromEntries(names.map((name) => [name, before[name]])) as never,
    expects: { ...edit.patch },
  }
}

/** What is left of a step back once somebody else has changed fields of it; null where nothing is. */
function still(edit: Undo['edits'][number], held: Held | undefined): Edit | null {
  const { expects, ...plain } = edit
  const fields = (held?.fields ?? {}) as Record<string, unknown>
  const stands = (name: string) =>
    !(name in expects) || JSON.stringify(fields[name]) === JSON.stringify(expects[name])
  if (plain.remove) return Object.keys(expects).every(stands) ? plain : null
  const patch = Object.fromEntries(Object.entries(plain.patch ?? {}).filter(([name]) => stands(name)))
  return Object.keys(patch).length > 0 ? { ...plain, patch: patch as never } : null
}

interface Made {
  readonly docs: readonly Held[]
  readonly undo: Undo['edits']
  readonly count: number
}

/** Edits in one transaction of the phone's store, each on what is there at that moment. */
async function write(
  database: LocalDatabase,
  edits: readonly (Edit | Undo['edits'][number])[],
): Promise<Made> {
  const transaction = database.transaction(ALL_STORES, 'readwrite') as LocalTransaction
  try {
    return await writeIn(transaction, edits)
  } catch (error) {
    // all of it or nothing
    try {
      transaction.abort()
    } catch {
      // the browser has done so already
    }
    await transaction.done.catch(() => undefined)
    throw error
  }
}

async function writeIn(
  transaction: LocalTransaction,
  edits: readonly (Edit | Undo['edits'][number])[],
): Promise<Made> {
  const docs = transaction.objectStore('docs')
  const meta = transaction.objectStore('meta')
  const [clock, cursor, epoch, generation] = await Promise.all(
    ['clock', 'cursor', 'epoch', 'generation'].map((key) => meta.get(key)),
  )
  const present = Number(epoch ?? 0)
  const device = deviceId()
  const at = now()
  let stamp = String(clock ?? '')
  const made = new Map<string, Held>()
  const undo: Undo['edits'][number][] = []
  let count = 0
  for (const wanted of edits) {
    const key = `${wanted.kind} ${wanted.id}`
    const held = made.get(key) ?? (await docs.get([wanted.kind, wanted.id]))
    const edit = 'expects' in wanted ? still(wanted, held) : wanted
    if (!edit) continue
    undo.unshift(inverse(edit, held))
    stamp = nextStamp(laterStamp(stamp, held?.clock ?? ''), Date.now(), device)
    // a document from before a restore counts in that generation's revisions
    const old = held !== undefined && held.epoch !== present
    const patch = (edit.remove ? {} : (edit.patch ?? {})) as Record<string, unknown>
    const own = held?.own ?? {}
    const operation: OperationRecord = {
      opId: uuid(),
      deviceId: device,
      kind: edit.kind,
      id: edit.id,
      patch,
      remove: edit.remove ?? false,
      base: old ? held.revision : Math.max(Number(cursor ?? 0), held?.revision ?? 0),
      generation:
        ((old ? await meta.get(`generation ${held.epoch}`) : generation) as string | undefined) ?? null,
      // by field; one that takes away, or back, must know of all
      prior: edit.remove || held?.removed ? own : picked(own, Object.keys(patch)),
      clock: stamp,
      schema: SCHEMA_VERSION,
      at,
    }
    const copy = held ? (held.server === null ? null : copyOf(held)) : null
    const before = held ? await overlay(transaction, held) : []
    const next = rebuild(edit, copy, [...before, operation], {
      epoch: held?.epoch ?? present,
      turn: (held?.turn ?? 0) + 1,
      known: own,
    }) as Held
    made.set(key, next)
    await docs.put(next)
    await transaction.objectStore('queue').add(operation)
    count++
  }
  await meta.put(stamp, 'clock')
  await transaction.done
  return { docs: [...made.values()], undo, count }
}

const picked = (own: Readonly<Record<string, string>>, fields: readonly string[]) =>
  Object.fromEntries(fields.flatMap((field) => (own[field] ? [[field, own[field]]] : [])))

/** Why the phone's own store could not keep something, in words. */
function storeFault(error: unknown): string {
  const name = (error as { name?: string } | null)?.name
  return name === 'QuotaExceededError'
    ? 'This phone’s store is full: the last edit was not kept. Make room on the phone, then do it again.'
    : 'This phone’s store could not keep the last edit. Do it again; if it stays so, load the page anew.'
}

/** Says while it goes on that something is being written. */
async function writing<Result>(work: () => Promise<Result>): Promise<Result> {
  useData.setState((state) => ({ writing: state.writing + 1 }))
  try {
    return await work()
  } finally {
    useData.setState((state) => ({ writing: state.writing - 1 }))
  }
}

async function keep(
  edits: readonly (Edit | Undo['edits'][number])[],
  after: (made: Made) => readonly Undo[],
): Promise<boolean> {
  const { database } = local
  if (!database) throw new Error('nobody is signed in')
  return writing(() => keepIn(database, edits, after))
}

async function keepIn(
  database: LocalDatabase,
  edits: readonly (Edit | Undo['edits'][number])[],
  after: (made: Made) => readonly Undo[],
): Promise<boolean> {
  let made: Made
  try {
    made = await write(database, edits)
  } catch (error) {
    // nothing of it was kept: the screen stays as it was
    useData.setState({ storeFault: storeFault(error) })
    return false
  }
  if (database !== local.database) return true
  shelf.put(made.docs)
  const { pending } = useData.getState()
  turned({ pending: pending + made.count, undos: after(made), storeFault: null })
  tell({ kind: 'docs', docs: made.docs, gone: [], queued: true })
  void syncSoon()
  return true
}

/**
 * Makes edits: written to the phone first, in one transaction with the queue, then shown, then sent. An edit that this
 * says true of is not lost any more; where it says false nothing was kept, and the screen says so.
 *
 * @param label what undo would take back; leave out for edits that are no step of their own
 */
export function edit(edits: readonly Edit[], label?: string): Promise<boolean> {
  return keep(edits, ({ undo }) => {
    const { undos } = useData.getState()
    return label ? [...undos, { label, at: Date.now(), edits: undo }].slice(-STEPS) : undos
  })
}

/** Takes the last labelled step back, as a new edit; what somebody else changed since stays as they left it. */
export async function undo(): Promise<void> {
  const { undos } = useData.getState()
  const last = undos.at(-1)
  if (!last) return
  useData.setState({ undos: undos.slice(0, -1) })
  await keep(last.edits, () => useData.getState().undos)
}
