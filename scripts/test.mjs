// npm test: everything that must hold, from a fresh machine, against a throw-away database.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism, loadavg } from 'node:os'
import path from 'node:path'
import {
  CHROMIUM,
  checkNode,
  ensureDebian,
  ensurePackages,
  orRefuse,
  POSTGRES,
  ROOT,
} from './lib/machine.mjs'

const RESULTS = path.join(ROOT, 'test-results')
const bin = (name) => path.join(ROOT, 'node_modules/.bin', name)
// the compiler of the next version: it only judges here, in a quarter of the time
const TSC = path.join(ROOT, 'node_modules/typescript-native/bin/tsc')
const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', FORCE_COLOR: '0' }

let passed = 0
let failed = 0
const broken = []

/** Runs a tool; its words come as they fall, or all at once where another runs beside it. */
async function tool(name, command, args, beside = false, more = {}) {
  const begin = Date.now()
  const child = spawn(command, args, {
    cwd: ROOT,
    env: { ...env, ...more },
    stdio: beside ? 'pipe' : 'inherit',
  })
  const said = []
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => said.push(chunk))
  const status = await new Promise((resolve) => {
    child.once('close', resolve)
    child.once('error', (error) => {
      said.push(`${error.message}\n`)
      resolve(1)
    })
  })
  process.stdout.write(Buffer.concat(said.map((chunk) => Buffer.from(chunk))))
  console.log(
    `— ${name}: ${status === 0 ? 'passed' : 'FAILED'} (${Math.round((Date.now() - begin) / 1000)} s)\n`,
  )
  return status === 0
}

/** Checks that need one processor each, one after the other; each counts as one test. */
async function checks(list) {
  for (const [name, command, args] of list) {
    if (await tool(name, command, args, true)) passed++
    else {
      failed++
      broken.push(name)
    }
  }
}

/** A run that counts its own tests; one that died without a report counts as one failure. */
async function suite(name, report, command, args, count, more) {
  rmSync(report, { force: true })
  const ok = await tool(name, command, args, false, more)
  const counted = existsSync(report)
    ? count(JSON.parse(readFileSync(report, 'utf8')))
    : { passed: 0, failed: 0 }
  passed += counted.passed
  failed += counted.failed
  if (!ok && counted.failed === 0) failed++
  if (!ok) broken.push(name)
}

/** What the processors of this machine did since it was started, s: with work, and taken from it by its host. */
function machine() {
  const [, user = 0, nice = 0, system = 0, , , , , stolen = 0] = existsSync('/proc/stat')
    ? readFileSync('/proc/stat', 'utf8').split('\n')[0].split(/\s+/).map(Number)
    : []
  return { busy: (user + nice + system) / 100, stolen: stolen / 100 }
}

await orRefuse(async () => {
  checkNode()
  const begin = { at: Date.now(), load: loadavg()[0], ...machine() }
  ensureDebian([POSTGRES, CHROMIUM])
  await ensurePackages()
  mkdirSync(RESULTS, { recursive: true })

  // the journeys find it made; the tests before them need it not
  const built = checks([
    ['the application is built', process.execPath, ['scripts/build-web.mjs', '--if-changed']],
  ])
  await Promise.all([
    checks([
      ['types', process.execPath, [TSC, '--noEmit', '-p', 'tsconfig.json']],
      ['types of the application', process.execPath, [TSC, '--noEmit', '-p', 'apps/app/tsconfig.json']],
    ]),
    checks([
      ['lint and format', bin('biome'), ['check', '--error-on-warnings', '.']],
      [
        'arrows between the rooms',
        bin('depcruise'),
        ['--config', '.dependency-cruiser.cjs', 'packages', 'apps', '--output-type', 'err'],
      ],
    ]),
  ])
  const jest = path.join(RESULTS, 'jest.json')
  const units = suite(
    'unit and server tests',
    jest,
    process.execPath,
    // what a test runs once is not worth making fast
    ['--interrupt-budget=400000', bin('jest'), '--json', `--outputFile=${jest}`],
    (report) => ({
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
    }),
    // what a test makes is thrown away at once: cleared less often, a tenth is saved
    { NODE_OPTIONS: '--max-semi-space-size=64', GROUPED: '1' },
  )
  const e2e = path.join(RESULTS, 'e2e.json')
  // a journey waits for its screen half of the time: what it leaves of the machine the tests take
  const journeys = built.then(() =>
    suite(
      'browser journeys',
      e2e,
      bin('playwright'),
      ['test', '-c', 'e2e/playwright.config.ts'],
      (report) => ({
        passed: report.stats.expected,
        failed: report.stats.unexpected + report.stats.flaky,
      }),
    ),
  )
  await Promise.all([units, journeys])
  if (broken.length > 0) console.log(`Failed: ${broken.join(', ')}`)
  const { busy, stolen } = machine()
  console.log(
    `${Math.round((Date.now() - begin.at) / 1000)} s on ${availableParallelism()} processors: ${Math.round(busy - begin.busy)} s of them, ${Math.round(stolen - begin.stolen)} s taken by the host; load before ${begin.load.toFixed(2)}`,
  )
  console.log(`${passed} passed, ${failed} failed`)
  process.exit(failed === 0 ? 0 : 1)
})
