import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { type FieldConflict, type OperationRecord, REMOVAL, stampOf } from '@diarmos/contract'
import { demoId } from '../src/demo/identifiers'
import { dayOf } from '../src/store/changes'
import { openDatabase } from '../src/store/database'
import { type Harness, HOUSE, harness, operation, sync } from './harness'

let server: Harness
let bram: string
let pip: string
let oda: string
beforeAll(async () => {
  server = await harness('people')
  bram = await server.signIn('bram@tidewall.example')
  pip = await server.signIn('pip@tidewall.example')
  oda = await server.signIn('oda@tidewall.example')
})
afterAll(() => server.stop())

/** A device that names its own edits, as the application does. */
function device(name: string) {
  let clock = Date.parse('2026-11-22T08:00:00Z')
  return (patch: Partial<OperationRecord> & Pick<OperationRecord, 'kind' | 'id'>) =>
    operation({ deviceId: name, prior: {}, clock: stampOf(new Date(++clock).toISOString(), name), ...patch })
}
const a = device('phone-a')
const b = device('phone-b')
const house = (label = 'Test house', make = a) =>
  make({ kind: 'property', id: randomUUID(), patch: { ...HOUSE, label } })

/** What the phone of each person holds: it asks only for what came since. */
const phones = new Map<
  string,
  { held: Map<string, Awaited<ReturnType<typeof sync>>['changes'][number]>; cursor: number }
>()
async function everything(cookie = bram) {
  const phone = phones.get(cookie) ?? { held: new Map(), cursor: 0 }
  phones.set(cookie, phone)
  for (let more = true; more; ) {
    const answer = await sync(server, cookie, [], phone.cursor)
    for (const change of answer.changes) phone.held.set(change.id, change)
    phone.cursor = answer.cursor
    more = answer.more
  }
  return { ...phone }
}
const one = async (id: string) => (await everything()).held.get(id)
const send = async (operations: readonly unknown[], cookie = bram) => {
  const answer = await sync(server, cookie, operations, (await everything()).cursor)
  return { ...answer, statuses: answer.results.map((result) => result.status) }
}

describe('a pull', () => {
  it('misses no edit, however writers and readers come between each other', async () => {
    // whole in bench/sync.ts: 5000
    const EDITS = 250
    const SETTINGS = demoId('tidewall settings')
    const acknowledged = new Set<string>()
    let writing = 6
    const write = async (writer: number) => {
      const make = device(`writer-${writer}`)
      for (let n = 0; n < EDITS / 6; n++) {
        // kinds that are read first and last: whoever reads one table after another loses here
        const first = house(`House ${n}`, make)
        const last = make({ kind: 'settings', id: SETTINGS, patch: { name: `Shop ${n}` } })
        const { results } = await sync(server, pip, [first, last], 1_000_000_000)
        expect(results.map((result) => result.status)).toEqual(['applied', 'proposed'])
        acknowledged.add(first.id).add(last.opId)
      }
      writing--
    }
    const read = async () => {
      const seen = new Set<string>()
      let cursor = 0
      for (let idle = 0; idle < 2; ) {
        const answer = await sync(server, bram, [], cursor)
        for (const change of answer.changes) seen.add(change.id)
        cursor = answer.cursor
        if (writing === 0 && !answer.more) idle++
      }
      return seen
    }
    const [readers] = await Promise.all([
      Promise.all([1, 2, 3, 4].map(read)),
      ...[1, 2, 3, 4, 5, 6].map(write),
    ])
    expect(acknowledged.size).toBeGreaterThanOrEqual(EDITS)
    for (const seen of readers) expect([...acknowledged].filter((id) => !seen.has(id))).toEqual([])
  })
})

