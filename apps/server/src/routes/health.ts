import { createRoute, z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'

/** Is the server up, and does its database answer? */
export function addHealth(app: Api, { database }: Services): void {
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/health',
      responses: {
        200: {
          description: 'Up, and the database answers',
          content: { 'application/json': { schema: z.object({ status: z.literal('up') }) } },
        },
        503: {
          description: 'Up, but the database does not answer',
          content: { 'application/json': { schema: z.object({ status: z.literal('no-database') }) } },
        },
      },
    }),
    async (context) => {
      try {
        await database.query('SELECT 1')
        return context.json({ status: 'up' as const }, 200)
      } catch {
        return context.json({ status: 'no-database' as const }, 503)
      }
    },
  )
  app.doc31('/api/openapi.json', {
    openapi: '3.1.0',
    info: { title: 'Diarmos', version: '1' },
  })
}
