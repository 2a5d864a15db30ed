import type { OldJoint } from './oldJoints/table'
import type { OldTrap } from './oldTraps'

export { drainOf, OLD_TRAP_IDS, type OldTrap, oldTrapsAt } from './oldTraps'

/** What is wrong with the end or the pipe, besides score and ovality: conditions of the work to come. */
export const END_FAULTS = [
  'thinned',
  'pitted',
  'pinhole',
  'pinholes',
  'choked',
  'loose',
  'bent',
  'ring-mark',
  'tooth-marks',
  'solder-on',
  'dirty-bore',
  'ring-broken',
  'hub-split',
] as const
export type EndFault = (typeof END_FAULTS)[number]

/** What holds at the place, now. */
export interface Conditions {
  readonly service: 'hot' | 'cold' | 'waste'
  readonly flame: boolean
  readonly line: 'dry' | 'trickle'
  readonly access: 'reachable' | 'closed-wall' | 'buried'
  /** Bare pipe from the wall to the back of the old stop or its nut, mm; null while not measured. */
  readonly stubMm: number | null
  /** Thickness of the wall plate that stays behind the new joint, mm. */
  readonly plateMm: number
  /** How the old stop is joined to the stub. */
  readonly oldJoint: OldJoint
  /** An old wall plate is stuck in front of what has to come off. */
  readonly oldPlate?: boolean
  /** What led from the old stop to the fixture is stiff: it does not swing aside, and is used no more. */
  readonly hardRiser?: boolean
  /** An old stop that stays weeps at its stem or is hard to turn. */
  readonly stopWeeps?: boolean
  /** Which thread a threaded stub carries. */
  readonly thread: 'NPT' | 'BSP' | 'none'
  readonly scored: boolean
  readonly outOfRound: boolean
  /** What else is wrong with the stub. */
  readonly faults: readonly EndFault[]
  /** That the line carries water has been seen. */
  readonly waterSeen: boolean
  /** Within 18 in of a water heater's outlet. */
  readonly nearHeater: boolean
  readonly pressurePsi: number | null
  readonly stopShape: 'angle' | 'straight' | 'either'
  /** From the stop's outlet to the fixture's tail, mm; null while not measured. */
  readonly reachMm: number | null
  /** Clear room round the pipe for tools, mm; null while nobody said it is tight. */
  readonly roomMm?: number | null
  /** Worked at through a hole in the wall: from the joint's middle to its nearest edge, mm; null where none is in the way. */
  readonly openingMm?: number | null
  /** Daylight falls on it. */
  readonly sunlight?: boolean
  /** It can freeze on the outside. */
  readonly freezing?: boolean
  /** From the outside face to where it stays warm, mm. */
  readonly wallMm?: number | null
  /** The line has to turn by so many degrees before the fixture. */
  readonly turn?: 0 | 45 | 90
  /** Outlets that the stop has to have. */
  readonly outlets?: 1 | 2
  /** From the wall's face, or from the first end, to the mouth of the fixture's end, along the pipe, mm. */
  readonly spanMm?: number | null
  /** Air at the place, degrees Celsius: cold lengthens waits. */
  readonly airC?: number | null
  /** Of a drain: a trap stays further down, proved by the water that stands in it. */
  readonly trapped?: boolean
  /** Of a drain: it runs off slowly. */
  readonly slow?: boolean
  /** Of a drain: no vent rises from it within reach of its trap. */
  readonly unvented?: boolean
  /** Top of an old closet flange over the finished floor, below it less than nothing, mm; null while not measured. */
  readonly flangeMm?: number | null
  /** Of a drain: it comes up out of the floor, so that a trap set on it would be an S. */
  readonly rises?: boolean
  /** Of a toilet: from the middle of its drain to the finished wall, mm; null while not measured. */
  readonly roughMm?: number | null
  /** What the new bowl is made for of that, mm, by its sheet; null while not said. */
  readonly bowlMm?: number | null
  /** Of a drain: what trap hung there; null while nobody said. */
  readonly oldTrap?: OldTrap | null
  /** Of what lies in the ground: the concrete that is cut open over it, mm; null where there is none. */
  readonly slabMm?: number | null
  /** Before what stands: how far the old end can be drawn back from it by hand, mm; null while not tried, as if it stood too. */
  readonly givesMm?: number | null
}

/** What a run that is cut open is asked besides. */
export interface RunConditions {
  /** Bare pipe on the far side, mm. */
  readonly farMm: number | null
  /** Free pipe to the first clamp, mm. */
  readonly freeMm: number | null
  /** Room beside it, mm. */
  readonly sidewaysMm: number | null
}

/** What is taken where nobody has said anything of a place: the one place where this is written. */
export const PLAIN_CONDITIONS = {
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: null,
  plateMm: 0,
  oldJoint: 'none',
  thread: 'none',
  scored: false,
  outOfRound: false,
  faults: [],
  waterSeen: false,
  nearHeater: false,
  pressurePsi: null,
  stopShape: 'angle',
  reachMm: null,
  roomMm: null,
  sunlight: false,
  freezing: false,
  wallMm: null,
  turn: 0,
  outlets: 1,
  spanMm: null,
  airC: null,
  oldPlate: false,
  hardRiser: false,
  stopWeeps: false,
  trapped: false,
  slow: false,
  unvented: false,
  flangeMm: null,
  rises: false,
  roughMm: null,
  bowlMm: null,
  oldTrap: null,
  slabMm: null,
  givesMm: null,
  farMm: null,
  freeMm: null,
  sidewaysMm: null,
} as const satisfies Omit<Conditions, 'service'> & RunConditions

/** Those that came after the first release: who does not know them means the plain value. */
export const LATER_CONDITIONS = [
  'faults',
  'roomMm',
  'sunlight',
  'freezing',
  'wallMm',
  'turn',
  'outlets',
  'spanMm',
  'airC',
  'oldPlate',
  'hardRiser',
  'stopWeeps',
  'farMm',
  'freeMm',
  'sidewaysMm',
  'trapped',
  'slow',
  'flangeMm',
  'unvented',
  'roughMm',
  'bowlMm',
  'rises',
  'oldTrap',
  'slabMm',
  'givesMm',
] as const satisfies readonly (keyof typeof PLAIN_CONDITIONS)[]

/** The later conditions with their plain values. */
export const plainLater = (): Readonly<Record<string, unknown>> =>
  Object.fromEntries(LATER_CONDITIONS.map((name) => [name, PLAIN_CONDITIONS[name]]))
