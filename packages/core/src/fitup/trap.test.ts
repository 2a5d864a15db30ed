import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { type TrapAsk, TUBULAR_TRAPS, type TubularTrap, trapFit } from './trap'

const IN = 25.4
const trap = TUBULAR_TRAPS.find(({ id }) => id === '1-1/2') as TubularTrap
const length = evenly
const asks: fc.Arbitrary<TrapAsk> = fc.record({
  trap: fc.constantFrom(...TUBULAR_TRAPS),
  // tenths and a bit: never exactly as far as a swing
  asideMm: fc.integer({ min: -1300, max: 1300 }).map((tenths) => tenths / 10 + 0.03),
  outMm: length(60, 600),
  stubOutMm: length(0, 80),
  drainMm: length(300, 900),
  stubMm: length(250, 700),
  pitch: fc.constantFrom(1 / 48, 0.02, 0),
})

/** Swings the bend through every tenth of a degree and keeps those that point the wall tube into the stub. */
function bySwinging(ask: TrapAsk) {
  const { trap } = ask
  for (const mostMm of [trap.armMm[1], ...trap.longerArmsMm]) {
    const [first] = bySwingingWith(ask, mostMm)
    if (first) return { ...first, longerArmMm: mostMm === trap.armMm[1] ? null : mostMm }
  }
  return undefined
}
function bySwingingWith(
  { trap: { swingMm, armMm, armInMm, grips }, asideMm, outMm, stubOutMm }: TrapAsk,
  mostMm: number,
) {
  const found: { legOutMm: number; least: number; most: number }[] = []
  const side = (angle: number) => asideMm + swingMm * Math.sin(angle)
  const steps = 3600
  for (let step = 0; step < steps; step++) {
    let [a, b] = [(step / steps) * 2 * Math.PI, ((step + 1) / steps) * 2 * Math.PI]
    if (side(a) === 0 ? false : side(a) * side(b) > 0) continue
    for (let halving = 0; halving < 60; halving++) {
      const middle = (a + b) / 2
      if (side(a) * side(middle) <= 0) b = middle
      else a = middle
    }
    const legOutMm = outMm + swingMm * Math.cos((a + b) / 2)
    // lengths of wall tube from its bend that end inside the nut and can be had
    // where a nut grips the pipe, that ends in it, and the nut has an inch of room before the wall
    if (grips) {
      const mouth = legOutMm - armMm[0]
      if (mouth >= 25) found.push({ legOutMm, least: mouth + armInMm[0], most: mouth + armInMm[1] })
      continue
    }
    const least = Math.max(legOutMm - stubOutMm + armInMm[0], armMm[0])
    const most = Math.min(legOutMm - stubOutMm + armInMm[1], mostMm)
    if (least <= most) found.push({ legOutMm, least, most })
  }
  return found.sort((x, y) => x.legOutMm - y.legOutMm)
}

