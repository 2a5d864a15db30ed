import type { Sheet } from '../sheet'
import type { Bounds, Point, Scene } from '../types'
import type { WallService } from './places'

/** A finger wants so much, px. */
const FINGER_PX = 48
/** Lettering where it is shown, px. */
const NAME_PX = 15

export interface Frame {
  readonly widthPx: number
  readonly heightPx: number
}

export interface Mark {
  readonly lineId: string
  readonly label: string
  readonly service: WallService
  /** The middle of the line. */
  readonly at: Point
}

/** Directions in which a name may stand off its line: outward first. */
function outward({ service, at }: Mark): readonly number[] {
  if (service === 'spout') return [-120, -60, -90, 180, 0, 150, 30]
  const left = service === 'hot' || at[0] < 0
  return (left ? [180, 150, 210, 120, 240] : [0, 30, -30, 60, -60]).concat(
    left ? [0, 90, 270] : [180, 90, 270],
  )
}

/** The names beside their lines, each with room for a finger, and the sheet as wide as its frame. */
export function named(
  sheet: Sheet,
  marks: readonly Mark[],
  drawn: Bounds,
  frame: Frame,
): Pick<Scene, 'lines' | 'bounds'> {
  const scale = Math.min(
    frame.widthPx / (drawn.maxX - drawn.minX),
    frame.heightPx / (drawn.maxY - drawn.minY),
  )
  const finger = FINGER_PX / scale
  const spare = (frame.widthPx / scale - (drawn.maxX - drawn.minX)) / 2
  const rise = (frame.heightPx / scale - (drawn.maxY - drawn.minY)) / 2
  const bounds: Bounds = {
    minX: drawn.minX - spare,
    maxX: drawn.maxX + spare,
    minY: drawn.minY - rise,
    maxY: drawn.maxY + rise,
  }
  // the corner that leads back to one line is kept free
  const placed: Point[] = [[bounds.maxX - finger * 0.7, bounds.minY + finger / 2]]
  const inside = ([x, y]: Point) =>
    x - finger * 0.7 >= bounds.minX &&
    x + finger * 0.7 <= bounds.maxX &&
    y - finger / 2 >= bounds.minY &&
    y + finger / 2 <= bounds.maxY
  const free = ([x, y]: Point) =>
    placed.every(([px, py]) => Math.abs(px - x) >= finger * 1.4 || Math.abs(py - y) >= finger)
  const ink = pointsOf(sheet, finger / 6)
  /** No pipe runs through the letters. */
  const clear = ([x, y]: Point, label: string) => {
    const half = (label.length * 0.3 * NAME_PX) / scale
    const low = (NAME_PX * 0.7) / scale
    return ink.every(([px, py]) => Math.abs(px - x) > half || Math.abs(py - y) > low)
  }
  const lines = marks.map((mark) => {
    const spots = [1, 1.4, 1.9, 2.5, 3.2, 4].flatMap((far) =>
      outward(mark).map((degrees): Point => {
        const angle = (degrees * Math.PI) / 180
        return [mark.at[0] + far * finger * Math.cos(angle), mark.at[1] + far * finger * Math.sin(angle)]
      }),
    )
    const at =
      spots.find((spot) => inside(spot) && free(spot) && clear(spot, mark.label)) ??
      nearest(mark.at, bounds, finger, (spot) => inside(spot) && free(spot) && clear(spot, mark.label)) ??
      nearest(mark.at, bounds, finger, (spot) => inside(spot) && free(spot)) ??
      mark.at
    placed.push(at)
    const tint = mark.service === 'hot' || mark.service === 'cold' ? { service: mark.service } : {}
    const id = `line:${mark.lineId}`
    sheet.line(id, 'label', [mark.at, toward(mark.at, at, finger * 0.55)], { role: 'detail', ...tint })
    sheet.texts.push({
      id,
      layer: 'label',
      at,
      text: mark.label,
      sizeMm: NAME_PX / scale,
      anchor: 'middle',
      ...tint,
    })
    return { id: mark.lineId, label: mark.label, at }
  })
  return { lines, bounds }
}

/** Points along everything that carries water, no farther from each other than is said. */
function pointsOf(sheet: Sheet, apart: number): Point[] {
  return sheet.shapes
    .filter(({ layer }) => layer !== 'wall')
    .flatMap(({ points }) =>
      points.flatMap((to, index): Point[] => {
        const from = points[index - 1] ?? to
        const count = Math.max(1, Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]) / apart))
        return Array.from({ length: count }, (_, step): Point => {
          const t = (step + 1) / count
          return [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]
        })
      }),
    )
}

/** The nearest spot of a grid over the sheet that will do; null where none does. */
function nearest(
  to: Point,
  { minX, maxX, minY, maxY }: Bounds,
  finger: number,
  fits: (spot: Point) => boolean,
): Point | null {
  let best: Point | null = null
  const far = ([x, y]: Point) => Math.hypot(x - to[0], y - to[1])
  for (let x = minX + finger * 0.7; x <= maxX - finger * 0.7; x += finger / 4)
    for (let y = minY + finger / 2; y <= maxY - finger / 2; y += finger / 4)
      if (fits([x, y]) && (!best || far([x, y]) < far(best))) best = [x, y]
  return best
}

/** On the way from one point to another, so far before it. */
function toward(from: Point, to: Point, before: number): Point {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1])
  const t = long === 0 ? 0 : Math.max(0, 1 - before / long)
  return [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]
}
