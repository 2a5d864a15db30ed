import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fuzzRequest } from '../../../bench/fuzz/requests'
import { demoId } from '../src/demo/identifiers'
import { hostsOf } from '../src/hosts'
import { SignInLimits } from '../src/signInLimits'
import { FairQueue } from '../src/solve/fairQueue'
import { Busy, makeSolver, type Solver } from '../src/solve/pool'
import { type Harness, harness, sync } from './harness'

describe('the queue of the solver', () => {
  // the property by which the pool hands over whose a task is
  const { Piscina } = jest.requireActual('piscina') as typeof import('piscina')
  const task = (shop: string, person: string, n: number) =>
    ({ [Piscina.queueOptionsSymbol]: { shop, person }, n }) as never
  const drain = (queue: FairQueue) => {
    const order: number[] = []
    for (let next = queue.shift(); next; next = queue.shift())
      // the number that the task was made with
      order.push((next as unknown as { n: number }).n)
    return order
  }

  it('goes from shop to shop and from person to person: who asks much waits behind himself alone', () => {
    const queue = new FairQueue()
    for (let n = 0; n < 5; n++) queue.push(task('a', 'eager', n))
    queue.push(task('a', 'modest', 10))
    queue.push(task('b', 'other', 20))
    queue.push(task('b', 'other', 21))
    expect(queue.size).toBe(8)
    expect(drain(queue)).toEqual([0, 20, 10, 21, 1, 2, 3, 4])
    expect(queue.size).toBe(0)
  })

  it('lets go of a task that is taken back, and of no other', () => {
    const queue = new FairQueue()
    const tasks = [1, 2, 3].map((n) => task('a', 'x', n))
    for (const entry of tasks) queue.push(entry)
    queue.remove(tasks[1] as never)
    queue.remove(tasks[1] as never)
    expect(queue.size).toBe(2)
    expect(drain(queue)).toEqual([1, 3])
  })
})

