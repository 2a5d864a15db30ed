const { existsSync, readFileSync, writeFileSync } = require('node:fs')

/** Keeps how long each test file takes, and how often it was the one that saw a change; then the rest need not run. */
module.exports = class {
  onTestResult(_test, { testFilePath, numFailingTests, testExecError, perfStats }) {
    const at = process.env.DIARMOS_MUTANTS_FILES
    const files = existsSync(at) ? JSON.parse(readFileSync(at, 'utf8')) : {}
    const { first = 0, ms = 0 } = files[testFilePath] ?? {}
    const seen = numFailingTests > 0 || testExecError
    const took = perfStats.end - perfStats.start
    files[testFilePath] = { first: first + (seen ? 1 : 0), ms: seen ? ms : Math.max(1, took) }
    writeFileSync(at, JSON.stringify(files))
    // what jest's own bail waits for never comes where nobody reads its output
    if (seen) process.exit(1)
  }
}
