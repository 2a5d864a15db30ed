import { CATALOG } from '../catalog'
import { keptPart, partOf } from './kept'

it('of a chosen part all is kept that a later table could say otherwise', () => {
  for (const part of CATALOG) {
    const { id, family, name, standing: _, ...own } = part
    expect(partOf({ fittingId: id, family, name, made: keptPart(part) })).toEqual({
      id,
      family,
      name,
      ...own,
    })
  }
  // kept, it needs no table
  const [first] = CATALOG
  if (!first) throw new Error('no part')
  expect(partOf({ fittingId: 'gone', family: first.family, made: keptPart(first) })?.ports).toEqual(
    first.ports,
  )
  expect(partOf({ fittingId: 'gone', family: first.family })).toBeUndefined()
})
