import { partOf } from '../assembly/kept'
import { isCementSocket } from '../catalog/build'
import type { Fitting } from '../catalog/types'
import type { Certainty } from '../reference/source'
import { type FitReason, impossible } from './reason'
import { type Chain, type Flexible, type Leg, type Station, type StationId, stretch } from './stations'
import { CUTTING_ERROR_MM, type Cutter, type Measurer, measuringErrorMm, type Verdict } from './tolerance'

/** A distance that was measured along a line. */
export interface Dimension {
  readonly id: string
  readonly from: StationId
  readonly to: StationId
  readonly mm: number
  readonly measurer?: Measurer
  /** Taken with the parts between tried dry: solvent sockets will lie closer. */
  readonly dry?: boolean
}

export interface LayoutAsk {
  readonly chain: Chain
  /** From the finished wall to the old pipe's end as it will be cut, mm. */
  readonly stubMm: number | null
  readonly dimensions: readonly Dimension[]
  readonly cutter?: Cutter
}

/** A piece of pipe in its line. */
export interface LaidPiece {
  /** Its place among the chain's parts. */
  readonly part: number
  /** End to end with both joints home; null while it is not determined. */
  readonly cutMm: number | null
  /**
   * What to saw: shorter by what it may be off, up to half of what its joints give, so that it goes in even then; longer
   * by as much where the pipe bows.
   */
  readonly sawMm: number | null
  /** The shortest and longest with which both joints still hold, mm. */
  readonly windowMm: readonly [number, number] | null
  /** Insertion at its two ends, mm: where the marks go; 0 where none does. */
  readonly marksMm: readonly [number, number]
  /** What it may be off in the worst case, mm. */
  readonly offMm: number
  /** Whether the joints take all of that. */
  readonly sure: boolean
  /** The dimensions it follows from. */
  readonly follows: readonly string[]
  /** The dimension that contributes most to what it may be off: the one to take again. */
  readonly again: string | null
  /** What makes it impossible, and by how much. */
  readonly reason: FitReason | null
}

/** What to measure next, and why. */
export interface NextDimension {
  readonly from: StationId
  readonly to: StationId
  readonly why: 'overall' | 'place' | 'reach'
  /**
   * Where a hose begins at it: between what it may be, since a hose takes up the rest, mm. At least as long as both joints
   * of every piece take and the hose does not span; no longer than the whole way, null where that was not measured.
   */
  readonly anyMm?: readonly [number, number | null]
}

/** Measurements that cannot all be true. */
export interface Contradiction {
  readonly dimensions: readonly string[]
  readonly reason: FitReason
}

export interface Reach {
  readonly part: number
  readonly from: StationId
  readonly lengthMm: number
  readonly needsMm: number
  readonly verdict: Verdict
  readonly reason: FitReason | null
}

export interface Layout {
  readonly stations: readonly (Station & {
    /** From where its leg begins, with the pieces that are determined; null where one before it is not. */
    readonly fromLegMm: number | null
  })[]
  readonly legs: readonly Leg[]
  readonly pieces: readonly LaidPiece[]
  /** In the order in which a tape takes them. */
  readonly asks: readonly NextDimension[]
  readonly contradictions: readonly Contradiction[]
  /** Dimensions that say nothing of this line, and why: it has no such place, or it bends between the two. */
  readonly unused: readonly { readonly dimension: string; readonly reason: FitReason }[]
  readonly reach: Reach | null
}

/** A connector pulled tight leaks: one inch of slack is the least, mm. Common practice. */
export const CONNECTOR_SLACK_MM = 25.4

/** What the length of a part itself may be off, by how it is known, mm. Common practice. */
const PART_ERROR_MM: Readonly<Record<Certainty, number>> = {
  formula: 0.5,
  recalled: 0.8,
  "maker's sheet": 1.5,
  'common practice': 1.5,
}

