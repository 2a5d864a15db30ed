import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

export const EN1057: Source = {
  title: 'EN 1057 round copper tubes for water',
  table: 'recommended dimensions',
  certainty: 'recalled',
}

// named by outside diameter: nominal, OD tolerance (mean), usual walls; mm
const ROWS: readonly [NominalSize, number, readonly [number, number]][] = [
  ['6', 0.04, [0.6, 0.8]],
  ['8', 0.04, [0.6, 0.8]],
  ['10', 0.04, [0.6, 0.7]],
  ['12', 0.04, [0.6, 0.7]],
  ['15', 0.04, [0.7, 1.0]],
  ['18', 0.04, [0.8, 1.0]],
  ['22', 0.05, [0.9, 1.0]],
  ['28', 0.05, [0.9, 1.0]],
  ['35', 0.06, [1.2, 1.5]],
  ['42', 0.06, [1.2, 1.5]],
  ['54', 0.06, [1.2, 2.0]],
  ['66.7', 0.07, [1.2, 2.0]],
  ['76.1', 0.07, [1.5, 2.0]],
  ['108', 0.07, [1.5, 2.5]],
]
/** Small sizes are sold soft, in coils, in the thicker wall; the smallest, which microbore heating is run in, in the thin one. */
const SOFT: ReadonlySet<NominalSize> = new Set(['6', '8', '10', '12', '15', '18', '22'])
const THIN_SOFT: ReadonlySet<NominalSize> = new Set(['6', '8'])

/** Metric copper tube: thin and regular wall hard, small sizes soft too. */
export const METRIC_COPPER: readonly Pipe[] = ROWS.flatMap(([nominal, tolerance, walls]) => {
  const tube = (wall: number) =>
    ({
      material: 'copper',
      system: 'metric',
      nominal,
      grade: `${wall.toFixed(1)} mm wall`,
      odMm: Number(nominal),
      odToleranceMm: tolerance,
      wallMm: wall,
      wallToleranceMm: wall * 0.1,
      source: EN1057,
    }) as const
  const hard = walls.map(
    (wall, index): Pipe => ({ ...tube(wall), id: `copper.${index === 0 ? 'thin' : 'regular'}.${nominal}mm` }),
  )
  const soft: Pipe = {
    ...tube(walls[THIN_SOFT.has(nominal) ? 0 : 1]),
    id: `copper.soft.${nominal}mm`,
    temper: 'soft',
  }
  return SOFT.has(nominal) ? [...hard, soft] : hard
})
