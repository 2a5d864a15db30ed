import { Writable } from 'node:stream'
import pino from 'pino'
import { makeApp } from '../src/app'
import { readConfig } from '../src/config'
import { inlineSolver } from '../src/solve/pool'
import { type Harness, harness } from './harness'

const complete = {
  DIARMOS_ADMIN_URL: 'postgres://x',
  DIARMOS_OWNER_PASSWORD: 'a-long-enough-word',
  DIARMOS_APP_PASSWORD: 'another-long-word',
}

describe('the configuration', () => {
  it('has sensible defaults', () =>
    expect(readConfig(complete)).toMatchObject({
      DIARMOS_HOST: '127.0.0.1',
      DIARMOS_PORT: 8717,
      DIARMOS_DEMO: 'no',
    }))
  it.each([
    ['DIARMOS_PORT', { ...complete, DIARMOS_PORT: 'many' }],
    ['DIARMOS_PORT', { ...complete, DIARMOS_PORT: '70000' }],
    ['DIARMOS_APP_PASSWORD', { ...complete, DIARMOS_APP_PASSWORD: 'short' }],
    ['DIARMOS_DATABASE', { ...complete, DIARMOS_DATABASE: 'x; DROP' }],
    ['DIARMOS_ADMIN_URL', {}],
  ])('names %s when it is wrong', (name, environment) => expect(() => readConfig(environment)).toThrow(name))
})

describe('the log', () => {
  let server: Harness
  beforeAll(async () => {
    server = await harness()
  })
  afterAll(() => server.stop())

  it('says what happened, in which time, and nothing of whom', async () => {
    const lines: string[] = []
    const sink = new Writable({
      write(chunk, _encoding, done) {
        lines.push(String(chunk))
        done()
      },
    })
    const app = makeApp({
      solver: inlineSolver(),
      database: server.database,
      log: pino({ level: 'debug', base: null }, sink),
    })
    const headers = { 'content-type': 'application/json', host: 'diarmos.test' }
    const body = JSON.stringify({ email: 'oda@tidewall.example', password: 'harbour-demo' })
    const signedIn = await app.request('http://diarmos.test/api/session', { method: 'POST', headers, body })
    const cookie = signedIn.headers.get('set-cookie')?.split(';')[0] ?? ''
    await app.request('http://diarmos.test/api/jobs/6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a11/file.json', {
      headers: { cookie },
    })
    const log = lines.join('')
    expect(lines.map((line) => JSON.parse(line).path)).toEqual(['/api/session', '/api/jobs/:id/file.json'])
    expect(JSON.parse(lines[0] ?? '{}')).toMatchObject({
      method: 'POST',
      status: 200,
      ms: expect.any(Number),
    })
    for (const secret of ['oda', 'harbour-demo', 'Fenwright', cookie.split('=')[1] ?? 'none', '6f0f2cf2'])
      expect(log).not.toContain(secret)
  })

  it('a fault of ours is told without its insides', async () => {
    const lines: string[] = []
    const sink = new Writable({
      write(chunk, _encoding, done) {
        lines.push(String(chunk))
        done()
      },
    })
    const broken = { query: async () => Promise.reject(new Error('secret detail')) } as never
    const app = makeApp({
      solver: inlineSolver(),
      database: broken,
      log: pino({ level: 'error', base: null }, sink),
    })
    const health = await app.request('http://diarmos.test/api/health')
    expect([health.status, health.headers.get('retry-after')]).toEqual([503, '2'])
    const response = await app.request('http://diarmos.test/api/sync', {
      method: 'POST',
      headers: { cookie: 'diarmos_session=x', 'content-type': 'application/json' },
      body: '{}',
    })
    expect(response.status).toBe(500)
    expect(await response.text()).not.toContain('secret')
    expect(lines.length).toBe(1)
  })
})
