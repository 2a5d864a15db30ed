import { fixturesOf, SCHEMA_VERSION } from '@diarmos/contract/sync'
import { bodiesOf } from '@diarmos/core/bodies'
import { openDB } from 'idb'
import { fakeServer, property, type Row, type Store, settled, somebody, tab } from '../test/phone'
import phone from '../test/phone-v1.json'
import { openLocal } from './database'
import type { Doc, SessionResponse } from './types'

describe('the phone’s store', () => {
  let server: ReturnType<typeof fakeServer>
  let session: SessionResponse
  let store: Store
  const shown = (id: string, of = store) =>
    of.shelf.get('property', id)?.fields as { label?: string } | undefined
  const kept = async (id: string) => {
    const local = await openLocal(session.person.id)
    const doc = await local.get('docs', ['property', id])
    local.close()
    return doc
  }
  beforeEach(async () => {
    server = fakeServer()
    session = somebody()
    store = tab()
    await store.open(session)
    await settled(store)
  })
  afterEach(() => store.leave())

  it('shows and keeps an edit before the server has heard of it', async () => {
    server.state.reachable = false
    const id = store.newId()
    const written = store.edit(property(id, { label: 'kept' }))
    expect(store.useData.getState().writing).toBe(1)
    await written
    expect(store.useData.getState().writing).toBe(0)
    expect(shown(id)?.label).toBe('kept')
    await settled(store)
    expect(store.useData.getState()).toMatchObject({ online: false, pending: 1 })
    // started again without a server, it is still there
    const again = tab()
    await again.begin()
    expect(shown(id, again)?.label).toBe('kept')
    server.state.reachable = true
    await settled(again)
    expect(server.labels(id)).toEqual(['kept'])
    expect(again.useData.getState()).toMatchObject({ online: true, pending: 0 })
  })

  it('sends an edit again, with the same id, when the answer was lost', async () => {
    server.state.losesAnswers = true
    const id = store.newId()
    await store.edit(property(id, { label: 'once' }))
    await settled(store)
    expect(store.useData.getState().pending).toBe(1)
    server.state.losesAnswers = false
    await settled(store)
    expect(store.useData.getState().pending).toBe(0)
    expect(server.labels(id)).toEqual(['once'])
  })

  it('loses none of a burst of edits in one frame: screen = store = server', async () => {
    const ids = Array.from({ length: 12 }, () => store.newId())
    const one = store.newId()
    await Promise.all([
      ...ids.map((id, index) => store.edit(property(id, { label: `House ${index}` }))),
      store.edit(property(one, { label: 'a', note: 'a' })),
      store.edit(property(one, { label: 'b' })),
      store.edit(property(one, { note: 'c' })),
    ])
    expect(ids.map((id) => shown(id)?.label)).toEqual(ids.map((_, index) => `House ${index}`))
    expect(shown(one)).toEqual({ label: 'b', note: 'c' })
    await settled(store)
    expect(server.rows.get(one)?.fields).toEqual({ label: 'b', note: 'c' })
    for (const id of ids) expect((await kept(id))?.fields).toEqual(server.rows.get(id)?.fields)
    // each says which of its own edits it had seen
    const [first, second, third] = server.got.filter((operation) => operation.id === one)
    expect(second?.prior).toEqual({ label: first?.opId })
    expect(third?.prior).toEqual({ note: first?.opId })
  })

  it('two tabs share one queue and see each other’s edits; none is lost', async () => {
    const other = tab()
    await other.open(session)
    const id = store.newId()
    await store.edit(property(id, { label: 'first', note: 'first' }))
    await Promise.all([
      ...Array.from({ length: 6 }, (_, n) => store.edit(property(id, { label: `here ${n}` }))),
      ...Array.from({ length: 6 }, (_, n) => other.edit(property(id, { note: `there ${n}` }))),
    ])
    await settled(store)
    await settled(other)
    const last = { label: 'here 5', note: 'there 5' }
    expect(shown(id)).toEqual(last)
    expect(shown(id, other)).toEqual(last)
    expect((await kept(id))?.fields).toEqual(last)
    expect(server.rows.get(id)?.fields).toEqual(last)
    expect(new Set(server.got.map((operation) => operation.opId)).size).toBe(13)
    await other.leave()
  })

  it('takes ten steps back, one after the other, as edits of their own', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: '0' }))
    for (let step = 1; step <= 12; step++)
      await store.edit(property(id, { label: String(step) }), `step ${step}`)
    expect(store.useData.getState().undos).toHaveLength(10)
    for (let step = 0; step < 12; step++) await store.undo()
    expect(shown(id)?.label).toBe('2')
    await settled(store)
    expect(server.rows.get(id)?.fields).toEqual({ label: '2' })
  })

  it('does not take back what somebody else has changed since', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: 'first', note: 'first' }))
    await store.edit(property(id, { label: 'mine', note: 'mine' }), 'renamed')
    await settled(store)
    const row = server.rows.get(id) as Row
    server.rows.set(id, {
      ...row,
      revision: ++server.state.revision,
      fields: { ...row.fields, label: 'theirs' } as Doc['fields'],
    })
    await settled(store)
    await store.undo()
    expect(shown(id)).toEqual({ label: 'theirs', note: 'first' })
  })

  it('a refused edit is put aside with its reason, and the screen goes back to what the server has', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: 'good' }))
    await settled(store)
    server.state.reachable = false
    await store.edit(property(id, { label: 'bad', note: 'with it' }))
    await store.edit(property(id, { street: 'after it' }))
    const fresh = store.newId()
    await store.edit(property(fresh, { label: 'bad' }))
    expect(shown(fresh)?.label).toBe('bad')
    server.state.reachable = true
    await settled(store)
    expect(shown(id)).toEqual({ label: 'good', street: 'after it' })
    expect(shown(fresh)).toBeUndefined()
    expect(await kept(fresh)).toBeUndefined()
    const { refused, pending } = store.useData.getState()
    expect(refused.map((entry) => entry.faults)).toEqual([
      [{ path: 'patch.label', message: 'bad' }],
      [{ path: 'patch.label', message: 'bad' }],
    ])
    expect(pending).toBe(0)
  })

  it('one that is put off keeps its place and blocks none', async () => {
    const [waits, goes] = [store.newId(), store.newId()]
    await store.edit(property(waits, { label: 'wait' }))
    await store.edit(property(goes, { label: 'goes' }))
    await settled(store)
    expect(server.labels(goes)).toEqual(['goes'])
    expect(store.useData.getState().pending).toBe(1)
    expect(shown(waits)?.label).toBe('wait')
  })

  it('one that is too large for a request is put aside alone', async () => {
    server.state.reachable = false
    const ids = Array.from({ length: 4 }, () => store.newId())
    for (const [index, id] of ids.entries())
      await store.edit(property(id, { label: `${index}`, note: index === 2 ? 'x'.repeat(5000) : '' }))
    server.state.largest = 4000
    server.state.reachable = true
    await settled(store)
    expect([...server.rows.keys()].sort()).toEqual([ids[0], ids[1], ids[3]].sort())
    expect(store.useData.getState().refused.map((entry) => entry.operation.id)).toEqual([ids[2]])
  })

  it('what waits for somebody’s word stays on this screen alone, until it is decided', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: 'as it was' }))
    await settled(store)
    await store.edit(property(id, { label: 'ask' }))
    await settled(store)
    expect(shown(id)?.label).toBe('ask')
    expect(server.rows.get(id)?.fields).toEqual({ label: 'as it was' })
    expect(store.useData.getState().pending).toBe(0)
    const local = await openLocal(session.person.id)
    const [waiting] = await local.getAll('waiting')
    local.close()
    server.rows.set('proposal', {
      kind: 'proposal',
      id: waiting?.opId ?? '',
      revision: ++server.state.revision,
      removed: false,
      clock: '',
      fields: { state: 'declined', kind: 'property', entityId: id } as never,
      conflicts: [],
    })
    await settled(store)
    expect(shown(id)?.label).toBe('as it was')
  })

  it('a full store keeps nothing, says so, and leaves the screen as it was', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: 'before' }))
    const add = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    expect(await store.edit(property(id, { label: 'too much' }), 'step')).toBe(false)
    expect(store.useData.getState().writing).toBe(0)
    add.mockRestore()
    expect(shown(id)?.label).toBe('before')
    expect((await kept(id))?.fields).toEqual({ label: 'before' })
    expect(store.useData.getState()).toMatchObject({ undos: [], storeFault: expect.stringMatching(/full/) })
    expect(await store.edit(property(id, { label: 'after' }))).toBe(true)
    expect(store.useData.getState().storeFault).toBeNull()
  })

  it('a restored server gets again what its backup had not, in order, before what waits', async () => {
    const [old, lost, foreign] = [store.newId(), store.newId(), store.newId()]
    await store.edit(property(old, { label: 'in the backup' }))
    server.rows.set(foreign, {
      kind: 'property',
      id: foreign,
      revision: ++server.state.revision,
      removed: false,
      clock: '',
      fields: { label: 'another phone’s' } as Doc['fields'],
      conflicts: [],
    })
    await settled(store)
    expect(shown(foreign)?.label).toBe('another phone’s')
    const backup = { rows: new Map(server.rows), got: [...server.got], revision: server.state.revision - 1 }
    backup.rows.delete(foreign)
    await store.edit(property(old, { label: 'after it' }))
    await store.edit(property(lost, { label: 'after it too' }))
    await settled(store)
    server.state.reachable = false
    await store.edit(property(lost, { label: 'unsent' }))
    // the backup is put back
    server.rows.clear()
    for (const [id, row] of backup.rows) server.rows.set(id, row)
    server.got.splice(0, server.got.length, ...backup.got)
    Object.assign(server.state, { revision: backup.revision, generation: 'g2', reachable: true })
    await settled(store)
    expect(server.rows.get(old)?.fields).toEqual({ label: 'after it' })
    expect(server.rows.get(lost)?.fields).toEqual({ label: 'unsent' })
    expect(server.labels(lost)).toEqual(['after it too', 'unsent'])
    const again = server.got.filter((operation) => operation.id === lost)
    expect(again.map((operation) => operation.generation)).toEqual(['g1', 'g1'])
    // what the shop has no more leaves the screen
    expect(shown(foreign)).toBeUndefined()
    expect(shown(lost)?.label).toBe('unsent')
    await store.edit(property(lost, { label: 'in the new time' }))
    await settled(store)
    expect(server.got.at(-1)).toMatchObject({ generation: 'g2', base: expect.any(Number) })
  })

  it('at sign-out the shop’s documents go, what is unsent stays and goes out with the next sign-in', async () => {
    const id = store.newId()
    server.state.reachable = false
    await store.edit(property(id, { label: 'unsent' }))
    await store.leave()
    expect(store.useData.getState()).toMatchObject({ status: 'signed-out', session: null })
    const local = await openLocal(session.person.id)
    expect([await local.count('docs'), await local.count('queue')]).toEqual([0, 1])
    local.close()
    server.state.reachable = true
    await store.open(session)
    await settled(store)
    expect(server.labels(id)).toEqual(['unsent'])
    expect(shown(id)?.label).toBe('unsent')
  })

  it('keeps fields and choices that it does not know', async () => {
    const id = store.newId()
    server.rows.set(id, {
      kind: 'property',
      id,
      revision: ++server.state.revision,
      removed: false,
      clock: '',
      fields: { label: 'House', era: 'on-the-moon', airlock: true } as never,
      conflicts: [],
    })
    await settled(store)
    await store.edit(property(id, { label: 'Renamed' }))
    await settled(store)
    expect(server.got.at(-1)?.patch).toEqual({ label: 'Renamed' })
    expect(shown(id)).toEqual({ label: 'Renamed', era: 'on-the-moon', airlock: true })
  })

  it('its clock never goes back, whatever the phone’s does', async () => {
    const id = store.newId()
    await store.edit(property(id, { label: 'now' }))
    const clock = jest.spyOn(Date, 'now').mockReturnValue(Date.parse('2001-01-01T00:00:00Z'))
    await store.edit(property(id, { label: 'an hour ago, says the phone' }))
    clock.mockRestore()
    await settled(store)
    const [first, second] = server.got.filter((operation) => operation.id === id)
    expect((second?.clock ?? '') > (first?.clock ?? 'z')).toBe(true)
  })
})

