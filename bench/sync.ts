// Edits under fire: writers and readers while server, database and start are killed and answers are lost.
// Usage: npm run bench:sync [-- --edits=10000 --kills=60]
import { type ChildProcess, fork } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { loadavg, tmpdir } from 'node:os'
import path from 'node:path'
import { SCHEMA_VERSION, stampOf } from '@diarmos/contract'
import pg from 'pg'
import { freePort, removeCluster } from '../scripts/lib/postgres.mjs'
import { Dice } from './mate/random'

const number = (name: string, usual: number) =>
  Number(process.argv.find((text) => text.startsWith(`--${name}=`))?.split('=')[1] ?? usual)
const EDITS = number('edits', 10_000)
const KILLS = number('kills', 60)
const WRITERS = 6
const READERS = 4
const BATCH = 5
const KINDS = ['server', 'database', 'start', 'answer'] as const

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const data = mkdtempSync(path.join(tmpdir(), 'diarmos-fire-'))
const port = await freePort()
const url = `http://127.0.0.1:${port}`
const dice = new Dice(11)

interface Up {
  readonly server: number
  readonly database: string
}
let up: Up | null = null
let start: ChildProcess | null = null
function begin(): void {
  start = fork(path.join(import.meta.dirname, '../scripts/lib/supervised.mjs'), [data, String(port)], {
    execArgv: [],
  })
  start.on('message', (message: Up) => {
    up = message
  })
}
begin()
while (!up) await sleep(50)

const signIn = async () => {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    body: JSON.stringify({ email: 'bram@tidewall.example', password: 'harbour-demo' }),
    headers: { 'content-type': 'application/json' },
  })
  return answer.headers.get('set-cookie')?.split(';')[0] ?? ''
}
const cookie = await signIn()
let cuts = 0
let wantCut = 0

interface Answer {
  readonly generation: string
  readonly results: { opId: string; status: string }[]
  readonly changes: { id: string; revision: number; fields: { label?: string; note?: string } }[]
  readonly cursor: number
  readonly more: boolean
}
async function exchange(since: number, operations: object[]): Promise<Answer | null> {
  try {
    const stop = new AbortController()
    if (operations.length > 0 && wantCut > 0) {
      wantCut--
      cuts++
      setTimeout(() => stop.abort(), dice.whole(1, 25))
    }
    const answer = await fetch(`${url}/api/sync`, {
      method: 'POST',
      body: JSON.stringify({ since, operations }),
      headers: { 'content-type': 'application/json', cookie },
      signal: stop.signal,
    })
    if (answer.status === 503) return null
    if (!answer.ok) throw new Error(`${answer.status}: ${await answer.text()}`)
    return (await answer.json()) as Answer
  } catch (error) {
    if (error instanceof Error && /^\d{3}:/.test(error.message)) throw error
    return null
  }
}

const acknowledged = new Map<string, string>()
let repeated = 0
let writing = WRITERS
async function write(writer: number): Promise<void> {
  let clock = Date.now()
  for (let made = 0; made < EDITS / WRITERS; made += BATCH) {
    const operations = Array.from({ length: BATCH }, (_, index) => ({
      opId: crypto.randomUUID(),
      deviceId: `writer-${writer}`,
      kind: 'property',
      id: crypto.randomUUID(),
      patch: {
        label: `w${writer} ${made + index}`,
        street: '',
        town: '',
        era: 'unknown',
        region: 'unknown',
        note: '',
      },
      remove: false,
      base: 0,
      generation: null,
      prior: {},
      clock: stampOf(new Date(++clock).toISOString(), `writer-${writer}`),
      schema: SCHEMA_VERSION,
      at: new Date().toISOString(),
    }))
    for (let left = operations; left.length > 0; ) {
      const answer = await exchange(1e9, left)
      if (!answer) {
        await sleep(30)
        continue
      }
      left = left.filter((operation, index) => {
        const status = answer.results[index]?.status
        if (status === 'repeated') repeated++
        if (status === 'applied' || status === 'repeated')
          acknowledged.set(operation.id, operation.patch.label)
        return status === 'later'
      })
    }
  }
  writing--
}
async function read(): Promise<Map<string, string>> {
  const seen = new Map<string, string>()
  let cursor = 0
  for (let idle = 0; idle < 3; ) {
    const answer = await exchange(cursor, [])
    if (!answer) {
      await sleep(30)
      continue
    }
    for (const { id, fields } of answer.changes) if (fields.label) seen.set(id, fields.label)
    cursor = answer.cursor
    if (writing === 0 && !answer.more) idle++
  }
  return seen
}

const killed: Record<string, number> = { server: 0, database: 0, start: 0, answer: 0 }
async function kill(): Promise<void> {
  for (let n = 0; n < KILLS && writing > 0; n++) {
    const target = Math.floor(((n + 1) * EDITS) / (KILLS + 1))
    while (acknowledged.size < target && writing > 0) await sleep(10)
    const kind = KINDS[n % KINDS.length] as (typeof KINDS)[number]
    if (kind === 'answer') wantCut += 2
    else if (kind === 'server' && up) process.kill(up.server, 'SIGKILL')
    else if (kind === 'start') {
      up = null
      // set by another function, so that the compiler takes it for null still
      const old = start as unknown as ChildProcess
      old.kill('SIGKILL')
      while (old.exitCode === null && old.signalCode === null) await sleep(5)
      begin()
      while (!up) await sleep(20)
    } else if (up) {
      try {
        const client = new pg.Client({ connectionString: up.database })
        client.on('error', () => undefined)
        await client.connect()
        const { rows } = await client.query(
          "SELECT split_part(pg_read_file('postmaster.pid'), E'\n', 1) AS pid",
        )
        await client.end()
        process.kill(Number(rows[0].pid), 'SIGKILL')
      } catch {
        // it is down already: the next one
        continue
      }
    }
    killed[kind] = (killed[kind] ?? 0) + 1
  }
}

const begun = performance.now()
const [readers] = await Promise.all([
  Promise.all(Array.from({ length: READERS }, read)),
  kill(),
  ...Array.from({ length: WRITERS }, (_, writer) => write(writer)),
])
const fresh = await read()
const labels = [...fresh.values()].filter((label) => /^w\d /.test(label))
const lost = [...acknowledged].filter(([id, label]) => fresh.get(id) !== label).length
const doubled = labels.length - new Set(labels).size
const unseen = readers.map((seen) => [...acknowledged.keys()].filter((id) => !seen.has(id)).length)
console.log(
  `edits acknowledged ${acknowledged.size}, lost ${lost}, doubled ${doubled}, unseen by a reader ${unseen.join(' ')}`,
)
console.log(
  `killed: server ${killed.server}, database ${killed.database}, start ${killed.start}, answers cut off ${cuts}; sent again and known ${repeated}`,
)
console.log(`${Math.round((performance.now() - begun) / 1000)} s, load ${loadavg()[0]?.toFixed(1)}`)
// likewise
const ended = start as unknown as ChildProcess
ended.kill('SIGTERM')
while (ended.exitCode === null && ended.signalCode === null) await sleep(50)
removeCluster(data)
rmSync(data, { recursive: true, force: true })
process.exit(lost + doubled + unseen.reduce((sum, count) => sum + count, 0) === 0 ? 0 : 1)
