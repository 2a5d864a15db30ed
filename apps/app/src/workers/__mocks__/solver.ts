import {
  type OperationName,
  type OperationRequest,
  type OperationResponse,
  runOperation,
} from '@diarmos/contract'

interface Answered {
  readonly answer: unknown
  readonly error: Error | null
  readonly busy: boolean
}
const known = new Map<string, Answered>()

function ask(operation: OperationName, request: unknown): Answered {
  try {
    return { answer: runOperation(operation, request), error: null, busy: false }
  } catch (error) {
    return { answer: null, error: error as Error, busy: false }
  }
}

/** The solver without a worker: the same core, answered at once. For tests only. */
export function useSolved<Name extends OperationName>(
  operation: Name,
  request: OperationRequest<Name> | null,
): { answer: OperationResponse<Name> | null; error: Error | null; busy: boolean } {
  if (request === null) return { answer: null, error: null, busy: false }
  const key = `${operation} ${JSON.stringify(request)}`
  const answered = known.get(key) ?? ask(operation, request)
  known.set(key, answered)
  return answered as { answer: OperationResponse<Name>; error: null; busy: false }
}

/** Runs an operation once, in a later turn as a worker does. */
export async function solve<Name extends OperationName>(
  operation: Name,
  request: OperationRequest<Name>,
): Promise<OperationResponse<Name>> {
  await Promise.resolve()
  return runOperation(operation, request) as OperationResponse<Name>
}
