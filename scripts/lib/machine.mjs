// What the commands need from the machine: packages, and clear words where they are missing.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..')

export class Refusal extends Error {}

const isRoot = () => process.getuid?.() === 0

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options })
  if (result.error) throw new Refusal(`${command}: ${result.error.message}`)
  return result.status ?? 1
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Refusal(`Node 20.19 or newer is needed; this is ${process.versions.node}.`)
}

/** Debian packages that are missing, installed where that is allowed. */
export function ensureDebian(wanted) {
  const missing = wanted.filter(({ present }) => !present()).map(({ name }) => name)
  if (missing.length === 0) return
  const command = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (!isRoot())
    throw new Refusal(
      `Missing on this machine: ${missing.join(', ')}. Install with:\n\n  sudo sh -c '${command}'\n`,
    )
  if (missing.includes('postgresql')) {
    // no cluster of Debian's own: nothing is to take port 5432
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true })
    writeFileSync('/etc/postgresql-common/createcluster.d/no-main.conf', 'create_main_cluster = false\n')
  }
  console.log(`Installing ${missing.join(', ')} …`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const quiet = { env, stdio: ['ignore', 'ignore', 'inherit'] }
  if (run('apt-get', ['update', '-qq'], quiet) !== 0) throw new Refusal('apt-get update failed.')
  const install = () => run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], quiet)
  // one that was interrupted is finished first
  if (install() !== 0 && (run('dpkg', ['--configure', '-a'], quiet) !== 0 || install() !== 0))
    throw new Refusal(`Could not install ${missing.join(', ')}.`)
}

/** Folder of PostgreSQL's programs, newest version first; null where there is none. */
export function postgresBin() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).sort((a, b) => Number(b) - Number(a))
  return (
    versions.map((v) => path.join(base, v, 'bin')).find((bin) => existsSync(path.join(bin, 'postgres'))) ??
    null
  )
}

export const POSTGRES = { name: 'postgresql', present: () => postgresBin() !== null }
/** The one that never had a window: less to install, and its browser process takes half of the processor. */
export const BROWSER = '/usr/bin/chromium-headless-shell'
export const CHROMIUM = { name: path.basename(BROWSER), present: () => existsSync(BROWSER) }

const packagesOf = (file) => JSON.parse(readFileSync(file, 'utf8')).packages

/**
 * Whether what is installed is what the lock wants: by name and version, not by the time of a file. npm writes its own
 * account of what it installed last of all, so an interrupted installation has none.
 */
export function packagesMatch(lockFile, installedFile) {
  if (!existsSync(installedFile)) return false
  try {
    const installed = packagesOf(installedFile)
    return Object.entries(packagesOf(lockFile)).every(([name, entry]) => {
      if (!name.startsWith('node_modules/') || entry.link) return true
      const held = installed[name]
      // packages for other machines are left out
      return held
        ? held.version === entry.version
        : Boolean(entry.optional || entry.devOptional || entry.peer)
    })
  } catch {
    return false
  }
}

/** npm packages, installed where they are not those of the lock. */
export async function ensurePackages(root = ROOT) {
  const lock = path.join(root, 'package-lock.json')
  if (packagesMatch(lock, path.join(root, 'node_modules/.package-lock.json'))) return
  console.log('Installing npm packages (some minutes, once) …')
  const status = await endsWithUs('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], root)
  if (status !== 0) throw new Refusal('npm ci did not end; the next start goes on from here.')
}

/**
 * Runs a program that ends when this one does. npm goes on after Ctrl-C, and would be in the way of the next start: it
 * has a group of its own, which is killed whole.
 */
async function endsWithUs(command, args, cwd) {
  let child
  const end = () => {
    try {
      if (child?.pid) process.kill(-child.pid, 'SIGKILL')
    } catch {
      // it has ended
    }
  }
  const leave = () => process.exit(130)
  const signals = ['SIGINT', 'SIGTERM', 'SIGHUP']
  process.once('exit', end)
  // heard before there is anything that a signal could leave behind
  for (const signal of signals) process.on(signal, leave)
  try {
    child = spawn(command, args, { cwd, stdio: ['ignore', 'inherit', 'inherit'], detached: true })
    return await new Promise((resolve, reject) => {
      child.once('error', (error) => reject(new Refusal(`${command}: ${error.message}`)))
      child.once('close', (code) => resolve(code ?? 1))
    })
  } finally {
    process.off('exit', end)
    for (const signal of signals) process.off(signal, leave)
  }
}

/** Says what is wrong in one message and ends. */
export async function orRefuse(work) {
  try {
    await work()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    console.error(`\n${error.message}\n`)
    process.exit(1)
  }
}
