import { createRoute, z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { problem } from '../problem'
import { jobFile, unitOf } from '../store/jobFile'
import { solved } from './solved'

const params = z.object({ id: z.uuid() })

/** A job in open formats: JSON for machines, PDF for people. */
export function addJobs(app: Api, { database, solver }: Services): void {
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/jobs/{id}/file.json',
      request: { params },
      responses: {
        200: { description: 'The whole job', content: { 'application/json': { schema: z.unknown() } } },
        ...problems(401, 404, 422, 503),
      },
    }),
    async (context) => {
      const file = await jobFile(database, context.get('session').shop.id, context.req.valid('param').id)
      if (!file) return problem(context, 404, 'There is no such job')
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
        ...problems(401, 404, 422, 503),
      },
    }),
    async (context) => {
      const { shop } = context.get('session')
      const file = await jobFile(database, shop.id, context.req.valid('param').id)
      if (!file) return problem(context, 404, 'There is no such job')
      return solved(
        context,
        solver,
        { kind: 'sheet', file, shopName: shop.name, unit: await unitOf(database, shop.id) },
        (done) =>
          context.body(done.kind === 'sheet' ? new Uint8Array(done.pdf) : '', 200, {
            'content-type': 'application/pdf',
            'content-disposition': 'inline; filename="job-sheet.pdf"',
          }),
      ) as never
    },
  )
}
