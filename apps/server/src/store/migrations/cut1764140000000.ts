import type { MigrationInterface, QueryRunner } from 'typeorm'
import { DOCUMENT, parent, policies } from './document'

/** Distances measured along a line. */
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
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE dimension')
  }
}
