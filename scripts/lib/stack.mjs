// The whole product over a throw-away database, for browser tests, screenshots and benchmarks.
import { fork } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { buildServer, buildWeb, SERVER, WEB } from './build.mjs'
import { freePort, removeCluster, startPostgres } from './postgres.mjs'

export async function startStack() {
  await Promise.all([buildWeb(), buildServer()])
  const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-stack-'))
  const database = await startPostgres(folder, { fast: true })
  const port = await freePort()
  let server = null
  const startServer = () =>
    new Promise((resolve, reject) => {
      server = fork(SERVER, {
        env: {
          ...process.env,
          NODE_ENV: 'production',
          DIARMOS_ADMIN_URL: database.adminUrl,
          DIARMOS_OWNER_PASSWORD: database.ownerPassword,
          DIARMOS_APP_PASSWORD: database.appPassword,
          DIARMOS_PORT: String(port),
          DIARMOS_GENERATION: path.join(folder, 'generation'),
          DIARMOS_WEB: WEB,
          DIARMOS_DEMO: 'yes',
          DIARMOS_LOG: 'error',
        },
        execArgv: [],
      })
      server.on('message', (message) => (message.listening ? resolve() : reject(new Error(message.failed))))
      server.once('exit', (code) => reject(new Error(`the server ended: ${code}`)))
    })
  const killServer = () =>
    new Promise((resolve) => {
      server.once('exit', resolve)
      server.kill('SIGKILL')
    })
  await startServer()
  return {
    url: `http://127.0.0.1:${port}`,
    adminUrl: database.adminUrl,
    startServer,
    killServer,
    stop: async () => {
      server.removeAllListeners('exit')
      server.kill('SIGKILL')
      await database.stop()
      removeCluster(folder)
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** How Debian's Chromium is started where there is no display, no sandbox and no network. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
