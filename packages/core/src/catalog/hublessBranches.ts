import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import type { Fitting, Vector } from './types'

const IN = 25.4
const HALF = Math.SQRT1_2

type Size = '1-1/2' | '2' | '3' | '4'

const CISPI_301: Source = {
  title: 'CISPI 301 and ASTM A888 hubless fittings',
  table: 'sanitary tees, wyes',
  certainty: 'recalled',
}
const SHEET: Source = {
  title: 'Hubless cleanout tees, as long as the tee of that size, typical of the kind',
  certainty: "maker's sheet",
}

/**
 * Hubless sanitary tees, inches: from where the axes meet up and down the run to its plain ends, and to the end of the
 * side. Down is as far as the sweep of a quarter bend of the branch, the side as far as one of the run.
 */
export const HUBLESS_TEES: readonly (readonly [
  run: Size,
  branch: Size,
  up: number,
  down: number,
  side: number,
])[] = [
  ['1-1/2', '1-1/2', 2.25, 4.25, 4.25],
  ['2', '1-1/2', 2.25, 4.25, 4.5],
  ['2', '2', 2.375, 4.5, 4.5],
  ['3', '1-1/2', 2.25, 4.25, 5],
  ['3', '2', 2.375, 4.5, 5],
  ['3', '3', 3, 5, 5],
  ['4', '2', 2.375, 4.5, 5.5],
  ['4', '3', 3, 5, 5.5],
  ['4', '4', 3.625, 5.5, 5.5],
]

/** Hubless wyes, inches: the whole run, its part down the flow, and along the leaning side. */
export const HUBLESS_WYES: readonly (readonly [
  run: Size,
  branch: Size,
  whole: number,
  down: number,
  side: number,
])[] = [
  ['1-1/2', '1-1/2', 6, 2, 4],
  ['2', '2', 6.625, 2, 4.625],
  ['3', '2', 6.625, 1.5, 5.3125],
  ['3', '3', 8, 2.25, 5.75],
  ['4', '2', 6.625, 1, 6],
  ['4', '3', 8, 1.6875, 6.5],
  ['4', '4', 9.5, 2.4375, 7.0625],
]

const plain = (size: Size) => end('tube', 'hubless', size, 'cast-iron')
const sizes = (run: Size, branch: Size) => (run === branch ? `${run} in` : `${run} × ${branch} in`)

/** A part in its own frame: upstream facing -x, downstream +x, the side up or leaning up the flow; all its ends are plain. */
function branched(
  own: Pick<Fitting, 'id' | 'name' | 'family'>,
  [run, branch]: readonly [Size, Size],
  [upMm, downMm]: readonly [number, number],
  axis: Vector,
  sideMm: number,
): Fitting {
  const port = (id: string, size: Size, out: Vector, mm: number) => ({
    ...plain(size),
    id,
    pose: { origin: [out[0] * mm, out[1] * mm, out[2] * mm] as const, axis: out, rollDegrees: 0 },
  })
  return {
    ...own,
    material: 'cast-iron',
    heatSensitive: false,
    layingMm: upMm + downMm,
    source: CISPI_301,
    ports: [
      port('a', run, [-1, 0, 0], upMm),
      port('b', run, [1, 0, 0], downMm),
      port('c', branch, axis, sideMm),
    ],
  }
}

/** What lets a branch, or a machine, into a run of hubless iron in its own stuff: between two couplings. */
export function hublessBranches(): Fitting[] {
  return [
    ...HUBLESS_TEES.map(([run, branch, up, down, side]) =>
      branched(
        {
          id: `tee.sanitary.hubless.${run}x${branch}`,
          name: `hubless iron sanitary tee, ${sizes(run, branch)}`,
          family: 'sanitary-tee',
        },
        [run, branch],
        [up * IN, down * IN],
        [0, 1, 0],
        side * IN,
      ),
    ),
    ...HUBLESS_WYES.map(([run, branch, whole, down, side]) =>
      branched(
        {
          id: `wye.hubless.${run}x${branch}`,
          name: `hubless iron wye, ${sizes(run, branch)}`,
          family: 'wye',
        },
        [run, branch],
        [(whole - down) * IN, down * IN],
        [-HALF, HALF, 0],
        side * IN,
      ),
    ),
    ...HUBLESS_TEES.filter(([run, branch]) => run === branch && run !== '1-1/2').map(([run, , up, down]) => ({
      ...inline({
        id: `cleanout.hubless.${run}`,
        family: 'cleanout-tee',
        name: `hubless iron cleanout tee with plug, ${run} in`,
        material: 'cast-iron',
        toEndMm: [((up + down) / 2) * IN],
        a: plain(run),
        b: plain(run),
        source: SHEET,
      }),
      layingMm: (up + down) * IN,
    })),
  ]
}
