import { bodyKind } from '../assembly/bodies/kinds'
import { closes, type Mouth } from '../assembly/bodies/types'
import type { EndRef } from '../assembly/end'
import { opensRun } from '../assembly/oldJoints/removals'
import { end } from '../catalog/ends'
import { type Fitting, type Port, turnedBy, turnOf } from '../catalog/types'
import { CoreFault } from '../fault'
import { type Dimension, layOut } from '../fitup/layout'
import type { MateOption } from '../mate/types'
import { markedInPlace } from '../record/inPlace'
import { goesInside } from '../record/pan'
import { beginsInHub } from '../record/trapped'
import { pipeById } from '../reference/pipes'
import { formatLength } from '../units/formatLength'
import type { LengthUnit } from '../units/types'
import { assemble } from './assemble'
import { drawCutDimensions, SEAMS_MM } from './cutDimensions'
import {
  dimensionGhosts,
  drawFarPipe,
  drawFloor,
  drawGhost,
  drawStub,
  drawWall,
  type Ghost,
  IN_WALL_MM,
} from './oldEnd'
import { partShapes } from './partShapes'
import { placeOnto, placeShape } from './place'
import { endLook } from './profile'
import { Sheet } from './sheet'
import type { Point, Scene } from './types'

export interface DrawRequest {
  /** The pipe that was found; null while it is still a belief. */
  readonly pipeId: string | null
  /** Outside diameters still possible, for the blurred outline. */
  readonly outline?: readonly Ghost[]
  readonly option?: MateOption | null
  /** What it ends at; nothing is drawn where the line is itself the end. */
  readonly to?: Pick<Mouth, 'kind' | 'ends'> | null
  readonly stubMm?: number | null
  readonly plateMm?: number
  /** The pipe is a run that will be cut open: it stands in no wall. */
  readonly run?: boolean
  /** It comes up out of the floor. */
  readonly rises?: boolean
  readonly unit: LengthUnit
  /** Width it will be shown at, px: sets the size of lettering. */
  readonly widthPx?: number
  /** Height it will be shown at, px. */
  readonly heightPx?: number
  /** Which things to add: dimensions of the cut, captive parts drawn waiting on the pipe. */
  readonly stage?: 'find' | 'fixture' | 'mate' | 'cut' | 'make' | 'prove'
  /** What was measured along the line; drawn where it is cut. */
  readonly dimensions?: readonly Dimension[]
  /** Finest fraction of an inch that is written. */
  readonly denominator?: 16 | 32
}

const WAITING_MM = 9
/** From that diameter on a number stands clear of the body by it, mm. */
const WIDE_MM = 40
/** Ends of bowls: of fired clay. */
/** What is drawn last of the parts. */
const SLEEVES: ReadonlySet<string> = new Set(['shielded-coupling', 'flexible-coupling'])
const BOWLS: ReadonlySet<string> = new Set(['closet-outlet', 'pan-spigot'])
/** How far the number of a joint on wide pipe stands out at least, mm. */
const clearOf = ({ diameterMm }: { readonly diameterMm: number }) =>
  diameterMm > WIDE_MM ? diameterMm / 2 + 8 : 0

/** Where numbers stand beside a bowl and its floor, mm. */
const BESIDE_BOWL_MM = 152
/** From the floor to the first joint of what comes up out of it, as it is drawn before it is measured, mm. */
const RISES_MM = 110
/** Numbers beside what stands take so much room side by side, in heights of a letter. */
const BESIDE = 5
/** So much of an old pipe’s end an adapter that is kept stands over, mm. */
const NUT_MM = 30

/**
 * The end of a body that stands at one side of the line: of the fixture, far side of the gap, with the deck it stands
 * on, or of what is new where the line begins.
 */
