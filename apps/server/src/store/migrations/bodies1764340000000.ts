import { createHash } from 'node:crypto'
import { fixturesOf, liftConflict, liftFixtures, liftNames } from '@diarmos/contract/sync'
import type { MigrationInterface, QueryRunner } from 'typeorm'
import { sorted } from '../merge'

interface JobRow {
  readonly shop_id: string
  readonly id: string
  readonly fixture_id: string | null
  readonly field_revisions: Record<string, unknown>
  readonly conflicts: { field: string; theirs: unknown; mine: unknown }[]
}
interface Edit {
  readonly shop_id: string
  readonly op_id: string
  readonly kind: string
  readonly entity_id: string
  readonly patch: Record<string, unknown>
  readonly removes: boolean
  readonly digest: string | null
}
interface Proposed {
  readonly shop_id: string
  readonly id: string
  readonly patch: Record<string, unknown>
}

const TABLES = ['job', 'proposal', 'operation_log']

/** What goes in is bodies with ports, no longer a text: in jobs, in what is proposed, and in the log of edits. */
export class Bodies1764340000000 implements MigrationInterface {
  name = 'Bodies1764340000000'

  async up(runner: QueryRunner): Promise<void> {
    // the owner's own rows are bound by the policies of the shops too: while it migrates it sees all
    for (const table of TABLES) await runner.query(`ALTER TABLE ${table} NO FORCE ROW LEVEL SECURITY`)
    await this.lift(runner)
    for (const table of TABLES) await runner.query(`ALTER TABLE ${table} FORCE ROW LEVEL SECURITY`)
  }

  private async lift(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE job ADD COLUMN fixtures jsonb NOT NULL DEFAULT '[]'")
    const jobs: JobRow[] = await runner.query(
      "SELECT shop_id, id, fixture_id, field_revisions, conflicts FROM job WHERE fixture_id IS NOT NULL OR field_revisions ? 'fixtureId'",
    )
    for (const { shop_id, id, fixture_id, field_revisions, conflicts } of jobs)
      await runner.query(
        'UPDATE job SET fixtures = $3, field_revisions = $4, conflicts = $5 WHERE shop_id = $1 AND id = $2',
        [
          shop_id,
          id,
          JSON.stringify(fixturesOf(fixture_id)),
          JSON.stringify(liftNames('job', field_revisions)),
          JSON.stringify(conflicts.map((conflict) => liftConflict('job', conflict))),
        ],
      )
    await runner.query('ALTER TABLE job DROP COLUMN fixture_id')
    const proposals: Proposed[] = await runner.query(
      "SELECT shop_id, id, patch FROM proposal WHERE kind = 'job' AND patch ? 'fixtureId'",
    )
    for (const { shop_id, id, patch } of proposals)
      await runner.query('UPDATE proposal SET patch = $3 WHERE shop_id = $1 AND id = $2', [
        shop_id,
        id,
        JSON.stringify(liftFixtures('job', patch)),
      ])
    // the same edit, sent again by a phone that has lifted it meanwhile, has to be known again
    const edits: Edit[] = await runner.query(
      "SELECT shop_id, op_id, kind, entity_id, patch, removes, digest FROM operation_log WHERE kind = 'job' AND patch ? 'fixtureId'",
    )
    for (const { shop_id, op_id, kind, entity_id, patch, removes, digest } of edits) {
      const lifted = liftFixtures('job', patch)
      const said = JSON.stringify(sorted({ kind, id: entity_id, patch: lifted, remove: removes }))
      await runner.query(
        'UPDATE operation_log SET patch = $3, digest = $4 WHERE shop_id = $1 AND op_id = $2',
        [
          shop_id,
          op_id,
          JSON.stringify(lifted),
          digest === null ? null : createHash('sha256').update(said).digest('hex'),
        ],
      )
    }
  }

  /** Backwards the kinds are kept and the bodies are not: they were made from them. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job NO FORCE ROW LEVEL SECURITY')
    await runner.query('ALTER TABLE job ADD COLUMN fixture_id text')
    await runner.query(
      `UPDATE job SET fixture_id = (SELECT string_agg(body ->> 'kind', '+' ORDER BY place)
         FROM jsonb_array_elements(fixtures) WITH ORDINALITY AS held (body, place))`,
    )
    await runner.query('ALTER TABLE job DROP COLUMN fixtures')
    await runner.query('ALTER TABLE job FORCE ROW LEVEL SECURITY')
  }
}
