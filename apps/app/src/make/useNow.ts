import { useEffect, useState } from 'react'

/** The time now, ms, anew each second while something runs; on return to the page at once. */
export function useNow(running: boolean): number {
  const [now, setNow] = useState(Date.now)
  useEffect(() => {
    if (!running) return
    const look = () => setNow(Date.now())
    look()
    const timer = setInterval(look, 1000)
    document.addEventListener('visibilitychange', look)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', look)
    }
  }, [running])
  return now
}
