import fc from 'fast-check'
import { fittingById, fixtureById, type PortEnd } from '../catalog'
import { pipeById } from '../reference'
import { cheapestWay, METHODS, mate, STARTING_SETTINGS } from './index'
import { pairs } from './pairs'
import { search } from './search'
import { bruteForce } from './test/bruteForce'
import { line, PLAIN, STUBS, WELL_EQUIPPED } from './test/problems'
import type { Conditions, LineRequest, MateSettings, MethodId } from './types'

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

describe('the search against plain enumeration', () => {
  it('finds the same optimum and the same cheapest ways', () =>
    fc.assert(
      fc.property(problems, (c) => {
        const [request, settings] = [requestOf(c), settingsOf(c)]
        const all = bruteForce(request, settings, 4)
        const cheapest = new Map<string, number>()
        for (const chain of all)
          cheapest.set(chain.way, Math.min(chain.total, cheapest.get(chain.way) ?? Number.POSITIVE_INFINITY))
        const expected = [...cheapest.values()].sort((a, b) => a - b)
        const { options } = ask(request, settings, 6)
        // the search looks deeper and leaves out chains that go round in a circle, so compare what both must have
        const short = options.filter((option) => option.parts.length <= 4)
        expect(short[0]?.costs.totalCents).toBe(
          options.length > 0 && options[0]?.parts.length === short[0]?.parts.length
            ? expected[0]
            : short[0]?.costs.totalCents,
        )
        for (const option of short) expect(cheapest.get(option.id)).toBe(option.costs.totalCents)
        if (expected.length === 0) expect(short).toEqual([])
        else expect(options[0]?.costs.totalCents).toBeLessThanOrEqual(expected[0] as number)
      }),
      { numRuns: 12, seed: 20 },
    ))

  it('finds the best for both lines together, also where each alone would choose otherwise', () => {
    let differs = 0
    fc.assert(
      fc.property(problems, problems, (a, b) => {
        // everything for compression is aboard, the rest is at the counter: alone a line saves itself the trip
        const settings = {
          ...settingsOf(a),
          toolsAboard: WELL_EQUIPPED.toolsAboard,
          partsAboard: { 'stop.angle.compxcomp.1/2x3/8': 4, 'connector.comp3/8xfaucet1/2.12in': 4 },
        }
        const lines = [
          { ...requestOf(a), lineId: 'hot' },
          { ...requestOf(b), lineId: 'cold' },
        ]
        const all = lines.map((entry) => bruteForce(entry, settings, 3, 2))
        const result = mate({ lines, settings })
        if (!result.together || all.some((chains) => chains.length === 0)) return
        // enumeration of pairs, set-up and trip paid once
        const price = (methods: ReadonlySet<string>, trip: boolean) =>
          METHODS.filter((m) => methods.has(m.id)).reduce(
            (sum, m) => sum + Math.ceil((m.setUpSeconds * settings.labourCentsPerHour) / 3600),
            0,
          ) + (trip ? Math.ceil((settings.tripMinutes * 60 * settings.labourCentsPerHour) / 3600) : 0)
        let best = Number.POSITIVE_INFINITY
        for (const x of all[0] ?? [])
          for (const y of all[1] ?? [])
            best = Math.min(
              best,
              x.additive + y.additive + price(new Set([...x.methods, ...y.methods]), x.trip || y.trip),
            )
        expect(result.together.totalCents).toBeLessThanOrEqual(best)
        const chosen = result.together.optionIds.map((id, index) =>
          result.lines[index]?.options.find((option) => option.id === id),
        )
        if (chosen.every((option) => option && option.parts.length <= 3))
          expect(result.together.totalCents).toBe(best)
        if (chosen.some((option, index) => option?.id !== result.lines[index]?.options[0]?.id)) differs++
      }),
      { numRuns: 25, seed: 7 },
    )
    expect(differs).toBeGreaterThan(0)
  })

  it('does not change its mind', () => {
    const request = line('copper.l.3/4')
    expect(mate({ lines: [request], settings: WELL_EQUIPPED })).toEqual(
      mate({ lines: [request], settings: WELL_EQUIPPED }),
    )
    expect(cheapestWay(request, WELL_EQUIPPED)?.id).toBe(ask(request).options[0]?.id)
  })
})

