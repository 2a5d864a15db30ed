/** Which way imports may point: app, server, cli → contract → core; inside the core no circles. */
/** Rooms of the core: each may know those before it. */
const ROOMS = [
  ['units', 'effort', 'fault'],
  ['reference'],
  ['catalog'],
  ['assembly'],
  ['record', 'identify', 'fitup'],
  ['mate', 'drain', 'hold'],
  ['sequence'],
  ['drawing'],
]
const MATE_ROOMS = ['rules', 'costs', 'model', 'search', 'asking']
const TESTS = '\\.test\\.ts$|/test/'

module.exports = {
  forbidden: [
    {
      name: 'core-imports-nothing-outside',
      severity: 'error',
      comment: 'The core has no interface, no I/O and no other package but the one that reads messages.',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$|/test/|/words/say\\.ts$' },
      to: { pathNot: '^packages/core/src' },
    },
    {
      name: 'contract-imports-core-and-zod',
      severity: 'error',
      from: { path: '^packages/contract/src', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot: '^(packages/(core|contract)/src|node_modules/zod/|packages/contract/node_modules/zod/)',
      },
    },
    {
      name: 'sheet-imports-contract-core-and-pdf',
      severity: 'error',
      from: { path: '^packages/sheet/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^(packages/(core|contract|sheet)/src|node_modules/(papaparse|pdfkit|svg-to-pdfkit)/)' },
    },
    {
      name: 'app-does-not-import-server-or-cli',
      severity: 'error',
      from: { path: '^apps/app' },
      to: { path: '^apps/(server|cli)' },
    },
    {
      name: 'server-does-not-import-app-or-cli',
      severity: 'error',
      from: { path: '^apps/server' },
      to: { path: '^apps/(app|cli)' },
    },
    {
      name: 'only-workers-solve',
      severity: 'error',
      comment: 'Solvers, tables and validation stay off the interface thread: elsewhere types only.',
      from: { path: '^apps/app/src', pathNot: '^apps/app/src/(workers|test)/|\\.test\\.tsx?$' },
      to: {
        path: '^packages/',
        dependencyTypesNot: ['type-only'],
        pathNot:
          '^packages/(core/src/((units|words|record)/|identify/answers|drawing/hatch|assembly/(bodies/|conditions|oldJoints/(table|keptStops)|workedOn))|contract/src/sync/)',
      },
    },
    ...ROOMS.flatMap((rooms, index) =>
      rooms.map((room) => ({
        name: `core-order-${room}`,
        severity: 'error',
        comment: 'The order of the rooms, types included: see docs/architecture.md.',
        from: { path: `^packages/core/src/${room}/`, pathNot: TESTS },
        to: {
          path: `^packages/core/src/(${[...ROOMS.slice(index + 1).flat(), ...rooms.filter((other) => other !== room)].join('|')})/`,
        },
      })),
    ),
    {
      name: 'words-stand-outside',
      severity: 'error',
      comment: 'No answer of the core is a sentence.',
      from: {
        path: `^packages/core/src/(${ROOMS.flat().join('|')})/`,
        pathNot: `${TESTS}|^packages/core/src/drawing/`,
      },
      to: { path: '^packages/core/src/words/' },
    },
    ...MATE_ROOMS.map((room, index) => ({
      name: `mate-order-${room}`,
      severity: 'error',
      from: { path: `^packages/core/src/mate/${room}/`, pathNot: TESTS },
      to: { path: `^packages/core/src/mate/(${MATE_ROOMS.slice(index + 1).join('|') || 'none'})/` },
    })),
    {
      name: 'no-circles-in-the-core',
      severity: 'error',
      comment: 'Types included.',
      from: { path: '^packages/core/src', pathNot: TESTS },
      to: { circular: true },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: { path: '^(packages|apps)' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'not-to-unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '\\.css$|^nativewind/types$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules/\\.cache|\\.expo)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.web.ts', '.web.tsx', '.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
}
