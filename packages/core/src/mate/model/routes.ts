import type { RouteId } from '../../assembly/bodies/types'
import type { Conditions } from '../../assembly/conditions'
import type { Family, Fitting } from '../../catalog/types'
import { panIsFar } from '../../fitup/pan'
import { isMetricWaste, type Medium } from '../../reference/materials'
import type { PipeMaterial } from '../../reference/types'
import type { CutIn } from '../types'

/** What a part does in a line, whatever its ends. */
export type Role =
  | 'piece'
  | 'tube'
  | 'hose-adapter'
  | 'stop'
  | 'dual-stop'
  | 'washing-valve'
  | 'bib'
  | 'protected-bib'
  | 'breaker'
  | 'isolating'
  | 'connector'
  | 'tap-connector'
  | 'elbow'
  | 'drop-ear'
  | 'slip'
  | 'union'
  | 'tee'
  | 'closer'
  | 'trap-adapter'
  | 'trap'
  | 'extension'
  | 'p-trap'
  | 'standpipe'
  | 'flange'
  | 'flange-aside'
  | 'flange-riser'
  | 'flange-ring'
  | 'cleanout'
  | 'centre-waste'
  | 'end-waste'
  | 'disposer-waste'
  | 'branch-tail'
  | 'vent-tee'
  | 'vent-riser'
  | 'sanitary-tee'
  | 'wye'
  | 'grip-trap'
  // measured for in an offset; no line is turned by it
  | 'bend'
  | 'pan-connector'
  | 'pan-bend'

const ROLES: Readonly<Record<Family, Role>> = {
  'angle-stop': 'stop',
  'straight-stop': 'stop',
  'dual-stop': 'dual-stop',
  'washing-valve': 'washing-valve',
  'hose-bib': 'bib',
  'frost-free-bib': 'bib',
  'vacuum-breaker': 'breaker',
  'isolating-valve': 'isolating',
  coupling: 'piece',
  'slip-coupling': 'slip',
  'repair-coupling': 'slip',
  'reducing-coupling': 'piece',
  'fitting-reducer': 'piece',
  'male-adapter': 'piece',
  'female-adapter': 'piece',
  'threaded-coupling': 'piece',
  bushing: 'piece',
  nipple: 'piece',
  union: 'union',
  'dielectric-union': 'piece',
  'transition-coupling': 'piece',
  'thread-converter': 'piece',
  'tap-connector': 'tap-connector',
  'hose-adapter': 'hose-adapter',
  'elbow-90': 'elbow',
  'elbow-45': 'elbow',
  'street-elbow-90': 'elbow',
  'street-elbow-45': 'elbow',
  'drop-ear-elbow': 'drop-ear',
  tee: 'tee',
  'slip-tee': 'tee',
  cap: 'closer',
  plug: 'closer',
  'supply-connector': 'connector',
  'tube-piece': 'tube',
  'trap-adapter': 'trap-adapter',
  'shielded-coupling': 'piece',
  'tubular-trap': 'trap',
  'tail-extension': 'extension',
  'flexible-coupling': 'piece',
  'p-trap': 'p-trap',
  standpipe: 'standpipe',
  'closet-flange': 'flange',
  'flange-riser': 'flange-riser',
  'flange-repair-ring': 'flange-ring',
  'cleanout-tee': 'cleanout',
  'centre-waste': 'centre-waste',
  'end-waste': 'end-waste',
  'disposer-waste': 'disposer-waste',
  'branch-tail': 'branch-tail',
  'vent-tee': 'vent-tee',
  'vent-riser': 'vent-riser',
  'sanitary-tee': 'sanitary-tee',
  wye: 'wye',
  'wye-eighth': 'wye',
  'compression-trap': 'grip-trap',
  'drain-bend': 'bend',
  'pan-connector': 'pan-connector',
  'pan-bend': 'pan-bend',
}

/** What a part does in a line. */
export function roleOf(part: Pick<Fitting, 'family' | 'protects' | 'shiftMm'>): Role {
  const role = ROLES[part.family]
  if (part.shiftMm && role === 'flange') return 'flange-aside'
  return role === 'bib' && part.protects ? 'protected-bib' : role
}

/** Whether a part is drawn together by a nut: it is never closed into a wall, whatever its own joints are. */
export function hasUnionNut(family: Family): boolean {
  return family === 'union' || family === 'dielectric-union'
}

/**
 * Stages of a line, counted from the old pipe: which roles are allowed at each and where they lead. A line is an
 * automaton, so that a new kind of fixture is a new table.
 */
