import { copperTubeOutsideDiameterIn } from './copperTube'
import type { Source } from './source'
import { type NominalSize, nominalNumber, type Pipe } from './types'

const IN = 25.4

export const B306: Source = {
  title: 'ASTM B306 copper drainage tube (DWV)',
  table: 'dimensions',
  certainty: 'recalled',
}

// nominal, wall; inches
const ROWS: readonly [NominalSize, number][] = [
  ['1-1/4', 0.04],
  ['1-1/2', 0.042],
  ['2', 0.042],
  ['3', 0.045],
  ['4', 0.058],
  ['5', 0.072],
  ['6', 0.083],
]

/** Thin copper for drains, by the copper tube-size rule. */
export const COPPER_DRAIN: readonly Pipe[] = ROWS.map(([nominal, wall]) => ({
  id: `copper.dwv.${nominal}`,
  material: 'copper-drain',
  system: 'CTS',
  nominal,
  grade: 'DWV',
  odMm: copperTubeOutsideDiameterIn(nominalNumber(nominal)) * IN,
  odToleranceMm: 0.002 * IN,
  wallMm: wall * IN,
  wallToleranceMm: 0.004 * IN,
  source: B306,
}))
