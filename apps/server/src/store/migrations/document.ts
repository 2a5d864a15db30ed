/** Columns that every document of a shop has: whose it is, its revision, and who changed which field when. */
export const DOCUMENT = `
  shop_id uuid NOT NULL REFERENCES shop (id),
  id uuid NOT NULL,
  revision bigint NOT NULL,
  removed boolean NOT NULL DEFAULT false,
  field_revisions jsonb NOT NULL DEFAULT '{}',
  conflicts jsonb NOT NULL DEFAULT '[]',
  PRIMARY KEY (shop_id, id)`

/** Refers to a document of the same shop. */
export const parent = (column: string, table: string) =>
  `FOREIGN KEY (shop_id, ${column}) REFERENCES ${table} (shop_id, id)`

/** Who sees a row: its own shop; and, while someone signs in, the sign-in itself. */
export const policies = (table: string, signIn = false) => [
  `ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`,
  `ALTER TABLE ${table} FORCE ROW LEVEL SECURITY`,
  `CREATE POLICY own_shop ON ${table}
     USING (${table === 'shop' ? 'id' : 'shop_id'} = nullif(current_setting('app.shop', true), '')::uuid)
     WITH CHECK (${table === 'shop' ? 'id' : 'shop_id'} = nullif(current_setting('app.shop', true), '')::uuid)`,
  ...(signIn
    ? [`CREATE POLICY sign_in ON ${table} FOR SELECT USING (current_setting('app.sign_in', true) = 'on')`]
    : []),
]
