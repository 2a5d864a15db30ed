import type { Reading } from './fit'

/** So many readings say it all; more are thinned. */
export const MOST_READINGS = 24
/** The first of them are all kept: there a hole that empties the line shows. */
const FIRST_READINGS = 5

/** The first readings and, evenly chosen, as many of the others as there is room for, the last among them. */
export function thinned(readings: readonly Reading[]): readonly Reading[] {
  if (readings.length <= MOST_READINGS) return readings
  const room = MOST_READINGS - FIRST_READINGS
  const rest = readings.length - FIRST_READINGS
  return [
    ...readings.slice(0, FIRST_READINGS),
    ...Array.from(
      { length: room },
      (_, index) => readings[FIRST_READINGS - 1 + Math.round(((index + 1) * rest) / room)] as Reading,
    ),
  ]
}
