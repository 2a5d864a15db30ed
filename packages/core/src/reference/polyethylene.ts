import { plasticWall } from './plasticWall'
import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

export const D2239: Source = {
  title: 'ASTM D2239 polyethylene pipe, controlled inside diameter',
  table: 'SIDR 7, 9, 11.5 and 15',
  certainty: 'formula',
}

// nominal, average inside diameter; inches: that of schedule 40 steel
const BORES: readonly [NominalSize, number][] = [
  ['1/2', 0.622],
  ['3/4', 0.824],
  ['1', 1.049],
  ['1-1/4', 1.38],
  ['1-1/2', 1.61],
  ['2', 2.067],
]
const RATIOS = [7, 9, 11.5, 15] as const
/** The least wall that the standard allows, inches. */
const LEAST_WALL = 0.06

/** Wall of pipe controlled by its bore: bore / ratio, never below the least wall. Inches. */
export function insideRatioWallIn(boreIn: number, ratio: number): number {
  return Math.max(boreIn / ratio, LEAST_WALL)
}

/** Polyethylene that insert fittings go into: the bore is what is held, the outside follows. */
export const POLYETHYLENE_BY_BORE: readonly Pipe[] = RATIOS.flatMap((ratio) =>
  BORES.map(([nominal, bore]): Pipe => {
    const wall = insideRatioWallIn(bore, ratio)
    return {
      id: `polyethylene.sidr${ratio}.${nominal}`,
      material: 'polyethylene',
      system: 'ID',
      nominal,
      grade: `SIDR ${ratio}`,
      odMm: (bore + 2 * wall) * IN,
      odToleranceMm: 0.02 * IN,
      ...plasticWall(wall * IN, Math.max(0.02, wall * 0.12) * IN),
      source: D2239,
    }
  }),
)
