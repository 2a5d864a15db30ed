import type { Medium } from '../reference/materials'
import type { Source } from '../reference/source'
import type { DimensionalSystem, NominalSize, PipeMaterial } from '../reference/types'

export type Vector = readonly [number, number, number]

/** Where a port sits in its part's own frame: its mouth (or tip), the way out, and the turn about it. Millimetres, degrees. */
export interface Pose {
  readonly origin: Vector
  /** Unit vector pointing out of the part. */
  readonly axis: Vector
  readonly rollDegrees: number
}

/**
 * What a port looks like to the other side.
 * `tube` plain tube end · the `…-barb` go inside tube · `compression` body with nut and ring ·
 * `compression-outlet` the same body bare, cone seat · `swivel-nut` captive nut with its own seal ·
 * `parallel-male` straight thread that a swivel nut seals on · `gasket-socket` nut and gasket over plain iron-size pipe ·
 * `slip-spout` the mouth of a tub spout that slips over its stub · `drain-socket` solvent socket of a drain fitting ·
 * `slip-joint` nut and washer over tubular drain · `filed-cup` half of a solder coupling whose stop is filed out ·
 * `expanded-cup` half of a sleeve expanded from annealed tube · `shielded` rubber sleeve with a stop, in a steel shield with bands ·
 * `hub` hub of iron pipe, cleaned out for a gasket · `flexible` bare rubber sleeve with two bands · `pipe-inside` spigot that is
 * cemented into pipe · `bore-gasket` rubber that is tightened inside pipe · `twist-in` ribs of rubber pressed inside it ·
 * `ring-gasket` gasket of a floor drain tightened round pipe · `closet-flange` a new closet flange, its top on the floor ·
 * `old-flange` one that is there, at whatever height · `broken-flange` the same without a sound ring · `ring-under`,
 * `stack-under` undersides of what is screwed onto those · `closet-outlet` the foot of a bowl · `spigot` the short end of
 * a fitting that goes into a socket and nowhere else · `waste-compression` nut and rubber ring that grip metric waste pipe ·
 * `trap-outlet` the same at a trap, which hangs out of the wall whatever closes behind it · `ring-socket` socket of metric
 * waste with a rubber ring in a groove, pushed over · `pan-spigot` the outlet of a bowl that stands out behind it ·
 * `pan-fins` rubber fins round that · `pipe-fins` the same on a plug that goes into pipe
 */
export const PORT_FORMS = [
  'tube',
  'solder-cup',
  'press-cup',
  'cement-socket',
  'pvc-socket',
  'push-fit',
  'compression',
  'gasket-socket',
  'poly-compression',
  'insert-barb',
  'pb-barb',
  'expansion-barb',
  'sleeve-barb',
  'poly-barb',
  'flare-male',
  'taper-male',
  'taper-female',
  'compression-outlet',
  'parallel-male',
  'swivel-nut',
  'slip-spout',
  'drain-socket',
  'slip-joint',
  'filed-cup',
  'expanded-cup',
  'shielded',
  'hub',
  'flexible',
  'pipe-inside',
  'bore-gasket',
  'twist-in',
  'ring-gasket',
  'closet-flange',
  'old-flange',
  'broken-flange',
  'ring-under',
  'stack-under',
  'closet-outlet',
  'spigot',
  'waste-compression',
  'ring-socket',
  'trap-outlet',
  'pan-spigot',
  'pan-fins',
  'pipe-fins',
] as const
export type PortForm = (typeof PORT_FORMS)[number]

/** `NPS` straight pipe thread · `UNF` compression outlets · `NH` garden hose · `FV` fill valve. */
export const THREAD_SYSTEMS = ['NPT', 'BSP', 'UNF', 'NPS', 'BSPP', 'NH', 'FV'] as const
export type PortSystem = DimensionalSystem | (typeof THREAD_SYSTEMS)[number]

/** What the port itself is made of; pipes keep their own kind. */
export type PortMaterial = PipeMaterial | 'rubber-seated'

