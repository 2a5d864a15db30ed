import { HUBLESS_BENDS } from './drainBends'
import { HUBLESS_TEES, HUBLESS_WYES, hublessBranches } from './hublessBranches'

const IN = 25.4
const quarter = (size: string) => HUBLESS_BENDS.find(([of]) => of === size)?.[1].quarter

describe('hubless branches', () => {
  it('of tees: down the flow as far as a quarter bend of the branch, to the side as far as one of the run', () => {
    // CISPI 301: a tee's sweep is a quarter bend's
    for (const [run, branch, , down, side] of HUBLESS_TEES)
      expect([run, branch, down, side]).toEqual([run, branch, quarter(branch), quarter(run)])
  })

  it('of wyes: a side that leaves straight out of the middle of the run clears it, and the larger is the longer', () => {
    for (const [run, branch, whole, down, side] of HUBLESS_WYES) {
      const [large, small] = [run, branch].map((size) => (size === '1-1/2' ? 1.5 : Number(size))) as [
        number,
        number,
      ]
      // at 45 degrees a pipe is clear of the run where it has gone half of both widths over the half of the root of two
      expect([run, branch, side > ((large + small) / 2) * Math.SQRT2]).toEqual([run, branch, true])
      expect([run, branch, down > 0 && whole - down > side * Math.SQRT1_2]).toEqual([run, branch, true])
      const equal = HUBLESS_WYES.find(([a, b]) => a === run && b === run)
      if (equal && branch !== run)
        expect([run, branch, whole < equal[2] && side < equal[4]]).toEqual([run, branch, true])
      // equal ones: the side is as long as the run above it, to the eighth of an inch
      if (run === branch) expect(Math.abs(whole - down - side)).toBeLessThanOrEqual(1 / 8)
    }
  })

  it('have plain ends where the figures say, the side square or leaning up the flow', () => {
    for (const { id, family, ports, layingMm } of hublessBranches()) {
      const [a, b, c] = ports
      expect([id, ports.every(({ form, system }) => form === 'tube' && system === 'hubless')]).toEqual([
        id,
        true,
      ])
      expect([id, Math.round((b?.pose.origin[0] ?? 0) - (a?.pose.origin[0] ?? 0) - layingMm)]).toEqual([
        id,
        0,
      ])
      if (family === 'cleanout-tee') continue
      const [x = 0, y = 0] = c?.pose.axis ?? []
      expect([id, x]).toEqual([id, family === 'wye' ? -Math.SQRT1_2 : 0])
      expect(y).toBeGreaterThan(0.7)
      const far = Math.hypot(...(c?.pose.origin ?? []))
      expect(far / IN).toBeGreaterThan(3.9)
    }
  })
})
