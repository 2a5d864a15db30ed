// npm run backup -- file; npm run restore -- file: the whole database, while nothing else runs on the data folder.
import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { existsSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { checkNode, orRefuse, postgresBin, Refusal, ROOT } from './lib/machine.mjs'
import { takeLock } from './lib/processes.mjs'

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { data: { type: 'string' }, restore: { type: 'boolean', default: false } },
})
const data = path.resolve(values.data ?? process.env.DIARMOS_DATA ?? path.join(ROOT, '.shop'))

await orRefuse(async () => {
  checkNode()
  const [file] = positionals
  if (!file)
    throw new Refusal(`Say which file: npm run ${values.restore ? 'restore' : 'backup'} -- shop.backup`)
  if (values.restore && !existsSync(file)) throw new Refusal(`There is no ${file}.`)
  if (!values.restore && !existsSync(data)) throw new Refusal(`There is no data in ${data}.`)
  const { startPostgres } = await import('./lib/postgres.mjs')
  const release = takeLock(data)
  const database = await startPostgres(data)
  try {
    const url = database.adminUrl.replace(/\/postgres$/, '/diarmos')
    const tool = (name, args) => {
      const { status, stderr } = spawnSync(path.join(postgresBin(), name), args, { encoding: 'utf8' })
      if (status !== 0) throw new Refusal(`${name} did not end well:\n${stderr}`)
    }
    if (!values.restore) {
      tool('pg_dump', ['--format=custom', `--file=${file}`, url])
      console.log(`Kept in ${file}.`)
      return
    }
    const { default: pg } = await import('pg')
    const { restoreRoles } = await import('./lib/roles.mjs')
    const client = new pg.Client({ connectionString: database.adminUrl })
    await client.connect()
    await restoreRoles(client, database)
    await client.query('DROP DATABASE IF EXISTS diarmos')
    await client.query("CREATE DATABASE diarmos OWNER diarmos_owner ENCODING 'UTF8' TEMPLATE template0")
    await client.end()
    tool('pg_restore', ['--exit-on-error', `--dbname=${url}`, file])
    // phones read everything anew, and send again what the backup had not
    const generation = randomUUID()
    const inside = new pg.Client({ connectionString: url })
    await inside.connect()
    // a backup of before there were generations gets one when it is brought up to date
    await inside.query('UPDATE store SET generation = $1', [generation]).catch((error) => {
      if (error.code !== '42P01') throw error
    })
    await inside.end()
    const beside = path.join(data, 'generation')
    rmSync(beside, { force: true })
    writeFileSync(beside, `${generation}\n`, { mode: 0o600 })
    console.log(`Put back from ${file}: a new generation, which phones notice.`)
  } finally {
    await database.stop()
    release()
  }
})
