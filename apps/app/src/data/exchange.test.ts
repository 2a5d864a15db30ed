import { fakeServer, property, type Row, type Store, settled, somebody, tab } from '../test/phone'
import { openLocal } from './database'
import type { Doc, SessionResponse } from './types'

const row = (id: string, revision: number, fields: Record<string, unknown>, kind: Doc['kind'] = 'property') =>
  // fields of any kind under one name: each test says its own
  ({ kind, id, revision, removed: false, clock: '', fields, conflicts: [] }) as unknown as Row

describe('the exchange with the server', () => {
  let server: ReturnType<typeof fakeServer>
  let session: SessionResponse
  let store: Store
  const shown = (id: string) => store.shelf.get('property', id)?.fields as Record<string, unknown> | undefined
  const stored = async <T>(
    read: (local: Awaited<ReturnType<typeof openLocal>>) => Promise<T>,
  ): Promise<T> => {
    const local = await openLocal(session.person.id)
    const read_ = await read(local)
    local.close()
    return read_
  }
  beforeEach(() => {
    server = fakeServer()
    session = somebody()
    store = tab()
  })
  afterEach(() => store.leave())

  it('a phone that holds nothing asks for the day first, and shows it though the rest cannot be had', async () => {
    server.state.day = [row('today', 7, { label: 'Today’s house' })]
    server.state.revision = 7
    server.state.status = 503
    await store.open(session)
    await settled(store)
    expect(shown('today')).toEqual({ label: 'Today’s house' })
    // what came ahead is no page of the stream: the stream still begins at its beginning
    expect(await stored((local) => local.get('meta', 'cursor'))).toBeUndefined()
    expect(store.useData.getState().heard).toBe(false)
    server.rows.set('old', row('old', 3, { label: 'Old house' }))
    server.state.status = 0
    await settled(store)
    expect(shown('old')).toEqual({ label: 'Old house' })
    expect(store.useData.getState().heard).toBe(true)
    // and the next time the phone is opened away from any network, it still knows that it was
    server.state.reachable = false
    await store.open(session)
    await settled(store)
    expect(store.useData.getState()).toMatchObject({ online: false, heard: true })
    expect(server.asked.filter((path) => path.endsWith('/api/day'))).toHaveLength(1)
  })

  it('goes on to the stream where the day cannot be had', async () => {
    server.state.dayStatus = 500
    server.rows.set('old', row('old', 3, { label: 'Old house' }))
    server.state.revision = 3
    await store.open(session)
    await settled(store)
    expect(shown('old')).toEqual({ label: 'Old house' })
    expect(store.useData.getState()).toMatchObject({ online: true, fault: null })
  })

  it('who leaves sends what is queued first, and sends nothing where nothing is', async () => {
    await store.open(session)
    await settled(store)
    server.state.reachable = false
    const id = store.newId()
    await store.edit(property(id, { label: 'on the way out' }))
    await settled(store)
    server.state.reachable = true
    await store.leave()
    expect(server.labels(id)).toEqual(['on the way out'])
    await store.open(session)
    await settled(store)
    server.asked.length = 0
    await store.leave()
    expect(server.asked).toEqual(['DELETE /api/session'])
    expect(server.got).toHaveLength(1)
  })

  it('one that holds documents, or has read the shop before, does not ask for the day again', async () => {
    await store.open(session)
    await settled(store)
    await settled(store)
    const again = tab()
    await again.begin()
    await settled(again)
    expect(server.asked.filter((path) => path.endsWith('/api/day'))).toHaveLength(1)
    // documents without a cursor: what was made here before the server was ever reached
    await store.leave()
    server.state.reachable = false
    session = somebody()
    await store.open(session)
    await store.edit(property(store.newId(), { label: 'made here' }))
    server.asked.length = 0
    server.state.reachable = true
    await settled(store)
    expect(server.asked.filter((path) => path.endsWith('/api/day'))).toHaveLength(0)
  })

  it.each([500, 502, 503, 401, 429])(
    'an answer of %i puts no edit aside: all stay queued',
    async (status) => {
      await store.open(session)
      await settled(store)
      server.state.status = status
      const ids = [store.newId(), store.newId()]
      for (const id of ids) await store.edit(property(id, { label: 'waits' }))
      await settled(store)
      const { pending, refused, online, expired, fault } = store.useData.getState()
      expect({ pending, refused }).toEqual({ pending: 2, refused: [] })
      // who is coming back is as good as away
      expect(online).toBe(status < 502)
      expect(expired).toBe(status === 401)
      expect(fault === null).toBe(status === 401 || status >= 502)
      server.state.status = 0
      await settled(store)
      expect(server.got.map((operation) => operation.id)).toEqual(ids)
      expect(store.useData.getState()).toMatchObject({
        pending: 0,
        online: true,
        expired: false,
        fault: null,
      })
    },
  )

  it.each([
    ['in another order', (own: readonly object[]) => [...own].reverse()],
    ['not at all', () => []],
    [
      'for edits that nobody sent',
      (own: readonly object[]) => own.map((result) => ({ ...result, opId: 'x' })),
    ],
  ] as const)('edits that are answered %s stay in the queue and go out again', async (_name, results) => {
    await store.open(session)
    await settled(store)
    server.state.results = results
    const ids = [store.newId(), store.newId()]
    await store.edit(ids.map((id) => property(id, { label: 'waits' })[0] as never))
    await settled(store)
    expect(store.useData.getState()).toMatchObject({ pending: 2, refused: [] })
    server.state.results = (own) => own
    await settled(store)
    expect(server.got.map((operation) => operation.id)).toEqual(ids)
    expect(store.useData.getState().pending).toBe(0)
  })

  it('a refusal of a request that brought no edit is a fault, and not asked again and again', async () => {
    server.state.status = 400
    await store.open(session)
    await settled(store)
    expect(store.useData.getState()).toMatchObject({ online: true, fault: 'no', refused: [] })
    expect(server.asked.filter((path) => path === 'POST /api/sync').length).toBeLessThan(6)
  })

  it('an edit that is made while an exchange is under way goes out by itself after it', async () => {
    await store.open(session)
    await settled(store)
    const { fetch } = globalThis
    let release = () => {}
    const held = new Promise<void>((resolve) => {
      release = resolve
    })
    globalThis.fetch = (async (...given: Parameters<typeof fetch>) => {
      const answer = await fetch(...given)
      await held
      return answer
    }) as never
    const [first, second] = [store.newId(), store.newId()]
    await store.edit(property(first, { label: 'first' }))
    await until(() => server.got.length === 1)
    await store.edit(property(second, { label: 'second' }))
    globalThis.fetch = fetch
    release()
    // long before the next round of its own
    await until(() => server.got.length === 2)
    expect(server.labels(second)).toEqual(['second'])
  })

  it('while a restored shop is read anew, nothing vanishes that is still to come, and an edit counts in its own time', async () => {
    const houses = ['a', 'b', 'c', 'd']
    houses.forEach((id, index) => {
      server.rows.set(id, row(id, index + 5, { label: id }))
    })
    server.state.revision = 8
    await store.open(session)
    await settled(store)
    Object.assign(server.state, { generation: 'g2', page: 1 })
    const { fetch } = globalThis
    const seen: number[] = []
    let edited = false
    globalThis.fetch = (async (...given: Parameters<typeof fetch>) => {
      if (String(given[0]).endsWith('/api/sync')) seen.push(houses.filter((id) => shown(id)).length)
      const answer = await fetch(...given)
      if (seen.length === 3 && !edited) {
        edited = true
        // one page has come: this house is still of the time before
        await store.edit(property('d', { label: 'd of before' }))
      }
      return answer
    }) as never
    await settled(store)
    globalThis.fetch = fetch
    await settled(store)
    expect(seen.length).toBeGreaterThan(4)
    expect(new Set(seen)).toEqual(new Set([houses.length]))
    expect(server.got.find(({ id }) => id === 'd')).toMatchObject({ generation: 'g1', base: 8 })
  })

  it('a queue longer than a request goes out in its order, each edit once', async () => {
    await store.open(session)
    await settled(store)
    server.state.reachable = false
    const labels = Array.from({ length: 130 }, (_, index) => `House ${index}`)
    const id = store.newId()
    await store.edit(labels.map((label) => property(id, { label })[0] as never))
    server.state.reachable = true
    await settled(store)
    expect(server.labels(id)).toEqual(labels)
    expect(shown(id)).toEqual({ label: 'House 129' })
  })

  it('reads page after page, and an older page does not undo what the shop has just acknowledged', async () => {
    const id = store.newId()
    server.rows.set(id, row(id, 1, { label: 'as it was' }))
    for (let n = 2; n <= 9; n++) server.rows.set(`house ${n}`, row(`house ${n}`, n, { label: `House ${n}` }))
    server.state.revision = 9
    await store.open(session)
    await settled(store)
    server.state.reachable = false
    await store.edit(property(id, { label: 'mine' }))
    // somebody else changed it meanwhile; the next page carries that older state
    server.rows.set(id, row(id, 10, { label: 'theirs' }))
    for (let n = 11; n <= 14; n++)
      server.rows.set(`house ${n}`, row(`house ${n}`, n, { label: `House ${n}` }))
    server.state.revision = 14
    const taken = server.rows.get(id) as Row
    const seen: unknown[] = []
    store.useData.subscribe(() => seen.push(shown(id)?.label))
    // with the answer to the edit, and again after it: pages that were read just before it was applied
    const stales = [
      { changes: [taken], cursor: 10, more: true },
      { changes: [taken], cursor: 10, more: true },
    ]
    const { fetch } = globalThis
    globalThis.fetch = jest.fn(async (path: string, init: RequestInit) => {
      const response = await fetch(path, init)
      if (path !== '/api/sync') return response
      const answer = (await response.json()) as { results: object[] }
      const stale = stales.shift()
      return { ...response, json: async () => (stale ? { ...answer, ...stale } : answer) }
    }) as never
    server.state.reachable = true
    await settled(store)
    expect(seen).not.toContain('theirs')
    expect(shown(id)?.label).toBe('mine')
    expect(Object.keys(server.rows.get(id)?.fields ?? {})).toEqual(['label'])
  })

  it('takes no page that is older than what it holds, and counts up with each write', async () => {
    const id = store.newId()
    server.rows.set(id, row(id, 5, { label: 'newer' }))
    server.state.revision = 5
    await store.open(session)
    await settled(store)
    const { fetch } = globalThis
    globalThis.fetch = jest.fn(async (path: string, init: RequestInit) => {
      const response = await fetch(path, init)
      if (path !== '/api/sync') return response
      const answer = (await response.json()) as object
      return { ...response, json: async () => ({ ...answer, changes: [row(id, 4, { label: 'older' })] }) }
    }) as never
    await settled(store)
    globalThis.fetch = fetch
    expect(shown(id)).toEqual({ label: 'newer' })
    const turn = async () => (await stored((local) => local.get('docs', ['property', id])))?.turn ?? -1
    const turns = [await turn()]
    await store.edit(property(id, { label: 'mine' }))
    turns.push(await turn())
    await settled(store)
    turns.push(await turn())
    server.rows.set(id, row(id, ++server.state.revision, { label: 'theirs' }))
    await settled(store)
    turns.push(await turn())
    expect(turns.every((at, index) => at > (turns[index - 1] ?? 0))).toBe(true)
    expect(shown(id)).toEqual({ label: 'theirs' })
  })

  it('says of each edit what it had seen: the page it has read, or the document where that is later', async () => {
    const id = store.newId()
    server.rows.set(id, row(id, 3, { label: 'old' }))
    server.state.revision = 8
    await store.open(session)
    await settled(store)
    await store.edit(property(id, { label: 'after eight' }))
    await settled(store)
    expect(server.got.at(-1)?.base).toBe(8)
    // what came ahead of the stream is later than the cursor
    const other = somebody()
    server.state.day = [row('ahead', 40, { label: 'Ahead' })]
    server.state.status = 503
    await store.leave()
    session = other
    await store.open(session)
    await settled(store)
    await store.edit(property('ahead', { label: 'Mine' }))
    const [queued] = await stored((local) => local.getAll('queue'))
    expect(queued?.base).toBe(40)
  })

  it('does not take away by undo what somebody else has worked on since', async () => {
    await store.open(session)
    await settled(store)
    const [mine, theirs] = [store.newId(), store.newId()]
    await store.edit(property(theirs, { label: 'made', note: 'here' }), 'made')
    await settled(store)
    server.rows.set(theirs, row(theirs, ++server.state.revision, { label: 'made', note: 'theirs' }))
    await settled(store)
    await store.undo()
    expect(shown(theirs)).toEqual({ label: 'made', note: 'theirs' })
    expect(store.shelf.get('property', theirs)?.removed).toBe(false)
    await store.edit(property(mine, { label: 'made' }), 'made')
    await store.undo()
    expect(store.shelf.get('property', mine)?.removed ?? true).toBe(true)
  })

  it('who leaves is gone from the phone also where the server does not answer', async () => {
    const { fetch } = globalThis
    globalThis.fetch = jest.fn((path: string, init: RequestInit) =>
      path === '/api/session' && init.method === 'DELETE' ? new Promise(() => undefined) : fetch(path, init),
    ) as never
    await store.leave()
    globalThis.fetch = fetch
    expect(store.useData.getState()).toMatchObject({ status: 'signed-out', session: null })
    expect(await stored((local) => local.count('docs'))).toBe(0)
  })

  it('answers that come after leaving change nothing of what is kept', async () => {
    await store.open(session)
    await settled(store)
    const id = store.newId()
    let answer: (value: unknown) => void = () => undefined
    const { fetch } = globalThis
    const held = new Promise((resolve) => {
      answer = resolve
    })
    globalThis.fetch = jest.fn(async (path: string, init: RequestInit) => {
      const response = await fetch(path, init)
      if (path === '/api/sync') await held
      return response
    }) as never
    await store.edit(property(id, { label: 'under way' }))
    const left = store.leave()
    answer(undefined)
    await left
    expect(store.useData.getState()).toMatchObject({ status: 'signed-out', pending: 0 })
    expect(await stored((local) => local.count('docs'))).toBe(0)
    globalThis.fetch = fetch
    await store.open(session)
    await settled(store)
    // it had gone out, or goes out now: once in either case
    expect(server.labels(id)).toEqual(['under way'])
    expect(store.useData.getState().pending).toBe(0)
  })

  it('a database restored twice gets everything again in the order in which it was made', async () => {
    await store.open(session)
    await settled(store)
    const id = store.newId()
    const ids: string[] = []
    for (const label of ['a', 'b', 'c']) {
      await store.edit(property(id, { label }))
      await settled(store)
      ids.push(server.got.at(-1)?.opId ?? '')
    }
    for (const generation of ['g2', 'g3']) {
      server.rows.clear()
      server.got.length = 0
      Object.assign(server.state, { generation, revision: 0 })
      await settled(store)
      expect(server.got.map((operation) => operation.opId)).toEqual(ids)
      expect(shown(id)).toEqual({ label: 'c' })
    }
    const [epoch, first, second] = await stored((local) =>
      Promise.all(['epoch', 'generation 0', 'generation 1'].map((key) => local.get('meta', key))),
    )
    expect([epoch, first, second]).toEqual([2, 'g1', 'g2'])
  })

  it('forgets what was acknowledged once no backup can be that old', async () => {
    await store.open(session)
    await settled(store)
    await store.edit(property(store.newId(), { label: 'long ago' }))
    await settled(store)
    const start = Date.now()
    const kept = () => stored((local) => local.count('acknowledged'))
    const clock = jest.spyOn(Date, 'now').mockReturnValue(start + 34 * 86_400_000)
    await settled(store)
    expect(await kept()).toBe(1)
    clock.mockReturnValue(start + 36 * 86_400_000)
    await settled(store)
    clock.mockRestore()
    expect(await kept()).toBe(0)
  })

  it('a removal names every own edit that it had seen, an edit only those of its fields', async () => {
    await store.open(session)
    await settled(store)
    server.state.losesAnswers = true
    const id = store.newId()
    await store.edit(property(id, { label: 'a', note: 'b' }))
    await store.edit(property(id, { note: 'c' }))
    await store.edit([{ kind: 'property', id, remove: true }], 'removed')
    expect(store.shelf.get('property', id)?.removed ?? true).toBe(true)
    await store.undo()
    expect(shown(id)).toEqual({ label: 'a', note: 'c' })
    server.state.losesAnswers = false
    await settled(store)
    const [made, noted, removed, back] = server.got
    expect([made, noted, removed, back].map((operation) => operation?.remove)).toEqual([
      false,
      false,
      true,
      false,
    ])
    expect(removed?.patch).toEqual({})
    expect(noted?.prior).toEqual({ note: made?.opId })
    expect(removed?.prior).toEqual({ label: made?.opId, note: noted?.opId })
    expect(back?.prior).toMatchObject({ label: made?.opId, note: noted?.opId })
  })

  it('a picture that comes back by undo keeps what the server alone holds of it', async () => {
    server.rows.set('shot', row('shot', 1, { name: 'Behind the plate', content: '' }, 'attachment'))
    server.state.revision = 1
    await store.open(session)
    await settled(store)
    await store.edit([{ kind: 'attachment', id: 'shot', remove: true }], 'removed')
    await store.undo()
    await settled(store)
    expect(server.got.at(-1)?.patch).toEqual({ name: 'Behind the plate' })
  })
})

