import { randomUUID } from 'node:crypto'
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import type { DataSource } from 'typeorm'

/**
 * The database's generation is kept in it and beside it, in the data folder. Where the two differ, one of them was put
 * back from a backup: then a new one begins, and phones read everything anew and send again what is missing.
 */
export async function checkGeneration(owner: DataSource, file: string | undefined): Promise<void> {
  const [row] = (await owner.query('SELECT generation FROM store')) as { generation: string }[]
  const inside = row?.generation ?? ''
  const beside = file && existsSync(file) ? readFileSync(file, 'utf8').trim() : null
  if (!file || beside === inside) return
  let generation = inside
  if (beside !== null) {
    generation = randomUUID()
    await owner.query('UPDATE store SET generation = $1', [generation])
  }
  writeFileSync(`${file}.new`, `${generation}\n`, { mode: 0o600 })
  renameSync(`${file}.new`, file)
}
