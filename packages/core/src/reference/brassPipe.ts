import { ironPipeSizes } from './ironPipeSize'
import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

export const B43: Source = {
  title: 'ASTM B43 seamless red brass pipe',
  table: 'regular and extra strong',
  certainty: 'recalled',
}

// nominal, wall regular, wall extra strong (0: not listed here); inches
const WALLS: Readonly<Record<NominalSize, readonly [number, number]>> = {
  '1/8': [0.062, 0.1],
  '1/4': [0.082, 0.123],
  '3/8': [0.09, 0.127],
  '1/2': [0.107, 0.149],
  '3/4': [0.114, 0.157],
  '1': [0.126, 0.182],
  '1-1/4': [0.146, 0.194],
  '1-1/2': [0.15, 0.203],
  '2': [0.156, 0.221],
  '2-1/2': [0.187, 0],
  '3': [0.219, 0],
  '4': [0.25, 0],
}

/** Red brass pipe of iron pipe size. */
export const BRASS_PIPE: readonly Pipe[] = (['regular', 'extra strong'] as const).flatMap((grade, series) =>
  ironPipeSizes('1/8', '4').flatMap(({ nominal, odIn }): Pipe[] => {
    const wall = WALLS[nominal]?.[series] ?? 0
    return wall === 0
      ? []
      : [
          {
            id: `brass.${grade.replace(' ', '-')}.${nominal}`,
            material: 'brass',
            system: 'IPS',
            nominal,
            grade,
            odMm: odIn * IN,
            odToleranceMm: 0.006 * IN,
            wallMm: wall * IN,
            wallToleranceMm: 0.006 * IN,
            source: B43,
          },
        ]
  }),
)
