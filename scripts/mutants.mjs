// npm run mutants -- <room> [--sample=150] [--at=2] [--static] [--so-far] [--again] [--one] [--most=20]: changes a seeded sample of places of a room, one by one, and counts how many
// of the changes some test sees. Slow by nature; never part of npm test. --so-far reads what a run, also one broken off, has judged; --again
// tries only those that nobody saw then, that the clock ended, or that it did not come to, with today's tests, and counts them with the rest;
// --one with it: of all the changes that a place allows only one, drawn by seed. The count says both. --most=<n>: no more than so many of what
// is left, drawn by seed, so that what is judged by then is a fair part.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { ROOT } from './lib/machine.mjs'
import { removeCluster, startPostgres } from './lib/postgres.mjs'

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '150' },
    seed: { type: 'string', default: '1' },
    at: { type: 'string', default: '2' },
    // what runs once, when a module is read, is tried with every test: hours, where tests start a database
    static: { type: 'boolean', default: false },
    'so-far': { type: 'boolean', default: false },
    again: { type: 'boolean', default: false },
    one: { type: 'boolean', default: false },
    most: { type: 'string' },
  },
})
/** Rooms by name: their sources, and the Jest project and tests that know them. */
const ROOMS = {
  units: { sources: ['packages/core/src/units'], project: 0, tests: ['packages/core/src/units'] },
  assembly: {
    sources: ['packages/core/src/assembly'],
    project: 0,
    tests: [
      'packages/core/src/assembly',
      'packages/core/src/sequence',
      'packages/core/src/mate/supply.test.ts',
      'packages/core/src/mate/drain.test.ts',
      'packages/core/src/words/words.test.ts',
    ],
  },
  fitup: { sources: ['packages/core/src/fitup'], project: 0, tests: ['packages/core/src/fitup'] },
  mate: {
    sources: ['packages/core/src/mate'],
    project: 0,
    // what closes last, and what slides, is known by the order of work and by the words
    tests: ['packages/core/src/mate', 'packages/core/src/sequence', 'packages/core/src/words/words.test.ts'],
    // answers are worked out once for several tests, as plans are
    coverage: 'all',
  },
  sequence: {
    sources: ['packages/core/src/sequence'],
    project: 0,
    // the world in which plans are carried out knows what an order does
    tests: ['packages/core/src/sequence', 'bench/made', 'packages/core/src/words/words.test.ts'],
    // plans are made once for several tests: which test sees a change is not known by who asked first
    coverage: 'all',
  },
  identify: {
    sources: ['packages/core/src/identify/question.ts', 'packages/core/src/identify/reading.ts'],
    project: 0,
    tests: ['packages/core/src/identify/question.test.ts', 'packages/core/src/identify/reading.test.ts'],
  },
  store: {
    sources: ['apps/server/src/store', 'apps/server/src/routes/sync.ts'],
    project: 1,
    tests: [
      'apps/server/test/sync.test.ts',
      'apps/server/test/rights.test.ts',
      'apps/server/test/isolation.test.ts',
      'apps/server/test/releases.test.ts',
      'apps/server/test/api.test.ts',
      'apps/server/test/lists.test.ts',
      'apps/server/test/setUp.test.ts',
    ],
  },
  sync: {
    sources: ['apps/app/src/data'],
    // what the screens choose from the documents is no part of the exchange
    except: /jobView|select|preferences|serviceWorker/,
    project: 2,
    tests: ['apps/app/src/data'],
  },
  stamps: {
    sources: ['packages/contract/src/sync'],
    project: 0,
    tests: ['packages/contract/src'],
  },
}
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
const known = path.join(ROOT, reports, 'known.json')
const isUnseen = ({ status }) => status === 'Survived' || status === 'NoCoverage'
// what the clock ended may have been the machine's doing
const isInDoubt = (change) => isUnseen(change) || change.status === 'Timeout'

/** What the tester has judged so far: it writes as it goes. With it what an earlier run saw, where this one goes on from it. */
function judgedSoFar() {
  const now = readdirSync(events)
    .filter((file) => file.endsWith('onMutantTested.json'))
    .map((file) => JSON.parse(readFileSync(path.join(events, file), 'utf8')))
  const all = [...(existsSync(before) ? JSON.parse(readFileSync(before, 'utf8')) : []), ...now]
  // what was tried again counts once, as it came out last
  return [...new Map(all.map((change) => [keyOf(change), change])).values()]
}

const placeOf = ({ fileName, location }) =>
  `${path.relative(ROOT, path.resolve(ROOT, fileName))}:${location.start.line}`
const keyOf = (change) => {
  const { start, end } = change.location
  const span = [start.line, start.column, end.line, end.column]
  return JSON.stringify([placeOf(change), span, change.mutatorName, change.replacement])
}

/** Every change that this run and those before it planned, whether it was judged or not. */
function planned() {
  const at = path.join(events, '00001-onMutationTestingPlanReady.json')
  const ours = existsSync(at)
    ? JSON.parse(readFileSync(at, 'utf8')).mutantPlans.map(({ mutant }) => mutant)
    : []
  // a plan counts lines and columns from nought, a verdict from one
  const fromOne = ({ line, column }) => ({ line: line + 1, column: column + 1 })
  const now = ours.map(({ fileName, mutatorName, replacement, location: { start, end } }) => ({
    fileName,
    mutatorName,
    replacement,
    location: { start: fromOne(start), end: fromOne(end) },
  }))
  const earlier = existsSync(known) ? JSON.parse(readFileSync(known, 'utf8')) : []
  return [
    ...new Map([...earlier, ...now, ...judgedSoFar()].map((change) => [keyOf(change), change])).values(),
  ]
}

