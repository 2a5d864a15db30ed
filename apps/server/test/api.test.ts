import { randomUUID } from 'node:crypto'
import { type EntityKind, entities } from '@diarmos/contract'
import type { z } from 'zod'
import { HOUSES } from '../src/demo/houses'
import { demoId } from '../src/demo/identifiers'
import { loadDemo } from '../src/demo/load'
import { inShop } from '../src/store/database'
import { columnName, columnOf } from '../src/store/schemas'
import { type Harness, HOUSE, harness, operation, sync } from './harness'

let server: Harness
let bram: string
let jory: string

beforeAll(async () => {
  server = await harness()
  bram = await server.signIn('bram@tidewall.example')
  jory = await server.signIn('jory@fennel.example')
})
afterAll(() => server.stop())

const problem = async (response: Response) => {
  expect(response.headers.get('content-type')).toContain('application/problem+json')
  return (await response.json()) as { title: string; faults?: { path: string; message: string }[] }
}

describe('who may come in', () => {
  it('lets nobody in without signing in', async () => {
    expect((await server.post('/api/sync', { since: 0, operations: [] })).status).toBe(401)
    expect((await server.call('/api/session')).status).toBe(401)
  })

  it('does not say whether address or password was wrong, and soon stops answering', async () => {
    const wrong = await server.post('/api/session', { email: 'pip@tidewall.example', password: 'wrong' })
    const nobody = await server.post('/api/session', { email: 'nobody@tidewall.example', password: 'wrong' })
    expect([wrong.status, nobody.status]).toEqual([401, 401])
    expect((await problem(wrong)).title).toBe((await problem(nobody)).title)
    for (let i = 0; i < 4; i++)
      await server.post('/api/session', { email: 'pip@tidewall.example', password: 'wrong' })
    expect(
      (await server.post('/api/session', { email: 'pip@tidewall.example', password: 'wrong' })).status,
    ).toBe(429)
  })

  it('refuses what comes from another site', async () => {
    const body = { since: 0, operations: [] }
    expect((await server.post('/api/sync', body, bram, { origin: 'http://evil.test' })).status).toBe(403)
    expect((await server.post('/api/sync', body, bram, { 'sec-fetch-site': 'cross-site' })).status).toBe(403)
    expect((await server.post('/api/sync', body, bram, { origin: 'http://diarmos.test' })).status).toBe(200)
  })

  it('signs out for good', async () => {
    const cookie = await server.signIn('ines@tidewall.example')
    expect((await server.call('/api/session', { cookie })).status).toBe(200)
    await server.call('/api/session', { method: 'DELETE', cookie })
    expect((await server.call('/api/session', { cookie })).status).toBe(401)
  })

  it('sets a cookie that scripts cannot read, and headers that frame nothing', async () => {
    const response = await server.post('/api/session', {
      email: 'oda@tidewall.example',
      password: 'harbour-demo',
    })
    expect(response.headers.get('set-cookie')).toMatch(/HttpOnly.*SameSite=Lax|SameSite=Lax.*HttpOnly/)
    expect(response.headers.get('content-security-policy')).toContain("default-src 'self'")
    expect(response.headers.get('x-frame-options')).toBe('DENY')
  })
})

