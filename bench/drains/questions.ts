// Drains that a shop would meet: every old pipe of a drain, how it ends, what is put on it, and where.
import {
  type Conditions,
  catalogueOf,
  type LineRequest,
  type MateSettings,
  mouthOf,
  nominalNumber,
  OLD_JOINT_IDS,
  type OldJoint,
  oldJointsOn,
  PIPES,
  PLAIN_CONDITIONS,
  SINK_WASTES,
  STARTING_SETTINGS,
  TOOL_IDS,
} from '@diarmos/core'
import { Dice } from '../mate/random'

/** Pipes that drains of houses are of, up to what a toilet stands on. */
export const DRAIN_STUBS = PIPES.filter(
  ({ id, nominal }) =>
    /^(pvc-dwv|abs-dwv|galvanised\.40|black\.40|copper\.dwv|cast-iron\.(hubless|service|heavy)|lead-waste|clay)\./.test(
      id,
    ) && ['1-1/4', '1-1/2', '2', '3', '4'].includes(nominal),
)
/** What waste leaves by, and the sizes of old pipe that it is met on, inches. */
export const DRAIN_KINDS: readonly (readonly [kind: string, fromIn: number, toIn: number])[] = [
  ['waste.tail.1-1/4', 1.25, 2],
  ['waste.tail.1-1/2', 1.25, 2],
  ['waste.bowl', 3, 4],
  ['waste.shower.2', 1.5, 3],
  ['waste.tub.1-1/2', 1.5, 3],
  ['waste.tub.glued.1-1/2', 1.5, 3],
  ['waste.standpipe', 1.25, 3],
]

const JOINTS: ReadonlySet<string> = new Set(OLD_JOINT_IDS)

/** A shop: what lies aboard for drains, and what it holds to. */
export function someShop(dice: Dice): MateSettings {
  const share = dice.pick([0, 0.05, 0.3, 0.8])
  // dice of their own: one part more in the catalogue changes nothing of a place
  const lies = new Dice(dice.whole(0, 1_000_000))
  return {
    ...STARTING_SETTINGS,
    toolsAboard: TOOL_IDS.filter(() => dice.chance(0.8)),
    partsAboard: Object.fromEntries(
      catalogueOf('drain').flatMap(({ id }) => (lies.chance(share) ? [[id, lies.whole(1, 4)]] : [])),
    ),
    houseRules: {
      ...STARTING_SETTINGS.houseRules,
      twistIn: dice.pick(['refuse', 'accept'] as const),
      flexibleAbove: dice.pick(['shielded', 'accept'] as const),
    },
  }
}

/** Wastes whose drain is seen where it comes out of wall or floor. */
const IN_SIGHT = /^waste\.(tail|standpipe)/
/** Those whose pipe may turn before the trap. */
const BELOW = /^waste\.(shower|tub|standpipe)/
/** A bowl’s may turn up out of pipe that lies, where no flange stands on it. */

/** What lies under a floor or in a wall may turn before its trap. */
function turnOf(index: number, kind: string): { turn?: 45 | 90 } {
  // dice of its own, so that all else stays as it was
  const dice = new Dice(5_000_000 + index)
  // said of a basin too: what was asked of another waste says nothing of it
  return dice.chance(BELOW.test(kind) || kind === 'waste.bowl' ? 0.3 : 0.1)
    ? { turn: dice.pick([45, 90] as const) }
    : {}
}

/** How far its drain stands out was measured; said of a basin too, where it says nothing. */
function spanOf(index: number, kind: string): { spanMm?: number } {
  const dice = new Dice(6_000_000 + index)
  if (kind === 'waste.bowl' || !dice.chance(BELOW.test(kind) ? 0.5 : 0.1)) return {}
  return { spanMm: dice.chance(0.5) ? dice.whole(100, 400) : dice.whole(400, 1200) }
}

