import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

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

// nominal, nominal in inches, OD tolerance (drawn), wall K, L, M, wall tolerance; inches
const ROWS: readonly [NominalSize, number, number, number, number, number, number][] = [
  ['3/8', 0.375, 0.001, 0.049, 0.035, 0.025, 0.0035],
  ['1/2', 0.5, 0.001, 0.049, 0.04, 0.028, 0.0035],
  ['3/4', 0.75, 0.001, 0.065, 0.045, 0.032, 0.004],
  ['1', 1, 0.0015, 0.065, 0.05, 0.035, 0.004],
]

/** Copper water tube, types K, L and M. */
export const COPPER_TUBE: readonly Pipe[] = ROWS.flatMap(
  ([nominal, inches, odTolerance, k, l, m, wallTolerance]) =>
    (
      [
        ['K', k],
        ['L', l],
        ['M', m],
      ] as const
    ).map(([grade, wall]) => ({
      id: `copper.${grade.toLowerCase()}.${nominal}`,
      material: 'copper' as const,
      system: 'CTS' as const,
      nominal,
      grade,
      odMm: copperTubeOutsideDiameterIn(inches) * IN,
      odToleranceMm: odTolerance * IN,
      wallMm: wall * IN,
      wallToleranceMm: wallTolerance * IN,
      source: B88,
    })),
)