export interface Route {
  readonly id: RouteId | 'cut-in'
  /** What it carries: water where it is not said. */
  readonly medium?: Medium
  readonly stages: readonly Readonly<Partial<Record<Role, number>>>[]
  /** Stages at which the joint to the fixture's end may be made. */
  readonly goalAt: readonly number[]
  /** The stage that is itself the end, where no joint to a fixture follows. */
  readonly endsAt?: number
  /** It takes a tee with a valve that admits air. */
  readonly vents?: true
  /** Its length counts up to the middle of its trap, which stands under the drain: the stage behind that. */
  readonly trapAt?: number
  /** The first stage that is no longer in the place the access condition speaks of: beyond the stop. */
  readonly opensAt: number
  /** Pipe goes before the connector of a bowl's spigot, and makes up its way. */
  readonly led?: true
}

/** Under a kitchen sink: as under a basin up to the trap, then what joins the bowls, then what takes the dishwasher. */
const SINKS = {
  'sink-centre': ['centre-waste'],
  'sink-end': ['end-waste'],
  'sink-disposer': ['disposer-waste'],
  'sink-dish': ['branch-tail'],
  'sink-centre-dish': ['centre-waste', 'branch-tail'],
  'sink-end-dish': ['end-waste', 'branch-tail'],
} as const satisfies Readonly<Partial<Record<RouteId, readonly Role[]>>>

/** @param chain what follows the trap adapter, in order */
function underSink(id: RouteId, chain: readonly Role[]): Route {
  return {
    id,
    medium: 'drain',
    stages: [
      { piece: 0, tube: 0, 'trap-adapter': 1 },
      ...chain.map((role, index) => ({ [role]: index + 2 })),
      {},
    ],
    goalAt: [chain.length + 1],
    opensAt: 1,
  }
}

const SINK_IDS = Object.keys(SINKS) as (keyof typeof SINKS)[]
const sinkRoutes = (before: readonly Role[]) =>
  Object.fromEntries(SINK_IDS.map((id) => [id, underSink(id, [...before, ...SINKS[id]])])) as Readonly<
    Record<keyof typeof SINKS, Route>
  >

/** Under a floor or in a wall: pipe, one trap, and pipe again up to the fixture; what is smaller than usual is told apart. */
const below = (id: 'trap-below' | 'trap-shower'): Route => ({
  id,
  medium: 'drain',
  stages: [{ piece: 0, tube: 0, elbow: 0, 'p-trap': 1 }, { piece: 1, tube: 1, 'trap-adapter': 2 }, {}],
  goalAt: [1, 2],
  opensAt: 3,
})
const trappedBelow = (id: 'trap-below' | 'trap-shower'): Route => ({
  ...below(id),
  stages: [{ piece: 0, tube: 0, elbow: 0, 'trap-adapter': 1 }, {}],
  goalAt: [0, 1],
})

