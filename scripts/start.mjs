// npm start: everything from a fresh machine to a printed address.
import { fork } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { checkNode, ensureDebian, ensurePackages, orRefuse, POSTGRES, Refusal, ROOT } from './lib/machine.mjs'

const { values } = parseArgs({
  options: {
    port: { type: 'string' },
    host: { type: 'string' },
    data: { type: 'string' },
    reset: { type: 'boolean', default: false },
  },
})
const port = values.port ?? process.env.DIARMOS_PORT ?? '8717'
const host = values.host ?? process.env.DIARMOS_HOST ?? '127.0.0.1'
const data = path.resolve(values.data ?? process.env.DIARMOS_DATA ?? path.join(ROOT, '.data'))

/** One start for one data folder: a second one says where the first is. */
function takeLock() {
  mkdirSync(data, { recursive: true })
  const file = path.join(data, 'start.pid')
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      writeFileSync(file, String(process.pid), { flag: 'wx' })
      return () => rmSync(file, { force: true })
    } catch {
      const pid = Number(readFileSync(file, 'utf8'))
      const command = existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : ''
      if (command.includes('start.mjs'))
        throw new Refusal(
          `Diarmos already runs on this data folder (process ${pid}). Stop it first, or choose another with --data.`,
        )
      rmSync(file, { force: true })
    }
  }
  throw new Refusal('Another start came first.')
}

await orRefuse(async () => {
  checkNode()
  if (!/^\d+$/.test(port) || Number(port) > 65535) throw new Refusal(`--port: “${port}” is no port.`)
  ensureDebian([POSTGRES])
  ensurePackages()
  const { startPostgres, removeCluster } = await import('./lib/postgres.mjs')
  const { buildServer, buildWeb, SERVER, WEB } = await import('./lib/build.mjs')
  const release = takeLock()
  let database = null
  let server = null
  let stopping = false
  const stop = async (code) => {
    if (stopping) return
    stopping = true
    if (server && server.exitCode === null) {
      const gone = new Promise((resolve) => server.once('exit', resolve))
      server.kill('SIGTERM')
      await Promise.race([gone, new Promise((resolve) => setTimeout(resolve, 4000))])
    }
    await database?.stop()
    release()
    process.exit(code)
  }
  process.on('SIGINT', () => stop(0))
  process.on('SIGTERM', () => stop(0))
  process.on('SIGHUP', () => stop(0))
  try {
    if (values.reset) removeCluster(data)
    await Promise.all([buildWeb(), buildServer()])
    database = await startPostgres(data)
    const failed = await new Promise((resolve) => {
      server = fork(SERVER, {
        env: {
          ...process.env,
          NODE_ENV: 'production',
          DIARMOS_ADMIN_URL: database.adminUrl,
          DIARMOS_OWNER_PASSWORD: database.ownerPassword,
          DIARMOS_APP_PASSWORD: database.appPassword,
          DIARMOS_HOST: host,
          DIARMOS_PORT: port,
          DIARMOS_WEB: WEB,
          DIARMOS_DEMO: 'yes',
          DIARMOS_LOG: process.env.DIARMOS_LOG ?? 'warn',
        },
        // Ctrl-C reaches us first, and we stop it in order
        detached: true,
      })
      server.on('message', (message) => {
        if (message.listening) {
          console.log(
            `\nDiarmos is at  http://${host.includes(':') ? `[${host}]` : host}:${message.listening}/`,
          )
          console.log('Demo sign-in:  bram@tidewall.example  harbour-demo\nCtrl-C stops everything.\n')
        } else if (message.failed) resolve(message.failed)
      })
      server.once('exit', () => resolve('ended'))
    })
    if (stopping) return
    console.error(
      failed === 'EADDRINUSE'
        ? `\nPort ${port} is taken. Choose another: npm start -- --port 8800\n`
        : `\nThe server stopped: ${failed}\n`,
    )
    await stop(1)
  } catch (error) {
    if (!(error instanceof Refusal)) console.error(error)
    else console.error(`\n${error.message}\n`)
    await stop(1)
  }
})
