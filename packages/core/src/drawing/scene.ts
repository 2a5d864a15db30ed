import { fittingById } from '../catalog/families'
import { fixtureById } from '../catalog/fixtures'
import type { Fitting, Port } from '../catalog/types'
import type { MateOption } from '../mate/types'
import { pipeById } from '../reference/pipes'
import { formatLength } from '../units/formatLength'
import type { LengthUnit } from '../units/types'
import { partShapes, shortened } from './partShapes'
import { type Placement, placeOnto, placePoint, placeShape, turn } from './place'
import { endLook } from './profile'
import type { Bounds, Point, Scene, SceneText, SeamMark, Shape } from './types'

export interface DrawRequest {
  /** The pipe that was found; null while it is still a belief. */
  readonly pipeId: string | null
  /** Outside diameters still possible, for the blurred outline. */
  readonly outline?: readonly { readonly odMm: number; readonly weight: number }[]
  readonly option?: MateOption | null
  readonly fixtureId?: string | null
  readonly stubMm?: number | null
  readonly plateMm?: number
  readonly unit: LengthUnit
  /** Width it will be shown at, px: sets the size of lettering. */
  readonly widthPx?: number
  /** Height it will be shown at, px. */
  readonly heightPx?: number
  /** Which things to add: dimensions of the cut, captive parts drawn waiting on the pipe. */
  readonly stage?: 'find' | 'fixture' | 'mate' | 'cut' | 'make' | 'prove'
}

const HOSE_DRAWN_MM = 64
const IN_WALL_MM = 16
const WAITING_MM = 9

class Sheet {
  readonly shapes: Shape[] = []
  readonly texts: SceneText[] = []
  readonly seams: SeamMark[] = []

  bounds(margin: number): Bounds {
    const points = [...this.shapes.flatMap((shape) => shape.points), ...this.texts.map((text) => text.at)]
    const xs = points.map(([x]) => x)
    const ys = points.map(([, y]) => y)
    return {
      minX: Math.min(...xs) - margin,
      maxX: Math.max(...xs) + margin,
      minY: Math.min(...ys) - margin,
      maxY: Math.max(...ys) + margin,
    }
  }

  line(id: string, layer: Shape['layer'], points: readonly Point[], extra: Partial<Shape> = {}): void {
    this.shapes.push({ id, layer, role: 'line', points, closed: false, ...extra })
  }

  /** A dimension with end ticks, and its number beside the middle. */
  dimension(id: string, from: Point, to: Point, offset: number, text: string, size: number): void {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
    const length = Math.hypot(dx, dy) || 1
    const normal: Point = [(-dy / length) * offset, (dx / length) * offset]
    const a: Point = [from[0] + normal[0], from[1] + normal[1]]
    const b: Point = [to[0] + normal[0], to[1] + normal[1]]
    const key = `dimension:${id}`
    this.line(key, 'dimension', [from, a], { role: 'detail' })
    this.line(key, 'dimension', [to, b], { role: 'detail' })
    this.line(key, 'dimension', [a, b])
    for (const [x, y] of [a, b])
      this.line(key, 'dimension', [
        [x - 1.6, y - 1.6],
        [x + 1.6, y + 1.6],
      ])
    const vertical = Math.abs(dy) > Math.abs(dx)
    const side = Math.sign(offset) || 1
    this.texts.push({
      id: key,
      layer: 'dimension',
      at: vertical
        ? [(a[0] + b[0]) / 2 - side * size * 0.5 * Math.sign(dy || 1), (a[1] + b[1]) / 2]
        : [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + side * size * (side > 0 ? 0.45 : 1.1)],
      text,
      sizeMm: size,
      anchor: vertical ? 'end' : 'middle',
    })
  }
}

