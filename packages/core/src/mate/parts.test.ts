import fc from 'fast-check'
import { BODY_KINDS } from '../assembly'
import { pairEngagement, pairs, portClass } from '../assembly/methods/pairs'
import { METHODS, methodById } from '../assembly/methods/table'
import { TOOL_IDS } from '../assembly/tools'
import { CATALOG, catalogueOf, end, type Fitting, fittingById, type PortEnd } from '../catalog'
import { PIPES } from '../reference'
import { mediumOf } from '../reference/materials'
import type { PipeMaterial } from '../reference/types'
import {
  consumableCents,
  consumablesOf,
  labourCents,
  methodBit,
  missingTools,
  partCents,
  riskCents,
  setUpCents,
} from './costs/costs'
import { STARTING_SETTINGS } from './index'
import { networkOf } from './model/network'
import { MOST_INSERTED_MM } from './model/problem'
import { judge } from './rules/rules'
import { Heap } from './search/heap'
import { PLAIN } from './test/problems'

describe('the heap', () => {
  it('gives back what it got, smallest first, equals in the order they came', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 })), (keys) => {
        const heap = new Heap<[number, number]>()
        keys.forEach((key, index) => {
          heap.push(key, [key, index])
        })
        const out: [number, number][] = []
        for (let item = heap.pop(); item; item = heap.pop()) out.push(item)
        const expected = keys
          .map((key, index): [number, number] => [key, index])
          .sort((a, b) => a[0] - b[0] || a[1] - b[1])
        expect(out).toEqual(expected)
        expect(heap.size).toBe(0)
      }),
    ))
})

