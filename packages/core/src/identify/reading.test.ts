import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { type Expected, type Reading, ReadingGroup, toReading } from './reading'

const readings = fc.array(
  fc.record({
    mm: evenly(5, 60),
    variance: evenly(0.004, 1),
    wild: evenly(0.01, 0.1),
  }),
  { minLength: 1, maxLength: 5 },
)
const expected = fc.record({
  mean: evenly(5, 60),
  shift: evenly(0.0001, 4),
  scatter: fc.constantFrom(0, 0.02, 0.3),
})

/** Density of several readings by their full covariance matrix, with which of them are wild summed over. */
function byMatrix(list: readonly Reading[], mean: number, shift: number, scatter: number): number {
  let total = 0
  for (let mask = 0; mask < 2 ** list.length; mask++) {
    const kept = list.filter((_, index) => !(mask & (1 << index)))
    const wild = list.filter((_, index) => mask & (1 << index))
    const weight = kept.reduce((p, r) => p * (1 - r.wild), 1) * wild.reduce((p, r) => p * (r.wild / 120), 1)
    total += weight * gaussian(kept, mean, shift, scatter)
  }
  return total
}

/** Multivariate normal with covariance shift + diagonal, by Gaussian elimination. */
function gaussian(list: readonly Reading[], mean: number, shift: number, scatter: number): number {
  const n = list.length
  if (n === 0) return 1
  const matrix = list.map((r, i) => list.map((_, j) => shift + (i === j ? r.variance + scatter : 0)))
  const right = list.map((r) => r.mm - mean)
  const residual = [...right]
  let determinant = 1
  for (let i = 0; i < n; i++) {
    const pivot = (matrix[i] as number[])[i] as number
    determinant *= pivot
    for (let j = i + 1; j < n; j++) {
      const factor = ((matrix[j] as number[])[i] as number) / pivot
      for (let k = i; k < n; k++)
        (matrix[j] as number[])[k] =
          ((matrix[j] as number[])[k] as number) - factor * ((matrix[i] as number[])[k] as number)
      right[j] = (right[j] as number) - factor * (right[i] as number)
    }
  }
  const solved = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    let sum = right[i] as number
    for (let k = i + 1; k < n; k++) sum -= ((matrix[i] as number[])[k] as number) * (solved[k] as number)
    solved[i] = sum / ((matrix[i] as number[])[i] as number)
  }
  const square = residual.reduce((sum, value, index) => sum + value * (solved[index] as number), 0)
  return Math.exp(-0.5 * square) / Math.sqrt((2 * Math.PI) ** n * determinant)
}

/** The same with an uneven surface met at one spot or round about, both alike. */
const reference = (list: readonly Reading[], { mean, shift, scatter }: Expected) =>
  scatter === 0
    ? byMatrix(list, mean, shift, 0)
    : (byMatrix(list, mean, shift, scatter) + byMatrix(list, mean, shift + scatter, 0)) / 2