describe('the solver', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-solver-'))
  const filename = path.join(folder, 'solve.mjs')
  let solver: Solver
  const cutting = (lengths: number) => ({
    kind: 'run' as const,
    operation: 'cutting-plan',
    body: JSON.stringify({
      pieces: Array.from({ length: lengths }, (_, n) => ({
        name: `${n}`,
        mm: 100.01 + ((n * 7919) % 900) * 1.013,
      })),
      stock: [3000.01, 2743.37, 1829.13, 6000.07].map((mm) => ({ mm })),
    }),
  })
  // forty odd lengths: uses up every step it has
  const slow = cutting(40)
  const quick = { kind: 'run' as const, operation: 'units', body: '{"text":"2 11/16"}' }
  const make = (options: object) => makeSolver({ filename, threads: 1, ...options })
  beforeAll(async () => {
    const { build } = await import('esbuild')
    await build({
      entryPoints: [path.join(__dirname, '../src/solve/solve.worker.ts')],
      outfile: filename,
      bundle: true,
      platform: 'node',
      format: 'esm',
      external: ['pdfkit', 'pdfkit/output', 'svg-to-pdfkit'],
      logLevel: 'error',
      plugins: [
        {
          name: 'no-sheet',
          setup: (b) => {
            b.onResolve({ filter: /^@diarmos\/sheet$/ }, () => ({ path: 'sheet', namespace: 'none' }))
            b.onLoad({ filter: /.*/, namespace: 'none' }, () => ({
              contents: 'export const [print, sheetBlocks] = []',
            }))
          },
        },
      ],
    })
  })
  afterEach(() => solver.stop())
  afterAll(() => rmSync(folder, { recursive: true }))

  it('answers as the core does, with faults where there are any', async () => {
    solver = make({})
    const who = { person: 'p', shop: 's' }
    const done = await solver.do(quick, who)
    expect(done.kind === 'answer' && JSON.parse(done.json)).toMatchObject({ ok: true, mm: 68.2625 })
    expect(await solver.do({ ...quick, body: '{' }, who)).toMatchObject({ kind: 'faults', status: 400 })
    expect(await solver.do({ ...quick, body: '{}' }, who)).toMatchObject({
      status: 422,
      faults: [{ path: 'text' }],
    })
    expect(await solver.do({ ...quick, operation: 'nothing' }, who)).toMatchObject({ status: 422 })
  })

  it('keeps one that asks much behind himself, takes in no more than it can, and says so', async () => {
    // the order is what is asked for: no slow machine runs out of time meanwhile
    solver = make({ waiting: 6, ofPerson: 4, ofShop: 6, limitMs: 600_000 })
    const order: string[] = []
    const ask = (person: string, shop: string, task = cutting(12) as typeof slow | typeof quick) =>
      solver.do(task, { person, shop }).then(
        () => order.push(person),
        (error: Error) => order.push(`${person}: ${(error as Busy).why ?? error.message}`),
      )
    await Promise.all([
      ask('eager', 'a'),
      ask('eager', 'a'),
      ask('eager', 'a'),
      ask('eager', 'a'),
      ask('eager', 'a'),
      ask('modest', 'b', quick),
    ])
    expect(order[0]).toBe('eager: share')
    // the task at work and one more, at most, come before the other's
    expect(order.indexOf('modest')).toBeLessThanOrEqual(3)
    expect(order.filter((entry) => entry === 'eager')).toHaveLength(4)
    const many = await Promise.allSettled(
      Array.from({ length: 12 }, (_, n) => solver.do(quick, { person: `${n}`, shop: `${n}` })),
    )
    const full = many.filter((entry) => entry.status === 'rejected')
    expect(full.length).toBeGreaterThan(0)
    for (const entry of full) expect((entry as PromiseRejectedResult).reason).toMatchObject({ why: 'full' })
  })

  it('stops what takes too long, and what nobody waits for, and goes on', async () => {
    solver = make({ limitMs: 1 })
    const who = { person: 'p', shop: 's' }
    await expect(solver.do(slow, who)).rejects.toThrow(Busy)
    await solver.stop()
    solver = make({})
    const gone = new AbortController()
    const waiting = solver.do(slow, who, gone.signal)
    const queued = solver.do(slow, who, gone.signal)
    setTimeout(() => gone.abort(), 50)
    await expect(waiting).rejects.toThrow(/abort/i)
    await expect(queued).rejects.toThrow(/abort/i)
    const done = await solver.do(quick, who)
    expect(done.kind).toBe('answer')
  })
})

