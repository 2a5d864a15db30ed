import { ApiError } from './api'
import { exchange } from './exchange'
import { local, useData } from './state'
import { alone } from './tabs'

const POLL_MS = 20_000

let timer: ReturnType<typeof setTimeout> | undefined
let running: Promise<void> | null = null
let again = false

function onFault(error: unknown): void {
  const status = error instanceof ApiError ? error.status : -1
  // a server that is coming back is as good as none: the phone works by itself
  const away = status === 0 || status >= 502
  useData.setState((state) => ({
    online: !away,
    expired: status === 401 || state.expired,
    fault: away || status === 401 ? null : (error as Error).message,
  }))
}

/** Sends what is queued and fetches what changed; one at a time, and again when asked meanwhile. */
export function syncSoon(): Promise<void> {
  if (running) {
    again = true
    return running
  }
  const { database, personId } = local
  if (!database) return Promise.resolve()
  running = alone(personId, () => exchange(database))
    .catch((error: unknown) => {
      if (database === local.database) onFault(error)
    })
    .finally(() => {
      running = null
      clearTimeout(timer)
      if (!local.database) return
      if (again) {
        again = false
        void syncSoon()
      } else timer = setTimeout(syncSoon, POLL_MS)
    })
  return running
}

/** No more exchanges until the next sign-in. */
export function stopSyncing(): void {
  clearTimeout(timer)
  again = false
}
