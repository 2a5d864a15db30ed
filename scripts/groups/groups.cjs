const { readdirSync, readFileSync } = require('node:fs')
const path = require('node:path')

const ROOT = path.resolve(__dirname, '../..')
const isPage = (text) => text.includes("jest.mock('../workers/solver')")

/**
 * Test files that `npm test` reads into one world each. Jest makes a new one for every file: the core read anew, and all
 * that was made fast in it thrown away, which was a quarter of the time. Files that need the same of the core lie
 * together, and no group is so long that a processor waits for it at the end.
 */
const GROUPS = [
  { name: 'drains', in: ['bench/drains', 'bench/hold', 'bench/judge'] },
  { name: 'lines', in: ['bench/laws', 'bench/mate', 'packages/core/src/mate'] },
  { name: 'stages', in: ['apps/app/src/job', 'apps/app/src/fixture'], only: isPage },
  { name: 'pages', in: ['apps/app/src'], only: isPage },
  { name: 'orders', in: ['bench/made', 'packages/core/src/sequence', 'packages/core/src/record'] },
  { name: 'hands', in: ['apps/app/src'] },
  { name: 'servers', in: ['apps/server'] },
  {
    name: 'rest',
    in: [
      'bench',
      'packages',
      'apps/cli/src',
      'scripts/expect.test.ts',
      'scripts/groups.test.ts',
      'scripts/lean.test.ts',
    ],
  },
]

/** All test files below a place, or the file itself; paths from the root, with slashes. */
function filesBelow(place) {
  if (/\.test\.tsx?$/.test(place)) return [place]
  return readdirSync(path.join(ROOT, place), { withFileTypes: true }).flatMap((entry) => {
    const below = `${place}/${entry.name}`
    if (entry.isDirectory())
      return entry.name === 'node_modules' || entry.name === 'dist' ? [] : filesBelow(below)
    return /\.test\.tsx?$/.test(entry.name) ? [below] : []
  })
}

/** Each group's name with its files: a file belongs to the first group that takes it. */
function groups() {
  const taken = new Set()
  return new Map(
    GROUPS.map(({ name, in: places, only }) => {
      const files = places
        .flatMap(filesBelow)
        .filter((file) => !taken.has(file) && (!only || only(readFileSync(path.join(ROOT, file), 'utf8'))))
      for (const file of files) taken.add(file)
      return [name, files]
    }),
  )
}

/** Reads a group's files into the world that calls, each under its own name; one that cannot be read fails alone. */
function collect(name) {
  for (const file of groups().get(name))
    describe(file, () => {
      try {
        require(path.join(ROOT, file))
      } catch (error) {
        it('can be read', () => {
          throw error
        })
      }
    })
}

module.exports = { groups, collect }
