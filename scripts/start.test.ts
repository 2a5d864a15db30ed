import { type ChildProcess, fork, spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import pg from 'pg'

const ROOT = path.resolve(__dirname, '..')
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const alive = (pid: number) => {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.[0] !== 'Z'
  } catch {
    return false
  }
}

interface Up {
  readonly listening: number
  readonly server: number
  readonly database: string
}

/** What is killed while it runs, and must come back with nothing lost. */
describe('a start', () => {
  const data = mkdtempSync(path.join(tmpdir(), 'diarmos-start-'))
  const starts: ChildProcess[] = []
  let cookie = ''

  /** Starts, and gives what is up each time that the server listens. */
  const start = () => {
    const child = fork(path.join(ROOT, 'scripts/lib/supervised.mjs'), [data], { stdio: 'pipe', execArgv: [] })
    starts.push(child)
    const ups: Up[] = []
    child.on('message', (message: Up) => ups.push(message))
    const next = async (count: number): Promise<Up> => {
      while (ups.length < count) {
        if (child.exitCode !== null) throw new Error(`the start ended: ${child.exitCode}`)
        await sleep(50)
      }
      return ups[count - 1] as Up
    }
    return { child, next }
  }
  const ask = (up: Up, where: string, body?: unknown) =>
    fetch(`http://127.0.0.1:${up.listening}${where}`, {
      ...(body === undefined
        ? {}
        : {
            method: 'POST',
            body: JSON.stringify(body),
            headers: { 'content-type': 'application/json', cookie },
          }),
    })
  const signIn = async (up: Up) => {
    const answer = await ask(up, '/api/session', { email: 'jory@fennel.example', password: 'harbour-demo' })
    cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? ''
  }
  const house = (label: string) => ({
    opId: crypto.randomUUID(),
    deviceId: 'd',
    kind: 'property',
    id: crypto.randomUUID(),
    patch: { label, street: '', town: '', era: 'unknown', region: 'unknown', note: '' },
    remove: false,
    base: 0,
    schema: 1,
    at: '2026-11-20T09:00:00.000Z',
  })
  const labels = async (up: Up) => {
    const answer = await ask(up, '/api/sync', { since: 0, operations: [] })
    const { changes } = (await answer.json()) as { changes: { kind: string; fields: { label?: string } }[] }
    return changes.filter((change) => change.kind === 'property').map((change) => change.fields.label)
  }
  const postmaster = async (up: Up): Promise<number> => {
    const client = new pg.Client({ connectionString: up.database })
    client.on('error', () => undefined)
    await client.connect()
    const { rows } = await client.query("SELECT split_part(pg_read_file('postmaster.pid'), E'\\n', 1) AS pid")
    await client.end()
    return Number(rows[0].pid)
  }

  afterAll(async () => {
    for (const child of starts)
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM')
    for (const child of starts) while (child.exitCode === null && child.signalCode === null) await sleep(50)
    const { removeCluster } = await import('./lib/postgres.mjs' as string)
    removeCluster(data)
    rmSync(data, { recursive: true, force: true })
  })

  it('brings back a server that was killed, and a database, with every edit that was acknowledged', async () => {
    const { child, next } = start()
    const first = await next(1)
    await signIn(first)
    await ask(first, '/api/sync', { since: 0, operations: [house('before the server died')] })
    process.kill(first.server, 'SIGKILL')
    const second = await next(2)
    expect(second.listening).toBe(first.listening)
    expect(second.server).not.toBe(first.server)
    expect(await labels(second)).toContain('before the server died')

    await ask(second, '/api/sync', { since: 0, operations: [house('before the database died')] })
    process.kill(await postmaster(second), 'SIGKILL')
    // meanwhile it says that it is not there, and not that something went wrong
    const statuses = new Set<number>()
    for (let tries = 0; tries < 2000; tries++) {
      const answer = await ask(second, '/api/sync', { since: 0, operations: [] })
      statuses.add(answer.status)
      if (answer.status === 503) expect(answer.headers.get('retry-after')).toBeTruthy()
      if (answer.status === 200 && statuses.has(503)) break
      await sleep(20)
    }
    expect([...statuses].sort()).toEqual([200, 503])
    expect(await labels(second)).toEqual(
      expect.arrayContaining(['before the server died', 'before the database died']),
    )
    child.kill('SIGTERM')
    while (child.exitCode === null) await sleep(50)
    expect(child.exitCode).toBe(0)
    expect(alive(second.server)).toBe(false)
  })

  it('killed itself leaves what the next one finds and ends', async () => {
    const one = start()
    const first = await one.next(1)
    const pid = await postmaster(first)
    one.child.kill('SIGKILL')
    const two = start()
    const second = await two.next(1)
    expect(alive(first.server)).toBe(false)
    expect(alive(pid)).toBe(false)
    await signIn(second)
    expect(await labels(second)).toContain('before the database died')
  })

  it('is alone on its data folder, which only its owner reads', async () => {
    const refused = spawnSync(process.execPath, [path.join(ROOT, 'scripts/lib/supervised.mjs'), data], {
      encoding: 'utf8',
    })
    expect(refused.stderr).toContain('already runs on this data folder')
    expect((statSync(data).mode & 0o777).toString(8)).toBe('711')
    for (const name of readdirSync(data)) {
      const mode = statSync(path.join(data, name)).mode & 0o077
      expect([name, mode]).toEqual([name, 0])
    }
  })

  it('writes no personal data into the log of the database', () => {
    const log = readFileSync(path.join(data, 'postgres.log'), 'utf8')
    expect(log.length).toBeGreaterThan(100)
    expect(log).not.toMatch(/fennel|Jory|before the/)
  })
})

