import type { OperationName, OperationRequest, OperationResponse } from '@diarmos/contract'
import { useEffect, useId, useRef, useState } from 'react'
import { SolverQueue, Superseded } from './queue'
import type { SolverAnswer } from './solver.worker'

/** Faults that the solver found in a request, each with its place. */
export class SolverError extends Error {
  constructor(readonly faults: readonly { path: string; message: string }[]) {
    super(faults.map((fault) => `${fault.path}: ${fault.message}`).join('; '))
    this.name = 'SolverError'
  }
}

let worker: Worker | null = null

function start(): Worker {
  const made = new Worker(new URL('./solver.worker.ts', import.meta.url))
  made.onmessage = ({ data }: MessageEvent<SolverAnswer>) => {
    if (made !== worker) return
    queue.answered(data.id, ({ resolve, reject }) =>
      data.faults ? reject(new SolverError(data.faults)) : resolve(data.answer),
    )
  }
  made.onerror = () => {
    if (made !== worker) return
    worker = null
    queue.died(new Error('the solver stopped'))
  }
  return made
}

const queue = new SolverQueue({
  post: (id, operation, request) => {
    worker ??= start()
    worker.postMessage({ id, operation, request })
  },
  restart: () => {
    worker?.terminate()
    worker = null
  },
})

let once = 0

/** Runs one of the core's operations off the interface's thread. */
export function solve<Name extends OperationName>(
  operation: Name,
  request: OperationRequest<Name>,
): Promise<OperationResponse<Name>> {
  return queue.ask(`once ${++once}`, operation, request) as Promise<OperationResponse<Name>>
}

export interface Solved<Answer> {
  readonly answer: Answer | null
  readonly error: Error | null
  readonly busy: boolean
}

/**
 * The answer to a request that changes as facts change. The last answer stays while the next one is computed; only the
 * latest question is worked out, older ones are let go. `null` asks nothing.
 *
 * @param grows readings come one after the other: an answer to what there was a moment ago is shown, and the next is
 * asked of all there is by then
 */
export function useSolved<Name extends OperationName>(
  operation: Name,
  request: OperationRequest<Name> | null,
  grows = false,
): Solved<OperationResponse<Name>> {
  const [state, setState] = useState<{
    readonly answer: OperationResponse<Name> | null
    readonly error: Error | null
    /** The question that the answer is to. */
    readonly key: string | null
  }>({ answer: null, error: null, key: null })
  const slot = useId()
  const key = request === null ? null : JSON.stringify(request)
  const latest = useRef<string | null>(null)
  useEffect(() => {
    latest.current = key
    if (key === null) {
      queue.drop(slot)
      setState({ answer: null, error: null, key: null })
      return
    }
    queue.ask(slot, operation, JSON.parse(key), grows).then(
      (answer) => {
        if (grows || latest.current === key)
          setState({ answer: answer as OperationResponse<Name>, error: null, key })
      },
      (error: Error) => {
        if (latest.current === key && !(error instanceof Superseded))
          setState((before) => ({ ...before, error, key }))
      },
    )
  }, [operation, key, slot, grows])
  useEffect(() => () => queue.drop(slot), [slot])
  // from the moment at which something is asked, not from the next drawing on
  const busy = key !== null && state.key !== key
  return key === null
    ? { answer: null, error: null, busy }
    : { answer: state.answer, error: state.error, busy }
}
