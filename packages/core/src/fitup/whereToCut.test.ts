import fc from 'fast-check'
import { type OnRun, RUN_FEATURES, type RunCutAsk, whereToCut } from './whereToCut'

/** Both cuts at every whole millimetre: what the trade says of each, and the best of those that hold. */
function byHand({
  badMm,
  onRun,
  leastBareMm,
  windowMm,
  corner,
}: RunCutAsk): { out: number; goes: number } | null {
  let best: { out: number; goes: number } | null = null
  const turn = corner && onRun[corner.elbow]
  const middle = turn ? (turn.fromMm + turn.toMm) / 2 : 0
  for (let a = -120; a <= badMm[0]; a++)
    for (let b = badMm[1]; b <= 120; b++) {
      if (!corner && (b - a < windowMm[0] || b - a > windowMm[1])) continue
      const legs = [middle - a, b - middle]
      if (
        corner?.legsMm.some(
          ([least, most], leg) => (legs[leg] as number) < least || (legs[leg] as number) > most,
        )
      )
        continue
      if (turn && (a > turn.fromMm || b < turn.toMm)) continue
      const inside = onRun.filter(({ fromMm, toMm }) => fromMm >= a && toMm <= b)
      const before = onRun.filter(({ toMm }) => toMm <= a)
      const beyond = onRun.filter(({ fromMm }) => fromMm >= b)
      // nothing is sawn through, nothing that turns, branches or shuts the run goes, each joint has its bare pipe
      if (inside.length + before.length + beyond.length !== onRun.length) continue
      if (inside.some((thing) => thing !== turn && ['elbow', 'tee', 'stop'].includes(thing.kind))) continue
      if (before.some(({ toMm }) => a - toMm < leastBareMm[0])) continue
      if (beyond.some(({ fromMm }) => fromMm - b < leastBareMm[1])) continue
      const found = { out: b - a, goes: inside.length - (turn ? 1 : 0) }
      if (!best || found.out < best.out || (found.out === best.out && found.goes < best.goes)) best = found
    }
  return best
}

const asks = fc
  .record({
    bad: fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 6 })),
    bare: fc.tuple(fc.integer({ min: 5, max: 20 }), fc.integer({ min: 5, max: 20 })),
    out: fc.tuple(fc.integer({ min: 5, max: 40 }), fc.integer({ min: 0, max: 40 })),
    // gaps and lengths outward from the bad pipe, so that things do not lie over each other
    near: fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(...RUN_FEATURES),
      ),
      { maxLength: 3 },
    ),
    far: fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(...RUN_FEATURES),
      ),
      { maxLength: 3 },
    ),
  })
  .map(({ bad, bare, out, near, far }): RunCutAsk => {
    const things: OnRun[] = []
    let at = bad[1]
    for (const [gap, length, kind] of far) {
      things.push({ kind, fromMm: at + gap, toMm: at + gap + length })
      at += gap + length
    }
    at = bad[0]
    for (const [gap, length, kind] of near) {
      things.push({ kind, fromMm: -(at + gap + length), toMm: -(at + gap) })
      at += gap + length
    }
    return { badMm: [-bad[0], bad[1]], onRun: things, leastBareMm: bare, windowMm: [out[0], out[0] + out[1]] }
  })

