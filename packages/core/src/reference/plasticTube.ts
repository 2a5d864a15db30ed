import { copperTubeOutsideDiameterIn } from './copperTube'
import type { Source } from './source'
import type { NominalSize, Pipe, PipeMaterial } from './types'

const IN = 25.4

export const F876: Source = {
  title: 'ASTM F876 crosslinked polyethylene tubing',
  table: 'SDR 9 dimensions',
  certainty: 'recalled',
}
export const D2846: Source = {
  title: 'ASTM D2846 CPVC hot- and cold-water systems',
  table: 'SDR 11 pipe',
  certainty: 'recalled',
}
export const D3309: Source = {
  title: 'ASTM D3309 polybutylene hot- and cold-water systems',
  table: 'SDR 11 tubing (withdrawn)',
  certainty: 'recalled',
}

/**
 * Wall of a tube made to a dimension ratio: OD / ratio, never below the standard's minimum wall.
 * Inches in, inches out (the definition of SDR in ASTM F412).
 */
export function dimensionRatioWallIn(odIn: number, ratio: number, minimumIn: number): number {
  return Math.max(odIn / ratio, minimumIn)
}

// nominal, nominal in inches, OD tolerance, minimum wall as tabled, wall tolerance; inches
type Row = readonly [NominalSize, number, number, number, number]

const PEX: readonly Row[] = [
  ['3/8', 0.375, 0.003, 0.07, 0.01],
  ['1/2', 0.5, 0.004, 0.07, 0.01],
  ['3/4', 0.75, 0.004, 0.097, 0.01],
  ['1', 1, 0.005, 0.125, 0.013],
]
const CPVC: readonly Row[] = [
  ['1/2', 0.5, 0.003, 0.068, 0.02],
  ['3/4', 0.75, 0.003, 0.08, 0.02],
  ['1', 1, 0.003, 0.102, 0.02],
]
const PB: readonly Row[] = [
  ['3/8', 0.375, 0.003, 0.062, 0.008],
  ['1/2', 0.5, 0.004, 0.062, 0.008],
  ['3/4', 0.75, 0.004, 0.08, 0.008],
  ['1', 1, 0.005, 0.102, 0.01],
]

function tubes(
  rows: readonly Row[],
  material: PipeMaterial,
  prefix: string,
  grade: string,
  source: Source,
): Pipe[] {
  return rows.map(([nominal, inches, odTolerance, wall, wallTolerance]) => ({
    id: `${prefix}.${nominal}`,
    material,
    system: 'CTS',
    nominal,
    grade,
    odMm: copperTubeOutsideDiameterIn(inches) * IN,
    odToleranceMm: odTolerance * IN,
    wallMm: wall * IN,
    wallToleranceMm: wallTolerance * IN,
    source,
  }))
}

/** Flexible and rigid plastic tube of copper tube size. */
export const PLASTIC_TUBE: readonly Pipe[] = [
  ...tubes(PEX, 'pex-a', 'pex-a.sdr9', 'SDR 9, type A', F876),
  ...tubes(PEX, 'pex-b', 'pex-b.sdr9', 'SDR 9, type B', F876),
  ...tubes(CPVC, 'cpvc', 'cpvc.sdr11', 'SDR 11', D2846),
  ...tubes(PB, 'polybutylene', 'polybutylene.sdr11', 'SDR 11', D3309),
]
