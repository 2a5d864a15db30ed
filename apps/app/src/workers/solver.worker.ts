import { InvalidRequestError, isOperation, runOperation } from '@diarmos/contract'

export interface SolverQuestion {
  readonly id: number
  readonly operation: string
  readonly request: unknown
}
export interface SolverAnswer {
  readonly id: number
  readonly answer?: unknown
  readonly faults?: readonly { path: string; message: string }[]
  readonly ms: number
}

// the types of a page are loaded, and this runs in a worker
const scope = self as unknown as {
  onmessage: ((event: MessageEvent<SolverQuestion>) => void) | null
  postMessage(message: SolverAnswer): void
}

scope.onmessage = ({ data: { id, operation, request } }) => {
  const begin = performance.now()
  const ms = () => performance.now() - begin
  try {
    if (!isOperation(operation))
      throw new InvalidRequestError([{ path: 'operation', message: `no ${operation}` }])
    const answer = runOperation(operation, request)
    scope.postMessage({ id, answer, ms: ms() })
  } catch (error) {
    const faults =
      error instanceof InvalidRequestError
        ? error.faults
        : [{ path: '(whole)', message: error instanceof Error ? error.message : String(error) }]
    scope.postMessage({ id, faults, ms: ms() })
  }
}
