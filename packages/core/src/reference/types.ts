import type { Source } from './source'

export type PipeMaterial =
  | 'copper'
  | 'galvanised-steel'
  | 'black-steel'
  | 'brass'
  | 'cpvc'
  | 'pex-a'
  | 'pex-b'
  | 'polybutylene'

/** How a nominal size becomes a diameter: copper tube size, iron pipe size, or metric outside diameter. */
export type DimensionalSystem = 'CTS' | 'IPS' | 'metric'

export const INCH_SIZES = ['3/8', '1/2', '3/4', '1'] as const
export const METRIC_SIZES = ['10', '12', '15', '22', '28'] as const
export type NominalSize = (typeof INCH_SIZES)[number] | (typeof METRIC_SIZES)[number]

/** One pipe that exists: what a stub can really be. Lengths in millimetres. */
export interface Pipe {
  readonly id: string
  readonly material: PipeMaterial
  readonly system: DimensionalSystem
  readonly nominal: NominalSize
  /** Type, schedule or wall series, as printed on the pipe. */
  readonly grade: string
  readonly odMm: number
  /** Plus or minus on the mean outside diameter. */
  readonly odToleranceMm: number
  readonly wallMm: number
  readonly wallToleranceMm: number
  readonly source: Source
}
