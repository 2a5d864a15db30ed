import { SOLVENT_TRAPS } from '../catalog/solventFittings'
import { WASTE_TRAPS } from '../catalog/trapSizes'
import type { Fitting, Port } from '../catalog/types'
import { overlapping } from './overlap'
import { type EndLook, endLook, type Station } from './profile'
import { branchTailBody, twoBowlsBody } from './sinkShapes'
import type { Draw, Point, Shape } from './types'
import { circle } from './wall/paths'

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
  const first = lookA.stations.map((s) => ({ ...s, u: ax + s.u }))
  const second = [...lookB.stations].reverse().map((s) => ({ ...s, u: bx - s.u }))
  const stations =
    ax + lookA.length > bx - lookB.length
      ? overlapping([a, first], [b, second])
      : [
          ...first,
          ...(fitting.family === 'supply-connector' ? [] : middle(fitting, lookA, lookB, ax, bx)),
          ...second,
        ]
  const aside = slant(a, b, lookA, lookB)
  const along = (s: Station, r: number): Point => [s.u, aside(s.u) + r]
  const top = stations.map((s) => along(s, s.outer))
  const bottom = [...stations].reverse().map((s) => along(s, -s.outer))
  const bore = [...stations].reverse().map((s) => along(s, s.inner))
  draw('outline', [...top, ...bottom], true)
  draw('section', [...top, ...bore], true)
  for (const [port, look] of [
    [a, lookA],
    [b, lookB],
  ] as const)
    for (const line of look.lines)
      draw(
        'detail',
        line.map(
          ([u, r]) => [port === a ? ax + u : bx - u, aside(port === a ? ax + u : bx - u) + r] as const,
        ),
        false,
      )
}

/** How far aside the middle of a body lies along it: between its ends it slants from the one's to the other's. */
function slant(a: Port, b: Port, lookA: EndLook, lookB: EndLook): (x: number) => number {
  const [from, to] = [a.pose.origin[0] + lookA.length, b.pose.origin[0] - lookB.length]
  const [low, high] = [a.pose.origin[1], b.pose.origin[1]]
  return (x) =>
    to > from ? low + (high - low) * Math.min(1, Math.max(0, (x - from) / (to - from))) : x < to ? low : high
}

const SMOOTH: ReadonlySet<Fitting['family']> = new Set([
  'reducing-coupling',
  'coupling',
  'slip-coupling',
  'repair-coupling',
  'fitting-reducer',
  'pan-connector',
])