describe('a page', () => {
  it('is full before there is another, and the pages together are everything once', async () => {
    // a page holds 400 documents
    const before = await everything()
    const made = Array.from({ length: 401 }, (_, n) => house(`Paged ${n}`))
    for (let n = 0; n < made.length; n += 60) await sync(server, bram, made.slice(n, n + 60), 1_000_000_000)
    const first = await sync(server, bram, [], before.cursor)
    expect([first.changes.length, first.more]).toEqual([400, true])
    const second = await sync(server, bram, [], first.cursor)
    expect([second.changes.length, second.more]).toEqual([1, false])
    expect([...first.changes, ...second.changes].map(({ id }) => id)).toEqual(made.map(({ id }) => id))
    const exact = await sync(server, bram, [], first.changes[0]?.revision)
    expect([exact.changes.length, exact.more]).toEqual([400, false])
  })
})

describe('what stays as it is', () => {
  it('a line stays at its point, though it may be said again', async () => {
    const made = house()
    const [point, other] = ['Basin', 'Tub'].map((name) =>
      a({ kind: 'point', id: randomUUID(), patch: { propertyId: made.id, name, kind: 'basin' } }),
    )
    const line = a({ kind: 'line', id: randomUUID(), patch: { pointId: point?.id, service: 'hot' } })
    await send([made, point, other, line])
    const say = async (pointId: unknown) =>
      send([a({ kind: 'line', id: line.id, base: (await everything()).cursor, patch: { pointId } })])
    expect((await say(point?.id)).statuses).toEqual(['applied'])
    const { results } = await say(other?.id)
    expect(results[0]).toMatchObject({
      status: 'rejected',
      faults: [{ path: 'patch.pointId', message: 'a line stays at its point' }],
    })
  })

  it('what is removed can be removed again, and what never was cannot', async () => {
    const made = house()
    await send([made])
    const remove = () =>
      send([a({ kind: 'property', id: made.id, base: 1_000_000_000 - 1, prior: null, remove: true })])
    await remove()
    const { revision } = (await one(made.id)) ?? {}
    expect((await send([a({ kind: 'property', id: made.id, remove: true })])).results[0]).toMatchObject({
      opId: expect.any(String),
      status: 'applied',
    })
    expect((await one(made.id))?.removed).toBe(true)
    expect((await one(made.id))?.revision).toBeGreaterThanOrEqual(revision ?? 0)
    const never = await send([a({ kind: 'property', id: randomUUID(), remove: true })])
    expect(never.results[0]).toMatchObject({
      status: 'rejected',
      faults: [{ path: 'id', message: 'there is no such property' }],
    })
  })

  it('an old device knows what it sent itself, in its own order, and nothing of others', async () => {
    const made = house('First', (patch) => a({ ...patch, prior: null }))
    await send([made])
    const base = (await one(made.id))?.revision ?? 0
    const stamp = (second: number) => stampOf(`2026-11-23T08:00:0${second}.000Z`, 'phone-a')
    const say = (label: string, clock: string, deviceId = 'phone-a') =>
      send([a({ kind: 'property', id: made.id, base, prior: null, deviceId, clock, patch: { label } })])
    // one after the other, and one of the same moment: seen
    await say('Second', stamp(2))
    await say('Third', stamp(2))
    expect((await one(made.id))?.conflicts).toEqual([])
    // its own earlier edit comes late: it had not seen the later ones
    await say('Late', stamp(1))
    expect((await one(made.id))?.conflicts).toMatchObject([{ field: 'label' }])
  })
})

