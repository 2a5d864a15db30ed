import type { Problem, SessionResponse, SetUpRequest, SyncResponse } from '@diarmos/contract'
import type { OperationRecord } from './types'

/** What the server said no to. `status` 0 means that it could not be reached. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message)
    this.name = 'ApiError'
  }
}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      credentials: 'same-origin',
      // who leaves may close the page before it is through
      ...(method === 'DELETE' ? { keepalive: true } : {}),
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
  } catch {
    throw new ApiError(0, 'The shop’s server cannot be reached.')
  }
  if (response.status === 204) return undefined as T
  const type = response.headers.get('content-type') ?? ''
  if (!response.ok) {
    const problem = type.includes('json') ? ((await response.json()) as Problem) : null
    const faults = problem?.faults?.map((fault) => `${fault.path}: ${fault.message}`).join('; ')
    throw new ApiError(
      response.status,
      [problem?.title ?? `Error ${response.status}`, faults].filter(Boolean).join('. '),
    )
  }
  return (await response.json()) as T
}

export const signIn = (email: string, password: string) =>
  call<SessionResponse>('POST', '/api/session', { email, password })
/** Opens a new shop, by the one-time word of its link. */
export const setUp = (request: SetUpRequest) => call<void>('POST', '/api/set-up', request)
export const signOut = () => call<void>('DELETE', '/api/session')
export const whoAmI = () => call<SessionResponse>('GET', '/api/session')
/** A house, a point or a job that was removed lately. */
export interface Removed {
  readonly kind: 'property' | 'point' | 'job'
  readonly id: string
  readonly name: string
  readonly at: string
}
export const removedLately = async () => (await call<{ removed: Removed[] }>('GET', '/api/removed')).removed
/** What a fresh phone needs first. */
export const day = async () =>
  (await call<Partial<Pick<SyncResponse, 'changes'>>>('GET', '/api/day')).changes ?? []
export const sync = (generation: string | null, since: number, operations: readonly OperationRecord[]) =>
  call<SyncResponse>('POST', '/api/sync', { generation, since, operations })
