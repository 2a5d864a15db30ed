import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What a place says of a drain: what trap hung there. */
export class OldTrap1764470000000 implements MigrationInterface {
  name = 'OldTrap1764470000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN old_trap text')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN old_trap')
  }
}
