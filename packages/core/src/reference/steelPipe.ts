import { B36_10, ironPipeSizes } from './ironPipeSize'
import type { Pipe, PipeMaterial } from './types'

const IN = 25.4

/** Steel of one schedule. OD tolerance 1/64 in up to 1-1/2, 1 % above, and wall -12.5 % (ASTM A53). */
function steel(
  material: PipeMaterial,
  prefix: string,
  schedule: 10 | 40 | 80,
  from: string,
  to: string,
): readonly Pipe[] {
  return ironPipeSizes(from, to).flatMap(({ nominal, odIn, wallIn }): Pipe[] => {
    const wall = wallIn[schedule]
    return wall === undefined
      ? []
      : [
          {
            id: `${prefix}.${schedule}.${nominal}`,
            material,
            system: 'IPS',
            nominal,
            grade: `schedule ${schedule}`,
            odMm: odIn * IN,
            odToleranceMm: odIn <= 1.9 ? IN / 64 : odIn * 0.01 * IN,
            wallMm: wall * IN,
            wallToleranceMm: wall * IN * 0.125,
            source: B36_10,
          },
        ]
  })
}

/** Galvanised and black steel of iron pipe size, and steel painted for sprinklers. */
export const STEEL_PIPE: readonly Pipe[] = [
  ...steel('galvanised-steel', 'galvanised', 40, '1/8', '6'),
  ...steel('black-steel', 'black', 40, '1/8', '6'),
  ...steel('black-steel', 'black', 80, '1/4', '4'),
  ...steel('sprinkler-steel', 'sprinkler', 40, '1', '4'),
  ...steel('sprinkler-steel', 'sprinkler', 10, '1', '4'),
]
