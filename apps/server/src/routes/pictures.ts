import { createRoute, z } from '@hono/zod-openapi'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { problem } from '../problem'
import { pictureOf } from '../store/picture'

/** What hangs on a job: pictures and texts, one at a time, outside the stream of documents. */
export function addPictures(app: Api, { database }: Services): void {
  const binary = { schema: z.string().meta({ format: 'binary' }) }
  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/pictures/{id}',
      summary: 'One attachment as it was taken.',
      request: { params: z.object({ id: z.uuid() }) },
      responses: {
        200: {
          description: 'The picture or the text',
          content: { 'image/jpeg': binary, 'image/png': binary, 'text/plain': binary },
        },
        ...problems(401, 404, 422, 503),
      },
    }),
    async (context) => {
      const { id } = context.req.valid('param')
      const picture = await pictureOf(database, context.get('session').shop.id, id)
      if (!picture) return problem(context, 404, 'There is no such picture')
      // never read as anything but what it says it is
      return context.body(new Uint8Array(picture.bytes), 200, {
        'content-type': picture.mediaType,
        'content-disposition': `inline; filename="${id}"`,
        'x-content-type-options': 'nosniff',
      }) as never
    },
  )
}
