// npm start: the demo, from a fresh machine to a printed address. npm run serve: the same for a real shop.
import { existsSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { checkNode, ensureDebian, ensurePackages, orRefuse, POSTGRES, Refusal, ROOT } from './lib/machine.mjs'
import { takeLock } from './lib/processes.mjs'

const { values } = parseArgs({
  options: {
    port: { type: 'string' },
    host: { type: 'string' },
    data: { type: 'string' },
    address: { type: 'string' },
    reset: { type: 'boolean', default: false },
    serve: { type: 'boolean', default: false },
  },
})
const { serve } = values
const port = values.port ?? process.env.DIARMOS_PORT ?? '8717'
const host = values.host ?? process.env.DIARMOS_HOST ?? '127.0.0.1'
const data = path.resolve(
  values.data ?? process.env.DIARMOS_DATA ?? path.join(ROOT, serve ? '.shop' : '.data'),
)
const LOOPBACK = ['127.0.0.1', '::1', 'localhost']

/** Ctrl-C before anything runs that would have to be stopped in order. */
let stop = (code) => process.exit(code)
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0))

await orRefuse(async () => {
  checkNode()
  if (!/^\d+$/.test(port) || Number(port) > 65535) throw new Refusal(`--port: “${port}” is no port.`)
  if (!serve && !LOOPBACK.includes(host))
    throw new Refusal(
      `npm start is the demo, whose passwords everyone knows: it listens on this machine alone, not on ${host}. A real shop is started with: npm run serve -- --host ${host}`,
    )
  if (serve && values.reset) throw new Refusal('--reset throws data away: it is for the demo only.')
  ensureDebian([POSTGRES])
  await ensurePackages()
  const { removeCluster } = await import('./lib/postgres.mjs')
  const { buildServer, buildWeb, WEB } = await import('./lib/build.mjs')
  const { supervise } = await import('./lib/supervise.mjs')
  const release = takeLock(data)
  let running = null
  let stopping = false
  stop = async (code) => {
    if (stopping) return
    stopping = true
    await running?.stop()
    release()
    process.exit(code)
  }
  try {
    if (values.reset && existsSync(data)) removeCluster(data)
    await Promise.all([buildWeb(), buildServer()])
    let said = false
    running = await supervise({
      data,
      host,
      port,
      env: {
        DIARMOS_WEB: WEB,
        DIARMOS_DEMO: serve ? 'no' : 'yes',
        DIARMOS_LOG: process.env.DIARMOS_LOG ?? 'warn',
        ...(values.address ? { DIARMOS_ADDRESS: values.address } : {}),
      },
      onListening: ({ listening, invitation }) => {
        const address = values.address ?? `http://${host.includes(':') ? `[${host}]` : host}:${listening}`
        if (!said) console.log(`\nDiarmos is at  ${address}/`)
        if (!said && !serve) console.log('Demo sign-in:  bram@tidewall.example  harbour-demo')
        if (invitation)
          console.log(`The owner opens this once, within a day:\n  ${address}/welcome#${invitation}`)
        if (!said) console.log('Ctrl-C stops everything.\n')
        said = true
      },
    })
    // stopped while the database came up
    if (stopping) {
      await running.stop()
      release()
      process.exit(0)
    }
    const reason = await running.ended
    console.error(
      reason === 'EADDRINUSE'
        ? `\nPort ${port} is taken. Choose another: npm ${serve ? 'run serve' : 'start'} -- --port 8800\n`
        : `\nStopped: ${reason}\n`,
    )
    await stop(1)
  } catch (error) {
    if (error instanceof Refusal) console.error(`\n${error.message}\n`)
    else console.error(error)
    await stop(1)
  }
})
