import type { HoldCause, HoldJudged } from '@diarmos/core'
import { clock, GAUGES, type GaugeId, shown } from './pressure'

/** What moves a gauge, in words that go after "mostly". */
const CAUSES: Record<Exclude<HoldCause, 'nothing'>, string> = {
  leak: 'water that runs out',
  seep: 'the stop letting by',
  warmth: 'the water getting warmer or colder',
  creep: 'plastic pipe giving way a little',
  air: 'air in the line settling',
}

/** Millilitres a minute as a plumber would say them. */
function rate(ml: number): string {
  return ml >= 10 ? `${Math.round(ml)} ml` : `${ml.toFixed(1)} ml`
}

/** Nobody looks for a leak that is less likely, if the stop can be proved instead. */
const UNLIKELY = 0.1

/** Sure in so many of a hundred, never all. */
const inHundred = (share: number) => `${Math.min(99, Math.round(100 * share))} in 100`

/** What the gauge's log comes to: a headline, and why. */
export function holdWords(judged: HoldJudged): {
  title: string
  text: string
  kind: 'stop' | 'caution' | 'note'
} {
  const mostly =
    judged.cause === 'nothing'
      ? 'The gauge has hardly moved.'
      : `What moved it is mostly ${CAUSES[judged.cause]} (${inHundred(judged.causeSure)}).`
  switch (judged.verdict) {
    case 'leaks': {
      const [least, most] = judged.leakMl
      const much =
        most > 12 * least ? `at least ${rate(least)} a minute` : `${rate(least)} to ${rate(most)} a minute`
      return {
        kind: 'stop',
        title: 'It leaks',
        text: `Sure ${inHundred(judged.leak)}: ${much} at this pressure. Wipe every joint with tissue, one part of the line after the other.`,
      }
    }
    case 'holds':
      return {
        kind: 'note',
        title: 'It holds',
        text: `${mostly} A leak of 2 ml a minute would have shown: less than 1 in 100 that there is one.`,
      }
    case 'passes':
      return {
        kind: 'caution',
        title: 'The stop lets by',
        text: `Sure ${inHundred(judged.seep)}: water comes or goes past the shut stop, and while it does nothing can be said of the line. Cap it off or mend the stop, then hold again.`,
      }
    case 'undecided':
      return {
        kind: 'caution',
        title: 'Not decided yet',
        text:
          judged.readOnS === null && judged.leak < UNLIKELY
            ? `${mostly} But a line that is fed past its stop stands still though it leaks. Open the lowest tap behind the stop: once it has run out and stays dry, say that the stop is proved.`
            : `${mostly} That it leaks is ${inHundred(judged.leak)}, by less than ${rate(judged.atMostMl)} a minute. ${
                judged.readOnS === null
                  ? 'Reading on will not tell: prove the stop, let the line come to the room’s warmth, let the air out, and pump it up again.'
                  : `Read on for ${Math.round(judged.readOnS / 60)} minutes more.`
              }`,
      }
  }
}

/** The whole hold as the record keeps it: what it came to, and every reading. Two hundred readings fit into a note. */
export function holdRecord(
  judged: HoldJudged,
  readings: readonly { readonly seconds: number; readonly kpa: number }[],
  gauge: GaugeId,
): string {
  const log = readings.map(({ seconds, kpa }) => `${clock(seconds)} ${shown(kpa, gauge)}`).join(', ')
  return `${holdWords(judged).title}. Gauge to ${GAUGES[gauge].label}: ${log}`
}
