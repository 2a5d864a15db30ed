// Two hundred questions as a repair shop meets them: what is in the wall, what goes in, what holds there, which van came.
import {
  type Conditions,
  type LineRequest,
  type MateRequest,
  mouthOf,
  PLAIN_CONDITIONS,
  SHELF_IDS,
  type ShelfId,
  STARTING_SETTINGS,
  VANS,
  withShelves,
} from '@diarmos/core'
import { Dice, usualEnd } from '../mate/random'

const INCH = [
  'copper.l.1/2',
  'copper.m.1/2',
  'copper.l.1/2',
  'galvanised.40.1/2',
  'brass.regular.1/2',
  'pex-b.sdr9.1/2',
  'pex-a.sdr9.1/2',
  'cpvc.sdr11.1/2',
  'polybutylene.sdr11.1/2',
] as const
const LARGE = [
  'copper.l.3/4',
  'galvanised.40.3/4',
  'pex-b.sdr9.3/4',
  'pex-a.sdr9.3/4',
  'cpvc.sdr11.3/4',
] as const
const METRIC = ['copper.regular.15mm', 'copper.thin.15mm', 'pex-b.copper-size.15mm'] as const
const METRIC_LARGE = ['copper.regular.22mm', 'copper.regular.15mm'] as const

/** What is asked for, by how often a repair shop is asked for it. */
const ASKED = [
  { weight: 8, kind: 'faucet.shank.1/2' },
  { weight: 6, kind: 'faucet.hose.3/8' },
  { weight: 7, kind: 'toilet.fill.7/8' },
  { weight: 3, kind: 'washer.hose' },
  { weight: 2, kind: 'appliance.comp.3/8' },
  { weight: 2, kind: 'appliance.comp.1/4' },
  { weight: 5, kind: 'hose.outlet', larger: true },
  { weight: 5, kind: 'heater.nipple.3/4', large: true },
  { weight: 4, kind: 'valve.combo.1/2', wall: true },
  { weight: 2, kind: 'valve.barb.1/2', wall: true },
  { weight: 2, kind: 'valve.expansion.1/2', wall: true },
  { weight: 2, kind: 'valve.female.1/2', wall: true },
  { weight: 3, kind: 'closed', larger: true },
  { weight: 6, kind: 'run.repair', larger: true },
  { weight: 4, kind: 'run.valve', larger: true },
  { weight: 4, kind: 'run.tee', larger: true },
  { weight: 2, kind: 'run.corner', larger: true },
  { weight: 3, kind: 'tap.tail.1/2', metric: true },
  { weight: 2, kind: 'toilet.fill.g1/2', metric: true },
  { weight: 1, kind: 'washer.hose.g3/4', metric: true },
  { weight: 1, kind: 'valve.compression.15', metric: true, wall: true },
  { weight: 1, kind: 'run.repair', metric: true, larger: true },
] as const
const DECK = ASKED.flatMap((asked) => Array.from({ length: asked.weight }, () => asked))

export type VanId = 'empty' | 'solders' | 'presses' | 'everything'

/** The vans that come: two as they are, one with nothing in it, one with everything. */
const SHELVES_OF: Readonly<Record<VanId, readonly ShelfId[]>> = { ...VANS, empty: [], everything: SHELF_IDS }
const settingsOf = (van: VanId) => ({
  ...STARTING_SETTINGS,
  ...withShelves(STARTING_SETTINGS, SHELVES_OF[van]),
})

export interface Question {
  readonly request: MateRequest & { readonly lines: readonly [LineRequest] }
  readonly kind: string
  readonly van: VanId
}

/** How the old fitting sits on that pipe, as found in houses. */
function found(dice: Dice, pipeId: string, wall: boolean): Partial<Conditions> {
  if (wall)
    return { oldJoint: dice.chance(0.6) ? 'none' : (usualEnd(pipeId).oldJoint ?? 'none'), ...thread(pipeId) }
  if (pipeId.startsWith('copper') && dice.chance(0.55)) return { oldJoint: 'compression' }
  if (/^(copper|pex|poly)/.test(pipeId) && dice.chance(0.12)) return { oldJoint: 'push-fit' }
  return usualEnd(pipeId)
}
const thread = (pipeId: string): Partial<Conditions> =>
  /^(galvanised|brass)/.test(pipeId) ? { thread: 'NPT', oldJoint: 'threaded' } : {}

/** The question that a number stands for. */
export function judged(index: number): Question {
  const dice = new Dice(90_000 + index)
  const asked = dice.pick(DECK)
  const { kind } = asked
  const metric = 'metric' in asked
  const wall = 'wall' in asked
  const large = 'large' in asked || ('larger' in asked && dice.chance(0.4))
  const pipeId = metric ? dice.pick(large ? METRIC_LARGE : METRIC) : dice.pick(large ? LARGE : INCH)
  const run = kind.startsWith('run.')
  const heater = kind.startsWith('heater')
  const hot = /^(faucet|washer|valve|tap|heater)/.test(kind) && dice.chance(0.5)
  const faults: Conditions['faults'] = dice.chance(0.18)
    ? [dice.pick(['pitted', 'ring-mark', 'tooth-marks', 'bent', 'loose', 'choked'] as const)]
    : run && dice.chance(0.3)
      ? ['pinhole']
      : []
  const conditions: Conditions = {
    ...PLAIN_CONDITIONS,
    service: hot ? 'hot' : 'cold',
    flame: dice.chance(0.75),
    line: dice.chance(0.8) ? 'dry' : 'trickle',
    access: wall || (run && dice.chance(0.3)) ? 'closed-wall' : 'reachable',
    stubMm: dice.chance(0.75) ? dice.whole(18, 90) : null,
    plateMm: dice.chance(0.3) ? 3 : 0,
    scored: dice.chance(0.08),
    outOfRound: dice.chance(0.05),
    faults,
    waterSeen: true,
    nearHeater: heater && dice.chance(0.3),
    pressurePsi: dice.chance(0.15) ? 95 : 60,
    stopShape: dice.pick(['angle', 'angle', 'straight', 'either'] as const),
    reachMm: dice.chance(0.5) ? dice.whole(180, 480) : null,
    freezing: dice.chance(0.5),
    wallMm: kind === 'hose.outlet' && dice.chance(0.6) ? dice.whole(90, 280) : null,
    ...(run ? thread(pipeId) : found(dice, pipeId, wall)),
    ...(run ? { oldJoint: 'none' as const } : {}),
  }
  const van = dice.pick(['solders', 'solders', 'presses', 'empty', 'everything'] as const)
  const line: LineRequest = run
    ? {
        lineId: 'a',
        pipeId,
        conditions,
        cutIn: {
          insert: kind.slice(4) as 'repair' | 'tee' | 'valve' | 'corner',
          farMm: dice.chance(0.7) ? dice.whole(30, 200) : null,
          freeMm: [dice.whole(150, 2500), dice.whole(150, 2500)],
          outMm: kind === 'run.repair' ? dice.whole(10, 90) : null,
          sidewaysMm: dice.whole(0, 50),
        },
      }
    : { lineId: 'a', pipeId, to: mouthOf(kind), conditions }
  return { request: { lines: [line], settings: settingsOf(van), k: 8 }, kind, van }
}
