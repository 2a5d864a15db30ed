import { BODY_KINDS, bodyKind, isHeld, mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { CATALOG } from '../catalog'
import { mate } from './index'
import { line as asked, WELL_EQUIPPED } from './test/problems'
import type { LineRequest, LineResult, RankedOption } from './types'

const ask = (request: LineRequest, catalogue = CATALOG): LineResult =>
  mate({ lines: [request], settings: WELL_EQUIPPED, k: 20 }, { catalogue }).lines[0] as LineResult
/** Trade: a taper thread closes by turning one of its sides; a nut of its own, or a joint that slides, needs no turn. */
const loose = ({ joints, parts }: Pick<RankedOption, 'joints' | 'parts'>) =>
  joints.some(({ method }) => method !== 'threaded') || parts.some(({ family }) => /union/.test(family))

const STEEL: Partial<Conditions> = { oldJoint: 'threaded', thread: 'NPT' }
/** What is screwed to steel, or could be: the threads of both systems. */
const SCREWED = [
  ['valve.combo.1/2', 'galvanised.40.1/2', STEEL],
  ['valve.female.1/2', 'galvanised.40.1/2', STEEL],
  ['valve.bsp.1/2', 'galvanised.40.1/2', { ...STEEL, thread: 'BSP' }],
  ['heater.nipple.3/4', 'galvanised.40.3/4', STEEL],
  ['heater.nipple.3/4', 'brass.regular.3/4', STEEL],
] as const
const THREADED_ONLY = CATALOG.filter(
  ({ family, ports }) =>
    !/union|connector|hose/.test(family) && ports.every(({ form }) => form.startsWith('taper')),
)

describe('a body that hangs, or has another line', () => {
  it('stays as it is while a line to it is closed; spouts, arms and bibs are spun on whole', () => {
    const held = BODY_KINDS.filter(isHeld).map(({ id }) => id)
    expect(held.filter((id) => /^(valve|heater)/.test(id))).toHaveLength(9)
    expect(held.filter((id) => /^(spout|arm|hose\.outlet|closed|run)/.test(id))).toEqual([])
    for (const { id } of BODY_KINDS)
      expect([id, mouthOf(id).held ?? false]).toEqual([id, isHeld(bodyKind(id) as never)])
  })

  it.each(SCREWED)('%s on %s: every way has something that closes without a turn', (kind, pipe, place) => {
    for (const access of ['reachable', 'closed-wall'] as const) {
      const { options } = ask(asked(pipe, { ...place, access }, kind))
      // a heater's valve is never walled in, so neither is its cold line
      if (access === 'closed-wall' && kind.startsWith('heater')) expect(options).toEqual([])
      else expect(options.length).toBeGreaterThan(access === 'reachable' ? 3 : 0)
      expect(options.filter((option) => !loose(option))).toEqual([])
    }
  })

  it.each(SCREWED)('%s on %s: free to turn, it would have been screwed on', (kind, pipe, place) => {
    const request = asked(pipe, place, kind)
    const { held: _, ...to } = mouthOf(kind)
    expect(ask({ ...request, to }, THREADED_ONLY).options.some((option) => !loose(option))).toBe(true)
    const { options, refusals } = ask(request, THREADED_ONLY)
    expect(options).toEqual([])
    expect(refusals.find(({ method }) => method === 'threaded')?.reason.ruleId).toBe('method.nothing-turns')
  })

  it('where no part would follow anyway, that is the reason, and not that nothing turns', () => {
    // a valve of barbs: with threads alone there is no way to it, loose or not
    const request = asked('galvanised.40.1/2', STEEL, 'valve.expansion.1/2')
    expect(isHeld(bodyKind('valve.expansion.1/2') as never)).toBe(true)
    const threaded = ask(request, THREADED_ONLY).refusals.find(({ method }) => method === 'threaded')
    expect(threaded?.reason.ruleId).toBe('method.no-chain')
  })

  it('in a line that trickles nothing soldered closes it: dry it would, and so would a nut', () => {
    const brass = { ...STEEL, access: 'reachable' } as const
    const soldered = CATALOG.filter(({ ports }) =>
      ports.every(
        ({ form, material }) => /^(taper-|solder-cup|tube$)/.test(form) && /brass|copper/.test(material),
      ),
    )
    const without = soldered.filter(({ family }) => !family.endsWith('union'))
    const request = (line: Conditions['line']) =>
      ({ ...asked('brass.regular.1/2', { ...brass, line }, 'valve.combo.1/2') }) as const
    const first = (result: LineResult) => result.options.map(({ joints }) => joints[0]?.method)
    expect(first(ask(request('dry'), without))).toContain('threaded')
    const { options, refusals } = ask(request('trickle'), without)
    expect(options).toEqual([])
    expect(refusals.find(({ method }) => method === 'threaded')?.reason).toMatchObject({
      ruleId: 'method.closes-wet',
      change: 'dry',
    })
    const drawn = ask(request('trickle'), soldered).options
    expect(drawn.length).toBeGreaterThan(0)
    for (const { parts } of drawn) expect(parts.some(({ family }) => family === 'union')).toBe(true)
    // what is free to turn is spun on with all that is soldered to it
    const { held: _, ...to } = mouthOf('valve.combo.1/2')
    expect(first(ask({ ...request('trickle'), to }, without))).toContain('threaded')
  })

  it('before a heater, which stands, a hose or a union closes it, or an old pipe that is lifted as far as the joint takes', () => {
    const found = (place: Partial<Conditions>) =>
      ask(asked('copper.l.3/4', { stubMm: 300, ...place }, 'heater.nipple.3/4'))
    const yields = ({ parts }: RankedOption) => parts.some(({ family }) => /union|connector/.test(family))
    for (const service of ['hot', 'cold'] as const) {
      const { options, refusals, leftOut } = found({ service })
      expect(options.length).toBeGreaterThan(1)
      expect(options.filter((option) => !yields(option))).toEqual([])
      // all that fits the stub leads on by a hose
      expect(refusals.filter(({ reason }) => reason.ruleId === 'method.nothing-gives')).toEqual([])
      expect(leftOut.map(({ reason }) => reason.ruleId)).toContain('heater.not-lifted')
      // a 3/4 in cup is 0.75 in deep, ASME B16.22: an inch of way is enough for it, and a quarter is not
      const rigid = (givesMm: number) =>
        found({ service, givesMm }).options.filter((option) => !yields(option))
      expect(rigid(6)).toEqual([])
      const lifted = rigid(25.4)
      const last = ({ closes, joints }: RankedOption) => joints[closes?.seam ?? -1]?.method
      expect(lifted.map(last)).toContain('sweat')
      for (const { closes, joints } of lifted) {
        expect(closes?.needsMm).toBeCloseTo(joints[closes?.seam ?? -1]?.minMm ?? 0, 2)
        expect(closes).toMatchObject({ by: 'joint' })
        expect(closes?.needsMm).toBeLessThanOrEqual(25.4)
      }
      expect(rigid(60).length).toBeGreaterThanOrEqual(lifted.length)
    }
  })

  it('rigid to a heater, the old pipe ends where that says, as far as it was measured; else it is marked in place', () => {
    const asked3 = (reachMm: number | null) =>
      ask(asked('copper.l.3/4', { stubMm: 300, givesMm: 60, service: 'hot', reachMm }, 'heater.nipple.3/4'))
    const rigid = ({ parts }: RankedOption) =>
      parts.every(({ family }) => !/connector|tube-piece/.test(family))
    const inPlace = ({ warnings }: RankedOption) =>
      warnings.some(({ ruleId }) => ruleId === 'heater.in-place')
    for (const option of asked3(null).options) {
      expect([option.id, inPlace(option), option.leavesStubMm === null]).toEqual([
        option.id,
        rigid(option),
        rigid(option),
      ])
    }
    // from the pipe's end as it is to the nipple's: so much more or less and the pipe ends so much farther on
    const [near, far] = [asked3(10), asked3(22)].map(({ options }) => options.filter(rigid))
    const both = (near ?? []).flatMap((option) => {
      const other = far?.find(
        ({ id, parts }) => id === option.id && parts[0]?.fittingId === option.parts[0]?.fittingId,
      )
      return other && (other.leavesStubMm ?? 0) < 295 ? [[option, other] as const] : []
    })
    expect(both.length).toBeGreaterThan(0)
    for (const [option, other] of both) {
      expect(inPlace(option)).toBe(false)
      expect((other.leavesStubMm ?? 0) - (option.leavesStubMm ?? 0)).toBeCloseTo(12, 2)
    }
  })

  it('where neither hose nor union may stand, that is what a method is refused for', () => {
    const without = CATALOG.filter(({ family }) => !/union|connector/.test(family))
    const request = (place: Partial<Conditions>) =>
      asked('copper.l.3/4', { stubMm: 300, service: 'hot', ...place }, 'heater.nipple.3/4')
    const { options, refusals } = ask(request({}), without)
    expect(options).toEqual([])
    expect(refusals.find(({ method }) => method === 'compression')?.reason.ruleId).toBe(
      'method.nothing-gives',
    )
    expect(ask(request({ givesMm: 60 }), without).options.length).toBeGreaterThan(0)
    // round a corner only what lies beyond it goes the way that the pipe is lifted
    const bent = ask(request({ givesMm: 60, turn: 90 }), without).options
    expect(bent.length).toBeGreaterThan(0)
    for (const { parts, closes } of bent)
      expect(parts.findIndex(({ family }) => /elbow/.test(family))).toBeLessThan(closes?.seam ?? 0)
  })

  it('a union is what a plumber puts there, where it stays within reach', () => {
    const thread = { ...STEEL, thread: 'BSP' } as const
    const families = ask(asked('galvanised.40.1/2', thread, 'valve.bsp.1/2')).options[0]?.parts.map(
      ({ family }) => family,
    )
    expect(families).toEqual(['union'])
  })
})

describe('a place that closes', () => {
  it.each([
    ['valve.combo.1/2', 'galvanised.40.1/2', STEEL],
    ['valve.combo.1/2', 'copper.l.1/2', {}],
    ['faucet.shank.1/2', 'galvanised.40.1/2', STEEL],
  ] as const)('has no union in it, whatever its own joints are: %s on %s', (kind, pipe, place) => {
    const nuts = (access: Conditions['access']) =>
      ask(asked(pipe, { ...place, access }, kind)).options.flatMap(({ parts }) =>
        parts.filter(({ family }) => /union/.test(family)),
      )
    expect(nuts('closed-wall')).toEqual([])
    expect(nuts('buried')).toEqual([])
  })

  it('says that unions are left out', () => {
    const out = (access: Conditions['access']) =>
      ask(asked('galvanised.40.1/2', { ...STEEL, access }, 'valve.combo.1/2')).leftOut.map(
        ({ reason }) => reason.ruleId,
      )
    expect(out('closed-wall')).toEqual(['union.shut-in'])
    expect(out('reachable')).toEqual([])
  })
})

// an inch of slip coupling (two half-inch sockets, ASME B16.22) and room for the hand: all of it waits on one side
it.each([
  ['near', 300, 25, true],
  ['far', 25, 300, true],
  ['neither', 25, 25, false],
] as const)(
  'a slip coupling alone wants bare pipe for all of it on one side: on the %s',
  (_, stubMm, farMm, mends) => {
    const cutIn = { insert: 'repair', farMm, freeMm: [0, 0], sidewaysMm: 0 } as const
    const conditions = { ...asked('copper.l.1/2').conditions, oldJoint: 'none' as const, stubMm }
    const catalogue = CATALOG.filter(({ id }) => id.startsWith('coupling.slip.'))
    const { options } = ask({ lineId: 'a', pipeId: 'copper.l.1/2', cutIn, conditions }, catalogue)
    expect([...new Set(options.map(({ parts }) => parts.length))]).toEqual(mends ? [1] : [])
  },
)
