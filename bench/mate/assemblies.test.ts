import { mate } from '@diarmos/core'
import { assemblies } from './assemblies'
import { highs } from './highs'
import { toLp } from './programme'

const MOST_PARTS = 4

it('solves assemblies with shared bodies as the integer programme does', async () => {
  const faults: string[] = []
  const { solved } = await assemblies(
    9,
    MOST_PARTS,
    (what, got, expected) => {
      if (got !== expected) faults.push(`${what}: ${String(got)}, by the programme ${String(expected)}`)
    },
    (request, catalogue) => mate(request, { catalogue, mostParts: MOST_PARTS }),
    async (programmes) =>
      programmes.some(({ edges }) => edges.length === 0) ? null : highs(toLp(programmes, { least: 'total' })),
  )
  expect(faults).toEqual([])
  expect([...solved.keys()].sort()).toEqual(['tee', 'two-outlet stop', 'valve'])
})
