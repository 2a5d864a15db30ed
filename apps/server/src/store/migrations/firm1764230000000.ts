import type { MigrationInterface, QueryRunner } from 'typeorm'
import { DOCUMENT, policies } from './document'

const TABLES = [
  'property',
  'contact',
  'point',
  'line',
  'job',
  'visit',
  'situation',
  'observation',
  'finding',
  'mating',
  'dimension',
  'check',
  'attachment',
  'settings',
]
/** What is asked for by the job or the place it belongs to. */
const ASKED: readonly (readonly [table: string, column: string])[] = [
  ['contact', 'property_id'],
  ['point', 'property_id'],
  ['job', 'property_id'],
  ['job', 'point_id'],
  ['line', 'point_id'],
  ...['visit', 'situation', 'observation', 'finding', 'mating', 'dimension', 'check', 'attachment'].map(
    (table) => [table, 'job_id'] as const,
  ),
  ['finding', 'line_id'],
  ['mating', 'line_id'],
]

/** Generations of the database, stamps of edits, what goes and comes back together, who confirmed, proposals. */
export class Firm1764230000000 implements MigrationInterface {
  name = 'Firm1764230000000'

  async up(runner: QueryRunner): Promise<void> {
    const statements = [
      ...TABLES.flatMap((table) => [
        `ALTER TABLE "${table}" ADD COLUMN clock text NOT NULL DEFAULT ''`,
        // the removal that took it along: what went together comes back together
        `ALTER TABLE "${table}" ADD COLUMN removed_by uuid`,
      ]),
      'ALTER TABLE finding ADD COLUMN confirmed_by uuid',
      'ALTER TABLE mating ADD COLUMN confirmed_by uuid',
      'ALTER TABLE job ADD COLUMN closed_by uuid',
      "ALTER TABLE settings ADD COLUMN currency text NOT NULL DEFAULT 'USD'",
      `CREATE TABLE proposal (${DOCUMENT}, clock text NOT NULL DEFAULT '', removed_by uuid,
         job_id uuid, kind text NOT NULL, entity_id uuid NOT NULL, patch jsonb NOT NULL, removes boolean NOT NULL,
         by_id uuid NOT NULL, state text NOT NULL, decided_by uuid, proposed_at timestamptz NOT NULL,
         FOREIGN KEY (shop_id, by_id) REFERENCES person (shop_id, id))`,
      'CREATE INDEX proposal_by_revision ON proposal (shop_id, revision)',
      ...policies('proposal'),
      'GRANT SELECT, INSERT, UPDATE ON proposal TO diarmos_app',
      ...ASKED.map(
        ([table, column]) => `CREATE INDEX ${table}_by_${column} ON "${table}" (shop_id, ${column})`,
      ),
      'CREATE INDEX operation_log_by_entity ON operation_log (shop_id, entity_id)',
      'ALTER TABLE operation_log ADD COLUMN digest text',
      'ALTER TABLE operation_log ADD COLUMN generation uuid',
      "ALTER TABLE operation_log ADD COLUMN clock text NOT NULL DEFAULT ''",
      // when a person is erased, what could be guessed from the digest goes too
      'GRANT UPDATE (digest) ON operation_log TO diarmos_app',
      `ALTER TABLE shop ADD COLUMN generation uuid NOT NULL DEFAULT gen_random_uuid()`,
      `ALTER TABLE shop ADD COLUMN generations jsonb NOT NULL DEFAULT '[]'`,
      'ALTER TABLE shop ADD COLUMN store uuid',
      'CREATE TABLE store (one boolean PRIMARY KEY DEFAULT true CHECK (one), generation uuid NOT NULL)',
      'INSERT INTO store (generation) VALUES (gen_random_uuid())',
      'GRANT SELECT ON store TO diarmos_app',
      'UPDATE shop SET store = (SELECT generation FROM store)',
      // a one-time word for who sets up the first shop
      'CREATE TABLE invitation (token_hash bytea PRIMARY KEY, expires_at timestamptz NOT NULL)',
      'GRANT SELECT, INSERT, DELETE ON invitation TO diarmos_app',
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    const statements = [
      'DROP TABLE invitation',
      'DROP TABLE store',
      ...['store', 'generations', 'generation'].map((column) => `ALTER TABLE shop DROP COLUMN ${column}`),
      ...['clock', 'generation', 'digest'].map((column) => `ALTER TABLE operation_log DROP COLUMN ${column}`),
      'DROP INDEX operation_log_by_entity',
      ...ASKED.map(([table, column]) => `DROP INDEX ${table}_by_${column}`),
      'DROP TABLE proposal',
      'ALTER TABLE settings DROP COLUMN currency',
      'ALTER TABLE job DROP COLUMN closed_by',
      'ALTER TABLE mating DROP COLUMN confirmed_by',
      'ALTER TABLE finding DROP COLUMN confirmed_by',
      ...TABLES.flatMap((table) => [
        `ALTER TABLE "${table}" DROP COLUMN removed_by`,
        `ALTER TABLE "${table}" DROP COLUMN clock`,
      ]),
    ]
    for (const statement of statements) await runner.query(statement)
  }
}
