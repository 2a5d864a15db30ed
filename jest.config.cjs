const { availableParallelism } = require('node:os')
const { groups } = require('./scripts/groups/groups.cjs')

// in `npm test` many files share a world; by hand each has its own
const GROUPED = process.env.GROUPED === '1'
const together = GROUPED ? [...groups().values()].flat() : []
/** A project's files: those of its groups, and alone what is in none. */
const files = (project) => ({
  testMatch: ['**/*.test.ts?(x)', ...(GROUPED ? [`**/scripts/groups/*.${project}.ts`] : [])],
  testPathIgnorePatterns: ['/node_modules/', ...together.map((file) => `/${file}$`.replaceAll('.', '\\.'))],
})

const swc = (more = {}) => [
  '@swc/jest',
  {
    jsc: { parser: { syntax: 'typescript' }, target: 'es2022', ...more },
    module: { type: 'commonjs' },
  },
]
/** The same of what has markup: styles come in by the runtime of the elements. */
const markup = swc({
  parser: { syntax: 'typescript', tsx: true },
  transform: { react: { runtime: 'automatic', importSource: 'nativewind' } },
})
// looked up in the tests' own world at every use otherwise: in a solver's loops that was most of the time
const SOLVERS_USE = [
  ...['Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'WeakMap', 'JSON', 'String'],
  ...['Float64Array', 'Int32Array', 'Uint8Array'],
]
const node = {
  testEnvironment: 'node',
  transform: { '\\.[cm]?[jt]s$': swc() },
  // these ship as ES modules only
  transformIgnorePatterns: ['/node_modules/(?!(svg-pathdata|uuid)/)'],
  // what is drawn at random is drawn alike in every run
  setupFiles: ['<rootDir>/scripts/seed.cjs'],
  setupFilesAfterEnv: ['<rootDir>/scripts/lib/expect.cjs'],
  sandboxInjectedGlobals: SOLVERS_USE,
}

module.exports = {
  // a loaded machine takes longer: a test fails by what it sees, never by the clock
  testTimeout: 600_000,
  testSequencer: '<rootDir>/scripts/lib/longestFirst.cjs',
  // left to itself it leaves one processor idle, which of two is half; pages and servers wait for a quarter of their
  // time, which another takes
  maxWorkers: availableParallelism() + 1,
  projects: [
    {
      ...node,
      ...files('core'),
      displayName: 'core',
      roots: ['<rootDir>/packages', '<rootDir>/apps/cli', '<rootDir>/scripts', '<rootDir>/bench'],
    },
    {
      ...node,
      ...files('server'),
      displayName: 'server',
      roots: ['<rootDir>/apps/server', '<rootDir>/scripts/groups'],
      globalSetup: '<rootDir>/apps/server/test/start.cjs',
      globalTeardown: '<rootDir>/apps/server/test/stop.cjs',
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      ...files('app'),
      rootDir: '<rootDir>/apps/app',
      roots: ['<rootDir>/src', '<rootDir>/../../scripts/groups'],
      setupFiles: ['<rootDir>/src/test/styles.ts', '<rootDir>/src/test/stacks.ts'],
      sandboxInjectedGlobals: SOLVERS_USE,
      modulePathIgnorePatterns: ['/dist/'],
      // the same files that what the preset transforms is given
      moduleNameMapper: {
        '^react-native$': '<rootDir>/../../node_modules/react-native-web/dist/index.js',
        // as in what is shipped
        '^@babel/runtime/helpers/objectSpread2$': '<rootDir>/web/spread.js',
      },
      transform: {
        // what has no markup needs less than the preset does: a tenth of the time of a first run
        '/packages/[a-z]+/src/.*\\.ts$': swc(),
        '/apps/app/src/.*\\.tsx?$|/react-native-chart-kit/.*\\.js$': markup,
        // what is typed as React Native itself is needs its preset
        '/node_modules/(?!@react-native/).*\\.m?js$': swc(),
      },
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|@expo-google-fonts|react-native-svg|nativewind|react-native-css-interop|lucide-react-native|uuid|idb|zustand|date-fns|ics|ical\\.js|yup|nanoid|runes2)/?)',
      ],
    },
  ],
}