describe('shops are apart', () => {
  it('shows each shop its own and nothing else', async () => {
    const own = await sync(server, bram, [])
    const other = await sync(server, jory, [])
    const ids = new Set(own.changes.map((change) => change.id))
    expect(own.changes.length).toBeGreaterThan(50)
    expect(other.changes.length).toBeGreaterThan(5)
    expect(other.changes.some((change) => ids.has(change.id))).toBe(false)
    const jobs = own.changes.filter((change) => change.kind === 'job')
    const points = own.changes.filter((change) => change.kind === 'point')
    const houses = HOUSES.filter(({ shop }) => shop === 'tidewall')
    expect([jobs.length, points.length, own.changes.filter((c) => c.kind === 'property').length]).toEqual([
      houses.flatMap((house) => house.jobs).length,
      houses.flatMap((house) => house.points).length,
      houses.length,
    ])
  })

  it('treats another shop’s id as nothing', async () => {
    const house = demoId('bungalow')
    const stolen = operation({
      kind: 'point',
      id: randomUUID(),
      patch: { propertyId: house, name: 'x', kind: 'basin' },
    })
    const { results } = await sync(server, jory, [stolen])
    expect(results[0]).toMatchObject({ status: 'rejected', faults: [{ path: 'patch.propertyId' }] })
    const edit = operation({ kind: 'property', id: house, patch: { label: 'mine now' } })
    expect((await sync(server, jory, [edit])).results[0]?.status).toBe('rejected')
    const own = await sync(server, bram, [])
    expect(own.changes.find((change) => change.id === house)?.fields.label).toBe('Bungalow of 1956')
    expect((await server.call(`/api/jobs/${demoId('galley-tap')}/file.json`, { cookie: jory })).status).toBe(
      404,
    )
    expect((await server.call(`/api/jobs/${demoId('galley-tap')}/file.json`, { cookie: bram })).status).toBe(
      200,
    )
  })

  it('holds in the database itself, whatever the code asks', async () => {
    const rows = await inShop(server.database, demoId('coldharbour'), (manager) =>
      manager.query('SELECT shop_id FROM property'),
    )
    expect(new Set(rows.map((row: { shop_id: string }) => row.shop_id))).toEqual(
      new Set([demoId('coldharbour')]),
    )
    expect(await server.database.query('SELECT 1 FROM property')).toEqual([])
    await expect(
      inShop(server.database, demoId('coldharbour'), (manager) =>
        manager.query("INSERT INTO shop (id, name) VALUES ($1, 'x')", [randomUUID()]),
      ),
    ).rejects.toThrow(/row-level security/)
    await expect(server.database.query('DROP TABLE job')).rejects.toThrow(/owner|permission/)
  })
})

