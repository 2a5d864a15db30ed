import { getConnInfo } from '@hono/node-server/conninfo'
import type { Context } from 'hono'

/** Where a request comes from. What a header says of it counts only where a proxy of ours writes that header. */
export function placeOf(context: Context, behindProxy: boolean): string {
  if (behindProxy) {
    const last = context.req.header('x-forwarded-for')?.split(',').at(-1)?.trim()
    if (last) return last
  }
  try {
    return getConnInfo(context).remote.address ?? 'unknown'
  } catch {
    // no socket: within the process
    return context.req.header('x-test-place') ?? 'within'
  }
}
