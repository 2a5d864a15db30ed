import { takeOutMm } from '../fitup/takeOut'
import { fittingById } from './index'
import { MALLEABLE_55, MALLEABLE_150 } from './threadedBodies'

const IN = 25.4
const SIZES = ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'] as const
const part = (id: string) => {
  const found = fittingById(id)
  if (!found) throw new Error(id)
  return found
}

describe('two standards of malleable fittings, kept apart from each other', () => {
  // their patterns are one: B16.3 in inches, EN 10242 in whole millimetres
  it.each([
    ['square', 1.1],
    ['eighth', 1],
    ['coupling', 3],
  ] as const)('agree on %s within %d mm', (kind, mm) => {
    for (const size of SIZES) {
      const [inch, metric] = [MALLEABLE_150[kind][size] ?? 0, MALLEABLE_55[kind][size] ?? 0]
      expect([size, Math.abs(inch - metric) <= mm]).toEqual([size, true])
    }
  })
})

describe('from the middle of a screwed elbow to the end of the pipe', () => {
  // take-off as pipe fitters' tables print it, in; malleable, class 150
  it.each([
    ['1/2', 5 / 8, 3 / 8],
    ['3/4', 3 / 4, 7 / 16],
    ['1', 13 / 16, 7 / 16],
    ['1-1/4', 1 + 1 / 16, 5 / 8],
    ['1-1/2', 1 + 1 / 4, 3 / 4],
    ['2', 1 + 1 / 2, 15 / 16],
  ] as const)('%s: %d square, %d in an eighth bend', (size, square, eighth) => {
    const home = (id: string) => takeOutMm(part(id), 1)[0] / IN
    expect(Math.abs(home(`elbow.90.fxf.galv.npt.${size}`) - square)).toBeLessThan(1 / 16)
    expect(Math.abs(home(`elbow.45.fxf.galv.npt.${size}`) - eighth)).toBeLessThan(1 / 16)
  })

  it.each(SIZES)('%s: two pipes that are home do not meet', (size) => {
    for (const tag of ['galv.npt', 'brass.npt', 'galv.bsp', 'brass.bsp']) {
      const elbow = fittingById(`elbow.90.fxf.${tag}.${size}`)
      // the corner of one stands where the side of the other is
      if (elbow) expect(takeOutMm(elbow, 1)[0]).toBeGreaterThan((elbow.ports[0]?.diameterMm ?? 0) / 2)
    }
  })
})

describe('parts with threads outside', () => {
  it('a close nipple is its two threads, and little between them', () => {
    for (const size of SIZES) {
      const { layingMm } = part(`nipple.mxm.galv.npt.${size}xclose`)
      // at two inches the threads leave a fifth of it
      expect([size, layingMm > -6.5 && layingMm < 0.4 * IN]).toEqual([size, true])
    }
  })

  it('a bushing holds the smaller thread inside its own: it is shorter than both together', () => {
    for (const id of ['bushing.mxf.galv.npt.3/4x1/2', 'bushing.mxf.brass.npt.1x1/2']) {
      const { ports, layingMm } = part(id)
      expect(layingMm).toBeLessThan(0)
      const overall = ports.reduce((sum, { pose }) => sum + Math.abs(pose.origin[0]), 0)
      // thread and hexagon, which no wrench could hold were it not there
      expect(overall).toBeGreaterThan(0.7 * IN)
      expect(overall).toBeLessThan(1.1 * IN)
    }
  })

  it('a street elbow’s male leg is longer than its female one', () => {
    for (const size of SIZES) {
      const [male, female] = part(`elbow.street.90.mxf.galv.npt.${size}`).ports.map(({ pose }) =>
        Math.hypot(...pose.origin),
      )
      expect([size, (male ?? 0) > (female ?? 0) + 8]).toEqual([size, true])
    }
  })
})
