import pg from 'pg'
import type { Stack } from '../scripts/lib/stack.mjs'

/** What the database of a stack holds, past the server. */
export async function rowsIn<T>(stack: Stack, sql: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: stack.adminUrl.replace(/\/postgres$/, '/diarmos') })
  await client.connect()
  try {
    return (await client.query(sql, values)).rows as T[]
  } finally {
    await client.end()
  }
}
