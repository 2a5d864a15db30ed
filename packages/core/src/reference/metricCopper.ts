import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

export const EN1057: Source = {
  title: 'EN 1057 round copper tubes for water',
  table: 'recommended dimensions',
  certainty: 'recalled',
}

// named by outside diameter: nominal, OD, OD tolerance (mean), usual walls; mm
const ROWS: readonly [NominalSize, number, number, readonly number[]][] = [
  ['10', 10, 0.04, [0.6, 0.7]],
  ['12', 12, 0.04, [0.6, 0.7]],
  ['15', 15, 0.04, [0.7, 1.0]],
  ['22', 22, 0.05, [0.9, 1.0]],
  ['28', 28, 0.05, [0.9, 1.0]],
]

/** Metric copper tube, thin and regular wall. */
export const METRIC_COPPER: readonly Pipe[] = ROWS.flatMap(([nominal, od, tolerance, walls]) =>
  walls.map((wall, index) => ({
    id: `copper.${index === 0 ? 'thin' : 'regular'}.${nominal}mm`,
    material: 'copper' as const,
    system: 'metric' as const,
    nominal,
    grade: `${wall.toFixed(1)} mm wall`,
    odMm: od,
    odToleranceMm: tolerance,
    wallMm: wall,
    wallToleranceMm: wall * 0.1,
    source: EN1057,
  })),
)
