import fc from 'fast-check'
import { fittingById } from '../catalog/families'
import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import type { MateOption } from '../mate/types'
import { evenly } from '../test/evenly'
import { type Dimension, layOut } from './layout'
import type { StationId } from './stations'
import { CUTTING_ERROR_MM, measuringErrorMm } from './tolerance'
import { add, cross, dot, length, minus, rotate, scale, unit, type Vec3 } from './vector'

const optionsOf = (...args: Parameters<typeof line>): readonly MateOption[] =>
  mate({ lines: [line(...args)], settings: WELL_EQUIPPED, k: 30 }).lines[0]?.options ?? []

/** Ways that pipe has to be cut for: straight, round a corner, with a valve between two pieces, threaded, cemented. */
const WAYS: readonly MateOption[] = [
  ...optionsOf('copper.l.1/2', { turn: 90 }),
  ...optionsOf('copper.l.1/2', { turn: 90, access: 'closed-wall' }),
  ...optionsOf('copper.regular.15mm', { access: 'reachable' }, 'tap.tail.1/2'),
  ...optionsOf('galvanised.40.1/2', { turn: 45 }, 'washer.hose'),
  ...optionsOf('cpvc.sdr11.1/2', { flame: false }),
].filter(({ parts }) => parts.some(({ family }) => family === 'tube-piece'))

