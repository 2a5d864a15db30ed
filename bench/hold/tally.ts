import { type HoldJudged, judgeHold } from '@diarmos/core'
import { Dice } from '../mate/random'
import { DRAWN, type Drawn, drawLog, type Log } from './logs'

/** One log of a cause, and what it was judged to be. */
export interface Judged {
  readonly log: Log
  readonly judged: HoldJudged
}

/** Logs of every cause by their numbers, judged. */
export function judgeLogs(count: number, of: readonly Drawn[] = DRAWN): Judged[] {
  return of.flatMap((drawn) =>
    Array.from({ length: count }, (_, index) => {
      const dice = new Dice(7919 * index + 104_729 * DRAWN.indexOf(drawn) + 11)
      const log = drawLog(drawn, () => dice.next())
      return { log, judged: judgeHold(log.asked) }
    }),
  )
}

/** A leak of 2 ml a minute or more that was said to hold. */
export const missed = ({ log, judged }: Judged): boolean => log.truth.leak >= 2 && judged.verdict === 'holds'
/** A leak that was said to be one where nothing runs out. */
export const raised = ({ log, judged }: Judged): boolean => log.truth.leak === 0 && judged.verdict === 'leaks'

/** Between what a share lies in 95 of 100 cases: Wilson's interval. */
export function wilson(times: number, of: number): readonly [number, number] {
  const z = 1.96
  const share = times / of
  const middle = (share + (z * z) / (2 * of)) / (1 + (z * z) / of)
  const half = (z / (1 + (z * z) / of)) * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of))
  return [Math.max(0, middle - half), middle + half]
}
