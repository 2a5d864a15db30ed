import pg from 'pg'

export interface Roles {
  readonly adminUrl: string
  readonly database: string
  readonly ownerPassword: string
  readonly appPassword: string
}

export const OWNER = 'diarmos_owner'
export const APP = 'diarmos_app'

/** Address of the database for one of the product's own roles. */
export function urlFor(roles: Roles, role: typeof OWNER | typeof APP): string {
  const url = new URL(roles.adminUrl)
  url.username = role
  url.password = role === OWNER ? roles.ownerPassword : roles.appPassword
  url.pathname = `/${roles.database}`
  return url.toString()
}

/**
 * Makes the two roles and the database where they are missing: the owner migrates, the app role has no more than
 * row-level security lets it have. Safe to repeat.
 */
export async function provision(roles: Roles): Promise<void> {
  const admin = new pg.Client({ connectionString: roles.adminUrl })
  await admin.connect()
  try {
    await admin.query('SELECT pg_advisory_lock(717001)')
    for (const [role, password] of [
      [OWNER, roles.ownerPassword],
      [APP, roles.appPassword],
    ] as const) {
      const { rowCount } = await admin.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [role])
      const verb = rowCount ? 'ALTER' : 'CREATE'
      await admin.query(
        `${verb} ROLE ${role} LOGIN NOSUPERUSER NOBYPASSRLS PASSWORD ${admin.escapeLiteral(password)}`,
      )
    }
    const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [roles.database])
    if (!rowCount)
      await admin.query(
        `CREATE DATABASE ${admin.escapeIdentifier(roles.database)} OWNER ${OWNER} ENCODING 'UTF8' TEMPLATE template0`,
      )
  } finally {
    await admin.end()
  }
}
