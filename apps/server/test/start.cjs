const { mkdtempSync } = require('node:fs')
const { tmpdir } = require('node:os')
const path = require('node:path')

/** One throw-away PostgreSQL for all server tests; each file makes a database of its own in it. */
module.exports = async () => {
  const { startPostgres } = await import('../../../scripts/lib/postgres.mjs')
  const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-test-'))
  const database = await startPostgres(folder, { fast: true })
  process.env.DIARMOS_TEST_ADMIN_URL = database.adminUrl
  globalThis.__diarmosTest = { database, folder }
}
