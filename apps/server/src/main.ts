import { serve } from '@hono/node-server'
import { makeApp } from './app'
import { readConfig } from './config'
import { loadDemo } from './demo/load'
import { makeLog } from './log'
import { openDatabase } from './store/database'

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

const app = makeApp({
  database,
  log,
  https: config.DIARMOS_HTTPS === 'yes',
  ...(config.DIARMOS_WEB ? { webFolder: config.DIARMOS_WEB } : {}),
})
const server = serve(
  { fetch: app.fetch, hostname: config.DIARMOS_HOST, port: config.DIARMOS_PORT },
  (address) => {
    log.info({ port: address.port }, 'listening')
    // tells the script that started us
    process.send?.({ listening: address.port })
  },
)
server.on('error', (error: NodeJS.ErrnoException) => {
  log.error({ code: error.code }, 'cannot listen')
  process.send?.({ failed: error.code ?? error.message })
  process.exit(1)
})

let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  server.close()
  await database.destroy().catch(() => undefined)
  process.exit(0)
}
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
