import fc from 'fast-check'
import type { Conditions } from '../../assembly/conditions'
import { CATALOG } from '../../catalog'
import { mate } from '..'
import { Problem } from '../model/problem'
import { guideOf } from '../search/guide'
import { Grower, type Label, needsTrip } from '../search/labels'
import { search } from '../search/search'
import { line, STUBS, WELL_EQUIPPED } from '../test/problems'
import type { ChosenPart, LineRequest } from '../types'
import { STUB_METHODS } from './refusals'

const places: fc.Arbitrary<Partial<Conditions>> = fc.record({
  service: fc.constantFrom('hot' as const, 'cold' as const),
  access: fc.constantFrom('reachable' as const, 'closed-wall' as const),
  flame: fc.boolean(),
  line: fc.constantFrom('dry' as const, 'trickle' as const),
  nearHeater: fc.boolean(),
  sunlight: fc.boolean(),
  stubMm: fc.constantFrom(null, 18, 45, 90),
  reachMm: fc.constantFrom(null, 250),
  outlets: fc.constantFrom(1 as const, 2 as const),
  turn: fc.constantFrom(0 as const, 45 as const, 90 as const),
})
const fixtures = ['faucet.shank.1/2', 'valve.combo.1/2', 'washer.hose', 'toilet.fill.7/8', 'closed']
const inch = STUBS.filter(({ nominal }) => ['1/2', '3/4'].includes(nominal))
const lines: fc.Arbitrary<LineRequest> = fc
  .tuple(fc.constantFrom(...inch), places, fc.constantFrom(...fixtures))
  .map(([pipe, place, fixtureId]) => line(pipe.id, place, fixtureId))
/** The same straight on to what is held, over a length that was measured. */
const filled: fc.Arbitrary<LineRequest> = fc
  .tuple(
    fc.constantFrom(...inch),
    places,
    fc.constantFrom('heater.nipple.3/4', 'valve.combo.1/2', 'valve.barb.1/2'),
    fc.record({ spanMm: fc.constantFrom(90, 300, 700), givesMm: fc.constantFrom(null, 20, 60) }),
  )
  .map(([pipe, place, fixtureId, gap]) => line(pipe.id, { ...place, ...gap, turn: 0 }, fixtureId))

describe('an answer', () => {
  it('does not depend on what was asked before', () =>
    fc.assert(
      fc.property(lines, fc.array(lines, { minLength: 1, maxLength: 3 }), (wanted, before) => {
        // a catalogue of its own is a network, a book and guides of its own: nothing is known of it yet
        const fresh = { catalogue: [...CATALOG] }
        const alone = mate({ lines: [wanted], settings: WELL_EQUIPPED, k: 3 }, fresh)
        const used = { catalogue: [...CATALOG] }
        for (const other of before) mate({ lines: [other], settings: WELL_EQUIPPED, k: 3 }, used)
        expect(mate({ lines: [wanted], settings: WELL_EQUIPPED, k: 3 }, used)).toEqual(alone)
      }),
      { numRuns: 5 },
    ))

  it('is the same for a shop whose numbers are equal, though they are another object', () =>
    fc.assert(
      fc.property(lines, (wanted) => {
        const twice = [WELL_EQUIPPED, structuredCopy(WELL_EQUIPPED)].map(
          (settings) => mate({ lines: [wanted], settings, k: 3 }).lines,
        )
        expect(twice[1]).toEqual(twice[0])
      }),
      { numRuns: 25 },
    ))
})

const structuredCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** A finished chain from its first label on. */
function chain(goal: Label): Label[] {
  const labels: Label[] = []
  for (let at: Label | null = goal; at; at = at.back) labels.unshift(at)
  return labels
}

