import { type Fitted, fit, type Reading, UNKNOWNS, WARMTH } from './fit'
import type { HoldAsked } from './types'

/** Before any reading: one line in three leaks, one stop in five lets by; one that was proved, one in a hundred. */
const BEFORE = { leak: 0.33, seep: 0.2, proved: 0.01 }
/** From a drop in ten minutes to a cup in half of one, ml/min. */
const LEAKS = ladder(0.15, 500, 17)
const SEEPS = ladder(0.2, 200, 6)
/** Cells of so much less weight than the best are left out, natural logarithm. */
const HOPELESS = 14
/** A row whose cells have got so much worse than its best one gets no better, natural logarithm. */
const LONG_WORSE = 30

function ladder(from: number, to: number, rungs: number): readonly number[] {
  return Array.from({ length: rungs }, (_, index) => from * (to / from) ** (index / (rungs - 1)))
}

/** One leak with one seep, ml/min. */
export interface Cell {
  readonly leak: number
  readonly seep: number
  readonly fitted: Fitted
  /** Logarithm of its weight: before, and by the readings. */
  readonly weight: number
}

/** Nothing, warmer, cooler. */
const BEGINS = [0, 1, -1].map((warmer) => {
  const begin = new Float64Array(UNKNOWNS)
  begin[WARMTH] = warmer
  return begin
})

/**
 * Every leak with every seep, each fitted from where its neighbour's fit has come to. A row ends where it has long been
 * getting worse: what runs out faster still explains nothing better.
 */
export function cellsOf(asked: HoldAsked, readings: readonly Reading[]): Cell[] {
  const seepBefore = asked.stopProved ? BEFORE.proved : BEFORE.seep
  const cells: Cell[] = []
  let best = Number.NEGATIVE_INFINITY
  let above: Fitted[] = []
  for (const seep of [0, ...SEEPS]) {
    const row: Fitted[] = []
    const ofSeep = seep === 0 ? 1 - seepBefore : seepBefore / SEEPS.length
    let ofRow = Number.NEGATIVE_INFINITY
    for (const [index, leak] of [0, ...LEAKS].entries()) {
      const ofLeak = leak === 0 ? 1 - BEFORE.leak : BEFORE.leak / LEAKS.length
      const near = [row[index - 1], above[index]].flatMap((one) => (one ? [one] : []))
      const begins =
        near.length > 0 ? [near.reduce((a, b) => (b.evidence > a.evidence ? b : a)).unknowns] : BEGINS
      const fitted = begins
        .map((begin) => fit(asked, readings, leak, seep, begin))
        .reduce((a, b) => (b.evidence > a.evidence ? b : a))
      row.push(fitted)
      const weight = fitted.evidence + Math.log(ofSeep * ofLeak)
      best = Math.max(best, weight)
      ofRow = Math.max(ofRow, weight)
      cells.push({ leak, seep, fitted, weight })
      if (weight < ofRow - LONG_WORSE && weight < best - LONG_WORSE) break
    }
    above = row
  }
  return cells.filter(({ weight }) => weight > best - HOPELESS)
}

/** Share of the cells' weights that some have. */
export function shareOf(cells: readonly Cell[], which: (cell: Cell) => boolean): number {
  const most = Math.max(...cells.map(({ weight }) => weight))
  let all = 0
  let some = 0
  for (const cell of cells) {
    const weight = Math.exp(cell.weight - most)
    all += weight
    if (which(cell)) some += weight
  }
  return some / all
}

/** The leak below which a share of the weight lies. */
export function leakAt(cells: readonly Cell[], share: number): number {
  let under = 0
  for (const leak of [...new Set(cells.map((cell) => cell.leak))].sort((a, b) => a - b)) {
    under += shareOf(cells, (cell) => cell.leak === leak)
    if (under >= share) return leak
  }
  return LEAKS.at(-1) as number
}