describe('a phone of the first release', () => {
  it('is lifted when it opens: its documents stand, its unsent queue goes out whole and in order', async () => {
    const server = fakeServer()
    const session = { ...phone.session, person: { ...phone.session.person, id: somebody().person.id } }
    const old = await openDB(`diarmos-${session.person.id}`, 1, {
      upgrade(database) {
        database.createObjectStore('docs', { keyPath: ['kind', 'id'] })
        database.createObjectStore('queue', { autoIncrement: true })
        database.createObjectStore('refused', { keyPath: 'operation.opId' })
        database.createObjectStore('meta')
      },
    })
    for (const doc of phone.docs) await old.put('docs', doc)
    for (const operation of phone.queue) await old.add('queue', operation)
    for (const entry of phone.refused) await old.put('refused', entry)
    await old.put('meta', phone.cursor, 'cursor')
    old.close()
    for (const { kind, id, revision, removed, fields, conflicts } of phone.docs.filter(
      (doc) => doc.revision > 0,
    ))
      server.rows.set(id, { kind, id, revision, removed, clock: '', fields, conflicts } as never)
    server.state.revision = 40
    server.state.reachable = false

    const store = tab()
    await store.open(session as SessionResponse)
    const [job] = store.shelf.all('job')
    expect(job?.fields.note).toBe('Bring the small wrench.')
    const labels = () =>
      store.shelf
        .all('property')
        .map((doc) => doc.fields.label)
        .sort()
    expect(store.useData.getState()).toMatchObject({ pending: phone.queue.length })
    expect(store.useData.getState().refused).toHaveLength(phone.refused.length)
    server.state.reachable = true
    await settled(store)
    expect(server.got.map((operation) => operation.opId)).toEqual(
      phone.queue.map((operation) => operation.opId),
    )
    expect(
      server.got.every((operation) => operation.schema === SCHEMA_VERSION && operation.prior === null),
    ).toBe(true)
    expect(store.useData.getState().pending).toBe(0)
    expect(store.shelf.get('job', job?.id)?.fields.note).toBe('Bring the small wrench.')
    // the first release left a refused house on the screen; the shop does not have it
    expect(labels()).toEqual(['Boat shed', 'Row house of 1987'])
    await store.leave()
  })
})

