import { randomUUID } from 'node:crypto'
import { type OperationRecord, SCHEMA_VERSION, type SyncResponse, stampOf } from '@diarmos/contract'
import type { DataSource } from 'typeorm'
import { makeApp } from '../src/app'
import { DEMO_PASSWORD } from '../src/demo/people'
import { makeLog } from '../src/log'
import { inlineSolver } from '../src/solve/pool'
import { openDatabase } from '../src/store/database'
import type { Roles } from '../src/store/provision'
import { copyOf, type Filled } from './demoCopy'

export interface Harness {
  readonly database: DataSource
  readonly roles: Roles
  readonly call: (path: string, init?: RequestInit & { cookie?: string }) => Promise<Response>
  readonly post: (
    path: string,
    body: unknown,
    cookie?: string,
    headers?: Record<string, string>,
  ) => Promise<Response>
  readonly signIn: (email: string, password?: string) => Promise<string>
  readonly stop: () => Promise<void>
}

/** The whole server over a database of its own, without a socket; the demo itself only where a test is about it. */
export async function harness(filled: Filled | 'nothing' = 'demo', of?: Roles): Promise<Harness> {
  const adminUrl = process.env.DIARMOS_TEST_ADMIN_URL
  if (!adminUrl) throw new Error('no test database: run through jest')
  const roles: Roles = of ?? {
    adminUrl,
    // files share a process, and each is to have a database of its own
    database: `diarmos_test_${randomUUID().replaceAll('-', '')}`,
    ownerPassword: 'owner-word-for-tests',
    appPassword: 'app-word-for-tests',
  }
  if (filled !== 'nothing') await copyOf(filled, roles)
  const database = await openDatabase(roles, { pool: 6 })
  const app = makeApp({ database, log: makeLog('silent'), solver: inlineSolver(), signInAttempts: 5 })
  const call: Harness['call'] = async (path, { cookie, ...init } = {}) =>
    app.request(`http://diarmos.test${path}`, {
      ...init,
      headers: { host: 'diarmos.test', ...(cookie ? { cookie } : {}), ...init.headers },
    })
  const post: Harness['post'] = (path, body, cookie, headers = {}) =>
    call(path, {
      method: 'POST',
      body: typeof body === 'string' ? body : JSON.stringify(body),
      headers: { 'content-type': 'application/json', ...headers },
      ...(cookie ? { cookie } : {}),
    })
  return {
    database,
    roles,
    call,
    post,
    signIn: async (email, password = DEMO_PASSWORD) => {
      const response = await post('/api/session', { email, password })
      if (response.status !== 200) throw new Error(`sign-in: ${response.status}`)
      return (response.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    },
    stop: () => database.destroy(),
  }
}

let clock = Date.parse('2026-11-21T08:00:00.000Z')

/** An edit as a device makes it that does not name its own earlier ones. */
export function operation(
  patch: Partial<OperationRecord> & Pick<OperationRecord, 'kind' | 'id'>,
): OperationRecord {
  return {
    opId: randomUUID(),
    deviceId: 'device-1',
    patch: {},
    remove: false,
    base: 0,
    generation: null,
    prior: null,
    clock: stampOf(new Date(++clock).toISOString(), 'device-1'),
    schema: SCHEMA_VERSION,
    at: '2026-11-21T08:00:00.000Z',
    ...patch,
  }
}

/** Sends operations and gives the answer. */
export async function sync(
  { post }: Harness,
  cookie: string,
  operations: readonly unknown[],
  since = 0,
): Promise<SyncResponse> {
  const response = await post('/api/sync', { since, operations }, cookie)
  if (response.status !== 200) throw new Error(`sync: ${response.status} ${await response.text()}`)
  return (await response.json()) as SyncResponse
}

export const HOUSE = {
  label: 'Test house',
  street: '1 Nowhere',
  town: 'Gullhaven',
  era: 'unknown',
  region: 'north-america',
  note: '',
  storeys: null,
  stopAt: '',
}
