import type { Held } from './types'

/** What one tab tells the others of the same person. */
export type Message =
  | {
      readonly kind: 'docs'
      readonly docs: readonly Held[]
      readonly gone: readonly (readonly [string, string])[]
      /** Something waits in the queue: whichever tab talks to the server has more to send. */
      readonly queued?: boolean
    }
  | { readonly kind: 'left' }

let channel: BroadcastChannel | null = null

/** Hears what other tabs of a person write. Without channels each tab is alone, and hears from the server. */
export function listen(personId: string, onMessage: (message: Message) => void): void {
  hush()
  if (typeof BroadcastChannel === 'undefined') return
  channel = new BroadcastChannel(`diarmos-${personId}`)
  channel.onmessage = ({ data }: MessageEvent<Message>) => onMessage(data)
}

export function tell(message: Message): void {
  channel?.postMessage(message)
}

export function hush(): void {
  channel?.close()
  channel = null
}

/**
 * One tab at a time, where the browser has locks (a secure context). Where another is at it, nothing is done: its work
 * is ours. Without locks two tabs may ask twice, and the server applies once.
 */
export async function alone(personId: string, work: () => Promise<void>): Promise<void> {
  if (typeof navigator === 'undefined' || !navigator.locks) return work()
  await navigator.locks.request(`diarmos-sync-${personId}`, { ifAvailable: true }, (lock) =>
    lock ? work() : undefined,
  )
}
