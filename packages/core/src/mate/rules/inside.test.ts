import { CATALOG, fittingById } from '../../catalog'
import { mate } from '../index'
import { cutInOf } from '../test/drains'
import { line, PLAIN, WELL_EQUIPPED } from '../test/problems'
import type { CutIn, LineRequest } from '../types'

/** A counter where parts of one stuff are next to nothing, and all others dear: what may be used of it is. */
const giving = (stuff: string) => ({
  ...WELL_EQUIPPED,
  priceCents: Object.fromEntries(
    CATALOG.map(({ id, ports }) => [id, ports.some(({ material }) => material === stuff) ? 1 : 90_000]),
  ),
})
/** Whether any way takes a part that has an end of a stuff. */
const takes = (stuff: string, asked: LineRequest) =>
  (mate({ lines: [asked], settings: giving(stuff), k: 12 }).lines[0]?.options ?? []).some(({ parts }) =>
    parts.some(({ fittingId }) => fittingById(fittingId)?.ports.some(({ material }) => material === stuff)),
  )
const FAR = { farMm: 900, freeMm: [900, 900], sidewaysMm: 40 } as const
const run = (pipeId: string, insert: CutIn['insert']): LineRequest => ({
  lineId: 'a',
  pipeId,
  cutIn: { insert, outMm: 300, ...FAR },
  conditions: { ...PLAIN, oldJoint: 'threaded', waterSeen: true, stubMm: 900 },
})

it('plastic for cold water is nowhere in a line of hot, however little it costs', () => {
  const asked = (service: 'hot' | 'cold') =>
    line('galvanised.40.1/2', { service, oldJoint: 'threaded', thread: 'NPT', turn: 90 }, 'faucet.shank.1/2')
  expect([takes('pvc', asked('cold')), takes('pvc', asked('hot'))]).toEqual([true, false])
})

it('pipe of steel mends a run of steel and none of brass', () => {
  const piece = (pipeId: string) =>
    (
      mate({ lines: [run(pipeId, 'repair')], settings: giving('galvanised-steel'), k: 12 }).lines[0]
        ?.options ?? []
    ).some(({ parts }) => parts.some(({ fittingId }) => fittingId.startsWith('tube.galvanised-steel')))
  expect([piece('galvanised.40.3/4'), piece('brass.regular.3/4')]).toEqual([true, false])
})

it.each([
  ['waste.run.tee.2', ['branch.upright', 'branch.vent']],
  ['waste.run.wye.2', ['branch.lying', 'branch.vent']],
  ['waste.run.repair', []],
] as const)('what a drain is told of %s', (kind, wanted) => {
  const conditions = { ...PLAIN, service: 'waste' as const }
  const asked = { lineId: 'a', pipeId: 'pvc-dwv.40.2', cutIn: { ...cutInOf(kind), ...FAR }, conditions }
  const [way] = mate({ lines: [asked], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
  const told = new Set(way?.joints.flatMap(({ reasons }) => reasons.map(({ ruleId }) => ruleId)))
  expect([...told].filter((id) => id.startsWith('branch.')).sort()).toEqual([...wanted])
})

it('the trap of a house makes way for a cleanout, never for plain pipe', () => {
  const conditions = { ...PLAIN, service: 'waste' as const, oldTrap: 'running' as const }
  const asked = (kind: string) => ({
    lineId: 'a',
    pipeId: 'pvc-dwv.40.4',
    cutIn: { ...cutInOf(kind), ...FAR },
    conditions,
  })
  const answer = (kind: string) => mate({ lines: [asked(kind)], settings: WELL_EQUIPPED }).lines[0]
  expect(answer('waste.run.cleanout')?.options[0]?.joints[0]?.reasons.map(({ ruleId }) => ruleId)).toContain(
    'run.house-trap',
  )
  expect(answer('waste.run.repair')?.options).toEqual([])
  expect(answer('waste.run.repair')?.refusals.map(({ reason }) => reason.ruleId)).toContain(
    'run.house-trap-plain',
  )
})
