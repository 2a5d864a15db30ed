import type { DataSource } from 'typeorm'
import { inShop, whileSigningIn } from './database'
import { Shop } from './schemas'

export const DAYS = 30

export interface Removed {
  readonly kind: 'property' | 'point' | 'job'
  readonly id: string
  readonly name: string
  readonly at: string
}

const NAMES = { property: 'label', point: 'name', job: 'title' } as const

/** What was removed by itself within thirty days, the latest first; what went along is not listed. */
export async function removedLately(database: DataSource, shopId: string): Promise<Removed[]> {
  return inShop(database, shopId, async (manager) => {
    const found: Removed[] = []
    for (const [kind, name] of Object.entries(NAMES) as [Removed['kind'], string][]) {
      const rows = (await manager.query(
        `SELECT d.id, d.${name} AS name, l.server_at AS at FROM "${kind}" d
         JOIN operation_log l ON l.shop_id = d.shop_id AND l.op_id = d.removed_by AND l.entity_id = d.id
         WHERE d.shop_id = $1 AND d.removed AND l.server_at > now() - make_interval(days => $2)
         ORDER BY l.server_at DESC LIMIT 200`,
        [shopId, DAYS],
      )) as { id: string; name: string; at: Date }[]
      found.push(
        ...rows.map(({ id, name: called, at }) => ({ kind, id, name: called, at: at.toISOString() })),
      )
    }
    return found.sort((a, b) => (a.at < b.at ? 1 : -1))
  })
}

/** What is said of people whose house went more than thirty days ago is erased for good. */
export async function eraseOld(database: DataSource): Promise<void> {
  const shops = await whileSigningIn(database, (manager) => manager.getRepository(Shop).find())
  for (const { id } of shops)
    await inShop(database, id, (manager) =>
      manager.query(
        `UPDATE contact d SET name = '', phone = '', email = '' FROM operation_log l
         WHERE d.shop_id = $1 AND d.removed AND d.name <> '' AND l.shop_id = d.shop_id AND l.op_id = d.removed_by
           AND l.server_at < now() - make_interval(days => $2)`,
        [id, DAYS],
      ),
    )
}
