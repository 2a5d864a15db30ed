import { createRoute, z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { problem } from '../problem'
import { COOKIE } from './session'

/** Is the server up, and does its database answer? */
export function addHealth(app: Api, { database }: Services): void {
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/health',
      security: [],
      responses: {
        200: {
          description: 'Up, and the database answers',
          content: { 'application/json': { schema: z.object({ status: z.literal('up') }) } },
        },
        ...problems(503),
      },
    }),
    async (context) => {
      try {
        await database.query('SELECT 1')
        return context.json({ status: 'up' as const }, 200)
      } catch {
        context.header('retry-after', '2')
        return problem(context, 503, 'The database does not answer')
      }
    },
  )
  app.openAPIRegistry.registerComponent('securitySchemes', 'session', {
    type: 'apiKey',
    in: 'cookie',
    name: COOKIE,
  })
  app.doc31('/api/openapi.json', {
    openapi: '3.1.0',
    info: { title: 'Diarmos', version: '1' },
    // all but the door itself
    security: [{ session: [] }],
  })
}
