import { isMetricWaste } from '../../reference/materials'
import { pipeById } from '../../reference/pipes'
import { namedInches, nominalNumber } from '../../reference/types'

/** A branch into a run of drain: a tee where the run stands upright, a wye where it lies. */
export interface RunBranch {
  readonly id: string
  readonly insert: 'tee' | 'wye'
  /** Of the pipe that will come into it: inches, or millimetres of metric waste. */
  readonly size: InchSize | MetricSize
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
const ALL: readonly RunBranch[] = [...RUN_BRANCHES, ...METRIC_RUN_BRANCHES]

/** Whether a size is one of millimetres. */
export const isMetricBranch = (size: string): boolean => MILLIMETRES.some((each) => each === size)

/** The row of a kind; undefined for any other. */
export function runBranch(kind: string | undefined): RunBranch | undefined {
  return ALL.find(({ id }) => id === kind)
}

/** The same branch of another size; the same kind where it is none. */
export function withBranchSize(kind: string, size: string): string {
  const row = runBranch(kind)
  return ALL.find((each) => each.insert === row?.insert && each.size === size)?.id ?? kind
}

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
