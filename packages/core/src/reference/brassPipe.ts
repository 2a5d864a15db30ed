import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

export const B43: Source = {
  title: 'ASTM B43 seamless red brass pipe',
  table: 'regular wall',
  certainty: 'recalled',
}

// nominal, outside diameter, wall; inches
const ROWS: readonly [NominalSize, number, number][] = [
  ['3/8', 0.675, 0.09],
  ['1/2', 0.84, 0.107],
  ['3/4', 1.05, 0.114],
  ['1', 1.315, 0.126],
]

/** Red brass pipe of iron pipe size. */
export const BRASS_PIPE: readonly Pipe[] = ROWS.map(([nominal, od, wall]) => ({
  id: `brass.regular.${nominal}`,
  material: 'brass',
  system: 'IPS',
  nominal,
  grade: 'regular',
  odMm: od * IN,
  odToleranceMm: 0.005 * IN,
  wallMm: wall * IN,
  wallToleranceMm: 0.006 * IN,
  source: B43,
}))
