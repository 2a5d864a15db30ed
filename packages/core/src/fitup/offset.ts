import { type Fit, impossible } from './reason'
import { add, cross, degrees, dot, length, minus, radians, rotate, scale, unit, type Vec3 } from './vector'

/** Angles that bends are made in, degrees. An eleventh and a quarter is made for drains only, and not everywhere. */
export const BEND_ANGLES = [11.25, 22.5, 45, 60, 90] as const

/** A bend as it counts in an offset. */
export interface Bend {
  /** By how much it turns the run, degrees. */
  readonly angleDegrees: number
  /** From its middle to the end of the pipe in it, mm: at the side of the run, and at the side of the travel. */
  readonly takeOutMm: readonly [number, number]
}

export interface OffsetAsk {
  /** Sideways, square to the run, mm. */
  readonly rollMm: number
  /** Up, square to the run and to the roll, mm. */
  readonly riseMm: number
  /** Angle of both bends, degrees. */
  readonly angleDegrees: number
}

export interface Offset {
  /** From line to line, mm. */
  readonly setMm: number
  /** Along the run, from bend to bend, mm. */
  readonly runMm: number
  /** From the middle of one bend to the middle of the other, mm. */
  readonly travelMm: number
  /** How far the plane of the offset is turned out of the flat, degrees. */
  readonly rollDegrees: number
}

/**
 * An offset of two equal bends: set = √(roll² + rise²), travel = set / sin θ, run = set / tan θ. Simple where roll or
 * rise is nothing.
 *
 * Source: right triangles.
 */
export function offset({ rollMm, riseMm, angleDegrees }: OffsetAsk): Fit<Offset> {
  if (!(angleDegrees > 0 && angleDegrees <= 90)) return impossible('offset.angle', { angle: angleDegrees })
  const setMm = Math.hypot(rollMm, riseMm)
  if (setMm === 0) return impossible('offset.none')
  const angle = radians(angleDegrees)
  return {
    ok: true,
    setMm,
    travelMm: setMm / Math.sin(angle),
    // the tangent of a right angle is no number to divide by
    runMm: angleDegrees === 90 ? 0 : setMm / Math.tan(angle),
    rollDegrees: degrees(Math.atan2(Math.abs(riseMm), Math.abs(rollMm))),
  }
}

/**
 * The piece between two bends: travel less what both take.
 *
 * @param least what of the piece goes into both bends, mm: a shorter one cannot be made
 */
export function travelPiece(
  travelMm: number,
  first: Bend,
  second: Bend,
  leastMm: number,
): Fit<{ readonly cutMm: number }> {
  const cutMm = travelMm - first.takeOutMm[1] - second.takeOutMm[0]
  return cutMm < leastMm
    ? impossible('offset.too-close', { shortMm: leastMm - cutMm, cutMm: Math.max(0, cutMm) })
    : { ok: true, cutMm }
}

/**
 * What two bends make when the second is turned out of the plane of the first:
 * cos γ = cos α cos β − sin α sin β cos φ, φ = 0 where both turn the same way.
 *
 * Source: spherical law of cosines.
 *
 * @returns the angle between the runs before and behind, degrees
 */
export function resultingAngle(first: number, second: number, turnedDegrees: number): number {
  const [a, b, phi] = [radians(first), radians(second), radians(turnedDegrees)]
  const cos = Math.cos(a) * Math.cos(b) - Math.sin(a) * Math.sin(b) * Math.cos(phi)
  return degrees(Math.acos(Math.max(-1, Math.min(1, cos))))
}

/**
 * How far to turn the second bend so that both make an angle together; none where no turn does.
 *
 * @param wantedDegrees between the runs, degrees
 */
export function turnFor(
  first: number,
  second: number,
  wantedDegrees: number,
): Fit<{ readonly turnedDegrees: number }> {
  const [a, b, wanted] = [radians(first), radians(second), radians(wantedDegrees)]
  const cos = (Math.cos(a) * Math.cos(b) - Math.cos(wanted)) / (Math.sin(a) * Math.sin(b))
  if (cos < -1 - 1e-12)
    return impossible('offset.angle-too-small', { least: Math.abs(first - second), wanted: wantedDegrees })
  if (cos > 1 + 1e-12)
    return impossible('offset.angle-too-large', { most: first + second, wanted: wantedDegrees })
  return { ok: true, turnedDegrees: degrees(Math.acos(Math.max(-1, Math.min(1, cos)))) }
}

/** Two lines that do not meet, as they are measured: where each ends and which way it points. */
export interface Misalignment {
  readonly fromAt: Vec3
  readonly fromAxis: Vec3
  readonly toAt: Vec3
  /** The way the run goes on behind the offset. */
  readonly toAxis: Vec3
}

/** Two bends and a piece that join two lines. */
export interface BendPair {
  readonly first: number
  readonly second: number
  /** Middle of each bend. */
  readonly at: readonly [Vec3, Vec3]
  readonly travelMm: number
  /** Straight pipe before the first bend and behind the second, mm: negative where a line must be cut back. */
  readonly beforeMm: number
  readonly behindMm: number
  /** The second turned out of the plane of the first, degrees. */
  readonly turnedDegrees: number
  /** By how much the two bends miss the angles they are made in, degrees: the pieces have to give so much. */
  readonly missDegrees: number
}

/** No line is followed further than this from its end, mm: a bend that far away is no bend of this offset. */
const FAR_MM = 3000