describe('operations', () => {
  const make = (label = 'Test house') =>
    operation({ kind: 'property', id: randomUUID(), patch: { ...HOUSE, label } })

  it('are applied once, however often they come, also at the same time', async () => {
    const first = make()
    const answers = await Promise.all(Array.from({ length: 5 }, () => sync(server, bram, [first])))
    const statuses = answers.map((answer) => answer.results[0]?.status).sort()
    expect(statuses).toEqual(['applied', 'repeated', 'repeated', 'repeated', 'repeated'])
    const rows = await inShop(server.database, demoId('tidewall'), (m) =>
      m.query('SELECT 1 FROM operation_log WHERE op_id = $1', [first.opId]),
    )
    expect(rows.length).toBe(1)
  })

  it('give every change the next revision, so that a cursor misses none', async () => {
    const before = (await sync(server, bram, [])).cursor
    const many = Array.from({ length: 12 }, () => make())
    const answers = await Promise.all(many.map((one) => sync(server, bram, [one])))
    const revisions = answers.map((answer) => answer.results[0]?.revision ?? 0).sort((a, b) => a - b)
    expect(revisions).toEqual(many.map((_, index) => before + index + 1))
    const after = await sync(server, bram, [], before)
    expect(new Set(after.changes.map((change) => change.id))).toEqual(new Set(many.map((one) => one.id)))
  })

  it('keep both when two phones change the same field from the same beginning, and ask', async () => {
    const house = make()
    const base = (await sync(server, bram, [house])).results[0]?.revision ?? 0
    const mine = operation({
      kind: 'property',
      id: house.id,
      deviceId: 'a',
      base,
      patch: { label: 'From A', note: 'a' },
    })
    const theirs = operation({
      kind: 'property',
      id: house.id,
      deviceId: 'b',
      base,
      patch: { label: 'From B', street: 'b' },
    })
    await sync(server, bram, [mine])
    const answer = await sync(server, bram, [theirs], base)
    expect(answer.results[0]?.status).toBe('conflict')
    const doc = answer.changes.find((change) => change.id === house.id)
    // fields that only one of them touched are both in
    expect(doc?.fields).toMatchObject({ label: 'From A', note: 'a', street: 'b' })
    expect(doc?.conflicts).toMatchObject([{ field: 'label', theirs: 'From A', mine: 'From B' }])
    const settled = operation({
      kind: 'property',
      id: house.id,
      deviceId: 'a',
      base: answer.cursor,
      patch: { label: 'From B' },
    })
    const last = await sync(server, bram, [settled], answer.cursor)
    expect(last.changes[0]).toMatchObject({ fields: { label: 'From B' }, conflicts: [] })
  })

  it('of one phone follow each other without asking', async () => {
    const house = make()
    const edits = ['one', 'two', 'three'].map((label) =>
      operation({ kind: 'property', id: house.id, patch: { label } }),
    )
    const { results, changes } = await sync(server, bram, [house, ...edits])
    expect(results.map((result) => result.status)).toEqual(['applied', 'applied', 'applied', 'applied'])
    expect(changes.find((change) => change.id === house.id)?.fields.label).toBe('three')
  })

  it('take away by a tombstone that reaches every phone', async () => {
    const house = make()
    const base = (await sync(server, bram, [house])).cursor
    const { changes } = await sync(
      server,
      bram,
      [operation({ kind: 'property', id: house.id, remove: true, base })],
      base,
    )
    expect(changes).toMatchObject([{ id: house.id, removed: true, fields: {} }])
  })

  it('erase what is said of a person for good, and bring a document back by undo', async () => {
    const house = make()
    const contact = operation({
      kind: 'contact',
      id: randomUUID(),
      patch: { propertyId: house.id, name: 'Somebody', phone: '555 0101', email: '' },
    })
    const base = (await sync(server, bram, [house, contact])).cursor
    await sync(server, bram, [operation({ kind: 'contact', id: contact.id, remove: true, base })])
    const shop = demoId('tidewall')
    const rows = await inShop(server.database, shop, (m) =>
      m.query('SELECT name, phone FROM contact WHERE id = $1', [contact.id]),
    )
    expect(rows).toEqual([{ name: '', phone: '' }])
    const log = await inShop(server.database, shop, (m) =>
      m.query('SELECT patch FROM operation_log WHERE entity_id = $1', [contact.id]),
    )
    expect(JSON.stringify(log)).not.toContain('Somebody')
    const { cursor } = await sync(server, bram, [
      operation({ kind: 'property', id: house.id, remove: true, base }),
    ])
    const back = operation({ kind: 'property', id: house.id, patch: house.patch, base: cursor })
    const { changes } = await sync(server, bram, [back], cursor)
    expect(changes).toMatchObject([{ id: house.id, removed: false, fields: { label: 'Test house' } }])
  })

  it('leave an apprentice the work and the owner the prices', async () => {
    // the limiter remembers the wrong words above, so the apprentice comes from a fresh server
    const fresh = await harness()
    const pip = await fresh.signIn('pip@tidewall.example')
    const settings = operation({
      kind: 'settings',
      id: demoId('tidewall settings'),
      patch: { name: 'Pip & Co' },
    })
    expect((await sync(fresh, pip, [settings])).results[0]?.status).toBe('proposed')
    expect((await sync(fresh, pip, [make()])).results[0]?.status).toBe('applied')
    await fresh.stop()
  })

  it.each([
    ['text for a number', 'situation', { stubMm: 'long' }, 'patch.stubMm'],
    ['a negative length', 'situation', { stubMm: -5 }, 'patch.stubMm'],
    ['an absurd length', 'situation', { stubMm: 1e12 }, 'patch.stubMm'],
    ['a field that is none', 'property', { ...HOUSE, roof: 'tin' }, 'patch.(whole)'],
    ['an empty name', 'property', { ...HOUSE, label: '   ' }, 'patch.label'],
    ['nothing', 'property', {}, 'patch.label'],
  ])('name the fault in %s, and lose nothing beside it', async (_name, kind, patch, path) => {
    const good = make()
    const bad = operation({ kind: kind as EntityKind, id: randomUUID(), patch })
    const { results } = await sync(server, bram, [bad, good])
    expect(results[0]?.status).toBe('rejected')
    expect(results[0]?.faults.map((fault) => fault.path)).toContain(path)
    expect(results[1]?.status).toBe('applied')
  })
})

