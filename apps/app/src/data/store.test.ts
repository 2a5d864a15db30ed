import 'fake-indexeddb/auto'
import { openLocal } from './database'
import { begin, type Edit, edit, newId, open, syncSoon, undo, useData } from './store'
import type { OperationRecord } from './types'

// jsdom has none; documents are plain data
globalThis.structuredClone ??= ((value: unknown) =>
  JSON.parse(JSON.stringify(value))) as typeof structuredClone

const SESSION = {
  person: { id: '00000000-0000-4000-8000-000000000001', name: 'Test Person', role: 'technician' as const },
  shop: { id: '00000000-0000-4000-8000-000000000002', name: 'Test Shop' },
}

/** A small stand-in for the server: it applies once and tells what it got. */
function fakeServer() {
  const got: OperationRecord[] = []
  let reachable = true
  let losesAnswers = false
  const fetchMock = jest.fn(async (path: string, init?: { body?: string }) => {
    if (!reachable) throw new TypeError('no network')
    if (path !== '/api/sync')
      return {
        ok: true,
        status: 200,
        headers: new Headers({ 'content-type': 'application/json' }),
        json: async () => SESSION,
      }
    const { operations } = JSON.parse(init?.body ?? '{}') as { operations: OperationRecord[] }
    const results = operations.map((operation) => {
      const repeated = got.some((known) => known.opId === operation.opId)
      if (!repeated) got.push(operation)
      const bad = (operation.patch as { label?: string }).label === 'bad'
      return {
        opId: operation.opId,
        status: bad ? 'rejected' : repeated ? 'repeated' : 'applied',
        revision: got.length,
        faults: bad ? [{ path: 'patch.label', message: 'bad' }] : [],
      }
    })
    if (losesAnswers) throw new TypeError('cut off')
    const answer = { results, changes: [], cursor: got.length, more: false }
    return {
      ok: true,
      status: 200,
      headers: new Headers({ 'content-type': 'application/json' }),
      json: async () => answer,
    }
  })
  globalThis.fetch = fetchMock as never
  return {
    got,
    set: (state: { reachable?: boolean; losesAnswers?: boolean }) => {
      reachable = state.reachable ?? reachable
      losesAnswers = state.losesAnswers ?? losesAnswers
    },
  }
}

const label = (id: string) =>
  (useData.getState().docs.property?.[id]?.fields as { label?: string } | undefined)?.label
const property = (id: string, patch: Record<string, unknown>) => [{ kind: 'property', id, patch } as Edit]
const settled = async () => {
  await syncSoon()
  await syncSoon()
}

describe('the phone’s store', () => {
  const server = fakeServer()
  beforeEach(async () => {
    server.set({ reachable: true, losesAnswers: false })
    await open(SESSION)
    await settled()
  })

  it('shows and keeps an edit before the server has heard of it', async () => {
    server.set({ reachable: false })
    const id = newId()
    await edit(property(id, { label: 'kept' }))
    expect(label(id)).toBe('kept')
    await settled()
    expect(useData.getState()).toMatchObject({ online: false })
    const local = await openLocal(SESSION.person.id)
    expect((await local.getAll('queue')).some((operation) => operation.id === id)).toBe(true)
    local.close()
    // started again without a server, it is still there
    await begin()
    expect(label(id)).toBe('kept')
    server.set({ reachable: true })
    await settled()
    expect(server.got.filter((operation) => operation.id === id)).toHaveLength(1)
    expect(useData.getState()).toMatchObject({ online: true, pending: 0 })
  })

  it('sends an edit again, with the same id, when the answer was lost', async () => {
    server.set({ losesAnswers: true })
    const id = newId()
    await edit(property(id, { label: 'once' }))
    await settled()
    expect(useData.getState().pending).toBe(1)
    server.set({ losesAnswers: false })
    await settled()
    expect(useData.getState().pending).toBe(0)
    expect(server.got.filter((operation) => operation.id === id)).toHaveLength(1)
  })

  it('takes a step back as an edit of its own', async () => {
    const id = newId()
    await edit(property(id, { label: 'first' }))
    await edit(property(id, { label: 'second' }), 'renamed')
    await undo()
    expect(label(id)).toBe('first')
    await settled()
    expect(
      server.got.filter((operation) => operation.id === id).map((operation) => operation.patch.label),
    ).toEqual(['first', 'second', 'first'])
  })

  it('keeps what the server refuses, with the reason', async () => {
    const id = newId()
    await edit(property(id, { label: 'bad' }))
    await settled()
    const refused = useData.getState().refused.find((entry) => entry.operation.id === id)
    expect(refused?.faults).toEqual([{ path: 'patch.label', message: 'bad' }])
    expect(useData.getState().pending).toBe(0)
  })
})
