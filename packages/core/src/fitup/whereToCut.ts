/** What hangs on a run. A coupling goes with the cut, a strap is taken off; what turns, branches or shuts it stays. */
export const RUN_FEATURES = ['coupling', 'strap', 'elbow', 'tee', 'stop'] as const
export type RunFeature = (typeof RUN_FEATURES)[number]
const GOES: ReadonlySet<RunFeature> = new Set(['coupling', 'strap'])

/** Something on a run, by its two ends along it from a mark at the place, mm; below nothing on this side of it. */
export interface OnRun {
  readonly kind: RunFeature
  readonly fromMm: number
  readonly toMm: number
}

export interface RunCutAsk {
  /** What has to come out whichever way: the hole, the dent, the bad pipe. */
  readonly badMm: readonly [number, number]
  readonly onRun: readonly OnRun[]
  /** Straight bare pipe that is needed on each side of the cut. */
  readonly leastBareMm: readonly [number, number]
  /** Least and most that may come out. */
  readonly windowMm: readonly [number, number]
  /** Where a new corner goes in: the elbow that goes, as its place in `onRun`, and least and most from its middle. */
  readonly corner?: {
    readonly elbow: number
    readonly legsMm: readonly [readonly [number, number], readonly [number, number]]
  }
}

/** Where both legs of an elbow meet, along the run laid out straight, mm. */
const middleOf = ({ fromMm, toMm }: OnRun) => (fromMm + toMm) / 2

export interface RunCut {
  /** Where the run is cut, from the mark: this side and the other. */
  readonly cutsMm: readonly [number, number]
  /** Bare pipe left on each side up to what comes next; null where nothing is known to come. */
  readonly bareMm: readonly [number | null, number | null]
  /** What goes with the cut, as places in `onRun`. */
  readonly goes: readonly number[]
}

/** Why there is no place, by how much, and what stands in the way; it may be nothing but the most that may come out. */
export interface NoCut {
  readonly shortMm: number
  readonly blocks: number | null
}

interface Side {
  /** Least and most distance of the cut from the mark on this side. */
  readonly least: number
  readonly most: number
  readonly goes: readonly number[]
  /** The next thing that stays, and where it begins. */
  readonly stays: number | null
  readonly at: number
}

/** What lies on one side beyond the bad pipe, the nearest first, counted from the mark outward. */
function beside(onRun: readonly OnRun[], badMm: readonly [number, number], sign: 1 | -1) {
  return (
    onRun
      .map((thing, index) =>
        sign === 1 ? { ...thing, index } : { ...thing, index, fromMm: -thing.toMm, toMm: -thing.fromMm },
      )
      // what lies over the bad pipe goes with it on either side
      .filter(({ toMm }) => toMm > (sign === 1 ? badMm[1] : -badMm[0]))
      .sort((a, b) => a.fromMm - b.fromMm)
  )
}

/** Every way to cut one side: before the first thing on it, beyond it, beyond the second, as long as what is passed may go. */
function sides(away: readonly (OnRun & { readonly index: number })[], bad: number, bare: number): Side[] {
  const found: Side[] = []
  let goes: number[] = []
  let least = bad
  for (const thing of away) {
    found.push({ least, most: thing.fromMm - bare, goes, stays: thing.index, at: thing.fromMm })
    if (!GOES.has(thing.kind)) return found
    goes = [...goes, thing.index]
    least = Math.max(least, thing.toMm)
  }
  return [
    ...found,
    { least, most: Number.POSITIVE_INFINITY, goes, stays: null, at: Number.POSITIVE_INFINITY },
  ]
}

/**
 * Where a run is cut so that the bad pipe comes out and each new joint has its straight bare pipe, with the least that
 * comes out, and of those with the least that goes with it: an old coupling near the place is better gone than stopped
 * short of. Exact: on each side the cut lies before the first thing, or beyond the first, or the second ...; each pair of
 * such stretches is looked at, O(things²).
 *
 * @returns the cut, or by how little the nearest pair fails and what stands in the way
 */
