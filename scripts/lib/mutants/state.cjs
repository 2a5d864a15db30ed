/**
 * What one worker of the mutation tester knows of the change it tries now, and of its test files: how long each takes,
 * which changes it comes by at all, and how often it was the first to see one. Kept in the worker's own world, since jest
 * loads each part anew; what the trial run learnt is kept in a file besides, since that run has a worker of its own.
 */
const { existsSync, readFileSync, writeFileSync } = require('node:fs')

const KEY = Symbol.for('diarmos.mutants')
const KEPT = process.env.DIARMOS_MUTANTS_FILES

/** @returns {{change: string | undefined, seen: boolean, files: Map<string, {first: number, ms: number, by: readonly string[]}>}} */
function now() {
  globalThis[KEY] ??= {
    change: undefined,
    seen: false,
    files: new Map(KEPT && existsSync(KEPT) ? JSON.parse(readFileSync(KEPT, 'utf8')) : []),
  }
  const state = globalThis[KEY]
  const change = process.env.__STRYKER_ACTIVE_MUTANT__
  if (state.change !== change) Object.assign(state, { change, seen: false })
  return state
}

/** Keeps what the trial run learnt, for the workers that come after it. */
function keep() {
  if (KEPT) writeFileSync(KEPT, JSON.stringify([...now().files]))
}

module.exports = { now, keep }
