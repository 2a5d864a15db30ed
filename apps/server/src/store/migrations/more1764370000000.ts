import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Further points of a house that are worked on in the same job; old stops that stay. */
export class More1764370000000 implements MigrationInterface {
  name = 'More1764370000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE job ADD COLUMN more jsonb NOT NULL DEFAULT '[]'")
    await runner.query('ALTER TABLE situation ADD COLUMN stop_outlet text')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN stop_outlet')
    await runner.query('ALTER TABLE job DROP COLUMN more')
  }
}
