// Questions that a shop would meet: every kind of thing that goes in, every old pipe, places and vans of all sorts.
import {
  BODY_KINDS,
  CATALOG,
  type Conditions,
  type LineRequest,
  type MateRequest,
  mouthOf,
  PIPES,
  STARTING_SETTINGS,
  TOOL_IDS,
} from '@diarmos/core'
import { Dice, someShop, usualEnd } from '../mate/random'

const SUPPLY =
  /^(copper\.(k|l|m|thin|regular)\.|galvanised\.40|black\.40|brass\.regular|pex-[ab]\.sdr9|pex-[ab]\.metric|cpvc\.sdr11|polybutylene\.sdr11)/
/** Supplies of houses: what is larger leads to no fixture. */
const HOUSE = new Set(['3/8', '1/2', '3/4', '1', '10', '12', '15', '16', '18', '20', '22', '25', '28'])
const STUBS = PIPES.filter(({ id, temper, nominal }) => SUPPLY.test(id) && !temper && HOUSE.has(nominal))
/** Kinds and parts of metric waste and of drains that came later: numbers of questions that found something keep their meaning. */
const LATER_KINDS = /^(waste\.)?box\.|^waste\.run\.(tee|wye)\.(32|40|50|110|double|left|right|iron)(?=\.|$)/
const LATER_PARTS =
  /^(tee\.(double|left|right)\.|coupling\.hubless\.heavy|(tee\.sanitary|wye|cleanout)\.hubless\.|p-trap\.\w+\.(union|cleanout)|pan\.|bend\.closet|bushing\.extended|coupling\.(shielded\.copperxplastic\.4|flexible\.copper)|(cap|plug)\.(drain|waste|hubless)\.|adapter\.drain\.|bend\.(quarter|sixth|sixteenth|eighth\.hubless)|(tee\.swept|branch\.45|cleanout)\.waste)|^(coupling|bend|tube)\.(\w+\.)*waste.*110/
const KINDS = BODY_KINDS.filter(
  ({ id, ports, insert }) =>
    !LATER_KINDS.test(id) &&
    (insert || ports.some(({ service, flow }) => flow === 'in' && service !== 'waste')),
)
const PARTS = CATALOG.filter(({ id }) => !LATER_PARTS.test(id))
const metricKind = (id: string) => /g1\/2|g3\/8|g3\/4|bsp|compression|tap\./.test(id)
const metricPipe = ({ system }: (typeof PIPES)[number]) => system.startsWith('metric')

function joined(dice: Dice, id: string): Partial<Conditions> {
  if (dice.chance(0.15)) return { oldJoint: 'none' }
  if (/^(copper|pex|poly)/.test(id) && dice.chance(0.25)) return { oldJoint: 'push-fit' }
  if (id.startsWith('copper') && dice.chance(0.3)) return { oldJoint: 'compression' }
  return usualEnd(id)
}

function place(dice: Dice, kind: string): Conditions {
  return {
    service: /^(appliance\.comp\.3|valve|heater|faucet|tap)/.test(kind) && dice.chance(0.5) ? 'hot' : 'cold',
    flame: dice.chance(0.7),
    line: dice.chance(0.8) ? 'dry' : 'trickle',
    access: dice.chance(0.7) ? 'reachable' : dice.chance(0.9) ? 'closed-wall' : 'buried',
    stubMm: dice.chance(0.7) ? dice.whole(10, 120) : null,
    plateMm: dice.chance(0.2) ? 3 : 0,
    oldJoint: 'none',
    thread: 'none',
    scored: dice.chance(0.1),
    outOfRound: dice.chance(0.1),
    faults: dice.chance(0.15)
      ? [dice.pick(['pitted', 'pinhole', 'ring-mark', 'tooth-marks', 'thinned', 'bent'] as const)]
      : [],
    waterSeen: dice.chance(0.95),
    nearHeater: dice.chance(0.08),
    pressurePsi: 60,
    stopShape: dice.pick(['angle', 'straight', 'either'] as const),
    reachMm: dice.chance(0.4) ? dice.whole(80, 500) : null,
    freezing: dice.chance(0.3),
    wallMm: dice.chance(0.3) ? dice.whole(60, 300) : null,
    turn: dice.chance(0.1) ? 90 : 0,
  }
}

/** Before a heater: how far the pipe can be lifted. By dice of its own, so that numbers keep their meaning. */
function lifted(index: number, kind: string): Partial<Conditions> {
  const dice = new Dice(70_000 + index)
  return kind.startsWith('heater') && dice.chance(0.5) ? { givesMm: dice.whole(5, 60) } : {}
}

/** What lies on a van: nothing, a few things, or much of it. */
function van(dice: Dice) {
  const share = dice.pick([0, 0.02, 0.2, 0.7])
  const parts = PARTS.filter(() => dice.chance(share))
  if (dice.chance(0.3)) return someShop(dice, parts)
  return {
    ...STARTING_SETTINGS,
    toolsAboard: TOOL_IDS.filter((id) => dice.chance(id === 'press-tool' ? 0.4 : 0.9)),
    partsAboard: Object.fromEntries(parts.map(({ id }) => [id, dice.whole(1, 6)])),
    houseRules: {
      ...STARTING_SETTINGS.houseRules,
      pushFitConcealed: dice.pick(['allow', 'reachable-only', 'emergency-only'] as const),
    },
  }
}

/** The question that a number stands for: one line. */
export function someQuestion(index: number): MateRequest & { readonly lines: readonly [LineRequest] } {
  const dice = new Dice(50_000 + index)
  const metric = dice.chance(0.25)
  const kind = dice.pick(KINDS.filter(({ id }) => !metricKind(id) || metric))
  const pipe = dice.pick(
    STUBS.filter(
      (each) => metricPipe(each) === (metric && metricKind(kind.id) ? true : metric && dice.chance(0.5)),
    ),
  )
  const conditions = { ...place(dice, kind.id), ...joined(dice, pipe.id), ...lifted(index, kind.id) }
  const free = dice.whole(100, 3000)
  const line: LineRequest = kind.insert
    ? {
        lineId: 'a',
        pipeId: pipe.id,
        conditions,
        cutIn: {
          insert: kind.insert,
          farMm: dice.chance(0.7) ? dice.whole(20, 200) : null,
          freeMm: [free, dice.whole(100, 3000)],
          outMm: dice.chance(0.3) ? dice.whole(10, 120) : null,
          sidewaysMm: dice.whole(0, 60),
        },
      }
    : { lineId: 'a', pipeId: pipe.id, to: mouthOf(kind.id), conditions }
  return { lines: [line], settings: van(dice), k: 8 }
}
