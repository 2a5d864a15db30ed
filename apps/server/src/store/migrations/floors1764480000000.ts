import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Concrete over a line, what was measured of the trench in it, and of a tub's waste. */
export class Floors1764480000000 implements MigrationInterface {
  name = 'Floors1764480000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN slab_mm double precision')
    await runner.query('ALTER TABLE situation ADD COLUMN slab jsonb')
    await runner.query('ALTER TABLE situation ADD COLUMN tub jsonb')
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const column of ['slab_mm', 'slab', 'tub'])
      await runner.query(`ALTER TABLE situation DROP COLUMN ${column}`)
  }
}
