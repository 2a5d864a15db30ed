const DAY_MS = 86_400_000

/** What a house still asks for. */
export type Due =
  /** A way that is only for a time: somebody has to be back by then. */
  | { readonly kind: 'return'; readonly jobId: string; readonly by: string }
  /** What was improvised stays until it is replaced. */
  | { readonly kind: 'replace'; readonly jobId: string }
  /** Advised, and put off: asked again at the next visit. */
  | { readonly kind: 'advice'; readonly jobId: string; readonly text: string }
  /** A job that is still open. */
  | { readonly kind: 'open'; readonly jobId: string }

interface Job {
  readonly id: string
  readonly state: 'open' | 'closed'
  readonly advice?: readonly { readonly text: string; readonly answer: 'taken' | 'later' | 'refused' }[]
}

interface Way {
  readonly jobId: string
  readonly lineId: string
  readonly chosenAt: string
  readonly option: { readonly followUp?: { readonly returnDays: number | null } | undefined }
}

/**
 * What is due in a house: ways for a time by their day of return first, the earliest before the others, then what was
 * improvised, open jobs, and what was put off. A later way on the same line takes the place of an earlier one.
 *
 * @param ways in the order in which the shop heard of them
 */
export function dueOf(jobs: readonly Job[], ways: readonly Way[]): Due[] {
  const latest = new Map<string, Way>()
  for (const way of ways) latest.set(way.lineId, way)
  const due: Due[] = []
  const seen = new Set<string>()
  for (const { jobId, chosenAt, option } of latest.values()) {
    if (!option.followUp) continue
    const { returnDays } = option.followUp
    const by =
      returnDays === null
        ? null
        : new Date(Date.parse(chosenAt) + returnDays * DAY_MS).toISOString().slice(0, 10)
    // both lines of a fixture are one visit
    const key = `${jobId} ${by}`
    if (seen.has(key)) continue
    seen.add(key)
    due.push(by === null ? { kind: 'replace', jobId } : { kind: 'return', jobId, by })
  }
  for (const { id, state, advice = [] } of jobs) {
    if (state === 'open') due.push({ kind: 'open', jobId: id })
    for (const { text, answer } of advice)
      if (answer === 'later') due.push({ kind: 'advice', jobId: id, text })
  }
  const order = ['return', 'replace', 'open', 'advice']
  const day = (entry: Due) => (entry.kind === 'return' ? entry.by : '')
  return due.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || (day(a) < day(b) ? -1 : 1))
}
