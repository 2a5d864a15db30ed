import type { MigrationInterface, QueryRunner } from 'typeorm'

const COLUMNS: readonly (readonly [string, string])[] = [
  ['trapped', 'boolean NOT NULL DEFAULT false'],
  ['slow', 'boolean NOT NULL DEFAULT false'],
  ['flange_mm', 'double precision'],
]

/** What a place says of a drain: a trap that stays, how it runs, how a closet flange lies to the floor. */
export class Drain1764410000000 implements MigrationInterface {
  name = 'Drain1764410000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const [name, type] of COLUMNS) await runner.query(`ALTER TABLE situation ADD COLUMN ${name} ${type}`)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [name] of COLUMNS) await runner.query(`ALTER TABLE situation DROP COLUMN ${name}`)
  }
}
