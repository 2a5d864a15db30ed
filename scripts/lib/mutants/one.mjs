import { readFileSync } from 'node:fs'
import path from 'node:path'
import { declareFactoryPlugin, PluginKind } from '@stryker-mutator/api/plugin'
import { ROOT } from '../machine.mjs'

/** Numbers that look random and are the same every time. */
export function dice(seed) {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

const fileOf = ({ fileName }) =>
  path.relative(ROOT, path.resolve(ROOT, fileName)).replace(/^\.stryker-[^/]+\/sandbox[^/]*\//, '')

/** The file and line at which a change begins, counted from one. */
export const placeOf = (change) => `${fileOf(change)}:${change.location.start.line}`

/** What a change is known by: where it stands, by which rule it is made, and what it becomes. */
export function keyOf(change) {
  const { start, end } = change.location
  const span = [start.column, end.line - start.line, end.column]
  return JSON.stringify([placeOf(change), span, change.mutatorName, change.replacement])
}

/** A change as the tester plans it, from nought, with lines and columns as its verdicts count them, from one. */
export function fromOne({ location: { start, end }, ...change }) {
  const more = ({ line, column }) => ({ line: line + 1, column: column + 1 })
  return { ...change, location: { start: more(start), end: more(end) } }
}

/** One change of each place, drawn by seed. */
export function oneEach(changes, seed) {
  const of = new Map()
  for (const change of changes) of.set(placeOf(change), [...(of.get(placeOf(change)) ?? []), change])
  return [...of].map(([place, all]) => {
    const own = [...place].reduce((sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0, seed)
    const inOrder = all.sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1))
    return inOrder[Math.floor(dice(own)() * inOrder.length)]
  })
}

/** Lets the tester try one change at each place, and none that was judged before. */
function check() {
  const { seed, all, done } = JSON.parse(readFileSync(process.env.DIARMOS_MUTANTS, 'utf8'))
  return {
    init: async () => {},
    // together, since which one is tried hangs on all of a line
    group: async (changes) => [changes.map(({ id }) => id)],
    check: async (plans) => {
      const [changes, known] = [plans.map(fromOne), new Set(done)]
      const wanted = all ? changes : oneEach(changes, seed)
      const tried = new Set(wanted.filter((change) => !known.has(keyOf(change))).map(({ id }) => id))
      return Object.fromEntries(
        plans.map(({ id }) => [
          id,
          tried.has(id) ? { status: 'passed' } : { status: 'compileError', reason: 'not asked for' },
        ]),
      )
    },
  }
}
check.inject = []

export const strykerPlugins = [declareFactoryPlugin(PluginKind.Checker, 'one', check)]
