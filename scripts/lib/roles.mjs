// The product's two roles in a cluster that may not have them yet.
export async function restoreRoles(client, { ownerPassword, appPassword }) {
  for (const [role, password] of [
    ['diarmos_owner', ownerPassword],
    ['diarmos_app', appPassword],
  ]) {
    const { rowCount } = await client.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [role])
    await client.query(
      `${rowCount ? 'ALTER' : 'CREATE'} ROLE ${role} LOGIN NOSUPERUSER NOBYPASSRLS PASSWORD ${client.escapeLiteral(password)}`,
    )
  }
}
