import { useFocusEffect } from 'expo-router'
import { useCallback } from 'react'
import { toggleTheme } from '../data/preferences'
import { type JobView, STAGES, type Stage } from '../data/select'
import { undo } from '../data/store'
import type { LineService } from '../ui/service'

/** Keys that bring a line to the front. */
const LINE_KEYS: Readonly<Record<string, LineService>> = {
  h: 'hot',
  c: 'cold',
  o: 'spout',
  s: 'shower',
  y: 'spray',
  d: 'drain',
  b: 'branch',
  i: 'side',
}

interface Keys {
  readonly view: JobView
  readonly goTo: (stage: Stage) => void
  readonly showLine: (lineId: string) => void
  readonly onHelp: () => void
}

/** Keys of the job page: stages by number, lines by letter, undo, theme, help. The functions must be stable. */
export function useJobKeys({ view, goTo, showLine, onHelp }: Keys): void {
  // jobs opened before stay mounted beneath this one: only the page in front takes the keys
  useFocusEffect(
    useCallback(() => {
      const onKey = (event: KeyboardEvent) => {
        const at = event.target as HTMLElement | null
        if (at?.matches?.('input, textarea') || event.metaKey || event.ctrlKey || event.altKey) return
        // a sheet that is open takes the keys itself
        if (document.querySelector('[role="dialog"]')) return
        const stage = STAGES[Number(event.key) - 1]
        const wanted = view.here.lines.find((entry) => entry.line.fields.service === LINE_KEYS[event.key])
        if (stage) goTo(stage)
        else if (wanted) showLine(wanted.line.id)
        else if (event.key === 'u') void undo()
        else if (event.key === 't') toggleTheme()
        else if (event.key === '?') onHelp()
      }
      window.addEventListener('keydown', onKey)
      return () => window.removeEventListener('keydown', onKey)
    }, [view.here.lines, goTo, showLine, onHelp]),
  )
}