/** The drain that a number stands for. */
export function someDrain(index: number): { readonly line: LineRequest; readonly settings: MateSettings } {
  const dice = new Dice(700_000 + index)
  const [kind, from, to] = dice.pick(DRAIN_KINDS)
  const pipe = dice.pick(
    DRAIN_STUBS.filter(({ nominal }) => nominalNumber(nominal) >= from && nominalNumber(nominal) <= to),
  )
  const bowl = kind === 'waste.bowl'
  const met = oldJointsOn(pipe.material, true, pipe).filter(
    (id): id is OldJoint => JOINTS.has(id) && (id !== 'flange' || bowl),
  )
  const oldJoint = bowl && met.includes('flange') && dice.chance(0.7) ? 'flange' : dice.pick(met)
  const conditions: Conditions = {
    service: 'waste',
    flame: true,
    line: dice.chance(0.8) ? 'dry' : 'trickle',
    access: dice.chance(0.7) ? 'reachable' : dice.chance(0.7) ? 'closed-wall' : 'buried',
    stubMm: dice.chance(0.6) ? dice.whole(0, 150) : null,
    plateMm: dice.chance(0.2) && !bowl ? 3 : 0,
    oldJoint,
    thread: oldJoint === 'threaded' || (/^(galv|black)/.test(pipe.id) && dice.chance(0.6)) ? 'NPT' : 'none',
    scored: false,
    outOfRound: dice.chance(0.1),
    faults: [
      ...(bowl && dice.chance(0.3) ? (['ring-broken'] as const) : []),
      ...(dice.chance(0.1) ? (['hub-split'] as const) : []),
      ...(dice.chance(0.1) ? ([dice.pick(['thinned', 'pinhole', 'loose'] as const)] as const) : []),
    ],
    waterSeen: true,
    nearHeater: false,
    pressurePsi: null,
    stopShape: 'angle',
    reachMm: null,
    roomMm: dice.chance(0.2) ? dice.whole(0, 100) : null,
    spanMm: bowl && dice.chance(0.4) ? dice.whole(60, 300) : null,
    trapped: !bowl && dice.chance(0.2),
    slow: dice.chance(0.1),
    flangeMm: bowl && dice.chance(0.7) ? dice.whole(-60, 20) : null,
  }
  const settings = someShop(dice)
  const wall = bowl && dice.chance(0.4)
  const rough = wall
    ? { roughMm: dice.whole(220, 400), bowlMm: dice.pick([254, 304.8, 355.6]) }
    : { roughMm: null, bowlMm: null }
  return {
    line: {
      lineId: 'a',
      pipeId: pipe.id,
      to: mouthOf(kind),
      conditions: {
        ...conditions,
        ...rough,
        rises: IN_SIGHT.test(kind) && dice.chance(0.25),
        ...turnOf(index, kind),
        ...spanOf(index, kind),
      },
    },
    settings,
  }
}

/** What comes down under a kitchen sink. */
export const SINK_KINDS: readonly string[] = SINK_WASTES.map(({ id }) => id)

/** The kitchen sink that a number stands for: the place of a basin's question, another waste. */
export function someSink(index: number): { readonly line: LineRequest; readonly settings: MateSettings } {
  const dice = new Dice(800_000 + index)
  for (let at = index * 31; ; at++) {
    const { line, settings } = someDrain(at)
    if (line.to?.kind?.startsWith('waste.tail.'))
      return { line: { ...line, to: mouthOf(dice.pick(SINK_KINDS)) }, settings }
  }
}

/** Pipes of metric waste, and what is met on them. */
export const METRIC_STUBS = PIPES.filter(
  ({ id, nominal }) => id.startsWith('waste.') && ['32', '40', '50'].includes(nominal),
)
export const METRIC_KINDS: readonly (readonly [kind: string, fromIn: number, toIn: number])[] = [
  ['waste.tail.g1-1/4', 1.25, 2],
  ['waste.tail.g1-1/2', 1.5, 2],
  ['waste.standpipe', 1.5, 2],
  ['waste.shower.40', 1.5, 2],
  ['waste.shower.50', 2, 2],
]
/** Pipes that a bowl's spigot goes to. */
export const PAN_STUBS = PIPES.filter(({ id }) =>
  /^(waste\.(solvent|pp)\.110mm|cast-iron\.service\.4)$/.test(id),
)
/** By its name, inches; a name in millimetres is a little more or less than that. */
export const quarters = ({ system, nominal }: Pick<(typeof PIPES)[number], 'system' | 'nominal'>) =>
  system.startsWith('metric') ? Math.round((4 * nominalNumber(nominal)) / 25.4) / 4 : nominalNumber(nominal)

/** The metric waste that a number stands for: the place of another question, its own pipe, end and waste. */
export function someMetricDrain(index: number): {
  readonly line: LineRequest
  readonly settings: MateSettings
} {
  const dice = new Dice(900_000 + index)
  // every pipe in its turn
  const pipe = METRIC_STUBS[index % METRIC_STUBS.length] as (typeof METRIC_STUBS)[number]
  const [kind] = dice.pick(
    METRIC_KINDS.filter(([, from, to]) => quarters(pipe) >= from && quarters(pipe) <= to),
  )
  const like = /standpipe|shower|tail/.exec(kind)?.[0] ?? ''
  for (let at = index * 31; ; at++) {
    const { line, settings } = someDrain(at)
    if (!line.to?.kind?.includes(like)) continue
    const oldJoint = dice.pick(oldJointsOn(pipe.material, true, pipe))
    const conditions = { ...line.conditions, oldJoint, thread: 'none' as const }
    return { line: { ...line, pipeId: pipe.id, to: mouthOf(kind), conditions }, settings }
  }
}