function middle(fitting: Fitting, a: EndLook, b: EndLook, ax: number, bx: number): Station[] {
  const from = ax + a.length
  const to = bx - b.length
  if (to - from < 0.5) return []
  const lastA = a.stations.at(-1) as Station
  const lastB = b.stations.at(-1) as Station
  const bore = Math.min(lastA.inner, lastB.inner) * 0.94
  if (fitting.family === 'tube-piece') return []
  // a throat from the hub up beneath the plate, which stands aside of it
  if (fitting.shiftMm && fitting.family === 'closet-flange')
    return [
      { u: from + 0.1, outer: lastA.outer, inner: Math.min(lastA.inner, lastA.outer - 5) },
      { u: to - 0.1, outer: Math.max(lastA.outer - 12, lastB.inner + 7), inner: lastB.inner },
    ]
  const big = bodyRadius(a, b)
  const hex = fitting.family === 'nipple' ? Math.min(lastA.outer, lastB.outer) : big
  const smooth = SMOOTH.has(fitting.family)
  if (smooth)
    return [
      { u: from + 0.2, outer: lastA.outer, inner: bore },
      { u: to - 0.2, outer: lastB.outer, inner: bore },
    ]
  if (fitting.family === 'dielectric-union' || fitting.family === 'union') {
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

/** One end with its neck up to the middle of the body. */
function drawArm(port: Port, look: EndLook, radius: number, draw: Draw): void {
  const reach = Math.hypot(port.pose.origin[0], port.pose.origin[1])
  const last = look.stations.at(-1) as Station
  const inner = last.inner * 0.9
  const neck = Math.min(last.outer, radius * 0.92)
  const stations: Station[] = [
    ...look.stations,
    { u: look.length + 0.1, outer: neck, inner },
    { u: Math.max(reach, look.length + 0.2), outer: neck, inner },
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

const ring = (radius: number, at: Point = [0, 0], points = 28): Point[] =>
  Array.from({ length: points }, (_, index): Point => {
    const angle = (index / points) * 2 * Math.PI
    return [at[0] + radius * Math.cos(angle), at[1] + radius * Math.sin(angle)]
  })

const box = (x1: number, y1: number, x2: number, y2: number): Point[] => [
  [x1, y1],
  [x2, y1],
  [x2, y2],
  [x1, y2],
]

/** Elbows, tees and whatever else is arms that meet: each end reaches to the middle, a knuckle covers where they meet. */
function armsBody(fitting: Fitting, draw: Draw): void {
  const looks = fitting.ports.map((port) => [port, endLook(port)] as const)
  const radius = Math.max(...looks.map(([, look]) => (look.stations.at(-1) as Station).outer))
  if (fitting.family === 'drop-ear-elbow')
    // ears to screw to the framing, with their holes
    for (const side of [1, -1]) {
      draw('outline', box(-4, side * radius * 0.6, 3, side * (radius + 17)), true)
      draw('detail', ring(2.4, [-0.5, side * (radius + 11)], 12), true)
    }
  if (fitting.ports.length === 2) bend(looks, radius, draw)
  else for (const [port, look] of looks) drawArm(port, look, radius, draw)
}

/** A bend between two ends: one outline, round on the outside. */
function bend(looks: readonly (readonly [Port, EndLook])[], neck: number, draw: Draw): void {
  const [[a, lookA], [b, lookB]] = looks as [readonly [Port, EndLook], readonly [Port, EndLook]]
  const turn = Math.atan2(b.pose.axis[1], b.pose.axis[0])
  const straight = Math.min(
    ...looks.map(([port, look]) => Math.hypot(port.pose.origin[0], port.pose.origin[1]) - look.length),
  )
  // as round as the body leaves room for
  const round = Math.min(neck * 1.15, Math.max(0, straight) / Math.tan(turn / 2))
  const centre: Point = [-round * Math.tan(turn / 2), round]
  const arc = (radius: number): Point[] =>
    Array.from({ length: 9 }, (_, index): Point => {
      const angle = (index / 8) * turn
      return [centre[0] + radius * Math.sin(angle), centre[1] - radius * Math.cos(angle)]
    })
  const side = (port: Port, look: EndLook, sign: 1 | -1) =>
    look.stations.map((s) => endToPart(port, s.u, sign * s.outer))
  // short arms meet inside the corner: there each ends
  const sides = [upTo(side(a, lookA, 1), turn, 1), upTo(side(b, lookB, 1), turn, -1)] as const
  const outsides = [upTo(side(a, lookA, -1), turn, 1), upTo(side(b, lookB, -1), turn, -1)] as const
  const meets = sides.some(({ cut }) => cut)
  const outer = outsides.some(({ cut }) => cut) ? [] : arc(round + neck)
  const inner = meets ? [] : round > neck ? arc(round - neck) : [corner(turn, neck)]
  draw(
    'outline',
    [
      ...sides[0].points,
      ...inner,
      ...[...sides[1].points].reverse(),
      ...outsides[1].points,
      ...[...outer].reverse(),
      ...[...outsides[0].points].reverse(),
    ],
    true,
  )
  for (const [index, [port, look]] of looks.entries()) {
    const at = (u: number, r: number) => endToPart(port, u, r)
    const own = index === 0 ? 1 : -1
    const wall = (key: 'outer' | 'inner') =>
      upTo(
        look.stations.map((s) => at(s.u, s[key])),
        turn,
        own,
      ).points
    draw('section', [...wall('outer'), ...[...wall('inner')].reverse()], true)
    for (const line of look.lines)
      draw(
        'detail',
        line.map(([u, r]) => at(u, r)),
        false,
      )
  }
}

/**
 * A side of an arm from its mouth inward, as far as the line on which both arms' inner corners lie.
 *
 * @param own on which side of that line the arm's mouth is: 1 for the first, -1 for the second
 */
function upTo(points: readonly Point[], turn: number, own: 1 | -1): { points: Point[]; cut: boolean } {
  const beyond = ([x, y]: Point) => -own * (-Math.tan(turn / 2) * y - x)
  const kept: Point[] = []
  for (const point of points) {
    const last = kept.at(-1)
    if (beyond(point) <= 0 || !last) {
      kept.push(point)
      continue
    }
    const [from, to] = [beyond(last), beyond(point)]
    const share = from / (from - to)
    kept.push([last[0] + share * (point[0] - last[0]), last[1] + share * (point[1] - last[1])])
    return { points: kept, cut: true }
  }
  return { points: kept, cut: false }
}

/** Where the inner sides of two arms meet. */
function corner(turn: number, neck: number): Point {
  return [-neck * Math.tan(turn / 2), neck]
}

/** Valves that stand in a line: the body, a ball seen through, and the lever along the pipe. */
function valveBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const lookA = endLook(a)
  const lookB = endLook(b)
  const radius = Math.max(bodyRadius(lookA, lookB) + 3, 10)
  const stem = radius + 6
  draw('outline', box(-3.5, 0, 3.5, stem), true)
  draw(
    'outline',
    [
      [-5, stem],
      [-5, stem + 5],
      [34, stem + 8],
      [36, stem + 4],
      [8, stem],
    ],
    true,
  )
  drawArm(a, lookA, radius, draw)
  drawArm(b, lookB, radius, draw)
  draw('outline', ring(radius), true)
  draw('detail', ring(radius * 0.6), true)
  if (fitting.heatSensitive)
    draw(
      'detail',
      [
        [-radius * 0.6, 0],
        [radius * 0.6, 0],
      ],
      false,
    )
}

/** A bib on a wall: a flange, a wheel on its spindle, and the hose thread. The frost-free kind has a long stem. */
function bibBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const lookA = endLook(a)
  const lookB = endLook(b)
  const radius = Math.max(bodyRadius(lookA, lookB), 11)
  const outX = b.pose.origin[0]
  const body = outX - lookB.length - 14
  const stem = fitting.family === 'frost-free-bib' ? 8 : radius * 0.7
  const inX = a.pose.origin[0] + lookA.length
  draw('outline', box(inX, -stem, body, stem), true)
  draw('outline', box(body - radius - 6, -radius - 9, body - radius - 3, radius + 9), true)
  // spindle and wheel lean back from the hose
  draw('outline', box(body - 3, radius * 0.5, body + 3, radius + 13), true)
  draw('outline', box(body - 16, radius + 13, body + 16, radius + 19), true)
  for (const x of [-9, -3, 3, 9])
    draw(
      'detail',
      [
        [body + x, radius + 13],
        [body + x, radius + 19],
      ],
      false,
    )
  drawEnd(a, lookA, draw)
  drawEnd(b, lookB, draw)
  draw('outline', ring(radius, [body, 0]), true)
}

/** One end alone, without a neck. */
function drawEnd(port: Port, look: EndLook, draw: Draw): void {
  const at = (u: number, r: number) => endToPart(port, u, r)
  const top = look.stations.map((s) => at(s.u, s.outer))
  draw('outline', [...top, ...[...look.stations].reverse().map((s) => at(s.u, -s.outer))], true)
  draw('section', [...top, ...[...look.stations].reverse().map((s) => at(s.u, s.inner))], true)
  for (const line of look.lines)
    draw(
      'detail',
      line.map(([u, r]) => at(u, r)),
      false,
    )
}

/** A bend that turns the drain up, a tee on it with the trap at its side, a riser and the louvred head of a valve that admits air. */
function ventBody(_fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const [lookA, lookB] = [endLook(a), endLook(b)]
  const r = a.diameterMm / 2
  const hub = r + 4
  const [left, low] = [a.pose.origin[0] + lookA.length, a.pose.origin[1]]
  const round = -left - 2
  const arc = (radius: number): Point[] =>
    Array.from({ length: 13 }, (_, index): Point => {
      const angle = -Math.PI / 2 + (Math.PI / 2) * (index / 12)
      return [-round + radius * Math.cos(angle), low + round + radius * Math.sin(angle)]
    })
  // one sweep from the stub up to the tee
  draw(
    'outline',
    [[left, low - r], ...arc(round + r), [r, -hub], [-r, -hub], ...arc(round - r).reverse(), [left, low + r]],
    true,
  )
  const side = b.pose.origin[0] - lookB.length
  ventTee(r, side, (x, y) => [x, y], draw)
  drawEnd(a, lookA, draw)
  drawEnd(b, lookB, draw)
}

/** The same standing on what comes up out of the floor. */
function ventRiserBody(_fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const [lookA, lookB] = [endLook(a), endLook(b)]
  const r = a.diameterMm / 2
  draw('outline', box(a.pose.origin[0] + lookA.length, -r, -r - 4, r), true)
  // up is along the line here, and the side looks to the right of it
  ventTee(r, -b.pose.origin[1] - lookB.length, (x, y) => [y, -x], draw)
  drawEnd(a, lookA, draw)
  drawEnd(b, lookB, draw)
}

/** A tee upright, its side out to so far, and the valve on its riser; `at` lays out what is aside of it and over it. */
function ventTee(r: number, side: number, at: (aside: number, over: number) => Point, draw: Draw): void {
  const hub = r + 4
  const top = hub + 40
  const drawBox = (x1: number, y1: number, x2: number, y2: number) =>
    draw(
      'outline',
      box(x1, y1, x2, y2).map(([x, y]) => at(x, y)),
      true,
    )
  const across = (y: number, half: number, bow = 0) =>
    draw(
      'detail',
      bow ? [at(-half, y - bow), at(0, y + bow), at(half, y - bow)] : [at(-half, y), at(half, y)],
      false,
    )
  drawBox(-r, hub * 0.5, r, top)
  drawBox(-hub, -hub - 14, hub, hub + 14)
  drawBox(hub - 1, -r - 2, side, r + 2)
  for (const y of [-hub - 4, hub + 4]) across(y, hub)
  // longer than it is drawn
  for (const y of [top - 8, top - 4]) across(y, r + 3, 1.5)
  const [head, foot] = [r + 9, top + 6]
  const brim = foot + 26
  drawBox(-r - 3, top, r + 3, foot)
  draw(
    'outline',
    [
      at(-head, foot),
      at(-head, brim - 6),
      at(-head * 0.6, brim),
      at(head * 0.6, brim),
      at(head, brim - 6),
      at(head, foot),
    ],
    true,
  )
  for (const y of [4, 8, 12, 16]) across(foot + y, head)
}

/** A tee whose branch ends in a plug with a square head: its mouth is as wide as the run. */
function cleanoutBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const look = endLook(a)
  const { outer, inner } = look.stations.at(-1) as Station
  const mouth = outer * 1.45
  straightBody(fitting, a, b, draw)
  draw('outline', box(-outer, outer * 0.9, outer, mouth), true)
  draw('outline', box(-outer - 3, mouth, outer + 3, mouth + 6), true)
  for (const y of [0.25, 0.5, 0.75])
    draw(
      'detail',
      [
        [-inner, outer + (mouth - outer) * y],
        [inner, outer + (mouth - outer) * y],
      ],
      false,
    )
  draw('outline', box(-outer * 0.3, mouth + 6, outer * 0.3, mouth + 6 + outer * 0.4), true)
}

/** What a neck between two mouths is drawn of, as a share of the hub. */
const NECK = 0.9
/** How much of a leg its sweep takes where the end would take all. */
const SWEPT = 0.4

/** The side of a tee or a wye, behind the run: swept down the flow, leaning up it, or brought square by a bend. */
function branchBody(fitting: Fitting, draw: Draw): void {
  const [a, b, c] = fitting.ports as [Port, Port, Port]
  const look = endLook(c)
  const hub = (look.stations.at(-1) as Station).outer
  const half = hub * NECK
  const [x, y] = c.pose.origin
  // a plain end is drawn longer than its leg: then its sweep begins where one of a hub would
  const behind = y - look.length
  const mitre = half * Math.tan(Math.PI / 8)
  const lean = half * Math.SQRT1_2
  const run = (endLook(a).stations.at(-1) as Station).outer * NECK
  const top = behind > run ? behind : run + (y - run) * SWEPT
  // from the tip of a leaning hub back into it
  const back = (look.length + 1) * Math.SQRT1_2
  const neck: Record<string, () => Point[]> = {
    'sanitary-tee': () => [
      [-half, 0],
      [-half, top],
      [half, top],
      // round to the run, as what falls in turns down it
      ...Array.from({ length: 7 }, (_, at): Point => {
        const angle = (at / 6) * (Math.PI / 2)
        return [half + hub * (1 - Math.cos(angle)), top - (top - run) * Math.sin(angle)]
      }),
    ],
    wye: () => [
      [lean, lean],
      [x + back + lean, y - back + lean],
      [x + back - lean, y - back - lean],
      [-lean, -lean],
    ],
    'wye-eighth': () => [
      [lean, lean],
      [x + half, -x + mitre],
      [x + half, top],
      [x - half, top],
      [x - half, -x - mitre],
      [-lean, -lean],
    ],
  }
  const beside = fitting.ports[3]
  draw('outline', neck[fitting.family]?.() ?? [], true)
  drawEnd(c, look, draw)
  if (beside && beside.pose.axis[1] < 0) {
    draw(
      'outline',
      (neck[fitting.family]?.() ?? []).map(([px, py]): Point => [px, -py]),
      true,
    )
    drawEnd(beside, endLook(beside), draw)
  }
  straightBody(fitting, a, b, draw)
  if (beside && beside.pose.axis[2] !== 0) inletBody(beside, draw)
}

/** A side inlet on end: its hub and its mouth where it looks here, its hub in dashes where it is behind the body. */
function inletBody(inlet: Port, draw: Draw): void {
  const { outer, inner } = endLook(inlet).stations.at(-1) as Station
  const [x, y] = inlet.pose.origin
  const hub = circle([x, y], outer)
  if (inlet.pose.axis[2] < 0) {
    draw('line', hub, true, 'part', '', { dashed: true })
    return
  }
  draw('outline', hub, true)
  draw('outline', circle([x, y], inner), true)
  draw('detail', circle([x, y], (inner + outer) / 2), true)
}

/** A cap closes over the end, a plug goes into it with a square head to turn it by. */
function closedBody(fitting: Fitting, a: Port, draw: Draw): void {
  const look = endLook(a)
  const last = look.stations.at(-1) as Station
  drawEnd(a, look, draw)
  const x = a.pose.origin[0] + look.length
  if (fitting.family === 'plug') draw('outline', box(x, -last.outer * 0.5, x + 9, last.outer * 0.5), true)
  else
    draw(
      'section',
      [
        [x, last.outer],
        [x + 2.5, last.outer],
        [x + 4.5, last.outer * 0.7],
        [x + 4.5, -last.outer * 0.7],
        [x + 2.5, -last.outer],
        [x, -last.outer],
      ],
      true,
    )
}

/** Slots round the body let air in when water would be drawn back. */
function ventLines(a: Port, b: Port, draw: Draw): void {
  const x = (a.pose.origin[0] + b.pose.origin[0]) / 2
  for (const dx of [-4, 0, 4])
    draw(
      'detail',
      [
        [x + dx, -6],
        [x + dx, -12],
      ],
      false,
    )
}

function stopBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const lookA = endLook(a)
  const lookB = endLook(b)
  const radius = Math.max(bodyRadius(lookA, lookB), 9)
  const angled = fitting.family !== 'straight-stop'
  const arm = (port: Port, look: EndLook) => drawArm(port, look, radius, draw)
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

/** How round a wall tube turns down, and how far its legs reach below before the bend: a seal of two inches. */
const TRAP_CORNER_MM = 30
const TRAP_LEG_MM = 40

/** A tubular trap: the wall tube, down its leg, round the bend, up to the nut; and the water that stands in it. */
function trapBody(fitting: Fitting, a: Port, b: Port, draw: Draw): void {
  const r = a.diameterMm / 2
  const wall = 1.8
  const swing = fitting.layingMm
  const half = swing / 2
  const corner = TRAP_CORNER_MM
  const bottom = corner + TRAP_LEG_MM
  // both edges of a tube of that radius along its middle, from the wall to the mouth
  const edge = (off: number): Point[] => {
    const turnAt = (centre: Point, radius: number, from: number, to: number): Point[] =>
      Array.from({ length: 25 }, (_, index): Point => {
        const angle = from + ((to - from) * index) / 24
        return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)]
      })
    return [
      [a.pose.origin[0], off],
      ...turnAt([-swing - corner, -corner], corner + off, Math.PI / 2, 0),
      ...turnAt([-half, -bottom], half - off, Math.PI, 2 * Math.PI),
      [-off, b.pose.origin[1] - 4],
    ]
  }
  draw('outline', [...edge(r), ...edge(-r).reverse()], true)
  draw('detail', edge(r - wall), false)
  draw('detail', edge(wall - r), false)
  // the nut between the wall tube and the bend
  const nutAt = -corner - 12
  draw('outline', box(-swing - r - 6, nutAt - 14, -swing + r + 6, nutAt), true)
  for (const share of [-0.5, 0, 0.5])
    draw(
      'detail',
      [
        [-swing + share * (r + 6), nutAt - 14],
        [-swing + share * (r + 6), nutAt],
      ],
      false,
    )
  // it stands up to the weir, on both sides of the bend
  for (const dy of [0, 5, 10])
    draw(
      'detail',
      [
        [-r + wall + dy / 2, -r - dy],
        [r - wall - dy / 2, -r - dy],
      ],
      false,
    )
  drawEnd(b, endLook(b), draw)
}

