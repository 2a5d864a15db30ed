/** A distance measured along a line, as far as it decides whether it holds. */
interface Measured {
  readonly from: string
  readonly to: string
  /** The way whose parts it was held to; none where it holds for all. */
  readonly optionId: string | null
  readonly withdrawn: boolean
}

/**
 * Of the distances measured along a line those that hold for a way: the newest between each two places. They come, and
 * are given, oldest first, as the shop heard of them: which is newer is not for a phone's clock to say.
 */
export function dimensionsFor<Row extends Measured>(rows: readonly Row[], optionId: string | null): Row[] {
  const newest = new Map<string, Row>()
  for (const row of rows) {
    if (row.withdrawn || (row.optionId !== null && row.optionId !== optionId)) continue
    // taken out first, so that it stands where the newer one came
    newest.delete(`${row.from}>${row.to}`)
    newest.set(`${row.from}>${row.to}`, row)
  }
  return [...newest.values()]
}
