import type { OperationName, OperationRequest, OperationResponse } from '@diarmos/contract'
import { useEffect, useRef, useState } from 'react'
import type { SolverAnswer } from './solver.worker'

/** Faults that the solver found in a request, each with its place. */
export class SolverError extends Error {
  constructor(readonly faults: readonly { path: string; message: string }[]) {
    super(faults.map((fault) => `${fault.path}: ${fault.message}`).join('; '))
    this.name = 'SolverError'
  }
}

type Waiting = { resolve: (answer: unknown) => void; reject: (error: Error) => void }

let worker: Worker | null = null
let count = 0
const waiting = new Map<number, Waiting>()

function start(): Worker {
  const made = new Worker(new URL('./solver.worker.ts', import.meta.url))
  made.onmessage = ({ data }: MessageEvent<SolverAnswer>) => {
    const caller = waiting.get(data.id)
    waiting.delete(data.id)
    if (data.faults) caller?.reject(new SolverError(data.faults))
    else caller?.resolve(data.answer)
  }
  made.onerror = () => {
    // a worker that dies takes its questions with it; the next question starts a new one
    for (const caller of waiting.values()) caller.reject(new Error('the solver stopped'))
    waiting.clear()
    worker = null
  }
  return made
}

/** Runs one of the core's operations off the interface's thread. */
export function solve<Name extends OperationName>(
  operation: Name,
  request: OperationRequest<Name>,
): Promise<OperationResponse<Name>> {
  worker ??= start()
  const id = ++count
  const current = worker
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject })
    current.postMessage({ id, operation, request })
  })
}

export interface Solved<Answer> {
  readonly answer: Answer | null
  readonly error: Error | null
  readonly busy: boolean
}

/**
 * The answer to a request that changes as facts change. The last answer stays while the next one is computed;
 * late answers to old questions are dropped. `null` asks nothing.
 */
export function useSolved<Name extends OperationName>(
  operation: Name,
  request: OperationRequest<Name> | null,
): Solved<OperationResponse<Name>> {
  const [state, setState] = useState<Solved<OperationResponse<Name>>>({
    answer: null,
    error: null,
    busy: false,
  })
  const key = request === null ? null : JSON.stringify(request)
  const latest = useRef<string | null>(null)
  useEffect(() => {
    latest.current = key
    if (key === null) {
      setState({ answer: null, error: null, busy: false })
      return
    }
    setState((before) => ({ ...before, busy: true }))
    solve(operation, JSON.parse(key) as OperationRequest<Name>).then(
      (answer) => {
        if (latest.current === key) setState({ answer, error: null, busy: false })
      },
      (error: Error) => {
        if (latest.current === key) setState((before) => ({ ...before, error, busy: false }))
      },
    )
  }, [operation, key])
  return state
}