/** The bowl with a spigot that a number stands for: heights and the way between measured, or not. */
export function somePan(index: number): { readonly line: LineRequest; readonly settings: MateSettings } {
  const dice = new Dice(950_000 + index)
  const pipe = PAN_STUBS[index % PAN_STUBS.length] as (typeof PAN_STUBS)[number]
  const { line, settings } = someDrain(index * 31)
  const measured = dice.chance(0.7)
  const conditions: Conditions = {
    ...line.conditions,
    oldJoint: dice.pick(oldJointsOn(pipe.material, true, pipe).filter((id) => id !== 'flange')),
    thread: 'none',
    rises: dice.chance(0.3),
    trapped: dice.chance(0.1),
    roughMm: measured ? dice.whole(120, 220) : null,
    bowlMm: measured ? dice.pick([180, 185, 190]) : null,
    reachMm: dice.chance(0.6) ? dice.whole(5, 450) : null,
    flangeMm: null,
    faults: [],
  }
  return { settings, line: { ...line, pipeId: pipe.id, to: mouthOf('waste.pan'), conditions } }
}

/** The drain that is closed for good, a number each: every pipe of a drain in its turn, as it ends, wherever it lies. */
export function someClosed(index: number): { readonly line: LineRequest; readonly settings: MateSettings } {
  const dice = new Dice(980_000 + index)
  const pipes = [...DRAIN_STUBS, ...METRIC_STUBS, ...PAN_STUBS.filter(({ id }) => id.startsWith('waste.'))]
  const pipe = pipes[index % pipes.length] as (typeof pipes)[number]
  const { line, settings } = someDrain(index * 31)
  const oldJoint = dice.pick(
    oldJointsOn(pipe.material, true, pipe).filter(
      (id): id is OldJoint => JOINTS.has(id) && (id !== 'flange' || quarters(pipe) >= 3),
    ),
  )
  const steel = pipe.material.endsWith('steel')
  const conditions: Conditions = {
    ...line.conditions,
    oldJoint,
    thread: oldJoint === 'threaded' || (steel && dice.chance(0.6)) ? 'NPT' : 'none',
    faults: line.conditions.faults.filter((fault) => fault !== 'ring-broken'),
    // said of what stood there before: nothing of it counts any more
    trapped: dice.chance(0.2),
    unvented: dice.chance(0.2),
  }
  return { settings, line: { ...line, pipeId: pipe.id, to: mouthOf('waste.closed'), conditions } }
}

/** The box in a wall that a number stands for: on what stays of an old standpipe, or on a trap of its own. */
export function someBox(index: number): { readonly line: LineRequest; readonly settings: MateSettings } {
  const dice = new Dice(985_000 + index)
  const pipes = DRAIN_STUBS.filter((pipe) => quarters(pipe) >= 1.5 && quarters(pipe) <= 3)
  const pipe = pipes[index % pipes.length] as (typeof pipes)[number]
  const { line, settings } = someDrain(index * 31)
  const oldJoint = dice.pick(
    oldJointsOn(pipe.material, true, pipe).filter((id) => JOINTS.has(id) && id !== 'flange'),
  )
  const steel = pipe.material.endsWith('steel')
  const conditions: Conditions = {
    ...line.conditions,
    oldJoint,
    thread: oldJoint === 'threaded' || (steel && dice.chance(0.6)) ? 'NPT' : 'none',
    trapped: dice.chance(0.5),
    unvented: dice.chance(0.2),
    rises: dice.chance(0.2),
    turn: dice.chance(0.2) ? dice.pick([45, 90] as const) : 0,
    spanMm: dice.chance(0.4) ? dice.whole(100, 1200) : null,
    flangeMm: null,
    faults: line.conditions.faults.filter((fault) => fault !== 'ring-broken'),
  }
  return { settings, line: { ...line, pipeId: pipe.id, to: mouthOf('waste.box.2'), conditions } }
}

/** A plain place with nothing aboard: what only the pipe, its end and the waste decide. */
export function plainDrain(
  pipeId: string,
  kind: string,
  oldJoint: OldJoint,
): { readonly line: LineRequest; readonly settings: MateSettings } {
  const { line } = someDrain(0)
  return {
    settings: { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS },
    line: {
      lineId: 'a',
      pipeId,
      to: mouthOf(kind),
      conditions: {
        ...line.conditions,
        ...PLAIN_CONDITIONS,
        service: 'waste',
        waterSeen: true,
        oldJoint,
        thread: oldJoint === 'threaded' ? 'NPT' : 'none',
      },
    },
  }
}