/** Waits for something that comes by itself. */
async function until(come: () => boolean): Promise<void> {
  for (let turn = 0; turn < 4000 && !come(); turn++) await new Promise((resolve) => setTimeout(resolve, 5))
  expect(come()).toBe(true)
}

describe('signing in and what is kept', () => {
  let server: ReturnType<typeof fakeServer>
  let session: SessionResponse
  let store: Store
  beforeEach(async () => {
    server = fakeServer()
    session = somebody()
    store = tab()
    await store.open(session)
    await settled(store)
  })
  afterEach(() => store.leave())

  it.each([
    [
      'asks a browser that may throw the store away to keep it',
      { persisted: async (): Promise<boolean> => false },
      1,
    ],
    ['does not ask one that keeps it already', { persisted: async (): Promise<boolean> => true }, 0],
    ['asks one that cannot say', {}, 1],
    ['goes on where nothing can be asked', null, 0],
    ['goes on where asking fails', { persisted: (): Promise<boolean> => Promise.reject(new Error('no')) }, 0],
  ] as const)('%s', async (_name, storage, times) => {
    const persist = jest.fn(async () => true)
    Object.defineProperty(navigator, 'storage', {
      configurable: true,
      value: storage === null ? undefined : { ...storage, persist },
    })
    await store.open(session)
    await settled(store)
    expect(persist).toHaveBeenCalledTimes(times)
    expect(store.useData.getState()).toMatchObject({ online: true, loaded: true })
    Reflect.deleteProperty(navigator, 'storage')
  })

  it('who signs in anew finds nothing of what stood before: no end of a sign-in, no fault, no step to take back', async () => {
    store.useData.setState({
      expired: true,
      fault: 'of before',
      storeFault: 'of before',
      undos: [{} as never],
    })
    server.state.reachable = false
    await store.open(session)
    expect(store.useData.getState()).toMatchObject({
      session,
      expired: false,
      fault: null,
      storeFault: null,
      undos: [],
    })
    await store.leave()
    // nobody’s store: nothing to put away, and nothing breaks
    await expect(store.discardRefused('none')).resolves.toBeUndefined()
  })

  it('asks who it is where nobody is signed in, and keeps nothing of nobody', async () => {
    await store.leave()
    const nobody = tab()
    expect(nobody.useData.getState().status).toBe('starting')
    await nobody.begin()
    expect(nobody.useData.getState()).toMatchObject({ status: 'signed-out', session: null, expired: false })
    await expect(nobody.edit(property('none', { label: 'nobody’s' }))).rejects.toThrow('nobody is signed in')
  })

  it('a sign-in that the server has ended is said, and the phone goes on', async () => {
    const unreached = tab()
    server.state.reachable = false
    await unreached.begin()
    await settled(unreached)
    expect(unreached.useData.getState().expired).toBe(false)
    // only the question who is signed in gets through
    Object.assign(server.state, { reachable: true, signedIn: false, losesAnswers: true })
    const again = tab()
    await again.begin()
    expect(again.useData.getState()).toMatchObject({ status: 'ready', expired: false })
    await until(() => again.useData.getState().expired)
    expect(again.useData.getState()).toMatchObject({ status: 'ready', expired: true })
  })

  it('keeps no contact’s edits on the phone of who has left, and the others for a restored database', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: 'house' }))
    await store.edit([
      {
        kind: 'contact',
        id: store.newId(),
        patch: { propertyId: id, name: 'Somebody', phone: '', email: '' },
      },
    ])
    await settled(store)
    await store.leave()
    const local = await openLocal(session.person.id)
    const kept = await local.getAll('acknowledged')
    local.close()
    expect(kept.map(({ operation }) => operation.kind)).toEqual(['property'])
  })

  it('a refused edit can be put away, alone and for good', async () => {
    const ids = [store.newId(), store.newId()]
    for (const id of ids) await store.edit(property(id, { label: 'bad' }))
    await settled(store)
    const [first] = store.useData.getState().refused
    await store.discardRefused(first?.operation.opId ?? '')
    const left = () => store.useData.getState().refused.map((entry) => entry.operation.id)
    expect(left()).toEqual([first?.operation.id === ids[0] ? ids[1] : ids[0]])
    const again = tab()
    await again.begin()
    expect(again.useData.getState().refused).toHaveLength(1)
  })

  it('puts every document on the shelf, the list’s first, however many there are', async () => {
    const local = await openLocal(session.person.id)
    const transaction = local.transaction('docs', 'readwrite')
    const held = (kind: string, n: number) => ({
      ...row(`${kind} ${String(n).padStart(4, '0')}`, n, { jobId: `job ${n % 7}` }, kind as Doc['kind']),
      own: {},
      epoch: 0,
      turn: 0,
    })
    for (let n = 1; n <= 801; n++) await transaction.store.put(held('observation', n) as never)
    for (let n = 1; n <= 3; n++)
      for (const kind of ['job', 'property', 'point', 'settings'])
        await transaction.store.put(held(kind, n) as never)
    await transaction.done
    local.close()
    server.state.reachable = false
    const again = tab()
    await again.begin()
    const begun = again.useData.getState()
    expect(begun.status).toBe('ready')
    for (const kind of ['job', 'property', 'point', 'settings'] as const)
      expect([kind, again.shelf.all(kind).length]).toEqual([kind, 3])
    expect(begun.loaded).toBe(false)
    expect(again.shelf.all('observation').length).toBeLessThan(801)
    await until(() => again.useData.getState().loaded)
    expect(again.shelf.all('observation')).toHaveLength(801)
  })
})

