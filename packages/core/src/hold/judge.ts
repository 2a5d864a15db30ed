import { pressures } from './balance'
import { mainCause } from './cause'
import { cellsOf, leakAt, shareOf } from './cells'
import { happening, type Reading } from './fit'
import { readOn } from './readOn'
import { thinned } from './thinned'
import type { HoldAsked, HoldJudged, HoldVerdict } from './types'

/** A leak that must not be missed, ml/min at the first reading's pressure. */
export const LEAST_LEAK = 2
/** Sure enough to say so; `small` is how likely a leak under `LEAST_LEAK` may be in a line that holds. */
const SURE = { leaks: 0.985, holds: 0.008, small: 0.25, passes: 0.95 }

/**
 * What a log of a shut line's gauge comes to: every size of leak and of seep on a ladder, each with all that is not
 * known besides fitted to the readings, weighed by how well it explains them. See docs/hold-model.md.
 *
 * @throws RangeError where there are fewer than two readings, or they do not follow each other in time
 */
export function judgeHold(asked: HoldAsked): HoldJudged {
  const { readings } = asked
  if (readings.length < 2) throw new RangeError('a hold wants two readings at least')
  if (
    readings[0]?.seconds !== 0 ||
    readings.some(({ seconds }, index) => index > 0 && seconds <= (readings[index - 1] as Reading).seconds)
  )
    throw new RangeError('readings must follow each other in time, the first at nought')
  const few = thinned(readings)
  const cells = cellsOf(asked, few)
  const leak = shareOf(cells, (cell) => cell.leak > 0)
  const leakOfNote = shareOf(cells, (cell) => cell.leak >= LEAST_LEAK / 2)
  const seep = shareOf(cells, (cell) => cell.seep > 0)
  const verdict: HoldVerdict =
    leak >= SURE.leaks
      ? 'leaks'
      : leakOfNote <= SURE.holds && leak <= SURE.small
        ? 'holds'
        : seep >= SURE.passes
          ? 'passes'
          : 'undecided'
  const { cause, sure } = mainCause(asked, few, cells)
  const best = cells.reduce((a, b) => (b.weight > a.weight ? b : a))
  const what = happening(asked, (few[0] as Reading).kpa, best.fitted.unknowns, best.leak, best.seep)
  const wet = cells.filter((cell) => cell.leak > 0)
  return {
    verdict,
    leak,
    leakOfNote,
    leakMl: wet.length > 0 ? [leakAt(wet, 0.05), leakAt(wet, 0.95)] : [0, 0],
    atMostMl: leakAt(cells, 0.99),
    seep,
    ...(verdict === 'leaks' ? { cause: 'leak', causeSure: leak } : { cause, causeSure: sure }),
    readOnS: verdict === 'undecided' ? readOn(asked, few, cells) : null,
    fittedKpa: [
      ...pressures(
        asked.line,
        what,
        asked.waterC,
        readings.map(({ seconds }) => seconds),
      ),
    ],
  }
}
