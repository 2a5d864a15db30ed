import { pipeById } from '../../reference/pipes'
import { Sheet } from '../sheet'
import type { Bounds, Point, Scene, Shape } from '../types'
import { type Faces, facesOf } from './faces'
import { measuredPlace } from './measured'
import { type Mark, named } from './names'
import { band, circle, middle } from './paths'
import { type Beginning, BOXED, WALL_PLACES, withStack } from './places'
import type { WallLine, WallRequest } from './types'
import { beginningOf, DRAIN_MM, oldPipe, TUBE_MM, wayOf } from './ways'

export type { WallLine, WallRequest } from './types'

const MARGIN_MM = 40

/**
 * The rigid parts of a line's way, where it has one that begins with any; a drain's are its trap, drawn by its way, as is
 * all that comes into a stack.
 */
function partsOf(line: WallLine, beginning: Beginning, end: Point): Faces | null {
  if (!line.option || (line.service === 'drain' && !line.run) || line.route === 'cap') return null
  if (beginning.level) return null
  const begins = line.run ? { ...beginning, at: middle([beginning.at, end]) } : beginning
  const toward: Point = [end[0] - begins.at[0], end[1] - begins.at[1]]
  const faces = facesOf(line.option, begins, toward, line.stands)
  if (faces.outlines.length === 0) return null
  if (line.stands) {
    // half over its middle, half under it
    const ys = faces.outlines.flat().map(([, y]) => y)
    const high = 2 * begins.at[1] - (Math.max(...ys) + Math.min(...ys)) / 2
    return facesOf(line.option, { ...begins, at: [begins.at[0], high] }, toward, true)
  }
  if (beginning.from !== 'left') return faces
  // along the wall: what goes into a run has its middle there, a bib stands out of the wall's far side
  const xs = faces.outlines.flat().map(([x]) => x)
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const at = line.run ? 2 * begins.at[0] - (low + high) / 2 : begins.at[0] + end[0] + OUT_MM - high
  return facesOf(line.option, { ...begins, at: [at, begins.at[1]] }, toward)
}

/** So far a bib stands out of its wall, mm. */
const OUT_MM = 60

/** Where the rest of a line's way begins: behind its rigid parts; a run is one length from side to side. */
function onward({ run }: WallLine, beginning: Beginning, { end }: Faces): Beginning {
  if (beginning.from === 'left' || (run && beginning.from !== 'wall')) return beginning
  return { ...beginning, at: end.at, ...(end.axis ? { behind: true as const } : {}) }
}
/** Of a sheet with nothing on it, mm. */
const EMPTY: Bounds = { minX: -100, maxX: 100, minY: 0, maxY: 200 }

/**
 * The wall sheet: the whole assembly as who stands before it sees it. Every line goes from where it comes out of the
 * wall to where it ends at what goes in, as wide as its pipe is, with the rigid parts of its way to scale; what is not
 * known or not chosen yet is dashed. Places are measured where they were, else usual ones, to see by.
 *
 * @returns a scene in millimetres with a mark for each line that a finger can touch
 * @throws CoreFault naming a pipe that is in no table
 */
export function drawWallSheet(request: WallRequest): Scene {
  const { place, lines, widthPx = 360, heightPx = 230 } = request
  const sheet = new Sheet()
  const boxed = place === 'washer' && lines.some(({ route }) => route === 'direct' || route === 'machine-box')
  const usual = boxed ? BOXED : WALL_PLACES[place]
  const stack = lines.some(({ stands }) => stands)
  const here = measuredPlace(stack ? withStack(usual) : usual, request)
  const { ends, outlines } = here
  for (const points of outlines) sheet.line('fixture', 'wall', points, { role: 'detail' })
  const marks: Mark[] = []
  // what another line begins at is drawn before it
  const open = new Map<string, Point>()
  const besides = new Map<string, Point>()
  for (const line of lines) {
    const beginning = beginningOf(line, lines, here, line.service === 'side' ? besides : open)
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
    const unknown = line.pipeId === null && !line.fresh && !line.kept
    const old = line.fresh ? null : oldPipe(beginning)
    if (old) add('pipe', 'outline', band(old, odMm), { dashed: unknown })
    else if (!line.fresh) add('pipe', 'outline', circle(beginning.at, odMm / 2 + 4), { dashed: unknown })
    const faces = partsOf(line, beginning, end)
    if (faces?.branch) open.set(line.lineId, faces.branch)
    if (faces?.second) besides.set(line.lineId, faces.second)
    const way = wayOf(line, faces ? onward(line, beginning, faces) : beginning, end, odMm)
    if (line.route !== null)
      add('part', 'outline', band(way.path, way.width), { dashed: line.option === null })
    for (const points of faces?.outlines ?? []) add('part', 'outline', points)
    // a run goes on behind what goes in
    if (line.run) {
      const on: Point = beginning.from === 'above' ? [end[0], end[1] - 220] : [end[0] + 220, end[1]]
      add('pipe', 'outline', band([end, on], odMm), { dashed: unknown })
    }
    if (way.valveAt && line.route !== null && !faces) {
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
