import {
  stampOf as clockOf,
  type EntityKind,
  type OperationRecord,
  runOperation,
  SCHEMA_VERSION,
} from '@diarmos/contract'
import {
  bodiesOf,
  findingBasis,
  furtherLines,
  keep,
  lineEnds,
  type MateOption,
  matingBasis,
  type Observation,
  type PipeMaterial,
  type Plan,
  pipeById,
  STARTING_SETTINGS,
  tableVersions,
  VANS,
  withShelves,
} from '@diarmos/core'
import type { DataSource } from 'typeorm'
import { apply } from '../store/apply'
import { inShop } from '../store/database'
import { hashPassword } from '../store/people'
import { Person, Shop } from '../store/schemas'
import type { Actor } from '../store/work'
import { type DemoHouse, type DemoJob, type DemoWork, HOUSES } from './houses'
import { demoId } from './identifiers'
import { DEMO_PASSWORD, SHOPS } from './people'

const DAY = 86_400_000

/** Each shop's van, filled as such vans are: one crimps and solders, the other expands and presses. */
const settingsOf = (van: keyof typeof VANS) => ({
  ...STARTING_SETTINGS,
  ...withShelves(STARTING_SETTINGS, VANS[van]),
})
const DEMO_SETTINGS = settingsOf(SHOPS[0].van)

class Writer {
  private count = 0

  constructor(
    private readonly database: DataSource,
    private readonly shopId: string,
    private readonly personId: string,
    private readonly role: Actor['role'] = 'owner',
  ) {}

  /** @throws Error where the demo itself is faulty */
  async put(kind: EntityKind, id: string, patch: Record<string, unknown>, at: Date): Promise<void> {
    const operation: OperationRecord = {
      opId: demoId(`op ${this.shopId} ${kind} ${id} ${this.count++}`),
      deviceId: 'demo',
      kind,
      id,
      patch,
      remove: false,
      base: 0,
      generation: null,
      prior: null,
      clock: clockOf(at.toISOString(), 'demo'),
      schema: SCHEMA_VERSION,
      at: at.toISOString(),
    }
    const result = await apply(
      this.database,
      { shopId: this.shopId, personId: this.personId, role: this.role },
      operation,
    )
    if (result.status === 'rejected')
      throw new Error(`demo ${kind}: ${result.faults.map((f) => `${f.path}: ${f.message}`).join('; ')}`)
  }
}

/** Whether the invented shops are in this database. */
export async function hasDemo(database: DataSource): Promise<boolean> {
  const shopId = demoId(SHOPS[0].key)
  return inShop(database, shopId, (manager) => manager.getRepository(Shop).existsBy({ id: shopId }))
}

/** Loads the two invented shops, once; without their houses where nobody is to come into one. */
export async function loadDemo(
  database: DataSource,
  now = new Date(),
  houses: readonly DemoHouse[] = HOUSES,
): Promise<void> {
  for (const shop of SHOPS) {
    const shopId = demoId(shop.key)
    const fresh = await inShop(database, shopId, async (manager) => {
      if (await manager.getRepository(Shop).findOneBy({ id: shopId })) return false
      await manager.getRepository(Shop).insert({ id: shopId, name: shop.name })
      const passwordHash = await hashPassword(DEMO_PASSWORD)
      for (const person of shop.people)
        await manager
          .getRepository(Person)
          .insert({ ...person, shopId, id: demoId(person.email), passwordHash })
      return true
    })
    if (!fresh) continue
    const writer = new Writer(database, shopId, demoId(shop.people[0].email))
    await writer.put(
      'settings',
      demoId(`${shop.key} settings`),
      {
        name: shop.name,
        zone: 'America/New_York',
        unit: 'in',
        region: 'north-america',
        mate: settingsOf(shop.van),
        expected: {},
        currency: 'USD',
      },
      now,
    )
    const own = houses.filter((entry) => entry.shop === shop.key)
    for (const house of own) await loadHouse(writer, house, now)
    const apprentice = shop.people.find(({ role }) => role === 'apprentice')
    if (apprentice)
      await propose(new Writer(database, shopId, demoId(apprentice.email), 'apprentice'), own, now)
  }
}

/** An apprentice would close a job: that waits for somebody's word. */
async function propose(writer: Writer, houses: readonly DemoHouse[], now: Date): Promise<void> {
  const [job] = houses.flatMap((house) => house.jobs).filter(({ upTo }) => upTo === 'make')
  if (job) await writer.put('job', demoId(job.key), { state: 'closed', closedAt: now.toISOString() }, now)
}

