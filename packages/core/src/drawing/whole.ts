import { type DrawRequest, drawJointLine } from './scene'
import type { Point, Scene, SceneText, Shape } from './types'

export interface WholeRequest {
  readonly lines: readonly { readonly label: string; readonly line: DrawRequest }[]
  /** The sheet all lines are shown on, px. */
  readonly widthPx?: number
  readonly heightPx?: number
}

/** Between two lines of a fixture on one sheet, mm. */
const BETWEEN_MM = 8
/** Lettering where it is shown, px; a name stands above its line. */
const NAME_PX = 15

interface Size {
  readonly width: number
  readonly height: number
}

/** Where each drawing stands: rows of as many as let all be largest, each row as high as its highest. */
function layout(
  sizes: readonly Size[],
  sheet: Size,
): { readonly at: readonly Point[]; readonly size: Size; readonly scale: number } {
  let best: ReturnType<typeof layout> | null = null
  for (let columns = 1; columns <= sizes.length; columns++) {
    const rows = Array.from({ length: Math.ceil(sizes.length / columns) }, (_, row) =>
      sizes.slice(row * columns, (row + 1) * columns),
    )
    const widths = Array.from({ length: columns }, (_, column) =>
      Math.max(...rows.map((row) => row[column]?.width ?? 0)),
    )
    const heights = rows.map((row) => Math.max(...row.map(({ height }) => height)))
    const size = {
      width: widths.reduce((sum, width) => sum + width, 0) + BETWEEN_MM * (columns - 1),
      height: heights.reduce((sum, height) => sum + height, 0) + BETWEEN_MM * (rows.length - 1),
    }
    const names = NAME_PX * 1.4 * rows.length
    const scale = Math.min(sheet.width / size.width, (sheet.height - names) / size.height)
    if (best && best.scale >= scale) continue
    const name = names / rows.length / scale
    const at = sizes.map((_, index): Point => {
      const [row, column] = [Math.floor(index / columns), index % columns]
      return [
        widths.slice(0, column).reduce((sum, width) => sum + width + BETWEEN_MM, 0),
        -heights.slice(0, row).reduce((sum, height) => sum + height + BETWEEN_MM + name, name),
      ]
    })
    best = { at, size: { width: size.width, height: size.height + name * rows.length }, scale }
  }
  return best as ReturnType<typeof layout>
}

/**
 * All lines of a fixture on one sheet, each to the same scale, with its name above it. Ids carry the line's place, so
 * that a seam is known by its line and its number.
 */
export function drawWhole({ lines, widthPx = 360, heightPx = 400 }: WholeRequest): Scene {
  const sheet = { width: widthPx, height: heightPx }
  const sizeOf = ({ bounds }: Scene): Size => ({
    width: bounds.maxX - bounds.minX,
    height: bounds.maxY - bounds.minY,
  })
  // drawn twice: lettering is as large as the sheet asks for once it is known how all stand on it
  const { scale } = layout(
    lines.map(({ line }) => sizeOf(drawJointLine(line))),
    sheet,
  )
  const drawn = lines.map(({ label, line }) => {
    const { width, height } = sizeOf(drawJointLine(line))
    return {
      label,
      scene: drawJointLine({
        ...line,
        widthPx: Math.max(80, width * scale),
        heightPx: Math.max(80, height * scale),
      }),
    }
  })
  const placed = layout(
    drawn.map(({ scene }) => sizeOf(scene)),
    sheet,
  )
  const nameMm = NAME_PX / placed.scale
  const shapes: Shape[] = []
  const texts: SceneText[] = []
  drawn.forEach(({ label, scene }, index) => {
    const [left, top] = placed.at[index] as Point
    const [dx, dy] = [left - scene.bounds.minX, top - scene.bounds.maxY]
    const moved = ([x, y]: Point): Point => [x + dx, y + dy]
    const id = (name: string) => `line:${index}/${name}`
    for (const shape of scene.shapes)
      shapes.push({ ...shape, id: id(shape.id), points: shape.points.map(moved) })
    for (const text of scene.texts) texts.push({ ...text, id: id(text.id), at: moved(text.at) })
    texts.push({
      id: id('name'),
      layer: 'label',
      at: [left, top + nameMm * 0.4],
      text: label,
      sizeMm: nameMm,
      anchor: 'start',
    })
  })
  return {
    bounds: { minX: 0, maxX: placed.size.width, minY: -placed.size.height, maxY: 0 },
    shapes,
    texts,
    seams: [],
    dimensions: [],
    title: 'Joint lines of the fixture',
  }
}
