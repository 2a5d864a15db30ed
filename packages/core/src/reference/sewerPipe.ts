import { plasticWall } from './plasticWall'
import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

export const D3034: Source = {
  title: 'ASTM D3034 and D2729 PVC sewer pipe',
  table: 'SDR 35 and thin wall',
  certainty: 'recalled',
}

// nominal, outside diameter, wall; inches
const ROWS: readonly [NominalSize, number, number][] = [
  ['3', 3.25, 0.07],
  ['4', 4.215, 0.12],
  ['6', 6.275, 0.18],
]

/** Thin plastic sewer pipe: smaller outside than drain pipe of the same name. */
export const SEWER_PIPE: readonly Pipe[] = ROWS.map(([nominal, od, wall]) => ({
  id: `pvc-sewer.${nominal}`,
  material: 'pvc-sewer',
  system: 'sewer',
  nominal,
  grade: nominal === '3' ? 'thin wall' : 'SDR 35',
  odMm: od * IN,
  odToleranceMm: 0.009 * IN,
  ...plasticWall(wall * IN, 0.02 * IN),
  source: D3034,
}))
