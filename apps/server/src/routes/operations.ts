import { InvalidRequestError, type OperationName, operations, runOperation } from '@diarmos/contract'
import { createRoute, z } from '@hono/zod-openapi'
import type { Api } from '../app'
import { problem } from '../problem'
import { problemContent } from './session'

/** The core's operations over HTTP: the same requests and answers as on the command line. */
export function addOperations(app: Api): void {
  for (const name of Object.keys(operations) as OperationName[]) {
    const { summary, request } = operations[name]
    app.openapi(
      createRoute({
        method: 'post',
        path: `/api/run/${name}`,
        summary,
        request: {
          body: { required: true, content: { 'application/json': { schema: request as z.ZodType } } },
        },
        responses: {
          200: { description: 'The answer', content: { 'application/json': { schema: z.unknown() } } },
          422: { description: 'Faults, each with its place', content: problemContent },
        },
      }),
      (context) => {
        try {
          return context.json(runOperation(name, context.req.valid('json')) as never, 200)
        } catch (error) {
          if (error instanceof InvalidRequestError)
            return problem(context, 422, 'The request has faults', { faults: [...error.faults] }) as never
          throw error
        }
      },
    )
  }
}