describe('one bad edit', () => {
  // as text, since what is nested so deep cannot be written out again
  const DEEP = `${'{"deeper":'.repeat(6000)}1${'}'.repeat(6000)}`
  it.each([
    ['NUL in text', { ...HOUSE, note: 'a\u0000b' }, 'patch.note'],
    ['half a character', { ...HOUSE, note: 'a\ud83d' }, 'patch.note'],
    ['half a character in a name', { ...HOUSE, '\ude00': 1 }, 'patch'],
    ['nesting 6000 deep', { ...HOUSE, note: 'DEEP' }, 'patch.note'],
    ['a field that is none', { ...HOUSE, roof: 'tin' }, 'patch.(whole)'],
  ])('%s is refused alone, with its fault', async (_name, patch, at) => {
    const [first, bad, last] = [house(), a({ kind: 'property', id: randomUUID(), patch }), house()]
    const body = JSON.stringify({ since: 1_000_000, operations: [first, bad, last] }).replace('"DEEP"', DEEP)
    const answer = await server.post('/api/sync', body, bram)
    const { results } = (await answer.json()) as Awaited<ReturnType<typeof sync>>
    expect(results.map((result) => result.status)).toEqual(['applied', 'rejected', 'applied'])
    expect(results[1]?.faults[0]?.path).toBe(at)
  })

  it.each([
    ['no operation at all', 7],
    ['nothing', null],
    ['an unknown kind', { ...house(), kind: 'spaceship' }],
    ['an id that is none', { ...house(), id: 'x' }],
    ['a version before the first', { ...house(), schema: 0 }],
    ['a moment that is none', { ...house(), at: 'yesterday' }],
  ])('%s takes none with it', async (_name, bad) => {
    const { statuses } = await send([house(), bad, house()])
    expect(statuses).toEqual(['applied', 'rejected', 'applied'])
  })

  it('of a newer version is put off, not refused', async () => {
    const { results } = await send([{ ...house(), schema: 99 }])
    expect(results[0]).toMatchObject({ status: 'later', faults: [{ path: 'schema' }] })
  })
})

