import { router, useLocalSearchParams } from 'expo-router'
import { useCallback, useEffect, useRef, useState } from 'react'
import { type JobView, type LineView, STAGES, type Stage } from '../data/select'
import { afterSheets } from '../ui/useBackCloses'

type Params = { stage?: string; line?: string }

/** Turns to a stage: at once, or when something is done, unless somebody turned elsewhere meanwhile. */
export type GoTo = (stage: Stage, done?: Promise<unknown>) => void

/** The line that the job is about: the first that something goes onto, else the first that was looked at. */
const workedOn = (lines: readonly LineView[]): LineView | undefined =>
  lines.find(({ ends }) => ends !== null) ?? lines.find(({ observations }) => observations.length > 0)

/**
 * Where on the job page one is: in its address, so that a reload, a link and a second tab show the same. A touch shows at
 * once; the address follows when that is painted.
 */
export function usePlace(view: JobView): {
  readonly stage: Stage
  readonly line: LineView | undefined
  readonly goTo: GoTo
  readonly showLine: (lineId: string) => void
} {
  const { stage, line } = useLocalSearchParams<Params>()
  // opened where the job stands; after that the page turns only when it is told to
  const [opened] = useState<Stage>(view.stage)
  const [worked] = useState(() => workedOn(view.lines)?.line.id)
  const [touched, setTouched] = useState<Params>({ stage, line })
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const turns = useRef(0)
  useEffect(() => setTouched({ stage, line }), [stage, line])
  const turn = useCallback((patch: Params) => {
    setTouched((held) => {
      const next = { ...held, ...patch }
      clearTimeout(timer.current)
      timer.current = setTimeout(() => afterSheets(() => router.setParams(next)), 0)
      return next
    })
  }, [])
  const { lines } = view
  return {
    stage: STAGES.find((name) => name === touched.stage) ?? opened,
    // a line is named by what it carries, or by its id where two carry the same
    line:
      lines.find((entry) => [entry.line.fields.service, entry.line.id].includes(touched.line ?? '')) ??
      lines.find((entry) => entry.line.id === worked) ??
      lines[0],
    goTo: useCallback(
      (next: Stage, done?: Promise<unknown>) => {
        const asked = ++turns.current
        if (!done) turn({ stage: next })
        else void done.then(() => turns.current === asked && turn({ stage: next }))
      },
      [turn],
    ),
    showLine: useCallback(
      (lineId: string) => {
        turns.current++
        const service = lines.find((entry) => entry.line.id === lineId)?.line.fields.service
        const alone = lines.filter((entry) => entry.line.fields.service === service).length === 1
        turn({ line: service && alone ? service : lineId })
      },
      [turn, lines],
    ),
  }
}
