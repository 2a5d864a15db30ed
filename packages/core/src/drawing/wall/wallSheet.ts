import type { RouteId } from '../../assembly/bodies/types'
import type { WorkedOnId } from '../../assembly/workedOn'
import type { MateOption } from '../../mate/types'
import { pipeById } from '../../reference/pipes'
import { Sheet } from '../sheet'
import type { Bounds, Point, Scene, Shape } from '../types'
import { type Beginning, WALL_PLACES, type WallPlace, type WallService } from './places'

/** One line as it stands in the assembly. */
export interface WallLine {
  readonly lineId: string
  readonly service: WallService
  /** The name it is touched by. */
  readonly label: string
  /** What was found; null while nothing was, or where the line begins at something new. */
  readonly pipeId: string | null
  /** It begins at something new, not at an old pipe. */
  readonly fresh: boolean
  /** The way that is chosen or looked at; null while there is none. */
  readonly option: MateOption | null
  /** What has to stand before its end; null while nothing goes in. */
  readonly route: RouteId | null
  /** It goes into a run. */
  readonly run: boolean
  /** Another line begins at its second outlet. */
  readonly feeds: boolean
}

export interface WallRequest {
  readonly place: WorkedOnId
  readonly lines: readonly WallLine[]
  readonly widthPx?: number
  readonly heightPx?: number
}

/** A finger wants so much, px. */
const FINGER_PX = 48
const MARGIN_MM = 40
/** Lettering where it is shown, px. */
const NAME_PX = 15

/** Of a sheet with nothing on it, mm. */
const EMPTY: Bounds = { minX: -100, maxX: 100, minY: 0, maxY: 200 }

interface Frame {
  readonly widthPx: number
  readonly heightPx: number
}
/** Drawn where nobody knows better, mm: half-inch copper tube, 1-1/2 in drain pipe, a hose. */
const TUBE_MM = 15.9
const DRAIN_MM = 48.3
const HOSE_MM = 12

/** A band of some width along a path, as a closed outline; at a corner it stays as wide as it is. */
function band(points: readonly Point[], width: number): Point[] {
  const half = width / 2
  /** Upright to the way from one point to the next. */
  const normal = (from: Point, to: Point): Point => {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
    const long = Math.hypot(dx, dy) || 1
    return [-dy / long, dx / long]
  }
  const side = (sign: number) =>
    points.map((at, index): Point => {
      const before = points[index - 1]
      const after = points[index + 1]
      const a = before ? normal(before, at) : normal(at, after ?? at)
      const b = after ? normal(at, after) : a
      const [sx, sy] = [a[0] + b[0], a[1] + b[1]]
      // the sum of two unit vectors is twice the cosine of half the corner; a hairpin is cut off
      const by = (2 * half) / Math.max(0.5, sx * sx + sy * sy)
      return [at[0] + sign * sx * by, at[1] + sign * sy * by]
    })
  return [...side(1), ...side(-1).reverse()]
}

/** A hose hangs: it leaves and arrives upright, up to what stands over it or down to what stands below. */
function hang(from: Point, to: Point): Point[] {
  const reach = Math.max(60, Math.abs(to[1] - from[1]) / 2) * (to[1] < from[1] ? -1 : 1)
  const [c, d]: [Point, Point] = [
    [from[0], from[1] + reach],
    [to[0], to[1] - reach],
  ]
  return Array.from({ length: 17 }, (_, step): Point => {
    const t = step / 16
    const at = (axis: 0 | 1) =>
      (1 - t) ** 3 * from[axis] +
      3 * (1 - t) ** 2 * t * c[axis] +
      3 * (1 - t) * t ** 2 * d[axis] +
      t ** 3 * to[axis]
    return [at(0), at(1)]
  })
}

/** Pipe goes square: along the wall first up or down, then across. */
function square(from: Point, to: Point): Point[] {
  return from[0] === to[0] || from[1] === to[1] ? [from, to] : [from, [from[0], to[1]], to]
}

/** A tubular trap: down, round, and up to the height of the stub. */
function trap(from: Point, to: Point): Point[] {
  const low = Math.min(from[1], to[1]) - 70
  const half = (to[0] - from[0]) / 2
  const bend = Array.from({ length: 9 }, (_, step): Point => {
    const angle = Math.PI + (step / 8) * Math.PI
    return [from[0] + half + half * Math.cos(angle), low + 60 * Math.sin(angle)]
  })
  return [from, ...bend, to]
}

const circle = ([x, y]: Point, r: number): Point[] =>
  Array.from({ length: 24 }, (_, step): Point => {
    const angle = (step / 24) * 2 * Math.PI
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)]
  })

/** The pipe that was there, up to where the line begins. */
function oldPipe({ at, from }: Beginning): readonly Point[] | null {
  const [x, y] = at
  if (from === 'wall') return null
  if (from === 'below') return [[x, y - 220], at]
  if (from === 'above') return [[x, y + 220], at]
  return [[x - 220, y], at]
}

interface Way {
  readonly path: readonly Point[]
  readonly width: number
  /** Where a valve of the line stands, and where it is closed. */
  readonly valveAt?: Point
  readonly capAt?: Point
}

