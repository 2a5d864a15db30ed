import { type CarriedWay, carriedStation, carriedStep, carryBetween } from './carry'

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
 * are given, oldest first, as the shop heard of them: which is newer is not for a phone's clock to say. One that was
 * held to parts of a way that was chosen before holds on where both its places are in this one, and is given by their
 * names here.
 *
 * @param way the one that is chosen; null while none is
 * @param before every way that was ever chosen for the line
 */
export function dimensionsFor<Row extends Measured>(
  rows: readonly Row[],
  way: CarriedWay | null,
  before: readonly CarriedWay[] = [],
): Row[] {
  const newest = new Map<string, Row>()
  for (const row of rows) {
    if (row.withdrawn) continue
    const held = placedIn(row, way, before)
    if (!held) continue
    // taken out first, so that it stands where the newer one came
    newest.delete(`${held.from}>${held.to}`)
    newest.set(`${held.from}>${held.to}`, held)
  }
  return [...newest.values()]
}

function placedIn<Row extends Measured>(
  row: Row,
  way: CarriedWay | null,
  before: readonly CarriedWay[],
): Row | null {
  if (row.optionId === null || row.optionId === way?.id) return row
  const then = before.find(({ id }) => id === row.optionId)
  if (!way || !then) return null
  const carry = carryBetween(then, way)
  const [from, to] = [carriedStation(carry, row.from), carriedStation(carry, row.to)]
  return from === null || to === null ? null : { ...row, from, to }
}

/**
 * The step that a tick stands for in the way that is chosen now; null where what was ticked is no part of it. A tick of
 * no way is one of the job's, or from before ticks said theirs: it stands as it was.
 */
export function stepOf(
  { stepId, optionId }: { readonly stepId: string; readonly optionId: string | null },
  way: CarriedWay | null,
  before: readonly CarriedWay[],
): string | null {
  if (optionId === null || optionId === way?.id) return stepId
  const then = before.find(({ id }) => id === optionId)
  return way && then ? carriedStep(carryBetween(then, way), stepId) : null
}
