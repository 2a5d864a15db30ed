import fc from 'fast-check'
import { end, fittingById } from '../catalog'
import { Effort } from '../effort'
import { evenly } from '../test/evenly'
import { cutLength, type PieceEnd } from './cutLength'
import { cuttingPlan } from './cuttingPlan'
import { dryShorteningMm, insertionMm, takeOutMm } from './takeOut'
import { inWindow, KERF_MM, measuringErrorMm, stackUp } from './tolerance'

const IN = 25.4
const sure = <T extends { ok: boolean }>(fit: T) => {
  if (!fit.ok) throw new Error(JSON.stringify(fit))
  return fit as Extract<T, { ok: true }>
}
const cup = (size: string) => end('solder-cup', 'CTS', size, 'copper')
const pvc = (size: string) => end('pvc-socket', 'IPS', size, 'pvc')
const face = (port: PieceEnd['port']): PieceEnd => (port ? { reference: 'face', port } : { reference: 'end' })
const bare: PieceEnd = { reference: 'end' }

/**
 * Depths of solder cups, ASME B16.22 table, and of schedule 40 sockets, ASTM D2466 table: inches, recalled. A piece
 * between two mouths is longer than the gap by both depths.
 */
const CUPS = [
  ['3/8', 0.38],
  ['1/2', 0.5],
  ['3/4', 0.75],
  ['1', 0.91],
] as const
const SOCKETS = [
  ['1/2', 0.688],
  ['3/4', 0.719],
  ['1', 0.875],
] as const

describe('the length of a piece between two mouths', () => {
  it.each(
    [4, 10, 23.4375].flatMap((gap) => CUPS.map(([size, depth]) => [size, gap, gap + 2 * depth] as const)),
  )('%s in copper, %p in between the cups: %p in', (size, gap, cut) =>
    expect(
      sure(cutLength({ measuredMm: gap * IN, ends: [face(cup(size)), face(cup(size))] })).cutMm / IN,
    ).toBeCloseTo(cut, 1),
  )

  it.each([6, 12].flatMap((gap) => SOCKETS.map(([size, depth]) => [size, gap, gap + 2 * depth] as const)))(
    '%s in schedule 40, %p in between the sockets: %p in',
    (size, gap, cut) =>
      expect(
        sure(cutLength({ measuredMm: gap * IN, ends: [face(pvc(size)), face(pvc(size))] })).cutMm / IN,
      ).toBeCloseTo(cut, 1),
  )

  it('from middle to middle is less by what both parts take out', () => {
    const elbow = fittingById('elbow.90.cxc.1/2')
    if (!elbow) throw new Error('no elbow')
    const port = elbow.ports[0]
    const [least] = takeOutMm(elbow, 0)
    const at: PieceEnd = {
      reference: 'centre',
      faceMm: Math.hypot(...(port?.pose.origin ?? [0])),
      ...(port ? { port } : {}),
    }
    const { cutMm, marksMm } = sure(cutLength({ measuredMm: 400, ends: [at, at] }))
    expect(cutMm).toBeCloseTo(400 - 2 * least, 9)
    // put together again: middle, take-out, piece, take-out, middle
    expect(least + cutMm + least).toBeCloseTo(400, 9)
    expect(marksMm[0]).toBe(insertionMm(cup('1/2'))[1])
  })

  it('never loses a length, whatever was measured from where', () =>
    fc.assert(
      fc.property(
        evenly(80, 3000),
        fc.constantFrom<PieceEnd>(bare, face(cup('1/2')), face(cup('3/4')), face(pvc('1'))),
        fc.constantFrom<PieceEnd>(bare, face(cup('1/2')), {
          reference: 'centre',
          port: cup('1/2'),
          faceMm: 22,
        }),
        (measuredMm, a, b) => {
          const { cutMm, windowMm } = sure(cutLength({ measuredMm, ends: [a, b] }))
          const adds = (one: PieceEnd) =>
            one.reference === 'end'
              ? 0
              : (one.port ? insertionMm(one.port)[1] : 0) -
                (one.reference === 'centre' ? (one.faceMm ?? 0) : 0)
          expect(cutMm - measuredMm).toBeCloseTo(adds(a) + adds(b), 9)
          expect(windowMm[0]).toBeLessThanOrEqual(windowMm[1])
          expect(windowMm[1]).toBe(cutMm)
          // turned end for end it is the same piece
          expect(sure(cutLength({ measuredMm, ends: [b, a] })).cutMm).toBeCloseTo(cutMm, 9)
        },
      ),
    ))

  it('taken from a dry fit is shortened by what cement closes, and says so', () => {
    const [least, most] = dryShorteningMm(pvc('3/4'))
    expect(most).toBeCloseTo(2 * least, 9)
    const dry = sure(cutLength({ measuredMm: 300, ends: [{ ...face(pvc('3/4')), dry: true }, bare] }))
    const home = sure(cutLength({ measuredMm: 300, ends: [face(pvc('3/4')), bare] }))
    expect(home.cutMm - dry.cutMm).toBeCloseTo((least + most) / 2, 9)
    expect(dry.notes.map(({ ruleId }) => ruleId)).toContain('cut.dry-fit')
    expect(dryShorteningMm(cup('1/2'))).toEqual([0, 0])
    // and of a drain: an inch and a half deep
    const drain = end('drain-socket', 'IPS', '3', 'pvc-drain')
    expect(dryShorteningMm(drain).map((mm) => mm / IN)).toEqual([
      expect.closeTo(0.5, 9),
      expect.closeTo(1, 9),
    ])
  })

  it('says by how much two mouths stand too close', () =>
    expect(
      cutLength({
        measuredMm: 10,
        ends: [
          { reference: 'centre', port: cup('1/2'), faceMm: 30 },
          { reference: 'centre', port: cup('1/2'), faceMm: 30 },
        ],
      }),
    ).toMatchObject({ ok: false, reason: { ruleId: 'cut.too-close', parameters: { shortMm: 50 } } }))
})

