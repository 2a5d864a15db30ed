import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

export const EN10255: Source = {
  title: 'EN 10255 non-alloy steel tubes for threading',
  table: 'medium series',
  certainty: 'recalled',
}

// name by thread, largest and smallest outside diameter, wall; mm
const ROWS: readonly [NominalSize, number, number, number][] = [
  ['1/8', 10.6, 9.8, 2.0],
  ['1/4', 14.0, 13.2, 2.3],
  ['3/8', 17.5, 16.7, 2.3],
  ['1/2', 21.8, 21.0, 2.6],
  ['3/4', 27.3, 26.5, 2.6],
  ['1', 34.2, 33.3, 3.2],
  ['1-1/4', 42.9, 42.0, 3.2],
  ['1-1/2', 48.8, 47.9, 3.2],
  ['2', 60.8, 59.7, 3.6],
  ['2-1/2', 76.6, 75.3, 3.6],
  ['3', 89.5, 88.0, 4.0],
  ['4', 115.0, 113.1, 4.5],
]

/** Steel tube of metric countries, named by the 55 degree thread cut on it. */
export const METRIC_STEEL: readonly Pipe[] = (['galvanised-steel', 'black-steel'] as const).flatMap(
  (material) =>
    ROWS.map(([nominal, largest, smallest, wall]) => ({
      id: `${material === 'black-steel' ? 'black' : 'galvanised'}.medium.${nominal}`,
      material,
      system: 'metric-steel' as const,
      nominal,
      grade: 'medium',
      odMm: (largest + smallest) / 2,
      odToleranceMm: (largest - smallest) / 2,
      wallMm: wall,
      wallToleranceMm: wall * 0.1,
      source: EN10255,
    })),
)
