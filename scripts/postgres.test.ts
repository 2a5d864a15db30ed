import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import net from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import pg from 'pg'

/** What can happen to a private database between two starts, and must be survived. */
describe('the private PostgreSQL', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'diarmos-pg-'))
  let tools: {
    startPostgres(
      folder: string,
      options: { fast: boolean },
    ): Promise<{ adminUrl: string; stop(): Promise<void> }>
    removeCluster(folder: string): void
    freePort(): Promise<number>
  }
  beforeAll(async () => {
    tools = await import('./lib/postgres.mjs' as string)
  })
  afterAll(() => {
    tools.removeCluster(folder)
    rmSync(folder, { recursive: true, force: true })
  })

  const ask = async (url: string, sql: string) => {
    const client = new pg.Client({ connectionString: url })
    await client.connect()
    try {
      return (await client.query(sql)).rows
    } finally {
      await client.end()
    }
  }
  const start = () => tools.startPostgres(folder, { fast: true })

  it('keeps its data, listens on loopback alone, and asks for its password', async () => {
    const first = await start()
    await ask(first.adminUrl, 'CREATE TABLE kept AS SELECT 7 AS n')
    expect(await ask(first.adminUrl, 'SHOW listen_addresses')).toEqual([{ listen_addresses: '127.0.0.1' }])
    expect(await ask(first.adminUrl, 'SHOW unix_socket_directories')).toEqual([
      { unix_socket_directories: '' },
    ])
    await expect(ask(first.adminUrl.replace(/:[^:@/]+@/, ':wrong@'), 'SELECT 1')).rejects.toThrow(/password/)
    await first.stop()
    const second = await start()
    expect(await ask(second.adminUrl, 'SELECT n FROM kept')).toEqual([{ n: 7 }])
    await second.stop()
  }, 60_000)

  it('survives being killed, and a pid that now belongs to somebody else', async () => {
    const first = await start()
    const [{ pid }] = (await ask(first.adminUrl, "SELECT pg_read_file('postmaster.pid') AS pid")) as [
      { pid: string },
    ]
    process.kill(Number(pid.split('\n')[0]), 'SIGKILL')
    const second = await start()
    expect(await ask(second.adminUrl, 'SELECT n FROM kept')).toEqual([{ n: 7 }])
    const cluster = (await ask(second.adminUrl, 'SHOW data_directory'))[0] as { data_directory: string }
    await second.stop()
    // the file of a start that died, with the number of a process that is alive and not a database
    writeFileSync(
      path.join(cluster.data_directory, 'postmaster.pid'),
      `${process.pid}\n${cluster.data_directory}\n1\n1\n`,
    )
    const third = await start()
    expect(await ask(third.adminUrl, 'SELECT n FROM kept')).toEqual([{ n: 7 }])
    await third.stop()
  }, 60_000)

  it('finds a port that is free', async () => {
    const port = await tools.freePort()
    const server = net.createServer().listen(port, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    expect(await tools.freePort()).not.toBe(port)
    await new Promise((resolve) => server.close(resolve))
    expect(readFileSync(path.join(folder, 'secrets.json'), 'utf8')).toContain('admin')
  })
})