/** From the middle of a trap's inlet to that of its outlet leg, mm. */
const swingOf = ({ nominal }: Port) =>
  WASTE_TRAPS.find(([_, size]) => size === nominal)?.[2] ??
  (SOLVENT_TRAPS.find(([size]) => size === nominal)?.[1] ?? 0) * 25.4

/** A trap in one piece: its outlet's mouth at the height of its weir, and the water that stands in it. */
function oneTrapBody({ opens }: Fitting, a: Port, b: Port, draw: Draw): void {
  const r = a.diameterMm / 2
  const wall = 3.5
  const swing = swingOf(a)
  const half = swing / 2
  const corner = r + 12
  const bottom = corner + TRAP_LEG_MM
  const look = endLook(a)
  const from = a.pose.origin[0] + look.length
  const arc = (centre: Point, radius: number, begin: number, stop: number): Point[] =>
    Array.from({ length: 25 }, (_, index): Point => {
      const angle = begin + ((stop - begin) * index) / 24
      return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)]
    })
  const edge = (off: number): Point[] => [
    [from, off],
    ...arc([-swing - corner, -corner], corner + off, Math.PI / 2, 0),
    ...arc([-half, -bottom], half - off, Math.PI, 2 * Math.PI),
    [-off, b.pose.origin[1] - 4],
  ]
  draw('outline', [...edge(r + wall), ...edge(-r - wall).reverse()], true)
  draw('detail', edge(r), false)
  draw('detail', edge(-r), false)
  if (opens === 'union') trapNut([-swing, -corner - TRAP_LEG_MM / 2], r + wall, draw)
  if (opens === 'cleanout') trapPlug([-half, -bottom - half - r - wall], draw)
  for (const dy of [0, 6, 12])
    draw(
      'detail',
      [
        [-r + 2 + dy / 2, -r - dy],
        [r - 2 - dy / 2, -r - dy],
      ],
      false,
    )
  drawEnd(a, look, draw)
  drawEnd(b, endLook(b), draw)
}