export function whereToCut(ask: RunCutAsk): RunCut | NoCut {
  const elbow = ask.corner && ask.onRun[ask.corner.elbow]
  if (ask.corner && elbow) return roundTheCorner(ask, ask.corner.legsMm, elbow)
  const { badMm, onRun, leastBareMm, windowMm } = ask
  const [least, most] = windowMm
  let best: { readonly cut: RunCut; readonly out: number } | null = null
  let nearest: NoCut = { shortMm: Number.POSITIVE_INFINITY, blocks: null }
  const fail = (shortMm: number, blocks: number | null) => {
    if (shortMm < nearest.shortMm) nearest = { shortMm, blocks }
  }
  for (const near of sides(beside(onRun, badMm, -1), -badMm[0], leastBareMm[0]))
    for (const far of sides(beside(onRun, badMm, 1), badMm[1], leastBareMm[1])) {
      const shorts = [near, far].map((side) => side.least - side.most)
      const short = shorts.reduce((sum, missing) => sum + Math.max(0, missing), 0)
      if (short > 0) {
        fail(short, (shorts[0] as number) > (shorts[1] as number) ? near.stays : far.stays)
        continue
      }
      const [from, to] = [near.least + far.least, near.most + far.most]
      if (from > most) {
        fail(from - most, null)
        continue
      }
      if (to < least) {
        fail(least - to, near.stays ?? far.stays)
        continue
      }
      const out: number = Math.max(from, least)
      if (
        best &&
        (best.out < out || (best.out === out && best.cut.goes.length <= near.goes.length + far.goes.length))
      )
        continue
      // what is over the least is shared by both sides as far as each has room
      const more: number = out - from
      const nearMore: number = Math.min(
        near.most - near.least,
        Math.max(more / 2, more - (far.most - far.least)),
      )
      const [a, b] = [near.least + nearMore, far.least + more - nearMore]
      best = {
        out,
        cut: {
          cutsMm: [-a, b],
          bareMm: [near.stays === null ? null : near.at - a, far.stays === null ? null : far.at - b],
          goes: [...near.goes, ...far.goes],
        },
      }
    }
  return best?.cut ?? nearest
}

/** Round a corner each leg is cut by itself: the nearest place where its joint has its pipe and the legs' lengths allow. */
function roundTheCorner(
  { badMm, onRun, leastBareMm }: RunCutAsk,
  legsMm: readonly [readonly [number, number], readonly [number, number]],
  elbow: OnRun,
): RunCut | NoCut {
  const out: readonly [number, number] = [Math.min(badMm[0], elbow.fromMm), Math.max(badMm[1], elbow.toMm)]
  const middle = middleOf(elbow)
  const cuts: number[] = []
  const bareMm: (number | null)[] = []
  const goes: number[] = []
  for (const side of [0, 1] as const) {
    const sign = side === 0 ? -1 : 1
    const [least, most] = legsMm[side].map((mm) => mm + sign * middle) as [number, number]
    let nearest: NoCut = { shortMm: Number.POSITIVE_INFINITY, blocks: null }
    let found: Side | null = null
    let at = 0
    for (const place of sides(beside(onRun, out, sign), sign * out[side], leastBareMm[side])) {
      at = Math.max(place.least, least)
      const [short, over] = [at - place.most, at - most]
      if (short <= 0 && over <= 0) {
        found = place
        break
      }
      const shortMm = Math.max(short, over)
      if (shortMm < nearest.shortMm) nearest = { shortMm, blocks: over > short ? null : place.stays }
    }
    if (!found) return nearest
    cuts.push(sign * at)
    bareMm.push(found.stays === null ? null : found.at - at)
    goes.push(...found.goes)
  }
  return { cutsMm: cuts as [number, number], bareMm: bareMm as [number | null, number | null], goes }
}