const ROUTES: Readonly<Record<RouteId, Route>> = {
  // a quarter-turn stop and a connector, or a valve in the line and a tap connector
  stop: {
    id: 'stop',
    stages: [
      { piece: 0, tube: 0, elbow: 0, stop: 1, isolating: 3 },
      { connector: 2 },
      {},
      // the valve stands at the end of the run: one piece of tube at most between it and the tap
      { tube: 4, 'tap-connector': 2 },
      { 'tap-connector': 2 },
    ],
    goalAt: [1, 2],
    opensAt: 1,
  },
  washing: {
    id: 'washing',
    stages: [{ piece: 0, tube: 0, elbow: 0, 'washing-valve': 1 }, {}],
    goalAt: [1],
    opensAt: 1,
  },
  bib: {
    id: 'bib',
    stages: [
      { piece: 0, tube: 0, elbow: 0, 'drop-ear': 1, bib: 2, 'protected-bib': 3 },
      { bib: 2, 'protected-bib': 3 },
      { breaker: 3 },
      {},
    ],
    goalAt: [],
    endsAt: 3,
    opensAt: 2,
  },
  direct: { id: 'direct', stages: [{ piece: 0, tube: 0, elbow: 0, union: 0 }], goalAt: [0], opensAt: 1 },
  // what stands there is taken out for service: a valve in the cold, none in the hot, and hose or hard pipe
  flexible: {
    id: 'flexible',
    stages: [
      { piece: 0, tube: 0, elbow: 0, union: 0, isolating: 1 },
      { piece: 1, tube: 1, union: 1, connector: 2 },
      {},
    ],
    goalAt: [1, 2],
    opensAt: 1,
  },
  arm: {
    id: 'arm',
    stages: [
      { piece: 0, tube: 0, 'drop-ear': 1 },
      { piece: 1, tube: 1 },
    ],
    goalAt: [1],
    opensAt: 2,
  },
  spout: {
    id: 'spout',
    stages: [
      { piece: 0, tube: 0, elbow: 0, 'drop-ear': 1 },
      { piece: 1, tube: 1 },
    ],
    goalAt: [1],
    opensAt: 2,
  },
  cap: { id: 'cap', stages: [{ piece: 0, closer: 1 }, {}], goalAt: [], endsAt: 1, opensAt: 2 },
  // from the stub outward: what grips tube, one trap, at most one longer tail; a metric trap grips the pipe itself
  trap: {
    id: 'trap',
    medium: 'drain',
    stages: [{ piece: 0, tube: 0, 'trap-adapter': 1, 'grip-trap': 2 }, { trap: 2 }, { extension: 3 }, {}],
    goalAt: [2, 3],
    opensAt: 1,
  },
  'trap-below': below('trap-below'),
  'trap-shower': below('trap-shower'),
  // the fixture brings its trap: pipe up to its outlet
  'trap-own': {
    id: 'trap-own',
    medium: 'drain',
    stages: [{ piece: 0, tube: 0, elbow: 0 }],
    goalAt: [0],
    opensAt: 1,
  },
  // the bowl is its own trap here too: what its spigot goes into, and that into the pipe
  pan: {
    id: 'pan',
    medium: 'drain',
    stages: [{ 'pan-connector': 1, 'pan-bend': 1 }, {}],
    goalAt: [1],
    // it stands behind the bowl, whatever closes round the pipe
    opensAt: 0,
  },
  // nothing more comes down: a cap, on one piece of pipe where the old end takes none
  'cap-drain': {
    id: 'cap-drain',
    medium: 'drain',
    stages: [{ piece: 0, tube: 1, closer: 2 }, { piece: 1, closer: 2 }, {}],
    goalAt: [],
    endsAt: 2,
    opensAt: 3,
  },
  standpipe: {
    id: 'standpipe',
    medium: 'drain',
    stages: [{ piece: 0, tube: 0, elbow: 0, 'p-trap': 1 }, { piece: 1, tube: 1, standpipe: 2 }, {}],
    goalAt: [],
    endsAt: 2,
    opensAt: 3,
  },
  // the same up into the bottom of a box in the wall, which takes the pipe
  'machine-box': {
    id: 'machine-box',
    medium: 'drain',
    stages: [{ piece: 0, tube: 0, elbow: 0, 'p-trap': 1 }, { tube: 2 }, {}],
    goalAt: [2],
    opensAt: 3,
  },
  // the bowl is its own trap: pipe, and what it stands on
  closet: {
    id: 'closet',
    medium: 'drain',
    stages: [
      { piece: 0, tube: 0, elbow: 0, flange: 1, 'flange-aside': 1 },
      // one ring over a broken one, then what brings it up
      { 'flange-ring': 2, 'flange-riser': 3 },
      { 'flange-riser': 3 },
      { 'flange-riser': 4 },
      {},
    ],
    goalAt: [1, 2, 3, 4],
    opensAt: 1,
  },
  // two ends joined, or one reduced to the other: no valve that nobody asked for, and nothing flexible
  any: { id: 'any', stages: [{ piece: 0, tube: 0, union: 0 }], goalAt: [0], opensAt: 1 },
  'stop-only': {
    id: 'stop-only',
    stages: [{ piece: 0, tube: 0, elbow: 0, stop: 1 }, {}],
    goalAt: [],
    endsAt: 1,
    opensAt: 1,
  },
  ...sinkRoutes(['trap']),
}

/** A bowl's spigot with pipe before its connector. */
const PAN_BY_PIPE: Route = {
  ...ROUTES.pan,
  stages: [
    { piece: 0, elbow: 0, tube: 1 },
    { piece: 1, elbow: 1, tube: 1, 'pan-connector': 2, 'pan-bend': 2 },
    {},
  ],
  goalAt: [2],
  opensAt: 1,
  led: true,
}

