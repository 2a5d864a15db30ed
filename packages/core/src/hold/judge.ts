import { AIR_KPA, type Happening, pressures, warmed } from './balance'
import { type Fitted, fit, type Held, happening, type Reading, UNKNOWNS, WARMTH } from './fit'
import { waterExpansion } from './water'

/** What moves the pressure of a shut line. */
export const HOLD_CAUSES = ['leak', 'seep', 'warmth', 'creep', 'air', 'nothing'] as const
export type HoldCause = (typeof HOLD_CAUSES)[number]

export interface HoldAsked extends Held {
  /** In the order in which they were read; the first at 0 s. */
  readonly readings: readonly Reading[]
  /** The lowest tap behind the stop ran out and stayed dry. */
  readonly stopProved: boolean
}

export const HOLD_VERDICTS = ['leaks', 'holds', 'passes', 'undecided'] as const
export type HoldVerdict = (typeof HOLD_VERDICTS)[number]

export interface HoldJudged {
  /**
   * `leaks`: something runs out. `holds`: nothing as large as `LEAST_LEAK` does, and that anything does is not likely.
   * `passes`: the stop lets by, and nothing can be said of the line behind it.
   */
  readonly verdict: HoldVerdict
  /** Probability that something runs out at all, and that as much as `LEAST_LEAK` does. */
  readonly leak: number
  readonly leakOfNote: number
  /** ml/min at the first reading's pressure: between which it lies in nine of ten cases, if it leaks at all. */
  readonly leakMl: readonly [number, number]
  /** What runs out is hardly more than this, leak or none, ml/min. */
  readonly atMostMl: number
  /** Probability that the stop lets by. */
  readonly seep: number
  /** What most moved the pressure, and how sure that is. */
  readonly cause: HoldCause
  readonly causeSure: number
  /** Where it is undecided: how much longer reading would tell, s; null where no reading within two hours would. */
  readonly readOnS: number | null
  /** What the likeliest account says the gauge shows, at each reading, kPa. */
  readonly fittedKpa: readonly number[]
}

/** A leak that must not be missed, ml/min at the first reading's pressure. */
export const LEAST_LEAK = 2
/** Sure enough to say so. */
const SURE = { leaks: 0.985, holds: 0.008, small: 0.25, passes: 0.95 }
/** Before any reading: one line in three leaks, one stop in five lets by; one that was proved, one in a hundred. */
const BEFORE = { leak: 0.33, seep: 0.2, proved: 0.01 }
/** From a drop in ten minutes to a cup in half of one, ml/min. */
const LEAKS = ladder(0.15, 500, 17)
const SEEPS = ladder(0.2, 200, 6)
/** So many readings say it all; more are thinned. */
const MOST_READINGS = 24
/** The first of them are all kept: there a hole that empties the line shows. */
const FIRST_READINGS = 5
/** Cells of so much less weight than the best are left out, natural logarithm. */
const HOPELESS = 14
const LONG_WORSE = 30
/** Draws by which the causes are weighed. */
const DRAWS = 80
/** A pressure that has moved by fewer steps of the gauge has not moved. */
const STILL_STEPS = 1.5
/** Two accounts that differ by so much will be told apart, natural logarithm. */
const TELLS = 6
const LONGEST_S = 7200

function ladder(from: number, to: number, rungs: number): readonly number[] {
  return Array.from({ length: rungs }, (_, index) => from * (to / from) ** (index / (rungs - 1)))
}

interface Cell {
  readonly leak: number
  readonly seep: number
  readonly fitted: Fitted
  /** Logarithm of its weight: before, and by the readings. */
  readonly weight: number
}

/** The first readings and, evenly chosen, as many of the others as there is room for, the last among them. */
function thinned(readings: readonly Reading[]): readonly Reading[] {
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
function cellsOf(asked: HoldAsked, readings: readonly Reading[]): Cell[] {
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
function shareOf(cells: readonly Cell[], which: (cell: Cell) => boolean): number {
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
function leakAt(cells: readonly Cell[], share: number): number {
  let under = 0
  for (const leak of [...new Set(cells.map((cell) => cell.leak))].sort((a, b) => a - b)) {
    under += shareOf(cells, (cell) => cell.leak === leak)
    if (under >= share) return leak
  }
  return LEAKS.at(-1) as number
}

/** Volumes that each cause has taken or brought by the end, ml: along the pressures as they went. */
function volumes(asked: Held, what: Happening, until: number): Record<Exclude<HoldCause, 'nothing'>, number> {
  const times = Array.from({ length: 41 }, (_, index) => (until * index * index) / 1600)
  const shown = pressures(asked.line, what, asked.waterC, times)
  const grows = waterExpansion(asked.waterC) - asked.line.expansion
  const sums = { leak: 0, seep: 0, warmth: 0, creep: 0, air: 0 }
  for (let index = 1; index < times.length; index++) {
    const [from, to] = [times[index - 1] as number, times[index] as number]
    const p = ((shown[index - 1] as number) + (shown[index] as number)) / 2
    const air = (what.airMl * AIR_KPA) / (p + AIR_KPA)
    const start = Math.max(what.startKpa, 1)
    const falls = (tau: number) => Math.exp(-from / tau) - Math.exp(-to / tau)
    const over = what.behindKpa - p
    sums.leak -= (what.leak / 60) * Math.sqrt(Math.max(0, p) / start) * (to - from)
    sums.seep += (what.seep / 60) * Math.sign(over) * (Math.abs(over) / start) ** what.seat * (to - from)
    sums.warmth +=
      what.warmsK *
      (warmed(what, to) - warmed(what, from)) *
      (what.volumeMl * grows + air / (asked.waterC + 273.15))
    sums.creep -=
      what.volumeMl *
      asked.line.stretch *
      asked.line.plastic *
      what.creep *
      Math.max(0, p) *
      Math.log((to + 60) / (from + 60))
    sums.air -= air * what.settles * falls(what.settlesInS)
  }
  return sums
}

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
  const size = unknowns.length
  const drawn = Float64Array.from(unknowns, () => bell.next().value as number)
  for (let row = size - 1; row >= 0; row--) {
    for (let k = row + 1; k < size; k++)
      drawn[row] = (drawn[row] as number) - (root[k * size + row] as number) * (drawn[k] as number)
    drawn[row] = (drawn[row] as number) / (root[row * size + row] as number)
  }
  return Float64Array.from(unknowns, (u, k) => u + (drawn[k] as number))
}

/** What most moved the pressure the way that it went, by draws from the cells. */
function mainCause(
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
      const took = volumes(asked, happening(asked, first.kpa, near(fitted, bell), leak, seep), last.seconds)
      const [cause] = Object.entries(took).reduce((a, b) =>
        b[1] * Math.sign(went) > a[1] * Math.sign(went) ? b : a,
      ) as [HoldCause, number]
      tally.set(cause, (tally.get(cause) ?? 0) + 1)
    }
  }
  const [cause, times] = [...tally].reduce((a, b) => (b[1] > a[1] ? b : a))
  return { cause, sure: times / drawn }
}

/** How much longer it must be read till the likeliest account with and that without a leak are told apart, s. */
function readOn(asked: HoldAsked, readings: readonly Reading[], cells: readonly Cell[]): number | null {
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
