import { fileURLToPath } from 'node:url'
import { serve } from '@hono/node-server'
import { makeApp } from './app'
import { readConfig } from './config'
import { hasDemo, loadDemo } from './demo/load'
import { hostsOf } from './hosts'
import { makeLog } from './log'
import { makeSolver } from './solve/pool'
import { openDatabase } from './store/database'
import { eraseOld } from './store/removed'
import { inviteOwner } from './store/setUp'

const config = readConfig(process.env)
const log = makeLog(config.DIARMOS_LOG)
const database = await openDatabase(
  {
    adminUrl: config.DIARMOS_ADMIN_URL,
    database: config.DIARMOS_DATABASE,
    ownerPassword: config.DIARMOS_OWNER_PASSWORD,
    appPassword: config.DIARMOS_APP_PASSWORD,
  },
  config.DIARMOS_GENERATION ? { generationFile: config.DIARMOS_GENERATION } : {},
)
if (config.DIARMOS_DEMO !== 'no') await loadDemo(database)
// everyone knows the demo's passwords: a real shop does not start with them
else if (await hasDemo(database)) {
  process.send?.({ failed: 'the demo lies in this data folder; choose another with --data' })
  process.exit(1)
}
const invitation = config.DIARMOS_DEMO === 'no' ? await inviteOwner(database) : null

const solver = makeSolver({
  filename: fileURLToPath(new URL('./solve.mjs', import.meta.url)),
  ...(config.DIARMOS_SOLVERS ? { threads: config.DIARMOS_SOLVERS } : {}),
})
let port = config.DIARMOS_PORT
const app = makeApp({
  database,
  log,
  solver,
  hosts: () => hostsOf(config.DIARMOS_HOST, port, config.DIARMOS_ADDRESS),
  behindProxy: config.DIARMOS_HTTPS === 'yes',
  https: config.DIARMOS_HTTPS === 'yes',
  ...(config.DIARMOS_WEB ? { webFolder: config.DIARMOS_WEB } : {}),
})
const server = serve(
  {
    fetch: app.fetch,
    hostname: config.DIARMOS_HOST,
    port: config.DIARMOS_PORT,
    // what dribbles or never ends is cut off
    serverOptions: { headersTimeout: 10_000, requestTimeout: 30_000, connectionsCheckingInterval: 2000 },
  },
  (address) => {
    port = address.port
    log.info({ port: address.port }, 'listening')
    // tells the script that started us
    process.send?.({ listening: address.port, ...(invitation ? { invitation } : {}) })
  },
)
server.on('error', (error: NodeJS.ErrnoException) => {
  log.error({ code: error.code }, 'cannot listen')
  process.send?.({ failed: error.code ?? error.message })
  process.exit(1)
})

// what went with a house for good is erased when its thirty days are over
const erase = () =>
  eraseOld(database).catch((error: Error) => log.warn({ name: error.name }, 'erasing put off'))
void erase()
setInterval(erase, 6 * 3_600_000).unref()

let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  server.close()
  await solver.stop().catch(() => undefined)
  await database.destroy().catch(() => undefined)
  process.exit(0)
}
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
// whoever started us is gone: nobody would stop us any more
process.on('disconnect', stop)
