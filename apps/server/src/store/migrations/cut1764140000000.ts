import type { MigrationInterface, QueryRunner } from 'typeorm'
import { DOCUMENT, parent, policies } from './document'

const RUN = ['far_mm', 'free_mm', 'sideways_mm']

/** Distances measured along a line, and what a run that is cut open has beside the cut. */
export class Cut1764140000000 implements MigrationInterface {
  name = 'Cut1764140000000'

  async up(runner: QueryRunner): Promise<void> {
    const statements = [
      `CREATE TABLE dimension (${DOCUMENT},
         job_id uuid NOT NULL, line_id uuid NOT NULL, option_id text, "from" text NOT NULL, "to" text NOT NULL,
         entered text NOT NULL, mm double precision NOT NULL, resolution_mm double precision NOT NULL,
         unit text NOT NULL, measurer text NOT NULL, dry boolean NOT NULL, withdrawn boolean NOT NULL,
         taken_at timestamptz NOT NULL, ${parent('job_id', 'job')}, ${parent('line_id', 'line')})`,
      'CREATE INDEX dimension_by_revision ON dimension (shop_id, revision)',
      ...policies('dimension'),
      'GRANT SELECT, INSERT, UPDATE ON dimension TO diarmos_app',
      ...RUN.map((name) => `ALTER TABLE situation ADD COLUMN ${name} double precision`),
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of RUN) await runner.query(`ALTER TABLE situation DROP COLUMN ${name}`)
    await runner.query('DROP TABLE dimension')
  }
}
