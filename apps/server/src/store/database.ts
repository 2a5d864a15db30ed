import { DataSource, type EntityManager } from 'typeorm'
import { checkGeneration } from './generationFile'
import { Bodies1764340000000 } from './migrations/bodies1764340000000'
import { Covering1764400000000 } from './migrations/covering1764400000000'
import { Cut1764140000000 } from './migrations/cut1764140000000'
import { Drain1764410000000 } from './migrations/drain1764410000000'
import { Find1764050000000 } from './migrations/find1764050000000'
import { Firm1764230000000 } from './migrations/firm1764230000000'
import { First1764000000000 } from './migrations/first1764000000000'
import { Floors1764480000000 } from './migrations/floors1764480000000'
import { Kept1764360000000 } from './migrations/kept1764360000000'
import { Lifted1764540000000 } from './migrations/lifted1764540000000'
import { Mate1764060000000 } from './migrations/mate1764060000000'
import { More1764370000000 } from './migrations/more1764370000000'
import { OldTrap1764470000000 } from './migrations/oldTrap1764470000000'
import { Opening1764380000000 } from './migrations/opening1764380000000'
import { Record1764390000000 } from './migrations/record1764390000000'
import { Rough1764460000000 } from './migrations/rough1764460000000'
import { Seen1764330000000 } from './migrations/seen1764330000000'
import { Trap1764350000000 } from './migrations/trap1764350000000'
import { Vent1764420000000 } from './migrations/vent1764420000000'
import { APP, OWNER, provision, type Roles, urlFor } from './provision'
import { documents, Operation, Person, Session, Shop } from './schemas'

/** In the order in which they are run. */
export const MIGRATIONS = [
  First1764000000000,
  Find1764050000000,
  Mate1764060000000,
  Cut1764140000000,
  Firm1764230000000,
  Seen1764330000000,
  Bodies1764340000000,
  Trap1764350000000,
  Kept1764360000000,
  More1764370000000,
  Opening1764380000000,
  Record1764390000000,
  Covering1764400000000,
  Drain1764410000000,
  Vent1764420000000,
  Rough1764460000000,
  OldTrap1764470000000,
  Floors1764480000000,
  Lifted1764540000000,
] as const

const ENTITIES = [Shop, Person, Session, Operation, ...Object.values(documents)]

function source(url: string, pool: number): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [...MIGRATIONS],
    synchronize: false,
    // parameters of failing queries would be personal data
    logging: false,
    extra: { max: pool, connectionTimeoutMillis: 8000 },
  })
}

/** Brings the schema up to date, one server at a time. */
async function migrate(roles: Roles, generationFile: string | undefined): Promise<void> {
  const owner = source(urlFor(roles, OWNER), 2)
  await owner.initialize()
  const lock = owner.createQueryRunner()
  try {
    await lock.query('SELECT pg_advisory_lock(717002)')
    await owner.runMigrations({ transaction: 'all' })
    await checkGeneration(owner, generationFile)
  } finally {
    await lock.query('SELECT pg_advisory_unlock(717002)').catch(() => undefined)
    await lock.release()
    await owner.destroy()
  }
}

/** Provisions, migrates, and opens the store as the role that row-level security binds. */
export async function openDatabase(
  roles: Roles,
  { pool = 10, generationFile }: { readonly pool?: number; readonly generationFile?: string } = {},
): Promise<DataSource> {
  await provision(roles)
  await migrate(roles, generationFile)
  const app = source(urlFor(roles, APP), pool)
  await app.initialize()
  return app
}

/** A transaction that sees one shop's rows and no others. */
export async function inShop<T>(
  database: DataSource,
  shopId: string,
  work: (manager: EntityManager) => Promise<T>,
  isolation: 'READ COMMITTED' | 'REPEATABLE READ' = 'READ COMMITTED',
): Promise<T> {
  return database.transaction(isolation, async (manager) => {
    await manager.query("SELECT set_config('app.shop', $1, true)", [shopId])
    return work(manager)
  })
}

/** A transaction that may read people, sessions and shops, to find out who is asking. */
export async function whileSigningIn<T>(
  database: DataSource,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  return database.transaction(async (manager) => {
    await manager.query("SELECT set_config('app.sign_in', 'on', true)")
    return work(manager)
  })
}
