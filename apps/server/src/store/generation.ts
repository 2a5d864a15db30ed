import { randomUUID } from 'node:crypto'
import type { DataSource, EntityManager } from 'typeorm'
import { inShop } from './database'

export interface Generation {
  readonly id: string
  readonly revision: number
  /** Earlier ones: up to which revision their history is also this one's. */
  readonly earlier: readonly { readonly id: string; readonly floor: number }[]
}

interface Row {
  generation: string
  generations: { id: string; floor: number }[]
  store: string | null
  present: string
  revision: string
}

const READ =
  'SELECT s.generation, s.generations, s.store, s.revision, store.generation AS present FROM shop s, store WHERE s.id = $1'

/** The shop's generation; a new one begins where the store has a new one, or a phone has seen more than there is. */
export async function generationOf(
  manager: EntityManager,
  shopId: string,
  seen: { readonly generation: string | null; readonly since: number } = { generation: null, since: 0 },
): Promise<Generation> {
  const goesOn = (row: Row) =>
    row.store === row.present && !(seen.generation === row.generation && seen.since > Number(row.revision))
  const read = async (lock: string) => ((await manager.query(READ + lock, [shopId])) as Row[])[0] as Row
  let row = await read('')
  if (!goesOn(row)) {
    row = await read(' FOR UPDATE OF s')
    if (!goesOn(row)) {
      const generations = [...row.generations, { id: row.generation, floor: Number(row.revision) }]
      const generation = randomUUID()
      await manager.query('UPDATE shop SET generation = $2, generations = $3, store = $4 WHERE id = $1', [
        shopId,
        generation,
        JSON.stringify(generations),
        row.present,
      ])
      row = { ...row, generation, generations, store: row.present }
    }
  }
  return { id: row.generation, revision: Number(row.revision), earlier: row.generations }
}

/** The generation as a phone that asks finds it. */
export function presentGeneration(
  database: DataSource,
  shopId: string,
  seen: { readonly generation: string | null; readonly since: number },
): Promise<Generation> {
  return inShop(database, shopId, (manager) => generationOf(manager, shopId, seen))
}

/** What an edit's base is worth in the present generation; null means the device knew of none. */
export function baseIn(generation: Generation, base: number, of: string | null): number {
  if (of === null || of === generation.id) return base <= generation.revision ? base : -1
  const index = generation.earlier.findIndex(({ id }) => id === of)
  if (index < 0) return -1
  // two restores: what holds is what both have left of its history
  return Math.min(base, ...generation.earlier.slice(index).map(({ floor }) => floor))
}
