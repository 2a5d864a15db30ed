import { type DrawRequest, drawJointLine } from './scene'
import type { Point, Scene, SceneText, Shape } from './types'

export interface WholeRequest {
  readonly lines: readonly { readonly label: string; readonly line: DrawRequest }[]
}

/** Between two lines of a fixture on one sheet, mm. */
const BETWEEN_MM = 8

/** Rows and columns that let the drawings be largest on a sheet of that shape. */
function columnsFor(
  sizes: readonly { readonly width: number; readonly height: number }[],
  aspect: number,
): number {
  let best = 1
  let largest = 0
  for (let columns = 1; columns <= sizes.length; columns++) {
    const width = Math.max(...sizes.map((size) => size.width)) * columns
    const height = Math.max(...sizes.map((size) => size.height)) * Math.ceil(sizes.length / columns)
    const scale = Math.min(aspect / width, 1 / height)
    if (scale > largest) [largest, best] = [scale, columns]
  }
  return best
}

/**
 * All lines of a fixture on one sheet, each to the same scale, with its name above it. Ids carry the line's place, so
 * that a seam is known by its line and its number.
 */
export function drawWhole({ lines }: WholeRequest): Scene {
  const drawn = lines.map(({ label, line }) => ({ label, scene: drawJointLine(line) }))
  const { widthPx = 360, heightPx = 400 } = lines[0]?.line ?? {}
  const sizes = drawn.map(({ scene: { bounds } }) => ({
    width: bounds.maxX - bounds.minX + BETWEEN_MM,
    height: bounds.maxY - bounds.minY + BETWEEN_MM,
  }))
  const columns = columnsFor(sizes, widthPx / heightPx)
  const cell = {
    width: Math.max(...sizes.map((size) => size.width)),
    height: Math.max(...sizes.map((size) => size.height)),
  }
  const shapes: Shape[] = []
  const texts: SceneText[] = []
  drawn.forEach(({ label, scene }, index) => {
    const { bounds } = scene
    const dx = (index % columns) * cell.width - bounds.minX
    const dy = -Math.floor(index / columns) * cell.height - bounds.maxY
    const moved = ([x, y]: Point): Point => [x + dx, y + dy]
    const id = (name: string) => `line:${index}/${name}`
    for (const shape of scene.shapes)
      shapes.push({ ...shape, id: id(shape.id), points: shape.points.map(moved) })
    for (const text of scene.texts) texts.push({ ...text, id: id(text.id), at: moved(text.at) })
    const size = scene.texts[0]?.sizeMm ?? 6
    texts.push({
      id: id('name'),
      layer: 'label',
      at: moved([bounds.minX + size * 0.4, bounds.maxY - size * 1.1]),
      text: label,
      sizeMm: size,
      anchor: 'start',
    })
  })
  return {
    bounds: {
      minX: 0,
      maxX: cell.width * Math.min(columns, drawn.length) - BETWEEN_MM,
      minY: -cell.height * Math.ceil(drawn.length / columns) + BETWEEN_MM,
      maxY: 0,
    },
    shapes,
    texts,
    seams: [],
    title: 'Joint lines of the fixture',
  }
}