export interface Port {
  readonly id: string
  readonly medium: Medium
  readonly form: PortForm
  readonly system: PortSystem
  readonly nominal: NominalSize
  /** Outside diameter of the tube that goes in or out, or major diameter of the thread, mm. */
  readonly diameterMm: number
  readonly boreMm: number
  readonly material: PortMaterial
  readonly pose: Pose
}

export const FAMILIES = [
  'angle-stop',
  'straight-stop',
  'dual-stop',
  'washing-valve',
  'hose-bib',
  'frost-free-bib',
  'vacuum-breaker',
  'isolating-valve',
  'coupling',
  'slip-coupling',
  'repair-coupling',
  'reducing-coupling',
  'fitting-reducer',
  'male-adapter',
  'female-adapter',
  'threaded-coupling',
  'bushing',
  'nipple',
  'union',
  'dielectric-union',
  'transition-coupling',
  'thread-converter',
  'tap-connector',
  'hose-adapter',
  'elbow-90',
  'elbow-45',
  'street-elbow-90',
  'street-elbow-45',
  'drop-ear-elbow',
  'tee',
  'slip-tee',
  'cap',
  'plug',
  'supply-connector',
  'tube-piece',
  'trap-adapter',
  'tubular-trap',
  'tail-extension',
  'shielded-coupling',
  'flexible-coupling',
  'p-trap',
  'standpipe',
  'closet-flange',
  'flange-riser',
  'flange-repair-ring',
  'cleanout-tee',
  'centre-waste',
  'end-waste',
  'disposer-waste',
  'branch-tail',
  'vent-tee',
  'vent-riser',
  'sanitary-tee',
  'wye',
  'wye-eighth',
  'compression-trap',
  'drain-bend',
  'pan-connector',
  'pan-bend',
] as const
export type Family = (typeof FAMILIES)[number]

/** How far an elbow turns the line, degrees; 0 for what goes straight on. */
export function turnOf(family: Family): 0 | 45 | 90 {
  if (family === 'elbow-90' || family === 'street-elbow-90') return 90
  return family === 'elbow-45' || family === 'street-elbow-45' ? 45 : 0
}

/** Degrees that parts turn a line by, all told. */
export const turnedBy = (parts: readonly { readonly family: Family }[]): number =>
  parts.reduce((sum, { family }) => sum + turnOf(family), 0)

export type PartMaterial = PipeMaterial | 'braided'

/** A part that is not bought for the place: made from another, or meant for a time only. */
export type Standing = 'improvised' | 'temporary'

/** A part with ports. All lengths in its own frame, millimetres. */
export interface Fitting {
  readonly id: string
  readonly family: Family
  readonly name: string
  readonly material: PartMaterial
  /** Holds a seat, seal or plastic that a flame would spoil. */
  readonly heatSensitive: boolean
  /** The run first: the way in, the way out; then branches. */
  readonly ports: readonly Port[]
  /** Distance between the two pipe ends inside the part once both are fully home (laying length), mm. */
  readonly layingMm: number
  /** For parts bought by length or cut to length: the shortest and longest, and what is usual of its kind where nobody measured. */
  readonly lengthMm?: { readonly min: number; readonly max: number; readonly usual?: number }
  /** Keeps used water from being drawn back: built in. */
  readonly protects?: true
  /** How far the way out stands aside of the way in, mm. */
  readonly shiftMm?: number
  readonly standing?: Standing
  /** What a trap is taken apart or cleaned by: it stays where a hand gets at it. */
  readonly opens?: 'union' | 'cleanout'
  readonly source: Source
}

/** Where a second side of a tee stands, seen by who looks into the first with upstream over it. */
export const SECOND_SIDES = ['opposite', 'left', 'right'] as const
export type SecondSide = (typeof SECOND_SIDES)[number]

/** Where the second side of a part stands; null where it has one side, or none. */
export function secondSide({ ports }: Pick<Fitting, 'ports'>): SecondSide | null {
  const axis = ports[3]?.pose.axis
  if (!axis) return null
  return axis[1] < 0 ? 'opposite' : axis[2] > 0 ? 'left' : 'right'
}