describe('a phone of the second release', () => {
  it('has what goes in as bodies when it opens: documents, open questions, and every edit it keeps', async () => {
    const { person } = somebody()
    const tub = 'valve.combo.1/2+spout.slip.1/2'
    const doc = (kind: string, id: string, fields: object, more: object = {}) => ({
      ...{
        kind,
        id,
        fields,
        revision: 5,
        removed: false,
        clock: '',
        conflicts: [],
        own: {},
        epoch: 1,
        turn: 1,
      },
      ...more,
    })
    const operation = (opId: string) => ({
      ...{ opId, deviceId: 'old', kind: 'job', id: 'j', base: 5, generation: 'g1', remove: false, schema: 2 },
      patch: { fixtureId: 'closed', note: opId },
      prior: { fixtureId: 'before' },
    })
    const old = await openDB(`diarmos-${person.id}`, 2, {
      upgrade(database) {
        const docs = database.createObjectStore('docs', { keyPath: ['kind', 'id'] })
        docs.createIndex('job', 'fields.jobId')
        docs.createIndex('kind', 'kind')
        database.createObjectStore('queue', { autoIncrement: true }).createIndex('doc', ['kind', 'id'])
        database.createObjectStore('refused', { keyPath: 'operation.opId' })
        database.createObjectStore('meta')
        database.createObjectStore('waiting', { keyPath: 'opId' }).createIndex('doc', ['kind', 'id'])
        database.createObjectStore('acknowledged', { keyPath: 'operation.opId' }).createIndex('at', 'at')
      },
    })
    const conflict = { field: 'fixtureId', theirs: tub, mine: 'closed', opId: 'o', at: '', revision: 4 }
    const server = {
      revision: 5,
      removed: false,
      clock: '',
      fields: { fixtureId: tub },
      conflicts: [conflict],
    }
    await old.put(
      'docs',
      doc('job', 'j', { fixtureId: 'closed' }, { own: { fixtureId: 'q' }, conflicts: [conflict], server }),
    )
    await old.put('docs', doc('job', 'new', { fixtureId: null, title: 'Nothing said' }, { server: null }))
    await old.put('docs', doc('proposal', 'p', { kind: 'job', patch: { fixtureId: tub } }))
    await old.put('docs', doc('point', 'q', { kind: 'tub' }))
    await old.add('queue', operation('q'))
    await old.put('waiting', operation('w'))
    await old.put('refused', { operation: operation('r'), faults: [] })
    await old.put('acknowledged', { operation: operation('a'), at: 1, order: 1 })
    old.close()

    const opened = await openLocal(person.id)
    const bodies = { fixtures: bodiesOf(['closed']) }
    const lifted = { field: 'fixtures', theirs: fixturesOf(tub), mine: bodies.fixtures }
    expect(await opened.get('docs', ['job', 'j'])).toMatchObject({
      fields: bodies,
      own: { fixtures: 'q' },
      conflicts: [lifted],
      server: { fields: { fixtures: fixturesOf(tub) }, conflicts: [lifted] },
    })
    expect(await opened.get('docs', ['job', 'new'])).toMatchObject({ fields: { fixtures: [] }, server: null })
    expect((await opened.get('docs', ['proposal', 'p']))?.fields).toMatchObject({
      patch: { fixtures: fixturesOf(tub) },
    })
    expect((await opened.get('docs', ['point', 'q']))?.fields).toEqual({ kind: 'tub' })
    const kept = [
      ...(await opened.getAll('queue')),
      ...(await opened.getAll('waiting')),
      ...(await opened.getAll('refused')).map((entry) => entry.operation),
      ...(await opened.getAll('acknowledged')).map((entry) => entry.operation),
    ]
    expect(kept.map(({ opId }) => opId)).toEqual(['q', 'w', 'r', 'a'])
    for (const { opId, patch, prior, schema } of kept)
      expect({ patch, prior, schema }).toEqual({
        patch: { ...bodies, note: opId },
        prior: { fixtures: 'before' },
        schema: SCHEMA_VERSION,
      })
    opened.close()
  })
})
