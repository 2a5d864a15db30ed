// Problems nobody prepared: a pipe, a place, a van, prices, and a part of the catalogue.
import {
  CATALOG,
  type Conditions,
  type Fitting,
  type LineRequest,
  type MateSettings,
  mouthOf,
  PIPES,
  STARTING_SETTINGS,
  TOOL_IDS,
} from '@diarmos/core'

/** Numbers that look random and are the same every time. */
export class Dice {
  constructor(private state: number) {}
  next(): number {
    // mulberry32
    this.state = (this.state + 0x6d2b79f5) | 0
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
  chance(share: number): boolean {
    return this.next() < share
  }
  whole(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1))
  }
  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)] as T
  }
}

const SIZES = new Set(['1/2', '3/8', '3/4', '15', '22', '12', '7/8'])
/** Stubs of the sizes in hand. */
export const STUBS = PIPES.filter(
  ({ id, nominal, temper }) =>
    !temper &&
    ['1/2', '3/4', '15', '22'].includes(nominal) &&
    /^(copper\.(l|m|thin|regular)\.|galvanised\.40|brass\.regular|pex-[ab]\.sdr9|cpvc\.sdr11|polybutylene\.sdr11)/.test(
      id,
    ),
)
/** Where inch sizes are at home, and where metric ones are. */
export type Region = 'inch' | 'metric'
const isMetric = ({ ports }: Fitting) =>
  ports.some(({ system }) => ['metric', 'BSP', 'BSPP'].includes(system))
const POOL = CATALOG.filter(({ ports }) => ports.every(({ nominal }) => SIZES.has(nominal)))
const POOLS: Readonly<Record<Region, readonly Fitting[]>> = {
  inch: POOL.filter((part) => !isMetric(part)),
  metric: POOL.filter(isMetric),
}
const NEEDED = new Set(['angle-stop', 'straight-stop', 'supply-connector', 'washing-valve', 'frost-free-bib'])
export const FIXTURES: Readonly<Record<Region, readonly string[]>> = {
  inch: [
    'faucet.shank.1/2',
    'faucet.hose.3/8',
    'toilet.fill.7/8',
    'washer.hose',
    'hose.outlet',
    'valve.combo.1/2',
    'valve.barb.1/2',
    'heater.nipple.3/4',
  ],
  metric: ['tap.tail.1/2', 'toilet.fill.g1/2', 'washer.hose.g3/4', 'valve.compression.15', 'valve.bsp.1/2'],
}

/** A counter that has some of everything. */
export function someParts(dice: Dice, count: number, region: Region): readonly Fitting[] {
  const pool = POOLS[region]
  const chosen = new Set(pool.filter(({ family }) => NEEDED.has(family) && dice.chance(0.7)))
  while (chosen.size < Math.min(count, pool.length * 0.8)) chosen.add(dice.pick(pool))
  return [...chosen]
}

export function somePlace(dice: Dice): Conditions {
  return {
    service: 'cold',
    flame: dice.chance(0.7),
    line: dice.chance(0.7) ? 'dry' : 'trickle',
    access: dice.chance(0.75) ? 'reachable' : 'closed-wall',
    stubMm: dice.chance(0.8) ? dice.whole(12, 80) : null,
    plateMm: dice.chance(0.3) ? 3 : 0,
    oldJoint: 'none',
    thread: 'none',
    scored: dice.chance(0.1),
    outOfRound: dice.chance(0.1),
    faults: [],
    waterSeen: true,
    nearHeater: dice.chance(0.1),
    pressurePsi: 60,
    stopShape: dice.pick(['angle', 'straight', 'either']),
    reachMm: dice.chance(0.3) ? dice.whole(100, 450) : null,
    freezing: dice.chance(0.4),
  }
}

/** How each kind of pipe usually ends at an old stop. */
export function usualEnd(pipeId: string): Partial<Conditions> {
  if (/^(galvanised|brass)/.test(pipeId)) return { oldJoint: 'threaded', thread: 'NPT' }
  if (pipeId.startsWith('cpvc')) return { oldJoint: 'cement' }
  if (pipeId.startsWith('pex-a')) return { oldJoint: 'expansion' }
  if (/^(pex|poly)/.test(pipeId)) return { oldJoint: 'crimp' }
  return { oldJoint: pipeId.endsWith('mm') ? 'compression' : 'sweat' }
}

export function someLine(
  dice: Dice,
  lineId: string,
  region: Region,
  fixtureId = dice.pick(FIXTURES[region]),
): LineRequest {
  const pipeId = dice.pick(STUBS.filter(({ id }) => id.endsWith('mm') === (region === 'metric'))).id
  // what is hot has no valve at a heater
  const service = fixtureId.startsWith('heater') && dice.chance(0.5) ? 'hot' : 'cold'
  const place = { ...somePlace(dice), ...usualEnd(pipeId), service } as const
  const direct = fixtureId.startsWith('valve')
  const stands = fixtureId.startsWith('heater')
  return {
    lineId,
    pipeId,
    to: mouthOf(fixtureId),
    conditions: {
      ...place,
      ...(direct && dice.chance(0.3) ? { spanMm: dice.whole(60, 500) } : {}),
      ...(stands && dice.chance(0.6) ? { givesMm: dice.whole(5, 40) } : {}),
    },
  }
}

/** The single line that a number stands for, with its part of the catalogue and a shop. */
export function someProblem(index: number) {
  const dice = new Dice(1000 + index)
  const region = dice.pick(['inch', 'inch', 'metric'] as const)
  const catalogue = someParts(dice, 200, region)
  const settings = someShop(dice, catalogue)
  return { catalogue, settings, line: someLine(dice, 'a', region) }
}

export function someShop(dice: Dice, parts: readonly Fitting[]): MateSettings {
  return {
    ...STARTING_SETTINGS,
    labourCentsPerHour: dice.whole(3000, 16_000),
    tripMinutes: dice.whole(0, 60),
    callBackCents: dice.whole(5000, 50_000),
    toolsAboard: TOOL_IDS.filter(() => dice.chance(0.7)),
    priceCents: Object.fromEntries(parts.map(({ id }) => [id, dice.whole(100, 3000)])),
    partsAboard: Object.fromEntries(
      parts.filter(() => dice.chance(0.5)).map(({ id }) => [id, dice.whole(1, 6)]),
    ),
  }
}
