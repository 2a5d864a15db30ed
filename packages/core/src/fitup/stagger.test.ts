import fc from 'fast-check'
import { type Bulk, CLEAR_MM, stagger, WRENCH_RADII } from './stagger'

const bulk = fc
  .tuple(
    fc.integer({ min: 0, max: 300 }),
    fc.integer({ min: 3, max: 60 }),
    fc.integer({ min: 8, max: 25 }),
    fc.boolean(),
  )
  .map(([fromMm, long, radiusMm, wrench]): Bulk => ({ fromMm, toMm: fromMm + long, radiusMm, wrench }))
const lines = fc.record({
  one: fc.array(bulk, { maxLength: 5 }),
  other: fc.array(bulk, { maxLength: 5 }),
  apartMm: fc.integer({ min: 20, max: 120 }),
})

/** Whether two lines clear each other with the second so much further out, written from the sentence itself. */
function clears(one: readonly Bulk[], other: readonly Bulk[], apartMm: number, shift: number): boolean {
  return one.every((a) =>
    other.every((b) => {
      const beside = a.fromMm < b.toMm + shift + CLEAR_MM && b.fromMm + shift < a.toMm + CLEAR_MM
      const bodies = a.radiusMm + b.radiusMm + CLEAR_MM <= apartMm
      const wrenchOnA = !a.wrench || a.radiusMm * WRENCH_RADII + b.radiusMm <= apartMm
      const wrenchOnB = !b.wrench || b.radiusMm * WRENCH_RADII + a.radiusMm <= apartMm
      return !beside || (bodies && wrenchOnA && wrenchOnB)
    }),
  )
}

describe('lines that stand side by side', () => {
  it('are shifted by the least that clears, either way, as trying every millimetre finds it', () =>
    fc.assert(
      fc.property(lines, ({ one, other, apartMm }) => {
        const found = stagger(one, other, apartMm)
        const first = (way: 1 | -1) => {
          for (let shift = 0; shift < 2000; shift++)
            if (clears(one, other, apartMm, way * shift)) return shift
          return Number.NaN
        }
        expect(found.outMm).toBe(first(1))
        expect(found.inMm).toBe(first(-1))
        expect(found.clear).toBe(clears(one, other, apartMm, 0))
        expect(clears(one, other, found.apartMm, 0)).toBe(true)
      }),
    ))

  it('two angle stops at 4 in stand side by side; two compression nuts at 1-1/2 in do not', () => {
    const nut: Bulk = { fromMm: 40, toMm: 52, radiusMm: 12.5, wrench: true }
    expect(stagger([nut], [nut], 101.6).clear).toBe(true)
    expect(stagger([nut], [nut], 38.1)).toMatchObject({ clear: false, outMm: 12 + CLEAR_MM })
  })
})