async function loadHouse(writer: Writer, house: DemoHouse, now: Date): Promise<void> {
  const propertyId = demoId(house.key)
  await writer.put('property', propertyId, { ...house.property }, now)
  await writer.put(
    'contact',
    demoId(`${house.key} contact`),
    { propertyId, name: house.contact, phone: '555 0100', email: '' },
    now,
  )
  for (const point of house.points) {
    const pointId = demoId(`${house.key} ${point.key}`)
    await writer.put('point', pointId, { propertyId, name: point.name, kind: point.kind }, now)
    const further = house.jobs
      .flatMap(worksOf)
      .filter((work) => work.point === point.key)
      .flatMap((work) => furtherLines(bodiesOf(work.fixtures)))
    for (const service of [...linesOf(house, point.key), ...further])
      await writer.put('line', demoId(`${house.key} ${point.key} ${service}`), { pointId, service }, now)
  }
  for (const job of house.jobs) await loadJob(writer, house, job, new Date(now.getTime() - job.daysAgo * DAY))
}

/** Whether a kind stands over a trap. */
const isDrain = (kind: string) => kind.startsWith('waste.')

/** What a job does at each of its points, the one it was opened for first. */
const worksOf = (job: DemoJob): readonly DemoWork[] => [job, ...(job.more ?? [])]

/** Lines of a point that were there before anybody looked. */
const linesOf = (house: DemoHouse, key: string) =>
  house.points.find((point) => point.key === key)?.lines ?? (['hot', 'cold'] as const)

/** What goes in at a point of a job, as bodies of its own. */
const goesIn = (house: DemoHouse, job: DemoJob, work: DemoWork) =>
  bodiesOf(work.fixtures, work === job ? '' : demoId(`${house.key} ${work.point}`))

type Service = 'hot' | 'cold' | 'drain'