describe('readings that share a shift, against the full covariance matrix', () => {
  it('has the same likelihood, also where most readings can only be wild', () =>
    fc.assert(
      fc.property(readings, expected, (list, model) => {
        const log = new ReadingGroup(list).log(model)
        expect(log).toBeCloseTo(Math.log(reference(list, model)), 6)
      }),
      { numRuns: 300 },
    ))

  it('knows which reading is wild as enumeration does', () =>
    fc.assert(
      fc.property(readings, expected, (list, { mean, shift }) => {
        const model = { mean, shift, scatter: 0 }
        const { wild } = new ReadingGroup(list).detail(model)
        const all = byMatrix(list, mean, shift, 0)
        list.forEach((reading, index) => {
          const others = list.filter((other) => other !== reading)
          const p = ((reading.wild / 120) * byMatrix(others, mean, shift, 0)) / all
          expect(wild[index]).toBeCloseTo(p, 6)
        })
      }),
      { numRuns: 100 },
    ))

  it('with more readings knows which are wild', () => {
    const list = [15.9, 15.92, 15.88, 15.9, 15.91, 40, 80].map((mm) => ({ mm, variance: 0.01, wild: 0.04 }))
    const model = { mean: 15.9, shift: 0.01, scatter: 0 }
    const exact = Math.log(byMatrix(list, 15.9, 0.01, 0))
    expect(new ReadingGroup(list).log(model)).toBeCloseTo(exact, 3)
    const { wild } = new ReadingGroup(list).detail(model)
    expect(wild.map((p) => p > 0.5)).toEqual([false, false, false, false, false, true, true])
  })

  it('with many readings that agree is as good as with all of them, one by one', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 6, maxLength: 14 }),
        fc.double({ min: 15.2, max: 16.6, noNaN: true }),
        fc.constantFrom(0, 0.04),
        (offs, mean, scatter) => {
          const list = offs.map((off) => ({ mm: 15.9 + off, variance: 0.01, wild: 1e-9 }))
          const none = (shift: number, uneven: number) =>
            Math.log(gaussian(list, mean, shift, uneven)) + list.length * Math.log(1 - 1e-9)
          const expected =
            scatter === 0
              ? none(0.02, 0)
              : Math.log((Math.exp(none(0.02, scatter)) + Math.exp(none(0.02 + scatter, 0))) / 2)
          expect(new ReadingGroup(list).log({ mean, shift: 0.02, scatter })).toBeCloseTo(expected, 5)
        },
      ),
    ))

  it('costs no more readings than pools: forty more of one instrument change no count', () => {
    const list = Array.from({ length: 45 }, (_, n) => ({ mm: 20 + (n % 9) * 30, variance: 0.01, wild: 0.04 }))
    const { wild, log } = new ReadingGroup(list).detail({ mean: 20, shift: 0.01, scatter: 0 })
    expect(wild).toHaveLength(45)
    expect(Number.isFinite(log)).toBe(true)
    // five at 20 belong there; what lies elsewhere can only be wild, also where no pool took it
    expect(wild.map((p) => p > 0.5)).toEqual(list.map(({ mm }) => mm !== 20))
  })

  it('leaves the shift where the readings put it, as far as the prior lets it', () => {
    const list = [16.2, 16.21, 16.19].map((mm) => ({ mm, variance: 0.0064, wild: 0.02 }))
    const { shiftMean, shiftVariance } = new ReadingGroup(list).detail({
      mean: 15.9,
      shift: 0.04,
      scatter: 0,
    })
    // three readings of 0.3 against a shift of sd 0.2: normal updating, by hand
    const precision = 1 / 0.04 + 3 / 0.0064
    expect(shiftMean).toBeCloseTo(((3 / 0.0064) * 0.3) / precision, 2)
    expect(shiftVariance).toBeCloseTo(1 / precision, 4)
  })
})

describe('what readings say of the shift', () => {
  const of = (mms: readonly number[]) => mms.map((mm) => ({ mm, variance: 0.0064, wild: 0.02 }))
  it('is not moved by one that can only be wild', () => {
    const model = { mean: 15.9, shift: 0.04, scatter: 0 }
    const clean = new ReadingGroup(of([16.2, 16.21, 16.19])).detail(model)
    const astray = new ReadingGroup(of([16.2, 16.21, 16.19, 60])).detail(model)
    expect(astray.wild[3]).toBeCloseTo(1, 6)
    expect(astray.shiftMean).toBeCloseTo(clean.shiftMean, 3)
    expect(astray.shiftVariance).toBeCloseTo(clean.shiftVariance, 4)
  })
  it('is the less the more the surface scatters them', () => {
    // 0.5 mm about each other: met round about, not at one spot
    const list = of([15.4, 15.9, 16.4])
    const { shiftVariance, shiftMean } = new ReadingGroup(list).detail({
      mean: 15.9,
      shift: 0.04,
      scatter: 0.3,
    })
    expect(shiftMean).toBeCloseTo(0, 2)
    expect(shiftVariance).toBeCloseTo(1 / (1 / 0.04 + 3 / (0.0064 + 0.3)), 3)
  })
})

describe('a reading brought to a diameter', () => {
  const observation = { id: 'a', kind: 'outside' as const, resolutionMm: 0 }
  it('divides what goes round by pi, and nothing else', () => {
    expect(toReading({ ...observation, instrument: 'string', mm: Math.PI * 20 + 0.8 }).mm).toBeCloseTo(20, 9)
    expect(toReading({ ...observation, instrument: 'tape', mm: 20 }).mm).toBe(20)
    expect(toReading({ ...observation, kind: 'bore', instrument: 'string', mm: 20.8 }).mm).toBeCloseTo(20, 9)
  })
  it('is the less sure the coarser it was read', () => {
    const fine = toReading({ ...observation, instrument: 'caliper', mm: 20 })
    const coarse = toReading({ ...observation, instrument: 'caliper', mm: 20, resolutionMm: 1 })
    expect(coarse.variance - fine.variance).toBeCloseTo(1 / 12, 9)
    // what goes round is read as coarsely, and weighs a tenth of it: by pi, squared
    const around = (resolutionMm: number, extra = 0) =>
      toReading({ ...observation, instrument: 'string', mm: 60, resolutionMm }, extra).variance
    expect(around(1) - around(0)).toBeCloseTo(1 / 12 / Math.PI ** 2, 9)
    expect(around(0, 0.3) - around(0)).toBeCloseTo(0.09, 9)
  })
})
