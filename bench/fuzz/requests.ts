import { ENTITY_KINDS, entities, operationSchema, operations, SCHEMA_VERSION } from '@diarmos/contract'
import { BODY_KINDS, CATALOG, PIPES } from '@diarmos/core'
import { z } from 'zod'
import { Dice } from '../mate/random'
import { fromSchema, type Vocabulary } from './fromSchema'

/** One request as somebody might send it who means no good, or does not know better. */
export interface FuzzRequest {
  readonly method: string
  readonly path: string
  readonly headers: Readonly<Record<string, string>>
  readonly body: string | null
}

const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id)
const WORDS: Vocabulary = {
  pipeId: ids(PIPES),
  fixtureId: ids(BODY_KINDS),
  fromFixtureId: ids(BODY_KINDS),
  fittingId: ids(CATALOG),
  from: ['wall', 'stub', 'tail', 'part:0:in', 'part:0:out', 'part:1:centre'],
  to: ['wall', 'tail', 'part:0:centre', 'part:1:in'],
  lineId: ['a', 'b'],
}
const NAMES = Object.keys(operations) as (keyof typeof operations)[]
const SCHEMAS = new Map(NAMES.map((name) => [name, operationSchema(name) as object]))
const DOCUMENTS = ENTITY_KINDS.map(
  (kind) => [kind, z.toJSONSchema(entities[kind], { io: 'input', unrepresentable: 'any' })] as const,
)

function broken(dice: Dice, text: string): string {
  const at = dice.whole(0, text.length)
  switch (dice.whole(0, 5)) {
    case 0:
      return text.slice(0, at)
    case 1:
      return `${text.slice(0, at)}\u0000${text.slice(at)}`
    case 2:
      return `${'['.repeat(20_000)}${text}`
    case 3:
      return text.replace(/\d+/, '1e999')
    case 4:
      return `${text}${text}`
    default:
      return text.replace(/"/g, "'")
  }
}

/** The request of a number, always the same: every route, every operation, every kind of document. */
export function fuzzRequest(number: number, realIds: readonly string[]): FuzzRequest {
  const dice = new Dice(number * 2_654_435_761 + 1)
  const odd = dice.pick([0, 0, 0.02, 0.1, 0.4])
  const id = () =>
    dice.chance(0.5)
      ? dice.pick(realIds)
      : dice.pick(['x', '../..', '%00', '6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a11'])
  const json = { 'content-type': 'application/json' }
  const sent = (path: string, value: unknown): FuzzRequest => {
    const text = JSON.stringify(value)
    return { method: 'POST', path, headers: json, body: dice.chance(0.08) ? broken(dice, text) : text }
  }
  const roll = dice.whole(0, 99)
  if (roll < 60) {
    const name = dice.pick(NAMES)
    return sent(`/api/run/${name}`, fromSchema(SCHEMAS.get(name) ?? {}, dice, { odd, words: WORDS }))
  }
  if (roll < 85) {
    const edits = Array.from({ length: dice.whole(0, 5) }, () => {
      const [kind, schema] = dice.pick(DOCUMENTS)
      const words = { ...WORDS, propertyId: realIds, pointId: realIds, jobId: realIds, lineId: realIds }
      const whole = fromSchema(schema as object, dice, { odd, words })
      return {
        opId: dice.chance(0.9) ? crypto.randomUUID() : id(),
        deviceId: 'fuzz',
        kind: dice.chance(odd) ? 'spaceship' : kind,
        id: id(),
        patch: dice.chance(0.7) ? whole : {},
        remove: dice.chance(0.1),
        base: dice.pick([0, 5, 1e9, -1]),
        generation: null,
        prior: dice.chance(0.5) ? {} : null,
        clock: '00mhg2k0xs-0000-fuzz',
        schema: dice.pick([1, SCHEMA_VERSION, SCHEMA_VERSION, 99, 0]),
        at: dice.chance(0.95) ? '2026-11-20T09:00:00.000Z' : 'yesterday',
      }
    })
    return sent('/api/sync', { since: dice.pick([0, 10, 1e12, -1, 1.5]), operations: edits })
  }
  if (roll < 90) {
    const path = dice.pick(['/api/jobs/ID/file.json', '/api/jobs/ID/sheet.pdf', '/api/jobs'])
    return { method: 'GET', path: path.replace('ID', id()), headers: {}, body: null }
  }
  if (roll < 93) {
    const value = {
      email: dice.pick(['a@b.example', 'x', `${'y'.repeat(400)}@z.example`, null]),
      password: dice.pick(['', 'x', 7]),
    }
    return sent('/api/session', value)
  }
  const path = dice.pick([
    '/api/health',
    '/api/session',
    '/api/openapi.json',
    '/api/run/nothing',
    '/api/run/mate',
    '/api/sync',
    '/api/',
    '/api/..',
    '/',
  ])
  const method = dice.pick(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'])
  const headers: Record<string, string> = dice.chance(0.5)
    ? {
        'content-type': dice.pick([
          'text/plain',
          'application/xml',
          'application/json',
          'multipart/form-data',
        ]),
      }
    : {}
  // a session that is ended would end the fuzzing
  const safe = method === 'DELETE' && path === '/api/session' ? 'GET' : method
  return {
    method: safe,
    path,
    headers,
    body: ['GET', 'HEAD'].includes(safe) ? null : dice.pick(['', '{}', 'null', '[]', '7']),
  }
}
