import type { MigrationInterface, QueryRunner } from 'typeorm'
import { DOCUMENT, parent, policies } from './document'

const DOCUMENTS: readonly [string, string][] = [
  [
    'property',
    'label text NOT NULL, street text NOT NULL, town text NOT NULL, era text NOT NULL, region text NOT NULL, note text NOT NULL',
  ],
  [
    'contact',
    `property_id uuid NOT NULL, name text NOT NULL, phone text NOT NULL, email text NOT NULL, ${parent('property_id', 'property')}`,
  ],
  [
    'point',
    `property_id uuid NOT NULL, name text NOT NULL, kind text NOT NULL, ${parent('property_id', 'property')}`,
  ],
  ['line', `point_id uuid NOT NULL, service text NOT NULL, ${parent('point_id', 'point')}`],
  [
    'job',
    `property_id uuid NOT NULL, point_id uuid NOT NULL, title text NOT NULL, state text NOT NULL, fixture_id text,
     opened_at timestamptz NOT NULL, closed_at timestamptz, note text NOT NULL,
     ${parent('property_id', 'property')}, ${parent('point_id', 'point')}`,
  ],
  [
    'visit',
    `job_id uuid NOT NULL, person_id uuid NOT NULL, started_at timestamptz NOT NULL, ended_at timestamptz,
     ${parent('job_id', 'job')}, FOREIGN KEY (shop_id, person_id) REFERENCES person (shop_id, id)`,
  ],
  [
    'situation',
    `job_id uuid NOT NULL, line_id uuid NOT NULL, flame boolean NOT NULL, line text NOT NULL, access text NOT NULL,
     stub_mm double precision, plate_mm double precision NOT NULL, old_joint text NOT NULL, thread text NOT NULL,
     scored boolean NOT NULL, out_of_round boolean NOT NULL, water_seen boolean NOT NULL, near_heater boolean NOT NULL,
     pressure_psi double precision, stop_shape text NOT NULL, reach_mm double precision,
     ${parent('job_id', 'job')}, ${parent('line_id', 'line')}`,
  ],
  [
    'observation',
    `job_id uuid NOT NULL, line_id uuid NOT NULL, kind text NOT NULL, instrument text, sign text, answer text,
     entered text NOT NULL, mm double precision, resolution_mm double precision, unit text, withdrawn boolean NOT NULL,
     taken_at timestamptz NOT NULL, ${parent('job_id', 'job')}, ${parent('line_id', 'line')}`,
  ],
  [
    'finding',
    `job_id uuid NOT NULL, line_id uuid NOT NULL, pipe_id text NOT NULL, name text NOT NULL,
     probability double precision NOT NULL, basis text NOT NULL, snapshot jsonb NOT NULL, found_at timestamptz NOT NULL,
     ${parent('job_id', 'job')}, ${parent('line_id', 'line')}`,
  ],
  [
    'mating',
    `job_id uuid NOT NULL, line_id uuid NOT NULL, option_id text NOT NULL, option jsonb NOT NULL, settings jsonb,
     basis text NOT NULL, versions jsonb NOT NULL, chosen_at timestamptz NOT NULL,
     ${parent('job_id', 'job')}, ${parent('line_id', 'line')}`,
  ],
  [
    '"check"',
    `job_id uuid NOT NULL, line_id uuid, step_id text NOT NULL, result text NOT NULL, at timestamptz NOT NULL,
     note text NOT NULL, ${parent('job_id', 'job')}, ${parent('line_id', 'line')}`,
  ],
  [
    'attachment',
    `job_id uuid NOT NULL, line_id uuid, name text NOT NULL, media_type text NOT NULL, content text NOT NULL,
     taken_at timestamptz NOT NULL, ${parent('job_id', 'job')}, ${parent('line_id', 'line')}`,
  ],
  [
    'settings',
    'name text NOT NULL, zone text NOT NULL, unit text NOT NULL, region text NOT NULL, mate jsonb NOT NULL',
  ],
]

export class First1764000000000 implements MigrationInterface {
  name = 'First1764000000000'

  async up(runner: QueryRunner): Promise<void> {
    const statements = [
      `CREATE TABLE shop (
         id uuid PRIMARY KEY, name text NOT NULL, revision bigint NOT NULL DEFAULT 0,
         created_at timestamptz NOT NULL DEFAULT now())`,
      `CREATE TABLE person (
         shop_id uuid NOT NULL REFERENCES shop (id), id uuid NOT NULL, name text NOT NULL,
         email text NOT NULL UNIQUE, role text NOT NULL CHECK (role IN ('owner', 'technician', 'apprentice')),
         password_hash text NOT NULL, PRIMARY KEY (shop_id, id))`,
      `CREATE TABLE session (
         token_hash bytea PRIMARY KEY, shop_id uuid NOT NULL, person_id uuid NOT NULL,
         created_at timestamptz NOT NULL DEFAULT now(), expires_at timestamptz NOT NULL,
         FOREIGN KEY (shop_id, person_id) REFERENCES person (shop_id, id))`,
      ...DOCUMENTS.map(([table, columns]) => `CREATE TABLE ${table} (${DOCUMENT}, ${columns})`),
      ...DOCUMENTS.map(
        ([table]) => `CREATE INDEX ${table.replaceAll('"', '')}_by_revision ON ${table} (shop_id, revision)`,
      ),
      `CREATE TABLE operation_log (
         shop_id uuid NOT NULL REFERENCES shop (id), op_id uuid NOT NULL, revision bigint NOT NULL,
         person_id uuid NOT NULL, device_id text NOT NULL, kind text NOT NULL, entity_id uuid NOT NULL,
         patch jsonb NOT NULL, removes boolean NOT NULL, base bigint NOT NULL, status text NOT NULL,
         device_at timestamptz NOT NULL, server_at timestamptz NOT NULL DEFAULT now(),
         PRIMARY KEY (shop_id, op_id))`,
      ...['shop', 'person', 'session', 'operation_log', ...DOCUMENTS.map(([table]) => table)].flatMap(
        (table) => policies(table, ['shop', 'person', 'session'].includes(table)),
      ),
      'GRANT SELECT, INSERT, UPDATE ON ALL TABLES IN SCHEMA public TO diarmos_app',
      'GRANT DELETE ON session TO diarmos_app',
      // contact data can be erased for good
      'GRANT DELETE ON contact TO diarmos_app',
      'REVOKE UPDATE ON operation_log, person FROM diarmos_app',
    ]
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    const tables = [
      'operation_log',
      ...DOCUMENTS.map(([table]) => table).reverse(),
      'session',
      'person',
      'shop',
    ]
    for (const table of tables) await runner.query(`DROP TABLE ${table}`)
  }
}
