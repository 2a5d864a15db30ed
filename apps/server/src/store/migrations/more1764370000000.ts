import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Further points of a house that are worked on in the same job; old stops that stay; the wall of a valve; what hangs on a run. */
export class More1764370000000 implements MigrationInterface {
  name = 'More1764370000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE job ADD COLUMN more jsonb NOT NULL DEFAULT '[]'")
    await runner.query(
      'ALTER TABLE situation ADD COLUMN stop_outlet text, ADD COLUMN valve_wall jsonb, ADD COLUMN on_run jsonb',
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE situation DROP COLUMN stop_outlet, DROP COLUMN valve_wall, DROP COLUMN on_run',
    )
    await runner.query('ALTER TABLE job DROP COLUMN more')
  }
}
