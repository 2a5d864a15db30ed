import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Further points of a house that are worked on in the same job. */
export class More1764370000000 implements MigrationInterface {
  name = 'More1764370000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE job ADD COLUMN more jsonb NOT NULL DEFAULT '[]'")
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP COLUMN more')
  }
}