describe('every option', () => {
  const stubs = STUBS.map((pipe) => [pipe.id] as const)
  it.each(stubs)('%s: the ports of a mating always meet, and the bill adds up', (pipeId) => {
    const pipe = pipeById(pipeId)
    const request = line(pipeId)
    const fixture = fixtureById(request.fixtureId)
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
        const to =
          index < option.parts.length ? ports[index]?.[option.parts[index]?.inPort ?? 0] : fixture?.port
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
      expect(option.parts.filter((part) => part.family.endsWith('stop'))).toHaveLength(1)
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
    expect(firstMethods(request)).toEqual(new Set(['push-fit', 'compression']))
  })

  it('a closed wall with the house rule against push-fit offers what remains', () => {
    const request = line('copper.l.1/2', { access: 'closed-wall' })
    expect(firstMethods(request)).toEqual(new Set(['sweat']))
    expect(refusal(request, 'push-fit')?.ruleId).toBe('house.push-fit-concealed')
    expect(refusal(request, 'compression')?.ruleId).toBe('access.closed-wall')
  })

  it('and where nothing remains, names the single condition to change', () => {
    const result = ask(line('copper.l.1/2', { access: 'closed-wall', flame: false }))
    expect(result.options).toEqual([])
    expect(result.remedies.map((remedy) => remedy.changes)).toEqual(
      expect.arrayContaining([['flame'], ['access'], ['push-fit-rule']]),
    )
    expect(result.remedies.every((remedy) => remedy.changes.length === 1)).toBe(true)
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

  const never: readonly [string, string, Partial<Conditions>, MethodId, string][] = [
    ['no push-fit on a scored end', 'copper.l.1/2', { scored: true }, 'push-fit', 'end.scored'],
    ['no compression out of round', 'copper.l.1/2', { outOfRound: true }, 'compression', 'end.out-of-round'],
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
    ['no compression on a bent end', 'copper.l.1/2', { faults: ['bent'] }, 'compression', 'end.bent'],
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
      { oldJoint: 'none', faults: ['ring-mark'] },
      'compression',
      'compression.second-ring',
    ],
    [
      'no push-fit where teeth have marked the stub',
      'copper.l.1/2',
      { oldJoint: 'none', faults: ['tooth-marks'] },
      'push-fit',
      'push-fit.tooth-marks',
    ],
    [
      'no push-fit on solder',
      'copper.l.1/2',
      { oldJoint: 'none', faults: ['solder-on'] },
      'push-fit',
      'push-fit.solder-left',
    ],
    ['no plastic near a heater', 'pex-a.sdr9.1/2', { nearHeater: true }, 'crimp', 'heater.plastic-near'],
    ['no sweating on CPVC', 'cpvc.sdr11.1/2', {}, 'sweat', 'method.not-on-this-pipe'],
    ['no cement on a wet line', 'cpvc.sdr11.1/2', { line: 'trickle' }, 'cement', 'line.not-dry'],
    [
      'no thread of one system in the other',
      'galvanised.40.1/2',
      { thread: 'BSP' },
      'threaded',
      'method.no-chain',
    ],
  ]
  it.each(never)('%s', (_name, pipeId, patch, method, ruleId) =>
    expect(refusal(line(pipeId, patch), method)?.ruleId).toBe(ruleId),
  )

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
      'lines: no pipe lead.1/2',
    ))
  it('says when the search was cut off', () => {
    const pipe = pipeById('copper.l.1/2')
    const fixture = fixtureById('faucet.shank.1/2')
    if (!pipe || !fixture) throw new Error('tables')
    expect(
      search(
        { pipe, fixture, conditions: PLAIN, settings: WELL_EQUIPPED, linesTogether: 1 },
        { kind: 'ways', k: 1 },
      ).truncated,
    ).toBe(false)
  })
})
