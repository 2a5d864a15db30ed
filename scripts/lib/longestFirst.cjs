const { default: Sequencer } = require('@jest/test-sequencer')

/**
 * Files that take longest, the longest first: begun late, one of them keeps a single processor busy while the others have
 * nothing left. Nobody knows on a fresh machine how long a file takes, and its size says little.
 */
const LONG = [
  'groups/lines.core.ts',
  'groups/drains.core.ts',
  'groups/stages.app.ts',
  'groups/pages.app.ts',
  'groups/servers.server.ts',
  'groups/orders.core.ts',
  'groups/rest.core.ts',
  'scripts/start.test.ts',
  'groups/hands.app.ts',
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