describe('a tubular trap between drain and wall', () => {
  it('stands where swinging it through every angle finds it, or nowhere', () =>
    fc.assert(
      fc.property(asks, (ask) => {
        const found = trapFit(ask)
        const swung = bySwinging(ask)
        if (!found.ok && /^trap\.(high|deep)$/.test(found.reason.ruleId)) return
        expect(found.ok).toBe(swung !== undefined)
        if (!found.ok || !swung) return
        expect(found.legOutMm).toBeCloseTo(swung.legOutMm, 4)
        expect(found.armMm[0]).toBeCloseTo(swung.least, 4)
        expect(found.armMm[1]).toBeCloseTo(swung.most, 4)
        expect(found.longerArmMm).toBe(swung.longerArmMm)
      }),
      { numRuns: 400 },
    ))

  it('hangs together: drain, tailpiece, bend, wall tube and stub add up to the heights that were measured', () =>
    fc.assert(
      fc.property(asks, (ask) => {
        const found = trapFit(ask)
        if (!found.ok) return
        const fall = (found.legOutMm - ask.stubOutMm) * ask.pitch
        for (const [tail, inside] of [
          [found.tailMm[0], ask.trap.tailInMm[0]],
          [found.tailMm[1], ask.trap.tailInMm[1]],
        ] as const)
          expect(ask.drainMm - tail + inside - ask.trap.inletAboveMm - fall).toBeCloseTo(ask.stubMm, 6)
      }),
    ))

  // worked by hand: a 4 in swing 2.4 in aside leaves √(4² − 2.4²) = 3.2 in (a 3-4-5 triangle)
  const plain: TrapAsk = {
    trap,
    asideMm: 2.4 * IN,
    outMm: 8 * IN,
    stubOutMm: 1 * IN,
    drainMm: 22 * IN,
    stubMm: 18 * IN,
    pitch: 1 / 48,
  }
  it('2.4 in aside of a 4 in swing: the leg 3.2 in nearer the wall', () => {
    const found = trapFit(plain)
    expect(found).toMatchObject({ ok: true, leg: 'toward' })
    if (!found.ok) return
    expect(found.legOutMm / IN).toBeCloseTo(8 - 3.2, 9)
    expect(found.swingDegrees).toBeCloseTo((Math.asin(0.6) * 180) / Math.PI, 9)
    // 4.8 − 1 in to the nut, and half an inch to an inch and a half in it, as every slip joint
    expect(found.armMm[0] / IN).toBeCloseTo(4.3, 9)
    expect(found.armMm[1] / IN).toBeCloseTo(5.3, 9)
    // 22 − 18 − 3.8/48 − 1 in to the inlet, and as much in it
    expect(found.tailMm[0] / IN).toBeCloseTo(3 - 3.8 / 48 + 0.5, 9)
  })
  it.each<[string, Partial<TrapAsk>, string, number]>([
    ['half an inch too far aside', { asideMm: 4.5 * IN }, 'trap.aside', 0.5],
    ['too far from the wall', { outMm: 22 * IN, asideMm: 0 }, 'trap.far', 22 - 4 - 1 + 0.5 - 15],
    ['too near the wall', { outMm: 0, asideMm: 0, stubOutMm: 6 * IN }, 'trap.near', 2 - (4 - 6 + 1.5)],
    ['the stub too high', { drainMm: 18.5 * IN }, 'trap.high', 18 + 3.8 / 48 + 1 - 18.5],
  ])('%s is refused by that much', (_name, patch, ruleId, inches) => {
    const found = trapFit({ ...plain, ...patch })
    expect(found).toMatchObject({ ok: false, reason: { ruleId } })
    if (!found.ok) expect(Object.values(found.reason.parameters)[0]).toBeCloseTo(inches * IN, 6)
  })
  it('takes the tube that came with it where that reaches, else the shortest waste arm that does', () => {
    const at = (outIn: number) => {
      const found = trapFit({ ...plain, asideMm: 0, outMm: outIn * IN })
      return (
        found.ok && [
          found.longerArmMm && Math.round(found.longerArmMm / IN),
          found.notes.map(({ ruleId }) => ruleId),
        ]
      )
    }
    // four inches nearer the wall by its swing, an inch to the nut, half an inch in it: 7, 12 and 15 in reach 11-1/2 to 19-1/2
    expect([11.4, 11.6, 16.4, 16.6, 19.4].map(at)).toEqual([
      [null, []],
      [12, ['trap.longer-arm']],
      [12, ['trap.longer-arm']],
      [15, ['trap.longer-arm']],
      [15, ['trap.longer-arm']],
    ])
    expect(at(19.6)).toBe(false)
  })
  it('says what the tailpiece in hand lacks or has too much', () => {
    const at = (tailMm: number) => {
      const found = trapFit({ ...plain, tailMm })
      return found.ok ? found.tailChangeMm / IN : Number.NaN
    }
    const [least, most] = [3 - 3.8 / 48 + 0.5, 3 - 3.8 / 48 + 1.5]
    expect(at((least - 1) * IN)).toBeCloseTo(1, 9)
    expect(at(((least + most) / 2) * IN)).toBe(0)
    expect(at((most + 1.5) * IN)).toBeCloseTo(-1.5, 9)
  })
  // worked by hand: 90 mm of swing straight out from 250 mm, 80 more to the mouth of its nut, 25 to 33 mm in it
  const metric: TrapAsk = {
    trap: TUBULAR_TRAPS.find(({ id }) => id === '40') as TubularTrap,
    asideMm: 0,
    outMm: 250,
    stubOutMm: 0,
    drainMm: 560,
    stubMm: 500,
    pitch: 0.02,
  }
  it('a metric trap grips the pipe: that is cut from the wall, and the inlet drawn out by what is left', () => {
    const found = trapFit(metric)
    if (!found.ok) throw new Error(found.reason.ruleId)
    expect(found.armMm).toEqual([250 - 90 - 80 + 25, 250 - 90 - 80 + 33])
    // 60 less an inch to its inlet and the fall of 160 mm
    expect(found.tailMm[0]).toBeCloseTo(60 - IN - 160 * 0.02, 6)
    // the pipe that is there: as it is, sawn by what it has too much, or too short for this way
    const of = (pipeMm: number | null) => {
      const fit = trapFit({ ...metric, pipeMm })
      return fit.ok && fit.notes.map(({ ruleId, parameters }) => [ruleId, ...Object.values(parameters)])
    }
    expect([of(110), of(120), of(90), of(null)]).toEqual([
      [],
      [['trap.pipe-long', 120 - 113]],
      [['trap.pipe-short', 105 - 90]],
      [],
    ])
    const deep = trapFit({ ...metric, drainMm: 640 })
    expect(deep).toMatchObject({ ok: false, reason: { ruleId: 'trap.deep' } })
    if (!deep.ok) expect(Object.values(deep.reason.parameters)[0]).toBeCloseTo(140 - IN - 160 * 0.02 - 60, 6)
    // no room for the nut, neither towards the wall nor away from it
    expect(trapFit({ ...metric, outMm: 10 })).toMatchObject({ ok: false, reason: { ruleId: 'trap.near' } })
  })
  it('24 in from the outlet to the weir is the most', () => {
    const deep = trapFit({ ...plain, drainMm: 44 * IN })
    expect(deep.ok && deep.notes.map(({ ruleId }) => ruleId)).toEqual(['trap.drop'])
  })
})