/** The nut that draws the bend of a trap to its outlet leg, with its wings. */
function trapNut([x, y]: Point, r: number, draw: Draw): void {
  const [half, out, lug] = [11, r + 7, r + 13]
  const side = (sign: number): Point[] => [
    [x + sign * out, y - half],
    [x + sign * out, y - 4],
    [x + sign * lug, y - 4],
    [x + sign * lug, y + 4],
    [x + sign * out, y + 4],
    [x + sign * out, y + half],
  ]
  draw('outline', [...side(1), ...side(-1).reverse()], true)
  for (const dy of [-half / 2, half / 2])
    draw(
      'detail',
      [
        [x - out, y + dy],
        [x + out, y + dy],
      ],
      false,
    )
}

/** A boss under the bend of a trap, and the square head of the plug in it. */
function trapPlug([x, y]: Point, draw: Draw): void {
  const box = (half: number, top: number, low: number): Point[] => [
    [x - half, y + top],
    [x + half, y + top],
    [x + half, y + low],
    [x - half, y + low],
  ]
  draw('outline', box(17, 3, -8), true)
  draw('outline', box(9, -8, -17), true)
}

/** A pipe that stands open: the hose hooks over its rim, with air round it. */
function standpipeBody(_fitting: Fitting, a: Port, draw: Draw): void {
  const r = a.diameterMm / 2
  const x = a.pose.origin[0]
  const top = x + STANDPIPE_DRAWN_MM
  draw('outline', box(x, -r, top, r), true)
  draw('section', box(x, r - 4, top, r), true)
  const hose = 9
  const crook = (radius: number): Point[] =>
    Array.from({ length: 13 }, (_, index): Point => {
      const angle = (index / 12) * Math.PI
      return [top + 8 + radius * Math.sin(angle), -r - 8 + hose + 2 + radius * Math.cos(angle)]
    })
  draw(
    'detail',
    [[top - 34, crook(26)[0]?.[1] ?? 0], ...crook(26), [top - 60, crook(26).at(-1)?.[1] ?? 0]],
    false,
  )
  draw(
    'detail',
    [[top - 34, crook(12)[0]?.[1] ?? 0], ...crook(12), [top - 60, crook(12).at(-1)?.[1] ?? 0]],
    false,
  )
}
export const STANDPIPE_DRAWN_MM = 120

