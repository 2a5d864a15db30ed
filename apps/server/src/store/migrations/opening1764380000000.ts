import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The hole in the wall that is worked through; the way whose step a tick is. */
export class Opening1764380000000 implements MigrationInterface {
  name = 'Opening1764380000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN opening jsonb')
    await runner.query('ALTER TABLE "check" ADD COLUMN option_id text')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "check" DROP COLUMN option_id')
    await runner.query('ALTER TABLE situation DROP COLUMN opening')
  }
}