/**
 * The pairs of bends that join two lines, the best first. The middles of the bends slide along the two lines. Where
 * the lines pass each other there is one place on each at which both angles come out exactly; where they are parallel
 * or in one plane, one end stays and the other place follows from one of the angles. Each pair takes the place with
 * the least miss, then the shortest pipe. Closed form; cost O(pairs of angles).
 *
 * @param angles that bends are made in, degrees
 * @param mostDegrees how far the pieces can give; pairs that miss by more are left out
 */
export function bendPairs(
  lines: Misalignment,
  angles: readonly number[] = BEND_ANGLES,
  mostDegrees = 2,
): BendPair[] {
  const found = angles.flatMap((first) =>
    angles.flatMap((second) => bendPair(lines, first, second, mostDegrees) ?? []),
  )
  return found.sort(byMiss)
}

/** The best place of one pair of bends between two lines; null where it misses by more than the pieces can give. */
export function bendPair(
  { fromAt, fromAxis, toAt, toAxis }: Misalignment,
  first: number,
  second: number,
  mostDegrees = 2,
): BendPair | null {
  const d0 = unit(fromAxis)
  const d2 = unit(toAxis)
  const between = minus(toAt, fromAt)
  const cosines = [Math.cos(radians(first)), Math.cos(radians(second))] as const
  const places: (readonly [number, number])[] = [...passing(between, d0, d2, cosines)]
  // the first end stays, and the second place follows from either angle; then the other way about
  for (const t of [...slide(between, d2, d0, cosines[0]), ...slide(between, d2, d2, cosines[1])])
    places.push([0, t])
  for (const s of [
    ...slide(between, scale(d0, -1), d0, cosines[0]),
    ...slide(between, scale(d0, -1), d2, cosines[1]),
  ])
    places.push([s, 0])
  const pairs = places.flatMap(([s, t]): BendPair[] => {
    if (Math.abs(s) > FAR_MM || Math.abs(t) > FAR_MM) return []
    const from = add(fromAt, scale(d0, s))
    const to = add(toAt, scale(d2, t))
    const travel = minus(to, from)
    const travelMm = length(travel)
    if (travelMm < 1e-6) return []
    const d1 = scale(travel, 1 / travelMm)
    const missDegrees = Math.abs(angle(d0, d1) - first) + Math.abs(angle(d1, d2) - second)
    const planes = [cross(d0, d1), cross(d1, d2)] as const
    const flat = planes.some((normal) => length(normal) < 1e-9)
    return [
      {
        first,
        second,
        at: [from, to],
        travelMm,
        beforeMm: s,
        behindMm: -t,
        turnedDegrees: flat ? 0 : angle(planes[0], planes[1]),
        missDegrees,
      },
    ]
  })
  const best = pairs.sort(byMiss)[0]
  return best && best.missDegrees <= mostDegrees ? best : null
}

/** A hundredth of a degree is no miss: then the shorter way goes first. */
function byMiss(a: BendPair, b: BendPair): number {
  const miss = Math.round(a.missDegrees * 100) - Math.round(b.missDegrees * 100)
  const pipe = (pair: BendPair) => pair.travelMm + Math.abs(pair.beforeMm) + Math.abs(pair.behindMm)
  return miss || pipe(a) - pipe(b)
}

function angle(a: Vec3, b: Vec3): number {
  // by the tangent: the cosine is blind near nothing and near a half turn
  return degrees(Math.atan2(length(cross(a, b)), dot(a, b)))
}

/** How far along a line the travel makes an angle of that cosine with a direction: (b + t·along)·e = |b + t·along| cos. */
function slide(b: Vec3, along: Vec3, e: Vec3, cos: number): number[] {
  const [be, ae, ba, bb] = [dot(b, e), dot(along, e), dot(b, along), dot(b, b)]
  const k = cos * cos
  const roots = quadratic(ae * ae - k, 2 * (be * ae - k * ba), be * be - k * bb)
  return roots.filter((t) => be + t * ae >= -1e-9)
}

function quadratic(a: number, b: number, c: number): number[] {
  const inside = b * b - 4 * a * c
  if (inside < -1e-9) return []
  // in this form a straight line has its one root too, and the other is at infinity
  const root = Math.sqrt(Math.max(0, inside))
  const both = -(b < 0 ? b - root : b + root) / 2
  return [both / a, c / both].filter(Number.isFinite)
}

/**
 * Lines that pass each other at a distance: the travel L(cos α, cos β) against both, its part along their common
 * normal being that distance, fixes both places.
 */
function passing(
  between: Vec3,
  d0: Vec3,
  d2: Vec3,
  [cosA, cosB]: readonly [number, number],
): (readonly [number, number])[] {
  const c = dot(d0, d2)
  const sin2 = 1 - c * c
  if (sin2 < 1e-9) return []
  const apart = Math.abs(dot(between, unit(cross(d0, d2))))
  const inPlane = (cosA * cosA + cosB * cosB - 2 * c * cosA * cosB) / sin2
  if (inPlane >= 1 || apart < 1e-9) return []
  const travel = apart / Math.sqrt(1 - inPlane)
  const part = (one: number, other: number) => (one - c * other) / sin2
  const [b0, b2] = [dot(between, d0), dot(between, d2)]
  return [[part(b0, b2) - travel * part(cosA, cosB), travel * part(cosB, cosA) - part(b2, b0)]]
}

/** A run through two bends in space, for checks: direction behind both, from the angles and the turn alone. */
export function directionBehind(first: number, second: number, turnedDegrees: number): Vec3 {
  const d0: Vec3 = [1, 0, 0]
  const n1: Vec3 = [0, 0, 1]
  const d1 = rotate(d0, n1, radians(first))
  const n2 = rotate(n1, d1, radians(turnedDegrees))
  return rotate(d1, n2, radians(second))
}
