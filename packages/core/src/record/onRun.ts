/** What hangs on a run near the place where it is cut, by its ends from a mark in the middle of what is bad, mm. */
export interface OnRunMeasures {
  readonly badMm: number | null
  readonly things: readonly { readonly kind: string; readonly fromMm: number; readonly toMm: number }[]
}

/** A new joint wants about so much bare pipe; an old coupling nearer than that goes with the cut. Common practice. */
const NEAR_MM = 50
const GOES: ReadonlySet<string> = new Set(['coupling', 'strap'])

/**
 * What has to come out of a run before any way is chosen, mm: the bad pipe, and every coupling that stands too near to it,
 * or to one that goes. Where exactly it is cut is worked out for the way that is chosen.
 *
 * @returns null where nothing was said
 */
export function comesOutMm(run: OnRunMeasures | null | undefined): number | null {
  if (!run || (run.badMm === null && run.things.length === 0)) return null
  let [from, to] = [-(run.badMm ?? 0) / 2, (run.badMm ?? 0) / 2]
  for (let grown = true; grown; ) {
    const [a, b] = [from, to]
    for (const { kind, fromMm, toMm } of run.things) {
      if (!GOES.has(kind) || fromMm > b + NEAR_MM || toMm < a - NEAR_MM) continue
      from = Math.min(from, fromMm)
      to = Math.max(to, toMm)
    }
    grown = from < a || to > b
  }
  return to - from
}
