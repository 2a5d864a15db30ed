import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The hole in the wall that is worked through; old plates, risers and stems in the way; the way whose step a tick is. */
export class Opening1764380000000 implements MigrationInterface {
  name = 'Opening1764380000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE situation ADD COLUMN opening jsonb, ADD COLUMN old_plate boolean NOT NULL DEFAULT false,
        ADD COLUMN hard_riser boolean NOT NULL DEFAULT false, ADD COLUMN stop_weeps boolean NOT NULL DEFAULT false`,
    )
    await runner.query('ALTER TABLE "check" ADD COLUMN option_id text')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "check" DROP COLUMN option_id')
    await runner.query(
      'ALTER TABLE situation DROP COLUMN opening, DROP COLUMN old_plate, DROP COLUMN hard_riser, DROP COLUMN stop_weeps',
    )
  }
}
