import type { Problem } from '@diarmos/contract'
import type { Context } from 'hono'
import type { ContentfulStatusCode } from 'hono/utils/http-status'

/** An error as RFC 9457 has it. Its type fits every route: what a route declares are its own answers, and errors have one form. */
export function problem(
  context: Context,
  status: ContentfulStatusCode,
  title: string,
  extra: Pick<Problem, 'detail' | 'faults'> = {},
): never {
  const body: Problem = { type: 'about:blank', title, status, ...extra }
  return context.body(JSON.stringify(body), status, {
    'content-type': 'application/problem+json',
  }) as never
}
