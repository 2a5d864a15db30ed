import type { MigrationInterface, QueryRunner } from 'typeorm'

const COLUMNS: readonly (readonly [string, string])[] = [
  ['room_mm', 'double precision'],
  ['sunlight', 'boolean NOT NULL DEFAULT false'],
  ['freezing', 'boolean NOT NULL DEFAULT false'],
  ['wall_mm', 'double precision'],
  ['turn', "jsonb NOT NULL DEFAULT '0'"],
  ['outlets', "jsonb NOT NULL DEFAULT '1'"],
  ['span_mm', 'double precision'],
  ['air_c', 'double precision'],
]

/** What a place says of hose bibs, showers and tight corners. */
export class Mate1764060000000 implements MigrationInterface {
  name = 'Mate1764060000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const [name, type] of COLUMNS) await runner.query(`ALTER TABLE situation ADD COLUMN ${name} ${type}`)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [name] of COLUMNS) await runner.query(`ALTER TABLE situation DROP COLUMN ${name}`)
  }
}
