import { type SyncResponse, syncRequest, syncResponse } from '@diarmos/contract'
import { createRoute } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { apply, changesSince } from '../store/sync'
import { problemContent } from './session'

/** One door for all edits and all changes: operations in, what changed since out. */
export function addSync(app: Api, { database }: Services): void {
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
        401: { description: 'Not signed in', content: problemContent },
        413: { description: 'Too large', content: problemContent },
        422: { description: 'Faults, each with its place', content: problemContent },
      },
    }),
    async (context) => {
      const { since, operations } = context.req.valid('json')
      const { person, shop } = context.get('session')
      const actor = { shopId: shop.id, personId: person.id }
      const results: SyncResponse['results'] = []
      for (const operation of operations) {
        // prices and rules are the owner's
        if (operation.kind === 'settings' && person.role === 'apprentice')
          results.push({
            opId: operation.opId,
            status: 'rejected',
            revision: 0,
            faults: [{ path: 'kind', message: 'an apprentice may not change the shop’s settings' }],
          })
        else results.push(await apply(database, actor, operation))
      }
      return context.json({ results, ...(await changesSince(database, shop.id, since)) }, 200)
    },
  )
}
