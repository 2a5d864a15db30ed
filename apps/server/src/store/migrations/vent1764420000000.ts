import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What a place says of a drain: whether any vent rises from it. */
export class Vent1764420000000 implements MigrationInterface {
  name = 'Vent1764420000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN unvented boolean NOT NULL DEFAULT false')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN unvented')
  }
}
