import {
  problem as problemSchema,
  type SessionResponse,
  sessionResponse,
  signInRequest,
} from '@diarmos/contract'
import { createRoute } from '@hono/zod-openapi'
import { deleteCookie, getCookie, setCookie } from 'hono/cookie'
import { createMiddleware } from 'hono/factory'
import { RateLimiterMemory } from 'rate-limiter-flexible'
import type { Api, Services } from '../app'
import { problem } from '../problem'
import { signIn, signOut, whoIs } from '../store/people'

export interface Variables {
  session: SessionResponse
}

const COOKIE = 'diarmos_session'
const QUARTER_HOUR = 900
export const problemContent = { 'application/problem+json': { schema: problemSchema } }

/** Lets only signed-in people pass, and says who it is. */
export function signedIn({ database }: Services) {
  return createMiddleware<{ Variables: Variables }>(async (context, next) => {
    const token = getCookie(context, COOKIE)
    const session = token ? await whoIs(database, token) : null
    if (!session) return problem(context, 401, 'Sign in first')
    context.set('session', session)
    await next()
    return undefined
  })
}

/** Sign-in, sign-out, and who is signed in. */
export function addSession(app: Api, services: Services): void {
  const { database } = services
  const limiter = new RateLimiterMemory({ points: services.signInAttempts ?? 10, duration: QUARTER_HOUR })
  const cookie = {
    httpOnly: true,
    sameSite: 'Lax' as const,
    path: '/',
    secure: services.https ?? false,
  }

  app.openapi(
    createRoute({
      method: 'post',
      path: '/api/session',
      request: { body: { required: true, content: { 'application/json': { schema: signInRequest } } } },
      responses: {
        200: { description: 'Signed in', content: { 'application/json': { schema: sessionResponse } } },
        401: { description: 'Wrong address or password', content: problemContent },
        429: { description: 'Too many attempts', content: problemContent },
      },
    }),
    async (context) => {
      const { email, password } = context.req.valid('json')
      const key = email.trim().toLowerCase()
      try {
        await limiter.consume(key)
      } catch {
        context.header('retry-after', String(QUARTER_HOUR))
        return problem(context, 429, 'Too many attempts for this address: wait a quarter of an hour') as never
      }
      const who = await signIn(database, email, password)
      if (!who) return problem(context, 401, 'Address or password is wrong') as never
      await limiter.delete(key)
      setCookie(context, COOKIE, who.token, { ...cookie, expires: who.expires })
      return context.json({ person: who.person, shop: who.shop }, 200)
    },
  )

  app.openapi(
    createRoute({
      method: 'get',
      path: '/api/session',
      responses: {
        200: {
          description: 'Who is signed in',
          content: { 'application/json': { schema: sessionResponse } },
        },
        401: { description: 'Nobody', content: problemContent },
      },
    }),
    async (context) => {
      const token = getCookie(context, COOKIE)
      const session = token ? await whoIs(database, token) : null
      if (!session) return problem(context, 401, 'Sign in first') as never
      return context.json(session, 200)
    },
  )

  app.openapi(
    createRoute({
      method: 'delete',
      path: '/api/session',
      responses: { 204: { description: 'Signed out' } },
    }),
    async (context) => {
      const token = getCookie(context, COOKIE)
      const session = token ? await whoIs(database, token) : null
      if (token && session) await signOut(database, session.shop.id, token)
      deleteCookie(context, COOKIE, cookie)
      return context.body(null, 204)
    },
  )
}
