/** Which way imports may point: app, server, cli → contract → core; inside the core no circles. */
module.exports = {
  forbidden: [
    {
      name: 'core-imports-nothing-outside',
      severity: 'error',
      comment: 'The core has no interface, no I/O and no other package.',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$|/test/' },
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
        pathNot: '^packages/(core/src/((units|words|record)/|identify/answers)|contract/src/sync/)',
      },
    },
    {
      name: 'identify-does-not-import-mate',
      severity: 'error',
      comment: 'The decision is injected.',
      from: { path: '^packages/core/src/identify' },
      to: { path: '^packages/core/src/mate' },
    },
    {
      name: 'nothing-imports-drawing',
      severity: 'error',
      from: { path: '^packages/core/src/(units|reference|catalog|identify|mate|sequence|words)/' },
      to: { path: '^packages/core/src/drawing' },
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
