import fc from 'fast-check'
import { mouthOf } from '../assembly'
import { CATALOG, fittingById } from '../catalog'
import { mate } from './index'
import { bestTogether } from './test/bestTogether'
import { line, SMALL_CATALOGUE, STUBS, WELL_EQUIPPED } from './test/problems'
import type { LineRequest, MateSettings, RankedOption } from './types'

const LIMITS = { catalogue: SMALL_CATALOGUE, mostParts: 3 }
const pipes = STUBS.filter(({ nominal }) => ['1/2', '15'].includes(nominal)).map(({ id }) => id)

/** Vans where most parts are there once or twice, so that lines take them from each other. */
const vans = fc.record({
  labour: fc.integer({ min: 2000, max: 20_000 }),
  trip: fc.integer({ min: 5, max: 40 }),
  seed: fc.nat(9999),
  least: fc.integer({ min: 0, max: 1 }),
})
const shopOf = (
  { labour, trip, seed, least }: { labour: number; trip: number; seed: number; least: number },
  catalogue = SMALL_CATALOGUE,
): MateSettings => ({
  ...WELL_EQUIPPED,
  labourCentsPerHour: labour,
  tripMinutes: trip,
  partsAboard: Object.fromEntries(
    catalogue.map(({ id }, at) => [id, Math.max(least, ((at * 7919 + seed * 104_729) % 7) - 3)]),
  ),
})
const place = fc.record({
  pipe: fc.constantFrom(...pipes),
  flame: fc.boolean(),
  dry: fc.boolean(),
  stubMm: fc.option(fc.integer({ min: 20, max: 70 }), { nil: null }),
})
const lineOf = (
  { pipe, flame, dry, stubMm }: { pipe: string; flame: boolean; dry: boolean; stubMm: number | null },
  lineId: string,
): LineRequest => ({
  ...line(pipe, { flame, line: dry ? 'dry' : 'trickle', stubMm }),
  lineId,
})

describe('lines that share a van', () => {
  it('take no more pieces than are aboard, or the trip is paid: as by enumeration', () =>
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 3 }), vans, (places, van) => {
        const settings = shopOf(van)
        const lines = places.map((entry, at) => lineOf(entry, `${at}`))
        const { lines: alone, together } = mate({ lines, settings }, LIMITS)
        const listed = alone.map(({ options }) => options)
        expect(together?.totalCents ?? Number.POSITIVE_INFINITY).toBe(
          bestTogether(lines, settings, LIMITS, [], listed),
        )
      }),
      { numRuns: 6, seed: 7 },
    ))

  it('say what is short, by pieces', () => {
    const settings: MateSettings = {
      ...WELL_EQUIPPED,
      tripMinutes: 0,
      partsAboard: Object.fromEntries(CATALOG.map(({ id }) => [id, 1])),
    }
    const one = line('copper.l.1/2')
    const alone = mate({ lines: [one], settings })
    expect(alone.together?.short).toEqual({})
    const both = mate({ lines: [one, { ...one, lineId: 'hot' }], settings })
    const parts = both.lines.map(
      ({ options }, at) => options.find(({ id }) => id === both.together?.optionIds[at])?.parts ?? [],
    )
    const pieces = new Map<string, number>()
    for (const { fittingId } of parts.flat()) pieces.set(fittingId, (pieces.get(fittingId) ?? 0) + 1)
    expect(both.together?.short).toEqual(
      Object.fromEntries([...pieces].filter(([, count]) => count > 1).map(([id, count]) => [id, count - 1])),
    )
  })
})

describe('a body with several ports', () => {
  const valves = ['valve.combo.1/2', 'valve.combo.1/2', 'valve.female.1/2', 'valve.barb.1/2'] as const
  /** Without what spares a plumber the flame on copper, so that bodies are soldered. */
  const limits = {
    catalogue: SMALL_CATALOGUE.filter(({ id }) => !/push|press|cxf|\.comp/.test(id)),
    mostParts: 2,
  }
  const outlets = { spout: 'spout.thread.1/2', shower: 'arm.1/2' } as const

  it('is soldered or kept cool: hot, cold, spout and shower chosen as by enumeration', () => {
    let cooled = 0
    fc.assert(
      fc.property(
        // copper that may be soldered on one side, whatever there is on the other
        place.map((entry) => ({ ...entry, pipe: 'copper.l.1/2', flame: true, dry: true })),
        place,
        vans,
        fc.constantFrom(...valves),
        fc.boolean(),
        (a, b, van, kind, withSpout) => {
          const settings = shopOf(van)
          const to = { ...mouthOf(kind), bodyId: 'valve' }
          const lines: LineRequest[] = [
            { ...lineOf(a, 'hot'), to },
            { ...lineOf(b, 'cold'), to },
          ]
          if (withSpout)
            lines.push({
              lineId: 'spout',
              from: to,
              to: mouthOf(outlets.spout),
              conditions: lineOf(a, '').conditions,
            })
          const { lines: alone, together } = mate({ lines, settings }, limits)
          if (together?.cools.length) cooled++
          const listed = alone.map(({ options }) => options)
          expect(together?.totalCents ?? Number.POSITIVE_INFINITY).toBe(
            bestTogether(lines, settings, limits, [], listed),
          )
        },
      ),
      { numRuns: 20, seed: 11 },
    )
    expect(cooled).toBeGreaterThan(0)
  })
})

