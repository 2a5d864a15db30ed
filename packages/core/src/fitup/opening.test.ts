import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { COVER_PLATES, fitsInto, type OpeningAsk, OVERLAP_MM, opening } from './opening'

/** Whether a rectangle lies in another at some angle: its box, turned by a hundredth of a degree at a time. */
function atSomeAngle([p, q]: readonly [number, number], [a, b]: readonly [number, number]): number {
  let least = Number.POSITIVE_INFINITY
  for (let step = 0; step <= 9000; step++) {
    const angle = (step * Math.PI) / 18_000
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)]
    least = Math.min(least, Math.max(p * cos + q * sin - a, p * sin + q * cos - b))
  }
  return least
}

describe('a body through a hole', () => {
  const side = evenly(1, 100)
  it('goes in where some angle lets it, and nowhere else', () => {
    const seen = { straight: 0, askew: 0, none: 0 }
    fc.assert(
      fc.property(fc.tuple(side, side), fc.tuple(side, side), (body, hole) => {
        const found = fitsInto(body, hole)
        const over = atSomeAngle(body, hole)
        seen[found ?? 'none']++
        // as near as the steps of the angle tell
        if (found) expect(over).toBeLessThanOrEqual(0.02)
        else expect(over).toBeGreaterThan(-0.02)
      }),
      { numRuns: 200, seed: 5 },
    )
    // long and narrow ones, which only go in askew
    fc.assert(
      fc.property(evenly(101, 140), evenly(1, 12), evenly(1, 100), (long, narrow, height) => {
        const found = fitsInto([long, narrow], [100, height])
        seen[found ?? 'none']++
        expect((found !== null) === atSomeAngle([long, narrow], [100, height]) <= 0.005).toBe(true)
      }),
      { numRuns: 120, seed: 6 },
    )
    expect(Math.min(...Object.values(seen))).toBeGreaterThan(20)
  })

  const edgesMm = [50, 50, 40, 40] as const
  it('with the face first that wants least behind it, and not where that is lacking', () => {
    // 90 by 70 goes in as it is, 60 deep; 95 by 60 first would want 70
    expect(opening({ edgesMm, bodyMm: [90, 70, 60] }).passage).toMatchObject({ behindMm: 60, askew: false })
    const long = opening({ edgesMm, bodyMm: [150, 60, 50] })
    expect(long.passage).toMatchObject({ faceMm: [60, 50], behindMm: 150 })
    expect(opening({ edgesMm, bodyMm: [150, 60, 50], behindMm: 89 })).toMatchObject({
      passage: null,
      reasons: [{ ruleId: 'opening.shallow', parameters: { shortMm: 61 } }],
    })
    // 105 by 20 lies askew in 100 by 80
    expect(opening({ edgesMm, bodyMm: [105, 20, 90], behindMm: 95 }).passage).toMatchObject({ askew: true })
    expect(opening({ edgesMm, bodyMm: [120, 110, 101] })).toMatchObject({
      passage: null,
      reasons: [{ ruleId: 'opening.body', parameters: { shortMm: 31 } }],
    })
  })
})

describe('what covers a hole', () => {
  type Hole = OpeningAsk & { readonly brokenMm: number }
  const asks: fc.Arbitrary<Hole & { readonly trimMm: number }> = fc.record({
    edgesMm: fc.tuple(evenly(20, 150), evenly(20, 150), evenly(20, 150), evenly(20, 150)),
    brokenMm: evenly(0, 40),
    trimMm: evenly(120, 250),
  })
  /** Whether a plate on the valve's middle lies on sound wall all round: every corner of what is broken, and the overlap. */
  const covers = (
    plate: { readonly widthMm: number; readonly heightMm: number; readonly round: boolean },
    { edgesMm: [left, right, up, down], brokenMm }: Hole,
  ) =>
    [-left - brokenMm, right + brokenMm].every((x) =>
      [-down - brokenMm, up + brokenMm].every((y) =>
        plate.round
          ? Math.hypot(x, y) + OVERLAP_MM <= plate.widthMm / 2 + 1e-9
          : Math.abs(x) + OVERLAP_MM <= plate.widthMm / 2 + 1e-9 &&
            Math.abs(y) + OVERLAP_MM <= plate.heightMm / 2 + 1e-9,
      ),
    )
  it('reaches every broken corner with sound wall under it; no smaller plate does', () =>
    fc.assert(
      fc.property(asks, (ask) => {
        const found = opening(ask)
        const trim = { widthMm: ask.trimMm, heightMm: ask.trimMm, round: true }
        // by the larger way from the middle: never less than what is needed
        if (found.trimCovers) expect(covers(trim, ask)).toBe(true)
        const plate = COVER_PLATES.find(({ id }) => id === found.plateId)
        if (plate) expect(covers(plate, ask)).toBe(true)
        if (found.trimCovers) expect([plate, found.reasons]).toEqual([undefined, []])
        else {
          expect(found.reasons[0]?.ruleId).toBe(plate ? 'opening.plate' : 'opening.close')
          const smaller = COVER_PLATES.filter(
            ({ widthMm, heightMm }) =>
              widthMm * heightMm < (plate ? plate.widthMm * plate.heightMm : Number.POSITIVE_INFINITY),
          )
          // square about its middle, the hole is what the plate is made for: then no smaller one covers it
          const [w, h] = found.coverMm
          const even = {
            ...ask,
            edgesMm: [w / 2, w / 2, h / 2, h / 2].map(
              (mm) => mm - ask.brokenMm - OVERLAP_MM,
              // a map of four is a list to the compiler
            ) as unknown as Hole['edgesMm'],
          }
          for (const one of smaller) expect(covers(one, even)).toBe(false)
        }
      }),
      { numRuns: 150, seed: 7 },
    ))
})