describe('where a run is cut', () => {
  it('is where trying every place says: the least comes out, and with it the least goes', () =>
    fc.assert(
      fc.property(asks, (ask) => {
        const found = whereToCut(ask)
        const hand = byHand(ask)
        if (!('cutsMm' in found)) {
          expect(hand).toBeNull()
          expect(found.shortMm).toBeGreaterThan(0)
          return
        }
        const [a, b] = found.cutsMm
        expect(hand && { out: hand.out, goes: hand.goes }).toEqual({ out: b - a, goes: found.goes.length })
        // and the cut itself holds
        for (const [index, { fromMm, toMm }] of ask.onRun.entries()) {
          if (found.goes.includes(index)) expect([fromMm >= a, toMm <= b]).toEqual([true, true])
          else expect(a - toMm >= ask.leastBareMm[0] || fromMm - b >= ask.leastBareMm[1]).toBe(true)
        }
      }),
      { numRuns: 300, seed: 12 },
    ))

  // an elbow of even length, so that its middle is a whole millimetre, beyond the bad pipe or round it
  const corners = fc
    .tuple(
      asks,
      fc.integer({ min: 0, max: 20 }),
      fc.integer({ min: 1, max: 6 }),
      fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 40 })),
      fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 40 })),
    )
    .map(([{ onRun, ...ask }, gap, half, near, far]): RunCutAsk => {
      const from = ask.badMm[1] + gap
      const moved = onRun.map((thing) =>
        thing.fromMm < ask.badMm[1]
          ? thing
          : { ...thing, fromMm: thing.fromMm + gap + 2 * half, toMm: thing.toMm + gap + 2 * half },
      )
      return {
        ...ask,
        onRun: [...moved, { kind: 'elbow', fromMm: from, toMm: from + 2 * half }],
        corner: {
          elbow: moved.length,
          legsMm: [
            [near[0], near[0] + near[1]],
            [far[0], far[0] + far[1]],
          ],
        },
      }
    })

  it('round a corner too: the old elbow goes, each leg as much as its new piece wants', () => {
    let none = 0
    let some = 0
    fc.assert(
      fc.property(corners, (ask) => {
        const found = whereToCut(ask)
        const hand = byHand(ask)
        if (hand) some++
        else none++
        if (!('cutsMm' in found)) expect([hand, found.shortMm > 0]).toEqual([null, true])
        else expect({ out: found.cutsMm[1] - found.cutsMm[0], goes: found.goes.length }).toEqual(hand)
      }),
      { numRuns: 300, seed: 13 },
    )
    // neither side is told apart by luck
    expect(Math.min(none, some)).toBeGreaterThan(50)
  })

  const ask: RunCutAsk = { badMm: [-5, 5], onRun: [], leastBareMm: [40, 40], windowMm: [30, 60] }
  it('is round the middle where nothing is near', () =>
    expect(whereToCut(ask)).toEqual({ cutsMm: [-15, 15], bareMm: [null, null], goes: [] }))

  it('takes an old coupling with it that stands too near, and leaves one that does not', () => {
    const near = whereToCut({ ...ask, onRun: [{ kind: 'coupling', fromMm: 12, toMm: 50 }] })
    expect(near).toMatchObject({ cutsMm: [-5, 50], goes: [0] })
    const away = whereToCut({ ...ask, onRun: [{ kind: 'coupling', fromMm: 70, toMm: 108 }] })
    expect(away).toEqual({ cutsMm: [-15, 15], bareMm: [null, 55], goes: [] })
    // a little to the side is enough
    const beside = whereToCut({ ...ask, onRun: [{ kind: 'elbow', fromMm: 50, toMm: 80 }] })
    expect(beside).toEqual({ cutsMm: [-20, 10], bareMm: [null, 40], goes: [] })
  })

  it('says by how much it fails, and what stands in the way', () => {
    expect(whereToCut({ ...ask, onRun: [{ kind: 'tee', fromMm: 30, toMm: 60 }] })).toEqual({
      shortMm: 15,
      blocks: 0,
    })
    // with both sides short both are added up, and the shorter one is what is named
    const tee = (fromMm: number) => ({ kind: 'tee', fromMm, toMm: fromMm + 5 }) as const
    expect(whereToCut({ ...ask, onRun: [tee(-40), tee(20)] })).toEqual({ shortMm: 35, blocks: 1 })
    expect(whereToCut({ ...ask, onRun: [tee(-25), tee(35)] })).toEqual({ shortMm: 35, blocks: 0 })
    // the coupling would go, but then more comes out than what goes in can fill
    expect(whereToCut({ ...ask, onRun: [{ kind: 'coupling', fromMm: 20, toMm: 75 }] })).toEqual({
      shortMm: 20,
      blocks: null,
    })
  })
})
