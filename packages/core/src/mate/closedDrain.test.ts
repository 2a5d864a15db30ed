import { mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { mate } from './index'
import { PLAIN, WELL_EQUIPPED } from './test/problems'

const ask = (pipeId: string, kind: string, patch: Partial<Conditions> = {}) => {
  const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', ...patch }
  const [answer] = mate({
    lines: [{ lineId: 'a', pipeId, to: mouthOf(kind), conditions }],
    settings: WELL_EQUIPPED,
    k: 8,
  }).lines
  if (!answer) throw new Error('no line')
  const [way] = answer.options
  return {
    parts: way?.parts.map(({ fittingId }) => fittingId),
    said: (way?.warnings ?? []).map(({ ruleId }) => ruleId),
    refused: answer.refusals.map(({ reason }) => reason.ruleId),
  }
}
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
])('%s that nothing drains into any more, %j: %j', (pipeId, patch, parts) => {
  expect(ask(pipeId, 'waste.closed', patch).parts).toEqual(parts)
})

it('steel that rotted at its thread is turned out, and a plug goes into the fitting behind', () => {
  const conditions: Conditions = { ...PLAIN, service: 'waste', ...STEEL }
  const { options } =
    mate({
      lines: [{ lineId: 'a', pipeId: 'galvanised.40.1-1/2', to: mouthOf('waste.closed'), conditions }],
      settings: WELL_EQUIPPED,
      k: 8,
    }).lines[0] ?? {}
  expect(options?.find(({ removalId }) => removalId === 'draw-from-fitting')?.parts).toMatchObject([
    { fittingId: 'plug.drain.brass.1-1/2' },
  ])
})

it('lead of four inches goes back to its iron first', () => {
  expect(ask('lead-waste.light.4', 'waste.closed').refused).toContain('lead.back-to-iron')
})

it('says what a dead end does and that air may come through it, and nothing of traps, vents and blockages', () => {
  const all = { unvented: true, rises: true, slow: true, oldTrap: 'drum' } as const
  expect(ask('pvc-dwv.40.1-1/2', 'waste.closed', all).said.sort()).toEqual([
    'drain.closed-vent',
    'drain.dead-end',
  ])
  const basin = ask('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2', all).said
  for (const rule of ['drain.s-trap', 'drain.air-valve', 'drain.slow', 'drain.old-drum'])
    expect([rule, basin.includes(rule)]).toEqual([rule, true])
  expect(basin.filter((rule) => /dead-end|closed-vent/.test(rule))).toEqual([])
})
