import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Faults of an end, structured looks, and the shop's corrections of what is usual. */
export class Find1764050000000 implements MigrationInterface {
  name = 'Find1764050000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE situation ADD COLUMN faults jsonb NOT NULL DEFAULT '[]'")
    await runner.query('ALTER TABLE observation ADD COLUMN about jsonb')
    await runner.query("ALTER TABLE settings ADD COLUMN expected jsonb NOT NULL DEFAULT '{}'")
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE settings DROP COLUMN expected')
    await runner.query('ALTER TABLE observation DROP COLUMN about')
    await runner.query('ALTER TABLE situation DROP COLUMN faults')
  }
}