describe('tabs of one person', () => {
  it('see each other’s edits without the server, count what waits, and leave together', async () => {
    const server = fakeServer()
    const session = somebody()
    const [one, two, stranger] = [tab(), tab(), tab()]
    await one.open(session)
    await two.open(session)
    await stranger.open(somebody())
    await settled(two)
    await settled(stranger)
    server.state.reachable = false
    const id = one.newId()
    await one.edit(property(id, { label: 'seen next door' }))
    await settled(two)
    expect(two.shelf.get('property', id)?.fields.label).toBe('seen next door')
    expect(two.useData.getState().pending).toBe(1)
    expect(stranger.shelf.get('property', id) ?? null).toBeNull()
    // what one of them reads from the server the other shows too
    server.state.reachable = true
    server.rows.set('from afar', row('from afar', ++server.state.revision, { label: 'From afar' }))
    await one.syncSoon()
    await until(() => two.shelf.get('property', 'from afar') !== undefined)
    server.state.reachable = false
    expect(two.shelf.get('property', 'from afar')?.fields.label).toBe('From afar')
    server.state.reachable = true
    server.rows.delete('from afar')
    await one.leave()
    await settled(two)
    await settled(stranger)
    expect(two.useData.getState()).toMatchObject({ status: 'signed-out', session: null })
    expect(two.shelf.all('property')).toEqual([])
    expect(stranger.useData.getState().status).toBe('ready')
    await stranger.leave()
  })

  it('let one of them talk to the server at a time, where the browser has locks', async () => {
    const held = new Set<string>()
    const request = async (
      name: string,
      options: { ifAvailable?: boolean },
      work: (lock: object | null) => unknown,
    ) => {
      if (held.has(name)) {
        if (!options.ifAvailable) throw new Error('waits for ever')
        return work(null)
      }
      held.add(name)
      try {
        return await work({ name })
      } finally {
        held.delete(name)
      }
    }
    Object.defineProperty(navigator, 'locks', { configurable: true, value: { request } })
    const server = fakeServer()
    const [session, other] = [somebody(), somebody()]
    const [one, two, stranger] = [tab(), tab(), tab()]
    await one.open(session)
    await two.open(session)
    await stranger.open(other)
    for (const each of [one, two, stranger]) await settled(each)
    const { fetch } = globalThis
    let [atOnce, most, calls] = [0, 0, 0]
    globalThis.fetch = jest.fn(async (path: string, init: RequestInit) => {
      most = Math.max(most, ++atOnce)
      calls++
      // turns of the loop, not time: whoever may come beside it has come by then
      for (let turn = 0; turn < 500 && most < 2; turn++)
        await new Promise((resolve) => setTimeout(resolve, 0))
      atOnce--
      return fetch(path, init)
    }) as never
    await Promise.all([one.syncSoon(), two.syncSoon()])
    expect([most, calls]).toEqual([1, 1])
    // another person on the same phone does not wait for them
    await Promise.all([one.syncSoon(), stranger.syncSoon()])
    expect(most).toBe(2)
    for (const each of [one, stranger]) await each.leave()
    expect(server.got).toEqual([])
    Reflect.deleteProperty(navigator, 'locks')
  })
})
