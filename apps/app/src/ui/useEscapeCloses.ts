import { useLayoutEffect, useRef } from 'react'

/** What is open, the topmost last: it alone takes the key. */
const open: symbol[] = []

/**
 * Escape closes what was opened last, from the moment in which it is seen: the framework's own listener comes only
 * after the screen was painted, and a key pressed before that would be lost.
 */
export function useEscapeCloses(onClose: () => void): void {
  const latest = useRef(onClose)
  latest.current = onClose
  useLayoutEffect(() => {
    const own = Symbol('sheet')
    open.push(own)
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || open.at(-1) !== own) return
      event.stopImmediatePropagation()
      latest.current()
    }
    window.addEventListener('keydown', onKey, true)
    return () => {
      window.removeEventListener('keydown', onKey, true)
      open.splice(open.indexOf(own), 1)
    }
  }, [])
}
