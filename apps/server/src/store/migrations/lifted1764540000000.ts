import type { MigrationInterface, QueryRunner } from 'typeorm'

/** How far an old pipe gives before what stands. */
export class Lifted1764540000000 implements MigrationInterface {
  name = 'Lifted1764540000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN gives_mm double precision')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN gives_mm')
  }
}
