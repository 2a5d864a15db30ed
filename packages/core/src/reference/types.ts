import type { Source } from './source'

/** What a pipe is made of and made for: the kinds a plumber tells apart. */
export const PIPE_MATERIALS = [
  'copper',
  'copper-drain',
  'copper-refrigeration',
  'chromed-supply',
  'galvanised-steel',
  'black-steel',
  'sprinkler-steel',
  'brass',
  'stainless',
  'corrugated-stainless',
  'lead',
  'lead-waste',
  'cpvc',
  'cpvc-sprinkler',
  'pex-a',
  'pex-b',
  'pex-c',
  'pex-aluminium',
  'polybutylene',
  'polyethylene',
  'polyethylene-gas',
  'pvc',
  'pvc-drain',
  'pvc-sewer',
  'abs-drain',
  'tubular-brass',
  'tubular-plastic',
  'waste-solvent',
  'waste-push-fit',
  'cast-iron',
  'clay',
  'cement',
] as const
export type PipeMaterial = (typeof PIPE_MATERIALS)[number]

/**
 * How a nominal size becomes a diameter.
 * `CTS` copper tube size · `IPS` iron pipe size · `metric` outside diameter in mm · `OD` outside diameter in inches ·
 * `ID` inside diameter (polyethylene, lead) · `tubular` drain tube by outside diameter · `metric-steel` threads' names
 * on metric steel · `metric-waste` names of waste pipe · `hubless`, `service`, `heavy`, `metric-iron` cast iron ·
 * `sewer` thin-wall sewer pipe · `barrel` clay and cement by bore
 */
export const DIMENSIONAL_SYSTEMS = [
  'CTS',
  'IPS',
  'metric',
  'OD',
  'ID',
  'tubular',
  'metric-steel',
  'metric-waste',
  'hubless',
  'service',
  'heavy',
  'metric-iron',
  'sewer',
  'barrel',
] as const
export type DimensionalSystem = (typeof DIMENSIONAL_SYSTEMS)[number]

/** A size as it is spoken, without its unit: `1/2`, `1-1/4`, `22`. */
export type NominalSize = string

/** One pipe that exists: what a stub can really be. Lengths in millimetres. */
export interface Pipe {
  readonly id: string
  readonly material: PipeMaterial
  readonly system: DimensionalSystem
  readonly nominal: NominalSize
  /** Type, schedule, class or wall series, as printed on the pipe. */
  readonly grade: string
  /** Copper is sold hard in lengths and soft in coils. */
  readonly temper?: 'soft'
  readonly odMm: number
  /** Plus or minus on the mean outside diameter. */
  readonly odToleranceMm: number
  readonly wallMm: number
  readonly wallToleranceMm: number
  readonly source: Source
}

const METRIC: ReadonlySet<DimensionalSystem> = new Set(['metric', 'metric-waste', 'metric-iron'])

/** Whether a system's names are millimetres. */
export function isMetricSystem(system: DimensionalSystem): boolean {
  return METRIC.has(system)
}

/** A pipe's name in inches, also where it is one of millimetres: 40 mm is 1.57. */
export function namedInches({ system, nominal }: Pick<Pipe, 'system' | 'nominal'>): number {
  return nominalNumber(nominal) / (isMetricSystem(system) ? 25.4 : 1)
}

/** A nominal size in its own unit as a number: `1-1/4` is 1.25, `22` is 22. NaN for what is no size. */
export function nominalNumber(nominal: NominalSize): number {
  const match = /^(?:(\d+(?:\.\d+)?)-)?(\d+)\/(\d+)$/.exec(nominal)
  return match ? Number(match[1] ?? 0) + Number(match[2]) / Number(match[3]) : Number(nominal)
}
