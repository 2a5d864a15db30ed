import type { Port } from '../catalog/types'
import type { Point, Shape } from './types'

/** A turn and a shift in the drawing's plane. */
export interface Placement {
  readonly cos: number
  readonly sin: number
  readonly dx: number
  readonly dy: number
}

export function placePoint(at: Placement, [x, y]: Point): Point {
  return [at.cos * x - at.sin * y + at.dx, at.sin * x + at.cos * y + at.dy]
}

export function turn(at: Placement, [x, y]: Point): Point {
  return [at.cos * x - at.sin * y, at.sin * x + at.cos * y]
}

/**
 * Puts a part's port onto an open end: axes opposed, tip inside body by the insertion.
 *
 * @param openAt origin of the open end, @param openAxis its way out, both in the drawing
 */
export function placeOnto(openAt: Point, openAxis: Point, port: Port, insertionMm: number): Placement {
  const [px, py] = port.pose.axis
  // turn the port's axis onto the opposite of the open one
  const cos = -(openAxis[0] * px + openAxis[1] * py)
  const sin = -(openAxis[1] * px - openAxis[0] * py)
  const turned: Placement = { cos, sin, dx: 0, dy: 0 }
  const [ox, oy] = turn(turned, [port.pose.origin[0], port.pose.origin[1]])
  return {
    cos,
    sin,
    dx: openAt[0] - openAxis[0] * insertionMm - ox,
    dy: openAt[1] - openAxis[1] * insertionMm - oy,
  }
}

export function placeShape(at: Placement, shape: Shape): Shape {
  return { ...shape, points: shape.points.map((point) => placePoint(at, point)) }
}