describe('conflicts ask', () => {
  const changedTwice = async () => {
    const made = house()
    const base = (await send([made])).cursor
    const first = b({ kind: 'property', id: made.id, base, patch: { label: 'From B' } })
    await send([first])
    const { statuses } = await send([a({ kind: 'property', id: made.id, base, patch: { label: 'From A' } })])
    expect(statuses).toEqual(['conflict'])
    return { made, base, first }
  }
  const open = async (id: string) => ((await one(id))?.conflicts ?? []) as FieldConflict[]

  it('a stale value that equals the present one settles nothing', async () => {
    const { made, base } = await changedTwice()
    const stale = device('phone-c')({
      kind: 'property',
      id: made.id,
      base,
      patch: { label: 'From B' },
    })
    await send([stale])
    expect(await open(made.id)).toMatchObject([{ field: 'label', theirs: 'From B', mine: 'From A' }])
  })

  it('who has not seen the question cannot settle it, who has can', async () => {
    const { made, base, first } = await changedTwice()
    // the phone that wrote the value goes on writing, and has not heard of the question
    await send([
      b({
        kind: 'property',
        id: made.id,
        base,
        prior: { label: first.opId },
        patch: { label: 'From B again' },
      }),
    ])
    expect(await open(made.id)).toMatchObject([{ theirs: 'From B again', mine: 'From A' }])
    const { cursor } = await everything()
    await send([a({ kind: 'property', id: made.id, base: cursor, patch: { label: 'Settled' } })])
    expect(await open(made.id)).toEqual([])
    expect((await one(made.id))?.fields.label).toBe('Settled')
  })

  it('a removal that had not seen an edit leaves it, and asks; one that has takes it', async () => {
    const made = house()
    const base = (await send([made])).cursor
    await send([b({ kind: 'property', id: made.id, base, patch: { note: 'key under the pot' } })])
    const blind = await send([
      a({ kind: 'property', id: made.id, base, prior: { label: made.opId }, remove: true }),
    ])
    expect(blind.statuses).toEqual(['conflict'])
    expect(await one(made.id)).toMatchObject({ removed: false, fields: { note: 'key under the pot' } })
    expect(await open(made.id)).toMatchObject([{ field: REMOVAL, theirs: false, mine: true }])
    // an edit of something else leaves the question open; one of nothing says: keep it
    const { cursor } = await everything()
    await send([a({ kind: 'property', id: made.id, base: cursor, patch: { label: 'Still here' } })])
    expect(await open(made.id)).toHaveLength(1)
    await send([a({ kind: 'property', id: made.id, base: (await everything()).cursor, patch: {} })])
    expect(await open(made.id)).toEqual([])
    await send([a({ kind: 'property', id: made.id, base: (await everything()).cursor, remove: true })])
    expect(await one(made.id)).toMatchObject({ removed: true, conflicts: [] })
  })

  it('an edit that had not seen a removal brings it back, and asks', async () => {
    const made = house()
    const base = (await send([made])).cursor
    await send([a({ kind: 'property', id: made.id, base, remove: true })])
    await send([b({ kind: 'property', id: made.id, base, patch: { note: 'gate code' } })])
    expect(await one(made.id)).toMatchObject({ removed: false, fields: { note: 'gate code' } })
    expect(await open(made.id)).toMatchObject([{ field: REMOVAL, theirs: true, mine: false }])
  })

  it('a base from the future counts as having seen nothing', async () => {
    const made = house()
    await send([made])
    const { statuses } = await send([
      b({ kind: 'property', id: made.id, base: 1_000_000_000, patch: { label: 'From tomorrow' } }),
    ])
    expect(statuses).toEqual(['conflict'])
    expect((await one(made.id))?.fields.label).toBe('Test house')
  })

  it('a device that was put back asks about what it wrote later itself', async () => {
    const made = house()
    const base = (await send([made])).cursor
    await send([a({ kind: 'property', id: made.id, base, patch: { label: 'Written, then forgotten' } })])
    const { statuses } = await send([
      a({ kind: 'property', id: made.id, base, patch: { label: 'From the backup' } }),
    ])
    expect(statuses).toEqual(['conflict'])
    expect((await one(made.id))?.fields.label).toBe('Written, then forgotten')
  })

  it('a device follows its own edits without asking, also from one base', async () => {
    const made = house()
    const first = a({ kind: 'property', id: made.id, patch: { label: 'one' }, prior: { label: made.opId } })
    const second = a({ kind: 'property', id: made.id, patch: { label: 'two' }, prior: { label: first.opId } })
    expect((await send([made, first, second])).statuses).toEqual(['applied', 'applied', 'applied'])
    expect(await one(made.id)).toMatchObject({ fields: { label: 'two' }, conflicts: [] })
  })

  it('an id that was used for another edit is refused, the same edit is only repeated', async () => {
    const made = house()
    const edit = a({
      kind: 'property',
      id: made.id,
      base: (await send([made])).cursor,
      patch: { label: 'x' },
    })
    const { results } = await send([
      edit,
      edit,
      { ...edit, patch: { label: 'y' } },
      { ...edit, remove: true },
    ])
    expect(results.map((result) => [result.status, result.faults[0]?.path])).toEqual([
      ['applied', undefined],
      ['repeated', undefined],
      ['rejected', 'opId'],
      ['rejected', 'opId'],
    ])
  })

  it('an erased contact does not return half', async () => {
    const made = house()
    const contact = a({
      kind: 'contact',
      id: randomUUID(),
      patch: { propertyId: made.id, name: 'Somebody', phone: '555 0101', email: '' },
    })
    const base = (await send([made, contact])).cursor
    await send([a({ kind: 'contact', id: contact.id, base, remove: true })])
    const whole = { ...contact.patch, phone: '555 0199' }
    const { statuses } = await send([
      b({ kind: 'contact', id: contact.id, base, patch: { phone: '555 0199' } }),
      b({ kind: 'contact', id: contact.id, base, patch: whole }),
    ])
    expect(statuses).toEqual(['rejected', 'rejected'])
    expect(await one(contact.id)).toMatchObject({ removed: true, fields: {} })
    // whoever erased it may take that back
    const { cursor } = await everything()
    const back = await send([a({ kind: 'contact', id: contact.id, base: cursor, patch: contact.patch })])
    expect(back.statuses).toEqual(['applied'])
    expect(await one(contact.id)).toMatchObject({ removed: false, fields: { name: 'Somebody' } })
  })
})

