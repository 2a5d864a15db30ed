// Runs the server under supervision without the web application, for the test of what is killed.
import { buildServer } from './build.mjs'
import { takeLock } from './processes.mjs'
import { supervise } from './supervise.mjs'

const [data] = process.argv.slice(2)
const release = takeLock(data)
await buildServer()
const running = await supervise({
  data,
  host: '127.0.0.1',
  port: process.argv[3] ?? '0',
  env: { DIARMOS_DEMO: 'yes', DIARMOS_LOG: 'warn' },
  say: () => undefined,
  onListening: ({ listening }) =>
    process.send({ listening, server: running.serverPid(), database: running.database().adminUrl }),
})
const stop = async () => {
  await running.stop()
  release()
  process.exit(0)
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// who started this is gone
process.on('disconnect', stop)
