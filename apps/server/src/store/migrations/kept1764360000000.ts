import { CoreFault, keep, type MateOption, tableVersions } from '@diarmos/core'
import type { MigrationInterface, QueryRunner } from 'typeorm'

interface MatingRow {
  readonly shop_id: string
  readonly id: string
  readonly option: MateOption
  readonly versions: Record<string, string>
  readonly air_c: number | null
  readonly settings: { jointMinutes?: Record<string, number> } | null
}

/**
 * Ways that were chosen before they were kept whole: each part, joint and removal as the tables have it now, once, and
 * marked so. What was measured and ticked stays with its part: nothing of the way itself changes.
 */
export class Kept1764360000000 implements MigrationInterface {
  name = 'Kept1764360000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const table of ['mating', 'situation'])
      await runner.query(`ALTER TABLE ${table} NO FORCE ROW LEVEL SECURITY`)
    const rows: MatingRow[] = await runner.query(
      `SELECT m.shop_id, m.id, m.option, m.versions, m.settings, max(s.air_c) AS air_c
         FROM mating m LEFT JOIN situation s
           ON s.shop_id = m.shop_id AND s.job_id = m.job_id AND s.line_id = m.line_id AND NOT s.removed
        GROUP BY m.shop_id, m.id`,
    )
    for (const { shop_id, id, option, versions, air_c, settings } of rows) {
      const whole = kept(option, air_c, settings)
      if (!whole) continue
      await runner.query('UPDATE mating SET option = $3, versions = $4 WHERE shop_id = $1 AND id = $2', [
        shop_id,
        id,
        JSON.stringify(whole),
        JSON.stringify({ ...versions, ...tableVersions(), kept: 'afterwards' }),
      ])
    }
    for (const table of ['mating', 'situation'])
      await runner.query(`ALTER TABLE ${table} FORCE ROW LEVEL SECURITY`)
  }

  /** Backwards everything may stay: it says no more than the tables do. */
  async down(): Promise<void> {}
}

/** The way kept whole; null where no table knows a method or a removal of it any more. */
function kept(option: MateOption, airC: number | null, settings: MatingRow['settings']): MateOption | null {
  try {
    return keep(option, { airC, jointMinutes: settings?.jointMinutes })
  } catch (error) {
    if (error instanceof CoreFault) return null
    throw error
  }
}
