import 'fake-indexeddb/auto'
import type { Doc, Edit, OperationRecord, ServerCopy, SessionResponse } from '../data/types'

// jsdom has none; documents are plain data
globalThis.structuredClone ??= ((value: unknown) =>
  JSON.parse(JSON.stringify(value))) as typeof structuredClone
interface Channel {
  close(): void
  unref(): void
}
const { BroadcastChannel: NodeChannel } = jest.requireActual('node:worker_threads') as {
  BroadcastChannel: new (name: string) => Channel
}
const channels: Channel[] = []
globalThis.BroadcastChannel = class extends NodeChannel {
  constructor(name: string) {
    super(name)
    this.unref()
    channels.push(this)
  }
} as never
afterAll(() => {
  for (const channel of channels) channel.close()
})

export type Store = typeof import('../data/store')
export type Row = ServerCopy & { kind: Doc['kind']; id: string }

/** The store as another tab loads it: its own modules, the same browser. */
export function tab(): Store {
  let store: Store | undefined
  jest.isolateModules(() => {
    store = jest.requireActual<Store>('../data/store')
  })
  return store as Store
}

let people = 0
/** A person of their own for each test, so that no store is anyone else's. */
export const somebody = (): SessionResponse => ({
  person: {
    id: `00000000-0000-4000-8000-${String(++people).padStart(12, '0')}`,
    name: 'Test Person',
    role: 'technician',
  },
  shop: { id: '00000000-0000-4000-8000-000000000002', name: 'Test Shop' },
})

/** A small stand-in for the server: applies once, refuses “bad”, puts off “wait”, proposes “ask”. */
export function fakeServer() {
  const got: OperationRecord[] = []
  const asked: string[] = []
  const rows = new Map<string, Row>()
  const state = {
    reachable: true,
    losesAnswers: false,
    generation: 'g1',
    revision: 0,
    largest: Number.POSITIVE_INFINITY,
    /** Answered to every exchange instead, where it is not 0. */
    status: 0,
    /** What a fresh phone is given first. */
    day: [] as Row[],
    dayStatus: 200,
    /** Rows in one answer. */
    page: Number.POSITIVE_INFINITY,
    signedIn: true,
    /** What is answered to the edits of a request, where it is not each in its place. */
    results: (own: readonly object[]): readonly object[] => own,
  }
  const json = (status: number, body: unknown) => ({
    ok: status < 400,
    status,
    headers: new Headers({ 'content-type': 'application/json' }),
    json: async () => body,
  })
  const take = (operation: OperationRecord) => {
    const { opId, kind, id, patch, remove } = operation
    const { label } = patch as { label?: string }
    const said = (status: string, faults: object[] = []) => ({
      opId,
      status,
      revision: state.revision,
      faults,
    })
    if (label === 'bad') return said('rejected', [{ path: 'patch.label', message: 'bad' }])
    if (label === 'wait') return said('later')
    if (label === 'ask') return said('proposed')
    if (got.some((known) => known.opId === opId)) return said('repeated')
    got.push(operation)
    const held = rows.get(id)
    rows.set(id, {
      kind,
      id,
      revision: ++state.revision,
      removed: remove,
      clock: operation.clock,
      fields: { ...held?.fields, ...patch } as Doc['fields'],
      conflicts: [],
    })
    return said('applied')
  }
  globalThis.fetch = jest.fn(async (path: string, init?: { body?: string; method?: string }) => {
    if (!state.reachable) throw new TypeError('no network')
    asked.push(`${init?.method} ${path}`)
    requests++
    if (path === '/api/day') return json(state.dayStatus, { changes: state.day })
    if (path !== '/api/sync')
      return state.signedIn ? json(200, somebody()) : json(401, { title: 'signed out' })
    if (state.status) return json(state.status, { title: 'no' })
    const { operations, since, generation } = JSON.parse(init?.body ?? '{}') as {
      operations: OperationRecord[]
      since: number
      generation: string | null
    }
    if ((init?.body?.length ?? 0) > state.largest) return json(413, { title: 'too large' })
    if (generation !== null && generation !== state.generation)
      return json(200, { generation: state.generation, results: [], changes: [], cursor: 0, more: true })
    const results = state.results(operations.map(take))
    if (state.losesAnswers) throw new TypeError('cut off')
    const changes = [...rows.values()]
      .filter((row) => row.revision > since)
      .sort((a, b) => a.revision - b.revision)
      .slice(0, state.page)
    const cursor = changes.length === state.page ? (changes.at(-1) as Row).revision : state.revision
    const more = cursor < state.revision
    return json(200, { generation: state.generation, results, changes, cursor, more })
  }) as never
  return {
    got,
    asked,
    rows,
    state,
    labels: (id: string) => got.filter((op) => op.id === id).map((op) => op.patch.label),
  }
}

export const property = (id: string, patch: Record<string, unknown>) => [
  { kind: 'property', id, patch } as Edit,
]
/** Runs the exchange until nothing is under way. */
export const settled = async ({ syncSoon }: Store) => {
  await syncSoon()
  await syncSoon()
  // one that was asked for meanwhile begins by itself: turns of the loop are counted, not time
  let before = requests
  for (let quiet = 0; quiet < QUIET; quiet++) {
    await new Promise((resolve) => setTimeout(resolve, 0))
    if (requests !== before) quiet = 0
    before = requests
  }
}

/** Requests that any fake server was asked. */
let requests = 0
/** Turns without one after which everything that was begun is taken to be done. */
const QUIET = 25
