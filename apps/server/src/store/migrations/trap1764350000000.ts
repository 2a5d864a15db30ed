import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What was measured round a trap. */
export class Trap1764350000000 implements MigrationInterface {
  name = 'Trap1764350000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN trap jsonb')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN trap')
  }
}
