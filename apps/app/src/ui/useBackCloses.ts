import { useEffect, useRef } from 'react'

let sheets = 0
/** Those that are open, the last on top. */
let open: number[] = []
/** A step back that is about to be taken for a sheet that closed; another that opens at once takes its place. */
let pending: ReturnType<typeof setTimeout> | undefined
/** That step is being taken. */
let stepping = false
let waiting: (() => void)[] = []
/** What the address is to say of the sheet that opens next. */
let named: string | null = null

/** Names the sheet that is about to open, for the address; null where it will not. */
export function nameNextSheet(name: string | null): void {
  named = name
}

/** The present address, with the name of the sheet that opens now. */
function addressOfNext(): string {
  const url = new URL(location.href)
  if (named === null) url.searchParams.delete('sheet')
  else url.searchParams.set('sheet', named)
  named = null
  return url.href
}

function settled(): void {
  stepping = false
  const due = waiting
  waiting = []
  for (const work of due) work()
}

/** Changes the address once no step back is under way: what is written before would be taken back with it. */
export function afterSheets(work: () => void): void {
  if (pending === undefined && !stepping) work()
  else waiting.push(work)
}

const shown = () => (history.state as { sheet?: number } | null)?.sheet

/**
 * The browser's way back closes what was opened last, and leaves the page where it is. The entry that this puts into
 * the history carries what the router keeps there, so that the router finds itself where it was.
 */
export function useBackCloses(onClose: () => void): void {
  const latest = useRef(onClose)
  latest.current = onClose
  useEffect(() => {
    const sheet = ++sheets
    const address = addressOfNext()
    if (pending === undefined) history.pushState({ ...history.state, sheet }, '', address)
    else {
      clearTimeout(pending)
      pending = undefined
      history.replaceState({ ...history.state, sheet }, '', address)
      settled()
    }
    let gone = false
    open.push(sheet)
    const onBack = () => {
      // what lies on top of this has taken its own way back; the router may have written over what the history held
      if (stepping || open.at(-1) !== sheet || shown() === sheet) return
      gone = true
      latest.current()
    }
    window.addEventListener('popstate', onBack)
    return () => {
      window.removeEventListener('popstate', onBack)
      open = open.filter((one) => one !== sheet)
      if (gone || shown() !== sheet) return
      pending = setTimeout(() => {
        pending = undefined
        if (shown() !== sheet) return settled()
        stepping = true
        window.addEventListener('popstate', () => setTimeout(settled, 0), { once: true })
        history.back()
      }, 0)
    }
  }, [])
}