/** Pieces between two places of a leg come to so much. */
interface Sum {
  readonly dimension: Dimension
  readonly from: number
  readonly to: number
  readonly mm: number
  readonly tolMm: number
  /** Of that, what the tape alone may be off. */
  readonly tapeMm: number
}

/** Pipe that bows where it is a little long. */
const BENDS = new Set<string>(['pex-a', 'pex-b', 'pex-c', 'pex-aluminium', 'polybutylene', 'polyethylene'])

/** What the joints between two places give when they lie at their least, mm. */
const slackBetween = (chain: Chain, a: Station, b: Station) =>
  b.joints
    .slice(a.joints.length)
    .reduce((sum, index) => sum + (chain.joints[index]?.maxMm ?? 0) - (chain.joints[index]?.minMm ?? 0), 0)

/** What the length of a part itself may be off, mm. */
export function partErrorMm(fitting: Pick<Fitting, 'source'>): number {
  return PART_ERROR_MM[fitting.source.certainty]
}

function errorOf(chain: Chain, index: number): number {
  const chosen = chain.parts[index]
  const fitting = chosen && partOf(chosen)
  return fitting ? partErrorMm(fitting) : 0
}

/** What a connector has to span, and what that may be off, mm. */
interface Left {
  readonly mm: number
  readonly offMm: number
}

const tapeOf = ({ measurer = 'tape', mm }: Dimension) => measuringErrorMm(measurer, mm)

/** A dimension along one leg as a sum of its pieces; null where its two places are not on one leg. */
function sumOf(chain: Chain, stations: readonly Station[], dimension: Dimension) {
  for (const one of stations.filter(({ id }) => id === dimension.from))
    for (const other of stations.filter(({ id, leg }) => id === dimension.to && leg === one.leg)) {
      const turned = other.node < one.node || (other.node === one.node && other.atMm < one.atMm)
      const [a, b] = turned ? [other, one] : [one, other]
      // a dry solvent joint stands out by a third to two thirds of its depth: the middle of that is taken off
      const dry = dimension.dry
        ? b.joints
            .slice(a.joints.length)
            .filter((index) => isCementSocket(chain.joints[index]?.bodyForm ?? ''))
            .reduce((sum, index) => sum + (chain.joints[index]?.maxMm ?? 0), 0)
        : 0
      const tapeMm = tapeOf(dimension)
      // a part counts where its body or half of it lies between
      const inside = b.parts.slice(a.id.endsWith(':centre') ? a.parts.length - 1 : a.parts.length)
      return {
        a,
        b,
        sum: {
          dimension,
          from: a.node,
          to: b.node,
          mm: dimension.mm - dry / 2 - (b.atMm - a.atMm),
          tapeMm,
          tolMm: tapeMm + dry / 6 + inside.reduce((total, index) => total + errorOf(chain, index), 0),
        } satisfies Sum,
      }
    }
  return null
}

interface Way {
  readonly mm: number
  readonly tolMm: number
  readonly sums: readonly Sum[]
}

/** The surest way to say how far apart two nodes of a leg are; null where the sums do not connect them. */
function between(sums: readonly Sum[], from: number, to: number): Way | null {
  const best = new Map<number, Way>([[from, { mm: 0, tolMm: 0, sums: [] }]])
  const settled = new Set<number>()
  for (;;) {
    let at: number | null = null
    for (const [node, way] of best)
      if (!settled.has(node) && (at === null || way.tolMm < (best.get(at) as Way).tolMm)) at = node
    if (at === null) return null
    const way = best.get(at) as Way
    if (at === to) return way
    settled.add(at)
    for (const sum of sums)
      for (const [near, far, sign] of [
        [sum.from, sum.to, 1],
        [sum.to, sum.from, -1],
      ] as const) {
        if (near !== at) continue
        const next = { mm: way.mm + sign * sum.mm, tolMm: way.tolMm + sum.tolMm, sums: [...way.sums, sum] }
        if (next.tolMm < (best.get(far)?.tolMm ?? Number.POSITIVE_INFINITY)) best.set(far, next)
      }
  }
}

