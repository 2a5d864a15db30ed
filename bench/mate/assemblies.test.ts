import { CATALOG, Effort, mate, STARTING_SETTINGS, TOOL_IDS } from '@diarmos/core'
import { assemblies, someAssembly } from './assemblies'
import { highs } from './highs'
import { toLp } from './programme'

const MOST_PARTS = 4

it('solves assemblies with shared bodies as the integer programme does', async () => {
  const faults: string[] = []
  const { solved } = await assemblies(
    24,
    MOST_PARTS,
    (what, got, expected) => {
      if (got !== expected) faults.push(`${what}: ${String(got)}, by the programme ${String(expected)}`)
    },
    (request, catalogue) => mate(request, { catalogue, mostParts: MOST_PARTS }),
    async (programmes, wish) =>
      programmes.some(({ edges }) => edges.length === 0) ? null : highs(toLp(programmes, wish)),
  )
  expect(faults).toEqual([])
  expect([...solved.keys()].sort()).toEqual(['corner', 'tee', 'two-outlet stop', 'valve'])
})

it('is not lost where nearly every way is open: all tools and two of every part aboard', () => {
  const partsAboard = Object.fromEntries(CATALOG.map(({ id }) => [id, 2]))
  const cut: string[] = []
  // valves with outlets, stops with two, tees: those that once took a minute, and what came next
  for (const seed of [7019, 7023, 7024, 7025, 7037, 7039, 7059]) {
    const { kind, lines } = someAssembly(seed)
    const settings = { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS, partsAboard }
    const { lines: found } = mate({ lines, settings }, { effort: new Effort(200_000) })
    if (found.some(({ truncated }) => truncated)) cut.push(`${kind} ${seed}`)
  }
  expect(cut).toEqual([])
})
