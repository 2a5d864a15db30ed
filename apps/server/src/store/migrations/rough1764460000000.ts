import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * What a place says of a toilet, how far its drain is from the wall and what the new bowl is made for; and of a drain,
 * whether it comes up out of the floor.
 */
export class Rough1764460000000 implements MigrationInterface {
  name = 'Rough1764460000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN rises boolean NOT NULL DEFAULT false')
    await runner.query('ALTER TABLE situation ADD COLUMN rough_mm double precision')
    await runner.query('ALTER TABLE situation ADD COLUMN bowl_mm double precision')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN bowl_mm')
    await runner.query('ALTER TABLE situation DROP COLUMN rough_mm')
    await runner.query('ALTER TABLE situation DROP COLUMN rises')
  }
}
