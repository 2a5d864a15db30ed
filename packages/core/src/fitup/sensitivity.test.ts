import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { offset } from './offset'
import { sensitivity } from './sensitivity'
import { measuringErrorMm } from './tolerance'

const length = evenly(50, 900)

describe('what measuring carries through to a result', () => {
  it('of a sum is the sum of the errors, and names the longest', () =>
    fc.assert(
      fc.property(length, length, (a, b) => {
        const found = sensitivity({ a, b }, (lengths) => lengths.a - lengths.b)
        expect(found.offMm).toBeCloseTo(measuringErrorMm('tape', a) + measuringErrorMm('tape', b), 9)
      }),
    ))

  it('of a rolling offset is what its derivatives say: (roll·δ + rise·δ) / (set · sin θ)', () =>
    fc.assert(
      fc.property(length, length, fc.constantFrom(22.5, 45, 60), (rollMm, riseMm, angleDegrees) => {
        const found = sensitivity({ rollMm, riseMm }, (lengths) => {
          const made = offset({ ...lengths, angleDegrees })
          return made.ok ? made.travelMm : null
        })
        const set = Math.hypot(rollMm, riseMm)
        const byHand =
          (rollMm * measuringErrorMm('tape', rollMm) + riseMm * measuringErrorMm('tape', riseMm)) /
          (set * Math.sin((angleDegrees * Math.PI) / 180))
        // the errors are small against the lengths: second order stays under a fiftieth
        expect(Math.abs(found.offMm - byHand)).toBeLessThan(byHand / 50 + 0.01)
      }),
    ))

  it('is nothing where nothing was measured or nothing comes out', () => {
    expect(sensitivity({ a: 0 }, ({ a }) => a)).toEqual({ offMm: 0, largest: null })
    expect(sensitivity({ a: 5 }, () => null)).toEqual({ offMm: 0, largest: null })
  })
})
