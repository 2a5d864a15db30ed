import { randomUUID } from 'node:crypto'
import { DataSource } from 'typeorm'
import { demoId } from '../src/demo/identifiers'
import { inShop, MIGRATIONS, openDatabase } from '../src/store/database'
import { OWNER, urlFor } from '../src/store/provision'
import { type Harness, HOUSE, harness, operation, sync } from './harness'

let server: Harness
let bram: string

beforeAll(async () => {
  server = await harness()
  bram = await server.signIn('bram@tidewall.example')
})
afterAll(() => server.stop())

describe('a phone that was away for long', () => {
  it('gets everything, page by page, in order, nothing twice', async () => {
    const many = Array.from({ length: 410 }, (_, index) =>
      operation({ kind: 'property', id: randomUUID(), patch: { ...HOUSE, label: `House ${index}` } }),
    )
    for (let from = 0; from < many.length; from += 200) await sync(server, bram, many.slice(from, from + 200))
    const seen: string[] = []
    let cursor = 0
    let pages = 0
    for (let more = true; more; pages++) {
      const answer = await sync(server, bram, [], cursor)
      const revisions = answer.changes.map((change) => change.revision)
      expect(revisions).toEqual([...revisions].sort((a, b) => a - b))
      seen.push(...answer.changes.map((change) => `${change.kind} ${change.id}`))
      ;({ cursor, more } = answer)
    }
    expect(pages).toBeGreaterThan(1)
    expect(new Set(seen).size).toBe(seen.length)
    for (const { id } of many) expect(seen).toContain(`property ${id}`)
  })

  it('may not send more than a batch at once', async () => {
    const id = randomUUID()
    const operations = Array.from({ length: 201 }, () =>
      operation({ kind: 'property', id, patch: { note: 'x' } }),
    )
    const response = await server.post('/api/sync', { since: 0, operations }, bram)
    expect(response.status).toBe(422)
  })
})

describe('sessions', () => {
  it('end when their time is over', async () => {
    const cookie = await server.signIn('oda@tidewall.example')
    expect((await server.call('/api/session', { cookie })).status).toBe(200)
    await inShop(server.database, demoId('tidewall'), (manager) =>
      manager.query("UPDATE session SET expires_at = now() - interval '1 second' WHERE person_id = $1", [
        demoId('oda@tidewall.example'),
      ]),
    )
    expect((await server.call('/api/session', { cookie })).status).toBe(401)
    expect((await server.post('/api/sync', { since: 0, operations: [] }, cookie)).status).toBe(401)
  })

  it('are kept as a hash only', async () => {
    const cookie = await server.signIn('ines@tidewall.example')
    const token = cookie.split('=')[1] ?? ''
    const rows = await inShop(server.database, demoId('tidewall'), (manager) =>
      manager.query("SELECT encode(token_hash, 'escape') AS hash FROM session"),
    )
    expect(JSON.stringify(rows)).not.toContain(token)
  })
})

describe('the schema', () => {
  it('can be taken down and put up again, and starting twice changes nothing', async () => {
    const roles = { ...server.roles, database: `${server.roles.database}_again` }
    const first = await openDatabase(roles, { pool: 2 })
    await first.destroy()
    const second = await openDatabase(roles, { pool: 2 })
    expect(await second.query('SELECT count(*)::int AS n FROM migrations')).toEqual([
      { n: MIGRATIONS.length },
    ])
    await second.destroy()
    const owner = new DataSource({
      type: 'postgres',
      url: urlFor(roles, OWNER),
      migrations: [...MIGRATIONS],
    })
    await owner.initialize()
    for (const _ of MIGRATIONS) await owner.undoLastMigration()
    const tables =
      "SELECT count(*)::int AS n FROM information_schema.tables WHERE table_schema = 'public' AND table_name <> 'migrations'"
    expect(await owner.query(tables)).toEqual([{ n: 0 }])
    await owner.runMigrations()
    expect((await owner.query(tables))[0].n).toBe(21)
    await owner.destroy()
  })
})