describe('a stop with two outlets', () => {
  const compression = {
    form: 'compression-outlet',
    system: 'UNF',
    nominal: '3/8',
    material: 'brass',
  } as const
  const catalogue = [...SMALL_CATALOGUE, ...CATALOG.filter(({ id }) => /^stop\.dual/.test(id))].filter(
    (part, at, all) => all.findIndex(({ id }) => id === part.id) === at,
  )
  const limits = {
    catalogue: [...catalogue, ...CATALOG.filter(({ id }) => /^connector\.comp1\/4/.test(id))],
    mostParts: 3,
  }
  const seconds = ['appliance.comp.3/8', 'appliance.comp.1/4'] as const

  it('feeds the second fixture from the outlet that it has', () => {
    let found = 0
    fc.assert(
      fc.property(place, vans, fc.constantFrom(...seconds), (entry, van, kind) => {
        const settings = shopOf(van, limits.catalogue)
        const trunk = lineOf(entry, 'hot')
        const lines: LineRequest[] = [
          { ...trunk, conditions: { ...trunk.conditions, outlets: 2 } },
          { lineId: 'second', branchOf: 'hot', to: mouthOf(kind), conditions: trunk.conditions },
        ]
        const open = new Map(
          limits.catalogue.flatMap(({ ports }) =>
            ports[2] ? [[JSON.stringify([ports[2].form, ports[2].nominal]), ports[2]] as const] : [],
          ),
        )
        const { together } = mate({ lines, settings }, limits)
        if (together) found++
        expect(together?.totalCents ?? Number.POSITIVE_INFINITY).toBe(
          bestTogether(lines, settings, limits, [...open.values()]),
        )
      }),
      { numRuns: 10, seed: 5 },
    )
    expect(found).toBeGreaterThan(3)
  })

  it('is offered only with an outlet that leads on, and the second line begins at the one that was chosen', () => {
    const trunk = line('copper.l.1/2', { outlets: 2 })
    const second: LineRequest = {
      lineId: 'second',
      branchOf: 'cold',
      to: mouthOf('appliance.comp.3/8'),
      conditions: line('copper.l.1/2').conditions,
    }
    const outlets = (asked: LineRequest) =>
      mate({ lines: [trunk, asked], settings: WELL_EQUIPPED, k: 12 }).lines.map(({ options }) => options)
    const third = (option: RankedOption) =>
      option.parts.flatMap(({ fittingId }) => fittingById(fittingId)?.ports[2]?.nominal ?? [])
    const [ways = [], behind = []] = outlets(second)
    expect(ways.length).toBeGreaterThan(1)
    expect(new Set(ways.flatMap(third))).toEqual(new Set(['3/8']))
    expect(behind.map(({ beginsAt }) => beginsAt?.nominal)).toEqual(behind.map(() => '3/8'))
    // asked about an outlet that leads nowhere, the first line is offered as ever
    const [any = [], none = []] = outlets({ ...second, opens: { ...compression, nominal: '1/4' } })
    expect(any).toEqual(ways)
    expect(none).toEqual([])
    expect(outlets({ ...second, opens: compression })[1]).toEqual(behind)
  })

  it('that nobody puts in feeds nothing, and a line that branches from none is named', () => {
    const trunk = line('copper.l.1/2')
    const second: LineRequest = {
      lineId: 'second',
      branchOf: 'cold',
      to: mouthOf('appliance.comp.3/8'),
      conditions: trunk.conditions,
    }
    const none = mate({ lines: [trunk, second], settings: WELL_EQUIPPED })
    expect(none.lines[1]?.options).toEqual([])
    expect(none.together).toBeNull()
    expect(() => mate({ lines: [second], settings: WELL_EQUIPPED })).toThrow('no-trunk {"id":"cold"}')
  })
})
