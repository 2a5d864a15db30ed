import fc from 'fast-check'
import { evenly } from '../test/evenly'
import {
  BEND_ANGLES,
  bendPairs,
  directionBehind,
  offset,
  resultingAngle,
  travelPiece,
  turnFor,
} from './offset'
import { add, degrees, dot, length, minus, radians, rotate, scale, unit, type Vec3 } from './vector'

const sure = <T extends { ok: boolean }>(fit: T) => {
  if (!fit.ok) throw new Error(JSON.stringify(fit))
  return fit as Extract<T, { ok: true }>
}

/**
 * Constants of offsets as pipe fitters' handbooks print them: travel and run for a set of one. Recalled from the
 * common table; each is recomputed below by turning vectors.
 */
const CONSTANTS = [
  [60, 1.155, 0.577],
  // biome-ignore lint/suspicious/noApproximativeNumericConstant: as it is printed
  [45, 1.414, 1],
  [30, 2, 1.732],
  [22.5, 2.613, 2.414],
  [11.25, 5.126, 5.027],
] as const
/** Roll and rise whose set is a whole number: right triangles with whole sides. */
const TRIPLES = [
  [3, 4, 5],
  [5, 12, 13],
  [8, 15, 17],
  [7, 24, 25],
  [20, 21, 29],
  [9, 40, 41],
  [0, 10, 10],
  [16, 0, 16],
] as const

/** Travel and run by turning the direction of the run, with no sine of the angle: two legs that must meet the set. */
function byTurning(roll: number, rise: number, angle: number) {
  const run: Vec3 = [1, 0, 0]
  // the axis round which the bend turns is square to the run and to the way the offset goes
  const to = unit([0, roll, rise])
  const axis: Vec3 = [0, -to[2], to[1]]
  const leg = rotate(run, axis, radians(angle))
  const sideways = dot(leg, to)
  const travel = Math.hypot(roll, rise) / sideways
  return { travel, run: travel * leg[0] }
}

describe('offsets of two equal bends', () => {
  const cases = TRIPLES.flatMap(([roll, rise, set]) =>
    CONSTANTS.map(([angle, travel, run]) => [roll, rise, angle, set, set * travel, set * run] as const),
  )
  it.each(cases)('roll %p, rise %p, %p degrees', (rollMm, riseMm, angleDegrees, set, travel, run) => {
    const found = sure(offset({ rollMm, riseMm, angleDegrees }))
    expect(found.setMm).toBeCloseTo(set, 9)
    // the printed constants have three decimals
    expect(Math.abs(found.travelMm - travel)).toBeLessThanOrEqual(set * 0.0006)
    expect(Math.abs(found.runMm - run)).toBeLessThanOrEqual(set * 0.0006)
    const turned = byTurning(rollMm, riseMm, angleDegrees)
    expect(found.travelMm).toBeCloseTo(turned.travel, 9)
    expect(found.runMm).toBeCloseTo(turned.run, 9)
  })

  it('a square offset gains no run, and its travel is the set', () =>
    expect(sure(offset({ rollMm: 30, riseMm: 40, angleDegrees: 90 }))).toMatchObject({
      setMm: 50,
      travelMm: 50,
      runMm: 0,
    }))

  it.each([
    [10, 10, 45],
    [10, 0, 0],
    [0, 10, 90],
    [12, 9, 36.8699],
    [-12, 9, 36.8699],
    [4, 3, 36.8699],
    [5, 5 * Math.sqrt(3), 60],
  ])('roll %p and rise %p lie %p degrees out of the flat', (rollMm, riseMm, roll) =>
    expect(sure(offset({ rollMm, riseMm, angleDegrees: 45 })).rollDegrees).toBeCloseTo(roll, 4),
  )

  it('says what makes it impossible', () => {
    expect(offset({ rollMm: 0, riseMm: 0, angleDegrees: 45 })).toMatchObject({ ok: false })
    expect(offset({ rollMm: 5, riseMm: 0, angleDegrees: 0 })).toMatchObject({
      reason: { ruleId: 'offset.angle', parameters: { angle: 0 } },
    })
    expect(offset({ rollMm: 5, riseMm: 0, angleDegrees: Number.NaN })).toMatchObject({ ok: false })
    const bend = { angleDegrees: 45, takeOutMm: [20, 20] as const }
    expect(travelPiece(60, bend, bend, 30)).toMatchObject({
      ok: false,
      reason: { ruleId: 'offset.too-close', parameters: { shortMm: 10, cutMm: 20 } },
    })
    expect(sure(travelPiece(100, bend, bend, 30)).cutMm).toBe(60)
  })
})

