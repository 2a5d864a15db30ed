import { randomUUID } from 'node:crypto'
import type { EntityKind, OperationRecord } from '@diarmos/contract'
import pg from 'pg'
import { demoId } from '../src/demo/identifiers'
import { mayDecide, mustPropose, type Role } from '../src/store/may'
import { type Harness, HOUSE, harness, operation, sync } from './harness'

describe('who may do what by themselves', () => {
  const edit = (kind: EntityKind, patch: object = {}, remove = false) =>
    operation({ kind, id: 'x', patch: patch as OperationRecord['patch'], remove })
  // prices, rules and the shop's own document are the owner's; findings, chosen ways, closings and removals of what goes
  // for good are for those who answer for them
  it.each<[string, OperationRecord, boolean, readonly Role[]]>([
    ['the shop’s numbers', edit('settings', { name: 'x' }), true, ['technician', 'apprentice']],
    ['a finding', edit('finding'), false, ['apprentice']],
    ['a chosen way', edit('mating'), false, ['apprentice']],
    ['a job that is closed', edit('job', { state: 'closed' }), true, ['apprentice']],
    ['a job that is opened again', edit('job', { state: 'open' }), true, ['apprentice']],
    ['the hour of a closing', edit('job', { closedAt: null }), true, ['apprentice']],
    ['who closed it', edit('job', { closedBy: 'p' }), true, ['apprentice']],
    ['a job’s title', edit('job', { title: 'x' }), true, []],
    ['a new job', edit('job', { state: 'open' }), false, []],
    ['a new job that is closed already', edit('job', { state: 'closed' }), false, ['apprentice']],
    ['a look', edit('observation'), false, []],
    ['a tick', edit('check'), false, []],
    ['a house', edit('property'), true, []],
    ['a contact', edit('contact'), true, []],
    ['the removal of a house', edit('property', {}, true), true, ['apprentice']],
    ['the removal of a point', edit('point', {}, true), true, ['apprentice']],
    ['the removal of a job', edit('job', {}, true), true, ['apprentice']],
    ['the removal of a contact', edit('contact', {}, true), true, ['apprentice']],
    ['the removal of a finding', edit('finding', {}, true), true, ['apprentice']],
    ['the removal of a chosen way', edit('mating', {}, true), true, ['apprentice']],
    ['the removal of a look', edit('observation', {}, true), true, []],
    ['the removal of a tick', edit('check', {}, true), true, []],
  ])('%s', (_what, made, exists, asks) => {
    for (const role of ['owner', 'technician', 'apprentice'] as const)
      expect([role, mustPropose(role, made, exists)]).toEqual([role, asks.includes(role)])
  })

  it.each<[Role, string, string, boolean, boolean]>([
    ['owner', 'settings', 'taken', false, true],
    ['owner', 'job', 'declined', false, true],
    ['technician', 'job', 'taken', false, true],
    ['technician', 'job', 'declined', false, true],
    ['technician', 'settings', 'taken', true, false],
    ['technician', 'settings', 'declined', false, false],
    ['technician', 'settings', 'declined', true, true],
    ['apprentice', 'job', 'taken', true, false],
    ['apprentice', 'job', 'declined', false, false],
    ['apprentice', 'job', 'declined', true, true],
  ])('%s, a proposal about %s %s, its maker %p: %p', (role, kind, state, own, may) => {
    const byId = own ? 'me' : 'another'
    expect(mayDecide({ personId: 'me', role }, { kind, byId }, state)).toBe(may)
  })
})

/** As the database's owner, beside the server. */
async function query(
  { adminUrl, database }: Harness['roles'],
  sql: string,
): Promise<Record<string, unknown>[]> {
  const url = new URL(adminUrl)
  url.pathname = `/${database}`
  const client = new pg.Client({ connectionString: url.href })
  await client.connect()
  const { rows } = await client.query(sql).finally(() => client.end())
  return rows
}

