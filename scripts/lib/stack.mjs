// The whole product over a throw-away database, for browser tests, screenshots and benchmarks.
import { fork } from 'node:child_process'
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { buildServer, buildWeb, SERVER, WEB } from './build.mjs'
import { BROWSER } from './machine.mjs'
import { copyCluster, freePort, removeCluster, startPostgres } from './postgres.mjs'

/** Where a stack lies that others begin as copies of. */
const PREPARED = 'DIARMOS_PREPARED_STACK'

/**
 * Makes a stack with its people and houses and stops it: those that start after it begin as copies, in a quarter of
 * the time. Gives what throws it away.
 */
export async function prepareStack() {
  const stack = await startStack()
  await stack.rest()
  process.env[PREPARED] = stack.folder
  return () => {
    delete process.env[PREPARED]
    stack.remove()
  }
}

export async function startStack() {
  const prepared = process.env[PREPARED]
  // built with the stack that it is a copy of: built again, a server beside it would read half a file
  if (!prepared) await Promise.all([buildWeb(), buildServer()])
  const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-stack-'))
  if (prepared) {
    copyCluster(prepared, folder)
    copyFileSync(path.join(prepared, 'generation'), path.join(folder, 'generation'))
  }
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
  const rest = async () => {
    server.removeAllListeners('exit')
    server.kill('SIGKILL')
    await database.stop()
  }
  const remove = () => {
    removeCluster(folder)
    rmSync(folder, { recursive: true, force: true })
  }
  return {
    folder,
    rest,
    remove,
    url: `http://127.0.0.1:${port}`,
    adminUrl: database.adminUrl,
    startServer,
    killServer,
    stop: async () => {
      await rest()
      remove()
    },
  }
}

/** How Debian's Chromium is started where there is no display, no sandbox and no network. */
export const CHROMIUM = {
  executablePath: BROWSER,
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
