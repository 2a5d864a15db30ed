import { randomUUID } from 'node:crypto'
import { demoId } from '../src/demo/identifiers'
import { inShop } from '../src/store/database'
import { eraseOld } from '../src/store/removed'
import { type Harness, harness, operation, sync } from './harness'

let server: Harness
let bram: string
let jory: string
const HOUSE = demoId('bungalow')
beforeAll(async () => {
  server = await harness()
  bram = await server.signIn('bram@tidewall.example')
  jory = await server.signIn('jory@fennel.example')
})
afterAll(() => server.stop())

const get = async <T>(where: string, cookie = bram) => {
  const answer = await server.call(where, { cookie })
  return { status: answer.status, body: (await answer.json()) as T }
}
interface Page {
  readonly jobs: { id: string; title: string; state: string; openedAt: string }[]
  readonly next: string | null
}

describe('jobs by page and word', () => {
  it('come once each, the newest first, however many come or go between two pages', async () => {
    const { changes } = await sync(server, bram, [])
    const point = changes.find((change) => change.kind === 'point' && change.fields.propertyId === HOUSE)
    const job = (n: number) =>
      operation({
        kind: 'job',
        id: randomUUID(),
        patch: {
          propertyId: HOUSE,
          pointId: point?.id,
          title: `Paged ${n}`,
          state: n % 2 ? 'open' : 'closed',
          fixtures: [],
          // two at each moment: the id decides
          openedAt: new Date(Date.UTC(2026, 9, 1 + Math.floor(n / 2))).toISOString(),
          closedAt: n % 2 ? null : '2026-11-01T00:00:00.000Z',
          note: '',
        },
      })
    await sync(
      server,
      bram,
      Array.from({ length: 25 }, (_, n) => job(n)),
    )
    const seen: Page['jobs'] = []
    let after = ''
    for (let page = 0; page < 20; page++) {
      const { body } = await get<Page>(`/api/jobs?limit=4&q=paged${after && `&after=${after}`}`)
      seen.push(...body.jobs)
      // somebody opens one meanwhile: it stands before all pages
      await sync(server, bram, [{ ...job(60), opId: randomUUID(), id: randomUUID() }])
      if (!body.next) break
      after = body.next
    }
    expect(seen).toHaveLength(25)
    expect(new Set(seen.map((entry) => entry.id)).size).toBe(25)
    const keys = seen.map((entry) => `${entry.openedAt} ${entry.id}`)
    expect(keys).toEqual([...keys].sort().reverse())
  })

  it('are found by every word of title, point or house, and by nothing that only looks like one', async () => {
    const titles = async (q: string, state = 'all') =>
      (await get<Page>(`/api/jobs?q=${encodeURIComponent(q)}&state=${state}`)).body.jobs.map(
        (job) => job.title,
      )
    expect((await titles('bungalow paged 3')).sort()).toEqual(
      expect.arrayContaining(['Paged 3', 'Paged 13', 'Paged 23']),
    )
    expect(await titles('paged 3', 'closed')).toEqual([])
    expect(await titles('%')).toEqual([])
    expect(await titles('_aged')).toEqual([])
    expect(await titles('nothing of the kind')).toEqual([])
  })

  it('are those of one’s own shop, and a place in no list is a fault', async () => {
    expect((await get<Page>('/api/jobs?q=paged', jory)).body.jobs).toEqual([])
    expect((await get<Page>('/api/jobs?after=x')).status).toBe(422)
    expect((await get<Page>('/api/jobs?limit=0')).status).toBe(422)
  })
})

describe('a fresh phone', () => {
  it('gets the open jobs with all that belongs to them, as a sync would', async () => {
    const { body } = await get<{ changes: Awaited<ReturnType<typeof sync>>['changes'] }>('/api/day', jory)
    const all = (await sync(server, jory, [])).changes
    for (const change of body.changes) expect(all).toContainEqual(change)
    const job = body.changes.find((change) => change.kind === 'job')
    expect(body.changes.filter((change) => change.fields.jobId === job?.id).length).toBeGreaterThan(2)
    expect(body.changes.some((change) => change.kind === 'contact')).toBe(false)
  })

  it('gets no closed job, no removed one, nothing of theirs, and of very many the latest', async () => {
    const { changes } = await sync(server, jory, [])
    const point = changes.find((change) => change.kind === 'point')
    const propertyId = point?.fields.propertyId
    const job = (n: number, state = 'open') =>
      operation({
        kind: 'job',
        id: randomUUID(),
        patch: {
          propertyId,
          pointId: point?.id,
          title: `Day ${n}`,
          state,
          fixtures: [],
          openedAt: new Date(Date.UTC(2031, 0, 1 + n)).toISOString(),
          closedAt: state === 'open' ? null : '2031-12-01T00:00:00.000Z',
          note: '',
        },
      })
    const [closed, removed, open] = [job(200, 'closed'), job(201), job(202)]
    const visits = [closed, removed, open].map(({ id }) =>
      operation({
        kind: 'visit',
        id: randomUUID(),
        patch: {
          jobId: id,
          personId: demoId('jory@fennel.example'),
          startedAt: '2031-01-01T08:00:00.000Z',
          endedAt: null,
        },
      }),
    )
    const put = await sync(server, jory, [closed, removed, open, ...visits])
    await sync(server, jory, [operation({ kind: 'job', id: removed.id, base: put.cursor, remove: true })])
    await sync(
      server,
      jory,
      Array.from({ length: 99 }, (_, n) => job(n)),
    )
    const day = async () =>
      (await get<{ changes: Awaited<ReturnType<typeof sync>>['changes'] }>('/api/day', jory)).body.changes
    const first = await day()
    const ids = first.map((change) => change.id)
    expect(ids).toContain(open.id)
    expect(ids).not.toContain(closed.id)
    expect(ids).not.toContain(removed.id)
    expect(visits.map(({ id }) => ids.includes(id))).toEqual([false, false, true])
    // a hundred at most: the oldest stay for the stream
    const jobs = first.filter((change) => change.kind === 'job')
    expect(jobs).toHaveLength(100)
    expect(jobs.every((change) => String(change.fields.title).startsWith('Day'))).toBe(true)
    await sync(server, jory, [job(300)])
    expect((await day()).filter((change) => change.fields.title === 'Day 0')).toEqual([])
    const { cursor } = await sync(server, jory, [])
    await sync(server, jory, [operation({ kind: 'job', id: removed.id, base: cursor, patch: {} })])
  })
})

