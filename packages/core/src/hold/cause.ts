import { pressures, type Volumes } from './balance'
import type { Cell } from './cells'
import { type Fitted, happening, type Reading } from './fit'
import { solveUpper } from './matrix'
import type { HoldAsked, HoldCause } from './types'

/** Draws by which the causes are weighed. */
const DRAWS = 80
/** A pressure that has moved by fewer steps of the gauge has not moved. */
const STILL_STEPS = 1.5

/** Bell-shaped numbers, the same every time. */
function* bells(): Generator<number> {
  let state = 0x9e3779b9
  const next = () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
  for (;;) yield Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
}

/** Unknowns near the best of a fit, as its bend lets them be. */
function near({ unknowns, root }: Fitted, bell: Iterator<number>): Float64Array {
  const drawn = Float64Array.from(unknowns, () => bell.next().value as number)
  const apart = solveUpper(root, unknowns.length, drawn)
  return Float64Array.from(unknowns, (u, k) => u + (apart[k] as number))
}

/** What most moved the pressure the way that it went, by draws from the cells. */
export function mainCause(
  asked: HoldAsked,
  readings: readonly Reading[],
  cells: readonly Cell[],
): { cause: HoldCause; sure: number } {
  const [first, last] = [readings[0] as Reading, readings.at(-1) as Reading]
  const went = last.kpa - first.kpa
  if (readings.every(({ kpa }) => Math.abs(kpa - first.kpa) < STILL_STEPS * asked.stepKpa))
    return { cause: 'nothing', sure: 1 }
  const tally = new Map<HoldCause, number>()
  const bell = bells()
  const most = Math.max(...cells.map(({ weight }) => weight))
  const all = cells.reduce((sum, { weight }) => sum + Math.exp(weight - most), 0)
  let drawn = 0
  let under = 0
  for (const { leak, seep, fitted, weight } of cells) {
    under += (Math.exp(weight - most) / all) * DRAWS
    for (; drawn < under - 0.5; drawn++) {
      const took: Volumes = { leak: 0, seep: 0, warmth: 0, creep: 0, air: 0 }
      const what = happening(asked, first.kpa, near(fitted, bell), leak, seep)
      pressures(asked.line, what, asked.waterC, [last.seconds], took)
      const [cause] = Object.entries(took).reduce((a, b) =>
        b[1] * Math.sign(went) > a[1] * Math.sign(went) ? b : a,
      ) as [HoldCause, number]
      tally.set(cause, (tally.get(cause) ?? 0) + 1)
    }
  }
  const [cause, times] = [...tally].reduce((a, b) => (b[1] > a[1] ? b : a))
  return { cause, sure: times / drawn }
}
