import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What a house drains from and where it is shut, and whether a permit is open for a job. */
export class Covering1764400000000 implements MigrationInterface {
  name = 'Covering1764400000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE property ADD COLUMN storeys double precision, ADD COLUMN stop_at text NOT NULL DEFAULT ''",
    )
    await runner.query('ALTER TABLE job ADD COLUMN permit boolean NOT NULL DEFAULT false')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP COLUMN permit')
    await runner.query('ALTER TABLE property DROP COLUMN storeys, DROP COLUMN stop_at')
  }
}