type Body = (fitting: Fitting, a: Port, b: Port, draw: Draw) => void
const arms: Body = (fitting, _a, _b, draw) => armsBody(fitting, draw)
/** A bend; one that is unfolded onto its line has the body of a coupling. */
const elbow: Body = (fitting, a, b, draw) =>
  b.pose.axis[0] === 1
    ? straightBody({ ...fitting, family: 'coupling' }, a, b, draw)
    : armsBody(fitting, draw)
const branches: Body = (fitting, _a, _b, draw) => branchBody(fitting, draw)
const twoBowls: Body = (fitting, a, b, draw) =>
  twoBowlsBody(fitting, a, b, draw, (port) => drawEnd(port, endLook(port), draw))
const closed: Body = (fitting, a, _b, draw) => closedBody(fitting, a, draw)

/** Families that are more than two ends in line. */
const BODIES: Partial<Record<Fitting['family'], Body>> = {
  'angle-stop': stopBody,
  'straight-stop': stopBody,
  'washing-valve': stopBody,
  'dual-stop': (fitting, a, b, draw) => {
    stopBody(fitting, a, b, draw)
    for (const port of fitting.ports.slice(2)) drawArm(port, endLook(port), 9, draw)
  },
  'isolating-valve': valveBody,
  'hose-bib': bibBody,
  'frost-free-bib': bibBody,
  'supply-connector': (_fitting, a, b, draw) => connectorBody(a, b, draw),
  'elbow-90': elbow,
  'elbow-45': elbow,
  'drain-bend': elbow,
  'pan-bend': arms,
  'street-elbow-90': arms,
  'street-elbow-45': arms,
  'drop-ear-elbow': arms,
  tee: arms,
  'slip-tee': arms,
  'sanitary-tee': branches,
  wye: branches,
  'wye-eighth': branches,
  cap: closed,
  'tubular-trap': trapBody,
  'p-trap': oneTrapBody,
  'compression-trap': oneTrapBody,
  standpipe: (fitting, a, _b, draw) => standpipeBody(fitting, a, draw),
  plug: closed,
  'cleanout-tee': cleanoutBody,
  'vent-tee': ventBody,
  'vent-riser': ventRiserBody,
  'centre-waste': twoBowls,
  'end-waste': twoBowls,
  'disposer-waste': twoBowls,
  'branch-tail': (_fitting, a, b, draw) =>
    branchTailBody(a, b, draw, (port) => drawEnd(port, endLook(port), draw)),
  'vacuum-breaker': (fitting, a, b, draw) => {
    straightBody(fitting, a, b, draw)
    ventLines(a, b, draw)
  },
}

/**
 * The half-section of a part in its own frame, generated from its ports. Drawn length of a connector is that of
 * its ports' poses: pass one shortened with `shortened`.
 */
export function partShapes(id: string, fitting: Fitting): Shape[] {
  const shapes: Shape[] = []
  const draw: Draw = (role, points, closed, layer = 'part', suffix = '', more = {}) => {
    shapes.push({ id: id + suffix, layer, role, points, closed, material: fitting.material, ...more })
  }
  const [a, b] = fitting.ports as [Port, Port]
  ;(BODIES[fitting.family] ?? straightBody)(fitting, a, b, draw)
  for (const port of fitting.ports) {
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
  const half = lengthMm / 2
  return {
    ...fitting,
    ports: fitting.ports.map((port, index) => ({
      ...port,
      pose: { ...port.pose, origin: [index === 0 ? -half : half, 0, 0] },
    })),
  }
}