describe('what belongs together', () => {
  const OPENED = '2026-11-20T09:00:00.000Z'
  const build = async () => {
    const made = house()
    const point = a({
      kind: 'point',
      id: randomUUID(),
      patch: { propertyId: made.id, name: 'Basin', kind: 'basin' },
    })
    const contact = a({
      kind: 'contact',
      id: randomUUID(),
      patch: { propertyId: made.id, name: 'Somebody', phone: '', email: '' },
    })
    const job = a({
      kind: 'job',
      id: randomUUID(),
      patch: {
        propertyId: made.id,
        pointId: point.id,
        title: 'Drip',
        state: 'open',
        fixtures: [],
        openedAt: OPENED,
        closedAt: null,
        note: '',
      },
    })
    const { statuses, cursor } = await send([made, point, contact, job])
    expect(statuses).toEqual(['applied', 'applied', 'applied', 'applied'])
    return { made, point, contact, job, cursor, ids: [made.id, point.id, contact.id, job.id] }
  }
  const close = (id: string, base: number) =>
    a({ kind: 'job', id, base, patch: { state: 'closed', closedAt: '2026-11-21T09:00:00.000Z' } })

  it('a job’s point lies in the job’s house, and a line at the job’s point', async () => {
    const { job } = await build()
    const { point: elsewhere } = await build()
    const line = a({ kind: 'line', id: randomUUID(), patch: { pointId: elsewhere.id, service: 'hot' } })
    const check = a({
      kind: 'check',
      id: randomUUID(),
      patch: { jobId: job.id, lineId: line.id, stepId: 'x', result: 'done', at: OPENED, note: '' },
    })
    const { results } = await send([
      a({ kind: 'job', id: randomUUID(), patch: { ...job.patch, pointId: elsewhere.id } }),
      line,
      check,
    ])
    expect(results.map((result) => result.faults[0]?.path)).toEqual([
      'patch.pointId',
      undefined,
      'patch.lineId',
    ])
  })

  it('a job goes with what its remover wrote or saw, and not with what another wrote unseen', async () => {
    const { job, cursor } = await build()
    const visit = (make: typeof a, base = cursor) =>
      make({
        kind: 'visit',
        id: randomUUID(),
        base,
        patch: { jobId: job.id, personId: demoId('bram@tidewall.example'), startedAt: OPENED, endedAt: null },
      })
    const remove = (base: number, prior = { title: job.opId }) =>
      a({ kind: 'job', id: job.id, base, prior, remove: true })
    // another device began a visit that this one had not seen
    const others = visit(b)
    const after = (await send([others])).cursor
    expect((await send([remove(cursor)])).statuses).toEqual(['conflict'])
    expect(await one(job.id)).toMatchObject({ removed: false })
    // seen to the last revision it goes, also past what its own device wrote since
    expect((await send([visit(a, after)])).statuses).toEqual(['applied'])
    const { cursor: seen } = await everything()
    await send([visit(a, seen)])
    expect((await send([remove(seen, {} as { title: string })])).statuses).toEqual(['applied'])
    expect(await one(job.id)).toMatchObject({ removed: true })
  })

  it('a job works at several points of its house, each once, and what is written at any of them is its own', async () => {
    const { made, job, cursor: base } = await build()
    const { point: elsewhere } = await build()
    const point = (name: string) =>
      a({ kind: 'point', id: randomUUID(), patch: { propertyId: made.id, name, kind: 'toilet' } })
    const [toilet, bib] = [point('Toilet'), point('Bib')]
    const line = a({ kind: 'line', id: randomUUID(), patch: { pointId: toilet.id, service: 'cold' } })
    await send([toilet, bib, line])
    const at = (...ids: string[]) =>
      a({ kind: 'job', id: job.id, base, patch: { more: ids.map((pointId) => ({ pointId, fixtures: [] })) } })
    const check = () =>
      a({
        kind: 'check',
        id: randomUUID(),
        patch: { jobId: job.id, lineId: line.id, stepId: 'x', result: 'done', at: OPENED, note: '' },
      })
    const paths = async (...operations: unknown[]) =>
      (await send(operations)).results.map(({ faults }) => faults[0]?.path)
    expect(
      await paths(
        check(),
        at(toilet.id, elsewhere.id),
        at(toilet.id, toilet.id),
        at(String(job.patch.pointId)),
        at(randomUUID()),
        at(toilet.id),
        check(),
      ),
    ).toEqual([
      'patch.lineId',
      'patch.more.1.pointId',
      'patch.more.1.pointId',
      'patch.more.0.pointId',
      'patch.more.0.pointId',
      undefined,
      undefined,
    ])
    // an open job keeps each of its points, and each comes with the first of a fresh phone
    const gone = (id: string, from: number) => a({ kind: 'point', id, base: from, remove: true })
    const { results, cursor } = await send([gone(toilet.id, base), gone(bib.id, (await everything()).cursor)])
    expect(results.map(({ faults }) => faults[0]?.message)).toEqual([
      'a job at this point is still open',
      undefined,
    ])
    const day = await dayOf(server.database, demoId('tidewall'))
    expect(day.map(({ id }) => id)).toEqual(expect.arrayContaining([toilet.id, line.id]))
    const file = await (await server.call(`/api/jobs/${job.id}/file.json`, { cookie: bram })).json()
    expect(file).toMatchObject({ more: [{ name: 'Toilet' }], lines: [{ id: line.id }] })
    // one that is closed goes with the point that it was opened for, and with no other
    await send([close(job.id, cursor)])
    expect((await send([gone(toilet.id, (await everything()).cursor)])).statuses).toEqual(['applied'])
    expect((await one(job.id))?.removed).toBe(false)
  })

  it('no job is closed before it was opened', async () => {
    const { job, cursor: base } = await build()
    const early = a({
      kind: 'job',
      id: job.id,
      base,
      patch: { state: 'closed', closedAt: '2026-11-19T00:00:00.000Z' },
    })
    expect((await send([early])).results[0]?.faults[0]?.path).toBe('patch.closedAt')
    // done while it was being written down
    const { job: quick, cursor: since } = await build()
    const opened = (await one(quick.id))?.fields.openedAt as string
    const atOnce = a({ kind: 'job', id: quick.id, base: since, patch: { state: 'closed', closedAt: opened } })
    expect((await send([atOnce])).statuses).toEqual(['applied'])
    expect((await send([close(job.id, base)])).statuses).toEqual(['applied'])
  })

  it('a house stays while a job in it is open; then house, points, jobs and contact go and come back together', async () => {
    const { made, job, contact, cursor, ids } = await build()
    const gone = (base: number) => a({ kind: 'property', id: made.id, base, remove: true })
    expect((await send([gone(cursor)])).results[0]?.faults[0]?.message).toMatch(/still open/)
    const { cursor: base } = await send([close(job.id, cursor)])
    expect((await send([gone(base)])).statuses).toEqual(['applied'])
    const { held, cursor: after } = await everything()
    expect(ids.map((id) => held.get(id)?.removed)).toEqual([true, true, true, true])
    expect(JSON.stringify(held.get(contact.id))).not.toContain('Somebody')
    await send([a({ kind: 'property', id: made.id, base: after, patch: made.patch })])
    const back = (await everything()).held
    expect(ids.map((id) => back.get(id)?.removed)).toEqual([false, false, false, false])
    expect(back.get(contact.id)?.fields.name).toBe('Somebody')
  })

  it('what another phone added to a job unseen keeps the house, and what comes to it later brings it back', async () => {
    const { made, job, point, cursor } = await build()
    const { cursor: base } = await send([close(job.id, cursor)])
    const visit = (make: typeof a) =>
      make({
        kind: 'visit',
        id: randomUUID(),
        base,
        patch: {
          jobId: job.id,
          personId: demoId('bram@tidewall.example'),
          startedAt: OPENED,
          endedAt: null,
        },
      })
    await send([visit(b)])
    const gone = (at: number) => a({ kind: 'property', id: made.id, base: at, remove: true })
    expect((await send([gone(base)])).statuses).toEqual(['conflict'])
    const { cursor: seen } = await everything()
    expect((await send([gone(seen)])).statuses).toEqual(['applied'])
    const another = b({
      kind: 'job',
      id: randomUUID(),
      base,
      patch: { ...job.patch, title: 'Another', pointId: point.id },
    })
    expect((await send([another])).statuses).toEqual(['applied'])
    const { held } = await everything()
    expect([made.id, point.id, another.id].map((id) => held.get(id)?.removed)).toEqual([false, false, false])
    expect(held.get(made.id)?.conflicts).toMatchObject([{ field: REMOVAL }])
  })

  it('nobody writes in another person’s name, and who confirms is kept', async () => {
    const { job, cursor: base } = await build()
    const forged = a({
      kind: 'visit',
      id: randomUUID(),
      patch: {
        jobId: job.id,
        personId: demoId('oda@tidewall.example'),
        startedAt: OPENED,
        endedAt: null,
      },
    })
    expect((await send([forged])).results[0]?.faults[0]?.path).toBe('patch.personId')
    await send([close(job.id, base)])
    expect((await one(job.id))?.fields.closedBy).toBe(demoId('bram@tidewall.example'))
    const { cursor } = await everything()
    await send([a({ kind: 'job', id: job.id, base: cursor, patch: { state: 'open', closedAt: null } })])
    expect((await one(job.id))?.fields.closedBy).toBeNull()
  })

  it('an apprentice’s closing is a proposal: nothing changes until it is taken, in the name of who takes it', async () => {
    const { job, cursor: base } = await build()
    const closing = close(job.id, base)
    expect((await send([closing], pip)).statuses).toEqual(['proposed'])
    expect((await send([closing], pip)).statuses).toEqual(['proposed'])
    expect((await one(job.id))?.fields.state).toBe('open')
    expect(await one(closing.opId)).toMatchObject({
      kind: 'proposal',
      fields: {
        jobId: job.id,
        byId: demoId('pip@tidewall.example'),
        state: 'open',
        patch: { state: 'closed' },
      },
    })
    const { cursor } = await everything()
    const word = (state: string) => b({ kind: 'proposal', id: closing.opId, base: cursor, patch: { state } })
    expect((await send([word('taken')], pip)).statuses).toEqual(['rejected'])
    expect((await send([word('taken')])).statuses).toEqual(['applied'])
    expect(await one(job.id)).toMatchObject({
      fields: { state: 'closed', closedBy: demoId('bram@tidewall.example') },
    })
    expect((await send([word('declined')])).results[0]?.faults[0]?.message).toMatch(/already taken/)
  })

  it.each([
    ['declined by the owner', () => oda],
    ['taken back by who made it', () => pip],
  ])('a proposal %s changes nothing', async (_name, by) => {
    const { job, cursor: base } = await build()
    const gone = a({ kind: 'job', id: job.id, base, remove: true })
    await send([gone], pip)
    await send([a({ kind: 'proposal', id: gone.opId, patch: { state: 'declined' } })], by())
    expect((await one(job.id))?.removed).toBe(false)
  })

  it('prices and rules are the owner’s: of others they are proposals, which the owner takes', async () => {
    const settings = a({ kind: 'settings', id: demoId('tidewall settings'), patch: { name: 'Bram & Co' } })
    expect((await send([settings])).statuses).toEqual(['proposed'])
    const { cursor } = await everything()
    const word = () => a({ kind: 'proposal', id: settings.opId, base: cursor, patch: { state: 'taken' } })
    expect((await send([word()])).statuses).toEqual(['rejected'])
    expect((await send([word()], oda)).statuses).toEqual(['applied'])
    expect((await one(settings.id))?.fields.name).toBe('Bram & Co')
  })
})