describe('ends that join', () => {
  const ends = CATALOG.flatMap((fitting) => fitting.ports)
  const classes = [...new Map(ends.map((end) => [portClass(end), end])).values()]

  it('never across systems or sizes, always the same from both sides', () => {
    const names = (a: PortEnd, b: PortEnd) =>
      pairs(a, b)
        .map((pair) => pair.method.id)
        .sort()
        .join()
    for (const a of classes)
      for (const b of classes) {
        const there = pairs(a, b)
        if (there.length === 0) continue
        // a plain riser in its stop, and a washered nut on a taper thread of the same form, go by two names
        const told = there.some((pair) => pair.method.pairings.some((pairing) => pairing.systems))
        expect([
          portClass(a),
          portClass(b),
          (a.system === b.system || told) && a.nominal === b.nominal,
        ]).toEqual([portClass(a), portClass(b), true])
        expect(names(a, b)).toBe(names(b, a))
        // what is screwed onto a flange lies on it
        for (const pair of there)
          if (!/screwed$/.test(pair.method.id)) expect(pairEngagement(pair).maxMm).toBeGreaterThan(0)
      }
  })

  it('take no more of a length than what is counted as long enough allows for, old pipe among them', () => {
    const old = PIPES.map(({ system, nominal, material }) => end('tube', system, nominal, material))
    const most = [...classes, ...old].flatMap((a) =>
      classes.flatMap((b) => pairs(a, b).map((pair) => pairEngagement(pair).minMm)),
    )
    expect(most.length).toBeGreaterThan(1000)
    expect(Math.max(...most)).toBeLessThanOrEqual(MOST_INSERTED_MM)
  })

  it('of one class are joined and judged alike, whatever they are made of', () => {
    const made = (['brass', 'copper', 'stainless', 'galvanised-steel', 'cpvc'] as const).map((material) =>
      classes.map(
        (end): PortEnd => ({
          ...end,
          material,
          // a thread is of a drain by what it is made of
          medium: end.form.startsWith('taper') ? mediumOf(material as PipeMaterial) : end.medium,
        }),
      ),
    )
    const alike = made.flat().filter((end) => classes.some((other) => portClass(other) === portClass(end)))
    const twins = new Map<string, PortEnd[]>()
    for (const end of alike) twins.set(portClass(end), [...(twins.get(portClass(end)) ?? []), end])
    const joined = alike.flatMap((a) =>
      alike.filter((b) => b.nominal === a.nominal && pairs(a, b).length > 0).map((b) => [a, b] as const),
    )
    const conditions = fc.record({
      service: fc.constantFrom('hot' as const, 'cold' as const),
      access: fc.constantFrom('reachable' as const, 'closed-wall' as const, 'buried' as const),
      flame: fc.boolean(),
      nearHeater: fc.boolean(),
      sunlight: fc.boolean(),
      codeProfile: fc.constantFrom('IPC' as const, 'EN' as const),
      route: fc.constantFrom('stop' as const, 'spout' as const, 'flexible' as const, 'any' as const),
      run: fc.constantFrom(null, 'copper' as const, 'galvanised-steel' as const, 'pex-b' as const),
      beforeStop: fc.boolean(),
    })
    const say = (
      a: PortEnd,
      b: PortEnd,
      place: typeof conditions extends fc.Arbitrary<infer T> ? T : never,
    ) =>
      pairs(a, b).map(({ method, tip, body }) => {
        const verdict = judge({
          method,
          tip,
          body,
          start: null,
          begins: false,
          beforeStop: place.beforeStop,
          route: place.route,
          run: place.run,
          own: new Set(['copper', 'steel']),
          needsStubMm: 0,
          conditions: { ...PLAIN, ...place },
          settings: { ...STARTING_SETTINGS, codeProfile: place.codeProfile },
        })
        return [method.id, verdict.forbidden, verdict.remarks, verdict.riskPerMille]
      })
    fc.assert(
      fc.property(fc.constantFrom(...joined), conditions, ([a, b], place) => {
        for (const twin of twins.get(portClass(a)) ?? [])
          expect(say(twin, b, place)).toEqual(say(a, b, place))
      }),
      { numRuns: 2000 },
    )
  })

  it('1/2 NPT and 1/2 BSP have the same pitch and do not join', () => {
    const npt = ends.find(
      (end) => end.form === 'taper-female' && end.system === 'NPT' && end.nominal === '1/2',
    ) as PortEnd
    const bsp = ends.find(
      (end) => end.form === 'taper-male' && end.system === 'BSP' && end.nominal === '1/2',
    ) as PortEnd
    expect(pairs(npt, bsp)).toEqual([])
  })

  it('22 mm and 3/4 in are near and do not join', () => {
    const metric = ends.find((end) => end.form === 'push-fit' && end.nominal === '22') as PortEnd
    const inch = ends.find((end) => end.form === 'tube' && end.nominal === '3/4') as PortEnd
    expect(Math.abs(metric.diameterMm - inch.diameterMm)).toBeLessThan(0.3)
    expect(pairs(metric, inch)).toEqual([])
  })

  it('are all found by what may follow an end', () => {
    const network = networkOf()
    for (const open of classes.slice(0, 60)) {
      const direct = catalogueOf('supply')
        .filter((fitting) => fitting.ports.slice(0, 2).some((port) => pairs(open, port).length > 0))
        .map((fitting) => fitting.id)
      const found = network
        .follow(network.classOf(open))
        .flatMap((group) => group.parts.map((part) => part.id))
      expect([...new Set(found)].sort()).toEqual([...direct].sort())
    }
  })

  it('use every pairing of every method: none is a dead letter, but polybutylene and steel at the stub', () => {
    for (const method of METHODS)
      for (const { tip, body } of method.pairings) {
        // what stays of an old drain is a body too
        const kept = ['hub', 'broken-flange'].includes(body)
        const made =
          kept ||
          [...ends, ...BODY_KINDS.flatMap(({ ports }) => ports.flatMap((port) => port.ends))].some(
            (end) => end.form === body,
          )
        expect([method.id, tip, body, made]).toEqual([method.id, tip, body, true])
      }
  })
})

