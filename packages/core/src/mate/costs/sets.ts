/** As many as an operator on bits takes without wrapping; a set that reaches past it is taken in two halves. */
export const BITS = 31
const HALF = 2 ** BITS
/** As many as a set holds exactly: past that a number is no longer every whole one. */
export const MOST_IN_A_SET = 53

/** One place of a set. @throws RangeError past the last: a wrapped set would be another one in silence */
export function bitOf(index: number, what: string, most = MOST_IN_A_SET): number {
  if (index < 0 || index >= most) throw new RangeError(`no room for ${what} in a set of ${most}`)
  return 2 ** index
}

/** What is in either of two sets. */
export function union(a: number, b: number): number {
  if (a < HALF && b < HALF) return a | b
  return (Math.floor(a / HALF) | Math.floor(b / HALF)) * HALF + ((a % HALF) | (b % HALF))
}

/** Whether all of a set is in another. */
export function isWithin(a: number, b: number): boolean {
  return union(a, b) === b
}

/** Whether a set holds the place of an index. */
export function holds(set: number, index: number): boolean {
  return Math.floor(set / 2 ** index) % 2 === 1
}
