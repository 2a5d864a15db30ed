// Keeps a database and a server up until it is told to stop: what dies comes back, in order, on the same ports.
import { fork } from 'node:child_process'
import path from 'node:path'
import { SERVER } from './build.mjs'
import { startPostgres } from './postgres.mjs'
import { endLeftover, note } from './processes.mjs'

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
/** How long after the n-th quick death in a row it is tried again, ms. */
const pause = (deaths) => Math.min(5000, 100 * 2 ** deaths)
/** One that lived so long has not died at once, ms. */
const LIVED = 10_000
const MOST_DEATHS = 8

/**
 * @param options data folder, host, port, environment of the server, and what to do when it first listens
 * @returns `stop` ends both in order; `ended` resolves with a reason where it gives up
 */
export async function supervise({
  data,
  host,
  port,
  env = {},
  onListening,
  fast = false,
  say = console.error,
}) {
  let stopping = false
  let server = null
  let database = null
  let giveUp = () => undefined
  const ended = new Promise((resolve) => {
    giveUp = resolve
  })

  await endLeftover(data, 'server')
  database = await startPostgres(data, { fast })

  const watchDatabase = () => {
    database.exited.then(async () => {
      if (stopping) return
      say('The database ended; it is started again …')
      for (let deaths = 0; !stopping; deaths++) {
        try {
          database = await startPostgres(data, { fast, port: database.port })
          if (stopping) return database.stop()
          say('The database is back.')
          return watchDatabase()
        } catch (error) {
          if (deaths >= MOST_DEATHS) return giveUp(`the database does not come back: ${error.message}`)
          await sleep(pause(deaths))
        }
      }
    })
  }
  watchDatabase()

  let listensOn = port
  let deaths = 0
  const startServer = () => {
    const began = Date.now()
    server = fork(SERVER, {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        DIARMOS_ADMIN_URL: database.adminUrl,
        DIARMOS_OWNER_PASSWORD: database.ownerPassword,
        DIARMOS_APP_PASSWORD: database.appPassword,
        DIARMOS_GENERATION: path.join(data, 'generation'),
        DIARMOS_HOST: host,
        DIARMOS_PORT: String(listensOn),
        ...env,
      },
      // Ctrl-C reaches us first, and we stop it in order
      detached: true,
      execArgv: [],
    })
    note(data, 'server', server.pid)
    let failed = null
    server.on('message', (message) => {
      if (message.listening) {
        // it comes back where phones look for it
        listensOn = message.listening
        onListening?.(message)
      } else if (message.failed) failed = message.failed
    })
    server.once('exit', async (code) => {
      if (stopping) return
      if (failed === 'EADDRINUSE' && deaths === 0) return giveUp(failed)
      deaths = Date.now() - began > LIVED ? 0 : deaths + 1
      if (deaths > MOST_DEATHS) return giveUp(`the server ends again and again (${failed ?? code})`)
      say(`The server ended (${failed ?? code ?? 'killed'}); it is started again …`)
      await sleep(deaths <= 1 ? 0 : pause(deaths))
      if (!stopping) startServer()
    })
  }
  startServer()

  return {
    ended,
    database: () => database,
    serverPid: () => server?.pid,
    async stop() {
      if (stopping) return
      stopping = true
      if (server && server.exitCode === null && server.signalCode === null) {
        const gone = new Promise((resolve) => server.once('exit', resolve))
        server.kill('SIGTERM')
        await Promise.race([gone, sleep(4000)])
        if (server.exitCode === null && server.signalCode === null) server.kill('SIGKILL')
      }
      await database?.stop()
    },
  }
}