/** How a line goes from where it begins to where it ends. */
function wayOf(line: WallLine, begins: Beginning, end: Point, odMm: number): Way {
  const from = begins.at
  const families = line.option?.parts.map(({ family }) => family) ?? []
  const has = (pattern: RegExp) => families.some((family) => pattern.test(family))
  if (line.route === 'cap' || has(/^(cap|plug)$/)) {
    const out: Point =
      begins.from === 'above'
        ? [from[0], from[1] - 50]
        : begins.from === 'left'
          ? [from[0] + 50, from[1]]
          : [from[0], from[1] + 50]
    return { path: [from, out], width: odMm, capAt: out }
  }
  if (line.service === 'drain') return { path: trap(end, from), width: DRAIN_MM * 0.8 }
  if (line.run)
    return { path: [from, end], width: odMm, ...(has(/valve/) ? { valveAt: middle([from, end]) } : {}) }
  if (line.route === 'stop' || line.route === 'washing' || line.route === 'flexible') {
    const stop: Point = begins.from === 'above' ? [from[0], from[1] - 70] : from
    const hose = begins.from === 'above' ? [stop, end] : hang([stop[0], stop[1] + 26], end)
    const valved = line.option === null || has(/stop|valve/)
    return { path: hose, width: HOSE_MM, ...(valved && !line.fresh ? { valveAt: stop } : {}) }
  }
  return { path: square(from, end), width: odMm, ...(line.route === 'bib' ? { valveAt: end } : {}) }
}

function middle(path: readonly Point[]): Point {
  const lengths = path.slice(1).map((at, index) => {
    const before = path[index] as Point
    return Math.hypot(at[0] - before[0], at[1] - before[1])
  })
  let left = lengths.reduce((sum, length) => sum + length, 0) / 2
  for (const [index, length] of lengths.entries()) {
    const [a, b] = [path[index] as Point, path[index + 1] as Point]
    if (left <= length) {
      const t = length === 0 ? 0 : left / length
      return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
    }
    left -= length
  }
  return path[0] as Point
}

/**
 * The wall sheet: the whole assembly as who stands before it sees it. Every line goes from where it comes out of the
 * wall to where it ends at what goes in, as wide as its pipe is; what is not known or not chosen yet is dashed. Places
 * are usual ones, to see by and not to measure by.
 *
 * @returns a scene in millimetres with a mark for each line that a finger can touch
 * @throws CoreFault naming a pipe that is in no table
 */
export function drawWallSheet({ place, lines, widthPx = 360, heightPx = 230 }: WallRequest): Scene {
  const sheet = new Sheet()
  const here = WALL_PLACES[place]
  const { ends, outlines } = here
  for (const points of outlines) sheet.line('fixture', 'wall', points, { role: 'detail' })
  const marks: Mark[] = []
  for (const line of lines) {
    const beginning = beginningOf(line, lines, here)
    const end = ends[line.service]
    if (!beginning || !end) continue
    const odMm =
      (line.pipeId ? pipeById(line.pipeId)?.odMm : undefined) ??
      (line.service === 'drain' ? DRAIN_MM : TUBE_MM)
    const tint = line.service === 'hot' || line.service === 'cold' ? { service: line.service } : {}
    const id = `line:${line.lineId}`
    const add = (
      layer: Shape['layer'],
      role: Shape['role'],
      points: readonly Point[],
      extra: Partial<Shape> = {},
    ) => sheet.shapes.push({ id, layer, role, points, closed: true, ...tint, ...extra })
    const unknown = line.pipeId === null && !line.fresh
    const old = line.fresh ? null : oldPipe(beginning)
    if (old) add('pipe', 'outline', band(old, odMm), { dashed: unknown })
    else if (!line.fresh) add('pipe', 'outline', circle(beginning.at, odMm / 2 + 4), { dashed: unknown })
    const way = wayOf(line, beginning, end, odMm)
    if (line.route !== null)
      add('part', 'outline', band(way.path, way.width), { dashed: line.option === null })
    // a run goes on behind what goes in
    if (line.run) add('pipe', 'outline', band([end, [end[0] + 220, end[1]]], odMm), { dashed: unknown })
    if (way.valveAt && line.route !== null) {
      const [x, y] = way.valveAt
      add('seal', 'outline', circle(way.valveAt, 21), { dashed: line.option === null })
      add(
        'seal',
        'line',
        [
          [x - 34, y],
          [x + 34, y],
        ],
        { closed: false, dashed: line.option === null },
      )
    }
    if (way.capAt) {
      const [x, y] = way.capAt
      const across: [Point, Point] =
        beginning.from === 'left'
          ? [
              [x, y - 24],
              [x, y + 24],
            ]
          : [
              [x - 24, y],
              [x + 24, y],
            ]
      add('seal', 'line', across, { closed: false, dashed: line.option === null })
    }
    marks.push({
      lineId: line.lineId,
      label: line.label,
      at: line.route === null ? beginning.at : middle(way.path),
      service: line.service,
    })
  }
  const bare = sheet.shapes.length === 0
  const drawn = bare ? EMPTY : sheet.bounds(MARGIN_MM)
  if (drawn.minY < 2 * MARGIN_MM)
    sheet.line('floor', 'wall', [
      [drawn.minX, 0],
      [drawn.maxX, 0],
    ])
  const bounds = bare ? EMPTY : sheet.bounds(MARGIN_MM)
  const frame = named(sheet, marks, bounds, { widthPx, heightPx })
  return {
    ...frame,
    shapes: sheet.shapes,
    texts: sheet.texts,
    seams: [],
    dimensions: [],
    title: 'The wall, as you face it',
  }
}

/** Where a line begins: at its place on the wall, or at what another leaves open. */
function beginningOf(line: WallLine, lines: readonly WallLine[], place: WallPlace): Beginning | null {
  if (line.service !== 'branch') return place.begins[line.service] ?? null
  const trunk = lines.find(({ run, feeds }) => run || feeds)
  const begins = trunk && place.begins[trunk.service]
  const end = trunk && place.ends[trunk.service]
  if (!trunk || !begins || !end) return null
  // off the middle of a run, or beside the outlet of a stop
  return {
    at: trunk.run ? middle([begins.at, end]) : [begins.at[0] + 20, begins.at[1]],
    from: 'below',
  }
}

interface Mark {
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
function named(
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
