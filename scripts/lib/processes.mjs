// Which processes belong to a data folder: who holds it, and what a killed start has left.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { Refusal } from './machine.mjs'

/** When a process began, in the kernel's count: a number that was given anew has another. Null where there is none. */
export function beganAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    // after the name, which may hold anything
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    // a zombie has ended
    return fields[0] === 'Z' ? null : (fields[19] ?? null)
  } catch {
    return null
  }
}

const read = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return null
  }
}

const alive = (entry) => Boolean(entry) && entry.began !== null && beganAt(entry.pid) === entry.began

/** Notes a process of this data folder, to be found by the next start. */
export function note(data, name, pid) {
  writeFileSync(path.join(data, `${name}.pid`), JSON.stringify({ pid, began: beganAt(pid) }), { mode: 0o600 })
}

/** One start for one data folder: a second one says where the first is. Returns how to let go. */
export function takeLock(data) {
  mkdirSync(data, { recursive: true, mode: 0o711 })
  const file = path.join(data, 'start.pid')
  for (let attempt = 0; attempt < 3; attempt++) {
    try {
      writeFileSync(file, JSON.stringify({ pid: process.pid, began: beganAt(process.pid) }), {
        flag: 'wx',
        mode: 0o600,
      })
      return () => rmSync(file, { force: true })
    } catch {
      const held = read(file)
      if (alive(held))
        throw new Refusal(
          `Diarmos already runs on this data folder (process ${held.pid}). Stop it first, or choose another with --data.`,
        )
      rmSync(file, { force: true })
    }
  }
  throw new Refusal('Another start came first.')
}

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** Ends a process that an earlier start has left, if it is still that one. */
export async function endLeftover(data, name) {
  const file = path.join(data, `${name}.pid`)
  if (!existsSync(file)) return
  const held = read(file)
  for (const [signal, patience] of [
    ['SIGTERM', 40],
    ['SIGKILL', 40],
  ]) {
    if (!alive(held)) break
    try {
      process.kill(held.pid, signal)
    } catch {
      break
    }
    for (let i = 0; i < patience && alive(held); i++) await sleep(100)
  }
  rmSync(file, { force: true })
}
