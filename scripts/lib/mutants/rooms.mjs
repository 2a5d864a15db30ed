/** Rooms by name: their sources, and the Jest project and tests that know them. */
export const ROOMS = {
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
  },
  sequence: {
    sources: ['packages/core/src/sequence'],
    project: 0,
    // the world in which plans are carried out knows what an order does
    tests: [
      'packages/core/src/sequence',
      'bench/made',
      'packages/core/src/words/words.test.ts',
      // what a kind of work is told by is said with its ways, its order too
      ...['keptStop', 'closets', 'closedDrain', 'metricWastes'].map(
        (name) => `packages/core/src/mate/${name}.test.ts`,
      ),
    ],
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
