import { useCallback, useState } from 'react'

const PREFIX = 'diarmos.draft.'

/**
 * What is being filled in and not saved yet: a state that outlives a reload of its tab, and goes when it is saved or
 * when the person leaves.
 *
 * @returns the value, how to set it, and how to forget it once it is saved
 */
export function useDraft<Value>(key: string, initial: Value) {
  const name = PREFIX + key
  const [value, setValue] = useState<Value>(() => {
    try {
      const kept = sessionStorage.getItem(name)
      return kept === null ? initial : (JSON.parse(kept) as Value)
    } catch {
      return initial
    }
  })
  const set = useCallback(
    (next: Value) => {
      setValue(next)
      try {
        sessionStorage.setItem(name, JSON.stringify(next))
      } catch {
        // a full store: the draft lives as long as the page
      }
    },
    [name],
  )
  const forget = useCallback(() => sessionStorage.removeItem(name), [name])
  return [value, set, forget] as const
}

/** Nobody who signs in next sees what was being written. */
export function forgetDrafts(): void {
  for (const name of Object.keys(sessionStorage)) if (name.startsWith(PREFIX)) sessionStorage.removeItem(name)
}
