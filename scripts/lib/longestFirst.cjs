const { default: Sequencer } = require('@jest/test-sequencer')

/**
 * Files that take longest, the longest first: begun late, one of them keeps a single processor busy while the others have
 * nothing left. Nobody knows on a fresh machine how long a file takes, and its size says little.
 */
const LONG = [
  'bench/laws/laws.test.ts',
  'bench/hold/hold.test.ts',
  'bench/made/made.test.ts',
  'bench/drains/drains.test.ts',
  'packages/core/src/mate/mate.test.ts',
  'packages/core/src/mate/assembly.test.ts',
  'packages/core/src/mate/laws.test.ts',
  'scripts/start.test.ts',
  'packages/core/src/sequence/orders.test.ts',
  'bench/judge/judge.test.ts',
  'packages/core/src/drawing/wall/wallSheet.test.ts',
  'bench/mate/assemblies.test.ts',
  'packages/contract/src/doors.test.ts',
  'apps/cli/src/cli.test.ts',
  'bench/drains/runs.test.ts',
  'bench/world/world.test.ts',
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
