// npm run mutants -- <room> [--sample=150] [--seed=1] [--at=2] [--all] [--again] [--so-far]: draws lines of a room by seed, makes one of the
// changes that each allows (--all: every one) and counts how many some test sees. Slow by nature; never part of npm test. A run goes on from
// what was judged before; --again tries anew what nobody saw then, or the clock ended; --so-far only reads.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { ROOT } from './lib/machine.mjs'
import { dice, fromOne, keyOf, oneEach, placeOf } from './lib/mutants/one.mjs'
import { ROOMS } from './lib/mutants/rooms.mjs'
import { removeCluster, startPostgres } from './lib/postgres.mjs'

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '150' },
    seed: { type: 'string', default: '1' },
    at: { type: 'string', default: '2' },
    all: { type: 'boolean', default: false },
    again: { type: 'boolean', default: false },
    'so-far': { type: 'boolean', default: false },
  },
})
const [name] = positionals
const room = ROOMS[name]
if (!room) {
  console.error(`Which room? One of ${Object.keys(ROOMS).join(', ')}.`)
  process.exit(2)
}
// one folder a room, so that rooms may run beside each other
const reports = `reports/${name}`
const events = path.join(ROOT, reports, 'events')
const before = path.join(ROOT, reports, 'before.json')
mkdirSync(path.join(ROOT, reports), { recursive: true })

const read = (at, nothing) => (existsSync(at) ? JSON.parse(readFileSync(at, 'utf8')) : nothing)
const isSeen = ({ status }) => status === 'Killed' || status === 'Timeout'

/** The last run's events of one name: the tester writes as it goes. */
const told = (event) =>
  existsSync(events)
    ? readdirSync(events)
        .filter((file) => file.endsWith(`${event}.json`))
        .map((file) => read(path.join(events, file)))
    : []

/** What has been judged, by this run and those before it; what was tried again counts once, as it came out last. */
function judged() {
  const now = told('onMutantTested').filter(({ status }) => status !== 'CompileError')
  return [...new Map([...read(before, []), ...now].map((change) => [keyOf(change), change])).values()]
}

/** Prints each change that nobody saw, and how many were seen. */
function tell() {
  const all = judged()
  for (const change of all) {
    if (isSeen(change)) continue
    const line = readFileSync(path.resolve(ROOT, change.fileName), 'utf8').split('\n')[
      change.location.start.line - 1
    ]
    console.log(`${placeOf(change)} ${change.status}\n  ${line.trim()}\n  > ${change.replacement}`)
  }
  const plans = told('onMutationTestingPlanReady').flatMap(({ mutantPlans }) =>
    mutantPlans.map(({ mutant }) => fromOne(mutant)),
  )
  const planned = values.all ? plans : oneEach(plans, Number(values.seed))
  const counts = {}
  for (const { status } of all) counts[status] = (counts[status] ?? 0) + 1
  const seen = all.filter(isSeen).length
  console.log(
    `${name}: of ${planned.length} changes ${all.length} judged, ${seen} seen (${Math.round((100 * seen) / all.length)} %), ${JSON.stringify(counts)}`,
  )
}
if (values['so-far']) {
  tell()
  process.exit(0)
}

function* files(at) {
  const full = path.join(ROOT, at)
  if (at.endsWith('.ts')) {
    yield at
    return
  }
  for (const entry of readdirSync(full, { withFileTypes: true })) {
    if (entry.isDirectory()) yield* files(path.join(at, entry.name))
    else if (
      // what has been migrated once is history
      !full.includes('migrations') &&
      /\.ts$/.test(entry.name) &&
      !/\.(test|d)\.ts$/.test(entry.name) &&
      full.split(path.sep).pop() !== 'test' &&
      !/index\.ts$|migrations|schemas/.test(entry.name)
    )
      yield path.join(at, entry.name)
  }
}

