import fc from 'fast-check'
import { pipeById } from '../reference'
import type { Pipe } from '../reference/types'
import { evenly } from '../test/evenly'
import { bendRadiusMm, drawnBack, leastBowedMm, sidewaysSpring, stiffnessOf } from './spring'

const half = pipeById('copper.l.1/2') as Pipe

/** A cantilever's shape taken apart into many short pieces: the length they keep, less the distance they cover. */
function shorteningByPieces(lengthMm: number, tipMm: number): number {
  const pieces = 4000
  const y = (x: number) => (tipMm / 2) * (3 * (x / lengthMm) ** 2 - (x / lengthMm) ** 3)
  let arc = 0
  for (let at = 0; at < pieces; at++) {
    const dx = lengthMm / pieces
    arc += Math.hypot(dx, y((at + 1) * dx) - y(at * dx))
  }
  return arc - lengthMm
}

describe('a pipe sprung sideways', () => {
  it('draws back as much as its bent shape is longer than its reach', () =>
    fc.assert(
      fc.property(evenly(200, 4000), evenly(1, 400), (free, room) => {
        const spring = sidewaysSpring(half, free, room)
        // the pieces follow the curve itself, with no formula for its shortening
        const byPieces = shorteningByPieces(free, spring.sidewaysMm)
        // the formula is for small deflections; at a tenth of the length it is two parts in a hundred too long
        expect(Math.abs(spring.retractionMm - byPieces)).toBeLessThanOrEqual(0.02 * byPieces + 1e-4)
      }),
      { numRuns: 40 },
    ))

  it('is loaded as the beam tables say: force and stress of a cantilever', () => {
    // Roark, cantilever with an end load: y = WL³/3EI, M = WL, σ = Mc/I
    const spring = sidewaysSpring(half, 1000, 20)
    const inertia = (Math.PI / 64) * (half.odMm ** 4 - (half.odMm - 2 * half.wallMm) ** 4)
    const modulus = stiffnessOf('copper')?.modulusMPa ?? 0
    expect((spring.forceN * 1000 ** 3) / (3 * modulus * inertia)).toBeCloseTo(spring.sidewaysMm, 6)
    expect((spring.forceN * 1000 * (half.odMm / 2)) / inertia).toBeCloseTo(spring.stressMPa, 6)
  })

  it('yields very little, even from a long free pipe', () => {
    // a yard of free half-inch tube pushed two inches aside draws back less than a tenth of an inch
    expect(sidewaysSpring(half, 914.4, 50.8).retractionMm).toBeLessThan(2.54)
  })

  it('never beyond two thirds of the stress that bends it for good, never beyond the room', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(
          'copper.l.1/2',
          'copper.m.1',
          'galvanised.40.3/4',
          'cpvc.sdr11.1/2',
          'pex-b.sdr9.3/4',
        ),
        evenly(10, 6000),
        evenly(0.1, 500),
        (id, free, room) => {
          const pipe = pipeById(id) as Pipe
          const spring = sidewaysSpring(pipe, free, room)
          expect(spring.sidewaysMm).toBeLessThanOrEqual(room)
          expect(spring.stressMPa).toBeLessThanOrEqual(
            ((stiffnessOf(pipe.material)?.limitMPa ?? 0) * 2) / 3 + 1e-9,
          )
        },
      ),
    ))

  it('more room or more free pipe never takes spring away', () =>
    fc.assert(
      fc.property(evenly(100, 3000), evenly(1, 200), (free, room) => {
        const now = sidewaysSpring(half, free, room).retractionMm
        expect(sidewaysSpring(half, free, room * 1.5).retractionMm).toBeGreaterThanOrEqual(now - 1e-12)
      }),
    ))

  it('is nothing for what is not sprung: clay, cast iron, no free length', () => {
    expect(sidewaysSpring({ odMm: 110, wallMm: 6, material: 'cast-iron' }, 1000, 50).limit).toBe('rigid')
    expect(sidewaysSpring(half, 0, 50).retractionMm).toBe(0)
  })
})

describe('soft tube drawn into a bow', () => {
  const pex = pipeById('pex-b.sdr9.1/2') as Pipe
  /** The bow taken apart into many short pieces: how much longer it is than its reach, and how tight it is bent. */
  function byPieces(highMm: number, reachMm: number) {
    const pieces = 4000
    const y = (x: number) => (highMm / 2) * (1 - Math.cos((2 * Math.PI * x) / reachMm))
    const dx = reachMm / pieces
    let arc = 0
    let tightest = Number.POSITIVE_INFINITY
    for (let at = 0; at < pieces; at++) {
      const [before, here, after] = [y((at - 1) * dx), y(at * dx), y((at + 1) * dx)] as const
      arc += Math.hypot(dx, after - here)
      const [slope, bend] = [(after - before) / (2 * dx), (after - 2 * here + before) / dx ** 2]
      tightest = Math.min(tightest, (1 + slope ** 2) ** 1.5 / Math.abs(bend))
    }
    return { back: arc - reachMm, tightest }
  }

  it('comes back as much as the bow is longer than its reach, and is nowhere bent tighter than it may be', () =>
    fc.assert(
      fc.property(evenly(80, 3000), evenly(1, 90), (free, room) => {
        const drawn = drawnBack(pex, free, room)
        if (drawn.limit !== 'bow') return
        const radius = bendRadiusMm(pex)
        const reach = Math.PI * Math.sqrt(2 * drawn.sidewaysMm * radius)
        expect(reach).toBeLessThanOrEqual(free + 1e-9)
        expect(drawn.sidewaysMm).toBeLessThanOrEqual(room + 1e-9)
        const { back, tightest } = byPieces(drawn.sidewaysMm, reach)
        // for small slopes; a bow of 90 mm is some parts in a hundred off, on the safe side
        expect(drawn.retractionMm / back).toBeGreaterThan(0.9)
        expect(drawn.retractionMm / back).toBeLessThan(1.12)
        expect(tightest).toBeGreaterThan(radius * 0.99)
      }),
      { numRuns: 60 },
    ))

  it('gives a hand of room what a crimp goes in; hard tube never bows', () => {
    // two ends of half-inch tube in an open stud bay, two inches aside: more than the 5/8 in that a barb takes
    expect(2 * drawnBack(pex, 600, 50.8).retractionMm).toBeGreaterThan(15.9)
    expect(drawnBack(half, 600, 50.8)).toEqual(sidewaysSpring(half, 600, 50.8))
  })

  it.each([
    [4, 60],
    [10, 60],
    [16, 60],
  ])('%d mm are had from the length that is named, and from no shorter', (back, room) => {
    const least = leastBowedMm(pex, back, room) as number
    expect(drawnBack(pex, least * 1.01, room).retractionMm).toBeGreaterThanOrEqual(back)
    expect(drawnBack(pex, least * 0.97, room).retractionMm).toBeLessThan(back)
    expect(leastBowedMm(pex, back, 3)).toBeNull()
  })
})