describe('what things cost', () => {
  it('is whole cents, rounded up, never less than nothing', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100_000 }),
        fc.integer({ min: 0, max: 50_000 }),
        (seconds, rate) => {
          const cents = labourCents(seconds, { ...STARTING_SETTINGS, labourCentsPerHour: rate })
          expect(Number.isInteger(cents)).toBe(true)
          expect(cents * 3600).toBeGreaterThanOrEqual(seconds * rate)
          expect((cents - 1) * 3600).toBeLessThan(seconds * rate)
        },
      ),
    ))
  it('an hour costs an hour', () =>
    expect(labourCents(3600, STARTING_SETTINGS)).toBe(STARTING_SETTINGS.labourCentsPerHour))
  it('a certain call-back costs a call-back', () =>
    expect(riskCents(1000, STARTING_SETTINGS)).toBe(STARTING_SETTINGS.callBackCents))
  it('the shop’s own price goes before the family’s', () => {
    const stop = CATALOG.find((fitting) => fitting.family === 'angle-stop')
    if (!stop) throw new Error('no stop')
    expect(partCents(stop, STARTING_SETTINGS)).toBeGreaterThan(7)
    expect(partCents(stop, { ...STARTING_SETTINGS, priceCents: { [stop.id]: 7 } })).toBe(7)
  })
  it.each([
    // cheap to dear, as on every counter: drawn tube, rings and bars, collars; small before large
    ['coupling.cxc.1/2', 'coupling.pressxpress.1/2', 'coupling.pushxpush.1/2', 'coupling.pushxpush.3/4'],
    ['tee.barbxbarbxbarb.1/2', 'tee.pressxpressxpress.1/2', 'tee.pushxpushxpush.1/2'],
    ['coupling.fxf.galv.npt.1/2', 'coupling.fxf.brass.npt.1/2', 'reducer.fxf.brass.npt.3/4x1/2'],
    ['tube.pex-b.1/2', 'tube.copper.1/2', 'tube.copper.3/4', 'tube.copper.1'],
  ])('%s costs less than %s', (...ids) => {
    const cents = ids.map((id) => partCents(fittingById(id as string) as Fitting, STARTING_SETTINGS))
    expect(cents).toEqual([...new Set(cents)].sort((a, b) => a - b))
    // all of a family follow its price
    const dear = ids.map((id) => {
      const part = fittingById(id as string) as Fitting
      const familyPriceCents = { [part.family]: 10 * (STARTING_SETTINGS.familyPriceCents[part.family] ?? 0) }
      return partCents(part, { ...STARTING_SETTINGS, familyPriceCents })
    })
    dear.forEach((price, at) => {
      expect(price).toBeGreaterThan(cents[at] ?? 0)
    })
  })
  it('a tool that is not aboard is paid once, with the set-up of what it is for', () => {
    const aboard = { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS }
    const without = { ...aboard, toolsAboard: TOOL_IDS.filter((tool) => tool !== 'cinch-tool') }
    const mask = methodBit('cinch') | methodBit('threaded')
    expect(setUpCents(mask, without) - setUpCents(mask, aboard)).toBe(
      STARTING_SETTINGS.toolCents?.['cinch-tool'],
    )
    expect(setUpCents(methodBit('threaded'), without)).toBe(setUpCents(methodBit('threaded'), aboard))
    // the shop's own figure goes before
    expect(setUpCents(mask, { ...without, toolCents: { 'cinch-tool': 1 } }) - setUpCents(mask, aboard)).toBe(
      1,
    )
  })
  it('set-up is paid once for each method opened', () => {
    const [a, b] = [methodBit('sweat'), methodBit('threaded')]
    expect(setUpCents(a | b, STARTING_SETTINGS)).toBe(
      setUpCents(a, STARTING_SETTINGS) + setUpCents(b, STARTING_SETTINGS),
    )
    expect(setUpCents(a | a, STARTING_SETTINGS)).toBe(setUpCents(a, STARTING_SETTINGS))
    expect(setUpCents(0, STARTING_SETTINGS)).toBe(0)
    // a can of cement is opened once, and paid with the set-up
    expect(setUpCents(methodBit('cement'), STARTING_SETTINGS)).toBe(
      labourCents(methodById('cement').setUpSeconds, STARTING_SETTINGS) +
        (STARTING_SETTINGS.consumableCents['cpvc-cement'] ?? 0),
    )
  })
  it('the thread’s seal follows the house', () => {
    const threaded = methodById('threaded')
    const taken = (threadSeal: 'tape' | 'paste' | 'tape-then-paste') =>
      consumablesOf(threaded, {
        ...STARTING_SETTINGS,
        houseRules: { ...STARTING_SETTINGS.houseRules, threadSeal },
      }).map(({ id }) => id)
    expect(taken('tape')).toEqual(['ptfe-tape'])
    expect(taken('paste')).toEqual(['thread-paste'])
    expect(taken('tape-then-paste')).toEqual(['ptfe-tape', 'thread-paste'])
    expect(consumableCents(threaded, STARTING_SETTINGS)).toBe(35)
  })
  it('knows which tools are not aboard', () =>
    expect(missingTools(['torch', 'expander'], { ...STARTING_SETTINGS, toolsAboard: ['torch'] })).toEqual([
      'expander',
    ]))
})

describe('a piece of tube', () => {
  it('is never so short that what it goes into at one end meets what it goes into at the other', () => {
    const ends = new Map(
      CATALOG.flatMap(({ ports }) => ports).map((port) => [portClass(port), port] as const),
    )
    let seen = 0
    for (const { id, family, ports, lengthMm } of CATALOG) {
      const [tip] = ports
      if (family !== 'tube-piece' || !tip) continue
      const depths = [...ends.values()].flatMap((body) =>
        pairs(tip, body).map((pair) => pairEngagement(pair).maxMm),
      )
      const deepest = Math.max(0, ...depths)
      seen += depths.length
      expect([id, (lengthMm?.min ?? 0) >= 2 * deepest - 1e-9]).toEqual([id, true])
    }
    expect(seen).toBeGreaterThan(150)
  })
})