describe('what a length may be off', () => {
  it('a class II tape by its formula, half a graduation beside it', () => {
    // 0.3 + 0.2 L, L in whole metres rounded up
    expect(measuringErrorMm('tape', 900) - 0.8).toBeCloseTo(0.5, 9)
    expect(measuringErrorMm('tape', 2500) - 0.8).toBeCloseTo(0.9, 9)
  })
  it('adds at worst, and usually by squares; the largest is named', () => {
    const stack = stackUp([
      { name: 'tape', mm: 100, tolMm: 3 },
      { name: 'cut', mm: 20, tolMm: 4, minus: true },
    ])
    expect(stack).toEqual({ mm: 80, worstMm: 7, usualMm: 5, largest: 'cut' })
    expect([60, 74, 86, 100].map((most) => inWindow(stack, [most - 20, most]))).toEqual([
      'out',
      'perhaps',
      'perhaps',
      'perhaps',
    ])
    expect(inWindow(stack, [70, 90])).toBe('fits')
    expect(inWindow(stack, [88, 120])).toBe('out')
  })
})

describe('the cutting plan', () => {
  const feet = (value: number) => value * 12 * IN
  const plan = (pieces: readonly number[], stock: readonly number[], kerfMm = 0) =>
    sure(
      cuttingPlan({
        pieces: pieces.map((mm, index) => ({ name: `${index}`, mm })),
        stock: stock.map((mm) => ({ mm })),
        kerfMm,
      }),
    )

  it.each([
    // two to a bar exactly, without a saw
    [[feet(5), feet(5), feet(5), feet(5)], [feet(10)], 0, feet(20)],
    // the same with a saw: the second piece of a bar is short by one kerf less than the last cut saves
    [[feet(5), feet(5)], [feet(10)], KERF_MM['power-saw'], feet(20)],
    // the greedy plan takes three bars, two are enough: 4 + 3 + 3 twice
    [[4, 4, 3, 3, 3, 3].map(feet), [feet(10)], 0, feet(20)],
    // a short bar where it does
    [[feet(4.5)], [feet(10), feet(5)], 0, feet(5)],
    // one long bar rather than two short ones and a rest
    [[feet(4), feet(4), feet(2)], [feet(10), feet(6)], 0, feet(10)],
  ])('%#', (pieces, stock, kerf, stockMm) => {
    const found = plan(pieces, stock, kerf)
    expect(found.proved).toBe(true)
    expect(found.stockMm).toBeCloseTo(stockMm, 1)
  })

  it.each([0, 500, 20_000, undefined])(
    'with %p steps still gives a plan that works, and a bound that no plan is below',
    (steps) =>
      fc.assert(
        fc.property(
          fc.array(fc.integer({ min: 4000, max: 60_000 }), { minLength: 4, maxLength: 6 }),
          fc.uniqueArray(fc.integer({ min: 60_000, max: 130_000 }), { minLength: 2, maxLength: 3 }),
          (lengths, stock) => {
            const ask = {
              pieces: lengths.map((hundredths, index) => ({ name: `${index}`, mm: hundredths / 100 })),
              stock: stock.map((hundredths) => ({ mm: hundredths / 100 })),
              kerfMm: 1.37,
            }
            const best = cuttingPlan(ask)
            const short = cuttingPlan(ask, steps === undefined ? undefined : new Effort(steps))
            if (!best.ok || !short.ok) throw new Error('no plan')
            expect(best.proved).toBe(true)
            expect(short.leastMm).toBeLessThanOrEqual(best.stockMm + 1e-9)
            expect(short.stockMm).toBeGreaterThanOrEqual(best.stockMm - 1e-9)
            if (short.proved) expect(short.stockMm).toBeCloseTo(best.stockMm, 6)
            expect(short.bars.flatMap((bar) => bar.pieces).sort()).toEqual(lengths.map((_, i) => i))
          },
        ),
        { numRuns: 40 },
      ),
  )

  it('stops where its steps are used up, also with forty odd lengths and four odd stocks', () => {
    const effort = new Effort(300_000)
    const pieces = Array.from({ length: 40 }, (_, index) => ({
      name: `${index}`,
      mm: 100.01 + ((index * 7919) % 900) * 1.013,
    }))
    const stock = [3000.01, 2743.37, 1829.13, 6000.07].map((mm) => ({ mm }))
    const found = cuttingPlan({ pieces, stock, kerfMm: 1.37 }, effort)
    if (!found.ok) throw new Error('no plan')
    expect(effort.used).toBeLessThan(2 * effort.most)
    expect(found.leastMm).toBeGreaterThan(pieces.reduce((sum, { mm }) => sum + mm, 0))
    expect(found.leastMm).toBeLessThanOrEqual(found.stockMm)
  })

  it('is proved in the steps that it was measured to take: what was meant to spare steps spares them', () => {
    let steps = 0
    for (const seed of [1, 2, 3, 4, 5, 7, 8, 9, 10, 11, 12, 13, 14]) {
      let state = seed * 7919
      const next = () => {
        state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
        return state / 2_147_483_648
      }
      const pieces = Array.from({ length: 6 + Math.floor(next() * 9) }, (_, index) => ({
        name: `${index}`,
        mm: Math.round(15_000 + next() * 110_000) / 100,
      }))
      const stock = Array.from({ length: 1 + Math.floor(next() * 3) }, () => ({
        mm: Math.round(130_000 + next() * 170_000) / 100,
        ...(next() < 0.4 ? { count: 1 + Math.floor(next() * 6) } : {}),
      }))
      const effort = new Effort(1_000_000)
      const found = cuttingPlan({ pieces, stock, kerfMm: 1.37 }, effort)
      expect([seed, found.ok && found.proved]).toEqual([seed, true])
      steps += effort.used
    }
    // 66 700 when it was written
    expect(steps).toBeLessThan(72_000)
  })

  it('cuts every piece once, loses nothing, and is never beaten by all ways to share out few pieces', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 600 }), { minLength: 1, maxLength: 7 }),
        fc.uniqueArray(fc.constantFrom(600, 700, 900, 1300), { minLength: 1, maxLength: 3 }),
        fc.constantFrom(0, 3),
        (lengths, stock, kerfMm) => {
          const found = plan(lengths, stock, kerfMm)
          expect(found.bars.flatMap((bar) => bar.pieces).sort((a, b) => a - b)).toEqual(
            lengths.map((_, i) => i),
          )
          for (const bar of found.bars) {
            const cut = bar.pieces.reduce((sum, piece) => sum + (lengths[piece] ?? 0), 0)
            expect(cut + kerfMm * (bar.pieces.length - 1)).toBeLessThanOrEqual(bar.stockMm + 1e-9)
            // what is not piece and not rest went into the saw: at most a kerf a piece
            const saw = bar.stockMm - cut - bar.restMm
            expect(saw).toBeGreaterThanOrEqual(-1e-9)
            expect(saw).toBeLessThanOrEqual(kerfMm * bar.pieces.length + 1e-9)
          }
          expect(found.stockMm).toBeCloseTo(leastByAll(lengths, stock, kerfMm), 6)
        },
      ),
      { numRuns: 150 },
    ))

  it('says which piece no bar holds, and what is missing of a stock that is counted', () => {
    expect(
      cuttingPlan({ pieces: [{ name: 'riser', mm: 900 }], stock: [{ mm: 800 }], kerfMm: 0 }),
    ).toMatchObject({
      ok: false,
      reason: { ruleId: 'plan.too-long', parameters: { name: 'riser', overMm: 100 } },
    })
    expect(
      cuttingPlan({
        pieces: [300, 300, 300].map((mm) => ({ name: 'a', mm })),
        stock: [{ mm: 400, count: 2 }],
        kerfMm: 0,
      }),
    ).toMatchObject({ ok: false, reason: { ruleId: 'plan.too-little', parameters: { shortMm: 100 } } })
    expect(cuttingPlan({ pieces: [], stock: [], kerfMm: 0 })).toMatchObject({ ok: false })
    expect(plan([], [500])).toMatchObject({ bars: [], stockMm: 0 })
  })
})

/** Every way to share pieces out over bars, each bar the shortest that holds its share. */
function leastByAll(lengths: readonly number[], stock: readonly number[], kerf: number): number {
  const sorted = [...stock].sort((a, b) => a - b)
  const barFor = (pieces: readonly number[]) =>
    sorted.find((mm) => pieces.reduce((sum, piece) => sum + piece + kerf, -kerf) <= mm) ??
    Number.POSITIVE_INFINITY
  let best = Number.POSITIVE_INFINITY
  const walk = (at: number, groups: number[][]) => {
    if (at === lengths.length) {
      best = Math.min(
        best,
        groups.reduce((sum, group) => sum + barFor(group), 0),
      )
      return
    }
    const piece = lengths[at] as number
    for (const group of groups) {
      group.push(piece)
      walk(at + 1, groups)
      group.pop()
    }
    groups.push([piece])
    walk(at + 1, groups)
    groups.pop()
  }
  walk(0, [])
  return best
}