/**
 * Lays out a line: the length of every piece of pipe from what was measured, wherever along the line the tape was
 * held; what is still to measure, in the order of the tape; what contradicts what.
 *
 * Each dimension along a leg is one equation, the sum of the pieces between its two places. Those equations are the
 * edges of a graph whose nodes lie between the pieces, so a piece is determined where its two nodes are connected, and
 * the surest way between them gives its length and what it may be off. Exact; cost O(pieces × dimensions²).
 *
 * @throws CoreFault naming a part that is in no table
 */
export function layOut({ chain, stubMm, dimensions, cutter = 'tube-cutter' }: LayoutAsk): Layout {
  const { stations, legs, flexible } = stretch(chain, stubMm)
  const sums: Sum[][] = legs.map(() => [])
  const contradictions: Contradiction[] = []
  const unused: Layout['unused'][number][] = []
  let reached: Dimension | null = null
  let whole: Dimension | null = null
  for (const dimension of dimensions) {
    // how far the next line stands says nothing of this one's pieces
    if (dimension.to === 'beside') continue
    if (flexible && dimension.from === flexible.from && dimension.to === 'tail') {
      reached = dimension
      continue
    }
    // the whole way from the old end, what is rigid of it too
    if (flexible && dimension.from === 'stub' && dimension.to === 'tail') {
      whole = dimension
      continue
    }
    const lacking = [dimension.from, dimension.to].find((id) => !stations.some((entry) => entry.id === id))
    const found = lacking ? null : sumOf(chain, stations, dimension)
    if (!found) {
      unused.push({
        dimension: dimension.id,
        reason: lacking
          ? impossible('layout.no-place', { place: lacking }).reason
          : impossible('layout.bends', { from: dimension.from, to: dimension.to }).reason,
      })
      continue
    }
    const of = sums[found.a.leg] as Sum[]
    const known = between(of, found.sum.from, found.sum.to)
    const mayBeOff = (known?.tolMm ?? 0) + found.sum.tolMm + slackBetween(chain, found.a, found.b)
    if (known && Math.abs(known.mm - found.sum.mm) > mayBeOff)
      contradictions.push({
        dimensions: [...known.sums.map((sum) => sum.dimension.id), dimension.id],
        reason: impossible(known.sums.length === 0 ? 'layout.rigid' : 'layout.contradiction', {
          offMm: Math.abs(known.mm - found.sum.mm),
          measuredMm: dimension.mm,
          isMm: dimension.mm + known.mm - found.sum.mm,
        }).reason,
      })
    if (found.sum.from !== found.sum.to) of.push(found.sum)
  }
  const pieces = legs.flatMap((leg, index) =>
    leg.pieces.map((part, node) =>
      piece(chain, part, between(sums[index] as Sum[], node, node + 1), cutter, leg.ends === flexible?.from),
    ),
  )
  const lengths = new Map(pieces.map(({ part, cutMm }) => [part, cutMm]))
  const laid = stations.map((station) => {
    const before = (legs[station.leg] as Leg).pieces.slice(0, station.node).map((part) => lengths.get(part))
    const known = before.every((mm) => mm != null)
    return {
      ...station,
      fromLegMm: known ? before.reduce<number>((sum, mm) => sum + (mm ?? 0), station.atMm) : null,
    }
  })
  const left = reached
    ? { mm: reached.mm, offMm: tapeOf(reached) }
    : flexible && whole
      ? leftOf(chain, whole, flexible, laid, legs, pieces)
      : null
  if (whole && left && left.mm < 0)
    contradictions.push({
      dimensions: [whole.id],
      reason: impossible('layout.rigid', {
        offMm: -left.mm,
        measuredMm: whole.mm,
        isMm: whole.mm - left.mm,
      }).reason,
    })
  return {
    stations: laid,
    legs,
    pieces,
    asks: asksOf(legs, stations, sums, flexible, reached !== null || whole !== null).map((ask) => {
      const anyMm = flexible && freeUpTo(chain, stations, legs, flexible, ask, whole)
      return anyMm ? { ...ask, anyMm } : ask
    }),
    contradictions,
    unused,
    reach: flexible && left && left.mm >= 0 ? reachOf(flexible, left) : null,
  }
}