/** One change at each place, drawn by seed: the first of them as dice of that place lay them out. */
function oneEach() {
  const of = new Map()
  for (const change of planned()) of.set(placeOf(change), [...(of.get(placeOf(change)) ?? []), change])
  return [...of].map(([place, changes]) => {
    const seed = [...place].reduce(
      (sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0,
      Number(values.seed),
    )
    const inOrder = changes.sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1))
    return inOrder[Math.floor(dice(seed)() * inOrder.length)]
  })
}

/** Prints how many changes were judged and seen, and each that nobody saw. */
function tell() {
  const judged = judgedSoFar()
  const verdicts = new Map(judged.map((change) => [keyOf(change), change.status]))
  const each = oneEach().map((change) => verdicts.get(keyOf(change)))
  const known = each.filter((status) => ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(status))
  const hit = known.filter((status) => status === 'Killed' || status === 'Timeout').length
  const counts = {}
  for (const { status } of judged) counts[status] = (counts[status] ?? 0) + 1
  const seen = (counts.Killed ?? 0) + (counts.Timeout ?? 0)
  const unseen = judged.filter(isUnseen)
  for (const { fileName, location, replacement, status } of unseen) {
    const line = readFileSync(path.resolve(ROOT, fileName), 'utf8').split('\n')[location.start.line - 1]
    console.log(
      `${path.relative(ROOT, path.resolve(ROOT, fileName))}:${location.start.line} ${status}\n  ${line.trim()}\n  > ${replacement}`,
    )
  }
  const of = seen + unseen.length
  console.log(
    `one change at each of ${each.length} places: ${known.length} judged, ${hit} seen (${Math.round((100 * hit) / known.length)} %)`,
  )
  console.log(
    `${name}: ${of} changes, ${seen} seen (${Math.round((100 * seen) / of)} %), ${JSON.stringify(counts)}`,
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

/** Numbers that look random and are the same every time. */
function dice(seed) {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
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
/** So many of a list, drawn. */
function drawn(list, most) {
  const pool = [...list]
  const taken = []
  while (taken.length < most && pool.length > 0)
    taken.push(pool.splice(Math.floor(next() * pool.length), 1)[0])
  return taken
}
const sample = drawn(lines, Number(values.sample))
const wanted = sample.length
let mutate = sample.map(({ file, line }) => `${file}:${line}-${line}`)
if (values.again) {
  const judged = judgedSoFar()
  const fileOf = ({ fileName }) => path.relative(ROOT, path.resolve(ROOT, fileName))
  const reached = new Set(judged.map((change) => `${fileOf(change)}:${change.location.start.line}`))
  // the place it was at when it was broken off is begun anew
  const last = judged.findLast(({ status }) => status !== 'NoCoverage')
  if (last) reached.delete(`${fileOf(last)}:${last.location.start.line}`)
  const rangeOf = (change) => {
    const { start, end } = change.location
    return `${fileOf(change)}:${start.line}:${Math.max(0, start.column - 1)}-${end.line}:${end.column + 1}`
  }
  const seen = new Set(judged.filter((change) => !isInDoubt(change)).map(keyOf))
  writeFileSync(known, JSON.stringify(planned()))
  mutate = values.one
    ? oneEach().flatMap((change) => (seen.has(keyOf(change)) ? [] : [rangeOf(change)]))
    : [
        ...mutate.filter((place) => !reached.has(place.slice(0, place.lastIndexOf('-')))),
        ...judged.filter(isInDoubt).map(rangeOf),
      ]
  writeFileSync(before, JSON.stringify(judged.filter((change) => !isInDoubt(change))))
  if (values.most) mutate = drawn(mutate, Number(values.most))
} else rmSync(before, { force: true })

mkdirSync(path.join(ROOT, reports), { recursive: true })
// tests that want a database find one that stays: started anew for each change it takes longer than they do
let database = null
const folder = room.project === 1 ? mkdtempSync(path.join(tmpdir(), 'diarmos-mutants-')) : null
if (folder) {
  database = await startPostgres(folder, { fast: true })
  process.env.DIARMOS_TEST_ADMIN_URL = database.adminUrl
}
const jest = path.join(ROOT, reports, 'jest.cjs')
writeFileSync(
  jest,
  `const whole = require('../../jest.config.cjs')
const { globalSetup, globalTeardown, ...project } = whole.projects[${room.project}]
const root = require('node:path').resolve(__dirname, '../..')
module.exports = {
  ...project,
  // instrumented, on a machine that does other things: slow is not wrong
  testTimeout: whole.testTimeout,
  // what the preset would choose is not seen through the tester's own
  ...(project.preset === 'jest-expo/web' ? { testEnvironment: 'jsdom' } : {}),
  // the first fault is enough; its own runner cannot end there
  testSequencer: root + '/scripts/lib/mutants/sequencer.cjs',
  testRunner: root + '/scripts/lib/mutants/jest-circus-first.cjs',
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
const learnt = path.join(ROOT, reports, 'files.json')
rmSync(learnt, { force: true })
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'jest',
    jest: { configFile: `${reports}/jest.cjs`, enableFindRelatedTests: false },
    mutate,
    // one place, one change: the sample is of places
    coverageAnalysis: room.coverage ?? 'perTest',
    inPlace: false,
    // a slow machine is no change that was seen
    timeoutMS: 20_000,
    timeoutFactor: 2,
    dryRunTimeoutMinutes: 30,
    concurrency: Number(values.at),
    ignoreStatic: !room.coverage && !values.static,
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
    env: { ...process.env, DIARMOS_MUTANTS_FILES: learnt },
  }).once('close', resolve),
)
if (database) {
  await database.stop()
  removeCluster(folder)
  rmSync(folder, { recursive: true, force: true })
}
if (status !== 0) process.exit(status ?? 1)
console.log(`${wanted} places`)
tell()
