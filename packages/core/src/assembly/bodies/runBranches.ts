/** A branch into a run of drain: a tee where the run stands upright, a wye where it lies. */
export interface RunBranch {
  readonly id: string
  readonly insert: 'tee' | 'wye'
  /** Of the pipe that will come into it. */
  readonly size: '1-1/2' | '2' | '3' | '4'
}

const SIZES = ['1-1/2', '2', '3', '4'] as const

/** A row for each way that the run goes and each size of branch, the usual size first. */
export const RUN_BRANCHES: readonly RunBranch[] = (['tee', 'wye'] as const).flatMap((insert) =>
  (['2', ...SIZES.filter((size) => size !== '2')] as const).map((size) => ({
    id: `waste.run.${insert}.${size}`,
    insert,
    size,
  })),
)

/** The row of a kind; undefined for any other. */
export function runBranch(kind: string | undefined): RunBranch | undefined {
  return RUN_BRANCHES.find(({ id }) => id === kind)
}

/** The same branch of another size; the same kind where it is none. */
export function withBranchSize(kind: string, size: string): string {
  const row = runBranch(kind)
  return RUN_BRANCHES.find((each) => each.insert === row?.insert && each.size === size)?.id ?? kind
}