/** A turn that takes one direction to another, and some more about it: for putting a part onto what was laid before. */
function turning(from: Vec3, to: Vec3, roll: number): (v: Vec3) => Vec3 {
  const axis = cross(from, to)
  const some: Vec3 = Math.abs(to[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]
  const [about, angle] =
    length(axis) > 1e-9
      ? [unit(axis), Math.atan2(length(axis), dot(from, to))]
      : [unit(cross(to, some)), dot(from, to) > 0 ? 0 : Math.PI]
  return (v) => rotate(rotate(v, about, angle), to, roll)
}

/** Where every place of a chain lies in space, its pieces that long, placed part by part by the poses of their ends. */
function place(
  option: MateOption,
  pieces: ReadonlyMap<number, number>,
  from: { readonly at: Vec3; readonly along: Vec3; readonly roll: number; readonly stubMm: number },
): Map<StationId, Vec3> {
  let { at, along } = from
  const places = new Map<StationId, Vec3>([
    ['wall', minus(at, scale(along, from.stubMm))],
    ['stub', at],
  ])
  for (const joint of option.joints) {
    at = minus(at, scale(along, joint.maxMm))
    const chosen = option.parts[joint.to]
    const fitting = chosen && fittingById(chosen.fittingId)
    if (!chosen || !fitting) {
      places.set('tail', at)
      break
    }
    if (fitting.family === 'supply-connector') break
    places.set(`part:${joint.to}:in`, at)
    const known = pieces.get(joint.to)
    if (known !== undefined) at = add(at, scale(along, known))
    else {
      const [a, b] = [fitting.ports[chosen.inPort], fitting.ports[chosen.outPort]]
      if (!a) throw new Error(`${fitting.id} has no way in`)
      const turn = turning(a.pose.axis as Vec3, scale(along, -1), from.roll)
      const centre = minus(at, turn(a.pose.origin as Vec3))
      places.set(`part:${joint.to}:centre`, centre)
      if (!b) break
      at = add(centre, turn(b.pose.origin as Vec3))
      along = turn(b.pose.axis as Vec3)
    }
    places.set(`part:${joint.to}:out`, at)
  }
  return places
}

const direction = fc
  .tuple(evenly(-1, 1), evenly(-1, 1), fc.constantFrom(-1, 1))
  .map(([x, y, z]): Vec3 => unit([x, y, z]))
const laid = fc.record({
  option: fc.constantFrom(...WAYS),
  seed: fc.array(evenly(60, 1500), { minLength: 6, maxLength: 6 }),
  along: direction,
  roll: evenly(0, 6),
  stubMm: evenly(20, 200),
})

describe('a line that is laid out', () => {
  it('has ways to try it on', () => {
    expect(WAYS.length).toBeGreaterThan(30)
    const pieces = WAYS.map(({ parts }) => parts.filter(({ family }) => family === 'tube-piece').length)
    expect(Math.max(...pieces)).toBeGreaterThan(1)
  })

  it('gives back every piece from what a tape reads at the places it asks for, however it lies in space', () =>
    fc.assert(
      fc.property(laid, ({ option, seed, along, roll, stubMm }) => {
        const tubes = option.parts.flatMap(({ family }, index) => (family === 'tube-piece' ? [index] : []))
        const truth = new Map(tubes.map((index, at) => [index, seed[at % seed.length] as number]))
        const places = place(option, truth, { at: [100, -40, 7], along, roll, stubMm })
        const dimensions: Dimension[] = []
        const ask = { chain: option, stubMm, dimensions }
        let found = layOut(ask)
        const wanted = found.asks.length
        for (let turn = 0; turn < 20; turn++) {
          const next = found.asks.find(({ why }) => why !== 'reach')
          if (!next) break
          const [a, b] = [places.get(next.from) as Vec3, places.get(next.to) as Vec3]
          dimensions.push({ id: `d${turn}`, from: next.from, to: next.to, mm: length(minus(a, b)) })
          found = layOut(ask)
        }
        // as many as there are pieces: none is asked for in vain
        expect(dimensions.length).toBe(tubes.length)
        expect(wanted - tubes.length).toBe(option.parts.some((p) => p.family === 'supply-connector') ? 1 : 0)
        expect(found.contradictions).toEqual([])
        for (const { part, cutMm, sawMm, windowMm } of found.pieces) {
          expect(cutMm).toBeCloseTo(truth.get(part) as number, 6)
          const bends = option.parts[part]?.fittingId.startsWith('tube.pex')
          if (bends) expect(sawMm).toBeGreaterThan(cutMm as number)
          else expect(sawMm).toBeLessThanOrEqual(cutMm as number)
          expect(sawMm).toBeGreaterThanOrEqual((windowMm as [number, number])[0])
        }
        // every distance along the line is the one in space
        for (const one of found.stations)
          for (const other of found.stations) {
            if (one.leg !== other.leg) continue
            const apart = length(minus(places.get(one.id) as Vec3, places.get(other.id) as Vec3))
            expect(Math.abs((one.fromLegMm as number) - (other.fromLegMm as number))).toBeCloseTo(apart, 6)
          }
      }),
    ))

  it('closes where it says it is sure, whatever tape and saw may be off', () => {
    let sureOnes = 0
    const error = evenly(-1, 1)
    fc.assert(
      fc.property(
        laid,
        fc.constantFrom('tape' as const, 'rule' as const, 'caliper' as const),
        fc.array(error, { minLength: 8, maxLength: 8 }),
        ({ option, seed, along, roll, stubMm }, measurer, errors) => {
          const tubes = option.parts.flatMap(({ family }, index) => (family === 'tube-piece' ? [index] : []))
          const truth = new Map(tubes.map((index, at) => [index, seed[at % seed.length] as number]))
          const places = place(option, truth, { at: [0, 0, 0], along, roll, stubMm })
          const dimensions = tubes.map((index, at): Dimension => {
            const [from, to] = [`part:${index}:in`, `part:${index}:out`] as [StationId, StationId]
            const true_ = length(minus(places.get(from) as Vec3, places.get(to) as Vec3))
            const off = (errors[at] as number) * measuringErrorMm(measurer, true_)
            return { id: `d${index}`, from, to, mm: true_ + off, measurer }
          })
          const { pieces } = layOut({ chain: option, stubMm, dimensions })
          for (const { part, sawMm, sure, windowMm } of pieces) {
            if (!sure || sawMm === null || windowMm === null) continue
            sureOnes++
            const cut = sawMm + (errors[7] as number) * CUTTING_ERROR_MM['tube-cutter']
            const home = truth.get(part) as number
            const slack = windowMm[1] - windowMm[0]
            // never so short that a joint is under its least
            expect(cut).toBeGreaterThanOrEqual(home - slack - 1e-6)
            // what does not bow is never too long to go in
            if (!option.parts[part]?.fittingId.startsWith('tube.pex'))
              expect(cut).toBeLessThanOrEqual(home + 1e-6)
          }
        },
      ),
      { numRuns: 200 },
    )
    expect(sureOnes).toBeGreaterThan(50)
  })

  it('notices measurements that cannot all be true, and says by how much', () =>
    fc.assert(
      fc.property(laid, evenly(30, 90), ({ option, seed, along, roll, stubMm }, wrong) => {
        const tubes = option.parts.flatMap(({ family }, index) => (family === 'tube-piece' ? [index] : []))
        const truth = new Map(tubes.map((index, at) => [index, seed[at % seed.length] as number]))
        const places = place(option, truth, { at: [0, 0, 0], along, roll, stubMm })
        const first = tubes[0] as number
        const measured = (id: string, from: StationId, to: StationId, more = 0): Dimension => ({
          id,
          from,
          to,
          mm: length(minus(places.get(from) as Vec3, places.get(to) as Vec3)) + more,
        })
        const dimensions = [
          measured('a', `part:${first}:in`, `part:${first}:out`),
          measured('b', `part:${first}:in`, `part:${first}:out`, wrong),
        ]
        const found = layOut({ chain: option, stubMm, dimensions })
        expect(found.contradictions).toMatchObject([
          { dimensions: ['a', 'b'], reason: { ruleId: 'layout.contradiction' } },
        ])
        expect(found.contradictions[0]?.reason.parameters.offMm).toBeCloseTo(wrong, 6)
      }),
      { numRuns: 40 },
    ))

  it('refuses a piece that has no room, by how much it lacks', () => {
    const option = WAYS.find(
      ({ parts }) =>
        parts[0]?.family === 'isolating-valve' && parts[1]?.family === 'tube-piece' && parts.length === 3,
    ) as MateOption
    const marks = layOut({ chain: option, stubMm: 50, dimensions: [] }).pieces[0]?.marksMm as [number, number]
    // two mouths that stand one millimetre apart leave room for what goes in and no more; less than nothing is none
    const at = (mm: number) =>
      layOut({
        chain: option,
        stubMm: 50,
        dimensions: [{ id: 'd', from: 'part:1:in', to: 'part:1:out', mm }],
      }).pieces[0]
    expect(at(marks[0] + marks[1] + 1)?.reason?.ruleId).not.toBe('cut.too-close')
    expect(at(marks[0] + marks[1] - 4)).toMatchObject({
      cutMm: null,
      reason: { ruleId: 'cut.too-close', parameters: { shortMm: expect.closeTo(4, 6) } },
    })
  })

  it('names a place that the line does not have, and two that no straight tape joins', () => {
    const bent = WAYS.find(({ parts }) => parts.some(({ family }) => family === 'elbow-90')) as MateOption
    const elbow = bent.parts.findIndex(({ family }) => family === 'elbow-90')
    const ask = (to: StationId) =>
      layOut({ chain: bent, stubMm: 50, dimensions: [{ id: 'd', from: 'stub', to, mm: 300 }] }).unused
    expect(ask('part:9:in')).toMatchObject([
      { dimension: 'd', reason: { ruleId: 'layout.no-place', parameters: { place: 'part:9:in' } } },
    ])
    expect(ask(`part:${elbow + 1}:out`)).toMatchObject([
      { dimension: 'd', reason: { ruleId: 'layout.bends' } },
    ])
    expect(ask(`part:${elbow}:centre`)).toEqual([])
  })

  it('weighs what a tape and a cut may be off against what the joints give', () => {
    for (const option of WAYS) {
      const tube = option.parts.findIndex(({ family }) => family === 'tube-piece')
      const dimensions = [{ id: 'd', from: `part:${tube}:in`, to: `part:${tube}:out`, mm: 400 }] as const
      const found = layOut({ chain: option, stubMm: 50, dimensions }).pieces.find(({ part }) => part === tube)
      const slack = option.joints
        .filter(({ from, to }) => from === tube || to === tube)
        .reduce((sum, { minMm, maxMm }) => sum + maxMm - minMm, 0)
      // Directive 2014/32/EU, class II at up to 1 m: 0.3 + 0.2 mm; half a sixteenth at each end; a wheel's 0.5 mm
      expect(found?.offMm).toBeCloseTo(0.5 + 0.8 + 0.5, 9)
      const bends = option.parts[tube]?.fittingId.startsWith('tube.pex')
      expect(found?.sure).toBe(bends || slack >= 2 * 1.8)
      expect(found?.again).toBe(found?.sure ? null : 'd')
    }
  })
})

describe('what is asked and what is in doubt', () => {
  const [way] = WAYS as readonly [MateOption]
  const begins = (stubMm: number | null) =>
    new Set(WAYS.flatMap((chain) => layOut({ chain, stubMm, dimensions: [] }).asks.map(({ from }) => from)))
  it('is measured from the wall where the stub stands out of one that is known, else from the end of the stub', () => {
    expect([...begins(50)].filter((from) => ['wall', 'stub'].includes(from))).toEqual(['wall'])
    expect([...begins(null)].filter((from) => ['wall', 'stub'].includes(from))).toEqual(['stub'])
  })

  it('names the reading that a piece follows from, and the one to take again where it cannot be', () => {
    const tube = way.parts.findIndex(({ family }) => family === 'tube-piece')
    const read = (mm: number) =>
      layOut({
        chain: way,
        stubMm: 50,
        dimensions: [{ id: 'read', from: `part:${tube}:in`, to: `part:${tube}:out`, mm }],
      }).pieces.find(({ part }) => part === tube)
    expect(read(400)).toMatchObject({ follows: ['read'], cutMm: expect.any(Number) })
    // nearer than both ends go in
    expect(read(5)).toMatchObject({
      cutMm: null,
      follows: ['read'],
      again: 'read',
      reason: { ruleId: 'cut.too-close', parameters: { measuredMm: 5 } },
    })
  })
})

describe('the reach of a connector', () => {
  const option = optionsOf('copper.l.1/2', { reachMm: 250 }).find(
    ({ parts }) => parts.at(-1)?.family === 'supply-connector',
  ) as MateOption
  const stop = option.parts.length - 2
  it.each([
    // a 12 in connector with an inch of slack spans 11 in; a class II tape there may be off by 0.5 + 0.8 mm
    [10.5 * 25.4, 'fits'],
    [11 * 25.4, 'perhaps'],
    [11.5 * 25.4, 'out'],
  ])('%p mm: %s', (mm, verdict) => {
    const { reach, asks } = layOut({
      chain: option,
      stubMm: 40,
      dimensions: [{ id: 'r', from: `part:${stop}:out`, to: 'tail', mm }],
    })
    expect(reach?.lengthMm).toBeCloseTo(12 * 25.4, 6)
    expect(reach?.verdict).toBe(verdict)
    expect(asks).toEqual([])
  })

  const atHeaters = (
    [
      ['pex-a.sdr9.3/4', {}],
      ['copper.l.3/4', { turn: 90 }],
      ['cpvc.sdr11.3/4', {}],
    ] as const
  )
    .flatMap(([pipe, patch]) => optionsOf(pipe, patch, 'heater.nipple.3/4'))
    .filter(({ parts }) => parts.at(-1)?.family === 'supply-connector')

  it('lets what leads up to a hose be as long as both ends of its pieces take and the hose spans, and no other', () => {
    let ranges = 0
    for (const option of atHeaters)
      for (const wholeMm of [null, 500, 900]) {
        const whole = { id: 'whole', from: 'stub', to: 'tail' } as const
        const dimensions = wholeMm === null ? [] : [{ ...whole, mm: wholeMm }]
        const { asks, legs } = layOut({ chain: option, stubMm: 40, dimensions })
        const free = asks.find(({ anyMm }) => anyMm)
        if (!free?.anyMm || legs.some(({ pieces }) => pieces.length > 1)) continue
        ranges++
        const [least, most] = free.anyMm
        const upTo = (mm: number) =>
          layOut({
            chain: option,
            stubMm: 40,
            dimensions: [...dimensions, { id: 'up to', from: free.from, to: free.to, mm }],
          })
        const faultsAt = (mm: number) => {
          const { pieces, reach, contradictions } = upTo(mm)
          return [
            ...contradictions.map(() => 'the hose would have to go back'),
            ...(reach?.verdict === 'out' ? ['the hose is pulled tight'] : []),
            ...pieces.flatMap(({ part, cutMm }) => {
              const { min = 0 } = fittingById(option.parts[part]?.fittingId ?? '')?.lengthMm ?? {}
              return cutMm === null || cutMm < min - 0.01 ? [`piece ${part} is no piece`] : []
            }),
          ]
        }
        expect([option.id, wholeMm, faultsAt(least + 0.1)]).toEqual([option.id, wholeMm, []])
        // whatever it is off, the hose takes up: it is sawn as it is, and nothing is measured again
        for (const { part, cutMm, sawMm, sure, again, reason } of upTo(least + 5).pieces)
          if (legs.at(-1)?.pieces.includes(part))
            expect({ sure, again, reason, sawMm }).toEqual({
              sure: true,
              again: null,
              reason: null,
              sawMm: cutMm,
            })
        expect([option.id, wholeMm, faultsAt(Math.max(1, least - 40)).length > 0]).toEqual([
          option.id,
          wholeMm,
          true,
        ])
        if (wholeMm !== null) {
          expect([option.id, faultsAt((most ?? 0) - 0.1)]).toEqual([option.id, []])
          expect([option.id, faultsAt((most ?? 0) + 3)]).toEqual([
            option.id,
            ['the hose would have to go back'],
          ])
        } else expect(most).toBeNull()
      }
    expect(ranges).toBeGreaterThan(10)
  })

  it('where the whole way from the old end was measured, is what the parts placed in space leave of it', () => {
    expect(atHeaters.some(({ parts }) => parts.some(({ family }) => family === 'tube-piece'))).toBe(true)
    expect(atHeaters.some(({ parts }) => parts.every(({ family }) => family !== 'tube-piece'))).toBe(true)
    let cut = 0
    for (const option of atHeaters) {
      const pieces = new Map(
        option.parts.flatMap(({ family }, index) => (family === 'tube-piece' ? [[index, 150 + index]] : [])),
      )
      const places = place(option, pieces, { at: [0, 0, 0], along: [1, 0, 0], roll: 0.7, stubMm: 40 })
      const whole = { id: 'whole', from: 'stub', to: 'tail', mm: 900 } as const
      const { legs, ...first } = layOut({ chain: option, stubMm: 40, dimensions: [whole] })
      expect(first.unused).toEqual([])
      expect(first.asks.map(({ why }) => why)).not.toContain('reach')
      const apart = ({ begins, ends }: (typeof legs)[number]) =>
        length(minus(places.get(ends) as Vec3, places.get(begins) as Vec3))
      // a leg with one piece is measured from end to end, and one without has nothing to measure
      if (legs.some((leg) => leg.pieces.length > 1)) continue
      const measured = legs.flatMap((leg, index) =>
        leg.pieces.length === 0
          ? []
          : [{ id: `leg ${index}`, from: leg.begins, to: leg.ends, mm: apart(leg) } as const],
      )
      cut += measured.length
      if (measured.length > 0) expect(first.reach).toBeNull()
      const { reach } = layOut({ chain: option, stubMm: 40, dimensions: [whole, ...measured] })
      expect(reach?.needsMm).toBeCloseTo(900 + 25.4 - legs.reduce((sum, leg) => sum + apart(leg), 0), 6)
    }
    expect(cut).toBeGreaterThan(0)
  })

  it('is refused where the parts before it take more than the whole way', () => {
    const chain = atHeaters.find(({ parts }) => parts.every(({ family }) => family !== 'tube-piece'))
    if (!chain) throw new Error('no way without pipe')
    const whole = { id: 'whole', from: 'stub', to: 'tail', mm: 5 } as const
    const { reach, contradictions } = layOut({ chain, stubMm: 40, dimensions: [whole] })
    expect(reach).toBeNull()
    expect(contradictions.map(({ dimensions }) => dimensions)).toEqual([['whole']])
  })
})
