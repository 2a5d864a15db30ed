import { type SessionResponse, sessionResponse, signInRequest } from '@diarmos/contract'
import { createRoute } from '@hono/zod-openapi'
import { deleteCookie, getCookie, setCookie } from 'hono/cookie'
import { createMiddleware } from 'hono/factory'
import type { Api, Services } from '../app'
import { problems } from '../openapi'
import { placeOf } from '../place'
import { problem } from '../problem'
import { SignInLimits } from '../signInLimits'
import { signIn, signOut, whoIs } from '../store/people'

export interface Variables {
  session: SessionResponse
}

export const COOKIE = 'diarmos_session'

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
  const limits = new SignInLimits(services.signInAttempts ?? 10)
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
      security: [],
      request: { body: { required: true, content: { 'application/json': { schema: signInRequest } } } },
      responses: {
        200: { description: 'Signed in', content: { 'application/json': { schema: sessionResponse } } },
        ...problems(400, 401, 403, 413, 415, 422, 429, 503),
      },
    }),
    async (context) => {
      const { email, password } = context.req.valid('json')
      const account = email.trim().toLowerCase()
      const place = placeOf(context, services.behindProxy ?? false)
      const wait = await limits.attempt(account, place)
      if (wait !== null) {
        context.header('retry-after', String(wait))
        return problem(context, 429, 'Too many attempts from here: wait a quarter of an hour')
      }
      const who = await signIn(database, email, password)
      if (!who) return problem(context, 401, 'Address or password is wrong')
      await limits.succeeded(account, place)
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
        ...problems(401, 503),
      },
    }),
    async (context) => {
      const token = getCookie(context, COOKIE)
      const session = token ? await whoIs(database, token) : null
      if (!session) return problem(context, 401, 'Sign in first')
      return context.json(session, 200)
    },
  )

  app.openapi(
    createRoute({
      method: 'delete',
      path: '/api/session',
      responses: { 204: { description: 'Signed out' }, ...problems(403, 503) },
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
