const circus = require('jest-circus/runner')
const { createEmptyTestResult } = require('@jest/test-result')
const { keep, now } = require('./state.cjs')

/** A file without a test would be a fault of its own. */
const passedOver = (testFilePath) => ({
  ...createEmptyTestResult(),
  testFilePath,
  numPendingTests: 1,
  testResults: [
    {
      ancestorTitles: [],
      duration: 0,
      failureDetails: [],
      failureMessages: [],
      fullName: `passed over: ${testFilePath}`,
      invocations: 1,
      location: null,
      numPassingAsserts: 0,
      retryReasons: [],
      status: 'pending',
      title: 'passed over',
    },
  ],
})

/** How often each change was come by so far, as the tester counts. */
function come({ global }) {
  return { ...global[global.__strykerGlobalNamespace__]?.mutantCoverage?.static }
}

/** Runs test files until one of them sees the change: those after it have nothing to add, nor those that never come by it. */
module.exports = async (globalConfig, config, environment, runtime, testPath, ...rest) => {
  const state = now()
  const known = state.files.get(testPath)
  if (state.change !== undefined && (state.seen || known?.by.includes(state.change) === false))
    return passedOver(testPath)
  const [begin, before] = [Date.now(), come(environment)]
  const result = await circus(globalConfig, config, environment, runtime, testPath, ...rest)
  if (state.change === undefined) {
    const after = come(environment)
    const by = Object.keys(after).filter((id) => after[id] !== before[id])
    state.files.set(testPath, { first: 0, ms: Date.now() - begin, by })
    keep()
  }
  state.seen ||= result.numFailingTests > 0
  if (state.seen && known) known.first++
  return result
}