// a sample of lines, spread over the files by their length
const next = dice(Number(values.seed))
const lines = room.sources.flatMap((source) =>
  [...files(source)]
    .filter((file) => !room.except?.test(file))
    .flatMap((file) =>
      readFileSync(path.join(ROOT, file), 'utf8')
        .split('\n')
        .map((text, index) => ({ file, line: index + 1, text }))
        .filter(
          ({ text }) =>
            /[<>=!&|+\-*/?]|true|false|return/.test(text) &&
            !/^\s*(\/\/|\*|\/\*|import|export \{|interface|readonly|type )/.test(text),
        ),
    ),
)
const sample = []
while (sample.length < Number(values.sample) && lines.length > 0)
  sample.push(lines.splice(Math.floor(next() * lines.length), 1)[0])

// the tester begins a folder of events anew: what it says is kept before
const kept = judged().filter((change) => !values.again || change.status === 'Killed')
writeFileSync(before, JSON.stringify(kept))
rmSync(events, { recursive: true, force: true })
const asked = path.join(ROOT, reports, 'asked.json')
writeFileSync(asked, JSON.stringify({ seed: Number(values.seed), all: values.all, done: kept.map(keyOf) }))

// tests that want a database find one that stays: started anew for each change it takes longer than they do
let database = null
const folder = room.project === 1 ? mkdtempSync(path.join(tmpdir(), 'diarmos-mutants-')) : null
if (folder) {
  database = await startPostgres(folder, { fast: true })
  process.env.DIARMOS_TEST_ADMIN_URL = database.adminUrl
}
const jest = `${reports}/jest.cjs`
writeFileSync(
  path.join(ROOT, jest),
  `const whole = require('../../jest.config.cjs')
const { globalSetup, globalTeardown, ...project } = whole.projects[${room.project}]
const root = require('node:path').resolve(__dirname, '../..')
module.exports = {
  ...project,
  // a machine that does other things is slow: that is no change that was seen
  testTimeout: whole.testTimeout,
  testSequencer: root + '/scripts/lib/mutants/sequencer.cjs',
  reporters: [root + '/scripts/lib/mutants/learn.cjs'],
  ...(project.testEnvironment === 'node' ? { testEnvironment: root + '/scripts/lib/mutants/environment.cjs' } : {}),
  rootDir: project.rootDir ? project.rootDir.replace('<rootDir>', root) : root,
  // by name a package is found where it lies unchanged
  moduleNameMapper: {
    ...project.moduleNameMapper,
    '^@diarmos/core$': root + '/packages/core/src/index.ts',
    '^@diarmos/core/record$': root + '/packages/core/src/record/index.ts',
    '^@diarmos/contract$': root + '/packages/contract/src/index.ts',
  },
  testMatch: ${JSON.stringify(room.tests)}.map((at) => root + '/' + at + (at.endsWith('.ts') ? '' : '/**/*.test.ts?(x)')),
}
`,
)
const config = path.join(ROOT, reports, 'stryker.json')
writeFileSync(
  config,
  JSON.stringify({
    // the tests as they always run: a change that never ends is ended by the clock, and costs nothing after that
    testRunner: 'command',
    coverageAnalysis: 'off',
    commandRunner: { command: `node node_modules/jest/bin/jest.js -c ${jest} --ci -i --silent` },
    plugins: ['@stryker-mutator/*', path.join(ROOT, 'scripts/lib/mutants/one.mjs')],
    checkers: ['one'],
    mutate: sample.map(({ file, line }) => `${file}:${line}-${line}`),
    inPlace: false,
    timeoutMS: 20_000,
    // two beside each other, on a machine that does other things
    timeoutFactor: 3,
    dryRunTimeoutMinutes: 30,
    concurrency: Number(values.at),
    reporters: ['event-recorder', 'progress-append-only'],
    eventReporter: { baseDir: `${reports}/events` },
    tempDirName: `.stryker-${name}`,
    ignorePatterns: ['.data', '.shop', 'dist', 'docs', 'test-results'],
    allowEmpty: true,
  }),
)
// not waited for in one go: the database's log has to be read meanwhile
const status = await new Promise((resolve) =>
  spawn(path.join(ROOT, 'node_modules/.bin/stryker'), ['run', config], {
    cwd: ROOT,
    stdio: 'inherit',
    env: {
      ...process.env,
      DIARMOS_MUTANTS: asked,
      DIARMOS_MUTANTS_FILES: path.join(ROOT, reports, 'files.json'),
    },
  }).once('close', resolve),
)
if (database) {
  await database.stop()
  removeCluster(folder)
  rmSync(folder, { recursive: true, force: true })
}
if (status !== 0) process.exit(status ?? 1)
console.log(`${sample.length} lines`)
tell()