function drawWall(sheet: Sheet, halfHeight: number, plateMm: number, plateAtMm: number): void {
  const face: Point[] = [
    [0, halfHeight],
    [0, -halfHeight],
  ]
  sheet.line('wall', 'wall', face)
  for (let y = -halfHeight; y < halfHeight; y += 4)
    sheet.line(
      'wall',
      'wall',
      [
        [0, y + 4],
        [-4, y],
      ],
      { role: 'detail' },
    )
  if (plateMm > 0)
    for (const side of [1, -1])
      sheet.shapes.push({
        id: 'plate',
        layer: 'captive',
        role: 'outline',
        closed: true,
        points: [
          [plateAtMm, side * halfHeight * 0.36],
          [plateAtMm + plateMm * 0.4, side * halfHeight * 0.74],
          [plateAtMm, side * halfHeight * 0.78],
        ],
      })
}

function drawStub(sheet: Sheet, odMm: number, wallMm: number, lengthMm: number, material: string): void {
  const r = odMm / 2
  sheet.shapes.push({
    id: 'pipe:stub',
    layer: 'pipe',
    role: 'outline',
    closed: true,
    material,
    points: [
      [-IN_WALL_MM, r],
      [lengthMm, r],
      [lengthMm, -r],
      [-IN_WALL_MM, -r],
    ],
  })
  sheet.shapes.push({
    id: 'pipe:stub',
    layer: 'pipe',
    role: 'section',
    closed: true,
    material,
    points: [
      [-IN_WALL_MM, r],
      [lengthMm, r],
      [lengthMm, r - wallMm],
      [-IN_WALL_MM, r - wallMm],
    ],
  })
  sheet.line(
    'pipe:axis',
    'pipe',
    [
      [-IN_WALL_MM - 4, 0],
      [lengthMm + 4, 0],
    ],
    { role: 'detail', dashed: true },
  )
}

/** The other side of a run that is cut open. */
function drawFarPipe(
  sheet: Sheet,
  pipe: { odMm: number; wallMm: number; material: string },
  at: Point,
): void {
  const r = pipe.odMm / 2
  const [from, to] = [at[0], at[0] + 60]
  const common = { id: 'pipe:far', layer: 'pipe', closed: true, material: pipe.material } as const
  sheet.shapes.push({
    ...common,
    role: 'outline',
    points: [
      [from, at[1] + r],
      [to, at[1] + r],
      [to, at[1] - r],
      [from, at[1] - r],
    ],
  })
  sheet.shapes.push({
    ...common,
    role: 'section',
    points: [
      [from, at[1] + r],
      [to, at[1] + r],
      [to, at[1] + r - pipe.wallMm],
      [from, at[1] + r - pipe.wallMm],
    ],
  })
}

/** The belief, drawn: every diameter still possible, each as strong as its probability. */
function drawGhost(sheet: Sheet, outline: NonNullable<DrawRequest['outline']>, lengthMm: number): void {
  for (const { odMm, weight } of outline.slice(0, 12)) {
    const r = odMm / 2
    sheet.shapes.push({
      id: `ghost:${odMm.toFixed(2)}`,
      layer: 'ghost',
      role: 'fill',
      closed: true,
      opacity: Math.min(0.85, 0.12 + weight * 0.7),
      points: [
        [-IN_WALL_MM, r],
        [lengthMm, r],
        [lengthMm, -r],
        [-IN_WALL_MM, -r],
      ],
    })
    for (const side of [1, -1])
      sheet.line(
        `ghost:${odMm.toFixed(2)}`,
        'ghost',
        [
          [-IN_WALL_MM, side * r],
          [lengthMm, side * r],
        ],
        {
          opacity: Math.min(1, 0.2 + weight),
        },
      )
    sheet.line(
      `ghost:${odMm.toFixed(2)}`,
      'ghost',
      [
        [lengthMm, r],
        [lengthMm, -r],
      ],
      {
        opacity: Math.min(1, 0.2 + weight),
      },
    )
  }
}

/** Diameters as a caliper shows them: thousandths of an inch, or tenths of a millimetre. */
function diameterText(odMm: number, unit: LengthUnit): string {
  return unit === 'in' ? `${(odMm / 25.4).toFixed(3)} in` : `${odMm.toFixed(1)} mm`
}

