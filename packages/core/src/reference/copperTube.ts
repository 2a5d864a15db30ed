import type { Source } from './source'
import { type NominalSize, nominalNumber, type Pipe } from './types'

const IN = 25.4

export const B88: Source = {
  title: 'ASTM B88 seamless copper water tube',
  table: 'dimensions of types K, L and M',
  certainty: 'recalled',
}

/** The tube-size rule: outside diameter = nominal size + 1/8 in (ASTM B88). Inches in, inches out. */
export function copperTubeOutsideDiameterIn(nominalIn: number): number {
  return nominalIn + 1 / 8
}

// nominal, OD tolerance drawn and annealed, wall K, L, M (0: not made); inches
const ROWS: readonly [NominalSize, number, number, number, number, number][] = [
  ['1/4', 0.001, 0.002, 0.035, 0.03, 0],
  ['3/8', 0.001, 0.0025, 0.049, 0.035, 0.025],
  ['1/2', 0.001, 0.0025, 0.049, 0.04, 0.028],
  ['5/8', 0.001, 0.0025, 0.049, 0.042, 0],
  ['3/4', 0.001, 0.003, 0.065, 0.045, 0.032],
  ['1', 0.0015, 0.0035, 0.065, 0.05, 0.035],
  ['1-1/4', 0.0015, 0.004, 0.065, 0.055, 0.042],
  ['1-1/2', 0.002, 0.0045, 0.072, 0.06, 0.049],
  ['2', 0.002, 0.005, 0.083, 0.07, 0.058],
  ['2-1/2', 0.002, 0.005, 0.095, 0.08, 0.065],
  ['3', 0.002, 0.005, 0.109, 0.09, 0.072],
  ['4', 0.002, 0.005, 0.134, 0.11, 0.095],
  ['5', 0.002, 0.005, 0.16, 0.125, 0.109],
  ['6', 0.002, 0.005, 0.192, 0.14, 0.122],
]

/** The largest size that comes in coils. */
const LARGEST_SOFT = 2

/** Copper water tube: types K, L and M hard, K and L soft too. */
export const COPPER_TUBE: readonly Pipe[] = ROWS.flatMap(([nominal, drawn, annealed, k, l, m]) =>
  (
    [
      ['K', k],
      ['L', l],
      ['M', m],
    ] as const
  ).flatMap(([grade, wall]): Pipe[] => {
    if (wall === 0) return []
    const inches = nominalNumber(nominal)
    const tube = {
      material: 'copper',
      system: 'CTS',
      nominal,
      grade,
      odMm: copperTubeOutsideDiameterIn(inches) * IN,
      wallMm: wall * IN,
      // about a tenth in every row of the table
      wallToleranceMm: 0.1 * wall * IN,
      source: B88,
    } as const
    const letter = grade.toLowerCase()
    const hard: Pipe = { ...tube, id: `copper.${letter}.${nominal}`, odToleranceMm: drawn * IN }
    const soft: Pipe = {
      ...tube,
      id: `copper.${letter}.soft.${nominal}`,
      temper: 'soft',
      odToleranceMm: annealed * IN,
    }
    return grade !== 'M' && inches <= LARGEST_SOFT ? [hard, soft] : [hard]
  }),
)
