import { tubeEngagement } from '../reference'
import { HUBLESS_BENDS, legByRadius } from './drainBends'
import { fullDepthMm } from './ends'
import { CATALOG, fittingById } from './families'
import { HUBLESS_TEES, HUBLESS_WYES } from './hublessBranches'
import { BENDS } from './solventFittings'

const IN = 25.4

describe('figures of drain fittings', () => {
  // a bend of radius r, straight for s beyond it, measures r tan(α/2) + s from its middle to where the pipe ends: from
  // the eighth and the short quarter bend of a size (ASTM D3311, quarter: 1-3/4, 2-5/16, 3-1/16, 3-7/8 in) follow both
  const QUARTER_IN = Object.fromEntries(BENDS.map(([size, , , quarterIn]) => [size, quarterIn]))
  it('bends of a size share a radius of about seven tenths of it, and what is straight is left over', () => {
    const shares = BENDS.map(([size, eighthIn]) => {
      const quarterIn = QUARTER_IN[size] ?? 0
      const radius = (quarterIn - eighthIn) / (Math.tan(Math.PI / 4) - Math.tan(Math.PI / 8))
      expect(quarterIn - radius).toBeGreaterThan(0.5)
      return radius / (size === '1-1/2' ? 1.5 : Number(size))
    })
    for (const share of shares) expect(share).toBeCloseTo(0.72, 1)
  })

  // each pattern by itself: of two bends the others follow, of iron made to sixteenths
  it.each(HUBLESS_BENDS)(
    'of hubless bends of %s in the sixth and sixteenth follow from quarter and eighth',
    (_, legs) => {
      const off = (angle: number, leg: number) =>
        Math.abs(legByRadius(legs.quarter, legs.eighth, angle) - leg)
      expect(off(60, legs.sixth)).toBeLessThanOrEqual(1 / 16)
      expect(off(22.5, legs.sixteenth)).toBeLessThanOrEqual(1 / 8)
      // and the two that it begins with are what they are
      expect([off(90, legs.quarter), off(45, legs.eighth)]).toEqual([
        expect.closeTo(0, 9),
        expect.closeTo(0, 9),
      ])
    },
  )

  it('a long sweep is longer than the short quarter bend of its size by about an inch, and grows with it', () => {
    for (const [size, eighthIn, sweepIn] of BENDS) {
      expect(sweepIn - (QUARTER_IN[size] ?? 0)).toBeCloseTo(1, 0)
      expect(sweepIn).toBeGreaterThan(eighthIn)
    }
    expect(BENDS.map(([, , sweep]) => sweep)).toEqual(BENDS.map(([, , sweep]) => sweep).sort((a, b) => a - b))
  })

  // CISPI 310: couplings are 2-1/8 in wide up to 3 in and 3 in wide at 4
  it.each([
    ['1-1/2', 2.125],
    ['2', 2.125],
    ['3', 2.125],
    ['4', 3],
  ])('a shielded coupling of %s in is as wide as the standard has it', (size, wideIn) => {
    const part = fittingById(`coupling.shielded.hublessxplastic.${size}`)
    const half = tubeEngagement('shielded', 'hubless', size)?.maxMm ?? 0
    expect((2 * half + (part?.layingMm ?? 0)) / IN).toBeCloseTo(wideIn, 6)
  })

  // ASTM D2665, table of sockets
  it.each([
    ['3', 1.5],
    ['4', 1.75],
  ])('a socket of %s in is %s in deep, and so is what a flange reaches into pipe', (size, inches) => {
    expect(tubeEngagement('drain-socket', 'IPS', size)?.maxMm).toBeCloseTo(inches * IN, 6)
    expect(tubeEngagement('pipe-inside', 'IPS', size)?.maxMm).toBeCloseTo(inches * IN, 6)
  })

  // two cylinders: a branch of radius r meets a run of radius R square, or at 45 degrees, where its mouth is √2 as long
  it('no pipe in a branch fitting stands in the way of another', () => {
    let tried = 0
    for (const { id, family, ports } of CATALOG) {
      if (!/^(sanitary-tee|wye)/.test(family)) continue
      tried++
      // where each pipe ends, home in its hub
      const [up, down, side] = ports.map(({ pose: { origin, axis }, ...port }) =>
        origin.map((mm, at) => mm - (axis[at] ?? 0) * fullDepthMm(port)),
      ) as [number[], number[], number[]]
      const [run, branch] = [(ports[0]?.diameterMm ?? 0) / 2, (ports[2]?.diameterMm ?? 0) / 2] as const
      const square = family === 'sanitary-tee'
      const [middle, half] = square ? [0, branch] : [-run, branch * Math.SQRT2]
      expect([id, (up[0] ?? 0) < middle - half, (down[0] ?? 0) > middle + half]).toEqual([id, true, true])
      // the lowest point of the branch's end lies outside the run
      const lean = family === 'wye' ? branch * Math.SQRT1_2 : 0
      expect([id, (side[1] ?? 0) - lean > run]).toEqual([id, true])
      // a second side looks elsewhere, keeps clear of the run and comes in no longer than the first
      const second = ports[3]
      if (!second) continue
      const { origin, axis } = second.pose
      const [along, high, out] = origin.map((mm, at) => mm - (axis[at] ?? 0) * fullDepthMm(second))
      expect([id, Math.hypot(high ?? 0, out ?? 0) > run, along]).toEqual([id, true, 0])
      expect([id, (high ?? 1) <= 0, second.diameterMm <= 2 * branch]).toEqual([id, true, true])
      // who looks into the branch, upstream over it, has on the right what looking crossed with up gives
      const [over, into] = [ports[0]?.pose.axis ?? [0, 0, 0], ports[2]?.pose.axis.map((mm) => -mm) ?? []]
      const [fx = 0, fy = 0, fz = 0] = into
      const right = [fy * over[2] - fz * over[1], fz * over[0] - fx * over[2], fx * over[1] - fy * over[0]]
      const beside = right.reduce((sum, mm, at) => sum + mm * (axis[at] ?? 0), 0)
      expect([id, beside]).toEqual([id, /\.right\./.test(id) ? 1 : /\.left\./.test(id) ? -1 : 0])
    }
    // nine of inches in two plastics and three patterns; of millimetres six in four ranges and three in two, two patterns;
    // with two sides six that face each other and three whose inlet is left or right, in two plastics
    expect(tried).toBe(54 + 2 * (6 * 4 + 3 * 2) + 2 * (6 + 2 * 3) + HUBLESS_TEES.length + HUBLESS_WYES.length)
  })

  it('a flush bushing fits its socket and stands out by no more than its lip', () => {
    for (const [socket, pipe] of [
      ['2', '1-1/2'],
      ['3', '2'],
      ['4', '3'],
    ] as const) {
      const part = fittingById(`bushing.drain.pvc.${socket}x${pipe}`)
      const length = (part?.ports ?? []).reduce((sum, { pose }) => sum + Math.abs(pose.origin[0]), 0)
      expect(length - (tubeEngagement('drain-socket', 'IPS', socket)?.maxMm ?? 0)).toBeCloseTo(2, 6)
    }
  })
})
