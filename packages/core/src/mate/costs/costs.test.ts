import { methodById } from '../../assembly'
import { mate } from '../index'
import { line, WELL_EQUIPPED } from '../test/problems'
import { consumableCents, missingTools } from './costs'
import { STARTING_SETTINGS } from './settings'

/** Of every way off a pipe, the risk that it bears by removal and way, where the shop likes the old stop off so. */
function risks(
  pipeId: string,
  oldJoint: 'sweat' | 'compression' | 'push-fit',
  oldStop: 'cut-behind' | 'take-off',
) {
  const settings = { ...WELL_EQUIPPED, houseRules: { ...WELL_EQUIPPED.houseRules, oldStop } }
  const [answer] = mate({ lines: [line(pipeId, { oldJoint, stubMm: 60 })], settings, k: 20 }).lines
  return new Map(
    answer?.options.map(({ id, removalId, criteria }) => [id, [removalId, criteria.riskPerMille] as const]),
  )
}

// the school that a shop does not follow bears a little more, whichever that is
it.each([
  ['copper.l.1/2', 'sweat', ['sweat-off']],
  ['copper.l.1/2', 'compression', ['unscrew-pull-ring']],
  ['pex-a.sdr9.1/2', 'push-fit', ['release', 'open-body']],
] as const)('%s, %s: cut behind or taken off, as the shop likes it', (pipeId, oldJoint, takesOff) => {
  const [cutting, taking] = [risks(pipeId, oldJoint, 'cut-behind'), risks(pipeId, oldJoint, 'take-off')]
  const more = new Map<string, Set<number>>()
  for (const [id, [removalId, risk]] of cutting) {
    const other = taking.get(id)
    if (other) more.set(removalId, (more.get(removalId) ?? new Set()).add(risk - other[1]))
  }
  for (const removal of takesOff) expect([removal, ...(more.get(removal) ?? [])]).toEqual([removal, 10])
  const cuts = [...more].filter(([id]) => id.includes('cut-behind'))
  expect(cuts.length).toBeGreaterThan(0)
  for (const [id, by] of cuts) expect([id, ...by]).toEqual([id, -10])
})

it('a new shop has aboard what usual work takes: solder, compression, push-fit, cement, slip joints, bands', () => {
  for (const id of [
    'sweat',
    'compression',
    'push-fit',
    'crimp',
    'cement-drain-pvc',
    'slip-joint',
    'shielded-coupling',
  ] as const)
    expect([id, missingTools(methodById(id).tools, STARTING_SETTINGS)]).toEqual([id, []])
  // what it gets on the way the first time
  expect(missingTools(methodById('expansion').tools, STARTING_SETTINGS)).toEqual(['expander'])
})

it('what joints use up costs what the shop wrote, else what is usual', () => {
  for (const method of [methodById('crimp'), methodById('sweat'), methodById('hub-gasket')]) {
    const usual = { ...WELL_EQUIPPED, consumableCents: {} }
    const ids = method.consumables.map(({ id }) => id)
    expect(ids.length).toBeGreaterThan(0)
    const none = { ...WELL_EQUIPPED, consumableCents: Object.fromEntries(ids.map((id) => [id, 0])) }
    const dear = { ...WELL_EQUIPPED, consumableCents: Object.fromEntries(ids.map((id) => [id, 700])) }
    // by hand: so many of each at seven dollars
    const pieces = method.consumables.reduce((sum, { quantity }) => sum + quantity, 0)
    expect([method.id, consumableCents(method, none)]).toEqual([method.id, 0])
    expect([method.id, consumableCents(method, dear)]).toEqual([method.id, 700 * pieces])
    expect([method.id, consumableCents(method, usual) > 0]).toEqual([method.id, true])
    expect(consumableCents(method, usual)).toBe(consumableCents(method, STARTING_SETTINGS))
  }
})
