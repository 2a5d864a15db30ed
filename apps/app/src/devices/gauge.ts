import { type Device, readLine } from './stream'

/** What a gauge sends. */
export type GaugeReading = { readonly at: string; readonly kPa: number }

/** What can be wrong with the line that the stand-in hangs on. */
export const MADE_UP = {
  tight: { leak: 0, seep: 0, cools: 4 },
  leaks: { leak: 0.035, seep: 0, cools: 4 },
  passes: { leak: 0, seep: 0.12, cools: 2 },
} as const
export type MadeUp = keyof typeof MADE_UP

/** A minute of the line goes by in each second. */
const FASTER = 60
const TICK_MS = 1000
const STREET_KPA = 380

/**
 * A gauge that is not there: a line that cools, leaks or is fed past its stop, by rule of thumb and not by the core's
 * account, rounded to the gauge's step.
 */
export function simulatedGauge(what: MadeUp, startKpa: number, stepKpa: number): Device<GaugeReading> {
  return {
    readings(onReading) {
      const begin = Date.now()
      const { leak, seep, cools } = MADE_UP[what]
      let minutes = 0
      let drawn = startKpa
      const say = () => {
        const kpa = drawn - cools * stepKpa * (1 - Math.exp(-minutes / 8))
        const line = JSON.stringify({
          at: new Date(begin + minutes * FASTER * TICK_MS).toISOString(),
          kPa: Math.max(0, Math.round(kpa / stepKpa) * stepKpa),
        })
        const reading = readLine(line)
        if (reading && 'kPa' in reading) onReading(reading)
        drawn += seep * (STREET_KPA - drawn) - leak * Math.sqrt(Math.max(0, drawn) * startKpa)
        minutes++
      }
      say()
      const timer = setInterval(say, TICK_MS)
      return () => clearInterval(timer)
    },
  }
}