describe('a server that is asked anything', () => {
  let server: Harness
  let cookie: string
  beforeAll(async () => {
    server = await harness()
    cookie = await server.signIn('bram@tidewall.example')
  })
  afterAll(() => server.stop())

  // whole in bench/fuzz.ts: 20 000
  it('answers every request in one form, and never with a fault of its own', async () => {
    const ids = (await sync(server, cookie, [])).changes.map((change) => change.id)
    const statuses = new Map<number, number>()
    for (let number = 0; number < 1000; number++) {
      const { method, path: where, headers, body } = fuzzRequest(number, ids)
      const response = await server.call(where, {
        method,
        headers,
        cookie,
        ...(body === null ? {} : { body }),
      })
      statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1)
      const text = await response.text()
      const ours = response.status >= 500 && !(response.status === 503 && response.headers.has('retry-after'))
      if (ours)
        throw new Error(`${number}: ${response.status} ${method} ${where} ${body?.slice(0, 2000)} → ${text}`)
      if (response.status >= 400 && method !== 'HEAD')
        expect([number, response.headers.get('content-type')]).toEqual([
          number,
          expect.stringContaining('application/problem+json'),
        ])
    }
    expect(statuses.get(200)).toBeGreaterThan(300)
    expect(statuses.get(422)).toBeGreaterThan(100)
  })

  it('takes JSON and nothing else', async () => {
    const plain = await server.post('/api/run/units', '{"text":"1"}', cookie, {
      'content-type': 'text/plain',
    })
    expect(plain.status).toBe(415)
    const form = await server.call('/api/sync', { method: 'POST', body: 'since=0', cookie })
    expect(form.status).toBe(415)
  })

  it('prints a job that names parts which are in no table any more', async () => {
    const { changes, cursor } = await sync(server, cookie, [])
    const mating = changes.find((change) => change.kind === 'mating')
    const option = mating?.fields.option as { parts: { fittingId: string }[] }
    const gone = { ...option, parts: option.parts.map((part) => ({ ...part, fittingId: 'coupling.gone.9' })) }
    const edit = {
      opId: crypto.randomUUID(),
      deviceId: 'x',
      kind: 'mating',
      id: mating?.id,
      patch: { option: gone },
      remove: false,
      base: cursor,
      schema: 1,
      at: '2026-11-20T09:00:00.000Z',
    }
    expect((await sync(server, cookie, [edit], cursor)).results[0]?.status).toBe('applied')
    const sheet = await server.call(`/api/jobs/${mating?.fields.jobId}/sheet.pdf`, { cookie })
    expect(sheet.status).toBe(200)
  })

  it('compresses what is worth it', async () => {
    const asked = { cookie, headers: { 'accept-encoding': 'gzip' } }
    const large = await server.call(`/api/jobs/${demoId('head-basin')}/file.json`, asked)
    expect(large.headers.get('content-encoding')).toBe('gzip')
    expect((await server.call('/api/health', asked)).headers.get('content-encoding')).toBeNull()
  })

  it('says of every door what it really answers, and who may come in', async () => {
    const description = (await (await server.call('/api/openapi.json')).json()) as {
      security: unknown
      components: { securitySchemes: object }
      paths: Record<string, Record<string, { responses: Record<string, unknown>; security?: unknown[] }>>
    }
    expect(description.security).toEqual([{ session: [] }])
    expect(description.components.securitySchemes).toMatchObject({ session: { in: 'cookie' } })
    for (const [where, methods] of Object.entries(description.paths))
      for (const [method, { responses, security }] of Object.entries(methods)) {
        const bare = await server.call(where.replace('{id}', demoId('head-basin')), {
          method: method.toUpperCase(),
          ...(method === 'post' ? { body: '{}', headers: { 'content-type': 'application/json' } } : {}),
        })
        expect([where, method, Object.keys(responses)]).toEqual([
          where,
          method,
          expect.arrayContaining([String(bare.status)]),
        ])
        if (security === undefined)
          expect([where, method, bare.status]).toEqual([where, method, bare.status === 204 ? 204 : 401])
      }
  })
})

describe('sign-in', () => {
  it('is held back by account and place, and by place, and locks nobody out where they have been before', async () => {
    const limits = new SignInLimits(5)
    await limits.attempt('oda', 'van')
    await limits.succeeded('oda', 'van')
    // somebody elsewhere tries her account, from many places
    let held = 0
    for (let place = 0; place < 40; place++)
      for (let n = 0; n < 6; n++) if ((await limits.attempt('oda', `elsewhere ${place}`)) !== null) held++
    expect(held).toBeGreaterThan(150)
    expect(await limits.attempt('oda', 'van')).toBeNull()
    // one place tries many accounts
    let tried = 0
    while ((await limits.attempt(`account ${tried}`, 'cellar')) === null) tried++
    expect(tried).toBe(30)
    expect(await limits.attempt('bram', 'yard')).toBeNull()
  })
})

describe('hosts', () => {
  it.each([
    ['127.0.0.1', undefined, 'localhost:8717', true],
    ['127.0.0.1', undefined, '127.0.0.1:8717', true],
    ['127.0.0.1', undefined, 'localhost:9999', false],
    ['127.0.0.1', undefined, 'rebound.example:8717', false],
    ['127.0.0.1', 'https://shop.example', 'shop.example', true],
    ['0.0.0.0', undefined, 'rebound.example:8717', false],
    ['::1', undefined, '[::1]:8717', true],
  ])('listening on %s with address %s, %s is answered: %s', (listens, address, host, answered) =>
    expect(hostsOf(listens, 8717, address).has(host)).toBe(answered),
  )
})
