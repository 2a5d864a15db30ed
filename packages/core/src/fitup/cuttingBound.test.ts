import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { bestPattern, type Wanted, worthsOf } from './cuttingBound'

const pieces = fc.uniqueArray(
  fc.record({ size: fc.integer({ min: 3, max: 60 }), many: fc.integer({ min: 1, max: 3 }) }),
  {
    minLength: 1,
    maxLength: 5,
    selector: ({ size }) => size,
  },
)

/** Every way to fill a bar. */
function fillings(wanted: readonly Wanted[], room: number): number[][] {
  const found: number[][] = []
  const walk = (at: number, left: number, counts: number[]) => {
    const next = wanted[at]
    if (!next) {
      found.push([...counts])
      return
    }
    for (let count = 0; count <= next.many && count * next.size <= left; count++)
      walk(at + 1, left - count * next.size, [...counts, count])
  }
  walk(0, room, [])
  return found
}

/** The least cost of bars that hold all, over every way to fill each: by what is still wanted. */
function leastCost(wanted: readonly Wanted[], rooms: readonly { room: number; cost: number }[]): number {
  const bars = rooms.flatMap(({ room, cost }) => fillings(wanted, room).map((counts) => ({ counts, cost })))
  const known = new Map<string, number>()
  const least = (left: readonly number[]): number => {
    if (left.every((count) => count === 0)) return 0
    const key = left.join()
    const held = known.get(key)
    if (held !== undefined) return held
    let best = Number.POSITIVE_INFINITY
    const first = left.findIndex((count) => count > 0)
    for (const { counts, cost } of bars)
      if ((counts[first] ?? 0) > 0 && counts.every((count, index) => count <= (left[index] ?? 0)))
        best = Math.min(best, cost + least(left.map((count, index) => count - (counts[index] ?? 0))))
    known.set(key, best)
    return best
  }
  return least(wanted.map(({ many }) => many))
}

const worthOf = (counts: readonly number[], worths: readonly number[]) =>
  counts.reduce((sum, count, index) => sum + count * (worths[index] ?? 0), 0)

describe('worths of pieces', () => {
  it('the best filling is the best of all fillings', () =>
    fc.assert(
      fc.property(
        pieces,
        fc.array(evenly(0, 9), { minLength: 5, maxLength: 5 }),
        fc.integer({ min: 5, max: 120 }),
        (wanted, worths, room) => {
          const all = fillings(wanted, room).map((counts) => worthOf(counts, worths))
          // place by place, and depth first where the places would be too many
          for (const fine of [1, 5003]) {
            const large = wanted.map(({ size, many }, index) => ({
              size: size * fine - index * (fine > 1 ? 1 : 0),
              many,
            }))
            const { worth, counts, bound } = bestPattern(large, worths, room * fine)
            expect(worth).toBeCloseTo(Math.max(...all), 6)
            expect(bound).toBeCloseTo(worth, 6)
            expect(worthOf(counts, worths)).toBeCloseTo(worth, 6)
          }
        },
      ),
    ))

  it('where there are too many fillings to try, says no less than any of them', () => {
    const wanted = Array.from({ length: 40 }, (_, index) => ({ size: 101 + 7 * index, many: 3 }))
    const worths = wanted.map(({ size }, index) => size + ((index * 37) % 11) / 100)
    const { worth, counts, bound } = bestPattern(wanted, worths, 6096)
    expect(
      counts.reduce((sum, count, index) => sum + count * (wanted[index]?.size ?? 0), 0),
    ).toBeLessThanOrEqual(6096)
    expect(worthOf(counts, worths)).toBeCloseTo(worth, 6)
    // filled from the densest down, as far as whole pieces go
    let left = 6096
    let greedy = 0
    for (const index of wanted.keys())
      for (let count = 0; count < 3 && (wanted[index]?.size ?? 0) <= left; count++) {
        left -= wanted[index]?.size ?? 0
        greedy += worths[index] ?? 0
      }
    expect(bound).toBeGreaterThanOrEqual(greedy)
    expect(bound).toBeGreaterThanOrEqual(worth)
    // and little more: sizes rounded down to a twenty-thousandth of the bar
    expect(bound).toBeLessThan(worth * 1.01)
  })

  it('never say more than the least stock, and no bar holds more worth than it costs', () =>
    fc.assert(
      fc.property(
        pieces,
        fc.uniqueArray(fc.integer({ min: 60, max: 130 }), { minLength: 1, maxLength: 3 }),
        (wanted, lengths) => {
          const rooms = lengths.map((mm) => ({ room: mm, cost: mm }))
          const { ofPiece, ofBar, all } = worthsOf(wanted, rooms)
          const least = leastCost(wanted, rooms)
          expect(all).toBeLessThanOrEqual(least * (1 + 1e-6))
          rooms.forEach(({ room, cost }, index) => {
            expect(ofBar[index]).toBeLessThanOrEqual(cost * (1 + 1e-6))
            for (const counts of fillings(wanted, room))
              expect(worthOf(counts, ofPiece)).toBeLessThanOrEqual((ofBar[index] ?? 0) + 1e-6)
          })
          // it says something: at least what the stuff itself takes
          const stuff = wanted.reduce((sum, { size, many }) => sum + size * many, 0)
          expect(all).toBeGreaterThanOrEqual(stuff * (1 - 1e-6))
        },
      ),
      { numRuns: 60 },
    ))
})
