import type { LocalDatabase } from './database'
import { local, shelf, turned } from './state'
import type { EntityKind } from './types'

/** What the list of jobs shows, and what every page needs. */
const FIRST: readonly EntityKind[] = ['settings', 'property', 'point', 'job']
const CHUNK = 400

const yielded = () => new Promise<void>((resolve) => setTimeout(resolve, 0))

/** Puts documents on the shelf a handful at a time, so that no touch waits; the list's first. */
export async function load(database: LocalDatabase): Promise<void> {
  for (const kind of FIRST) shelf.putLater(await database.getAllFromIndex('docs', 'kind', kind))
  turned({ status: 'ready' })
  void rest(database)
}

async function rest(database: LocalDatabase): Promise<void> {
  let from: [string, string] | undefined
  for (;;) {
    const range = from ? IDBKeyRange.lowerBound(from, true) : undefined
    const docs = await database.getAll('docs', range, CHUNK)
    if (database !== local.database) return
    shelf.putLater(docs.filter((doc) => !FIRST.includes(doc.kind)))
    const last = docs.at(-1)
    if (docs.length < CHUNK || !last) break
    from = [last.kind, last.id]
    await yielded()
  }
  turned({ loaded: true })
}
