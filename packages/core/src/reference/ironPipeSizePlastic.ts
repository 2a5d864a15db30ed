import { ironPipeSizes } from './ironPipeSize'
import { dimensionRatioWallIn } from './plasticTube'
import { plasticWall } from './plasticWall'
import type { Source } from './source'
import type { Pipe, PipeMaterial } from './types'

const IN = 25.4

export const D1785: Source = {
  title: 'ASTM D1785 PVC pipe, schedules 40 and 80',
  table: 'dimensions',
  certainty: 'recalled',
}
export const D2241: Source = {
  title: 'ASTM D2241 PVC pressure-rated pipe',
  table: 'SDR 21',
  certainty: 'formula',
}
export const D2665: Source = {
  title: 'ASTM D2665 PVC drain, waste and vent',
  table: 'pipe',
  certainty: 'recalled',
}
export const D2661: Source = {
  title: 'ASTM D2661 ABS drain, waste and vent',
  table: 'pipe',
  certainty: 'recalled',
}
export const F441: Source = { title: 'ASTM F441 CPVC pipe', table: 'schedule 80', certainty: 'recalled' }
export const F442: Source = { title: 'ASTM F442 CPVC pipe', table: 'SDR 13.5', certainty: 'formula' }
export const D3035: Source = { title: 'ASTM D3035 polyethylene pipe', table: 'DR 11', certainty: 'formula' }
export const D2513: Source = {
  title: 'ASTM D2513 polyethylene gas pipe',
  table: 'DR 11',
  certainty: 'formula',
}

interface Family {
  readonly material: PipeMaterial
  readonly prefix: string
  readonly grade: string
  readonly from: string
  readonly to: string
  /** A schedule's wall from the table, or a dimension ratio with the least wall. */
  readonly wall: { readonly schedule: 40 | 80 } | { readonly ratio: number; readonly leastIn: number }
  readonly source: Source
}

const FAMILIES: readonly Family[] = [
  {
    material: 'pvc',
    prefix: 'pvc.40',
    grade: 'schedule 40',
    from: '1/4',
    to: '6',
    wall: { schedule: 40 },
    source: D1785,
  },
  {
    material: 'pvc',
    prefix: 'pvc.80',
    grade: 'schedule 80',
    from: '1/4',
    to: '4',
    wall: { schedule: 80 },
    source: D1785,
  },
  {
    material: 'pvc',
    prefix: 'pvc.sdr21',
    grade: 'SDR 21',
    from: '3/4',
    to: '4',
    wall: { ratio: 21, leastIn: 0.06 },
    source: D2241,
  },
  {
    material: 'pvc-drain',
    prefix: 'pvc-dwv.40',
    grade: 'DWV',
    from: '1-1/4',
    to: '6',
    wall: { schedule: 40 },
    source: D2665,
  },
  {
    material: 'abs-drain',
    prefix: 'abs-dwv.40',
    grade: 'DWV',
    from: '1-1/4',
    to: '6',
    wall: { schedule: 40 },
    source: D2661,
  },
  {
    material: 'cpvc',
    prefix: 'cpvc.80',
    grade: 'schedule 80',
    from: '1/2',
    to: '4',
    wall: { schedule: 80 },
    source: F441,
  },
  {
    material: 'cpvc-sprinkler',
    prefix: 'cpvc-sprinkler.sdr13.5',
    grade: 'SDR 13.5',
    from: '3/4',
    to: '3',
    wall: { ratio: 13.5, leastIn: 0 },
    source: F442,
  },
  {
    material: 'polyethylene',
    prefix: 'polyethylene.dr11',
    grade: 'DR 11',
    from: '1/2',
    to: '4',
    wall: { ratio: 11, leastIn: 0.062 },
    source: D3035,
  },
  {
    material: 'polyethylene-gas',
    prefix: 'polyethylene-gas.dr11',
    grade: 'DR 11, gas',
    from: '1/2',
    to: '2',
    wall: { ratio: 11, leastIn: 0.09 },
    source: D2513,
  },
]

/** Plastic pipe of iron pipe size: the steel pipe's outside diameters, with walls by schedule or ratio. */
export const IRON_PIPE_SIZE_PLASTIC: readonly Pipe[] = FAMILIES.flatMap(
  ({ material, prefix, grade, from, to, wall, source }) =>
    ironPipeSizes(from, to)
      // five-inch plastic is in the table and not in houses
      .filter(({ nominal }) => nominal !== '5')
      .map(({ nominal, odIn, wallIn }): Pipe => {
        const thickness =
          'schedule' in wall ? wallIn[wall.schedule] : dimensionRatioWallIn(odIn, wall.ratio, wall.leastIn)
        return {
          id: `${prefix}.${nominal}`,
          material,
          system: 'IPS',
          nominal,
          grade,
          odMm: odIn * IN,
          odToleranceMm: (odIn <= 1.05 ? 0.004 : odIn <= 2.4 ? 0.006 : 0.009) * IN,
          ...plasticWall(thickness * IN, Math.max(0.02, thickness * 0.12) * IN),
          source,
        }
      }),
)