async function loadJob(writer: Writer, house: DemoHouse, job: DemoJob, at: Date): Promise<void> {
  const jobId = demoId(job.key)
  const closed = job.upTo === 'closed'
  await writer.put(
    'job',
    jobId,
    {
      propertyId: demoId(house.key),
      pointId: demoId(`${house.key} ${job.point}`),
      title: job.title,
      state: closed ? 'closed' : 'open',
      fixtures: goesIn(house, job, job),
      more: (job.more ?? []).map((work) => ({
        pointId: demoId(`${house.key} ${work.point}`),
        fixtures: goesIn(house, job, work),
      })),
      openedAt: at.toISOString(),
      closedAt: closed ? new Date(at.getTime() + DAY).toISOString() : null,
      note: '',
    },
    at,
  )
  if (job.upTo === 'nothing') return
  const lines = worksOf(job).flatMap((work) =>
    linesOf(house, work.point).map((service) => ({
      work,
      service,
      lineId: demoId(`${house.key} ${work.point} ${service}`),
    })),
  )
  const chosen: { lineId: string; service: Service; option: MateOption; pipeId: string; work: DemoWork }[] =
    []
  for (const { work, service, lineId } of lines) {
    // what comes down to a trap is looked at, at the drain alone
    const waste = work.fixtures.length > 0 && work.fixtures.every(isDrain)
    if (waste !== (service === 'drain')) continue
    const key = work === job ? `${job.key} ${service}` : `${job.key} ${work.point} ${service}`
    await writer.put('situation', demoId(`${key} situation`), { ...work.situation, jobId, lineId }, at)
    const records = work.looks.map((look, index) => ({
      id: demoId(`${key} look ${index}`),
      jobId,
      lineId,
      kind: look.kind,
      instrument: look.kind === 'outside' ? look.instrument : null,
      sign: look.kind === 'sign' ? look.sign : null,
      answer: look.kind === 'sign' ? look.answer : null,
      entered: look.kind === 'sign' ? look.answer : look.entered,
      mm: look.kind === 'outside' ? look.mm : null,
      resolutionMm: look.kind === 'outside' ? look.step : null,
      unit: look.kind === 'outside' ? (look.entered.includes('mm') ? 'mm' : 'in') : null,
      withdrawn: false,
      takenAt: at.toISOString(),
    }))
    for (const { id, ...fields } of records) await writer.put('observation', id, fields, at)
    if (job.upTo === 'looks') continue

    const observations = records.map(
      (r) =>
        (r.kind === 'sign'
          ? { id: r.id, kind: 'sign', sign: r.sign, answer: r.answer }
          : r.kind === 'print'
            ? { id: r.id, kind: 'print', text: r.entered }
            : {
                id: r.id,
                kind: r.kind,
                instrument: r.instrument,
                mm: r.mm,
                resolutionMm: r.resolutionMm,
              }) as Observation,
    )
    const { era, region } = house.property
    const belief = runOperation('identify', { era, region, service, known: [], observations })
    const leader = belief.classes[0]
    const pipeId = leader?.pipes[0]?.id
    if (!leader || !pipeId) throw new Error(`demo ${job.key}: nothing found`)
    await writer.put(
      'finding',
      demoId(`${key} finding`),
      {
        jobId,
        lineId,
        pipeId,
        name: leader.name,
        probability: leader.probability,
        basis: findingBasis(records),
        snapshot: { classes: belief.classes.slice(0, 5), versions: { tables: '1' } },
        foundAt: at.toISOString(),
      },
      at,
    )
    const ends = lineEnds(goesIn(house, job, work), service, true)
    if (job.upTo === 'finding' || !ends) continue
    const conditions = conditionsAt(work, service)
    const result = runOperation('mate', {
      lines: [{ lineId, pipeId, to: ends.to, conditions }],
      settings: DEMO_SETTINGS,
      k: 20,
    })
    const pieces = (parts: readonly { family: string }[]) =>
      parts.filter(({ family }) => family === 'tube-piece').length
    const option = result.lines[0]?.options.find(({ parts }) => pieces(parts) >= (job.pieces ?? 0))
    if (!option) throw new Error(`demo ${job.key}: no way found`)
    await writer.put(
      'mating',
      demoId(`${key} mating`),
      {
        jobId,
        lineId,
        optionId: option.id,
        option: keep(option, { airC: conditions.airC, jointMinutes: DEMO_SETTINGS.jointMinutes }),
        settings: DEMO_SETTINGS,
        basis: matingBasis(pipeId, ends, conditions),
        versions: tableVersions(),
        chosenAt: at.toISOString(),
      },
      at,
    )
    chosen.push({ lineId, service, option, pipeId, work })
    for (const { id, ...fields } of service === 'drain' ? [] : measured(job, service, option))
      await writer.put(
        'dimension',
        demoId(`${key} ${id}`),
        { ...fields, jobId, lineId, takenAt: at.toISOString() },
        at,
      )
  }
  if (chosen.length === 0) return
  const plan = runOperation('sequence', {
    lines: chosen.map(({ lineId, service, option, pipeId, work }) => ({
      lineId,
      material: pipeById(pipeId)?.material as PipeMaterial,
      conditions: conditionsAt(work, service),
      option,
    })),
    houseRules: DEMO_SETTINGS.houseRules,
  }) as Plan
  const ticked = closed
    ? plan.steps
    : job.upTo === 'make'
      ? plan.steps.slice(0, plan.steps.findIndex((step) => step.id === 'general/drain') + 1)
      : []
  for (const step of ticked)
    await writer.put(
      'check',
      demoId(`${job.key} ${step.id}`),
      {
        jobId,
        lineId: step.lineId,
        stepId: step.id,
        optionId: chosen.find((line) => line.lineId === step.lineId)?.option.id ?? null,
        result: step.kind === 'prove' ? 'dry' : 'done',
        at: new Date(at.getTime() + step.endSeconds * 1000).toISOString(),
        note: '',
      },
      at,
    )
}

/** What holds at a point, as Mate asks for it. */
function conditionsAt(
  {
    situation: {
      oldJointSeen: _seen,
      trap: _trap,
      slab: _slab,
      tub: _tub,
      stopOutlet: _outlet,
      valveWall: _wall,
      opening: _opening,
      onRun: _things,
      ...place
    },
  }: DemoWork,
  service: Service,
) {
  return { ...place, service: service === 'drain' ? ('waste' as const) : service }
}

/** What was measured along a line: each answer to what the core asks for next. */
function measured(job: DemoJob, service: 'hot' | 'cold', option: MateOption) {
  const dimensions: { id: string; from: string; to: string; mm: number }[] = []
  return (job.measured?.[service] ?? []).map(({ entered, mm }, index) => {
    const { asks } = runOperation('layout', { option, stubMm: option.leavesStubMm, dimensions })
    const next = asks[0]
    if (!next) throw new Error(`demo ${job.key}: nothing is left to measure`)
    const span = { id: `dimension ${index}`, from: next.from, to: next.to, mm }
    dimensions.push(span)
    return {
      ...span,
      optionId: option.id,
      entered,
      resolutionMm: 25.4 / 16,
      unit: 'in',
      measurer: 'tape',
      dry: false,
      withdrawn: false,
    }
  })
}