describe('npm start', () => {
  const run = (...args: string[]) =>
    spawnSync(process.execPath, [path.join(ROOT, 'scripts/start.mjs'), ...args], { encoding: 'utf8' })
  it('is the demo, on this machine alone', () => {
    const { status, stderr } = run('--host', '0.0.0.0')
    expect([status, stderr]).toEqual([1, expect.stringContaining('npm run serve')])
  })
  it('of a shop throws nothing away', () => {
    expect(run('--serve', '--reset').stderr).toContain('--reset')
  })
})

describe('packages', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-lock-'))
  afterAll(() => rmSync(folder, { recursive: true }))
  const write = (name: string, packages: object) => {
    const file = path.join(folder, name)
    writeFileSync(file, JSON.stringify({ packages }))
    return file
  }
  it('are installed where names or versions differ, whatever the time of a file', async () => {
    const { packagesMatch } = await import('./lib/machine.mjs' as string)
    const lock = write('lock', {
      '': {},
      'apps/x': {},
      'node_modules/x': { link: true },
      'node_modules/a': { version: '1.0.0' },
      'node_modules/other-machine': { version: '2.0.0', optional: true },
    })
    const installed = (packages: object) => packagesMatch(lock, write('installed', packages))
    expect(installed({ 'node_modules/a': { version: '1.0.0' } })).toBe(true)
    expect(installed({ 'node_modules/a': { version: '1.0.1' } })).toBe(false)
    expect(installed({})).toBe(false)
    expect(packagesMatch(lock, path.join(folder, 'none'))).toBe(false)
    expect(
      packagesMatch(path.join(ROOT, 'package-lock.json'), path.join(ROOT, 'node_modules/.package-lock.json')),
    ).toBe(true)
  })
})

describe('an installation that is interrupted', () => {
  it.each(['SIGINT', 'SIGTERM', 'SIGHUP'] as const)(
    'by %s ends with the start, though npm would go on',
    async (signal) => {
      const dir = mkdtempSync(path.join(tmpdir(), 'diarmos-install-'))
      try {
        writeFileSync(path.join(dir, 'package-lock.json'), '{"packages":{"node_modules/x":{"version":"1"}}}')
        // an npm that hears of no signal, and says who it is
        writeFileSync(
          path.join(dir, 'npm'),
          `#!/bin/sh\ntrap '' INT TERM HUP\necho $$ > ${dir}/npm.pid\nwhile :; do sleep 0.1; done\n`,
          { mode: 0o755 },
        )
        const code = `import('${path.join(ROOT, 'scripts/lib/machine.mjs')}').then((m) => m.ensurePackages('${dir}'))`
        const child = spawn(process.execPath, ['-e', code], {
          stdio: 'ignore',
          env: { ...process.env, PATH: `${dir}:${process.env.PATH}` },
        })
        const gone = new Promise((resolve) => child.once('close', resolve))
        const written = path.join(dir, 'npm.pid')
        while (!existsSync(written) || readFileSync(written, 'utf8').trim() === '') await sleep(20)
        const npm = Number(readFileSync(written, 'utf8'))
        expect(alive(npm)).toBe(true)
        child.kill(signal)
        expect(await gone).toBe(130)
        while (alive(npm)) await sleep(20)
        expect(alive(npm)).toBe(false)
      } finally {
        rmSync(dir, { recursive: true, force: true })
      }
    },
  )
})
