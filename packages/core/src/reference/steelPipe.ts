import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

export const B36_10: Source = {
  title: 'ASME B36.10M welded and seamless steel pipe',
  table: 'schedule 40',
  certainty: 'recalled',
}

// nominal, outside diameter, wall; inches
const ROWS: readonly [NominalSize, number, number][] = [
  ['3/8', 0.675, 0.091],
  ['1/2', 0.84, 0.109],
  ['3/4', 1.05, 0.113],
  ['1', 1.315, 0.133],
]

/** Schedule 40 steel, galvanised and black. OD tolerance 1/64 in and wall -12.5 % (ASTM A53). */
export const STEEL_PIPE: readonly Pipe[] = (['galvanised-steel', 'black-steel'] as const).flatMap(
  (material) =>
    ROWS.map(([nominal, od, wall]) => ({
      id: `${material === 'black-steel' ? 'black' : 'galvanised'}.40.${nominal}`,
      material,
      system: 'IPS' as const,
      nominal,
      grade: 'schedule 40',
      odMm: od * IN,
      odToleranceMm: IN / 64,
      wallMm: wall * IN,
      wallToleranceMm: wall * IN * 0.125,
      source: B36_10,
    })),
)
