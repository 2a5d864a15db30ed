import { createRoute, z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problem } from '../problem'
import { jobSheet } from '../sheet'
import { jobFile } from '../store/jobFile'
import { problemContent } from './session'

const params = z.object({ id: z.uuid() })

/** A job in open formats: JSON for machines, PDF for people. */
export function addJobs(app: Api, { database }: Services): void {
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/jobs/{id}/file.json',
      request: { params },
      responses: {
        200: { description: 'The whole job', content: { 'application/json': { schema: z.unknown() } } },
        404: { description: 'No such job in this shop', content: problemContent },
      },
    }),
    async (context) => {
      const file = await jobFile(database, context.get('session').shop.id, context.req.valid('param').id)
      if (!file) return problem(context, 404, 'There is no such job') as never
      return context.json(file as never, 200)
    },
  )
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/jobs/{id}/sheet.pdf',
      request: { params },
      responses: {
        200: { description: 'The job sheet', content: { 'application/pdf': { schema: z.unknown() } } },
        404: { description: 'No such job in this shop', content: problemContent },
      },
    }),
    async (context) => {
      const { shop } = context.get('session')
      const file = await jobFile(database, shop.id, context.req.valid('param').id)
      if (!file) return problem(context, 404, 'There is no such job') as never
      const pdf = await jobSheet(file, shop.name)
      return context.body(new Uint8Array(pdf), 200, {
        'content-type': 'application/pdf',
        'content-disposition': 'inline; filename="job-sheet.pdf"',
      }) as never
    },
  )
}
