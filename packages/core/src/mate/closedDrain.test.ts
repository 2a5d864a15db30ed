import type { Conditions } from '../assembly/conditions'
import { drainOf } from './test/drains'
import type { RankedOption } from './types'

const parts = (way: RankedOption | undefined) => way?.parts.map(({ fittingId }) => fittingId)
const said = (way: RankedOption | undefined) => (way?.warnings ?? []).map(({ ruleId }) => ruleId)
const STEEL = { oldJoint: 'threaded', thread: 'NPT' } as const

// trade: plastic is capped by its own cap, steel by its thread, iron by a blind plug, all else by way of plastic
it.each<[string, Partial<Conditions>, string[]]>([
  ['pvc-dwv.40.2', {}, ['cap.drain.pvc.2']],
  ['abs-dwv.40.3', { access: 'closed-wall' }, ['cap.drain.abs.3']],
  ['galvanised.40.1-1/2', STEEL, ['cap.drain.brass.1-1/2']],
  ['cast-iron.hubless.4', {}, ['coupling.hubless.iron.4', 'plug.hubless.4']],
  ['cast-iron.service.2', {}, ['coupling.shielded.servicexplastic.2', 'tube.abs-drain.2', 'cap.drain.abs.2']],
  [
    'lead-waste.light.1-1/2',
    {},
    ['coupling.shielded.leadxplastic.1-1/2', 'tube.abs-drain.1-1/2', 'cap.drain.abs.1-1/2'],
  ],
  ['waste.pp.40mm', { access: 'closed-wall' }, ['cap.waste.pp.40']],
  ['waste.solvent.110mm', {}, ['cap.waste.solvent.110']],
])('%s that nothing drains into any more, %j: %j', (pipeId, patch, chain) => {
  expect(parts(drainOf(pipeId, 'waste.closed', patch).options[0])).toEqual(chain)
})

it('steel that rotted at its thread is turned out, and a plug goes into the fitting behind', () => {
  const drawn = drainOf('galvanised.40.1-1/2', 'waste.closed', STEEL).options.find(
    ({ removalId }) => removalId === 'draw-from-fitting',
  )
  expect(parts(drawn)).toEqual(['plug.drain.brass.1-1/2'])
})

it('lead of four inches goes back to its iron first', () => {
  const { refusals } = drainOf('lead-waste.light.4', 'waste.closed')
  expect(refusals.map(({ reason }) => reason.ruleId)).toContain('lead.back-to-iron')
})

it('says what a dead end does and that air may come through it, and nothing of traps, vents and blockages', () => {
  const all = { unvented: true, rises: true, slow: true, oldTrap: 'drum' } as const
  for (const way of drainOf('pvc-dwv.40.1-1/2', 'waste.closed', all).options)
    expect(said(way).sort()).toEqual(['drain.closed-vent', 'drain.dead-end'])
  const basin = said(drainOf('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2', all).options[0])
  for (const rule of ['drain.s-trap', 'drain.air-valve', 'drain.slow', 'drain.old-drum'])
    expect([rule, basin.includes(rule)]).toEqual([rule, true])
  expect(basin.filter((rule) => /dead-end|closed-vent/.test(rule))).toEqual([])
})

// what is true of the line is true whatever of the old joint is used again
it.each<[string, string, Partial<Conditions>, string[]]>([
  ['galvanised.40.1-1/2', 'waste.closed', STEEL, ['drain.dead-end', 'drain.closed-vent']],
  [
    'cast-iron.service.2',
    'waste.shower.2',
    { oldJoint: 'hub-lead', slow: true },
    ['drain.vent', 'drain.slow'],
  ],
  [
    'cast-iron.service.2',
    'waste.tail.1-1/2',
    { oldJoint: 'hub-lead', unvented: true, oldTrap: 'drum' },
    ['drain.air-valve', 'drain.old-drum'],
  ],
  ['pvc-dwv.40.1-1/2', 'waste.tail.1-1/2', { oldJoint: 'slip', slow: true }, ['drain.vent', 'drain.slow']],
])('%s to %s, %j: every way says %j', (pipeId, kind, patch, rules) => {
  const { options } = drainOf(pipeId, kind, patch)
  expect(new Set(options.map(({ removalId }) => removalId)).size).toBeGreaterThan(1)
  for (const way of options)
    expect([way.removalId, rules.filter((rule) => !said(way).includes(rule))]).toEqual([way.removalId, []])
})

it('where a flange stays nothing is said of the vent that was there', () => {
  const kept = drainOf('pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: 0 }).options
  expect(kept[0]?.removalId).toBe('keep-flange')
  for (const way of kept)
    expect([way.removalId, said(way).includes('drain.vent')]).toEqual([
      way.removalId,
      !/^keep/.test(way.removalId),
    ])
})
