/** What hangs on a run near the place where it is cut, by its ends from a mark in the middle of what is bad, mm. */
export interface OnRunMeasures {
  readonly badMm: number | null
  readonly things: readonly { readonly kind: string; readonly fromMm: number; readonly toMm: number }[]
}

/** A new joint wants about so much bare pipe; an old coupling nearer than that goes with the cut. Common practice. */
const NEAR_MM = 50
const GOES: ReadonlySet<string> = new Set(['coupling', 'strap'])

/** What goes for certain, and with it every coupling that stands too near to it, or to one that goes. */
function withWhatIsNear(
  begins: readonly [number, number],
  things: OnRunMeasures['things'],
): readonly [number, number] {
  let [from, to] = begins
  for (let grown = true; grown; ) {
    const [a, b] = [from, to]
    for (const { kind, fromMm, toMm } of things) {
      if (!GOES.has(kind) || fromMm > b + NEAR_MM || toMm < a - NEAR_MM) continue
      from = Math.min(from, fromMm)
      to = Math.max(to, toMm)
    }
    grown = from < a || to > b
  }
  return [from, to]
}

/**
 * What has to come out of a run before any way is chosen, mm: the bad pipe, and every coupling that stands too near to it,
 * or to one that goes. Where exactly it is cut is worked out for the way that is chosen.
 *
 * @returns null where nothing was said
 */
export function comesOutMm(run: OnRunMeasures | null | undefined): number | null {
  if (!run || (run.badMm === null && run.things.length === 0)) return null
  const half = (run.badMm ?? 0) / 2
  const [from, to] = withWhatIsNear([-half, half], run.things)
  return to - from
}

/** Where both legs of an elbow meet, along the run laid out straight, mm. */
const middleOf = ({ fromMm, toMm }: { readonly fromMm: number; readonly toMm: number }) => (fromMm + toMm) / 2

/** The elbow that goes where a new corner goes in, as its place among the things: the nearest to the mark; -1 for none. */
export function cornerOf({ things }: Pick<OnRunMeasures, 'things'>): number {
  return things.reduce(
    (best, thing, index) =>
      thing.kind === 'elbow' &&
      (best < 0 || Math.abs(middleOf(thing)) < Math.abs(middleOf(things[best] as typeof thing)))
        ? index
        : best,
    -1,
  )
}

/**
 * All that is bad where a new corner goes in, from the mark, mm: with no bad pipe, nothing but the elbow's own middle.
 *
 * @param elbow its place among the things
 */
export function badRoundCorner({ badMm, things }: OnRunMeasures, elbow: number): readonly [number, number] {
  const middle = middleOf(things[elbow] ?? { fromMm: 0, toMm: 0 })
  return badMm === null ? [middle, middle] : [-badMm / 2, badMm / 2]
}

/**
 * What has to come out at least on each side of a corner's middle, mm: its elbow, the bad pipe, and every coupling that
 * stands too near to those.
 *
 * @returns null where no elbow was said to be there
 */
export function legsOutMm(run: OnRunMeasures | null | undefined): readonly [number, number] | null {
  const at = run ? cornerOf(run) : -1
  const elbow = run?.things[at]
  if (!run || !elbow) return null
  const [a, b] = badRoundCorner(run, at)
  const [from, to] = withWhatIsNear([Math.min(elbow.fromMm, a), Math.max(elbow.toMm, b)], run.things)
  return [middleOf(elbow) - from, to - middleOf(elbow)]
}

/** How much a chosen way can fill of a run, at most; nothing for a line that ends. */
export interface FillingWay {
  readonly removeMm?: { readonly max: number } | undefined
  readonly removeLegsMm?: readonly [{ readonly max: number }, { readonly max: number }] | undefined
}

/** Whether what has to come out of a run can still be filled by the way that was chosen for it. */
export function fillsRun(
  { removeMm, removeLegsMm }: FillingWay,
  run: OnRunMeasures | null | undefined,
): boolean {
  const legs = removeLegsMm ? legsOutMm(run) : null
  if (removeLegsMm)
    return legs === null || removeLegsMm.every(({ max }, leg) => (legs[leg] ?? 0) <= max + 0.1)
  return !removeMm || (comesOutMm(run) ?? 0) <= removeMm.max + 0.1
}
