import { type OperationName, operations } from '@diarmos/contract'
import { z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { solved } from './solved'

/** The core's operations over HTTP: the same requests and answers as on the command line. */
export function addOperations(app: Api, { solver }: Services): void {
  for (const name of Object.keys(operations) as OperationName[]) {
    const { summary, request } = operations[name]
    app.openAPIRegistry.registerPath({
      method: 'post',
      path: `/api/run/${name}`,
      summary,
      request: {
        body: { required: true, content: { 'application/json': { schema: request as z.ZodType } } },
      },
      responses: {
        200: { description: 'The answer', content: { 'application/json': { schema: z.unknown() } } },
        ...problems(400, 401, 413, 415, 422, 503),
      },
    })
    // read and checked where it is worked out, not here
    app.post(`/api/run/${name}`, async (context) =>
      solved(context, solver, { kind: 'run', operation: name, body: await context.req.text() }, (done) =>
        context.body(done.kind === 'answer' ? done.json : '', 200, { 'content-type': 'application/json' }),
      ),
    )
  }
}