function drawBodyEnd(sheet: Sheet, id: 'fixture' | 'begin', wanted: EndRef, at: Point, axis: Point): void {
  const port: Port = {
    ...end(wanted.form, wanted.system, wanted.nominal, wanted.material),
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
      placeShape(place, {
        id,
        layer: 'part',
        role,
        points,
        closed: true,
        material: BOWLS.has(wanted.form) ? 'clay' : 'brass',
      }),
    )
  // its one seal, under the foot
  for (const seal of id === 'fixture' && wanted.form === 'closet-outlet' ? look.seals : [])
    for (const side of [1, -1])
      sheet.shapes.push(
        placeShape(place, {
          id,
          layer: 'seal',
          role: 'fill',
          points: seal.map(([u, r]): Point => [u, side * r]),
          closed: true,
        }),
      )
  // a bowl stands on the floor, which is drawn by itself
  if (id === 'begin' || wanted.form === 'closet-outlet') return
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

/**
 * The joint line: a half-section from the wall to the fixture, to scale but for hoses, which are broken.
 *
 * @returns a scene in millimetres, y upward, with semantic ids on every shape
 * @throws CoreFault naming a part or pipe that is in no table
 */
export function drawJointLine(request: DrawRequest): Scene {
  const { option, unit, stage = 'find' } = request
  const format = { unit, ...(request.denominator ? { denominator: request.denominator } : {}) }
  const sheet = new Sheet()
  const pipe = request.pipeId ? pipeById(request.pipeId) : undefined
  if (request.pipeId && !pipe) throw new CoreFault('no-pipe', { id: request.pipeId }, ['pipeId'])
  const plateMm = request.plateMm ?? 0
  // what comes up out of the floor comes up as high as a trap hangs, while nobody has measured it
  const usual = risesUp(request) ? RISES_MM : 8
  // what lies under the floor and turns up to it is drawn lying
  const lies = liesBelow(request)
  const upright = standsOn(request) && !lies
  // a hub that stays lies somewhere out from the wall: its rim is what is measured from
  const inHub = !standsOn(request) && option !== null && option !== undefined && beginsInHub(option)
  const open = inHub || (option && markedInPlace(option))
  const measuredMm = open ? null : (option?.leavesStubMm ?? request.stubMm)
  const stubMm = measuredMm ?? (option ? option.needsStubMm + usual : 45)
  const largest = Math.max(pipe?.odMm ?? 0, ...(request.outline ?? []).map((entry) => entry.odMm), 16)
  // a drain that comes up out of the floor stands too
  const rises = risesUp(request)
  const falls = fallsDown(request)
  const stands = upright || rises || falls
  // a chain from one end to another stands in no wall, nor does a run that is cut open, nor what comes up to a floor
  if (rises) drawFloor(sheet, [0, 0], largest / 2 + 10)
  // of a hub that stays nobody knows how it lies to the wall
  else if (!standsOn(request) && !request.run && !inHub && (!option || (pipe && !opensRun(option.removalId))))
    drawWall(sheet, largest / 2 + 14, plateMm || (option ? 3 : 0), 0)
  const first = option?.joints[0]
  // a chain that begins at an end that is there; of one chosen long ago its thread or tube is all that is known
  const begins = option?.beginsAt
  if (pipe && begins) drawStub(sheet, pipe.odMm, pipe.wallMm, Math.max(5, stubMm - NUT_MM), pipe.material)
  else if (pipe) drawStub(sheet, pipe.odMm, pipe.wallMm, stubMm, pipe.material)
  if (begins) drawBodyEnd(sheet, 'begin', begins, [stubMm, 0], [-1, 0])
  else if (pipe) {
    // drawn above
  } else if (first) drawStub(sheet, first.diameterMm, first.diameterMm * 0.1, stubMm, first.tubeMaterial)
  else if (request.outline && request.outline.length > 0) drawGhost(sheet, request.outline, stubMm)
  else drawGhost(sheet, [{ odMm: 15.875, weight: 0.02 }], stubMm)

  if (option) {
    const layout =
      stage === 'cut'
        ? layOut({
            chain: option,
            // what begins at the new valve has no wall behind it that a tape could be held to
            stubMm: pipe && !opensRun(option.removalId) && measuredMm !== null ? stubMm : null,
            dimensions: request.dimensions ?? [],
          })
        : null
    const lengths = new Map(
      layout?.pieces.flatMap(({ part, cutMm }) => (cutMm === null ? [] : [[part, cutMm] as const])),
    )
    const assembly = assemble(option, stubMm, lengths)
    const unfolded: number[] = []
    // a sleeve lies over the end that it takes, a fitting's too
    const overOthers = ({ fitting }: (typeof assembly.parts)[number]) => Number(SLEEVES.has(fitting.family))
    const inOrder = [...assembly.parts.entries()].sort(([, a], [, b]) => overOthers(a) - overOthers(b))
    for (const [index, { fitting, placement }] of inOrder) {
      const turned = isTurned(fitting, option.parts[index]?.inPort ?? 0)
      for (const drawn of partShapes(`part:${index}`, falls ? fromBehind(fitting) : fitting)) {
        const shape = turned ? { ...drawn, points: drawn.points.map(([x, y]): Point => [x, -y]) } : drawn
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
      // unfolded onto the line, it says what it turns by
      if (fitting.ports[1]?.pose.axis[0] === 1 && turnOf(fitting.family) > 0) unfolded.push(index)
    }
    const [wanted] = request.to?.ends ?? []
    if (wanted) drawBodyEnd(sheet, 'fixture', wanted, assembly.end.at, assembly.end.axis)
    if (upright || lies) drawFloor(sheet, assembly.end.at, largest / 2 + 10, assembly.end.axis)
    if (pipe && opensRun(option.removalId)) drawFarPipe(sheet, pipe, assembly.end.at, assembly.end.axis)
    const bounds = sheet.bounds(0)
    // dimensions still to come below take about a quarter of the height
    const text = textSize(bounds.maxX - bounds.minX, (bounds.maxY - bounds.minY) * 1.25, request)
    for (const index of unfolded)
      sheet.texts.push({
        id: `part:${index}`,
        layer: 'label',
        at: assembly.places.get(`part:${index}:centre`) ?? [0, 0],
        text: `${turnOf(option.parts[index]?.family ?? 'coupling')}°`,
        sizeMm: text,
        anchor: 'middle',
      })
    assembly.seams.forEach((seam, index) => {
      const across: Point = [-seam.axis[1], seam.axis[0]]
      // beside what is drawn there, on the floor clear of the bowl
      const joint = option.joints[index]
      const clear = joint ? clearOf(joint) : 0
      const beside = upright || (lies && Math.abs(seam.axis[1]) > 0.5)
      const reach = (beside ? BESIDE_BOWL_MM : Math.max(SEAMS_MM, clear)) + text
      // numbers stand above the run and to the right of the riser; dimensions have the room below, or right of what rises
      const side = rises || seam.axis[0] > 0.5 ? 1 : -1
      const place = (out: number): Point => [
        seam.at[0] + across[0] * out * side,
        seam.at[1] + across[1] * out * side,
      ]
      let far = reach
      // two joints may lie on one another: the next number stands further out
      while (sheet.seams.some(({ label: [x, y] }) => near([x, y], place(far), text * (beside ? 1.3 : 0.8))))
        far += text * 1.4
      const label = place(far)
      sheet.line(`seam:${index}`, 'label', [seam.at, place(reach - text * 0.9)], { role: 'detail' })
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
    // what stays is not cut
    if (
      first &&
      !goesInside(option) &&
      (stage === 'cut' || stage === 'make') &&
      pipe &&
      !(begins && upright)
    ) {
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
        formatLength(first.maxMm, { ...format, quantity: 'insertion-mark' }),
        size,
      )
      const at = inHub
        ? null
        : sheet.dimension(
            'stub',
            [0, -r],
            [stubMm, -r],
            -13 - size * (stands ? BESIDE : 2.2),
            // what is drawn as it might be has no number
            measuredMm == null ? '?' : formatLength(stubMm, { ...format, quantity: 'piece-to-remove' }),
            size,
          )
      if (at) sheet.dimensions.push({ id: 'dimension:stub', from: 'wall', to: 'stub', at, state: 'given' })
    }
    if (layout)
      drawCutDimensions(
        sheet,
        assembly,
        layout,
        request.dimensions ?? [],
        format,
        text * 1.05,
        first && pipe ? 2 : 0,
        (pipe?.odMm ?? first?.diameterMm ?? 0) / 2,
        stands ? BESIDE : 2.2,
        Math.max(SEAMS_MM, ...option.joints.map(clearOf)),
      )
  } else {
    const text = textSize(150, Math.max(110, largest + 40), request)
    if (!pipe && request.outline && request.outline.length > 0 && stage === 'find')
      dimensionGhosts(sheet, request.outline, stubMm, unit, text)
    if (request.to) {
      // what closes a pipe stands right before it
      const lid = bodyKind(request.to.kind ?? '')?.ports.some(({ route }) => closes(route))
      const far: Point = lid ? [stubMm + 12, 0] : stands ? [stubMm + 50, 0] : [stubMm + 46, 70]
      const [wanted] = request.to.ends
      if (wanted) drawBodyEnd(sheet, 'fixture', wanted, far, stands ? [1, 0] : [0, 1])
      if (upright) drawFloor(sheet, far, largest / 2 + 10)
      sheet.line(
        'gap',
        'dimension',
        lid
          ? [
              [far[0], largest / 2],
              [far[0], -largest / 2],
            ]
          : [
              [stubMm + 2, 0],
              [far[0], 0],
              [far[0], far[1] - 2],
            ],
        { dashed: true },
      )
      sheet.texts.push({
        id: 'gap',
        layer: 'dimension',
        at: lid ? [far[0] + 6, -text * 0.6] : stands ? [stubMm + 20, -8] : [far[0] + 5, 26],
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
  if (stands) sheet.stand(falls ? 'down' : 'up')
  return {
    // a trap's riser has its numbers beside it too
    bounds: sheet.bounds(
      5,
      stands || lies || (option?.parts.some(({ family }) => family === 'p-trap') ?? false),
    ),
    shapes: sheet.shapes,
    texts: sheet.texts,
    seams: sheet.seams,
    dimensions: sheet.dimensions,
    title: pipe ? 'Joint line' : 'Joint line, pipe not yet known',
  }
}

/** A part as who looks from its other side sees it: what is drawn down its stack is drawn as in a mirror. */
const fromBehind = (fitting: Fitting): Fitting => ({
  ...fitting,
  ports: fitting.ports.map((port) => {
    const [x, y, z] = port.pose.axis
    return { ...port, pose: { ...port.pose, axis: [x, y, -z] as const } }
  }),
})

/** Whether a straight part of a drain stands the other way round: its cut half, and its plug, stay on one side all the same. */
const isTurned = ({ ports }: Fitting, inPort: number) =>
  inPort === 1 && ports[0]?.medium === 'drain' && ports[1]?.pose.axis[0] === 1

const near = ([x, y]: Point, [a, b]: Point, mm: number) => Math.hypot(x - a, y - b) < mm

/** Whether the line comes up to what stands on the floor: it is drawn standing. */
const standsOn = ({ to }: Pick<DrawRequest, 'to'>) =>
  to?.ends.some(({ form }) => form === 'closet-outlet') ?? false

/** Whether its pipe lies under the floor and turns up to what stands there. */
const liesBelow = ({ to, option }: Pick<DrawRequest, 'to' | 'option'>) =>
  standsOn({ to }) && turnedBy(option?.parts ?? []) === 90

/** Whether the line comes up out of the floor; a way with a trap, chosen before that was said, hangs from a wall. */
function risesUp({ rises = false, option }: Pick<DrawRequest, 'rises' | 'option'>): boolean {
  const families = option?.parts.map(({ family }) => family) ?? []
  return families.includes('vent-riser') || (rises && !families.some((family) => family.endsWith('trap')))
}

/** Whether the line runs down a stack: a sanitary tee stands in upright pipe alone. */
const fallsDown = ({ option }: Pick<DrawRequest, 'option'>): boolean =>
  option?.parts.some(({ family }) => family === 'sanitary-tee') ?? false

/** Lettering that is 14 px high where it is shown, in millimetres of the drawing. */
function textSize(widthMm: number, heightMm: number, request: DrawRequest): number {
  const { widthPx = 360, heightPx = 400 } = request
  if ((standsOn(request) && !liesBelow(request)) || risesUp(request) || fallsDown(request))
    return 14 * Math.max(heightMm / widthPx, widthMm / heightPx)
  return 14 * Math.max(widthMm / widthPx, heightMm / heightPx)
}