/** Where a trap further down stays, proved by the water that stands in it: none is put in besides. */
const TRAPPED: Readonly<Partial<Record<RouteId, Route>>> = {
  trap: {
    ...ROUTES.trap,
    stages: [{ piece: 0, tube: 0, 'trap-adapter': 1 }, { extension: 2 }, {}],
    goalAt: [1, 2],
  },
  'trap-below': trappedBelow('trap-below'),
  'trap-shower': trappedBelow('trap-shower'),
  standpipe: {
    ...ROUTES.standpipe,
    stages: [{ piece: 0, tube: 0, elbow: 0, standpipe: 1 }, {}],
    endsAt: 1,
  },
  'machine-box': {
    ...ROUTES['machine-box'],
    // the old standpipe itself where it stays
    stages: [{ piece: 0, tube: 0, elbow: 0 }],
    goalAt: [0],
    opensAt: 1,
  },
  ...sinkRoutes([]),
}

/** Where no vent is: a tee with a valve that admits air, before the trap; nothing that stays beyond it is kept. */
const UNVENTED: Readonly<Partial<Record<RouteId, Route>>> = {
  trap: { ...ROUTES.trap, stages: withTee(ROUTES.trap), vents: true },
  standpipe: {
    ...ROUTES.standpipe,
    stages: [
      { piece: 0, tube: 0, elbow: 0, 'vent-tee': 1, 'vent-riser': 1 },
      { tube: 1, 'p-trap': 2 },
      { piece: 2, tube: 2, standpipe: 3 },
      {},
    ],
    endsAt: 3,
    opensAt: 4,
    vents: true,
  },
  'machine-box': {
    ...ROUTES['machine-box'],
    stages: [
      { piece: 0, tube: 0, elbow: 0, 'vent-tee': 1, 'vent-riser': 1 },
      { tube: 1, 'p-trap': 2 },
      { tube: 3 },
      {},
    ],
    goalAt: [3],
    opensAt: 4,
    vents: true,
  },
  ...Object.fromEntries(
    SINK_IDS.map((id) => [id, { ...ROUTES[id], stages: withTee(ROUTES[id]), vents: true as const }]),
  ),
}

/**
 * The same with a piece of pipe between the old end and the trap, or the tee before it: what is missing.
 *
 * @param further what may follow that piece before the trap: where a length counts, one of another size
 */
function bridged(route: Route, further: Route['stages'][number] = {}): Route {
  const [first = {}, ...behind] = route.stages
  const { piece = 0, tube: _, elbow: __, ...on } = first
  const later = (roles: Route['stages'][number]) =>
    Object.fromEntries(Object.entries(roles).map(([role, stage]) => [role, stage + 1])) as typeof roles
  const stages = [{ ...later(on), piece, tube: 1 }, { ...later(on), ...further }, ...behind.map(later)]
  return {
    ...route,
    stages,
    goalAt: route.goalAt.map((stage) => stage + 1),
    ...(route.endsAt === undefined ? {} : { endsAt: route.endsAt + 1 }),
    opensAt: route.opensAt + 1,
  }
}

/** Where it was measured how far the drain stands out, so that its length counts up to the trap. */
function measured(route: Route): Route {
  const { stages, ...rest } = bridged(route, { piece: 1, tube: 1 })
  return {
    ...rest,
    stages,
    trapAt: Math.min(...stages.map((roles) => roles['p-trap'] ?? Number.POSITIVE_INFINITY)),
  }
}

/** Of some routes, those with a cemented trap, as they are where its place is measured. */
function measuredOf(routes: Readonly<Partial<Record<RouteId, Route>>>): typeof routes {
  const trapped = Object.values(routes).filter(({ stages }) => stages.some((roles) => 'p-trap' in roles))
  return Object.fromEntries(trapped.map((route) => [route.id, measured(route)]))
}

const MEASURED = measuredOf(ROUTES)
const MEASURED_UNVENTED = measuredOf({ ...ROUTES, ...UNVENTED })

/** At the side of a tee comes what grips a tube, or the plain end that a metric trap grips. */
function withTee({ stages: [first = {}, second, ...behind] }: Route): Route['stages'] {
  const grip = first['grip-trap']
  return [
    { piece: 0, tube: 0, 'vent-tee': 1, 'vent-riser': 1 },
    grip === undefined ? (second ?? {}) : { ...second, 'grip-trap': grip },
    ...behind,
  ]
}

/** A metric trap has no tube of its own that could be longer: where the old pipe is too short, pipe goes on it. */
const METRIC_TRAPS = [ROUTES, TRAPPED, UNVENTED].map(
  ({ trap = ROUTES.trap }) => [trap, bridged(trap)] as const,
)

