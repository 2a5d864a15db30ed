import { CENTRE_ASIDE_MM } from '../catalog/sinkWastes'
import type { Fitting, Port } from '../catalog/types'
import { endLook } from './profile'
import type { Draw, Point } from './types'

/** How far aside the second bowl's arm is drawn: it is cut to the bowls, and shown with a break, mm. */
const ASIDE_MM = 2 * CENTRE_ASIDE_MM
/** What its walls are thick, as they are drawn, mm. */
const WALL_MM = 1.8

/** A tube along a bent middle line of right angles, as an outline and its two inner edges. */
function tube(path: readonly Point[], r: number, draw: Draw): void {
  for (const [from, to] of path.slice(1).map((to, index) => [path[index] as Point, to] as const)) {
    const along = from[0] !== to[0]
    const [low, high] = along
      ? [Math.min(from[0], to[0]), Math.max(from[0], to[0])]
      : [from[0] - r, from[0] + r]
    const [left, right] = along
      ? [from[1] - r, from[1] + r]
      : [Math.min(from[1], to[1]) - r, Math.max(from[1], to[1]) + r]
    draw(
      'outline',
      [
        [low, left],
        [high, left],
        [high, right],
        [low, right],
      ],
      true,
    )
    for (const inside of [r - WALL_MM, WALL_MM - r])
      draw(
        'detail',
        along
          ? [
              [low, from[1] + inside],
              [high, from[1] + inside],
            ]
          : [
              [from[0] + inside, left],
              [from[0] + inside, right],
            ],
        false,
      )
  }
}

/** Two lines across an arm: it is longer than it is drawn. */
function breakAcross([x, y]: Point, r: number, draw: Draw): void {
  for (const dy of [-2, 2])
    draw(
      'detail',
      [
        [x - r - 3, y + dy - 1.5],
        [x, y + dy + 1.5],
        [x + r + 3, y + dy - 1.5],
      ],
      false,
    )
}

/** Where the nuts of both tails stand, aside of the outlet's middle: the chain goes on through the first. */
export function bowlsAside(family: Fitting['family']): readonly [number, number] {
  return family === 'centre-waste' ? [ASIDE_MM / 2, -ASIDE_MM / 2] : [0, -ASIDE_MM]
}

/**
 * What joins two bowls over one trap: its outlet below, a nut for the tail of each, or for a disposer the flange that is
 * screwed to its side.
 */
export function twoBowlsBody(
  fitting: Fitting,
  a: Port,
  b: Port,
  draw: Draw,
  drawEnd: (port: Port) => void,
): void {
  const r = a.diameterMm / 2
  const [own, other] = bowlsAside(fitting.family)
  const look = endLook(b)
  const top = b.pose.origin[0] - look.length
  const arm = top - r - 6
  const flanged = fitting.family === 'disposer-waste'
  tube(
    [
      [a.pose.origin[0], 0],
      [arm, 0],
    ],
    r,
    draw,
  )
  tube(
    [
      [arm, own],
      [arm, other],
    ],
    r,
    draw,
  )
  breakAcross([arm, (own + other) / 2 - r], r, draw)
  tube(
    [
      [arm, own],
      [top, own],
    ],
    r,
    draw,
  )
  if (flanged) {
    const y = other - r
    draw(
      'outline',
      [
        [arm - r - 14, y - 5],
        [arm + r + 14, y - 5],
        [arm + r + 14, y],
        [arm - r - 14, y],
      ],
      true,
    )
    for (const x of [arm - r - 8, arm + r + 8])
      draw(
        'outline',
        [
          [x - 3, y - 12],
          [x + 3, y - 12],
          [x + 3, y + 5],
          [x - 3, y + 5],
        ],
        true,
      )
  } else {
    tube(
      [
        [arm, other],
        [top, other],
      ],
      r,
      draw,
    )
    drawEnd({ ...b, pose: { ...b.pose, origin: [b.pose.origin[0], other, 0] } })
  }
  drawEnd(b)
}

/** A tailpiece whose side bears the ridged spigot that a dishwasher's hose goes on. */
export function branchTailBody(a: Port, b: Port, draw: Draw, drawEnd: (port: Port) => void): void {
  const r = a.diameterMm / 2
  const top = b.pose.origin[0] - endLook(b).length
  tube(
    [
      [a.pose.origin[0], 0],
      [top, 0],
    ],
    r,
    draw,
  )
  const x = (a.pose.origin[0] + top) / 2 + 6
  draw(
    'outline',
    [
      [x - 7, -r],
      [x + 7, -r],
      [x + 16, -r - 26],
      [x + 2, -r - 26],
    ],
    true,
  )
  for (const step of [8, 14, 20])
    draw(
      'detail',
      [
        [x - 7 + (step * 9) / 26, -r - step],
        [x + 7 + (step * 9) / 26, -r - step],
      ],
      false,
    )
  drawEnd(b)
}
