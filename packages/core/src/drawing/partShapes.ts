import type { Fitting, Port } from '../catalog/types'
import { type EndLook, endLook, type Station } from './profile'
import type { Layer, Point, Shape, ShapeRole } from './types'

/**
 * Maps a point of an end's own (u, r) onto the part's plane: u runs from the mouth inward, r to the left of the
 * flow, so that the cut half stays on one side through the whole chain.
 */
export function endToPart(port: Port, u: number, r: number): Point {
  const [ox, oy] = port.pose.origin
  const [ax, ay] = port.pose.axis
  const flow = port.id === 'a' ? -1 : 1
  return [ox - ax * u - flow * ay * r, oy - ay * u + flow * ax * r]
}

type Draw = (
  role: ShapeRole,
  points: readonly Point[],
  closed: boolean,
  layer?: Layer,
  suffix?: string,
) => void

/** Body radius that lies well with both ends. */
function bodyRadius(a: EndLook, b: EndLook): number {
  const last = (look: EndLook) => (look.stations.at(-1) as Station).outer
  return Math.max(last(a), last(b))
}

function straightBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const lookA = endLook(a)
  const lookB = endLook(b)
  const ax = a.pose.origin[0]
  const bx = b.pose.origin[0]
  const stations = [
    ...lookA.stations.map((s) => ({ ...s, u: ax + s.u })),
    ...(fitting.family === 'supply-connector' ? [] : middle(fitting, lookA, lookB, ax, bx)),
    ...[...lookB.stations].reverse().map((s) => ({ ...s, u: bx - s.u })),
  ]
  const top = stations.map((s): Point => [s.u, s.outer])
  const bottom = [...stations].reverse().map((s): Point => [s.u, -s.outer])
  const bore = [...stations].reverse().map((s): Point => [s.u, s.inner])
  draw('outline', [...top, ...bottom], true)
  draw('section', [...top, ...bore], true)
  for (const [port, look] of [
    [a, lookA],
    [b, lookB],
  ] as const)
    for (const line of look.lines)
      draw(
        'detail',
        line.map(([u, r]) => [port === a ? ax + u : bx - u, r] as const),
        false,
      )
}

function middle(fitting: Fitting, a: EndLook, b: EndLook, ax: number, bx: number): Station[] {
  const from = ax + a.length
  const to = bx - b.length
  if (to - from < 0.5) return []
  const lastA = a.stations.at(-1) as Station
  const lastB = b.stations.at(-1) as Station
  const bore = Math.min(lastA.inner, lastB.inner) * 0.94
  if (fitting.family === 'tube-piece') return []
  const big = bodyRadius(a, b)
  const hex = fitting.family === 'nipple' ? Math.min(lastA.outer, lastB.outer) : big
  const smooth = fitting.family === 'reducing-coupling' || fitting.family === 'coupling'
  if (smooth)
    return [
      { u: from + 0.2, outer: lastA.outer, inner: bore },
      { u: to - 0.2, outer: lastB.outer, inner: bore },
    ]
  if (fitting.family === 'dielectric-union') {
    const nut = big + 5
    const quarter = (to - from) / 4
    return [
      { u: from, outer: big, inner: bore },
      { u: from + quarter, outer: big, inner: bore },
      { u: from + quarter + 0.1, outer: nut, inner: bore },
      { u: to - quarter, outer: nut, inner: bore },
      { u: to - quarter + 0.1, outer: big, inner: bore },
      { u: to, outer: big, inner: bore },
    ]
  }
  const collar =
    fitting.family === 'transition-coupling' || fitting.family.endsWith('adapter') ? hex + 1.5 : hex
  return [
    { u: from + 0.1, outer: collar, inner: bore },
    { u: to - 0.1, outer: collar, inner: bore },
  ]
}

function stopBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const lookA = endLook(a)
  const lookB = endLook(b)
  const radius = Math.max(bodyRadius(lookA, lookB), 9)
  const angled = fitting.family === 'angle-stop'
  const arm = (port: Port, look: EndLook) => {
    const reach = Math.abs(port.pose.origin[0] + port.pose.origin[1])
    const inner = (look.stations.at(-1) as Station).inner * 0.9
    const last = look.stations.at(-1) as Station
    const stations: Station[] = [
      ...look.stations,
      { u: look.length + 0.1, outer: Math.min(last.outer, radius * 0.92), inner },
      { u: reach, outer: Math.min(last.outer, radius * 0.92), inner },
    ]
    const at = (u: number, r: number) => endToPart(port, u, r)
    const top = stations.map((s) => at(s.u, s.outer))
    const bottom = [...stations].reverse().map((s) => at(s.u, -s.outer))
    draw('outline', [...top, ...bottom], true)
    const cut = stations.filter((s) => s.u <= look.length)
    draw(
      'section',
      [...cut.map((s) => at(s.u, s.outer)), ...[...cut].reverse().map((s) => at(s.u, s.inner))],
      true,
    )
    for (const line of look.lines)
      draw(
        'detail',
        line.map(([u, r]) => at(u, r)),
        false,
      )
  }
  // lever and stem behind the body
  const stem = radius + 7
  const lever: Point[] = angled
    ? [
        [stem, -11],
        [stem + 3, -14],
        [stem + 6, -11],
        [stem + 6, 11],
        [stem + 3, 14],
        [stem, 11],
      ]
    : [
        [-12, stem],
        [-15, stem + 3],
        [-12, stem + 6],
        [12, stem + 6],
        [15, stem + 3],
        [12, stem],
      ]
  const shaft: Point[] = angled
    ? [
        [0, -3.5],
        [stem, -3.5],
        [stem, 3.5],
        [0, 3.5],
      ]
    : [
        [-3.5, 0],
        [-3.5, stem],
        [3.5, stem],
        [3.5, 0],
      ]
  draw('outline', shaft, true)
  draw('outline', lever, true)
  arm(a, lookA)
  arm(b, lookB)
  draw(
    'outline',
    Array.from({ length: 28 }, (_, index): Point => {
      const angle = (index / 28) * 2 * Math.PI
      return [radius * Math.cos(angle), radius * Math.sin(angle)]
    }),
    true,
  )
  // the ball inside, seen through
  draw(
    'detail',
    Array.from({ length: 25 }, (_, index): Point => {
      const angle = (index / 24) * 2 * Math.PI
      return [radius * 0.62 * Math.cos(angle), radius * 0.62 * Math.sin(angle)]
    }),
    false,
  )
}

/** A hose with a break in it: two nuts, sleeves, braid, drawn shorter than it is. */
function connectorBody(a: Port, b: Port, draw: Draw): void {
  const lookA = endLook(a)
  const lookB = endLook(b)
  const ax = a.pose.origin[0]
  const bx = b.pose.origin[0]
  const hose = 6
  const from = ax + lookA.length
  const to = bx - lookB.length
  const mid = (from + to) / 2
  const wave = (x: number): Point[] => [
    [x, hose],
    [x + 2.5, hose / 2],
    [x - 2.5, -hose / 2],
    [x, -hose],
  ]
  draw('outline', [[from, hose], ...wave(mid - 3), [from, -hose]], true)
  draw('outline', [...wave(mid + 3), [to, -hose], [to, hose]], true)
  for (let x = from + 2; x < to - 3; x += 4) {
    if (Math.abs(x + 1.5 - mid) < 8) continue
    draw(
      'detail',
      [
        [x, -hose],
        [x + 3, hose],
      ],
      false,
    )
    draw(
      'detail',
      [
        [x, hose],
        [x + 3, -hose],
      ],
      false,
    )
  }
  for (const [port, look, sign] of [
    [a, lookA, 1],
    [b, lookB, -1],
  ] as const) {
    const x = (u: number) => port.pose.origin[0] + sign * u
    const top = look.stations.map((s): Point => [x(s.u), s.outer])
    draw('outline', [...top, ...[...look.stations].reverse().map((s): Point => [x(s.u), -s.outer])], true)
    draw('section', [...top, ...[...look.stations].reverse().map((s): Point => [x(s.u), s.inner])], true)
    for (const line of look.lines)
      draw(
        'detail',
        line.map(([u, r]) => [x(u), r] as const),
        false,
      )
  }
}

/**
 * The half-section of a part in its own frame, generated from its ports. Drawn length of a connector is that of
 * its ports' poses: pass one shortened with `shortened`.
 */
export function partShapes(id: string, fitting: Fitting): Shape[] {
  const shapes: Shape[] = []
  const draw: Draw = (role, points, closed, layer = 'part', suffix = '') =>
    shapes.push({ id: id + suffix, layer, role, points, closed, material: fitting.material })
  const [a, b] = fitting.ports as [Port, Port]
  if (fitting.family.endsWith('stop')) stopBody(fitting, a, b, draw)
  else if (fitting.family === 'supply-connector') connectorBody(a, b, draw)
  else straightBody(fitting, a, b, draw)
  for (const port of [a, b]) {
    const look = endLook(port)
    for (const captive of look.captives)
      for (const side of [1, -1])
        draw(
          side === 1 ? 'section' : 'outline',
          captive.points.map(([u, r]) => endToPart(port, u, side * r)),
          true,
          'captive',
          `/${port.id}/${captive.name}`,
        )
    for (const seal of look.seals)
      for (const side of [1, -1])
        draw(
          'fill',
          seal.map(([u, r]) => endToPart(port, u, side * r)),
          true,
          'seal',
          `/${port.id}/seal`,
        )
  }
  return shapes
}

/** A part whose ports are moved together along its axis, for hoses and long pieces drawn with a break. */
export function shortened(fitting: Fitting, lengthMm: number): Fitting {
  const [a, b] = fitting.ports as [Port, Port]
  const half = lengthMm / 2
  return {
    ...fitting,
    ports: [
      { ...a, pose: { ...a.pose, origin: [-half, 0, 0] } },
      { ...b, pose: { ...b.pose, origin: [half, 0, 0] } },
    ],
  }
}
