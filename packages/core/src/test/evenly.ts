import fc from 'fast-check'

const STEPS = 1_000_000

/**
 * A number between two others, each as likely as the next. Doubles as they come lie almost all next to nothing, since
 * half of them have an exponent below it: a law that is tried on those alone is hardly tried.
 */
export const evenly = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: STEPS }).map((step) => min + ((max - min) * step) / STEPS)
