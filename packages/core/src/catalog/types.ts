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
 * `parallel-male` straight thread that a swivel nut seals on.
 */
export type PortForm =
  | 'tube'
  | 'solder-cup'
  | 'cement-socket'
  | 'push-fit'
  | 'compression'
  | 'insert-barb'
  | 'pb-barb'
  | 'expansion-barb'
  | 'taper-male'
  | 'taper-female'
  | 'compression-outlet'
  | 'parallel-male'
  | 'swivel-nut'

export type PortSystem = DimensionalSystem | 'NPT' | 'BSP' | 'UNF' | 'NPS' | 'BSPP'

/** What the port itself is made of; pipes keep their own kind. */
export type PortMaterial = PipeMaterial | 'rubber-seated'

export interface Port {
  readonly id: string
  readonly medium: 'supply'
  readonly form: PortForm
  readonly system: PortSystem
  readonly nominal: NominalSize | '1/4'
  /** Outside diameter of the tube that goes in or out, or major diameter of the thread, mm. */
  readonly diameterMm: number
  readonly boreMm: number
  readonly material: PortMaterial
  readonly pose: Pose
}

export type Family =
  | 'angle-stop'
  | 'straight-stop'
  | 'coupling'
  | 'reducing-coupling'
  | 'male-adapter'
  | 'female-adapter'
  | 'threaded-coupling'
  | 'bushing'
  | 'nipple'
  | 'dielectric-union'
  | 'transition-coupling'
  | 'supply-connector'
  | 'tube-piece'

export type PartMaterial = PipeMaterial | 'braided'

/** A part with ports. All lengths in its own frame, millimetres. */
export interface Fitting {
  readonly id: string
  readonly family: Family
  readonly name: string
  readonly material: PartMaterial
  /** Holds a seat, seal or plastic that a flame would spoil. */
  readonly heatSensitive: boolean
  readonly ports: readonly Port[]
  /** Distance between the two pipe ends inside the part once both are fully home (laying length), mm. */
  readonly layingMm: number
  /** For parts bought by length or cut to length: the shortest and longest. */
  readonly lengthMm?: { readonly min: number; readonly max: number }
  readonly source: Source
}
