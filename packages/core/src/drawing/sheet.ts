import type { Bounds, DimensionMark, Point, SceneText, SeamMark, Shape } from './types'

/** How wide a digit is, of its height. */
const DIGIT_WIDTH = 0.6

/** A scene while it is being drawn. */
export class Sheet {
  readonly shapes: Shape[] = []
  readonly texts: SceneText[] = []
  readonly seams: SeamMark[] = []
  readonly dimensions: DimensionMark[] = []

  /** @param beside numbers beside what stands reach out as far as they are long */
  bounds(margin: number, beside = false): Bounds {
    const points = [
      ...this.shapes.flatMap((shape) => shape.points),
      // letters stand half over, half under where they are; what is drawn large has large ones
      ...this.texts.flatMap(({ at: [x, y], sizeMm }) => {
        const half = Math.max(0, sizeMm / 2 - margin)
        return [
          [x, y - half],
          [x, y + half],
        ] as const
      }),
      ...(beside ? this.texts.filter(({ anchor }) => anchor === 'start') : []).map(
        ({ at: [x, y], text, sizeMm }): Point => [x + text.length * sizeMm * DIGIT_WIDTH, y],
      ),
    ]
    const xs = points.map(([x]) => x)
    const ys = points.map(([, y]) => y)
    return {
      minX: Math.min(...xs) - margin,
      maxX: Math.max(...xs) + margin,
      minY: Math.min(...ys) - margin,
      maxY: Math.max(...ys) + margin,
    }
  }

  /**
   * Turns what was drawn along the line so that the line stands: numbers beside it stay upright.
   *
   * @param way up from where the line begins, or down as a stack drains
   */
  stand(way: 'up' | 'down'): void {
    const up = ([x, y]: Point): Point => [-y, way === 'up' ? x : -x]
    const turned = {
      shapes: this.shapes.map((shape) => ({ ...shape, points: shape.points.map(up) })),
      texts: this.texts.map((text) => ({
        ...text,
        // what stood under its line stands right of it, as near
        at: text.layer === 'dimension' ? up([text.at[0], text.at[1] + text.sizeMm * 0.5]) : up(text.at),
        anchor: text.layer === 'dimension' ? ('start' as const) : text.anchor,
      })),
      seams: this.seams.map((seam) => ({ ...seam, at: up(seam.at), label: up(seam.label) })),
      dimensions: this.dimensions.map((mark) => ({ ...mark, at: up(mark.at) })),
    }
    for (const key of ['shapes', 'texts', 'seams', 'dimensions'] as const)
      (this[key] as unknown[]).splice(0, this[key].length, ...turned[key])
  }

  line(id: string, layer: Shape['layer'], points: readonly Point[], extra: Partial<Shape> = {}): void {
    this.shapes.push({ id, layer, role: 'line', points, closed: false, ...extra })
  }

  /** A dimension with end ticks, and its number beside the middle. */
  dimension(id: string, from: Point, to: Point, offset: number, text: string, size: number): Point {
    const { a, b, at, anchor } = layDimension(from, to, offset, size)
    const key = `dimension:${id}`
    this.line(key, 'dimension', [from, a], { role: 'detail' })
    this.line(key, 'dimension', [to, b], { role: 'detail' })
    this.line(key, 'dimension', [a, b])
    for (const [x, y] of [a, b])
      this.line(key, 'dimension', [
        [x - 1.6, y - 1.6],
        [x + 1.6, y + 1.6],
      ])
    this.texts.push({
      id: key,
      layer: 'dimension',
      at,
      text,
      sizeMm: size,
      anchor,
    })
    return at
  }
}

/** Where a dimension's line and its number come to lie, at a distance from what it measures. */
export function layDimension(from: Point, to: Point, offset: number, size: number) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const length = Math.hypot(dx, dy) || 1
  const normal: Point = [(-dy / length) * offset, (dx / length) * offset]
  const a: Point = [from[0] + normal[0], from[1] + normal[1]]
  const b: Point = [to[0] + normal[0], to[1] + normal[1]]
  const vertical = Math.abs(dy) > Math.abs(dx)
  const side = Math.sign(offset) || 1
  const at: Point = vertical
    ? [(a[0] + b[0]) / 2 - side * size * 0.5 * Math.sign(dy || 1), (a[1] + b[1]) / 2]
    : [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + side * size * (side > 0 ? 0.45 : 1.1)]
  const anchor: SceneText['anchor'] = vertical ? (side * Math.sign(dy || 1) > 0 ? 'end' : 'start') : 'middle'
  return { a, b, at, anchor }
}
