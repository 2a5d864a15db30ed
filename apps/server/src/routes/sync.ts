import { type SyncResponse, syncRequest, syncResponse } from '@diarmos/contract'
import { createRoute } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { isAway } from '../away'
import { problems } from '../openapi'
import { apply } from '../store/apply'
import { changesSince } from '../store/changes'
import { presentGeneration } from '../store/generation'

/** One door for all edits and all changes: operations in, what changed since out. */
export function addSync(app: Api, { database, log }: Services): void {
  app.openapi(
    createRoute({
      method: 'post',
      path: '/api/sync',
      request: { body: { required: true, content: { 'application/json': { schema: syncRequest } } } },
      responses: {
        200: {
          description: 'What became of each operation, and what changed since the cursor',
          content: { 'application/json': { schema: syncResponse } },
        },
        ...problems(400, 401, 403, 413, 415, 422, 503),
      },
    }),
    async (context) => {
      const { since, operations, generation: known } = context.req.valid('json')
      const { person, shop } = context.get('session')
      const actor = { shopId: shop.id, personId: person.id, role: person.role }
      const { id: generation } = await presentGeneration(database, shop.id, { generation: known, since })
      // what the phone has was read from another database: it begins anew before anything else
      if (known !== null && known !== generation)
        return context.json({ generation, results: [], changes: [], cursor: 0, more: true }, 200)
      const results: SyncResponse['results'] = []
      const waiting = new Set<string>()
      for (const operation of operations) {
        const id = String((operation as { id?: unknown } | null)?.id)
        const later = () => ({
          opId: String((operation as { opId?: unknown } | null)?.opId ?? ''),
          status: 'later' as const,
          revision: 0,
          faults: [],
        })
        // what follows on one that could not be decided waits with it
        const result = waiting.has(id)
          ? later()
          : await apply(database, actor, operation).catch((error: Error) => {
              if (isAway(error)) throw error
              log.error({ name: error.name, stack: error.stack?.split('\n').slice(1, 6) }, 'edit put off')
              return later()
            })
        if (result.status === 'later') waiting.add(id)
        results.push(result)
      }
      return context.json({ generation, results, ...(await changesSince(database, shop.id, since)) }, 200)
    },
  )
}