/** Between what a distance up to a hose may be; null for any other, and where no hose of that length could span the rest. */
function freeUpTo(
  chain: Chain,
  stations: readonly Station[],
  legs: readonly Leg[],
  { from: hose, lengthMm }: Flexible,
  { from, to }: NextDimension,
  whole: Dimension | null,
): readonly [number, number | null] | null {
  const b = stations.find(({ id }) => id === to)
  const a = stations.find(({ id, leg }) => id === from && leg === b?.leg)
  if (to !== hose || !a || !b) return null
  const pieces = (legs[b.leg]?.pieces ?? []).slice(a.node, b.node)
  const least = pieces.reduce((sum, part) => sum + leastPieceMm(chain, part), b.atMm - a.atMm)
  const stub = stations.find(({ id }) => id === 'stub')
  if (!whole || !stub) return [least, null]
  // round a corner the whole way says nothing of one leg alone
  if (legs.length > 1) return null
  const ahead = stub.atMm - a.atMm
  const spanned = whole.mm + tapeOf(whole) - (lengthMm - CONNECTOR_SLACK_MM)
  const range = [Math.max(least, ahead + spanned), ahead + whole.mm] as const
  return range[0] <= range[1] ? range : null
}

/** As short as a piece of pipe may be: both its ends home, and no shorter than one is ever cut. */
function leastPieceMm(chain: Chain, part: number): number {
  const chosen = chain.parts[part]
  const home = chain.joints
    .filter(({ from, to }) => from === part || to === part)
    .reduce((sum, { maxMm }) => sum + maxMm, 0)
  return Math.max(home, (chosen && partOf(chosen)?.lengthMm?.min) ?? 0)
}

/** What a way of which the whole was measured leaves to its connector; null while a piece before it has no length. */
function leftOf(
  chain: Chain,
  whole: Dimension,
  { part }: Flexible,
  stations: Layout['stations'],
  legs: readonly Leg[],
  pieces: readonly LaidPiece[],
): Left | null {
  let mm = whole.mm
  for (const [index, { ends }] of legs.entries()) {
    const length = stations.find(({ leg, id }) => leg === index && id === ends)?.fromLegMm ?? null
    if (length === null) return null
    mm -= length
  }
  const rigid = chain.parts.slice(0, part).map((_, index) => {
    const cut = pieces.find((piece) => piece.part === index)
    return cut ? cut.offMm : errorOf(chain, index)
  })
  return { mm, offMm: rigid.reduce((sum, off) => sum + off, tapeOf(whole)) }
}

/**
 * One piece, from the way between its two ends.
 *
 * @param toHose its leg ends at a hose, which takes up whatever it is off
 */
