import { createHash, randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { ENTITY_KINDS, fixturesOf, type OperationRecord } from '@diarmos/contract'
import {
  bodiesOf,
  keep,
  type MateOption,
  mate,
  mouthOf,
  STARTING_SETTINGS,
  tableVersions,
} from '@diarmos/core'
import { PLAIN_CONDITIONS } from '@diarmos/core/conditions'
import { DataSource } from 'typeorm'
import { MIGRATIONS } from '../src/store/database'
import { sorted } from '../src/store/merge'
import { OWNER, provision, type Roles, urlFor } from '../src/store/provision'
import { columnName } from '../src/store/schemas'
import { type Harness, harness, operation, sync } from './harness'

const read = (name: string) => JSON.parse(readFileSync(path.join(__dirname, name), 'utf8'))
const shop = read('fixtures/shop-v1.json') as Record<string, Record<string, unknown>[]>
const phone = read('../../app/src/test/phone-v1.json') as { queue: OperationRecord[]; cursor: number }
const JOB = shop.job?.[0] ?? {}
const shopId = JOB.shop_id
/** A way as it was stored before ways were kept whole. */
const WAY = mate({
  lines: [
    {
      lineId: 'a',
      pipeId: 'copper.l.1/2',
      to: mouthOf('faucet.shank.1/2'),
      conditions: { ...PLAIN_CONDITIONS, faults: [], service: 'cold', waterSeen: true, stubMm: 60 },
    },
  ],
  settings: STARTING_SETTINGS,
}).lines[0]?.options[0]
if (!WAY) throw new Error('no way')

async function owned(roles: Roles, upTo: number, work: (owner: DataSource) => Promise<void>) {
  const owner = new DataSource({
    type: 'postgres',
    url: urlFor(roles, OWNER),
    migrations: MIGRATIONS.slice(0, upTo),
  })
  await owner.initialize()
  await owner.runMigrations()
  await work(owner)
  await owner.destroy()
}

/** A database as the first release made it, with a shop in it. */
async function firstRelease(name: string): Promise<Roles> {
  const empty = await harness('nothing')
  const roles = { ...empty.roles, database: `${empty.roles.database}_${name}` }
  await empty.stop()
  await provision(roles)
  await owned(roles, 4, async (owner) => {
    for (const [table, rows] of Object.entries(shop))
      for (const row of rows)
        await owner.transaction(async (manager) => {
          await manager.query("SELECT set_config('app.shop', $1, true)", [row.shop_id ?? row.id])
          await manager.query(
            `INSERT INTO "${table}" SELECT * FROM jsonb_populate_record(NULL::public."${table}", $1)`,
            [JSON.stringify(row)],
          )
        })
  })
  return roles
}

const everything = async (server: Harness, cookie: string) => (await sync(server, cookie, [])).changes

describe('a database of the first release', () => {
  it('is brought up to date, and the unsent queue of a phone of that time goes through', async () => {
    const old = await harness('nothing', await firstRelease('v1'))
    const cookie = await old.signIn('jory@fennel.example')
    const changes = await everything(old, cookie)
    expect(changes).toHaveLength(ENTITY_KINDS.reduce((sum, kind) => sum + (shop[kind]?.length ?? 0), 0))
    const job = changes.find((change) => change.kind === 'job')
    for (const field of ['title', 'note']) expect(job?.fields[field]).toEqual(JOB[columnName(field)])
    expect(job?.fields.fixtures).toEqual(bodiesOf([JOB.fixture_id as string]))
    // an open question of that time is still open
    expect(changes.flatMap((change) => change.conflicts)).toMatchObject([{ field: 'note' }])

    // as the phone sends it: without what it did not know of
    const { results } = (await (
      await old.post('/api/sync', { since: phone.cursor, operations: phone.queue }, cookie)
    ).json()) as Awaited<ReturnType<typeof sync>>
    expect(results.map((result) => result.status)).toEqual(phone.queue.map(() => 'applied'))
    const after = await everything(old, cookie)
    expect(after.find((change) => change.kind === 'job')?.fields.note).toBe('Bring the small wrench.')
    await old.stop()
  })
})

describe('a database of the second release', () => {
  it('has what goes in as bodies: in jobs, open questions, proposals, and edits that come again', async () => {
    const roles = await firstRelease('v2')
    const tub = 'valve.combo.1/2+spout.slip.1/2+arm.1/2'
    const sent = operation({
      kind: 'job',
      id: JOB.id as string,
      patch: { fixtureId: tub },
      schema: 2 as never,
      base: 99,
    })
    const said = { kind: sent.kind, id: sent.id, patch: sent.patch, remove: false }
    await owned(
      roles,
      MIGRATIONS.findIndex(({ name }) => name.startsWith('Bodies')),
      (owner) =>
        owner.transaction(async (manager) => {
          await manager.query("SELECT set_config('app.shop', $1, true)", [shopId])
          const conflict = { field: 'fixtureId', theirs: tub, mine: null, opId: randomUUID(), at: sent.at }
          await manager.query(
            'UPDATE job SET fixture_id = $2, conflicts = $3, field_revisions = $4 WHERE shop_id = $1',
            [
              shopId,
              tub,
              JSON.stringify([conflict]),
              JSON.stringify({ fixtureId: { revision: 7, device: sent.deviceId, op: sent.opId } }),
            ],
          )
          await manager.query(
            `INSERT INTO operation_log (shop_id, op_id, revision, person_id, device_id, kind, entity_id, patch, removes,
             base, clock, digest, status, device_at)
           SELECT shop_id, $2, 7, id, $3, 'job', $4, $5, false, 0, '', $6, 'applied', now() FROM person
            WHERE shop_id = $1 LIMIT 1`,
            [
              shopId,
              sent.opId,
              sent.deviceId,
              sent.id,
              JSON.stringify(sent.patch),
              createHash('sha256')
                .update(JSON.stringify(sorted(said)))
                .digest('hex'),
            ],
          )
          await manager.query(
            `INSERT INTO mating (shop_id, id, revision, job_id, line_id, option_id, option, basis, versions, chosen_at)
           SELECT shop_id, $2, 9, $3, id, $4, $5, 'b', '{"catalogue":"1"}', now() FROM line WHERE shop_id = $1 LIMIT 1`,
            [shopId, randomUUID(), sent.id, WAY.id, JSON.stringify(WAY)],
          )
          await manager.query(
            `INSERT INTO proposal (shop_id, id, revision, kind, job_id, entity_id, patch, removes, by_id, state, proposed_at)
           SELECT shop_id, $2, 8, 'job', $3, $3, $4, false, id, 'open', now() FROM person WHERE shop_id = $1 LIMIT 1`,
            [shopId, randomUUID(), sent.id, JSON.stringify({ fixtureId: 'closed', title: 'x' })],
          )
        }),
    )

    const server = await harness('nothing', roles)
    const cookie = await server.signIn('jory@fennel.example')
    const changes = await everything(server, cookie)
    const job = changes.find((change) => change.kind === 'job')
    expect(job?.fields.fixtures).toEqual(fixturesOf(tub))
    expect(job?.fields).not.toHaveProperty('fixtureId')
    expect(job?.conflicts).toMatchObject([{ field: 'fixtures', theirs: fixturesOf(tub), mine: [] }])
    expect(changes.find((change) => change.kind === 'proposal')?.fields.patch).toEqual({
      fixtures: bodiesOf(['closed']),
      title: 'x',
    })
    // a way that was chosen then is kept whole from now on, and is the same way
    const mating = changes.find((change) => change.kind === 'mating')
    expect(mating?.fields.versions).toEqual({ ...tableVersions(), kept: 'afterwards' })
    const option = mating?.fields.option as MateOption | undefined
    expect(option).toEqual(keep(WAY, {}))
    expect(option?.parts.every(({ made }) => made !== undefined)).toBe(true)
    // sent again it is known again, and its id still stands for nothing else
    const { results } = await sync(server, cookie, [sent, { ...sent, patch: { fixtureId: 'closed' } }])
    expect(results.map(({ status }) => status)).toEqual(['repeated', 'rejected'])
    // an edit that such a phone had not sent yet goes through as one of today
    const later = { ...sent, opId: randomUUID(), patch: { fixtureId: 'toilet.fill.7/8' } }
    expect((await sync(server, cookie, [later])).results[0]?.status).toBe('applied')
    const now = await everything(server, cookie)
    expect(now.find((change) => change.kind === 'job')?.fields.fixtures).toEqual(
      bodiesOf(['toilet.fill.7/8']),
    )
    await server.stop()
  })
})
