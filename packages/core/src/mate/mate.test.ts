import fc from 'fast-check'
import { mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { pairs } from '../assembly/methods/pairs'
import type { MethodId } from '../assembly/methods/table'
import { end, fittingById, type PortEnd } from '../catalog'
import { pipeById } from '../reference'
import { CRITERIA, cheapestWay, FRONT_MOST, FRONT_WINDOW, mate, STARTING_SETTINGS } from './index'
import { bestTogether } from './test/bestTogether'
import { bruteForce, type Chain } from './test/bruteForce'
import { line, SMALL_CATALOGUE, STUBS, WELL_EQUIPPED } from './test/problems'
import type { LineRequest, MateSettings } from './types'

const ask = (request: LineRequest, settings: MateSettings = WELL_EQUIPPED, k = 8) => {
  const result = mate({ lines: [request], settings, k }).lines[0]
  if (!result) throw new Error('no line')
  return result
}
const firstMethods = (request: LineRequest, settings?: MateSettings) =>
  new Set(ask(request, settings, 20).options.map((option) => option.joints[0]?.method))
const refusal = (request: LineRequest, method: MethodId, settings?: MateSettings) =>
  ask(request, settings).refusals.find((entry) => entry.method === method)?.reason

/** Places, prices and vans nobody prepared. */
const problems = fc.record({
  pipe: fc.constantFrom(
    ...STUBS.filter((pipe) => ['1/2', '3/8', '15', '12'].includes(pipe.nominal)).map((pipe) => pipe.id),
  ),
  flame: fc.boolean(),
  dry: fc.boolean(),
  closed: fc.boolean(),
  stubMm: fc.option(fc.integer({ min: 5, max: 70 }), { nil: null }),
  scored: fc.boolean(),
  labour: fc.integer({ min: 2000, max: 20_000 }),
  trip: fc.integer({ min: 0, max: 90 }),
  pushPrice: fc.integer({ min: 50, max: 3000 }),
  tools: fc.subarray([...WELL_EQUIPPED.toolsAboard]),
  aboard: fc.subarray([
    'stop.angle.compxcomp.1/2x3/8',
    'stop.angle.cxcomp.1/2x3/8',
    'connector.comp3/8xfaucet1/2.12in',
    'stop.angle.fnptxcomp.1/2x3/8',
    'adapter.pushxmnpt.1/2x1/2',
    'stop.angle.compxg.15mmx1/2',
  ]),
})
type Case = typeof problems extends fc.Arbitrary<infer T> ? T : never
const requestOf = (c: Case): LineRequest =>
  line(c.pipe, {
    flame: c.flame,
    line: c.dry ? 'dry' : 'trickle',
    access: c.closed ? 'closed-wall' : 'reachable',
    stubMm: c.stubMm,
    scored: c.scored,
  })
const settingsOf = (c: Case): MateSettings => ({
  ...WELL_EQUIPPED,
  labourCentsPerHour: c.labour,
  tripMinutes: c.trip,
  toolsAboard: c.tools,
  familyPriceCents: { ...WELL_EQUIPPED.familyPriceCents, coupling: c.pushPrice },
  partsAboard: Object.fromEntries(c.aboard.map((id) => [id, 4])),
})
const LIMITS = { catalogue: SMALL_CATALOGUE, mostParts: 3 }

/** The cheapest total of every way, cheapest first. */
function cheapestWays(chains: readonly Chain[]): number[] {
  const best = new Map<string, number>()
  for (const { way, total } of chains)
    best.set(way, Math.min(total, best.get(way) ?? Number.POSITIVE_INFINITY))
  return [...best.values()].sort((a, b) => a - b)
}

/** Points that no chain within the window is as good as in everything and better in something. */
function frontOf(chains: readonly Chain[]): string[] {
  const window = FRONT_WINDOW * Math.min(...chains.map((chain) => chain.total))
  const points = new Map<string, readonly number[]>()
  for (const { criteria, total } of chains) {
    const values = CRITERIA.map((criterion) => criteria[criterion])
    if (total <= window) points.set(values.join(), values)
  }
  const all = [...points]
  return all
    .filter(([, p]) => !all.some(([, q]) => q !== p && q.every((value, at) => value <= (p[at] as number))))
    .map(([key]) => key)
    .sort()
}

describe('the search against plain enumeration', () => {
  const compare = (request: LineRequest, settings: MateSettings) => {
    const chains = bruteForce(request, settings, LIMITS)
    const result = mate({ lines: [request], settings, k: 6 }, LIMITS).lines[0]
    if (!result) throw new Error('no line')
    expect(result.truncated).toBe(false)
    const expected = cheapestWays(chains)
    const found = result.options.map((option) => option.costs.totalCents)
    // the first ones are the k cheapest ways; after them come the front and the other methods
    expect(found.slice(0, Math.min(6, expected.length))).toEqual(expect.arrayContaining(expected.slice(0, 1)))
    for (const cost of expected.slice(0, 6)) expect(found).toContain(cost)
    if (chains.length === 0) return expect(found).toEqual([])
    const front = frontOf(chains)
    const listed = result.options
      .filter((option) => option.onFront)
      .map((option) => CRITERIA.map((criterion) => option.criteria[criterion]).join())
    expect(new Set(listed).size).toBe(Math.min(FRONT_MOST, front.length))
    for (const point of listed) expect(front).toContain(point)
  }

  it('finds the same optimum, the same cheapest ways and the same front', () =>
    fc.assert(
      fc.property(problems, (c) => compare(requestOf(c), settingsOf(c))),
      { numRuns: 16, seed: 20 },
    ))

  it('also where a gap must be filled, and where a line begins at the new valve', () =>
    fc.assert(
      fc.property(
        problems,
        fc.integer({ min: 40, max: 500 }),
        fc.constantFrom('valve.combo.1/2', 'valve.female.1/2', 'valve.barb.1/2'),
        (c, spanMm, valve) => {
          const { conditions } = requestOf(c)
          compare(
            { ...requestOf(c), to: mouthOf(valve), conditions: { ...conditions, spanMm } },
            settingsOf(c),
          )
          compare(
            { lineId: 'spout', from: mouthOf(valve), to: mouthOf('arm.1/2'), conditions },
            settingsOf(c),
          )
        },
      ),
      { numRuns: 6, seed: 21 },
    ))

  it('finds the best for both lines together, none of them longer only to spare the trip', () => {
    fc.assert(
      fc.property(problems, problems, fc.nat(9999), (a, b, van) => {
        const aboard = SMALL_CATALOGUE.filter((_, at) => (at * 7919 + van * 104_729) % 10 < 3)
        const settings = {
          ...settingsOf(a),
          partsAboard: Object.fromEntries(aboard.map(({ id }) => [id, 4])),
        }
        const lines = [
          { ...requestOf(a), lineId: 'hot' },
          { ...requestOf(b), lineId: 'cold' },
        ]
        const { lines: alone, together } = mate({ lines, settings }, LIMITS)
        const listed = alone.map(({ options }) => options)
        const best = bestTogether(lines, settings, LIMITS, [], listed)
        expect(together?.totalCents ?? Number.POSITIVE_INFINITY).toBe(best)
      }),
      { numRuns: 12, seed: 3 },
    )
  })

  it('also where each alone would choose otherwise: who is at the counter anyway buys the other stop too', () => {
    const settings: MateSettings = {
      ...WELL_EQUIPPED,
      labourCentsPerHour: 12_937,
      tripMinutes: 14,
      // on offer: worth it only to who is there anyway
      priceCents: { 'stop.angle.pushxcomp.1/2x3/8': 1200 },
      toolsAboard: ['torch', 'deburrer', 'crimp-tool', 'cinch-tool', 'expander', 'tube-cutter'],
      partsAboard: { 'stop.angle.barbxcomp.1/2x3/8': 4, 'connector.comp3/8xfaucet1/2.20in': 4 },
    }
    const lines = [
      { ...line('cpvc.sdr11.1/2', { stubMm: 39 }), lineId: 'hot' },
      { ...line('pex-a.sdr9.1/2', { stubMm: 51, line: 'trickle' }), lineId: 'cold' },
    ]
    const { lines: alone, together } = mate({ lines, settings }, LIMITS)
    expect(alone[1]?.options[0]?.methods).not.toContain('push-fit')
    expect(together?.optionIds[1]).toContain('push-fit')
    const listed = alone.map(({ options }) => options)
    expect(together?.totalCents).toBe(bestTogether(lines, settings, LIMITS, [], listed))
    expect(together?.totalCents).toBeLessThan(together?.apartCents ?? 0)
  })

  it('does not change its mind', () => {
    const request = line('copper.l.3/4')
    expect(mate({ lines: [request], settings: WELL_EQUIPPED })).toEqual(
      mate({ lines: [request], settings: WELL_EQUIPPED }),
    )
    expect(cheapestWay(request, WELL_EQUIPPED).option?.id).toBe(ask(request).options[0]?.id)
  })
})

describe('every option', () => {
  const stubs = STUBS.map((pipe) => [pipe.id] as const)
  it.each(stubs)('%s: the ports of a mating always meet, and the bill adds up', (pipeId) => {
    const pipe = pipeById(pipeId)
    const request = line(pipeId)
    const [wanted] = (request.to?.ends ?? []).map((ref) =>
      end(ref.form, ref.system, ref.nominal, ref.material),
    )
    const { options } = ask(request)
    expect(options.length).toBeGreaterThan(0)
    for (const option of options) {
      const ports = option.parts.map((part) => fittingById(part.fittingId)?.ports ?? [])
      option.joints.forEach((joint, index) => {
        const from: PortEnd | undefined =
          index === 0
            ? ({
                ...ports[0]?.[0],
                form: option.joints[0]?.method === 'threaded' ? 'taper-male' : 'tube',
                system: joint.system,
                nominal: joint.nominal,
                material: pipe?.material,
              } as PortEnd)
            : ports[index - 1]?.[option.parts[index - 1]?.outPort ?? 0]
        const to = index < option.parts.length ? ports[index]?.[option.parts[index]?.inPort ?? 0] : wanted
        if (!from || !to) throw new Error('a seam without ends')
        expect(pairs(from, to).map((pair) => pair.method.id)).toContain(joint.method)
        expect(joint.minMm).toBeLessThanOrEqual(joint.maxMm)
      })
      const { costs } = option
      expect(
        costs.partsCents +
          costs.consumablesCents +
          costs.labourCents +
          costs.setUpCents +
          costs.tripCents +
          costs.riskCents,
      ).toBe(costs.totalCents)
      expect(option.parts.filter((part) => /stop$|isolating/.test(part.family))).toHaveLength(1)
      expect(option.leavesStubMm ?? 0).toBeGreaterThanOrEqual(option.needsStubMm)
    }
    const costs = options.map((option) => option.costs.totalCents)
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
    expect(new Set(options.map((option) => option.id)).size).toBe(options.length)
  })
})

describe('the rules of the trade', () => {
  it('a trickle that will not stop rules out sweating, and says so', () => {
    const request = line('copper.l.1/2', { line: 'trickle' })
    expect(refusal(request, 'sweat')).toMatchObject({ ruleId: 'line.not-dry', change: 'dry' })
    expect(firstMethods(request)).toEqual(new Set(['push-fit', 'compression', 'press']))
  })

  it('a closed wall with the house rule against push-fit offers what remains', () => {
    const request = line('copper.l.1/2', { access: 'closed-wall' })
    expect(firstMethods(request)).toEqual(new Set(['sweat', 'press']))
    expect(refusal(request, 'push-fit')?.ruleId).toBe('house.push-fit-concealed')
    expect(refusal(request, 'compression')?.ruleId).toBe('access.closed-wall')
  })

  it('and where nothing remains, names the single condition to change', () => {
    const result = ask(line('cpvc.sdr11.1/2', { access: 'closed-wall', line: 'trickle' }))
    expect(result.options).toEqual([])
    expect(result.remedies.map((remedy) => remedy.changes)).toEqual(
      expect.arrayContaining([['dry'], ['access'], ['push-fit-rule']]),
    )
    expect(result.remedies.every((remedy) => remedy.changes.length === 1)).toBe(true)
  })

  it('a plate that leaves no joint enough of the stub: a split one, that goes on when the joint is made', () => {
    const place = { stubMm: 20, plateMm: 8, oldJoint: 'none' } as const
    const { options, remedies } = ask(line('copper.l.1/2', place))
    expect(options).toEqual([])
    expect(remedies.map(({ changes }) => changes)).toContainEqual(['plate'])
    expect(ask(line('copper.l.1/2', { ...place, plateMm: 0 })).options.length).toBeGreaterThan(0)
    // no remedy where no plate is in the way
    const bare = ask(line('copper.l.1/2', { ...place, plateMm: 0, stubMm: 8 }))
    expect(bare.remedies.flatMap(({ changes }) => changes)).not.toContain('plate')
  })

  it('a stub shorter than any joint needs says how much is missing', () => {
    // sweating needs cup 12.7 mm (ASME B16.22, 1/2 in) and 4 mm to clean
    const result = ask(line('copper.l.1/2', { stubMm: 3, oldJoint: 'none' }))
    expect(result.options).toEqual([])
    const stub = result.remedies.find((remedy) => remedy.changes.join() === 'stub')
    expect(stub?.missingMm).toBeCloseTo(12.7 + 4 - 3, 3)
    const longer = ask(line('copper.l.1/2', { stubMm: 3 + (stub?.missingMm ?? 0) + 0.01, oldJoint: 'none' }))
    expect(longer.options.length).toBeGreaterThan(0)
    const shorter = ask(line('copper.l.1/2', { stubMm: 3 + (stub?.missingMm ?? 0) - 0.2, oldJoint: 'none' }))
    expect(shorter.options).toEqual([])
  })

  /** Long enough for a joint on the end as it is, too short to be cut back. */
  const SHORT = { stubMm: 36 }
  const never: readonly [string, string, Partial<Conditions>, MethodId, string][] = [
    ['no push-fit on a scored end', 'copper.l.1/2', { scored: true, ...SHORT }, 'push-fit', 'end.scored'],
    [
      'no compression out of round',
      'copper.l.1/2',
      { outOfRound: true, ...SHORT },
      'compression',
      'end.out-of-round',
    ],
    [
      'steel is opened only once water was seen',
      'black.40.1/2',
      { waterSeen: false },
      'threaded',
      'water.not-seen',
    ],
    ['no crimp on copper', 'copper.m.1/2', {}, 'crimp', 'method.not-on-this-pipe'],
    ['no expansion on type B', 'pex-b.sdr9.1/2', {}, 'expansion', 'method.not-on-this-pipe'],
    ['no push-fit on a pitted end', 'copper.l.1/2', { faults: ['pitted'] }, 'push-fit', 'end.pitted'],
    [
      'no compression on a bent end',
      'copper.l.1/2',
      { faults: ['bent'], ...SHORT },
      'compression',
      'end.bent',
    ],
    ['nothing at a pinhole', 'copper.l.1/2', { faults: ['pinhole'] }, 'sweat', 'end.pinhole'],
    [
      'a length with several pinholes is done',
      'copper.l.1/2',
      { faults: ['pinholes'] },
      'sweat',
      'end.pinholes',
    ],
    [
      'no second ring where an old ring has marked the stub',
      'copper.l.1/2',
      { oldJoint: 'none', faults: ['ring-mark'], ...SHORT },
      'compression',
      'compression.second-ring',
    ],
    [
      'no push-fit where teeth have marked the stub',
      'copper.l.1/2',
      { oldJoint: 'none', faults: ['tooth-marks'], ...SHORT },
      'push-fit',
      'push-fit.tooth-marks',
    ],
    [
      'nothing is expanded where teeth have marked it',
      'pex-a.sdr9.1/2',
      { oldJoint: 'none', faults: ['tooth-marks'], ...SHORT },
      'expansion',
      'expansion.marked',
    ],
    [
      'nothing is expanded over a score',
      'pex-a.sdr9.1/2',
      { scored: true, ...SHORT },
      'expansion',
      'end.scored',
    ],
    [
      'no push-fit on solder',
      'copper.l.1/2',
      { oldJoint: 'none', faults: ['solder-on'], ...SHORT },
      'push-fit',
      'push-fit.solder-left',
    ],
    ['no plastic near a heater', 'pex-a.sdr9.1/2', { nearHeater: true }, 'crimp', 'heater.plastic-near'],
    ['no sweating on CPVC', 'cpvc.sdr11.1/2', {}, 'sweat', 'method.not-on-this-pipe'],
    ['no cement on a wet line', 'cpvc.sdr11.1/2', { line: 'trickle' }, 'cement', 'cement.not-dry'],
  ]
  it.each(never)('%s', (_name, pipeId, patch, method, ruleId) =>
    expect(refusal(line(pipeId, patch), method)?.ruleId).toBe(ruleId),
  )

  it.each([
    { scored: true },
    { outOfRound: true },
    { faults: ['bent'] },
    { faults: ['ring-mark'], oldJoint: 'none' },
    { faults: ['tooth-marks', 'solder-on'], scored: true, outOfRound: true },
  ] as const)('%j: one cut past the marks cures them all, where the stub is long enough', (marks) => {
    const marked = line('copper.l.1/2', { ...marks, stubMm: 70 })
    const kinds = (methods: readonly string[]) => [...new Set(methods)].sort()
    const cut = ask(marked, WELL_EQUIPPED, 20).options.filter(
      ({ removalId }) => removalId === 'cut-behind-marks',
    )
    // what is left is a clean end of so much less
    expect(kinds(cut.map(({ joints }) => joints[0]?.method ?? ''))).toEqual(
      kinds([...firstMethods(line('copper.l.1/2', { stubMm: 44 }))].map(String)),
    )
    expect(cut[0]?.leavesStubMm).toBe(70 - 26)
    // nothing is sealed on the marked end itself
    for (const { removalId, joints } of ask(marked, WELL_EQUIPPED, 20).options)
      if (!removalId.endsWith('marks'))
        expect(['press', 'push-fit', 'compression']).not.toContain(joints[0]?.method)
  })

  it('leaves the old pipe as long as it can be where a hose or a piece makes up the rest, and else cuts it to fit', () => {
    // by hand: of 70 mm a cut takes one
    const stub = { oldJoint: 'compression' as const, stubMm: 70, spanMm: 400 }
    for (const request of [line('copper.l.1/2', stub), line('copper.l.1/2', stub, 'valve.combo.1/2')]) {
      const { options } = ask(request)
      expect(options.length).toBeGreaterThan(0)
      for (const { removalId, leavesStubMm, parts } of options)
        if (
          removalId === 'cut-behind' &&
          parts.some(({ family }) => /^(tube-piece|supply-connector)$/.test(family))
        )
          expect(leavesStubMm).toBe(69)
    }
    // right into a mouth that stands 55 mm out: it ends as far in that as the joint reaches
    const { options } = ask({
      ...line('copper.l.1/2', { ...stub, spanMm: 55 }),
      to: mouthOf('valve.combo.1/2'),
    })
    const direct = options.filter(({ parts, removalId }) => parts.length === 0 && removalId === 'cut-behind')
    for (const { joints, leavesStubMm } of direct)
      expect(leavesStubMm).toBeCloseTo(55 + (joints[0]?.maxMm ?? 0), 6)
    expect(direct.length).toBeGreaterThan(0)
  })

  it('no thread of one system in the other: what goes on a 55 degree thread has one', () => {
    const { options } = ask(line('galvanised.40.1/2', { thread: 'BSP' }))
    expect(options.length).toBeGreaterThan(0)
    for (const option of options) {
      const part = option.parts[0]
      if (option.joints[0]?.method !== 'threaded') continue
      expect(fittingById(part?.fittingId ?? '')?.ports[part?.inPort ?? 0]?.system).toBe('BSP')
    }
  })

  it('never a second ring on the same spot: compression only where the tube is cut back', () => {
    for (const option of ask(line('copper.l.1/2', { oldJoint: 'compression' }), WELL_EQUIPPED, 20).options)
      if (option.joints[0]?.method === 'compression') expect(option.removalId).not.toBe('unscrew-pull-ring')
  })

  it('never steel straight onto copper', () => {
    for (const size of ['1/2', '3/4'])
      for (const option of ask(line(`galvanised.40.${size}`), WELL_EQUIPPED, 20).options)
        for (const joint of option.joints) {
          if (joint.method !== 'threaded') continue
          const body = fittingById(option.parts[joint.to]?.fittingId ?? '')?.ports[
            option.parts[joint.to]?.inPort ?? 0
          ]?.material
          const tip =
            joint.from < 0
              ? 'galvanised-steel'
              : fittingById(option.parts[joint.from]?.fittingId ?? '')?.ports[
                  option.parts[joint.from]?.outPort ?? 0
                ]?.material
          expect([tip, body].some((m) => m?.endsWith('steel')) && [tip, body].includes('copper')).toBe(false)
        }
  })

  it('never a female plastic thread on a metal male', () => {
    for (const option of ask(line('brass.regular.1/2'), WELL_EQUIPPED, 20).options)
      expect(option.parts[0]?.fittingId).not.toMatch(/^adapter\.sxf/)
  })

  it('what is wrong with the end is said with the way, and prices its risk', () => {
    const plain = ask(line('copper.l.1/2')).options[0]
    const thin = ask(line('copper.l.1/2', { faults: ['thinned', 'choked', 'loose'] })).options[0]
    expect(thin?.warnings.map((warning) => warning.ruleId)).toEqual(
      expect.arrayContaining(['end.thinned', 'end.choked', 'end.loose']),
    )
    expect(thin?.costs.riskCents ?? 0).toBeGreaterThan(plain?.costs.riskCents ?? 0)
  })

  it('cutting back past a pinhole is named as what would help', () => {
    const { options, remedies } = ask(line('copper.l.1/2', { faults: ['pinhole'] }))
    expect(options).toEqual([])
    expect(remedies.map((remedy) => remedy.changes)).toContainEqual(['sound'])
  })

  it('push-fit in a closed wall is the shop’s to allow', () => {
    const allow = {
      ...WELL_EQUIPPED,
      houseRules: { ...WELL_EQUIPPED.houseRules, pushFitConcealed: 'allow' as const },
    }
    const options = ask(line('copper.l.1/2', { access: 'closed-wall' }), allow, 20).options
    const push = options.find((option) => option.joints[0]?.method === 'push-fit')
    expect(push?.warnings.map((warning) => warning.ruleId)).toContain('push-fit.concealed')
  })

  it('the connector reaches, with an inch to spare', () => {
    const { options } = ask(line('copper.l.1/2', { reachMm: 400 }))
    expect(options[0]?.parts.at(-1)?.fittingId).toMatch(/\.20in$/)
    expect(ask(line('copper.l.1/2', { reachMm: 1500 })).options).toEqual([])
  })

  it('every reason has a source', () => {
    for (const { refusals } of [ask(line('copper.l.1/2', { flame: false, scored: true }))])
      for (const { reason } of refusals) expect(reason.source.title).not.toBe('')
  })
})

describe('bad input', () => {
  it('names a pipe that is in no table', () =>
    expect(() => mate({ lines: [line('lead.1/2')], settings: STARTING_SETTINGS })).toThrow(
      'no-pipe {"id":"lead.1/2"}',
    ))
})
