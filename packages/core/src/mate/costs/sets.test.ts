import fc from 'fast-check'
import { METHODS } from '../../assembly/methods/table'
import { BITS, bitOf, holds, isWithin, MOST_IN_A_SET, union } from './sets'

/** Places of a set; those past what an operator on bits takes among them. */
const places = fc.uniqueArray(fc.integer({ min: 0, max: MOST_IN_A_SET - 1 }))
const setOf = (of: readonly number[]) => of.reduce((set, index) => union(set, bitOf(index, 'a place')), 0)

describe('sets that a number holds', () => {
  it('are the sets of their places, also where they reach past the operators on bits', () =>
    fc.assert(
      fc.property(places, places, (a, b) => {
        const [one, other] = [setOf(a), setOf(b)]
        // an integer without bound is the other account
        const wide = (of: readonly number[]) => of.reduce((set, index) => set | (1n << BigInt(index)), 0n)
        expect(BigInt(union(one, other))).toBe(wide(a) | wide(b))
        expect(isWithin(one, other)).toBe((wide(a) & wide(b)) === wide(a))
        for (let index = 0; index < MOST_IN_A_SET; index++) expect(holds(one, index)).toBe(a.includes(index))
      }),
      { seed: 31 },
    ))

  it('refuse one more than they hold, and every method has a place', () => {
    expect(METHODS.length).toBeGreaterThan(BITS)
    expect(METHODS.length).toBeLessThanOrEqual(MOST_IN_A_SET)
    for (const [index, most] of [
      [-1, MOST_IN_A_SET],
      [MOST_IN_A_SET, MOST_IN_A_SET],
      [BITS, BITS],
    ] as const)
      expect(() => bitOf(index, 'a place', most)).toThrow(/no room for a place/)
    expect(bitOf(BITS, 'a place')).toBe(2 ** 31)
  })
})
