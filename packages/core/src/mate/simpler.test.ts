import { CATALOG } from '../catalog'
import { cheapestWay, mate } from './index'
import { onlySparesTrip } from './search/simpler'
import { bestTogether } from './test/bestTogether'
import { line, WELL_EQUIPPED } from './test/problems'
import type { MateSettings } from './types'

// steel in the wall: a stop is screwed on, but what lies on the van goes by way of a piece of plastic tube
const catalogue = CATALOG.filter(({ id }) =>
  /^(stop\.angle\.(fnptxcomp|barbxcomp)\.1\/2x3\/8|adapter\.barbxfnpt\.1\/2x1\/2|tube\.pex-a\.1\/2|connector\.comp3\/8xfaucet1\/2\.20in)$/.test(
    id,
  ),
)
const LIMITS = { catalogue, mostParts: 4 }
const van = (tripMinutes: number, without = 'stop.angle.fnptxcomp.1/2x3/8'): MateSettings => ({
  ...WELL_EQUIPPED,
  tripMinutes,
  partsAboard: Object.fromEntries(
    catalogue.filter(({ id }) => id !== without).map(({ id }) => [id, 9] as const),
  ),
})
const steel = (lineId: string) => ({
  ...line('galvanised.40.1/2', { stopShape: 'either' as const }),
  lineId,
})

describe('a longer way that only spares the trip', () => {
  const lines = [steel('hot'), steel('cold')]

  it('comes after the simpler one, which says that the trip is worth it', () => {
    const [first, second] = mate({ lines: [steel('a')], settings: van(60) }, LIMITS).lines[0]?.options ?? []
    expect(first?.methods).toEqual(['threaded', 'swivel'])
    expect(first?.worthTrip).toBe(true)
    expect(second?.methods).toContain('crimp')
    expect(second?.costs.totalCents).toBeLessThan(first?.costs.totalCents ?? 0)
    // what Find takes to be decided is the same
    expect(cheapestWay(steel('a'), van(60)).option?.methods).toEqual(['threaded', 'swivel'])
    // nothing is said where it is the cheapest anyway, or lies on the van
    for (const settings of [van(0), van(60, 'none')]) {
      const best = mate({ lines: [steel('a')], settings }, LIMITS).lines[0]?.options[0]
      expect([best?.methods, best?.worthTrip]).toEqual([['threaded', 'swivel'], undefined])
    }
  })

  it('is not taken for all lines together either: as by enumeration without such ways', () => {
    const settings = van(60)
    const { lines: alone, together } = mate({ lines, settings }, LIMITS)
    const listed = alone.map(({ options }) => options)
    expect(together?.optionIds.every((id) => !/crimp|cinch/.test(id))).toBe(true)
    expect(together?.totalCents).toBe(bestTogether(lines, settings, LIMITS, [], listed))
    expect(together?.totalCents).toBeGreaterThan(bestTogether(lines, settings, LIMITS))
  })

  it('is one that has more kinds of joints, more joints, and costs more but for the trip', () => {
    const simple = { mask: 0b001, joints: 2, cents: 3000 }
    const long = { mask: 0b011, joints: 4, cents: 5000, trip: false }
    expect(onlySparesTrip(long, [simple])).toBe(true)
    for (const other of [
      { ...long, trip: true },
      { ...long, mask: 0b001 },
      { ...long, mask: 0b010 },
      { ...long, joints: 3 },
      { ...long, cents: 2900 },
    ])
      expect([other, onlySparesTrip(other, [simple])]).toEqual([other, false])
  })
})
