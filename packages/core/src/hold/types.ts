import type { Held, Reading } from './fit'

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