/** How many diameters are written beside the belief, and how likely they must be. */
const WRITTEN = 3
const WRITTEN_FROM = 0.06

/** The likeliest diameters, dimensioned beside the end: the likelier, the nearer and the stronger. */
function dimensionGhosts(
  sheet: Sheet,
  outline: NonNullable<DrawRequest['outline']>,
  lengthMm: number,
  unit: LengthUnit,
  text: number,
): void {
  outline
    .filter(({ weight }, index) => index === 0 || weight >= WRITTEN_FROM)
    .slice(0, WRITTEN)
    .forEach(({ odMm, weight }, index) => {
      const r = odMm / 2
      const x = lengthMm + text * (1 + index * 5.4)
      const id = `dimension:ghost:${odMm.toFixed(2)}`
      const opacity = Math.min(1, 0.35 + weight)
      for (const side of [1, -1])
        sheet.line(
          id,
          'dimension',
          [
            [lengthMm, side * r],
            [x + text * 0.4, side * r],
          ],
          { role: 'detail', opacity },
        )
      sheet.line(
        id,
        'dimension',
        [
          [x, r],
          [x, -r],
        ],
        { opacity },
      )
      sheet.texts.push({
        id,
        layer: 'dimension',
        at: [x + text * 0.4, -text * 0.35],
        text: diameterText(odMm, unit),
        sizeMm: text,
        anchor: 'start',
      })
    })
}

/** The threaded tail or the hose end of the fixture, far side of the gap. */
function drawFixture(sheet: Sheet, fixtureId: string, at: Point, axis: Point): void {
  const fixture = fixtureById(fixtureId)
  const wanted = fixture?.ports[0]
  if (!wanted) return
  const port: Port = {
    ...wanted,
    id: 'a',
    pose: { origin: [0, 0, 0], axis: [-1, 0, 0], rollDegrees: 0 },
  }
  const look = endLook(port)
  const place = placeOnto(at, axis, port, 0)
  const reach = look.length + 10
  const last = look.stations.at(-1)
  const stations = [...look.stations, { u: reach, outer: last?.outer ?? 8, inner: last?.inner ?? 4 }]
  const outline: Point[] = [
    ...stations.map((s): Point => [s.u, s.outer]),
    ...[...stations].reverse().map((s): Point => [s.u, -s.outer]),
  ]
  const deck = 26
  for (const [role, points] of [
    ['outline', outline],
    [
      'section',
      [
        ...stations.map((s): Point => [s.u, s.outer]),
        ...[...stations].reverse().map((s): Point => [s.u, s.inner]),
      ],
    ],
  ] as const)
    sheet.shapes.push(
      placeShape(place, { id: 'fixture', layer: 'part', role, points, closed: true, material: 'brass' }),
    )
  // the deck it stands on
  sheet.shapes.push(
    placeShape(place, {
      id: 'fixture:deck',
      layer: 'wall',
      role: 'line',
      closed: false,
      points: [
        [reach, deck],
        [reach, -deck],
      ],
    }),
  )
}

/** Where the chain goes: the placement of each part, and every seam with its middle. */
export interface Assembly {
  readonly parts: readonly { readonly fitting: Fitting; readonly placement: Placement }[]
  readonly seams: readonly { readonly at: Point; readonly axis: Point; readonly insertionMm: number }[]
  readonly end: { readonly at: Point; readonly axis: Point }
}

/**
 * Places a chain by its ports' poses, from the stub's end outward, every joint at full make-up.
 *
 * @param stubMm straight length from the wall to the stub's end
 */
