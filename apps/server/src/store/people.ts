import { createHash, randomBytes } from 'node:crypto'
import type { SessionResponse } from '@diarmos/contract'
import { hash, verify } from '@node-rs/argon2'
import { type DataSource, LessThan } from 'typeorm'
import { inShop, whileSigningIn } from './database'
import { Person, type PersonRow, Session, Shop } from './schemas'

const SESSION_DAYS = 30
/** Argon2id, 19 MiB, two passes. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }
const tokenHash = (token: string) => createHash('sha256').update(token).digest()
// verified against when nobody has that address, so that the answer takes as long
let nobody: Promise<string> | null = null

export function hashPassword(password: string): Promise<string> {
  return hash(password, ARGON)
}

export interface SignedIn extends SessionResponse {
  readonly token: string
  readonly expires: Date
}

/** Signs a person in; null where address or password is wrong, without saying which. */
export async function signIn(
  database: DataSource,
  email: string,
  password: string,
): Promise<SignedIn | null> {
  const person = await whileSigningIn(database, (manager) =>
    manager.getRepository<PersonRow>(Person).findOneBy({ email: email.trim().toLowerCase() }),
  )
  nobody ??= hashPassword('nobody')
  const right = await verify(person?.passwordHash ?? (await nobody), password)
  if (!person || !right) return null
  const token = randomBytes(32).toString('base64url')
  const expires = new Date(Date.now() + SESSION_DAYS * 86_400_000)
  const shop = await inShop(database, person.shopId, async (manager) => {
    await manager.getRepository(Session).delete({ shopId: person.shopId, expiresAt: LessThan(new Date()) })
    await manager.getRepository(Session).insert({
      tokenHash: tokenHash(token),
      shopId: person.shopId,
      personId: person.id,
      expiresAt: expires,
    })
    return manager.getRepository(Shop).findOneByOrFail({ id: person.shopId })
  })
  return {
    token,
    expires,
    person: { id: person.id, name: person.name, role: person.role },
    shop: { id: shop.id, name: shop.name },
  }
}

/** Who holds a token, or null. */
export async function whoIs(database: DataSource, token: string): Promise<SessionResponse | null> {
  return whileSigningIn(database, async (manager) => {
    const session = await manager.getRepository(Session).findOneBy({ tokenHash: tokenHash(token) })
    if (!session || session.expiresAt < new Date()) return null
    const person = await manager
      .getRepository(Person)
      .findOneByOrFail({ shopId: session.shopId, id: session.personId })
    const shop = await manager.getRepository(Shop).findOneByOrFail({ id: session.shopId })
    return {
      person: { id: person.id, name: person.name, role: person.role },
      shop: { id: shop.id, name: shop.name },
    }
  })
}

/** Ends a session. */
export async function signOut(database: DataSource, shopId: string, token: string): Promise<void> {
  await inShop(database, shopId, (manager) =>
    manager.getRepository(Session).delete({ tokenHash: tokenHash(token) }),
  )
}