describe('two bends turned out of plane', () => {
  it.each([
    [45, 45, 0, 90],
    [45, 45, 180, 0],
    [45, 45, 90, 60],
    [90, 90, 90, 90],
    [90, 90, 0, 180],
    [60, 60, 180, 0],
    [90, 45, 90, 90],
    [22.5, 22.5, 0, 45],
    [60, 60, 90, 75.5225],
    [30, 30, 90, 41.4096],
  ])('%p and %p turned by %p make %p degrees', (first, second, turned, together) => {
    expect(resultingAngle(first, second, turned)).toBeCloseTo(together, 3)
    const behind = directionBehind(first, second, turned)
    expect(degrees(Math.acos(behind[0]))).toBeCloseTo(together, 3)
  })

  it('agrees with turning vectors, and turning back finds the turn', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...BEND_ANGLES),
        fc.constantFrom(...BEND_ANGLES),
        evenly(1, 179),
        (first, second, turned) => {
          const together = resultingAngle(first, second, turned)
          const behind = directionBehind(first, second, turned)
          expect(together).toBeCloseTo(degrees(Math.acos(Math.max(-1, Math.min(1, behind[0])))), 5)
          expect(sure(turnFor(first, second, together)).turnedDegrees).toBeCloseTo(turned, 3)
        },
      ),
    ))

  it('says which angles two bends never make', () => {
    expect(turnFor(45, 45, 100)).toMatchObject({
      ok: false,
      reason: { ruleId: 'offset.angle-too-large', parameters: { most: 90 } },
    })
    expect(turnFor(90, 45, 30)).toMatchObject({
      ok: false,
      reason: { ruleId: 'offset.angle-too-small', parameters: { least: 45 } },
    })
  })
})

describe('the pair of bends that joins two lines', () => {
  const direction = fc.tuple(evenly(-1, 1), evenly(-1, 1), evenly(-1, 1)).filter((v) => length(v) > 0.2)

  it('for parallel lines is the plain offset', () => {
    for (const angle of [22.5, 45, 60]) {
      const pair = bendPairs({
        fromAt: [0, 0, 0],
        fromAxis: [1, 0, 0],
        toAt: [1000, 30, 40],
        toAxis: [1, 0, 0],
      }).find(({ first, second }) => first === angle && second === angle)
      const plain = sure(offset({ rollMm: 30, riseMm: 40, angleDegrees: angle }))
      expect(pair?.missDegrees).toBeCloseTo(0, 6)
      expect(pair?.travelMm).toBeCloseTo(plain.travelMm, 6)
      // one of the lines keeps its end; the other is run on for the rest
      expect(1000 - (pair?.beforeMm ?? 0) - (pair?.behindMm ?? 0)).toBeCloseTo(plain.runMm, 6)
    }
  })

  it('finds again what two bends in space have made, and turning it all in space changes no length', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(22.5, 45, 60, 90),
        fc.constantFrom(22.5, 45, 60, 90),
        evenly(25, 155),
        evenly(60, 900),
        direction,
        evenly(-3, 3),
        (first, second, turned, travel, axis, angle) => {
          const d0: Vec3 = [1, 0, 0]
          const d1 = rotate(d0, [0, 0, 1], radians(first))
          const bend2 = scale(d1, travel)
          const d2 = directionBehind(first, second, turned)
          const spin = (v: Vec3) => rotate(v, unit(axis), angle)
          const pairs = bendPairs(
            {
              fromAt: spin([-50, 0, 0]),
              fromAxis: spin(d0),
              toAt: spin(add(bend2, scale(d2, 70))),
              toAxis: spin(d2),
            },
            [first, second],
          )
          const found = pairs.find((pair) => pair.first === first && pair.second === second)
          expect(found?.missDegrees ?? 99).toBeLessThan(1e-3)
          const [p, q] = found?.at ?? []
          // whatever it found makes both angles; and where the answer is the one that was made, its lengths are too
          if (p && q && Math.abs((found?.beforeMm ?? 0) - 50) < 1e-3) {
            expect(found?.travelMm).toBeCloseTo(travel, 3)
            expect(found?.behindMm).toBeCloseTo(70, 3)
          }
          const d = unit(minus(q as Vec3, p as Vec3))
          expect(degrees(Math.acos(Math.min(1, dot(d, spin(d0)))))).toBeCloseTo(first, 2)
          expect(degrees(Math.acos(Math.max(-1, Math.min(1, dot(d, spin(d2))))))).toBeCloseTo(second, 2)
        },
      ),
      { numRuns: 300 },
    ))

  it('names no pair where none is near enough', () =>
    expect(
      bendPairs(
        { fromAt: [0, 0, 0], fromAxis: [1, 0, 0], toAt: [500, 300, 0], toAxis: [0, -1, 0] },
        [11.25],
        2,
      ),
    ).toEqual([]))
})
