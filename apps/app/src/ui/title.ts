import { useEffect } from 'react'

/** Names the page in the tab and to who hears it. */
export function useTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} · Diarmos`
  }, [title])
}