describe('bad requests', () => {
  it('are answered in one form', async () => {
    const json = await server.post('/api/sync', '{not json', bram)
    expect(json.status).toBe(400)
    await problem(json)
    const shape = await server.post('/api/sync', { since: -1, operations: [{ opId: 'x' }] }, bram)
    expect(shape.status).toBe(422)
    const { faults } = await problem(shape)
    expect(faults?.map((fault) => fault.path)).toEqual(['since'])
    const large = await server.post(
      '/api/sync',
      JSON.stringify({ since: 0, operations: [], x: 'y'.repeat(1_600_000) }),
      bram,
    )
    expect(large.status).toBe(413)
    expect((await server.call('/api/nothing', { cookie: bram })).status).toBe(404)
    expect((await server.call('/api/jobs/not-an-id/file.json', { cookie: bram })).status).toBe(422)
  })

  it('of the core’s operations name every fault', async () => {
    const response = await server.post(
      '/api/run/identify',
      { observations: [{ id: '1', kind: 'outside', instrument: 'nose', mm: 0 }] },
      bram,
    )
    expect(response.status).toBe(422)
    expect((await problem(response)).faults?.map((fault) => fault.path)).toContain(
      'observations.0.instrument',
    )
  })
})

describe('what is offered', () => {
  it('health, and a description that names every door', async () => {
    expect(await (await server.call('/api/health')).json()).toEqual({ status: 'up' })
    const { paths } = (await (await server.call('/api/openapi.json')).json()) as {
      paths: Record<string, unknown>
    }
    expect(Object.keys(paths)).toEqual(
      expect.arrayContaining(['/api/session', '/api/sync', '/api/run/mate', '/api/jobs/{id}/sheet.pdf']),
    )
  })

  it('a job as a file, without contact data, and as a sheet', async () => {
    const id = demoId('head-basin')
    const file = await (await server.call(`/api/jobs/${id}/file.json`, { cookie: bram })).text()
    expect(JSON.parse(file)).toMatchObject({ format: 'diarmos-job/2' })
    expect(file).not.toContain('Brandywater')
    // of this job alone, in the order in which the shop heard of it
    const { documents } = JSON.parse(file) as {
      documents: Record<string, { jobId: string; revision: number }[]>
    }
    const rows = Object.values(documents).flat()
    expect(rows.length).toBeGreaterThan(10)
    expect(rows.every(({ jobId }) => jobId === id)).toBe(true)
    for (const list of Object.values(documents))
      expect(list.map(({ revision }) => revision)).toEqual(
        list.map(({ revision }) => revision).sort((x, y) => x - y),
      )
    const moved = await (
      await server.call(`/api/jobs/${demoId('wash-move')}/file.json`, { cookie: bram })
    ).json()
    expect((moved as { documents: { dimension: unknown[] } }).documents.dimension).toMatchObject([
      { entered: '31 5/16', mm: 795.3375, to: expect.stringMatching(/centre$/), withdrawn: false },
    ])
    // with pieces that are cut, and with a fixture of several ends
    for (const job of ['wash-move', 'tub-valve']) {
      const other = await server.call(`/api/jobs/${demoId(job)}/sheet.pdf`, { cookie: bram })
      expect(other.status).toBe(200)
    }
    const sheet = await server.call(`/api/jobs/${id}/sheet.pdf`, { cookie: bram })
    expect(
      Buffer.from(await sheet.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-')
  })
})

describe('the store', () => {
  it('has the columns that the contract declares', async () => {
    for (const kind of Object.keys(entities) as EntityKind[]) {
      const rows = (await server.database.query(
        "SELECT column_name, data_type, is_nullable FROM information_schema.columns WHERE table_name = $1 AND table_schema = 'public'",
        [kind],
      )) as { column_name: string; data_type: string; is_nullable: string }[]
      for (const [field, schema] of Object.entries(entities[kind].shape)) {
        const column = columnOf(field, schema as z.ZodType)
        const found = rows.find((row) => row.column_name === columnName(field))
        const type = found?.data_type === 'timestamp with time zone' ? 'timestamptz' : found?.data_type
        expect([kind, field, type, found?.is_nullable]).toEqual([
          kind,
          field,
          column.type,
          column.nullable ? 'YES' : 'NO',
        ])
      }
    }
  })

  it('can be loaded with the demo twice without doubling', async () => {
    const before = (await sync(server, jory, [])).cursor
    await loadDemo(server.database)
    expect((await sync(server, jory, [])).cursor).toBe(before)
  })
})
