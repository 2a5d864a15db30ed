import fc from 'fast-check'
import { layOut } from '../fitup'
import { mate } from '../mate'
import { STARTING_SETTINGS } from '../mate/costs/settings'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import type { MateOption } from '../mate/types'
import { sequence } from '../sequence'
import { carriedStation, carriedStep, carryBetween } from './carry'
import { stepOf } from './dimensions'

const request = line('copper.l.1/2', { turn: 90 })
const WAYS = mate({ lines: [request], settings: WELL_EQUIPPED, k: 20 }).lines[0]?.options ?? []
const way = fc.constantFrom(...WAYS)

/** How many parts two ways have in common in order, by the usual table. */
function inCommon(a: MateOption, b: MateOption): number {
  const key = (part: MateOption['parts'][number]) => `${part.fittingId} ${part.inPort} ${part.outPort}`
  const table = Array.from({ length: a.parts.length + 1 }, () =>
    new Array<number>(b.parts.length + 1).fill(0),
  )
  const at = (i: number, j: number) => table[i]?.[j] ?? 0
  a.parts.forEach((one, i) => {
    b.parts.forEach((other, j) => {
      const row = table[i + 1] as number[]
      row[j + 1] = key(one) === key(other) ? at(i, j) + 1 : Math.max(at(i, j + 1), at(i + 1, j))
    })
  })
  return at(a.parts.length, b.parts.length)
}

describe('what of one way is still there in another', () => {
  it('has ways to tell apart', () => expect(WAYS.length).toBeGreaterThan(10))

  it('is every part that both have in order, and every joint between two such', () =>
    fc.assert(
      fc.property(way, way, (from, to) => {
        const { parts, seams, stub } = carryBetween(from, to)
        expect(parts.filter((place) => place !== null)).toHaveLength(inCommon(from, to))
        parts.forEach((place, index) => {
          if (place !== null) expect(to.parts[place]?.fittingId).toBe(from.parts[index]?.fittingId)
        })
        const kept = parts.flatMap((place) => (place === null ? [] : [place]))
        expect([...kept].sort((a, b) => a - b)).toEqual(kept)
        seams.forEach((seam, index) => {
          const [joint, now] = [from.joints[index], seam === null ? undefined : to.joints[seam]]
          if (!joint || !now) return
          expect(now.method).toBe(joint.method)
          for (const [before, after] of [
            [joint.from, now.from],
            [joint.to, now.to],
          ] as const)
            if (before < 0) expect([after, stub]).toEqual([-1, true])
            else expect(to.parts[after]?.fittingId).toBe(from.parts[before]?.fittingId)
        })
      }),
    ))

  it('is all of it where the same way is chosen again', () =>
    fc.assert(
      fc.property(way, (same) => {
        const carry = carryBetween(same, same)
        expect(carry.whole).toBe(true)
        for (const { id } of layOut({ chain: same, stubMm: 60, dimensions: [] }).stations)
          expect(carriedStation(carry, id)).toBe(id)
        const plan = sequence({
          lines: [{ lineId: 'a', conditions: request.conditions, option: same }],
          houseRules: STARTING_SETTINGS.houseRules,
        })
        for (const { id } of plan.steps) expect(carriedStep(carry, id)).toBe(id)
      }),
      { numRuns: 20 },
    ))

  it('does not take another fixture’s joint for the one that was made, though the parts are the same', () => {
    const way = WAYS.find(({ parts }) => parts.at(-1)?.family === 'supply-connector') as MateOption
    const last = way.joints.length - 1
    const other = {
      ...way,
      joints: way.joints.map((joint, seam) => (seam === last ? { ...joint, nominal: '7/8' } : joint)),
    }
    const { seams, whole } = carryBetween(way, other)
    expect([seams[last], seams[0], whole]).toEqual([null, 0, false])
  })

  it('leaves no tick on a joint that is another now, and keeps one on a joint that is the same', () => {
    let moved = 0
    let dropped = 0
    for (const from of WAYS)
      for (const to of WAYS) {
        if (from.id === to.id) continue
        const carry = carryBetween(from, to)
        from.joints.forEach((joint, seam) => {
          const step = stepOf({ stepId: `a/${seam}/close`, optionId: from.id }, to, [from, to])
          if (step === null) {
            dropped++
            return
          }
          moved++
          const now = to.joints[Number(step.split('/')[1])]
          expect([now?.method, now?.nominal, now?.tubeMaterial]).toEqual([
            joint.method,
            joint.nominal,
            joint.tubeMaterial,
          ])
        })
        // what is said of the whole line is said anew
        const dry = stepOf({ stepId: 'a/line/dry-inlet', optionId: from.id }, to, [from, to])
        expect(dry === null).toBe(!carry.whole)
        expect(stepOf({ stepId: 'general/drain', optionId: null }, to, [from, to])).toBe('general/drain')
      }
    expect(Math.min(moved, dropped)).toBeGreaterThan(100)
    const way = WAYS[0] as MateOption
    // a way that is no longer known carries nothing
    expect(stepOf({ stepId: 'a/0/close', optionId: 'gone' }, way, WAYS)).toBeNull()
  })
})
