import { CATALOG } from '../catalog/families'
import { fittingById } from '../catalog/index'
import { partShapes } from './partShapes'
import type { Point } from './types'

/** Twice the area of a triangle, by the way round it. */
const round = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point) =>
  (bx - ax) * (cy - ay) - (by - ay) * (cx - ax)
const apart = (one: number, other: number) => (one > 1e-6 && other < -1e-6) || (one < -1e-6 && other > 1e-6)

/** Whether a closed line crosses itself: every side against every other. */
function crosses(points: readonly Point[]): boolean {
  const sides = points.map((point, at) => [point, points[(at + 1) % points.length] as Point] as const)
  return sides.some(([a, b], at) =>
    sides
      .slice(at + 2)
      .some(([c, d]) => apart(round(a, b, c), round(a, b, d)) && apart(round(c, d, a), round(c, d, b))),
  )
}

it('knows a line that crosses itself from one that does not', () => {
  const [square, bow] = [
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    [
      [0, 0],
      [1, 1],
      [1, 0],
      [0, 1],
    ],
  ] as const
  expect([crosses(square), crosses(bow)]).toEqual([false, true])
})

it('no outline and no half-section of any part crosses itself, however little lies between its ends', () => {
  const bad = CATALOG.flatMap((fitting) =>
    partShapes(fitting.id, fitting).flatMap(({ role, closed, points }) =>
      closed && crosses(points) ? [`${fitting.id} ${role}`] : [],
    ),
  )
  expect(bad).toEqual([])
})

it.each([
  // the socket of a bushing lies within it: its outside is the spigot's to the end, its bore the pipe's from there on
  ['bushing.drain.pvc.3x2', 3.5, 2.375],
  ['bushing.drain.abs.2x1-1/2', 2.375, 1.9],
])('%s is as wide as one pipe outside and takes the other', (id, outsideIn, pipeIn) => {
  const fitting = fittingById(id)
  if (!fitting) throw new Error(id)
  const section = partShapes(id, fitting).find(({ role }) => role === 'section')?.points ?? []
  const end = Math.max(...section.map(([x]) => x))
  const radii = section.flatMap(([x, y]) => (x === end ? [y / 25.4] : []))
  // ASTM D2665: outside diameters of drain pipe
  expect(Math.max(...radii) * 2).toBeCloseTo(outsideIn, 2)
  expect(Math.min(...radii) * 2).toBeCloseTo(pipeIn, 2)
})