/** The hot side of what a valve shuts off on the cold: nothing there may ever close it in. */
const FLEXIBLE_HOT: Route = {
  id: 'flexible',
  stages: [{ piece: 0, tube: 0, elbow: 0, union: 0, connector: 1 }, {}],
  goalAt: [0, 1],
  opensAt: 1,
}

const CUT_INS: Readonly<Record<CutIn['insert'], Route>> = {
  repair: { id: 'cut-in', stages: [{ piece: 0, tube: 0, slip: 0, union: 0 }], goalAt: [0], opensAt: 1 },
  // an old elbow goes with the cut, so a new one turns the run where it stood
  corner: {
    id: 'cut-in',
    stages: [
      { piece: 0, tube: 0, slip: 0, union: 0, elbow: 1 },
      { piece: 1, tube: 1, slip: 1, union: 1 },
    ],
    goalAt: [1],
    opensAt: 2,
  },
  tee: {
    id: 'cut-in',
    stages: [
      { piece: 0, tube: 0, slip: 0, union: 0, tee: 1 },
      { piece: 1, tube: 1, slip: 1, union: 1 },
    ],
    goalAt: [1],
    opensAt: 2,
  },
  valve: {
    id: 'cut-in',
    stages: [
      { piece: 0, tube: 0, slip: 0, union: 0, isolating: 1 },
      { piece: 1, tube: 1, slip: 1, union: 1 },
    ],
    goalAt: [1],
    opensAt: 2,
  },
  // of drains alone
  cleanout: { id: 'cut-in', stages: [], goalAt: [], opensAt: 1 },
  wye: { id: 'cut-in', stages: [], goalAt: [], opensAt: 1 },
}

/** What goes in by itself, with a piece of pipe on either side of it. */
const between = (role: Role): Route => ({
  id: 'cut-in',
  stages: [
    { piece: 0, slip: 0, tube: 1, [role]: 2 },
    { piece: 1, slip: 1, [role]: 2 },
    { piece: 2, slip: 2, tube: 3 },
    { piece: 3, slip: 3 },
  ],
  goalAt: [2, 3],
  opensAt: 4,
})

/** The same into a drain: one piece of pipe on each side of what goes in, no splice of two where one is long enough. */
const DRAIN_CUT_INS: Readonly<Partial<Record<CutIn['insert'], Route>>> = {
  repair: {
    id: 'cut-in',
    stages: [
      { piece: 0, slip: 0, tube: 1 },
      { piece: 1, slip: 1 },
    ],
    goalAt: [0, 1],
    opensAt: 2,
  },
  cleanout: between('cleanout'),
  // a tee throws what comes in down the pipe where that stands, and against the flow where it lies
  tee: between('sanitary-tee'),
  wye: between('wye'),
}

/**
 * The stages of a line to a fixture's end, by what it carries, whether a trap stays further down, and what vents it. A
 * trap over a drain that comes up out of the floor is an S, whatever vents that drain: a tee goes before it too.
 *
 * @param old what the old pipe is of, where there is one
 */
export function routeById(id: RouteId, conditions: RouteConditions = {}, old?: PipeMaterial): Route {
  // what is new is led to the bowl, as is what ends too far off; out of iron nothing of its size is
  const route = stagesOf(id, conditions)
  const metric = old !== undefined && isMetricWaste(old)
  if (id === 'pan' && (old === undefined || (metric && panIsFar({ reachMm: null, ...conditions }))))
    return PAN_BY_PIPE
  return (metric && METRIC_TRAPS.find(([plain]) => plain === route)?.[1]) || route
}

type RouteConditions = Partial<
  Pick<
    Conditions,
    'service' | 'trapped' | 'unvented' | 'rises' | 'spanMm' | 'turn' | 'reachMm' | 'roughMm' | 'bowlMm'
  >
>

function stagesOf(id: RouteId, { service, trapped, unvented, rises, spanMm, turn }: RouteConditions): Route {
  if (trapped) return TRAPPED[id] ?? ROUTES[id]
  const fitted = (unvented ? MEASURED_UNVENTED : MEASURED)[id]
  if (fitted && spanMm != null && !turn && !rises) return fitted
  if (unvented || rises) return UNVENTED[id] ?? ROUTES[id]
  return id === 'flexible' && service === 'hot' ? FLEXIBLE_HOT : ROUTES[id]
}

/** The stages of what goes into a run fixed at both ends, by what that carries. */
export function cutInRoute(insert: CutIn['insert'], medium: Medium): Route {
  return { ...((medium === 'drain' && DRAIN_CUT_INS[insert]) || CUT_INS[insert]), medium }
}
