import { endOfKind } from '@diarmos/core/words/ends'
import { useEffect, useState } from 'react'
import { useDraft } from '../data/draft'
import { usePreferences } from '../data/preferences'
import { type MadeUp, simulatedGauge } from '../devices/gauge'
import { useSolved } from '../workers/solver'
import { GAUGES, type GaugeId } from './pressure'

export interface Hold {
  /** What the line is made of, and its size; null where it is the job's own pipe. */
  readonly end: { readonly kind: string; readonly size: string } | null
  readonly lengthMm: number | null
  readonly gauge: GaugeId
  readonly streetKpa: number | null
  readonly stopProved: boolean
  /** ISO instants, in their order. */
  readonly readings: readonly { readonly at: string; readonly kpa: number }[]
  /** Those of the hold before, as long as it can be taken back. */
  readonly before?: Hold['readings']
}

/** As many as a record holds; a gauge that sends more is thinned, since it is not kept. */
export const MOST_READ = 200
/** Readings nearer to each other than this are one, ms. */
const TOGETHER_MS = 2000

const since = (readings: Hold['readings']) => {
  const first = Date.parse(readings[0]?.at ?? '')
  return readings.map(({ at, kpa }) => ({ seconds: (Date.parse(at) - first) / 1000, kpa }))
}

/** Every second one goes when there is no room for more: the first stays. */
const roomFor = (readings: Hold['readings']) =>
  readings.length < MOST_READ ? readings : readings.filter((_, index) => index % 2 === 0)

/** A hold that is being read: what is known of its line, its readings, and what they come to. */
export function useHold(key: string, ownPipe: string | null, stopProved: boolean) {
  const unit = usePreferences((state) => state.unit)
  const [hold, setHold, forget] = useDraft<Hold>(`hold ${key}`, {
    end: ownPipe ? null : unit === 'mm' ? { kind: 'copper-mm', size: '15' } : { kind: 'copper', size: '1/2' },
    lengthMm: null,
    gauge: unit === 'mm' ? 'bar-0.1' : 'psi-1',
    streetKpa: null,
    stopProved,
    readings: [],
  })
  const [stream, setStream] = useState<MadeUp | null>(null)
  const { gauge } = hold
  const stepKpa = GAUGES[gauge].step * GAUGES[gauge].kpa
  const [arrived, setArrived] = useState<Hold['readings']>([])
  useEffect(() => {
    if (stream === null) return
    setArrived([])
    const start = Math.round(690 / stepKpa) * stepKpa
    return simulatedGauge(stream, start, stepKpa).readings(({ at, kPa }) =>
      setArrived((before) => [...roomFor(before), { at, kpa: kPa }]),
    )
  }, [stream, stepKpa])
  const readings = stream === null ? hold.readings : arrived
  const log = since(readings)
  const pipeId = hold.end
    ? (endOfKind(hold.end.kind, hold.end.size)?.pipe?.replace('#', hold.end.size) ?? null)
    : ownPipe
  const request =
    hold.lengthMm !== null && pipeId !== null && log.length >= 2
      ? {
          lengths: [{ pipeId, lengthMm: hold.lengthMm }],
          stepKpa,
          streetKpa: hold.streetKpa,
          // the stand-in's stop is not proved: it may be the one that lets by
          stopProved: stream === null && hold.stopProved,
          readings: log,
        }
      : null
  const solved = useSolved('hold', request, stream !== null)
  return {
    hold,
    change: (patch: Partial<Hold>) => setHold({ ...hold, ...patch }),
    read: (kpa: number) => {
      const at = new Date()
      const last = Date.parse(hold.readings.at(-1)?.at ?? '')
      // a second touch, or a slip mended at once, is the same reading
      const before = at.getTime() - last < TOGETHER_MS ? hold.readings.slice(0, -1) : hold.readings
      if (before.length < MOST_READ)
        setHold({ ...hold, readings: [...before, { at: at.toISOString(), kpa }] })
    },
    forget,
    stream,
    setStream: (next: MadeUp | null) => {
      // what the stand-in has shown stays no reading of the job's
      setStream(next)
      setArrived([])
    },
    log,
    request,
    solved,
  }
}
