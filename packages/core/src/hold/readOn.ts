import { pressures } from './balance'
import type { Cell } from './cells'
import { fit, happening, type Reading } from './fit'
import { MOST_READINGS, thinned } from './thinned'
import type { HoldAsked } from './types'

/** Two accounts that differ by so much will be told apart, natural logarithm. */
const TELLS = 6
/** Nobody reads on for longer, s. */
const LONGEST_S = 7200

/** How much longer it must be read till the likeliest account with and that without a leak are told apart, s. */
export function readOn(
  asked: HoldAsked,
  readings: readonly Reading[],
  cells: readonly Cell[],
): number | null {
  const heaviest = (which: (cell: Cell) => boolean) =>
    cells.filter(which).reduce<Cell | null>((a, b) => (a && a.weight >= b.weight ? a : b), null)
  const [wet, dry] = [heaviest(({ leak }) => leak > 0), heaviest(({ leak }) => leak === 0)]
  if (!wet || !dry) return null
  const [first, last] = [readings[0] as Reading, readings.at(-1) as Reading]
  const apart = Math.max(60, last.seconds / (MOST_READINGS / 2))
  for (
    let until = Math.max(last.seconds * 1.4, last.seconds + 300);
    until - last.seconds <= LONGEST_S;
    until *= 1.5
  ) {
    const later: number[] = []
    for (let at = last.seconds + apart; at <= until; at += apart * (1 + later.length / 6)) later.push(at)
    const told = [wet, dry].every((one) => {
      const other = one === wet ? dry : wet
      const what = happening(asked, first.kpa, one.fitted.unknowns, one.leak, one.seep)
      const shown = pressures(asked.line, what, asked.waterC, later)
      const read = (kpa: number) => Math.max(0, Math.round(kpa / asked.stepKpa) * asked.stepKpa)
      const whole = thinned([
        ...readings,
        ...later.map((seconds, index) => ({ seconds, kpa: read(shown[index] as number) })),
      ])
      const own = fit(asked, whole, one.leak, one.seep, one.fitted.unknowns).evidence
      const as = fit(asked, whole, other.leak, other.seep, other.fitted.unknowns).evidence
      return own - as > TELLS
    })
    if (told) return Math.ceil((until - last.seconds) / 60) * 60
  }
  return null
}
