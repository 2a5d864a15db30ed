import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { SCHEMA_VERSION, type SetUpRequest, stampOf } from '@diarmos/contract'
import { STARTING_SETTINGS } from '@diarmos/core'
import type { DataSource } from 'typeorm'
import { apply } from './apply'
import { inShop, whileSigningIn } from './database'
import { hashPassword } from './people'
import { Person, Shop } from './schemas'

const DAY_MS = 86_400_000
const hashOf = (token: string) => createHash('sha256').update(token).digest()

/** Whether there is any shop yet. */
export async function hasShop(database: DataSource): Promise<boolean> {
  return whileSigningIn(database, (manager) => manager.getRepository(Shop).exists())
}

/** A one-time word for the owner of the first shop; null where there is a shop already. Earlier words are void. */
export async function inviteOwner(database: DataSource, now = new Date()): Promise<string | null> {
  if (await hasShop(database)) return null
  const token = randomBytes(24).toString('base64url')
  await database.query('DELETE FROM invitation')
  await database.query('INSERT INTO invitation (token_hash, expires_at) VALUES ($1, $2)', [
    hashOf(token),
    new Date(now.getTime() + DAY_MS),
  ])
  return token
}

/** Makes the first shop and its owner, once; false where the word is not, or no longer, good. */
export async function setUp(database: DataSource, request: SetUpRequest): Promise<boolean> {
  // a wrong word costs nothing: hashing is dear
  const [good] = (await database.query(
    'SELECT 1 FROM invitation WHERE token_hash = $1 AND expires_at > now()',
    [hashOf(request.token)],
  )) as unknown[]
  if (!good) return false
  const passwordHash = await hashPassword(request.password)
  const [shopId, personId] = [randomUUID(), randomUUID()]
  const made = await inShop(database, shopId, async (manager) => {
    const [used] = (await manager.query(
      'DELETE FROM invitation WHERE token_hash = $1 AND expires_at > now() RETURNING 1',
      [hashOf(request.token)],
    )) as [unknown[], number]
    if (used.length === 0) return false
    await manager.getRepository(Shop).insert({ id: shopId, name: request.shop })
    await manager.getRepository(Person).insert({
      shopId,
      id: personId,
      name: request.name,
      email: request.email.trim().toLowerCase(),
      role: 'owner',
      passwordHash,
    })
    return true
  })
  if (!made) return false
  const at = new Date().toISOString()
  await apply(
    database,
    { shopId, personId, role: 'owner' },
    {
      opId: randomUUID(),
      deviceId: 'set-up',
      kind: 'settings',
      id: randomUUID(),
      patch: {
        name: request.shop,
        zone: request.zone,
        unit: 'in',
        region: 'north-america',
        mate: STARTING_SETTINGS,
        expected: {},
        currency: request.currency,
      },
      remove: false,
      base: 0,
      generation: null,
      prior: null,
      clock: stampOf(at, 'set-up'),
      schema: SCHEMA_VERSION,
      at,
    },
  )
  return true
}
