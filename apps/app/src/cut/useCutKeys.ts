import { useFocusEffect } from 'expo-router'
import { useCallback, useRef } from 'react'

/** Keys of the cutting stage: m measures what is asked for next, w goes to the saw. Null where there is nothing to do. */
export function useCutKeys(measure: (() => void) | null, saw: (() => void) | null): void {
  const latest = useRef({ measure, saw })
  latest.current = { measure, saw }
  // only the page in front takes the keys
  useFocusEffect(
    useCallback(() => {
      const onKey = (event: KeyboardEvent) => {
        if (event.target instanceof HTMLInputElement || event.metaKey || event.ctrlKey || event.altKey) return
        if (document.querySelector('[role="dialog"]')) return
        if (event.key === 'm') latest.current.measure?.()
        else if (event.key === 'w') latest.current.saw?.()
      }
      window.addEventListener('keydown', onKey)
      return () => window.removeEventListener('keydown', onKey)
    }, []),
  )
}
