import type { Dimension, Layout } from '../fitup/layout'
import type { StationId } from '../fitup/stations'
import { pieceLetter } from '../units'
import { formatLength, type LengthFormat } from '../units/formatLength'
import type { Assembly } from './assemble'
import { PIECE_DRAWN_MM } from './assemble'
import { layDimension, type Sheet } from './sheet'
import type { DimensionMark, Point } from './types'

/** First lane of dimensions beside a leg, mm: bodies and nuts stay clear of it. */
const LANE_MM = 15
/** Numbers of seams stand so far out, and a letter's height more, mm. */
export const SEAMS_MM = 17

/** What comes out of a run as it was reckoned, by its id. */
const OUT = /^out(-far)?$/

/** No dimension stands further out than this, in lanes. */
const MOST_LANES = 12

/** Whether a number already stands where another would: twice as wide as it is high. */
function isTaken(sheet: Sheet, at: Point, size: number): boolean {
  return sheet.texts.some(
    ({ layer, at: other }) =>
      layer === 'dimension' &&
      Math.max(Math.abs(at[0] - other[0]) / 2, Math.abs(at[1] - other[1])) < size * 1.2,
  )
}

interface Drawn {
  readonly from: StationId
  readonly to: StationId
  readonly text: string
  readonly state: DimensionMark['state']
}

/**
 * What was measured along a line, what is still to measure, and the pieces of pipe with their letters and insertion
 * marks, drawn onto the chain. Dimensions of a leg stand in lanes, the shortest next to it: below what runs level, and
 * right of what rises, beyond the numbers of its seams.
 *
 * @param lanes how many lanes below the run are taken already
 * @param radiusMm of the pipe: lanes are counted from its outside, as those that are taken are
 * @param apart how far lanes below the run stand apart, in heights of a letter
 * @param seamsMm how far numbers of seams stand out beside what rises
 */
export function drawCutDimensions(
  sheet: Sheet,
  { parts, places }: Assembly,
  layout: Layout,
  dimensions: readonly Dimension[],
  format: LengthFormat,
  size: number,
  lanes: number,
  radiusMm: number,
  apart: number,
  seamsMm: number,
): void {
  const wanted: Drawn[] = [
    ...dimensions.map(
      ({ id, from, to, mm }): Drawn => ({
        from,
        to,
        // what comes out is cut to, and rounded as on the cut sheet
        text: formatLength(mm, OUT.test(id) ? { ...format, quantity: 'piece-to-remove' } : format),
        state: 'measured',
      }),
    ),
    ...layout.asks.map(({ from, to }): Drawn => ({ from, to, text: '?', state: 'asked' })),
  ]
  const stepsAside = parts.some(({ fitting }) => fitting.shiftMm)
  const placed = wanted.flatMap((dimension) => {
    const [a, b] = [places.get(dimension.from), places.get(dimension.to)]
    if (!a || !b) return []
    // what stands aside of the run is as far along it
    const far: Point = stepsAside ? [b[0], a[1]] : b
    return [{ ...dimension, a, b: far, long: Math.hypot(far[0] - a[0], far[1] - a[1]) }]
  })
  const taken = { run: lanes, rise: 0 }
  for (const { from, to, a, b, text, state } of placed.sort((one, other) => one.long - other.long)) {
    const rises = Math.abs(b[1] - a[1]) > Math.abs(b[0] - a[0])
    // always from the low or left end, so that the side does not depend on which was named first
    const [low, high] = (rises ? a[1] <= b[1] : a[0] <= b[0]) ? [a, b] : [b, a]
    const key = `${from}>${to}`
    const offsetOf = (lane: number) =>
      -(rises ? seamsMm + size * (2 + lane * 4.4) : LANE_MM + radiusMm + lane * size * apart)
    let lane = rises ? taken.rise : taken.run
    // dimensions of another stretch may stand there already
    while (lane < MOST_LANES && isTaken(sheet, layDimension(low, high, offsetOf(lane), size).at, size)) lane++
    if (rises) taken.rise = lane + 1
    else taken.run = lane + 1
    const at = sheet.dimension(key, low, high, offsetOf(lane), text, size)
    sheet.dimensions.push({ id: `dimension:${key}`, from, to, at, state })
  }
  layout.pieces.forEach((piece, index) => {
    const [a, b] = [places.get(`part:${piece.part}:in`), places.get(`part:${piece.part}:out`)]
    const tube = parts[piece.part]?.fitting.ports[0]
    if (!a || !b || !tube) return
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    const along: Point = [(b[0] - a[0]) / long, (b[1] - a[1]) / long]
    const r = tube.diameterMm / 2
    const across = (at: number, reach: number): readonly [Point, Point] => {
      const x = a[0] + along[0] * at
      const y = a[1] + along[1] * at
      return [
        [x - along[1] * reach, y + along[0] * reach],
        [x + along[1] * reach, y - along[0] * reach],
      ]
    }
    const [first, second] = piece.marksMm
    for (const at of [...(first > 0 ? [first] : []), ...(second > 0 ? [long - second] : [])])
      sheet.line(`mark:piece:${piece.part}`, 'mark', across(at, r + 2.5))
    if ((piece.cutMm ?? 0) > PIECE_DRAWN_MM)
      for (const at of [long * 0.28, long * 0.28 + 3]) {
        const [top, bottom] = across(at, r + 2)
        const mid: Point = [(top[0] + bottom[0]) / 2, (top[1] + bottom[1]) / 2]
        const sway = (from: Point, by: number): Point => [
          (from[0] + mid[0]) / 2 + along[0] * by,
          (from[1] + mid[1]) / 2 + along[1] * by,
        ]
        sheet.line(`break:${piece.part}`, 'part', [top, sway(top, 1.6), mid, sway(bottom, -1.6), bottom])
      }
    sheet.texts.push({
      id: `piece:${piece.part}`,
      layer: 'label',
      at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2],
      text: pieceLetter(index),
      sizeMm: size * 1.15,
      anchor: 'middle',
    })
  })
}
