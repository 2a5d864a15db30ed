import type { DataSource } from 'typeorm'
import { inShop } from './database'

export interface JobLine {
  readonly id: string
  readonly title: string
  readonly state: 'open' | 'closed'
  readonly openedAt: string
  readonly point: string
  readonly property: string
}

interface Ask {
  /** Words that its title, its point or its house holds, each. */
  readonly words: readonly string[]
  readonly state: 'open' | 'closed' | 'all'
  /** After which job the page begins. */
  readonly after: { readonly openedAt: string; readonly id: string } | null
  readonly limit: number
}

/** A page of jobs, the newest first, by key: a job that comes or goes moves no other across a page. */
export async function jobPage(database: DataSource, shopId: string, ask: Ask): Promise<JobLine[]> {
  const values: unknown[] = [shopId]
  const value = (held: unknown) => `$${values.push(held)}`
  const wanted = [
    ...(ask.state === 'all' ? [] : [`j.state = ${value(ask.state)}`]),
    ...(ask.after ? [`(j.opened_at, j.id) < (${value(ask.after.openedAt)}, ${value(ask.after.id)})`] : []),
    ...ask.words.map((word) => {
      const like = value(`%${word.replace(/[\\%_]/g, '\\$&')}%`)
      return `(j.title ILIKE ${like} OR t.name ILIKE ${like} OR p.label ILIKE ${like} OR p.street ILIKE ${like})`
    }),
  ]
  return inShop(database, shopId, async (manager) => {
    const rows = (await manager.query(
      `SELECT j.id, j.title, j.state, j.opened_at, t.name AS point, p.label AS property FROM job j
       JOIN point t ON t.shop_id = j.shop_id AND t.id = j.point_id
       JOIN property p ON p.shop_id = j.shop_id AND p.id = j.property_id
       WHERE j.shop_id = $1 AND NOT j.removed ${wanted.map((text) => `AND ${text}`).join(' ')}
       ORDER BY j.opened_at DESC, j.id DESC LIMIT ${value(ask.limit)}`,
      values,
    )) as (Omit<JobLine, 'openedAt'> & { opened_at: Date })[]
    return rows.map(({ opened_at: openedAt, ...line }) => ({ ...line, openedAt: openedAt.toISOString() }))
  })
}
