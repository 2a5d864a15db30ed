import type { Source } from '../reference/source'
import { end, fullDepthMm, type PortEnd, tubeDiameterMm } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Family, Fitting, Vector } from './types'

const SHEET: Source = {
  title:
    'Branch fittings in the patterns of ASTM D3311, typical of the kind: what their mouths leave room for',
  certainty: "maker's sheet",
}

type Size = '1-1/2' | '2' | '3' | '4'

/** Run by branch: no branch is larger than the run that it comes into. */
export const BRANCH_SIZES: readonly (readonly [run: Size, branch: Size])[] = [
  ['1-1/2', '1-1/2'],
  ['2', '1-1/2'],
  ['2', '2'],
  ['3', '1-1/2'],
  ['3', '2'],
  ['3', '3'],
  ['4', '2'],
  ['4', '3'],
  ['4', '4'],
]

/** A mouth takes as much of a wall as it is wide, and so much of that again for its edges. */
const EDGE = 0.2
const HALF = Math.SQRT1_2

const radiusMm = (size: Size) => (tubeDiameterMm('IPS', size) ?? 0) / 2

/** From where the axes meet to the end of each pipe, home in its socket, and which way the side looks. */
interface Pattern {
  readonly family: Family
  readonly key: string
  readonly word: string
  /** Upstream, downstream. */
  readonly runMm: (run: number, branch: number) => readonly [number, number]
  /** Where the side's pipe ends, and the way out there. */
  readonly side: (run: number, branch: number) => readonly [at: Vector, axis: Vector]
}

/** Square to the run: its mouth opens as wide as the branch is, half to each side, and is swept down the flow. */
const SWEEP = 0.4
/** At 45 degrees the mouth is longer by √2, and lies upstream of where the axes meet by the run's half. */
const leaningMm = (run: number, branch: number) =>
  [
    run + branch * Math.SQRT2 * (1 + EDGE),
    Math.max(branch * Math.SQRT2 * (1 + EDGE) - run, run * EDGE),
  ] as const
/** Along the leaning side until its pipe is clear of the run. */
const clearMm = (run: number, branch: number) => (run + branch) * Math.SQRT2

const PATTERNS: readonly Pattern[] = [
  {
    family: 'sanitary-tee',
    key: 'tee.sanitary',
    word: 'sanitary tee',
    runMm: (_run, branch) => [branch * (1 + EDGE), branch * (1 + EDGE + SWEEP)],
    side: (run, branch) => [
      [0, run + branch * (EDGE + SWEEP), 0],
      [0, 1, 0],
    ],
  },
  {
    family: 'wye',
    key: 'wye',
    word: 'wye',
    runMm: leaningMm,
    side: (run, branch) => {
      const reach = clearMm(run, branch) * HALF
      return [
        [-reach, reach, 0],
        [-HALF, HALF, 0],
      ]
    },
  },
  {
    family: 'wye-eighth',
    key: 'wye.eighth',
    word: 'wye with an eighth bend',
    runMm: leaningMm,
    // the bend brings the side square to the run
    side: (run, branch) => {
      const reach = clearMm(run, branch) * HALF
      return [
        [-reach, reach + branch * (1 + EDGE), 0],
        [0, 1, 0],
      ]
    },
  },
]

/** A part in its own frame: upstream facing -x, downstream +x, the side up. */
function branched(
  { family, key, word, runMm, side }: Pattern,
  [material, stuff, name]: (typeof DRAIN_PLASTICS)[number],
  [run, branch]: (typeof BRANCH_SIZES)[number],
): Fitting {
  const main = end('drain-socket', 'IPS', run, material)
  const beside = end('drain-socket', 'IPS', branch, material)
  const radii = [radiusMm(run), radiusMm(branch)] as const
  const [up, down] = runMm(...radii)
  const [at, axis] = side(...radii)
  // the mouth stands the socket's depth further out than the pipe's end
  const port = (id: string, part: PortEnd, from: Vector, out: Vector) => ({
    ...part,
    id,
    pose: {
      origin: from.map((mm, index) => mm + (out[index] as number) * fullDepthMm(part)) as unknown as Vector,
      axis: out,
      rollDegrees: 0,
    },
  })
  return {
    id: `${key}.${stuff}.${run}x${branch}`,
    family,
    name: `${name} ${word}, ${run === branch ? `${run} in` : `${run} × ${branch} in`}`,
    material,
    heatSensitive: true,
    layingMm: up + down,
    source: SHEET,
    ports: [
      port('a', main, [-up, 0, 0], [-1, 0, 0]),
      port('b', main, [down, 0, 0], [1, 0, 0]),
      port('c', beside, at, axis),
    ],
  }
}

/** What lets a branch into a run of drain: tees for upright pipe, wyes for what lies. */
export function drainBranches(): Fitting[] {
  return DRAIN_PLASTICS.flatMap((plastic) =>
    PATTERNS.flatMap((pattern) => BRANCH_SIZES.map((sizes) => branched(pattern, plastic, sizes))),
  )
}