describe('a restored database', () => {
  it('is noticed, and what the backup had not comes again, in its order', async () => {
    const own = await harness('nothing')
    const { roles } = own
    const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-generation-'))
    const generationFile = path.join(folder, 'generation')
    const reopen = () => openDatabase(roles, { generationFile })
    const first = await reopen()
    const [{ generation: before }] = await first.query('SELECT generation FROM store')
    expect(readFileSync(generationFile, 'utf8').trim()).toBe(before)
    await first.destroy()
    const again = await reopen()
    expect(await again.query('SELECT generation FROM store')).toEqual([{ generation: before }])
    await again.destroy()
    // as if the folder were newer than the database that lies in it
    writeFileSync(generationFile, randomUUID())
    const restored = await reopen()
    const [{ generation: after }] = await restored.query('SELECT generation FROM store')
    expect(after).not.toBe(before)
    expect(readFileSync(generationFile, 'utf8').trim()).toBe(after)
    await restored.destroy()
    await own.stop()
    rmSync(folder, { recursive: true })
  })

  it('tells a phone that has seen more than there is to read anew, and judges its old edits by what both share', async () => {
    const made = house()
    const base = (await send([made])).cursor
    const { generation: old } = await sync(server, bram, [], base)
    const ask = async (generation: string, since: number, operations: unknown[] = []) =>
      (await (await server.post('/api/sync', { generation, since, operations }, bram)).json()) as Awaited<
        ReturnType<typeof sync>
      >
    // all goes on
    expect((await ask(old, base)).generation).toBe(old)
    const lost = a({
      kind: 'property',
      id: made.id,
      base: base + 40,
      generation: old,
      patch: { label: 'Lost' },
    })
    const answer = await ask(old, base + 50, [lost])
    expect(answer.generation).not.toBe(old)
    expect(answer).toMatchObject({ results: [], changes: [], cursor: 0, more: true })
    const { generation } = answer
    // unseen by the one that was away, the same field is changed in the new time
    await send([b({ kind: 'property', id: made.id, base, generation, patch: { note: 'new time' } })])
    const note = a({
      kind: 'property',
      id: made.id,
      base: base + 41,
      generation: old,
      prior: {},
      patch: { note: 'old time' },
    })
    expect((await ask(generation, 0, [lost, note])).results.map((result) => result.status)).toEqual([
      'applied',
      'conflict',
    ])
    expect(await one(made.id)).toMatchObject({ fields: { label: 'Lost', note: 'new time' } })
    // its own device has written since: what comes again is older
    const newer = a({
      kind: 'property',
      id: made.id,
      base: (await everything()).cursor,
      generation,
      patch: { street: 'newer' },
    })
    await send([newer])
    const older = {
      ...a({ kind: 'property', id: made.id, generation: old, patch: { street: 'older' } }),
      clock: note.clock,
    }
    expect((await ask(generation, 0, [older])).results[0]?.status).toBe('applied')
    expect((await one(made.id))?.fields.street).toBe('newer')
    // the beginning of a document may come from another phone yet
    const orphan = a({ kind: 'property', id: randomUUID(), generation: old, patch: { note: 'waits' } })
    const child = a({
      kind: 'point',
      id: randomUUID(),
      generation: old,
      patch: { propertyId: orphan.id, name: 'Tap', kind: 'sink' },
    })
    expect((await ask(generation, 0, [orphan, child])).results.map((result) => result.status)).toEqual([
      'later',
      'later',
    ])
  })
})