describe('what is refused says where and why, and changes nothing', () => {
  let server: Harness
  const people: Record<'oda' | 'bram' | 'pip', string> = { oda: '', bram: '', pip: '' }
  let cursor = 0
  beforeAll(async () => {
    server = await harness('people')
    for (const name of ['oda', 'bram', 'pip'] as const)
      people[name] = await server.signIn(`${name}@tidewall.example`)
  })
  afterAll(() => server.stop())

  const send = async (operations: readonly unknown[], by: keyof typeof people = 'bram') => {
    const answer = await sync(server, people[by], operations, cursor)
    cursor = answer.cursor
    return answer.results
  }
  const faultsOf = async (operations: readonly unknown[], by?: keyof typeof people) =>
    (await send(operations, by)).map(({ status, faults }) => [status, faults[0]?.path, faults[0]?.message])
  /** What stands before it is about anything. */
  const given = async (...operations: OperationRecord[]) =>
    expect((await send(operations)).map(({ status }) => status)).toEqual(operations.map(() => 'applied'))
  const house = () => operation({ kind: 'property', id: randomUUID(), patch: HOUSE })
  const job = (propertyId: string, pointId: string) =>
    operation({
      kind: 'job',
      id: randomUUID(),
      base: cursor,
      patch: {
        propertyId,
        pointId,
        title: 'Test job',
        fixtures: [],
        state: 'open',
        openedAt: '2026-11-20T08:00:00.000Z',
        closedAt: null,
        note: '',
      },
    })
  const point = (propertyId: string) =>
    operation({ kind: 'point', id: randomUUID(), patch: { propertyId, name: 'Basin', kind: 'basin' } })

  it('a proposal is checked as an edit is', async () => {
    expect(
      await faultsOf(
        [
          operation({ kind: 'job', id: randomUUID(), patch: { state: 'closed', closedAt: 'yesterday' } }),
          operation({ kind: 'job', id: randomUUID(), remove: true }),
        ],
        'pip',
      ),
    ).toEqual([
      ['rejected', expect.stringMatching(/^patch\./), expect.any(String)],
      ['rejected', 'id', 'there is no such job'],
    ])
  })

  it('an apprentice opens a whole new job at once; to open one again is proposed', async () => {
    const [made, basin] = [house(), operation({ kind: 'point', id: randomUUID(), patch: {} })]
    basin.patch = { propertyId: made.id, name: 'Basin', kind: 'basin' } as never
    await given(made, basin)
    const opened = job(made.id, basin.id)
    expect(await send([opened], 'pip')).toEqual([
      { opId: opened.opId, status: 'applied', revision: expect.any(Number), faults: [] },
    ])
    const again = operation({ kind: 'job', id: opened.id, base: cursor, patch: { state: 'open' } as never })
    expect(await send([again], 'pip')).toEqual([
      { opId: again.opId, status: 'proposed', revision: expect.any(Number), faults: [] },
    ])
  })

  it('what is no edit at all is refused by itself, its name as far as it has one', async () => {
    const long = 'x'.repeat(200)
    const results = await send([null, 7, { opId: long }, { opId: 12 }])
    expect(results.map(({ opId, status }) => [opId, status])).toEqual([
      ['', 'rejected'],
      ['', 'rejected'],
      [long.slice(0, 80), 'rejected'],
      ['12', 'rejected'],
    ])
  })

  it('a finding of a job that nobody has is refused, and says what it refers to', async () => {
    const made = house()
    const basin = point(made.id)
    const line = operation({
      kind: 'line',
      id: randomUUID(),
      patch: { pointId: basin.id, service: 'cold' } as never,
    })
    await given(made, basin, line)
    const look = operation({
      kind: 'check',
      id: randomUUID(),
      patch: {
        jobId: randomUUID(),
        lineId: line.id,
        stepId: 'a',
        result: 'done',
        at: '2026-11-20T08:00:00.000Z',
      } as never,
    })
    const [refused] = await send([look])
    expect([refused?.status, refused?.faults[0]?.path]).toEqual(['rejected', expect.stringMatching(/^patch/)])
  })

  it('a proposal that is taken asks where somebody changed the same since', async () => {
    const made = house()
    await given(made)
    const base = cursor
    const gone = operation({ kind: 'property', id: made.id, base, remove: true })
    expect((await send([gone], 'pip')).map(({ status }) => status)).toEqual(['proposed'])
    const other = { deviceId: 'device-2', kind: 'property', id: made.id, base } as const
    await send([operation({ ...other, patch: { note: 'key under the pot' } })])
    const taken = operation({
      kind: 'proposal',
      id: gone.opId,
      base,
      patch: { state: 'taken' } as never,
    })
    expect((await send([taken])).map(({ status }) => status)).toEqual(['conflict'])
  })

  it('a proposal is taken or declined, once, and by who may', async () => {
    const made = house()
    await given(made)
    const gone = operation({ kind: 'property', id: made.id, base: cursor, remove: true })
    expect((await send([gone], 'pip')).map(({ status }) => status)).toEqual(['proposed'])
    const word = (patch: object, remove = false) =>
      operation({ kind: 'proposal', id: gone.opId, base: cursor, patch: patch as never, remove })
    const only = ['rejected', 'patch.state', 'a proposal is taken or declined']
    expect(
      await faultsOf([
        word({ state: 'open' }),
        word({ state: 'perhaps' }),
        word({ state: 'taken', byId: demoId('oda@tidewall.example') }),
        word({}, true),
        operation({ kind: 'proposal', id: randomUUID(), patch: { state: 'taken' } as never }),
      ]),
    ).toEqual([
      only,
      only,
      only,
      ['rejected', 'id', 'proposals are written by the shop’s server'],
      ['rejected', 'id', 'proposals are written by the shop’s server'],
    ])
    expect(await faultsOf([word({ state: 'taken' })], 'pip')).toEqual([
      ['rejected', 'patch.state', 'is for an owner or a technician to say; settings for the owner'],
    ])
    expect((await send([word({ state: 'declined' })])).map(({ status }) => status)).toEqual(['applied'])
    // said again it is no news, said otherwise it is refused
    expect(await faultsOf([word({ state: 'declined' }), word({ state: 'taken' })])).toEqual([
      ['applied', undefined, undefined],
      ['rejected', 'patch.state', 'was already declined'],
    ])
  })

  it('a job in a house or at a point that its maker knows to be removed is refused; another edit is not', async () => {
    const [first, second] = [house(), house()]
    const [sink, tap] = [point(first.id), point(second.id)]
    await given(first, second, sink, tap)
    const kept = job(second.id, tap.id)
    await given(kept)
    await given(operation({ kind: 'property', id: first.id, base: cursor, remove: true }))
    const lone = point(second.id)
    await given(lone)
    await given(operation({ kind: 'point', id: lone.id, base: cursor, remove: true }))
    const known = (made: OperationRecord) => ({ ...made, base: cursor })
    expect(await faultsOf([known(job(first.id, sink.id)), known(job(second.id, lone.id))])).toEqual([
      ['rejected', 'patch.propertyId', 'this property was removed'],
      ['rejected', 'patch.pointId', 'this point was removed'],
    ])
    expect(
      await faultsOf([
        operation({ kind: 'job', id: kept.id, base: cursor, patch: { title: 'Renamed' } as never }),
        // a point, not a job: it is kept where it was asked for
        known({
          ...point(first.id),
          patch: { propertyId: first.id, name: 'Another', kind: 'toilet' } as never,
        }),
      ]),
    ).toEqual([
      ['applied', undefined, undefined],
      ['applied', undefined, undefined],
    ])
  })

  it('a job’s points are told apart by what is wrong with each', async () => {
    const [here, there] = [house(), house()]
    const [sink, bath, far] = [point(here.id), point(here.id), point(there.id)]
    await given(here, there, sink, bath, far)
    const made = job(here.id, sink.id)
    await given(made)
    const at = (...ids: string[]) =>
      operation({
        kind: 'job',
        id: made.id,
        base: cursor,
        patch: { more: ids.map((pointId) => ({ pointId, fixtures: [] })) } as never,
      })
    expect(
      await faultsOf([at(randomUUID()), at(far.id), at(bath.id, bath.id), at(bath.id), job(here.id, far.id)]),
    ).toEqual([
      ['rejected', 'patch.more.0.pointId', 'is no point that is known'],
      ['rejected', 'patch.more.0.pointId', 'lies in another house'],
      ['rejected', 'patch.more.1.pointId', 'is worked on in this job already'],
      ['applied', undefined, undefined],
      ['rejected', 'patch.pointId', 'lies in another house'],
    ])
  })

  it('what stands in another person’s name may be said again, and nothing new put there', async () => {
    const [made, bramId] = [house(), demoId('bram@tidewall.example')]
    const basin = point(made.id)
    const opened = job(made.id, basin.id)
    await given(made, basin, opened)
    const visit = operation({
      kind: 'visit',
      id: randomUUID(),
      patch: {
        jobId: opened.id,
        personId: bramId,
        startedAt: '2026-11-20T08:00:00.000Z',
        endedAt: null,
      } as never,
    })
    await given(visit)
    const ends = (personId: string) =>
      operation({
        kind: 'visit',
        id: visit.id,
        base: cursor,
        patch: { personId, endedAt: '2026-11-20T09:00:00.000Z' } as never,
      })
    expect(await faultsOf([ends(demoId('pip@tidewall.example')), ends(bramId)], 'oda')).toEqual([
      ['rejected', 'patch.personId', 'is another person'],
      ['applied', undefined, undefined],
    ])
  })

  it('of an erased contact nothing is left in the log of edits, of others all is', async () => {
    const made = house()
    const contact = operation({
      kind: 'contact',
      id: randomUUID(),
      patch: { propertyId: made.id, name: 'Somebody', phone: '555 0101', email: '' } as never,
    })
    await given(made, contact)
    await given(operation({ kind: 'contact', id: contact.id, base: cursor, remove: true }))
    const digests = async (id: string) =>
      (
        await query(
          server.roles,
          `SELECT digest FROM operation_log WHERE entity_id = '${id}' ORDER BY revision`,
        )
      ).map(({ digest }) => digest !== null)
    expect((await digests(contact.id))[0]).toBe(false)
    expect(await digests(made.id)).toEqual([true])
  })

  it('an edit over which the server stumbles is put off, what follows on it waits with it, and nothing else', async () => {
    await query(
      server.roles,
      `CREATE FUNCTION stumble() RETURNS trigger AS $$ BEGIN
         IF NEW.label = 'stumble' THEN RAISE EXCEPTION 'no'; END IF; RETURN NEW; END $$ LANGUAGE plpgsql;
       CREATE TRIGGER stumble BEFORE INSERT OR UPDATE ON property FOR EACH ROW EXECUTE FUNCTION stumble()`,
    )
    const [bad, good] = [house(), house()]
    bad.patch = { ...HOUSE, label: 'stumble' } as never
    const follows = operation({ kind: 'property', id: bad.id, patch: { note: 'after it' } as never })
    const results = await send([bad, follows, good])
    const later = { status: 'later', revision: 0, faults: [] }
    expect(results).toEqual([
      { opId: bad.opId, ...later },
      { opId: follows.opId, ...later },
      { opId: good.opId, status: 'applied', revision: expect.any(Number), faults: [] },
    ])
    await query(server.roles, 'DROP TRIGGER stumble ON property')
    // the same edits, sent again in their order, go in
    expect((await send([bad, follows])).map(({ status }) => status)).toEqual(['applied', 'applied'])
  })
})
