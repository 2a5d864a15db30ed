import { CATALOG, fittingById } from '../../catalog'
import { mate } from '../index'
import { cutInOf, drainOf } from '../test/drains'
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

it.each([
  // the bowl that stood there is set again, and told of its vent; nothing else is let in without one
  ['waste.bowl', true, 'warned'],
  ['waste.bowl', false, 'set'],
  ['waste.tub.1-1/2', true, 'refused'],
  ['waste.tub.1-1/2', false, 'set'],
] as const)('%s, without a vent %s: %s', (kind, unvented, wanted) => {
  const pipeId = kind === 'waste.bowl' ? 'pvc-dwv.40.3' : 'pvc-dwv.40.1-1/2'
  const { options } = drainOf(pipeId, kind, { unvented, oldTrap: 'none' })
  const told = options.map(
    ({ joints }) =>
      joints.filter(({ reasons }) => reasons.some(({ ruleId }) => ruleId === 'drain.bowl-unvented')).length,
  )
  // once, however many joints the way has
  const said = [...new Set(told)].map((times) => ['set', 'warned'][times] ?? `${times} times`)
  expect(options.length === 0 ? ['refused'] : said).toEqual([wanted])
})

it('what a rule only warns of makes a way the riskier by what the table says, unless the authority lifts it', () => {
  const asked = line('copper.l.1/2', { access: 'buried' }, 'valve.female.1/2')
  const ways = (severity: 'off' | 'warn') =>
    mate({
      lines: [asked],
      settings: { ...WELL_EQUIPPED, amendments: [{ ruleId: 'ground.wrap', severity, why: 'here' }] },
      k: 20,
    }).lines[0]?.options ?? []
  const off = new Map(ways('off').map((way) => [way.id, way]))
  const both = ways('warn').flatMap((way) => {
    const other = off.get(way.id)
    const wrapped = way.joints.filter(({ reasons }) =>
      reasons.some(({ ruleId }) => ruleId === 'ground.wrap'),
    ).length
    return other ? [[wrapped, way.criteria.riskPerMille - other.criteria.riskPerMille] as const] : []
  })
  expect(both.some(([wrapped]) => wrapped > 0)).toBe(true)
  for (const [wrapped, more] of both) expect(more).toBe(10 * wrapped)
})
