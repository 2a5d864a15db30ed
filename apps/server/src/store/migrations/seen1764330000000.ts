import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Whether anybody has looked at what is on the old end: bare is not the same as not said. */
export class Seen1764330000000 implements MigrationInterface {
  name = 'Seen1764330000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation ADD COLUMN old_joint_seen boolean NOT NULL DEFAULT false')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE situation DROP COLUMN old_joint_seen')
  }
}
