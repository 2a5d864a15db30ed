import { expect as own } from '@jest/globals'
import fc from 'fast-check'

/** Values that are told apart by one matcher and not by another. */
const VALUES = [
  ...[undefined, null, true, false, 0, -0, 1, 1.5, Number.NaN, Number.POSITIVE_INFINITY, 1n],
  ...['', 'a', 'abc', [], [undefined], [0], ['a', Number.NaN], Object.assign([], { a: 1 }), {}, { a: 1 }],
  ...[/b/, /^a/g, new Date(0), { length: 0 }],
]
const WITH_NOTHING = ['toBeDefined', 'toBeUndefined', 'toBeNull', 'toBeTruthy']
const WITH_ANOTHER = [
  ...['toBe', 'toEqual', 'toBeGreaterThan', 'toBeGreaterThanOrEqual', 'toBeLessThan'],
  ...['toBeLessThanOrEqual', 'toHaveLength', 'toMatch', 'toContain', 'toStrictEqual', 'toBeCloseTo'],
]

type Matchers = Record<string, (...args: unknown[]) => void> & { readonly not: Matchers }
function said(matchers: Matchers, not: boolean, name: string, args: readonly unknown[]): string | null {
  try {
    ;(not ? matchers.not : matchers)[name]?.(...args)
    return null
  } catch (error) {
    return (error as Error).message
  }
}

describe('the lean expect', () => {
  it('says of everything what the runner’s own says, in the same words', () => {
    const value = fc.constantFrom(...VALUES)
    const asked = fc.oneof(
      fc.record({ name: fc.constantFrom(...WITH_NOTHING), args: fc.constant([]) }),
      fc.record({ name: fc.constantFrom(...WITH_ANOTHER), args: fc.tuple(value) }),
    )
    fc.assert(
      fc.property(value, fc.boolean(), asked, (left, not, { name, args }) => {
        // by name: the runner's types do not know that a name is one of theirs
        const lean = said(expect(left) as unknown as Matchers, not, name, args)
        // likewise
        const theirs = said(own(left) as unknown as Matchers, not, name, args)
        if (lean !== theirs) throw new Error(`${String(left)} ${not} ${name}: ${lean}, not ${theirs}`)
      }),
      { numRuns: 1500 },
    )
  })

  it('counts what held', () => {
    expect.assertions(3)
    expect(1).toBe(1)
    expect('ab').not.toContain('c')
    expect({ a: 1 }).toEqual({ a: 1 })
  })

  it('names the line of the test that failed', () => {
    let stack = ''
    try {
      expect(1).toBe(2)
    } catch (error) {
      stack = (error as Error).stack ?? ''
    }
    expect(stack.split('\n').find((line) => line.includes(' at '))).toContain('expect.test.ts')
  })
})
