import type { Context } from 'hono'
import { problem } from '../problem'
import type { Done, Task } from '../solve/perform'
import { Busy, type Solver } from '../solve/pool'
import type { Variables } from './session'

const WAIT_SECONDS = { full: 5, share: 2, time: 10 } as const
const WORDS = {
  full: 'The server has as much to work out as it takes in; try again in a moment',
  share: 'You have as much to work out as one takes in; try again in a moment',
  time: 'This took too long and was stopped: ask for less at once',
} as const

/** Hands a task to the solver; what it cannot do now is answered with when to come again. */
export async function solved(
  context: Context<{ Variables: Variables }>,
  solver: Solver,
  task: Task,
  answer: (done: Exclude<Done, { kind: 'faults' }>) => Response,
): Promise<Response> {
  const { person, shop } = context.get('session')
  try {
    const done = await solver.do(task, { person: person.id, shop: shop.id }, context.req.raw.signal)
    if (done.kind !== 'faults') return answer(done)
    const title = done.status === 400 ? 'The request is not JSON' : 'The request has faults'
    return problem(context, done.status, title, { faults: [...done.faults] })
  } catch (error) {
    if (error instanceof Busy) {
      context.header('retry-after', String(WAIT_SECONDS[error.why]))
      return problem(context, 503, WORDS[error.why])
    }
    // nobody is left to hear it
    if (context.req.raw.signal.aborted) return problem(context, 503, 'The client went away')
    throw error
  }
}
