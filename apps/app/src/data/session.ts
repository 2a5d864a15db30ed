import { forgetPictures } from '../pictures/kept'
import { ApiError, signOut as callSignOut, whoAmI } from './api'
import { openLocal } from './database'
import { forgetDrafts } from './draft'
import { load } from './load'
import { local, shelf, turned, useData } from './state'
import { stopSyncing, syncSoon } from './sync'
import { hush, listen, type Message, tell } from './tabs'
import type { SessionResponse } from './types'

const SESSION = 'diarmos.session'
/** How long a server is waited for when somebody leaves: its session ends when it answers, ms. */
const PATIENCE_MS = 3000

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

function hear(message: Message): void {
  if (message.kind === 'left') {
    void forgetPerson()
    return
  }
  shelf.putLater(message.docs)
  for (const [kind, id] of message.gone) shelf.drop(kind as never, id)
  turned()
  void counts()
  if (message.queued) void syncSoon()
}

async function counts(): Promise<void> {
  const { database } = local
  if (!database) return
  const [pending, refused, cursor] = await Promise.all([
    database.count('queue'),
    database.getAll('refused'),
    database.get('meta', 'cursor'),
  ])
  if (database === local.database) useData.setState({ pending, refused, heard: cursor !== undefined })
}

/** Signs a person in on this phone and loads what it holds. */
export async function open(session: SessionResponse): Promise<void> {
  local.database?.close()
  local.database = null
  shelf.clear()
  const personId = session.person.id
  try {
    local.database = await openLocal(personId, {
      blocked: () =>
        useData.setState({
          storeFault: 'Another tab holds an older version open: close it, and this one goes on.',
        }),
      superseded: () => location.reload(),
      terminated: () => location.reload(),
    })
  } catch (error) {
    useData.setState({
      status: 'signed-out',
      storeFault: `This browser lets nothing be kept on the phone (${(error as Error).message}).`,
    })
    return
  }
  localStorage.setItem(SESSION, JSON.stringify(session))
  local.personId = personId
  listen(personId, hear)
  useData.setState({
    session,
    loaded: false,
    heard: false,
    expired: false,
    undos: [],
    fault: null,
    storeFault: null,
  })
  await counts()
  await load(local.database)
  void askToStay()
  void syncSoon()
}

/** Asks the browser not to throw the store away when room is short; what it says is its own affair. */
async function askToStay(): Promise<void> {
  try {
    if (!(await navigator.storage?.persisted?.())) await navigator.storage?.persist?.()
  } catch {
    // a browser that cannot be asked
  }
}

/**
 * Leaves the phone to someone else. What is queued goes out first where it can, and stays where it cannot; the shop's
 * documents go. This person's own acknowledged edits stay for a restored database, those of contacts do not.
 */
export async function leave(): Promise<void> {
  const { database } = local
  stopSyncing()
  if (database && (await database.count('queue').catch(() => 0)) > 0) await syncSoon().catch(() => undefined)
  // what is on the phone goes also where the server takes its time
  let patience: ReturnType<typeof setTimeout> | undefined
  await Promise.race([
    callSignOut().catch(() => undefined),
    new Promise((resolve) => {
      patience = setTimeout(resolve, PATIENCE_MS)
    }),
  ])
  clearTimeout(patience)
  // another tab may have left meanwhile, and done this
  if (database && database === local.database) {
    const transaction = database.transaction(['docs', 'acknowledged', 'meta'], 'readwrite')
    await transaction.objectStore('docs').clear()
    await transaction.objectStore('meta').delete('cursor')
    const acknowledged = transaction.objectStore('acknowledged')
    for (let at = await acknowledged.openCursor(); at; at = await at.continue())
      if (at.value.operation.kind === 'contact') await at.delete()
    await transaction.done
  }
  tell({ kind: 'left' })
  await forgetPerson()
}

async function forgetPerson(): Promise<void> {
  localStorage.removeItem(SESSION)
  forgetDrafts()
  await forgetPictures()
  stopSyncing()
  hush()
  local.database?.close()
  local.database = null
  shelf.clear()
  turned({
    status: 'signed-out',
    session: null,
    undos: [],
    pending: 0,
    refused: [],
    loaded: false,
    heard: false,
  })
}

/** Puts a refused edit aside for good. */
export async function discardRefused(opId: string): Promise<void> {
  await local.database?.delete('refused', opId)
  useData.setState((state) => ({ refused: state.refused.filter((entry) => entry.operation.opId !== opId) }))
  tell({ kind: 'docs', docs: [], gone: [] })
}
