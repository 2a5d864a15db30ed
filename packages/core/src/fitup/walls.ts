import { SCHOOLS, type Schools } from '../assembly/schools'
import { CoreFault } from '../fault'
import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'
import { type Fit, type FitReason, impossible } from './reason'
import { type Shims, shims } from './shims'
import { inWindow, type Stack, stackUp, type Toleranced, type Verdict } from './tolerance'

/** A layer of a wall in front of the blocking, mm. */
export interface Layer {
  readonly name: string
  readonly mm: number
  readonly tolMm?: number
}

export interface ValveDepth {
  /** From the face of the blocking to the finished face. */
  readonly stack: Stack
  /** From the finished face back to the middle of the valve, as it would stand on the blocking. */
  readonly depthMm: number
  readonly verdict: Verdict
  /** What to put behind the valve (above nothing) or to take off the blocking (below nothing) for the middle of the window, mm. */
  readonly shimMm: number
  /** The least shim that brings the worst case into the window; null where none does. */
  readonly leastShimMm: number | null
  /** Pieces of stock that bring the worst case into the window; null where nothing in stock does, or wood has to come off. */
  readonly shims: Shims | null
}

/**
 * The depth of a valve from the build-up of the wall against the window on its sheet.
 *
 * @param layers from the blocking outward: what is left of the stud in front of it, board, mortar, tile
 * @param middleMm from the valve's back to its middle, mm
 * @param windowMm from the finished face to the middle, least and most, mm
 */
export function valveDepth(
  layers: readonly Layer[],
  middleMm: number,
  windowMm: readonly [number, number],
): Fit<ValveDepth> {
  const [least, most] = windowMm
  if (most < least) return impossible('wall.window', { least, most })
  const parts: Toleranced[] = layers.map(({ name, mm, tolMm = 0.8 }) => ({ name, mm, tolMm }))
  const stack = stackUp(parts)
  const depthMm = stack.mm - middleMm
  if (depthMm + stack.worstMm < 0) return impossible('wall.in-front', { overMm: -depthMm })
  const shimMm = depthMm - (least + most) / 2
  // pushed forward by the shim, the valve stands so much less deep
  const lo = depthMm + stack.worstMm - most
  const hi = depthMm - stack.worstMm - least
  const leastShimMm = lo > hi ? null : lo > 0 ? lo : hi < 0 ? hi : 0
  return {
    ok: true,
    shims: leastShimMm === null || leastShimMm < 0 ? null : shims(leastShimMm, hi),
    stack,
    depthMm,
    verdict: inWindow({ mm: depthMm, worstMm: stack.worstMm }, windowMm),
    shimMm,
    leastShimMm,
  }
}

/** Dressed sizes of sawn studs, mm: a 2x4 is 1-1/2 by 3-1/2 in. Older ones are larger: measure. */
export const STUD_MM: Readonly<Record<string, readonly [number, number]>> = {
  '2x4': [38.1, 88.9],
  '2x6': [38.1, 139.7],
}

const NAIL: Source = {
  title: 'IRC P2603.2.1, IPC 305.6: a plate where the hole is nearer than 1-1/4 in to the edge',
  certainty: 'recalled',
}
/** Nearer than this to the face a nail reaches the pipe, mm. */
export const NAIL_MM = 1.25 * 25.4
/** Less than any tape shows, mm. */
const HAIR_MM = 1e-6

export interface HoleFit {
  /** From the hole's edge to each face of the stud, mm. */
  readonly edgesMm: readonly [number, number]
  /** Faces that want a nail plate. */
  readonly plates: readonly boolean[]
  readonly notes: readonly FitReason[]
  readonly source: Source
}

/**
 * A hole through a stud or plate: how near its edge comes to each face, where nail plates go, and whether it takes too
 * much of the wood: up to 40 in 100 of a bearing stud, 60 of any other.
 *
 * @param depthMm of the wood, face to face
 * @param centreMm from one face to the middle of the hole
 * @param school where a shop puts plates: by the code, or on every hole
 */
