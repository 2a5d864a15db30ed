import fc from 'fast-check'
import { MOST_SHIMS, SHIM_STOCK, shims } from './shims'
import { valveDepth } from './walls'

const IN = 25.4
/** Thicknesses in thirty-seconds of an inch: whole numbers. */
const UNITS = SHIM_STOCK.map(({ mm }) => Math.round((mm / IN) * 32))

/** Thicknesses that so many pieces can make, by sums alone: no set is looked at. */
const REACH: readonly ReadonlySet<number>[] = Array.from({ length: MOST_SHIMS }).reduce<
  ReadonlySet<number>[]
>(
  (reach) => [...reach, new Set([...(reach.at(-1) ?? [])].flatMap((sum) => UNITS.map((unit) => sum + unit)))],
  [new Set([0])],
)

describe('what to put behind a valve', () => {
  it('is sold in whole thirty-seconds, thinnest first', () => {
    for (const [at, { mm }] of SHIM_STOCK.entries()) expect((mm / IN) * 32).toBeCloseTo(UNITS[at] ?? 0, 9)
    expect(UNITS).toEqual([...UNITS].sort((a, b) => a - b))
  })

  it('is the fewest pieces that lie within, and of those the nearest to the middle', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 220 }), fc.integer({ min: 0, max: 24 }), (least, more) => {
        const most = least + more
        // a hair to each side, so that whole units lie within for sure
        const found = shims((least / 32) * IN - 1e-6, (most / 32) * IN + 1e-6)
        const count = REACH.findIndex(
          (sums, pieces) => pieces > 0 && [...sums].some((sum) => sum >= least && sum <= most),
        )
        expect(found?.ids.length ?? -1).toBe(count)
        if (!found) return
        const nearest = Math.min(
          ...[...(REACH[count] ?? [])]
            .filter((sum) => sum >= least && sum <= most)
            .map((sum) => Math.abs(sum - (least + most) / 2)),
        )
        expect(Math.abs((found.mm / IN) * 32 - (least + most) / 2)).toBeCloseTo(nearest, 6)
        const sum = found.ids.reduce(
          (mm, id) => mm + (SHIM_STOCK.find((entry) => entry.id === id)?.mm ?? 0),
          0,
        )
        expect(sum).toBeCloseTo(found.mm, 9)
      }),
      { numRuns: 400, seed: 5 },
    ))

  it('brings the worst case into the window on the sheet', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 20, max: 60, noNaN: true }),
        fc.double({ min: 6, max: 25, noNaN: true }),
        (stud, least, wide) => {
          const ask = (back: number) =>
            valveDepth(
              [
                { name: 'stud', mm: stud + 40 },
                { name: 'board', mm: 12.7 },
              ],
              back,
              [least, least + wide],
            )
          const fit = ask(0)
          if (!fit.ok || !fit.shims) return
          const put = ask(fit.shims.mm)
          expect(put.ok && put.verdict).toBe('fits')
        },
      ),
      { numRuns: 200, seed: 6 },
    ))

  it('is nothing where nothing is needed, and null where wood has to come off', () => {
    expect(shims(0, 10)).toEqual({ ids: [], mm: 0 })
    const thin = valveDepth([{ name: 'board', mm: 50 }], 0, [60, 70])
    expect(thin.ok && thin.shims).toBeNull()
  })
})