export function assemble(option: MateOption, stubMm: number): Assembly {
  let at: Point = [stubMm, 0]
  let axis: Point = [1, 0]
  const parts: Assembly['parts'][number][] = []
  const seams: Assembly['seams'][number][] = []
  for (const joint of option.joints) {
    seams.push({
      at: [at[0] - (axis[0] * joint.maxMm) / 2, at[1] - (axis[1] * joint.maxMm) / 2],
      axis,
      insertionMm: joint.maxMm,
    })
    const chosen = option.parts[joint.to]
    if (!chosen) break
    const known = fittingById(chosen.fittingId)
    if (!known) throw new RangeError(`no part ${chosen.fittingId} in the catalogue`)
    const fitting =
      known.family === 'supply-connector' || (known.lengthMm?.min ?? 0) > HOSE_DRAWN_MM
        ? shortened(known, HOSE_DRAWN_MM)
        : known.family === 'tube-piece'
          ? shortened(known, pieceMm(option, joint.to))
          : known
    const port = fitting.ports[chosen.inPort] as Port
    const placement = placeOnto(at, axis, port, joint.maxMm)
    parts.push({ fitting, placement })
    const out = fitting.ports[chosen.outPort] as Port
    at = placePoint(placement, [out.pose.origin[0], out.pose.origin[1]])
    axis = turn(placement, [out.pose.axis[0], out.pose.axis[1]])
  }
  const last = option.joints.at(-1)
  const insertion = last && last.to >= option.parts.length ? last.maxMm : 0
  return { parts, seams, end: { at: [at[0] - axis[0] * insertion, at[1] - axis[1] * insertion], axis } }
}

/** A piece of tube as short as both joints and a hand's breadth of cutter allow: both insertions and 25 mm. */
export function pieceMm(option: MateOption, part: number): number {
  const into = option.joints.filter((joint) => joint.from === part || joint.to === part)
  return into.reduce((sum, joint) => sum + joint.maxMm, 0) + 25
}

/**
 * The joint line: a half-section from the wall to the fixture, to scale but for hoses, which are broken.
 *
 * @returns a scene in millimetres, y upward, with semantic ids on every shape
 * @throws RangeError naming a part or pipe that is in no table
 */