export function holeInStud(
  depthMm: number,
  centreMm: number,
  holeMm: number,
  school: Schools['plates'] = SCHOOLS.plates,
): Fit<HoleFit> {
  const edgesMm = [centreMm - holeMm / 2, depthMm - centreMm - holeMm / 2] as const
  const outside = Math.min(...edgesMm)
  if (outside <= 0) return impossible('hole.through-the-face', { overMm: -outside })
  const notes: FitReason[] = []
  const share = holeMm / depthMm
  const bored: Source = {
    title: 'IRC R602.6: bored studs, 40 % bearing, 60 % not bearing',
    certainty: 'recalled',
  }
  if (share > 0.6 + HAIR_MM)
    notes.push({ ruleId: 'hole.too-large', parameters: { percent: Math.round(share * 100) }, source: bored })
  else if (share > 0.4 + HAIR_MM)
    notes.push({ ruleId: 'hole.bearing', parameters: { percent: Math.round(share * 100) }, source: bored })
  // what is 1-1/4 in to the last bit of a sum is 1-1/4 in
  const near = edgesMm.map((edge) => edge < NAIL_MM - HAIR_MM)
  if (school === 'always' && near.includes(false))
    notes.push({ ruleId: 'hole.plate-by-rule', parameters: {} })
  return { ok: true, edgesMm, plates: school === 'always' ? [true, true] : near, notes, source: NAIL }
}

/** Lengths that frost-free bibs are usually made in, mm: 4 to 14 in. Common practice. */
export const BIB_LENGTHS_MM: readonly number[] = [4, 6, 8, 10, 12, 14].map((inches) => inches * 25.4)

/** How far a bib's seat lies beyond the warm side of the wall: as long as the wall and no longer, it freezes. */
export const SEAT_BEYOND_MM = 25.4

/**
 * The frost-free bib for a wall: its seat must lie on the warm side of all layers, so the shortest that is longer than
 * they are by so much.
 */
export function frostFreeLength(
  layers: readonly Layer[],
  beyondMm = SEAT_BEYOND_MM,
): Fit<{ readonly wallMm: number; readonly lengthMm: number }> {
  const { mm, worstMm } = stackUp(layers.map(({ name, mm, tolMm = 1.6 }) => ({ name, mm, tolMm })))
  const needMm = mm + worstMm + beyondMm
  const lengthMm = BIB_LENGTHS_MM.find((made) => made >= needMm)
  return lengthMm === undefined
    ? impossible('bib.wall-too-thick', { overMm: needMm - (BIB_LENGTHS_MM.at(-1) as number) })
    : { ok: true, wallMm: mm, lengthMm }
}

/** A window of heights or distances, mm, and where it comes from. */
export interface Window {
  readonly id: string
  readonly mm: readonly [number, number]
  readonly source: Source
}

const IN = 25.4
/** Heights and distances that are usual, mm. Local codes and the sheet of what goes in come first. */
export const ROUGH_IN: readonly Window[] = [
  { id: 'tub-valve', mm: [28 * IN, 33 * IN], source: commonPractice },
  { id: 'shower-valve', mm: [38 * IN, 48 * IN], source: commonPractice },
  { id: 'shower-arm', mm: [76 * IN, 82 * IN], source: commonPractice },
  { id: 'valve-from-tub-edge', mm: [15 * IN, 16 * IN], source: commonPractice },
  { id: 'spout-below-valve', mm: [8 * IN, 18 * IN], source: commonPractice },
  { id: 'spout-above-rim', mm: [4 * IN, 7 * IN], source: commonPractice },
  { id: 'basin-supply', mm: [20 * IN, 24 * IN], source: commonPractice },
  { id: 'toilet-supply', mm: [6 * IN, 8 * IN], source: commonPractice },
  { id: 'washer-supply', mm: [42 * IN, 48 * IN], source: commonPractice },
  {
    id: 'standpipe-above-weir',
    mm: [18 * IN, 42 * IN],
    source: { title: 'IPC 802.4.3; UPC 804.1 has 18 to 30 in', certainty: 'recalled' },
  },
  {
    id: 'standpipe-trap-above-floor',
    mm: [6 * IN, 18 * IN],
    source: { title: 'UPC 804.1', certainty: 'recalled' },
  },
]

/** Where a height stands against its usual window. */
export function roughIn(id: string, mm: number): Fit<{ readonly window: Window }> {
  const window = ROUGH_IN.find((entry) => entry.id === id)
  if (!window) throw new CoreFault('no-height', { id })
  const [least, most] = window.mm
  if (mm < least) return impossible('rough.low', { shortMm: least - mm })
  return mm > most ? impossible('rough.high', { overMm: mm - most }) : { ok: true, window }
}
