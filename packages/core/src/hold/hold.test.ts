import { AIR_KPA, type Happening, pressures } from './balance'
import { judgeHold } from './judge'
import { below } from './normal'
import { pipeStretch, pipework } from './pipework'
import { waterCompressibility, waterDensity, waterExpansion } from './water'

const STILL: Happening = {
  startKpa: 600,
  volumeMl: 2000,
  airMl: 0,
  warmsK: 0,
  warmsInS: 900,
  warmsAfterS: 1,
  creep: 0,
  settles: 0,
  settlesInS: 60,
  leak: 0,
  seep: 0,
  behindKpa: 400,
  seat: 0.5,
}
const COPPER = pipework([{ material: 'copper', outsideMm: 22.225, wallMm: 1.143, lengthMm: 6000 }])

describe('water', () => {
  // CRC Handbook, properties of water at one atmosphere
  it.each([
    [4, 999.975],
    [20, 998.207],
    [25, 997.048],
    [40, 992.216],
    [60, 983.196],
  ])('at %d °C weighs %d kg/m³', (t, density) => expect(waterDensity(t)).toBeCloseTo(density, 2))

  // the same: isothermal compressibility, millionths of a bar
  it.each([
    [0, 50.88],
    [20, 45.89],
    [25, 45.25],
    [45, 44.15],
  ])('at %d °C shrinks by %d millionths a bar', (t, millionths) =>
    expect(waterCompressibility(t) * 1e8).toBeCloseTo(millionths, 1),
  )

  it('is heaviest at 4 °C and grows by 207 millionths a degree at 20 °C', () => {
    expect(waterExpansion(3.98) * 1e6).toBeCloseTo(0, 0)
    expect(waterExpansion(20) * 1e6).toBeCloseTo(207, 0)
  })
})

describe('pipe', () => {
  it('gives as a thin closed tube does where it is thin: five quarters less the ratio', () => {
    const [outside, wall, modulus, poisson] = [100, 0.1, 1000, 0.3]
    const thin = (((outside - wall) / wall) * (1.25 - poisson)) / (modulus * 1000)
    expect(pipeStretch(outside, wall, modulus, poisson) / thin).toBeCloseTo(1, 2)
  })

  it('of several lengths holds the water of all, and gives as much as they do together', () => {
    const one = { material: 'copper', outsideMm: 22.225, wallMm: 1.143, lengthMm: 3000 } as const
    const other = { material: 'pex-b', outsideMm: 22.225, wallMm: 2.47, lengthMm: 5000 } as const
    const [a, b, both] = [pipework([one]), pipework([other]), pipework([one, other])]
    // Copper Tube Handbook: type L 3/4 holds 0.0251 gal a foot
    expect(a.volumeMl / ((3000 / 304.8) * 3785.4)).toBeCloseTo(0.0251, 4)
    expect(both.volumeMl).toBeCloseTo(a.volumeMl + b.volumeMl)
    expect(both.stretch * both.volumeMl).toBeCloseTo(a.stretch * a.volumeMl + b.stretch * b.volumeMl, 10)
    expect(both.plastic).toBeCloseTo(b.volumeMl / both.volumeMl)
    expect(b.stretch).toBeGreaterThan(20 * a.stretch)
    expect(() => pipework([])).toThrow(RangeError)
  })
})