describe('what was removed', () => {
  it('is listed for thirty days, comes back by an edit of nothing, and contacts are erased after', async () => {
    const id = randomUUID()
    const contact = randomUUID()
    const house = { label: 'Gone', street: '', town: '', era: 'unknown', region: 'unknown', note: '' }
    const { cursor: base } = await sync(server, jory, [
      operation({ kind: 'property', id, patch: house }),
      operation({
        kind: 'contact',
        id: contact,
        patch: { propertyId: id, name: 'Somebody', phone: '', email: '' },
      }),
    ])
    await sync(server, jory, [operation({ kind: 'property', id, base, remove: true })])
    const listed = async () =>
      (await get<{ removed: { id: string; name: string }[] }>('/api/removed', jory)).body.removed
    expect(await listed()).toMatchObject([{ id, name: 'Gone' }])
    // the latest first, whatever kind they are of
    const later = randomUUID()
    const { cursor: made } = await sync(server, jory, [
      operation({ kind: 'property', id: later, patch: { ...house, label: 'Gone after' } }),
    ])
    await sync(server, jory, [operation({ kind: 'property', id: later, base: made, remove: true })])
    expect((await listed()).map(({ name }) => name)).toEqual(['Gone after', 'Gone'])
    const another = randomUUID()
    const basin = randomUUID()
    const { cursor: kept } = await sync(server, jory, [
      operation({ kind: 'property', id: another, patch: { ...house, label: 'Stays' } }),
      operation({
        kind: 'point',
        id: basin,
        patch: { propertyId: another, name: 'Basin that went last', kind: 'basin' },
      }),
    ])
    await sync(server, jory, [operation({ kind: 'point', id: basin, base: kept, remove: true })])
    expect((await listed()).map(({ name }) => name)).toEqual(['Basin that went last', 'Gone after', 'Gone'])
    const { cursor: went } = await sync(server, jory, [])
    await sync(server, jory, [operation({ kind: 'point', id: basin, base: went, patch: {} })])
    const { cursor: now } = await sync(server, jory, [])
    await sync(server, jory, [operation({ kind: 'property', id: later, base: now, patch: {} })])
    const { cursor } = await sync(server, jory, [])
    const back = await sync(
      server,
      jory,
      [operation({ kind: 'property', id, base: cursor, patch: {} })],
      cursor,
    )
    expect(back.changes.map((change) => change.removed)).toEqual([false, false])
    expect(await listed()).toEqual([])

    await sync(server, jory, [operation({ kind: 'property', id, base: back.cursor, remove: true })])
    const name = () =>
      inShop(server.database, demoId('coldharbour'), (manager) =>
        manager.query('SELECT name FROM contact WHERE id = $1', [contact]),
      )
    await eraseOld(server.database)
    expect(await name()).toEqual([{ name: 'Somebody' }])
    // five weeks later
    const { Client } = jest.requireActual('pg') as typeof import('pg')
    const admin = new Client({
      connectionString: server.roles.adminUrl.replace(/\/postgres$/, `/${server.roles.database}`),
    })
    await admin.connect()
    await admin.query("UPDATE operation_log SET server_at = now() - interval '35 days'")
    await admin.end()
    await eraseOld(server.database)
    expect(await name()).toEqual([{ name: '' }])
    expect(await listed()).toEqual([])
  })
})

describe('pictures', () => {
  it('go in with their document and come out at their own address, of the own shop alone', async () => {
    const { changes, cursor } = await sync(server, bram, [])
    const job = changes.find((change) => change.kind === 'job')
    const bytes = Buffer.from('89504e470d0a1a0a00ff', 'hex')
    const id = randomUUID()
    const patch = {
      jobId: job?.id,
      lineId: null,
      name: 'Behind the plate',
      mediaType: 'image/png',
      content: bytes.toString('base64'),
      takenAt: '2026-11-02T08:00:00.000Z',
    }
    const put = await sync(server, bram, [operation({ kind: 'attachment', id, patch })], cursor)
    expect(put.results.map((result) => result.status)).toEqual(['applied'])
    const [told] = put.changes
    // what a phone of before does not say is as it was left
    expect(told?.fields).toEqual({ ...patch, about: 'left', content: '' })
    const answer = await server.call(`/api/pictures/${id}`, { cookie: bram })
    expect(answer.headers.get('content-type')).toBe('image/png')
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff')
    expect(Buffer.from(await answer.arrayBuffer()).equals(bytes)).toBe(true)

    const status = async (at: string, cookie?: string) =>
      (await server.call(`/api/pictures/${at}`, cookie ? { cookie } : {})).status
    expect(await status(id, jory)).toBe(404)
    expect(await status(id)).toBe(401)
    expect(await status('none', bram)).toBe(422)
    await sync(
      server,
      bram,
      [operation({ kind: 'attachment', id, base: put.cursor, remove: true })],
      put.cursor,
    )
    expect(await status(id, bram)).toBe(404)
  })
})
