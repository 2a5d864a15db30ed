// npm test: everything that must hold, from a fresh machine, against a throw-away database.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
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
const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', FORCE_COLOR: '0' }

let passed = 0
let failed = 0
const broken = []

function tool(name, command, args, cwd = ROOT) {
  const begin = Date.now()
  const { status } = spawnSync(command, args, { cwd, env, stdio: 'inherit' })
  console.log(
    `— ${name}: ${status === 0 ? 'passed' : 'FAILED'} (${Math.round((Date.now() - begin) / 1000)} s)\n`,
  )
  return status === 0
}

/** A check without tests of its own counts as one. */
function check(name, command, args) {
  if (tool(name, command, args)) passed++
  else {
    failed++
    broken.push(name)
  }
}

/** A run that counts its own tests; one that died without a report counts as one failure. */
function suite(name, report, command, args, count) {
  rmSync(report, { force: true })
  const ok = tool(name, command, args)
  const counted = existsSync(report)
    ? count(JSON.parse(readFileSync(report, 'utf8')))
    : { passed: 0, failed: 0 }
  passed += counted.passed
  failed += counted.failed
  if (!ok && counted.failed === 0) failed++
  if (!ok) broken.push(name)
}

await orRefuse(async () => {
  checkNode()
  ensureDebian([POSTGRES, CHROMIUM])
  await ensurePackages()
  mkdirSync(RESULTS, { recursive: true })

  check('types', bin('tsc'), ['--noEmit', '-p', 'tsconfig.json'])
  check('types of the application', bin('tsc'), ['--noEmit', '-p', 'apps/app/tsconfig.json'])
  check('lint and format', bin('biome'), ['check', '--error-on-warnings', '.'])
  check('arrows between the rooms', bin('depcruise'), [
    '--config',
    '.dependency-cruiser.cjs',
    'packages',
    'apps',
    '--output-type',
    'err',
  ])
  const jest = path.join(RESULTS, 'jest.json')
  suite('unit and server tests', jest, bin('jest'), ['--json', `--outputFile=${jest}`], (report) => ({
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  }))
  const e2e = path.join(RESULTS, 'e2e.json')
  suite('browser journeys', e2e, bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], (report) => ({
    passed: report.stats.expected,
    failed: report.stats.unexpected + report.stats.flaky,
  }))
  if (broken.length > 0) console.log(`Failed: ${broken.join(', ')}`)
  console.log(`${passed} passed, ${failed} failed`)
  process.exit(failed === 0 ? 0 : 1)
})