export function drawJointLine(request: DrawRequest): Scene {
  const { option, unit, stage = 'find' } = request
  const sheet = new Sheet()
  const pipe = request.pipeId ? pipeById(request.pipeId) : undefined
  if (request.pipeId && !pipe) throw new RangeError(`no pipe ${request.pipeId} in the tables`)
  const plateMm = request.plateMm ?? 0
  const stubMm = option?.leavesStubMm ?? request.stubMm ?? (option ? option.needsStubMm + 8 : 45)
  const largest = Math.max(pipe?.odMm ?? 0, ...(request.outline ?? []).map((entry) => entry.odMm), 16)
  // a chain from one end to another stands in no wall, nor does a run that is cut open
  if (!option || (pipe && option.removalId !== 'cut-open'))
    drawWall(sheet, largest / 2 + 14, plateMm || (option ? 3 : 0), 0)
  const first = option?.joints[0]
  if (pipe) drawStub(sheet, pipe.odMm, pipe.wallMm, stubMm, pipe.material)
  // a chain that begins at an end of something else: its thread or tube is all that is known of it
  else if (first) drawStub(sheet, first.diameterMm, first.diameterMm * 0.1, stubMm, first.tubeMaterial)
  else if (request.outline && request.outline.length > 0) drawGhost(sheet, request.outline, stubMm)
  else drawGhost(sheet, [{ odMm: 15.875, weight: 0.02 }], stubMm)

  if (option) {
    const assembly = assemble(option, stubMm)
    assembly.parts.forEach(({ fitting, placement }, index) => {
      for (const shape of partShapes(`part:${index}`, fitting)) {
        const waiting = stage === 'make' && shape.layer === 'captive'
        const moved = waiting
          ? {
              ...shape,
              points: shape.points.map(
                ([x, y]): Point => [x - (fitting.ports[0]?.id === 'a' ? WAITING_MM : 0), y],
              ),
            }
          : shape
        sheet.shapes.push(placeShape(placement, moved))
      }
    })
    if (request.fixtureId) drawFixture(sheet, request.fixtureId, assembly.end.at, assembly.end.axis)
    if (pipe && option.removalId === 'cut-open') drawFarPipe(sheet, pipe, assembly.end.at)
    const bounds = sheet.bounds(0)
    // dimensions still to come below take about a quarter of the height
    const text = textSize(bounds.maxX - bounds.minX, (bounds.maxY - bounds.minY) * 1.25, request)
    assembly.seams.forEach((seam, index) => {
      const across: Point = [-seam.axis[1], seam.axis[0]]
      const reach = 17 + text
      // numbers stand above the run and to the right of the riser; dimensions have the room below
      const side = seam.axis[0] > 0.5 ? 1 : -1
      const label: Point = [seam.at[0] + across[0] * reach * side, seam.at[1] + across[1] * reach * side]
      sheet.line(
        `seam:${index}`,
        'label',
        [
          seam.at,
          [
            seam.at[0] + across[0] * (reach - text * 0.9) * side,
            seam.at[1] + across[1] * (reach - text * 0.9) * side,
          ],
        ],
        { role: 'detail' },
      )
      sheet.seams.push({ id: `seam:${index}`, seam: index, at: seam.at, label })
      sheet.texts.push({
        id: `seam:${index}`,
        layer: 'label',
        at: label,
        text: String(index + 1),
        sizeMm: text * 1.1,
        anchor: 'middle',
      })
    })
    if (first && (stage === 'cut' || stage === 'make') && pipe) {
      const r = pipe.odMm / 2
      const markAt = stubMm - first.maxMm
      sheet.line('mark:insertion', 'mark', [
        [markAt, r + 3],
        [markAt, -r - 3],
      ])
      sheet.line(
        'mark:cut',
        'mark',
        [
          [stubMm, r + 6],
          [stubMm, -r - 6],
        ],
        { dashed: true },
      )
      const size = text * 1.05
      sheet.dimension(
        'insertion',
        [markAt, -r],
        [stubMm, -r],
        -13,
        formatLength(first.maxMm, { unit, quantity: 'insertion-mark' }),
        size,
      )
      sheet.dimension(
        'stub',
        [0, -r],
        [stubMm, -r],
        -13 - size * 2.2,
        formatLength(stubMm, { unit, quantity: 'piece-to-remove' }),
        size,
      )
    }
  } else {
    const text = textSize(150, Math.max(110, largest + 40), request)
    if (!pipe && request.outline && request.outline.length > 0 && stage === 'find')
      dimensionGhosts(sheet, request.outline, stubMm, unit, text)
    if (request.fixtureId) {
      const far: Point = [stubMm + 46, 70]
      drawFixture(sheet, request.fixtureId, far, [0, 1])
      sheet.line(
        'gap',
        'dimension',
        [
          [stubMm + 2, 0],
          [far[0], 0],
          [far[0], far[1] - 2],
        ],
        { dashed: true },
      )
      sheet.texts.push({
        id: 'gap',
        layer: 'dimension',
        at: [far[0] + 5, 26],
        text: '?',
        sizeMm: text * 1.6,
        anchor: 'start',
      })
    }
    if (request.stubMm != null && pipe)
      sheet.dimension(
        'stub',
        [0, -pipe.odMm / 2],
        [stubMm, -pipe.odMm / 2],
        -12,
        formatLength(stubMm, { unit }),
        text * 1.05,
      )
    // keep the scale steady while nothing is chosen
    sheet.line(
      'frame',
      'ghost',
      [
        [-IN_WALL_MM - 8, -22],
        [120, -22],
      ],
      { opacity: 0 },
    )
  }
  return {
    bounds: sheet.bounds(5),
    shapes: sheet.shapes,
    texts: sheet.texts,
    seams: sheet.seams,
    title: pipe ? 'Joint line' : 'Joint line, pipe not yet known',
  }
}

/** Lettering that is 14 px high where it is shown, in millimetres of the drawing. */
function textSize(widthMm: number, heightMm: number, { widthPx = 360, heightPx = 400 }: DrawRequest): number {
  return 14 * Math.max(widthMm / widthPx, heightMm / heightPx)
}