describe('a shut line', () => {
  const times = [30, 60, 120, 300, 600]

  it('keeps its pressure where nothing happens', () =>
    expect([...pressures(COPPER, STILL, 15, times)]).toEqual(times.map(() => 600)))

  it('empties through a hole as the root falls in a straight line, if all that gives is straight', () => {
    const leak = 0.05
    const give = STILL.volumeMl * (waterCompressibility(15) + COPPER.stretch)
    const shown = pressures(COPPER, { ...STILL, leak }, 15, times)
    for (const [index, t] of times.entries()) {
      const root = Math.sqrt(600) - ((leak / 60 / Math.sqrt(600)) * t) / (2 * give)
      expect(Math.abs((shown[index] as number) - Math.max(0, root) ** 2)).toBeLessThan(2)
    }
  })

  it('with air loses what the gas law says when water runs out', () => {
    const airMl = 200
    const shown = pressures(COPPER, { ...STILL, airMl, leak: 1 }, 15, [60])
    const at = (kpa: number) => (airMl * AIR_KPA) / (kpa + AIR_KPA)
    const give = STILL.volumeMl * (waterCompressibility(15) + COPPER.stretch)
    // nearly a millilitre has run out: water, pipe and air have grown into its room
    const room = at(shown[0] as number) - at(600) + give * (600 - (shown[0] as number))
    expect(room).toBeCloseTo(Math.sqrt(((shown[0] as number) + 600) / 2 / 600), 2)
  })

  it('comes to stand where as much comes in as runs out', () => {
    const shown = pressures(COPPER, { ...STILL, leak: 10, seep: 20, seat: 0.5 }, 15, [600])
    // by the roots: 20² · (400 − p) = 10² · p
    expect(shown[0]).toBeCloseTo((400 * 400) / 500, 0)
  })

  it('of copper without air gains some 250 kPa with a degree', () => {
    const [kpa] = pressures(COPPER, { ...STILL, warmsK: 1, warmsInS: 10, warmsAfterS: 1 }, 20, [600])
    const grows = (waterExpansion(20) - COPPER.expansion) / (waterCompressibility(20) + COPPER.stretch)
    // it is warmed in ten seconds' time, by steps: a thirtieth
    expect(Math.abs((kpa as number) - 600 - grows) / grows).toBeLessThan(1 / 30)
    expect(grows).toBeGreaterThan(200)
    expect(grows).toBeLessThan(300)
  })
})

describe('the bell curve', () => {
  // tables of the normal distribution
  it.each([
    [0, 0.5],
    [1, 0.841344746],
    [-1.959964, 0.025],
    [-8, 6.22096e-16],
  ])('below %d', (z, share) => expect(below(z) / share).toBeCloseTo(1, 5))
})

describe('what a hold is judged by', () => {
  const PSI = 6.894757
  const asked = { line: COPPER, waterC: 15, stepKpa: PSI, streetKpa: 60 * PSI, stopProved: true }
  const log = (every: number, ...psi: number[]) =>
    psi.map((one, index) => ({ seconds: index * every, kpa: one * PSI }))

  it('a gauge that does not move for a quarter of an hour: it holds, and nothing moved it', () => {
    const judged = judgeHold({ ...asked, readings: log(180, 100, 100, 100, 100, 100, 100) })
    expect(judged).toMatchObject({ verdict: 'holds', cause: 'nothing', readOnS: null })
    expect(judged.fittedKpa).toHaveLength(6)
    for (const kpa of judged.fittedKpa) expect(kpa / PSI).toBeCloseTo(100, 0)
  })

  it('one that is empty at the first look: it leaks, at least so much, and nobody says how much', () => {
    const judged = judgeHold({ ...asked, readings: log(60, 100, 0, 0, 0) })
    expect(judged.verdict).toBe('leaks')
    expect(judged.leakMl[1] / judged.leakMl[0]).toBeGreaterThan(5)
  })

  it('one that climbs towards the street: the stop is blamed, and not where it was proved', () => {
    const readings = log(120, 30, 41, 48, 53, 56, 58, 59, 59)
    expect(judgeHold({ ...asked, stopProved: false, readings })).toMatchObject({ cause: 'seep' })
    const proved = judgeHold({ ...asked, readings })
    expect(proved.seep).toBeLessThan(judgeHold({ ...asked, stopProved: false, readings }).seep)
  })

  it('a long soft line that falls decides nothing in three minutes, and it says how long to go on', () => {
    const line = pipework([{ material: 'pex-a', outsideMm: 28.575, wallMm: 3.175, lengthMm: 25_000 }])
    const judged = judgeHold({ ...asked, line, readings: log(90, 100, 90, 82) })
    expect(judged.verdict).toBe('undecided')
    expect(judged.readOnS).toBeGreaterThan(300)
  })

  it('what is no log is refused', () => {
    expect(() => judgeHold({ ...asked, readings: log(60, 100) })).toThrow('two readings')
    expect(() => judgeHold({ ...asked, readings: log(-60, 100, 99) })).toThrow('follow each other')
  })
})
