import { CATALOG } from '../../catalog'
import type { Fitting } from '../../catalog/types'
import { partCents } from './costs'
import { STARTING_SETTINGS } from './settings'

const cents = (part: Fitting) => partCents(part, STARTING_SETTINGS)
/** What its id says of it but the size. */
const kindOf = ({ id, lengthMm, ports }: Fitting) =>
  [id.slice(0, id.lastIndexOf('.')), lengthMm, ...ports.map(({ system }) => system)].join()
/** Parts that are alike in all but what they are made of, by what they have in common. */
const twins = new Map<string, Map<string, Fitting>>()
for (const part of CATALOG) {
  const [first, ...others] = part.ports
  if (!first || others.some(({ material }) => material !== first.material)) continue
  const alike = [part.family, part.lengthMm, ...part.ports.map(({ form, nominal }) => `${form} ${nominal}`)]
  const key = alike.join()
  twins.set(key, (twins.get(key) ?? new Map()).set(first.material, part))
}

// nobody sells it the other way round: the price a pound of the stuffs, common knowledge of counters
it.each([
  ['galvanised-steel', 'brass'],
  ['pvc', 'galvanised-steel'],
  ['pvc', 'brass'],
  ['pex-b', 'copper'],
  ['cpvc', 'copper'],
  ['pvc', 'copper'],
  ['copper', 'stainless'],
] as const)('a part of %s never costs more than the same of %s, and mostly less', (cheap, dear) => {
  const pairs = [...twins.values()].flatMap((of) => {
    const [one, other] = [of.get(cheap), of.get(dear)]
    return one && other ? [[one, other] as const] : []
  })
  expect(pairs.length).toBeGreaterThan(0)
  for (const [one, other] of pairs) expect([one.id, cents(one) <= cents(other)]).toEqual([one.id, true])
  expect(pairs.filter(([one, other]) => cents(one) < cents(other)).length).toBeGreaterThan(pairs.length / 2)
})

it('a larger one never costs less; what is of one price costs that in every size', () => {
  const dearer = new Set<string>()
  for (const family of new Set(CATALOG.map((part) => part.family))) {
    const parts = CATALOG.filter((part) => part.family === family && part.ports.length > 0)
    const sizes = (part: Fitting) => part.ports.map(({ diameterMm }) => diameterMm)
    for (const small of parts)
      for (const large of parts) {
        const like = kindOf(small) === kindOf(large)
        if (!like || !sizes(small).every((size, at) => size < (sizes(large)[at] ?? 0))) continue
        expect([small.id, large.id, cents(small) <= cents(large)]).toEqual([small.id, large.id, true])
        if (cents(small) < cents(large)) dearer.add(family)
      }
  }
  // bent tube and cast brass weigh by their size, a plastic trap hardly does
  for (const family of ['elbow-90', 'coupling', 'tee', 'tube-piece', 'nipple', 'shielded-coupling'])
    expect([family, dearer.has(family)]).toEqual([family, true])
  // what the shop writes for the family is what each costs
  for (const family of [
    'trap-adapter',
    'tubular-trap',
    'vent-tee',
    'vent-riser',
    'closet-flange',
    'standpipe',
  ])
    for (const part of CATALOG.filter((one) => one.family === family))
      expect([part.id, cents(part)]).toEqual([part.id, STARTING_SETTINGS.familyPriceCents[part.family]])
})
