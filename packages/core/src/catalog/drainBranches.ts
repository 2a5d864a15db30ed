import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'
import { end, fullDepthMm, type PortEnd } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Family, Fitting, SecondSide, Vector } from './types'

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

const SANITARY: Pattern = {
  family: 'sanitary-tee',
  key: 'tee.sanitary',
  word: 'sanitary tee',
  runMm: (_run, branch) => [branch * (1 + EDGE), branch * (1 + EDGE + SWEEP)],
  side: (run, branch) => [
    [0, run + branch * (EDGE + SWEEP), 0],
    [0, 1, 0],
  ],
}
const WYE: Pattern = {
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
}
const WYE_EIGHTH: Pattern = {
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
}
const PATTERNS = [SANITARY, WYE, WYE_EIGHTH]

const further = ([x, y, z]: Vector, [dx, dy, dz]: Vector, mm: number): Vector => [
  x + dx * mm,
  y + dy * mm,
  z + dz * mm,
]

/** What a branch fitting is of: its name, and its ends along the run and at its sides. */
interface Branched extends Pick<Fitting, 'id' | 'name' | 'source'> {
  readonly material: PipeMaterial
  readonly main: PortEnd
  readonly beside: PortEnd
  /** One more of the same pattern, no larger than the first, square to the run. */
  readonly second?: { readonly at: SecondSide; readonly part: PortEnd }
}

/** Ways out of second sides: the first looks up, the run to the right. */
const AWAY: Readonly<Record<SecondSide, Vector>> = {
  opposite: [0, -1, 0],
  left: [0, 0, 1],
  right: [0, 0, -1],
}

/** A part in its own frame: upstream facing -x, downstream +x, the side up. Its mouths leave room for their pipes. */
export function branchedPart(
  { family, runMm, side }: Pattern,
  { main, beside, second, ...own }: Branched,
): Fitting {
  const radii = [main.diameterMm / 2, beside.diameterMm / 2] as const
  const [up, down] = runMm(...radii)
  const [at, axis] = side(...radii)
  // the mouth stands the socket's depth further out than the pipe's end
  const port = (id: string, part: PortEnd, from: Vector, out: Vector) => ({
    ...part,
    id,
    pose: {
      origin: further(from, out, fullDepthMm(part)),
      axis: out,
      rollDegrees: 0,
    },
  })
  const aside = ({ at: where, part }: NonNullable<Branched['second']>) => {
    const out = AWAY[where]
    const [[, reach]] = side(radii[0], part.diameterMm / 2)
    return port('d', part, further([0, 0, 0], out, reach), out)
  }
  return {
    ...own,
    family,
    heatSensitive: true,
    layingMm: up + down,
    ports: [
      port('a', main, [-up, 0, 0], [-1, 0, 0]),
      port('b', main, [down, 0, 0], [1, 0, 0]),
      port('c', beside, at, axis),
      ...(second ? [aside(second)] : []),
    ],
  }
}

/** Run, branch, and the second side, which is no larger than the branch. */
const DOUBLE_SIZES = BRANCH_SIZES.filter(([, branch]) => branch === '1-1/2' || branch === '2')
const SIDE_INLETS: readonly (readonly [run: Size, branch: Size, side: Size])[] = [
  ['3', '3', '1-1/2'],
  ['3', '3', '2'],
  ['4', '4', '2'],
]

/**
 * Sanitary tees with two sides: one opposite the other and like it, or a smaller inlet beside, on the left or the right
 * of who looks into the branch.
 */
export function twoSidedTees(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, stuff, name]) => {
    const made = (
      key: string,
      word: string,
      sizes: string,
      [run, branch, side]: readonly [run: Size, branch: Size, side: Size],
      at: SecondSide,
    ) =>
      branchedPart(SANITARY, {
        id: `tee.${key}.${stuff}.${sizes}`,
        name: `${name} ${word}, ${sizes.replaceAll('x', ' × ')} in`,
        material,
        source: SHEET,
        main: end('drain-socket', 'IPS', run, material),
        beside: end('drain-socket', 'IPS', branch, material),
        second: { at, part: end('drain-socket', 'IPS', side, material) },
      })
    return [
      ...DOUBLE_SIZES.map(([run, branch]) =>
        made(
          'double',
          'double sanitary tee',
          `${run}x${branch}x${branch}`,
          [run, branch, branch],
          'opposite',
        ),
      ),
      ...SIDE_INLETS.flatMap((sizes) =>
        (['left', 'right'] as const).map((at) =>
          made(at, `sanitary tee with a side inlet ${at}`, sizes.join('x'), sizes, at),
        ),
      ),
    ]
  })
}

function branched(
  pattern: Pattern,
  [material, stuff, name]: (typeof DRAIN_PLASTICS)[number],
  [run, branch]: (typeof BRANCH_SIZES)[number],
): Fitting {
  return branchedPart(pattern, {
    id: `${pattern.key}.${stuff}.${run}x${branch}`,
    name: `${name} ${pattern.word}, ${run === branch ? `${run} in` : `${run} × ${branch} in`}`,
    material,
    source: SHEET,
    main: end('drain-socket', 'IPS', run, material),
    beside: end('drain-socket', 'IPS', branch, material),
  })
}

/** Those that are made in metric waste: the pattern, and what it is called by there. */
export const METRIC_PATTERNS: readonly (readonly [Pattern, key: string, word: string])[] = [
  [SANITARY, 'tee.swept', 'swept tee'],
  [WYE, 'branch.45', '45° branch'],
]

/** What lets a branch into a run of drain: tees for upright pipe, wyes for what lies. */
export function drainBranches(): Fitting[] {
  return DRAIN_PLASTICS.flatMap((plastic) =>
    PATTERNS.flatMap((pattern) => BRANCH_SIZES.map((sizes) => branched(pattern, plastic, sizes))),
  )
}
