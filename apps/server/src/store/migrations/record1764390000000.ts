import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What was advised and promised, what a picture shows, and what a gauge showed. */
export class Record1764390000000 implements MigrationInterface {
  name = 'Record1764390000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE job ADD COLUMN advice jsonb NOT NULL DEFAULT '[]', ADD COLUMN warranty jsonb",
    )
    await runner.query(`ALTER TABLE "check" ADD COLUMN readings jsonb NOT NULL DEFAULT '[]'`)
    await runner.query("ALTER TABLE attachment ADD COLUMN about text NOT NULL DEFAULT 'left'")
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE attachment DROP COLUMN about')
    await runner.query('ALTER TABLE "check" DROP COLUMN readings')
    await runner.query('ALTER TABLE job DROP COLUMN advice, DROP COLUMN warranty')
  }
}
