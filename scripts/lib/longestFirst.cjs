const { default: Sequencer } = require('@jest/test-sequencer')

/**
 * Files that take longest, the longest first: begun late, one of them keeps a single processor busy while the others have
 * nothing left. Nobody knows on a fresh machine how long a file takes, and its size says little.
 */
const LONG = [
  'bench/laws/laws.test.ts',
  'bench/drains/drains.test.ts',
  'bench/hold/hold.test.ts',
  'bench/made/made.test.ts',
  'packages/core/src/mate/mate.test.ts',
  'apps/app/src/job/JobPage.test.tsx',
  'packages/core/src/mate/assembly.test.ts',
  'packages/core/src/mate/laws.test.ts',
  'scripts/start.test.ts',
  'bench/drains/sides.test.ts',
  'bench/mate/assemblies.test.ts',
  'apps/app/src/job/TubPage.test.tsx',
  'apps/server/test/sync.test.ts',
  'apps/server/test/work.test.ts',
  'apps/app/src/make/MakeStage.test.tsx',
  'apps/app/src/cut/CutStage.test.tsx',
  'bench/world/world.test.ts',
  'packages/core/src/drawing/kept.test.ts',
  'bench/judge/judge.test.ts',
  'apps/cli/src/cli.test.ts',
  'apps/app/src/mate/MateStage.test.tsx',
  'packages/core/src/sequence/orders.test.ts',
  'apps/app/src/shop/ShopPage.test.tsx',
  'packages/core/src/drawing/drawing.test.ts',
  'packages/core/src/drawing/wall/wallSheet.test.ts',
  'packages/contract/src/doors.test.ts',
  'bench/drains/runs.test.ts',
]

/** The long ones, then by size as ever. */
module.exports = class extends Sequencer {
  sort(tests) {
    const place = ({ path }) => {
      const at = LONG.findIndex((name) => path.replaceAll('\\', '/').endsWith(name))
      return at < 0 ? LONG.length : at
    }
    const size = ({ path, context }) => context.hasteFS.getSize(path) ?? 0
    return [...tests].sort((a, b) => place(a) - place(b) || size(b) - size(a))
  }
}
