/** A distance measured along a line, as far as it decides whether it holds. */
interface Measured {
  readonly from: string
  readonly to: string
  /** The way whose parts it was held to; none where it holds for all. */
  readonly optionId: string | null
  readonly withdrawn: boolean
  readonly takenAt: string
}

/**
 * Of the distances measured along a line those that hold for a way: the newest between each two places, in the order in
 * which they were taken.
 */
export function dimensionsFor<Row extends Measured>(rows: readonly Row[], optionId: string | null): Row[] {
  const newest = new Map<string, Row>()
  for (const row of rows) {
    if (row.withdrawn || (row.optionId !== null && row.optionId !== optionId)) continue
    const held = newest.get(`${row.from}>${row.to}`)
    if (!held || held.takenAt <= row.takenAt) newest.set(`${row.from}>${row.to}`, row)
  }
  return [...newest.values()].sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1))
}
