import { type Device, readLine } from './stream'

/** What a caliper sends. */
export type CaliperReading = { readonly at: string; readonly mm: number }

/** What may lie between the jaws of the stand-in, mm over the outside. */
export const BETWEEN = { '5/8 in': 15.88, '7/8 in': 22.22, '22 mm': 22, '27 mm': 26.9 } as const
export type Between = keyof typeof BETWEEN

const TICK_MS = 150
/** Jaws that close, mm over what lies between them. */
const OPEN_MM = [18, 7, 2.4, 0.6] as const
const STEP_MM = 0.01

/** A caliper that is not there: its jaws close on something, and then stand, to a hundredth of a millimetre. */
export function simulatedCaliper(what: Between): Device<CaliperReading> {
  return {
    readings(onReading) {
      let tick = 0
      const say = () => {
        const open = OPEN_MM[tick++] ?? 0
        const mm = Math.round((BETWEEN[what] + open) / STEP_MM) * STEP_MM
        const reading = readLine(JSON.stringify({ at: new Date().toISOString(), mm: Number(mm.toFixed(2)) }))
        if (reading && 'mm' in reading) onReading(reading)
      }
      say()
      const timer = setInterval(say, TICK_MS)
      return () => clearInterval(timer)
    },
  }
}

/** Readings in a row that are the same before one is taken. */
const STEADY = 3

/** What the jaws stand at, mm; null while they move. */
export function steady(readings: readonly CaliperReading[]): number | null {
  const last = readings.slice(-STEADY)
  return last.length === STEADY && last.every(({ mm }) => mm === last[0]?.mm) ? (last[0]?.mm ?? null) : null
}
