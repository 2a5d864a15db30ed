import { randomUUID } from 'node:crypto'
import { ENTITY_KINDS, type EntityKind } from '@diarmos/contract'
import { demoId } from '../src/demo/identifiers'
import { inShop } from '../src/store/database'
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

const everything = async (cookie: string) => {
  const all: { kind: EntityKind; id: string; fields: Record<string, unknown> }[] = []
  for (let since = 0, more = true; more; ) {
    const answer = await sync(server, cookie, [], since)
    all.push(...answer.changes)
    since = answer.cursor
    more = answer.more
  }
  return all
}

// people of another shop are another fault than its places
const nobodys = (fields: Record<string, unknown>) => ({
  ...fields,
  ...('confirmedBy' in fields ? { confirmedBy: null } : {}),
  ...('closedBy' in fields ? { closedBy: null } : {}),
})

describe('two shops on one server', () => {
  it('share no document', async () => {
    const [a, b] = await Promise.all([everything(bram), everything(jory)])
    expect(a.length).toBeGreaterThan(50)
    expect(b.length).toBeGreaterThan(5)
    const mine = new Set(a.map((doc) => doc.id))
    expect(b.filter((doc) => mine.has(doc.id))).toEqual([])
  })

  it.each(ENTITY_KINDS)(
    '%s: nobody edits, takes away or overwrites another shop’s by its id',
    async (kind) => {
      const theirs = (await everything(bram)).find((doc) => doc.kind === kind)
      if (!theirs) {
        // the demo holds none: then there is nothing to steal
        expect(['attachment', 'visit', 'contact', 'proposal']).toContain(kind)
        return
      }
      const refers = Object.keys(theirs.fields).some((name) => /^(property|point|line|job)Id$/.test(name))
      const attempts = [
        operation({ kind, id: theirs.id, remove: true, base: 1_000_000 }),
        operation({ kind, id: theirs.id, patch: {}, base: 1_000_000 }),
        // a whole copy that refers to nothing would only make a document of one's own
        ...(refers
          ? [operation({ kind, id: theirs.id, patch: nobodys(theirs.fields), base: 1_000_000 })]
          : []),
      ]
      const { results } = await sync(server, jory, attempts)
      expect(results.map((result) => result.status)).toEqual(attempts.map(() => 'rejected'))
      const still = (await everything(bram)).find((doc) => doc.id === theirs.id)
      expect(still?.fields).toEqual(theirs.fields)
      // proposals are written by the server alone
      const where = kind === 'proposal' ? /^id$/ : /^patch\.\w+Id$/
      if (refers) expect(results[2]?.faults[0]?.path).toMatch(where)
    },
  )

  it('are kept apart by the database in every table, also where the code forgets', async () => {
    const tables = (await server.database.query(
      "SELECT c.relname AS name, c.relrowsecurity AS on, c.relforcerowsecurity AS forced FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace WHERE n.nspname = 'public' AND c.relkind = 'r' AND c.relname NOT IN ('migrations', 'store', 'invitation')",
    )) as { name: string; on: boolean; forced: boolean }[]
    expect(tables.length).toBeGreaterThan(15)
    for (const table of tables) expect([table.name, table.on]).toEqual([table.name, true])
    for (const { name } of tables.filter((table) => table.name !== 'shop')) {
      const seen = await inShop(server.database, demoId('coldharbour'), (manager) =>
        manager.query(`SELECT DISTINCT shop_id FROM "${name}"`),
      )
      for (const row of seen as { shop_id: string }[])
        expect([name, row.shop_id]).toEqual([name, demoId('coldharbour')])
    }
  })

  it('cannot write a row into the other, whatever the code asks', async () => {
    await expect(
      inShop(server.database, demoId('coldharbour'), (manager) =>
        manager.query('UPDATE property SET label = $1 WHERE shop_id = $2', ['mine', demoId('tidewall')]),
      ),
    ).resolves.toEqual([[], 0])
    await expect(
      inShop(server.database, demoId('coldharbour'), (manager) =>
        manager.query('INSERT INTO operation_log (shop_id, op_id) VALUES ($1, $2)', [
          demoId('tidewall'),
          randomUUID(),
        ]),
      ),
    ).rejects.toThrow(/row-level security|null value/)
  })

  it('a failing operation between good ones takes neither with it', async () => {
    const good = [1, 2].map((n) =>
      operation({ kind: 'property', id: randomUUID(), patch: { ...HOUSE, label: `House ${n}` } }),
    )
    const stolen = operation({
      kind: 'point',
      id: randomUUID(),
      patch: { propertyId: demoId('bungalow'), name: 'x', kind: 'basin' },
    })
    const { results } = await sync(server, jory, [good[0], stolen, good[1]])
    expect(results.map((result) => result.status)).toEqual(['applied', 'rejected', 'applied'])
  })
})

describe('what comes from nobody we know', () => {
  it.each([
    ['an empty body', ''],
    ['a list', '[]'],
    ['a number', '7'],
    ['half a document', '{"since":0,"operations":['],
    ['a text for a number', '{"since":"zero","operations":[]}'],
    ['nothing at all but nested', `${'['.repeat(5000)}${']'.repeat(5000)}`],
  ])('%s is answered by naming the fault, never by 500', async (_name, body) => {
    const response = await server.post('/api/sync', body, bram)
    expect([400, 422]).toContain(response.status)
    const told = (await response.json()) as { title: string; faults: { path: string }[] }
    expect(told.title).not.toBe('')
    expect(told.faults.length).toBeGreaterThan(0)
  })

  it.each([
    ['a forged cookie', 'diarmos=abc'],
    ['a very long cookie', `diarmos=${'x'.repeat(4000)}`],
    ['no cookie of ours', 'other=1'],
  ])('%s gets nobody in', async (_name, cookie) =>
    expect((await server.call('/api/session', { cookie })).status).toBe(401),
  )

  it('core operations refuse oversized requests and unknown names', async () => {
    const looks = Array.from({ length: 61 }, (_, index) => ({
      id: String(index),
      kind: 'sign',
      sign: 'magnet',
      answer: 'holds',
    }))
    const many = await server.post('/api/run/identify', { observations: looks }, bram)
    expect(many.status).toBe(422)
    expect(((await many.json()) as { faults: { path: string }[] }).faults[0]?.path).toBe('observations')
    expect((await server.post('/api/run/dig', {}, bram)).status).toBe(404)
  })
})
