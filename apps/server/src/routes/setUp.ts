import { setUpRequest } from '@diarmos/contract'
import { createRoute } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { problem } from '../problem'
import { setUp } from '../store/setUp'

/** The first shop and its owner, by the one-time link that the first start prints. */
export function addSetUp(app: Api, { database }: Services): void {
  app.openapi(
    createRoute({
      method: 'post',
      path: '/api/set-up',
      security: [],
      request: { body: { required: true, content: { 'application/json': { schema: setUpRequest } } } },
      responses: { 204: { description: 'Made: sign in' }, ...problems(400, 403, 413, 415, 422, 503) },
    }),
    async (context) =>
      (await setUp(database, context.req.valid('json')))
        ? context.body(null, 204)
        : (problem(
            context,
            403,
            'This link was used, or is older than a day: start the server anew',
          ) as never),
  )
}
