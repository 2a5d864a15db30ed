import type { SecondSide } from '../../catalog/types'
import { isMetricWaste } from '../../reference/materials'
import { pipeById } from '../../reference/pipes'
import { namedInches, nominalNumber } from '../../reference/types'

/** A branch into a run of drain: a tee where the run stands upright, a wye where it lies. */
export interface RunBranch {
  readonly id: string
  readonly insert: 'tee' | 'wye'
  /** Of the pipe that will come into it: inches, or millimetres of metric waste. */
  readonly size: InchSize | MetricSize
  /** What it is of, where that is not plastic. */
  readonly stuff?: 'iron'
  /** One more side: where it stands, and of what size. */
  readonly second?: { readonly at: SecondSide; readonly size: InchSize }
}

type InchSize = '1-1/2' | '2' | '3' | '4'
type MetricSize = '32' | '40' | '50' | '110'

/** What pipe that may come into a run is called, the usual size first. */
const INCHES = ['2', '1-1/2', '3', '4'] as const satisfies readonly InchSize[]
const MILLIMETRES = ['40', '32', '50', '110'] as const satisfies readonly MetricSize[]

const of = (sizes: readonly RunBranch['size'][]): readonly RunBranch[] =>
  (['tee', 'wye'] as const).flatMap((insert) =>
    sizes.map((size) => ({ id: `waste.run.${insert}.${size}`, insert, size })),
  )

/** A row for each way that the run goes and each size of branch, the usual size first. */
export const RUN_BRANCHES = of(INCHES)
/** The same into metric waste. */
export const METRIC_RUN_BRANCHES = of(MILLIMETRES)
const tee = (id: string, size: InchSize, at: SecondSide, second: InchSize): RunBranch => ({
  id: `waste.run.tee.${id}`,
  insert: 'tee',
  size,
  second: { at, size: second },
})
/**
 * Tees with a second side, into pipe that stands: opposite the first for what runs in slowly, since both flows meet head
 * on; beside a bowl's branch for what stands next to it.
 */
export const TWO_SIDED_BRANCHES: readonly RunBranch[] = [
  ...(['2', '1-1/2'] as const).map((size) => tee(`double.${size}`, size, 'opposite', size)),
  ...(
    [
      ['3', '2'],
      ['3', '1-1/2'],
      ['4', '2'],
    ] as const
  ).flatMap(([size, second]) =>
    (['left', 'right'] as const).map((at) => tee(`${at}.${size}x${second}`, size, at, second)),
  ),
]
/** Branches of hubless iron into hubless iron: where plastic is not wanted, or not allowed. */
export const IRON_RUN_BRANCHES: readonly RunBranch[] = RUN_BRANCHES.map(({ insert, size }) => ({
  id: `waste.run.${insert}.iron.${size}`,
  insert,
  size,
  stuff: 'iron',
}))
const ALL: readonly RunBranch[] = [
  ...RUN_BRANCHES,
  ...METRIC_RUN_BRANCHES,
  ...TWO_SIDED_BRANCHES,
  ...IRON_RUN_BRANCHES,
]

/** Whether a size is one of millimetres. */
export const isMetricBranch = (size: string): boolean => MILLIMETRES.some((each) => each === size)

/** The row of a kind; undefined for any other. */
export function runBranch(kind: string | undefined): RunBranch | undefined {
  return ALL.find(({ id }) => id === kind)
}

/** The same branch of another size, with its second side where one is made so; the same kind where it is none. */
export function withBranchSize(kind: string, size: string): string {
  const row = runBranch(kind)
  const sized = ALL.filter(
    (each) => each.insert === row?.insert && each.size === size && each.stuff === row.stuff,
  )
  const alike = sized.find((each) => each.second?.at === row?.second?.at)
  return (alike ?? sized[0])?.id ?? kind
}

/** The kinds that a branch of its size can be: with one side, then with each second one that is made. */
export function secondSides(kind: string): readonly RunBranch[] {
  const row = runBranch(kind)
  return row
    ? ALL.filter((each) => each.insert === row.insert && each.size === row.size && each.stuff === row.stuff)
    : []
}

/** The same branch without its second side; the same kind where it is none. */
export function withOneSide(kind: string): string {
  return secondSides(kind)[0]?.id ?? kind
}

/** The same branch with one side, of plastic or of iron; the same kind where it is none, or is not made so. */
export function withStuff(kind: string, stuff: 'plastic' | 'iron'): string {
  const row = runBranch(kind)
  const wanted = stuff === 'iron' ? 'iron' : undefined
  if (!row || row.stuff === wanted) return kind
  return (
    ALL.find((each) => each.insert === row.insert && each.size === row.size && each.stuff === wanted)?.id ??
    kind
  )
}

/** Whether a branch into such pipe may be of iron: it goes between the couplings of hubless pipe. */
export const mayBeIron = (pipeId: string | undefined): boolean =>
  pipeId?.startsWith('cast-iron.hubless.') ?? false

const isMetric = (pipeId: string | undefined) => isMetricWaste(pipeById(pipeId ?? '')?.material ?? '')

/** Sizes that come into a run of pipe, the smallest first: metric waste has its own. */
export function branchSizes(pipeId: string | undefined): readonly RunBranch['size'][] {
  return [...(isMetric(pipeId) ? MILLIMETRES : INCHES)].sort((a, b) => nominalNumber(a) - nominalNumber(b))
}

/** A branch as it is usually meant into such pipe: of the usual size of its kind; the same kind where it is none. */
export function usualBranch(kind: string, pipeId: string | undefined): string {
  const [usual] = isMetric(pipeId) ? MILLIMETRES : INCHES
  return withBranchSize(kind, usual)
}

/** Whether pipe is of a size that drains a whole house, so that its trap may sit in it: three inches and more. Common practice. */
export function mayHoldHouseTrap(pipeId: string | undefined): boolean {
  const pipe = pipeById(pipeId ?? '')
  return pipe !== undefined && namedInches(pipe) >= 3
}
