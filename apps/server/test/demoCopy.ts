import pg from 'pg'
import { loadDemo } from '../src/demo/load'
import { openDatabase } from '../src/store/database'
import { OWNER, type Roles } from '../src/store/provision'

/** The whole demo, or its people in shops that have no houses yet. */
export type Filled = 'demo' | 'people'

/** A database with that in it: loaded by the first file that asks, and copied for the others. */
export async function copyOf(filled: Filled, roles: Roles): Promise<void> {
  const loaded = `diarmos_test_${filled}`
  const admin = new pg.Client({ connectionString: roles.adminUrl })
  await admin.connect()
  try {
    // files run in processes of their own; a database that somebody is connected to cannot be copied
    await admin.query('SELECT pg_advisory_lock(717009)')
    const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [loaded])
    if (!rowCount) {
      const loading = `${loaded}_loading`
      await admin.query(`DROP DATABASE IF EXISTS ${loading}`)
      const database = await openDatabase({ ...roles, database: loading }, { pool: 2 })
      const houses = filled === 'demo' ? undefined : []
      await loadDemo(database, new Date('2026-11-20T09:00:00Z'), houses).finally(() => database.destroy())
      // half a demo never bears the name
      await admin.query(`ALTER DATABASE ${loading} RENAME TO ${loaded}`)
    }
    await admin.query(
      `CREATE DATABASE ${admin.escapeIdentifier(roles.database)} OWNER ${OWNER} TEMPLATE ${loaded}`,
    )
  } finally {
    await admin.end()
  }
}
