import type { LengthUnit } from '../units/types'
import type { Sheet } from './sheet'
import type { Point } from './types'

/** An outside diameter that is still possible, and how likely it is. */
export interface Ghost {
  readonly odMm: number
  readonly weight: number
}

/** How much of the pipe is drawn behind the face of the wall, mm. */
export const IN_WALL_MM = 16

export function drawWall(sheet: Sheet, halfHeight: number, plateMm: number, plateAtMm: number): void {
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

/** How far to each side a floor is drawn, mm. */
const FLOOR_MM = 150

/**
 * A finished floor that a line comes up through, on both sides of the hole it comes up in.
 *
 * @param up which way is up where it is drawn: along the line before it is stood up, or across a line that lies
 */
export function drawFloor(sheet: Sheet, [x, y]: Point, hole: number, up: Point = [1, 0]): void {
  const [ux, uy] = up
  /** A place so far out on the floor, and so far over it. */
  const at = (out: number, over: number): Point => [x + ux * over - uy * out, y + uy * over + ux * out]
  for (const side of [1, -1]) {
    sheet.line('wall', 'wall', [at(side * hole, 0), at(side * FLOOR_MM, 0)])
    for (let out = hole; out < FLOOR_MM; out += 8)
      sheet.line('wall', 'wall', [at(side * out, 0), at(side * out + 7, -7)], { role: 'detail' })
  }
}

export function drawStub(
  sheet: Sheet,
  odMm: number,
  wallMm: number,
  lengthMm: number,
  material: string,
): void {
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

/** As much of a run's other side as is drawn, mm. */
const FAR_PIPE_MM = 60

/** The other side of a run that is cut open, on from where the chain ends and the way it points there. */
export function drawFarPipe(
  sheet: Sheet,
  pipe: { odMm: number; wallMm: number; material: string },
  at: Point,
  [x, y]: Point,
): void {
  const r = pipe.odMm / 2
  const place = (along: number, across: number): Point => [
    at[0] + along * x - across * y,
    at[1] + along * y + across * x,
  ]
  const between = (outer: number, inner: number) => [
    place(0, outer),
    place(FAR_PIPE_MM, outer),
    place(FAR_PIPE_MM, inner),
    place(0, inner),
  ]
  const common = { id: 'pipe:far', layer: 'pipe', closed: true, material: pipe.material } as const
  sheet.shapes.push({ ...common, role: 'outline', points: between(r, -r) })
  sheet.shapes.push({ ...common, role: 'section', points: between(r, r - pipe.wallMm) })
}

/** The belief, drawn: every diameter still possible, each as strong as its probability. */
export function drawGhost(sheet: Sheet, outline: readonly Ghost[], lengthMm: number): void {
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
export function dimensionGhosts(
  sheet: Sheet,
  outline: readonly Ghost[],
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
