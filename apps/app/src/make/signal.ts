import { useEffect, useRef } from 'react'

/** Two short tones and a buzz, as far as the platform has them and lets a page use them. */
function ring(): void {
  try {
    navigator.vibrate?.([200, 100, 200])
    const context = new AudioContext()
    for (const [at, hertz] of [
      [0, 660],
      [0.25, 880],
    ] as const) {
      const tone = context.createOscillator()
      tone.frequency.value = hertz
      tone.connect(context.destination)
      tone.start(context.currentTime + at)
      tone.stop(context.currentTime + at + 0.2)
    }
    setTimeout(() => void context.close(), 1000)
  } catch {
    // a page that may not sound still shows it
  }
}

/** Rings once when the last of what was waited for is over while the page is looked at. */
export function useRing(waiting: number): void {
  const before = useRef(waiting)
  useEffect(() => {
    if (waiting < before.current && document.visibilityState === 'visible') ring()
    before.current = waiting
  }, [waiting])
}

/** Keeps the screen awake while it is wanted, where the platform can. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return
    let lock: { release: () => Promise<void> } | null = null
    let gone = false
    const take = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (given) => {
          if (gone) void given.release()
          else lock = given
        },
        // refused on a low battery: the time is kept all the same
        () => undefined,
      )
    }
    take()
    document.addEventListener('visibilitychange', take)
    return () => {
      gone = true
      document.removeEventListener('visibilitychange', take)
      void lock?.release()
    }
  }, [wanted])
}