function piece(chain: Chain, part: number, way: Way | null, cutter: Cutter, toHose: boolean): LaidPiece {
  const into = chain.joints.filter((joint) => joint.from === part || joint.to === part)
  const before = into.find((joint) => joint.to === part)
  const behind = into.find((joint) => joint.from === part)
  const homeMm = [before, behind].map((joint) => joint?.maxMm ?? 0)
  // nothing is marked on a pipe that something goes into, nor on an end that stands open
  const markOf = (joint: typeof before) => (!joint || joint.bodyForm === 'tube' ? 0 : joint.maxMm)
  const marksMm = [markOf(before), markOf(behind)] as const
  const slackMm = into.reduce((sum, joint) => sum + joint.maxMm - joint.minMm, 0)
  const blank = { part, marksMm, sure: false, again: null, reason: null }
  if (!way) return { ...blank, cutMm: null, sawMm: null, windowMm: null, offMm: 0, follows: [] }
  const offMm = way.tolMm + CUTTING_ERROR_MM[cutter]
  const follows = way.sums.map(({ dimension }) => dimension.id)
  const worst = way.sums.reduce<Sum | null>(
    (most, sum) => (most && most.tolMm >= sum.tolMm ? most : sum),
    null,
  )
  const inside = homeMm.reduce((sum, mm) => sum + mm, 0)
  // the search reckons in hundredths
  if (way.mm < inside - 0.01)
    return {
      ...blank,
      cutMm: null,
      sawMm: null,
      windowMm: null,
      offMm,
      follows,
      again: worst?.dimension.id ?? null,
      reason: impossible('cut.too-close', {
        shortMm: inside - way.mm,
        measuredMm: worst?.dimension.mm ?? 0,
      }).reason,
    }
  // what bends as it likes may be too long, only not too short
  const piece = chain.parts[part]
  const flexible = BENDS.has((piece && partOf(piece)?.material) ?? '')
  // nor does it matter where it stands open
  const open = piece?.family === 'standpipe' || toHose
  const sure = flexible || open || 2 * offMm <= slackMm
  const shorter = flexible ? -offMm : open ? 0 : Math.min(offMm, slackMm / 2)
  const tapeMm = way.sums.reduce((sum, { tapeMm }) => sum + tapeMm, 0) + CUTTING_ERROR_MM[cutter]
  return {
    ...blank,
    cutMm: way.mm,
    sawMm: way.mm - shorter,
    windowMm: [way.mm - slackMm, way.mm],
    offMm,
    sure,
    follows,
    again: sure ? null : (worst?.dimension.id ?? null),
    reason:
      sure || slackMm === 0
        ? null
        : {
            ruleId: offMm > 2 * tapeMm ? 'layout.mouth-to-mouth' : 'layout.measure-again',
            parameters: { offMm, slackMm, partsMm: offMm - tapeMm },
          },
  }
}

/** From the wall outward: each leg from end to end first, then where the parts between its pieces will sit. */
function asksOf(
  legs: readonly Leg[],
  stations: readonly Station[],
  sums: readonly (readonly Sum[])[],
  flexible: Flexible | null,
  reached: boolean,
): NextDimension[] {
  const asks: NextDimension[] = []
  const wall = stations.some(({ id }) => id === 'wall')
  legs.forEach((leg, index) => {
    const last = leg.pieces.length
    // what an answer to an earlier ask would connect counts as connected
    const known: Sum[] = [...(sums[index] as Sum[])]
    const ask = (from: StationId, to: StationId, node: number, why: NextDimension['why']) => {
      if (node === 0 || between(known, 0, node)) return
      asks.push({ from, to, why })
      known.push({ dimension: { id: '', from, to, mm: 0 }, from: 0, to: node, mm: 0, tolMm: 0, tapeMm: 0 })
    }
    const from = index === 0 && wall ? 'wall' : leg.begins
    ask(from, leg.ends, last, 'overall')
    for (let node = 1; node < last; node++) {
      const place = stations.find(
        (station) => station.leg === index && station.node === node && station.id.endsWith(':centre'),
      )
      if (place) ask(from, place.id, node, 'place')
    }
  })
  if (flexible && !reached) asks.push({ from: flexible.from, to: 'tail', why: 'reach' })
  return asks
}

function reachOf({ part, from, lengthMm }: Flexible, { mm, offMm: off }: Left): Reach {
  const needsMm = mm + CONNECTOR_SLACK_MM
  const verdict: Verdict = needsMm + off <= lengthMm ? 'fits' : needsMm - off > lengthMm ? 'out' : 'perhaps'
  return {
    part,
    from,
    lengthMm,
    needsMm,
    verdict,
    reason:
      verdict === 'fits'
        ? null
        : {
            ruleId: verdict === 'out' ? 'layout.connector-short' : 'layout.connector-tight',
            parameters: { shortMm: Math.max(0, needsMm - lengthMm), lengthMm },
          },
  }
}
