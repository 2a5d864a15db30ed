import type { Point } from '../types'

/** A band of some width along a path, as a closed outline; at a corner it stays as wide as it is. */
export function band(points: readonly Point[], width: number): Point[] {
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
export function hang(from: Point, to: Point): Point[] {
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
export function square(from: Point, to: Point): Point[] {
  return from[0] === to[0] || from[1] === to[1] ? [from, to] : [from, [from[0], to[1]], to]
}

/** A tubular trap: down, round, and up to the height of the stub. */
export function trap(from: Point, to: Point): Point[] {
  const low = Math.min(from[1], to[1]) - 70
  const half = (to[0] - from[0]) / 2
  const bend = Array.from({ length: 9 }, (_, step): Point => {
    const angle = Math.PI + (step / 8) * Math.PI
    return [from[0] + half + half * Math.cos(angle), low + 60 * Math.sin(angle)]
  })
  return [from, ...bend, to]
}

export const circle = ([x, y]: Point, r: number): Point[] =>
  Array.from({ length: 24 }, (_, step): Point => {
    const angle = (step / 24) * 2 * Math.PI
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)]
  })

/** The middle of a path, along it. */
export function middle(path: readonly Point[]): Point {
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