describe('the bounds that guide the search', () => {
  it('never promise less than nothing, nor more than what really follows', () =>
    fc.assert(
      fc.property(fc.oneof(lines, filled), (wanted) => {
        const problem = new Problem(wanted, { settings: WELL_EQUIPPED })
        const guide = guideOf(problem)
        for (const goal of search(problem, { kind: 'ways', k: 6 }, guide).goals)
          for (const label of chain(goal)) {
            // on the stub its own rules add to what the bounds know: from the first part on they are comparable
            if (label.done || !label.back) continue
            const rest = (measure?: 'seconds' | 'joints' | 'riskPerMille' | 'notAboard' | 'priceCents') =>
              guide.rest(label, measure) ?? Number.NaN
            expect(rest()).toBeGreaterThanOrEqual(0)
            expect(label.additive + rest()).toBeLessThanOrEqual(goal.additive)
            for (const measure of ['seconds', 'joints', 'riskPerMille', 'notAboard', 'priceCents'] as const)
              expect(label[measure] + rest(measure)).toBeLessThanOrEqual(goal[measure])
            if (problem.span === null) continue
            const [least, most] = guide.lengths(label, goal.parts - label.parts)
            expect(label.lo + least).toBeLessThanOrEqual(goal.lo)
            expect(label.hi + most).toBeGreaterThanOrEqual(goal.hi)
          }
      }),
      { numRuns: 60 },
    ))

  it('ways come in the order of their whole cost', () =>
    fc.assert(
      fc.property(lines, (wanted) => {
        const problem = new Problem(wanted, { settings: WELL_EQUIPPED })
        const totals = search(problem, { kind: 'ways', k: 8 }).goals.map((goal) =>
          problem.total(goal.additive, goal.mask, needsTrip(goal)),
        )
        expect(totals).toEqual([...totals].sort((a, b) => a - b))
      }),
      { numRuns: 40 },
    ))
})

describe('what fits at all', () => {
  // one of several ways to open the old end, and a coupling with a piece of the same tube: it ends as another began
  const asAnotherBegan = line('copper.regular.18mm', { oldJoint: 'compression' }, 'toilet.fill.g3/8')

  it('is told alike by the search that tells ways apart, method by method, and costs the least of them', () =>
    fc.assert(
      fc.property(lines, fc.constantFrom(...STUB_METHODS), (wanted, method) => {
        const problem = new Problem(wanted, { settings: WELL_EQUIPPED })
        const guide = guideOf(problem)
        const least = search(problem, { kind: 'least' }, guide, method)
        const ways = search(problem, { kind: 'ways', k: 200 }, guide, method)
        fc.pre(!least.truncated && !ways.truncated)
        expect(least.goals.length).toBe(Math.min(1, ways.goals.length))
        if (ways.goals.length > 0)
          expect(least.goals[0]?.additive).toBe(Math.min(...ways.goals.map(({ additive }) => additive)))
      }),
      { numRuns: 100, seed: 21, examples: [[asAnotherBegan, 'sweat']] },
    ))
})

describe('circles', () => {
  const waysOf = (request: LineRequest) =>
    mate({ lines: [request], settings: WELL_EQUIPPED, k: 400 }).lines[0]?.options ?? []
  const sameWayRound = ({ fittingId, outPort }: ChosenPart) => `${fittingId}>${outPort}`
  /** Ways with the same part on either side of one that makes the difference: the same end is shown twice. */
  const sameBothSides = (request: LineRequest, family: string) =>
    waysOf(request).filter(({ parts }) => {
      const at = parts.findIndex((part) => part.family === family)
      const before = new Set(parts.slice(0, at).map(sameWayRound))
      return at > 0 && parts.slice(at + 1).some((part) => before.has(sameWayRound(part)))
    })

  it('past a bend the same end is no circle', () => {
    const corner = line('galvanised.40.1/2', { turn: 90 }, 'washer.hose')
    expect(sameBothSides(corner, 'elbow-90')).not.toEqual([])
    for (const { parts } of waysOf(corner))
      expect(parts.filter(({ family }) => family.includes('elbow')).length).toBeGreaterThan(0)
  })

  it('past a valve it is none either: the same tube before and behind it', () =>
    expect(
      sameBothSides(line('galvanised.40.1/2', { access: 'reachable' }, 'tap.tail.1/2'), 'isolating-valve'),
    ).not.toEqual([]))

  it('a grower yields no chain that comes back to an end with as much behind it', () => {
    const problem = new Problem(line('copper.l.1/2'), { settings: WELL_EQUIPPED })
    const grower = new Grower(problem, guideOf(problem))
    const walk = (label: Label, depth: number) => {
      if (depth === 0 || label.done) return
      grower.next(label, (next) => {
        const shown = chain(next)
          .slice(1)
          .filter((step) => !step.done)
          .map(({ openClass, stage, turned }) => `${openClass}/${stage}/${turned}`)
        const own = `${problem.network.classOf(next.start.port)}/0/0`
        const again = shown.filter((key) => key !== own)
        expect(new Set(again).size).toBe(again.length)
        walk(next, depth - 1)
      })
    }
    for (const label of grower.initial().slice(0, 1)) walk(label, 2)
  })
})
