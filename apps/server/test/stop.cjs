const { rmSync } = require('node:fs')

module.exports = async () => {
  const { database, folder } = globalThis.__diarmosTest
  const { removeCluster } = await import('../../../scripts/lib/postgres.mjs')
  await database.stop()
  removeCluster(folder)
  rmSync(folder, { recursive: true, force: true })
}
