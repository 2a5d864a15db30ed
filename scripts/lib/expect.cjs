// `expect` makes some three hundred functions and a stack for every value it is given: in loops of a hundred thousand
// that was a fifth of a test. What plainly holds is counted here; everything else, every failure too, is expect's own.
const own = globalThis.expect

/** What a matcher would say, where it is plain: true or false; undefined where only expect itself can tell. */
const PLAIN = {
  toBe: (value, other) => Object.is(value, other),
  toEqual: (value, other) =>
    Object.is(value, other) || (isEmptyList(value) && isEmptyList(other)) || undefined,
  toBeDefined: (value) => value !== undefined,
  toBeUndefined: (value) => value === undefined,
  toBeNull: (value) => value === null,
  toBeTruthy: (value) => Boolean(value),
  toBeGreaterThan: (value, other) => ofNumbers(value, other, value > other),
  toBeGreaterThanOrEqual: (value, other) => ofNumbers(value, other, value >= other),
  toBeLessThan: (value, other) => ofNumbers(value, other, value < other),
  toBeLessThanOrEqual: (value, other) => ofNumbers(value, other, value <= other),
  toHaveLength: (value, length) => (Array.isArray(value) && value.length === length) || undefined,
  toMatch: (value, pattern) =>
    typeof value !== 'string'
      ? undefined
      : typeof pattern === 'string'
        ? value.includes(pattern)
        : pattern instanceof RegExp
          ? new RegExp(pattern).test(value)
          : undefined,
  toContain: (value, part) =>
    Array.isArray(value) || (typeof value === 'string' && typeof part === 'string')
      ? value.indexOf(part) !== -1
      : undefined,
}

const ofNumbers = (value, other, holds) =>
  typeof value === 'number' && typeof other === 'number' ? holds : undefined
const isEmptyList = (value) => Array.isArray(value) && Object.keys(value).length === 0 && value.length === 0

/** The matchers of one value, each made when it is asked for. */
class Matchers {
  constructor(value, isNot) {
    this.value = value
    this.isNot = isNot
  }
}
for (const name of Object.keys(own(undefined))) {
  const says = PLAIN[name]
  const get = says
    ? function () {
        const { value, isNot } = this
        return function plainly(...args) {
          if (says(value, ...args) === !isNot) {
            const state = own.getState()
            state.assertionCalls++
            state.numPassingAsserts++
            return
          }
          try {
            matchersOf(value, isNot)[name](...args)
          } catch (error) {
            // the line that failed is the test's, not this one
            Error.captureStackTrace(error, plainly)
            throw error
          }
        }
      }
    : function () {
        return name === 'not' ? new Matchers(this.value, true) : matchersOf(this.value, this.isNot)[name]
      }
  Object.defineProperty(Matchers.prototype, name, { get })
}
const matchersOf = (value, isNot) => (isNot ? own(value).not : own(value))

globalThis.expect = Object.setPrototypeOf(
  (...values) => (values.length === 1 ? new Matchers(values[0], false) : own(...values)),
  own,
)
