import { commonPractice } from '../reference/source'
import { type FitReason, impossible } from './reason'

/** Sound wall that a plate has to lie on all round, mm. Common practice. */
export const OVERLAP_MM = 6

/** Cover plates that are made larger than a valve's own, mm across and up: typical, measure the one in hand. */
export const COVER_PLATES = [
  { id: 'cover.round-9', widthMm: 229, heightMm: 229, round: true },
  { id: 'cover.round-12', widthMm: 305, heightMm: 305, round: true },
  { id: 'cover.oblong-8x13', widthMm: 203, heightMm: 330, round: false },
  { id: 'cover.oblong-13x8', widthMm: 330, heightMm: 203, round: false },
  { id: 'cover.square-14', widthMm: 356, heightMm: 356, round: false },
] as const
export type CoverPlate = (typeof COVER_PLATES)[number]

export interface OpeningAsk {
  /** From the middle of the valve to the edge of the hole: left, right, up, down, mm. */
  readonly edgesMm: readonly [number, number, number, number]
  /** How far the wall's face is broken beyond that edge, mm. */
  readonly brokenMm?: number
  /** Behind the face, to what stands there, mm; nothing where nobody has measured it. */
  readonly behindMm?: number
  /** The body that has to go through: across, up, and front to back, mm. */
  readonly bodyMm?: readonly [number, number, number]
  /** The round plate that comes with the valve, across, mm. */
  readonly trimMm?: number
}

/** How a body goes through a hole: which of its faces first, whether that has to be turned askew in the hole. */
export interface Passage {
  readonly faceMm: readonly [number, number]
  readonly askew: boolean
  /** Room that is wanted behind the face, mm. */
  readonly behindMm: number
}

export interface Opening {
  /** Clear width and height, mm. */
  readonly clearMm: readonly [number, number]
  /** How the body goes through; null where none was named, or it does not. */
  readonly passage: Passage | null
  /** What a plate has to be at least, seen from the valve's middle, mm; and across where it is round. */
  readonly coverMm: readonly [number, number]
  readonly roundMm: number
  /** Whether the valve's own plate covers it; null where it was not measured. */
  readonly trimCovers: boolean | null
  /** The smallest made plate that covers it, where the valve's own does not; null where none does, or none is wanted. */
  readonly plateId: CoverPlate['id'] | null
  /** What cannot be, and by how much; what wants care. */
  readonly reasons: readonly FitReason[]
}

/**
 * Whether a rectangle goes into another, turned as it must be (J. H. Carver, 1957): as it lies, or askew where it is
 * longer than the other and narrow enough.
 *
 * @returns how it lies, or null
 */
export function fitsInto(
  [p, q]: readonly [number, number],
  [a, b]: readonly [number, number],
): 'straight' | 'askew' | null {
  const [long, short] = p >= q ? [p, q] : [q, p]
  const [wide, narrow] = a >= b ? [a, b] : [b, a]
  if (long <= wide && short <= narrow) return 'straight'
  if (long <= wide || short > narrow) return null
  const diagonal = long ** 2 + short ** 2
  const least =
    (2 * long * short * wide + (long ** 2 - short ** 2) * Math.sqrt(diagonal - wide ** 2)) / diagonal
  // a negative root: the other's diagonal is shorter than the rectangle is long
  return least <= narrow ? 'askew' : null
}

/** The ways a body's faces go through a hole, the one that wants least behind it first. */
function passages(
  [across, up, deep]: readonly [number, number, number],
  clear: readonly [number, number],
): Passage[] {
  const faces = [
    { faceMm: [across, up], behindMm: deep },
    { faceMm: [across, deep], behindMm: up },
    { faceMm: [up, deep], behindMm: across },
  ] as const
  return faces
    .flatMap(({ faceMm, behindMm }): Passage[] => {
      const lies = fitsInto(faceMm, clear)
      return lies ? [{ faceMm, behindMm, askew: lies === 'askew' }] : []
    })
    .sort((a, b) => a.behindMm - b.behindMm)
}

/** By how much the hole is too small for a body, its most favourable face first, mm. */
function lacking(
  [across, up, deep]: readonly [number, number, number],
  [width, height]: readonly [number, number],
): number {
  const faces = [
    [across, up],
    [up, across],
    [across, deep],
    [deep, across],
    [up, deep],
    [deep, up],
  ] as const
  return Math.min(...faces.map(([x, y]) => Math.max(0, x - width) + Math.max(0, y - height)))
}

/**
 * What a hole in a wall lets through, and what covers it afterwards. A plate stands on the valve, so each way from its
 * middle counts twice by the larger; a round one has to reach the corners.
 */
export function opening({ edgesMm, brokenMm = 0, behindMm, bodyMm, trimMm }: OpeningAsk): Opening {
  const [left, right, up, down] = edgesMm
  const clearMm = [left + right, up + down] as const
  const reasons: FitReason[] = []
  let passage: Passage | null = null
  if (bodyMm) {
    const ways = passages(bodyMm, clearMm)
    passage = ways.find((way) => behindMm === undefined || way.behindMm <= behindMm) ?? null
    if (!passage) {
      const [first] = ways
      reasons.push(
        first && behindMm !== undefined
          ? impossible('opening.shallow', { shortMm: first.behindMm - behindMm }).reason
          : impossible('opening.body', { shortMm: lacking(bodyMm, clearMm) }).reason,
      )
    }
  }
  const beyond = brokenMm + OVERLAP_MM
  const half = [Math.max(left, right) + beyond, Math.max(up, down) + beyond] as const
  const coverMm = [2 * half[0], 2 * half[1]] as const
  // a broken edge is covered to its corners, the overlap round them
  const corner = Math.hypot(Math.max(left, right) + brokenMm, Math.max(up, down) + brokenMm)
  const roundMm = 2 * (corner + OVERLAP_MM)
  const trimCovers = trimMm === undefined ? null : trimMm >= roundMm
  const covering = COVER_PLATES.filter(({ widthMm, heightMm, round }) =>
    round ? widthMm >= roundMm : widthMm >= coverMm[0] && heightMm >= coverMm[1],
  ).sort((a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm)
  const plateId = trimCovers === false ? (covering[0]?.id ?? null) : null
  if (trimCovers === false)
    reasons.push({
      ruleId: plateId ? 'opening.plate' : 'opening.close',
      parameters: { shortMm: roundMm - (trimMm ?? 0) },
      source: commonPractice,
    })
  return { clearMm, passage, coverMm, roundMm, trimCovers, plateId, reasons }
}
