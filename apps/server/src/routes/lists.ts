import { createRoute, z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { problem } from '../problem'
import { dayOf } from '../store/changes'
import { jobPage } from '../store/jobPages'
import { removedLately } from '../store/removed'

const jobLine = z.object({
  id: z.uuid(),
  title: z.string(),
  state: z.enum(['open', 'closed']),
  openedAt: z.string(),
  point: z.string(),
  property: z.string(),
})
const removed = z.object({
  kind: z.enum(['property', 'point', 'job']),
  id: z.uuid(),
  name: z.string(),
  at: z.string(),
})
const query = z.object({
  q: z
    .string()
    .max(200)
    .regex(/^[^\0]*$/)
    .default(''),
  state: z.enum(['open', 'closed', 'all']).default('all'),
  after: z.string().max(100).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(50),
})

const write = ({ openedAt, id }: { openedAt: string; id: string }) =>
  Buffer.from(`${openedAt} ${id}`).toString('base64url')
function read(cursor: string): { openedAt: string; id: string } | null {
  const [openedAt = '', id = ''] = Buffer.from(cursor, 'base64url').toString('utf8').split(' ')
  return z.iso.datetime().safeParse(openedAt).success && z.uuid().safeParse(id).success
    ? { openedAt, id }
    : null
}

/** Lists that the server makes: jobs by page and word, what was removed, and what a fresh phone needs first. */
export function addLists(app: Api, { database }: Services): void {
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/jobs',
      summary: 'Jobs, the newest first, a page at a time; `next` is the `after` of the page that follows.',
      request: { query },
      responses: {
        200: {
          description: 'A page of jobs',
          content: {
            'application/json': { schema: z.object({ jobs: z.array(jobLine), next: z.string().nullable() }) },
          },
        },
        ...problems(401, 422, 503),
      },
    }),
    async (context) => {
      const { q, state, after, limit } = context.req.valid('query')
      const from = after === undefined ? null : read(after)
      if (after !== undefined && !from)
        return problem(context, 422, 'The request has faults', {
          faults: [{ path: 'after', message: 'is no place in the list' }],
        })
      const words = q.split(/\s+/).filter((word) => word !== '')
      const jobs = await jobPage(database, context.get('session').shop.id, {
        words: words.slice(0, 8),
        state,
        after: from,
        limit: limit + 1,
      })
      const page = jobs.slice(0, limit)
      const last = page.at(-1)
      return context.json({ jobs: page, next: jobs.length > limit && last ? write(last) : null }, 200)
    },
  )
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/removed',
      summary: 'Houses, points and jobs that were removed within thirty days.',
      responses: {
        200: {
          description: 'The latest first',
          content: { 'application/json': { schema: z.object({ removed: z.array(removed) }) } },
        },
        ...problems(401, 503),
      },
    }),
    async (context) =>
      context.json({ removed: await removedLately(database, context.get('session').shop.id) }, 200),
  )
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/day',
      summary: 'What a fresh phone needs first: open jobs with all that belongs to them.',
      responses: {
        200: {
          description: 'Documents as a sync gives them',
          content: { 'application/json': { schema: z.object({ changes: z.array(z.unknown()) }) } },
        },
        ...problems(401, 503),
      },
    }),
    async (context) => context.json({ changes: await dayOf(database, context.get('session').shop.id) }, 200),
  )
}
