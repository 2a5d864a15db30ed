import { copperTubeOutsideDiameterIn } from './copperTube'
import { plasticWall } from './plasticWall'
import type { Source } from './source'
import { type NominalSize, nominalNumber, type Pipe, type PipeMaterial } from './types'

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
export const D2737: Source = {
  title: 'ASTM D2737 polyethylene tubing, copper tube size',
  table: 'SDR 9',
  certainty: 'recalled',
}

export const D2513_TUBING: Source = {
  title: 'ASTM D2513 polyethylene gas pipe and tubing',
  table: 'copper tube size: least wall',
  certainty: 'recalled',
}

/**
 * Wall of a tube made to a dimension ratio: OD / ratio, never below the standard's minimum wall.
 * Inches in, inches out (the definition of SDR in ASTM F412).
 */
export function dimensionRatioWallIn(odIn: number, ratio: number, minimumIn: number): number {
  return Math.max(odIn / ratio, minimumIn)
}

// nominal, OD tolerance, minimum wall as tabled, wall tolerance; inches
type Row = readonly [NominalSize, number, number, number]

const PEX: readonly Row[] = [
  ['1/4', 0.003, 0.062, 0.01],
  ['3/8', 0.003, 0.07, 0.01],
  ['1/2', 0.004, 0.07, 0.01],
  ['5/8', 0.004, 0.083, 0.01],
  ['3/4', 0.004, 0.097, 0.01],
  ['1', 0.005, 0.125, 0.013],
  ['1-1/4', 0.005, 0.153, 0.015],
  ['1-1/2', 0.006, 0.181, 0.019],
  ['2', 0.006, 0.236, 0.024],
]
const CPVC: readonly Row[] = [
  ['1/2', 0.003, 0.068, 0.02],
  ['3/4', 0.003, 0.08, 0.02],
  ['1', 0.003, 0.102, 0.02],
  ['1-1/4', 0.003, 0.125, 0.02],
  ['1-1/2', 0.004, 0.148, 0.02],
  ['2', 0.004, 0.193, 0.023],
]
const PB: readonly Row[] = [
  ['3/8', 0.003, 0.062, 0.008],
  ['1/2', 0.004, 0.062, 0.008],
  ['3/4', 0.004, 0.08, 0.008],
  ['1', 0.005, 0.102, 0.01],
  ['1-1/4', 0.005, 0.125, 0.012],
  ['1-1/2', 0.006, 0.148, 0.014],
  ['2', 0.006, 0.193, 0.019],
]
const PE: readonly Row[] = [
  ['1/2', 0.004, 0.069, 0.01],
  ['3/4', 0.004, 0.097, 0.01],
  ['1', 0.005, 0.125, 0.012],
  ['1-1/4', 0.005, 0.153, 0.015],
  ['1-1/2', 0.006, 0.181, 0.018],
  ['2', 0.006, 0.236, 0.024],
]

/** Tubing for gas is thicker in the smallest size than water's, and thinner in the largest. */
const PE_GAS: readonly Row[] = [
  ['1/2', 0.004, 0.09, 0.009],
  ['3/4', 0.004, 0.09, 0.009],
  ['1', 0.005, 0.099, 0.01],
]

function tubes(
  rows: readonly Row[],
  material: PipeMaterial,
  prefix: string,
  grade: string,
  source: Source,
): Pipe[] {
  return rows.map(([nominal, odTolerance, wall, wallTolerance]) => ({
    id: `${prefix}.${nominal}`,
    material,
    system: 'CTS',
    nominal,
    grade,
    odMm: copperTubeOutsideDiameterIn(nominalNumber(nominal)) * IN,
    odToleranceMm: odTolerance * IN,
    ...plasticWall(wall * IN, wallTolerance * IN),
    source,
  }))
}

/** Flexible and rigid plastic tube of copper tube size. */
export const PLASTIC_TUBE: readonly Pipe[] = [
  ...tubes(PEX, 'pex-a', 'pex-a.sdr9', 'SDR 9, type A', F876),
  ...tubes(PEX, 'pex-b', 'pex-b.sdr9', 'SDR 9, type B', F876),
  ...tubes(PEX, 'pex-c', 'pex-c.sdr9', 'SDR 9, type C', F876),
  ...tubes(CPVC, 'cpvc', 'cpvc.sdr11', 'SDR 11', D2846),
  ...tubes(PB, 'polybutylene', 'polybutylene.sdr11', 'SDR 11', D3309),
  ...tubes(PE, 'polyethylene', 'polyethylene.cts9', 'SDR 9', D2737),
  // the id is older than the walls
  ...tubes(PE_GAS, 'polyethylene-gas', 'polyethylene-gas.cts9', 'gas tubing', D2513_TUBING),
]
