import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { faultsOf } from '@diarmos/contract'
import { serveStatic } from '@hono/node-server/serve-static'
import { OpenAPIHono } from '@hono/zod-openapi'
import { bodyLimit } from 'hono/body-limit'
import { compress } from 'hono/compress'
import { secureHeaders } from 'hono/secure-headers'
import type { DataSource } from 'typeorm'
import { isAway } from './away'
import type { Log } from './log'
import { problem } from './problem'
import { addHealth } from './routes/health'
import { addJobs } from './routes/jobs'
import { addLists } from './routes/lists'
import { addOperations } from './routes/operations'
import { addPictures } from './routes/pictures'
import { addSession, signedIn, type Variables } from './routes/session'
import { addSetUp } from './routes/setUp'
import { addSync } from './routes/sync'
import type { Solver } from './solve/pool'

export interface Services {
  readonly database: DataSource
  readonly log: Log
  readonly webFolder?: string
  readonly solver: Solver
  readonly https?: boolean
  /** Hosts that this server answers for, with their ports; anything where it is left out. */
  readonly hosts?: () => ReadonlySet<string>
  /** A proxy in front says where requests come from. */
  readonly behindProxy?: boolean
  /** Sign-in attempts for one account from one place within a quarter of an hour. */
  readonly signInAttempts?: number
}

export type Api = OpenAPIHono<{ Variables: Variables }>

const LARGEST_BODY = 1_500_000

/** True where a request that changes something comes from our own pages. */
function sameOrigin(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site')
  if (site !== null && site !== 'same-origin' && site !== 'none') return false
  const origin = request.headers.get('origin')
  if (origin === null) return true
  try {
    return new URL(origin).host === request.headers.get('host')
  } catch {
    return false
  }
}

/** The whole server as one handler; it listens nowhere by itself. */
export function makeApp(services: Services): Api {
  const app: Api = new OpenAPIHono<{ Variables: Variables }>({
    defaultHook: (result, context) =>
      result.success
        ? undefined
        : problem(context, 422, 'The request has faults', { faults: faultsOf(result.error as never) }),
  })
  app.use(async (context, next) => {
    const begin = performance.now()
    await next()
    services.log.info({
      method: context.req.method,
      // ids stay out of the log: the pattern says enough
      path: context.req.path.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, ':id'),
      status: context.res.status,
      ms: Math.round(performance.now() - begin),
    })
  })
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // react-native-web writes its style sheet into the page
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        workerSrc: ["'self'"],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
      referrerPolicy: 'no-referrer',
      xFrameOptions: 'DENY',
      permissionsPolicy: { camera: ['self'], geolocation: [], microphone: [] },
      ...(services.https ? {} : { strictTransportSecurity: false }),
    }),
  )
  app.use(async (context, next) => {
    const hosts = services.hosts?.()
    if (hosts && !hosts.has(context.req.header('host') ?? ''))
      return problem(context, 421, 'This server does not answer for that host')
    return next()
  })
  app.use('/api/*', compress({ threshold: 1400 }))
  app.use('/api/*', async (context, next) => {
    await next()
    if (!context.res.body || context.res.headers.has('content-length')) return
    // answers are whole in memory: said how long they are, small ones are left as they are
    const body = await context.res.arrayBuffer()
    context.res = new Response(body, context.res)
    context.res.headers.set('content-length', String(body.byteLength))
  })
  app.use('/api/*', async (context, next) => {
    context.header('cache-control', 'no-store')
    const type = context.req.header('content-type') ?? ''
    if (context.req.method === 'POST' && !/^application\/json\s*(;|$)/i.test(type))
      return problem(context, 415, 'The request is not JSON', { detail: 'Content-Type: application/json' })
    if (!['GET', 'HEAD'].includes(context.req.method) && !sameOrigin(context.req.raw))
      return problem(context, 403, 'The request comes from another site')
    return next()
  })
  app.use(
    '/api/*',
    bodyLimit({
      maxSize: LARGEST_BODY,
      onError: (context) =>
        problem(context, 413, 'The request is too large', { detail: `At most ${LARGEST_BODY} bytes.` }),
    }),
  )

  addHealth(app, services)
  addSession(app, services)
  addSetUp(app, services)
  app.use('/api/*', signedIn(services))
  addSync(app, services)
  addOperations(app, services)
  addLists(app, services)
  addPictures(app, services)
  addJobs(app, services)
  app.all('/api/*', (context) => problem(context, 404, 'There is no such address'))
  if (services.webFolder) addPages(app, services.webFolder)

  app.notFound((context) => problem(context, 404, 'There is no such address'))
  app.onError((error, context) => {
    if (isAway(error)) {
      context.header('retry-after', '2')
      return problem(context, 503, 'The database does not answer; what you send is kept on the phone')
    }
    if (error instanceof SyntaxError || error.message.includes('Malformed JSON'))
      return problem(context, 400, 'The request is not JSON', {
        faults: [{ path: '(whole)', message: 'not JSON' }],
      })
    services.log.error({ name: error.name, stack: error.stack?.split('\n').slice(1, 6) }, 'unexpected')
    return problem(context, 500, 'Something went wrong here; the phone keeps what it sent')
  })
  return app
}

/** The web application: hashed files for ever, everything else asked for anew. */
function addPages(app: Api, folder: string): void {
  const root = path.relative(process.cwd(), folder)
  app.use(
    '*',
    serveStatic({
      root,
      precompressed: true,
      onFound: (file, context) => {
        const hashed = /[.-][0-9a-f]{32}\./.test(file)
        context.header('cache-control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache')
      },
    }),
  )
  const index = path.join(folder, 'index.html')
  app.get('*', (context) => {
    if (!existsSync(index)) return problem(context, 503, 'The application is not built')
    return context.html(readFileSync(index, 'utf8'), 200, { 'cache-control': 'no-cache' })
  })
}
