import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

const TYPICAL_CLAY: Source = {
  title: 'ASTM C700 vitrified clay pipe, named by bore; barrel thickness typical',
  certainty: "maker's sheet",
}
const TYPICAL_CEMENT: Source = {
  title: 'Asbestos-cement and cement drain pipe, named by bore; thickness typical',
  certainty: "maker's sheet",
}

// bore, wall; inches
const CLAY: readonly [NominalSize, number][] = [
  ['3', 0.5],
  ['4', 0.56],
  ['6', 0.69],
]
const CEMENT: readonly [NominalSize, number][] = [
  ['3', 0.4],
  ['4', 0.45],
  ['6', 0.5],
]

/** Clay and cement drains: thick, brittle, named by bore. */
export const STONEWARE: readonly Pipe[] = (
  [
    ['clay', CLAY, TYPICAL_CLAY],
    ['cement', CEMENT, TYPICAL_CEMENT],
  ] as const
).flatMap(([material, rows, source]) =>
  rows.map(
    ([nominal, wall]): Pipe => ({
      id: `${material}.${nominal}`,
      material,
      system: 'barrel',
      nominal,
      grade: 'drain',
      odMm: (Number(nominal) + 2 * wall) * IN,
      odToleranceMm: 5,
      wallMm: wall * IN,
      wallToleranceMm: 3,
      source,
    }),
  ),
)
