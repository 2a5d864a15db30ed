import { classIdOf, identify, type Observation, PIPES, posterior } from '@diarmos/core'
import { oracle } from './oracle'
import { Random } from './random'
import { AS_DESCRIBED, type Case, drawCase, MANY_WILD, MISSPECIFIED, OWN_TABLES, observe } from './world'

const QUESTIONS = [
  'sign:colour',
  'sign:magnet',
  'sign:scratch',
  'sign:shaving-colour',
  'sign:flex',
  'sign:tap',
  'sign:joint',
  'sign:joint-band',
  'sign:joint-nut',
  'sign:joint-seam',
  'sign:joint-turns',
  'sign:print-colour',
  'sign:carries',
  'outside:caliper',
  'outside:caliper',
  'outside:tape',
  'outside:string',
  'outside:paper-strip',
  'wall:caliper',
  'bore:caliper',
]
const contextOf = (at: Case) => ({ era: at.era, region: at.region, service: at.service, known: [] })

/** Some looks at a place, in an order of chance. */
function looksAt(random: Random, at: Case, number: number): Observation[] {
  const left = [...QUESTIONS]
  return Array.from({ length: number }, (_, index) => {
    const [question = ''] = left.splice(Math.floor(random.next() * left.length), 1)
    return observe(random, at, question, String(index), AS_DESCRIBED)
  })
}

describe('Find against the oracle, which shares no inference with it', () => {
  // the oracle integrates the shared shift numerically and writes every sum out anew
  it.each(Array.from({ length: 24 }, (_, index) => [index]))('place %i: the same posterior', (seed) => {
    const random = new Random(1000 + seed)
    const at = drawCase(random, AS_DESCRIBED)
    const looks = looksAt(random, at, 1 + (seed % 5))
    const expected = oracle(at, looks, null)
    const { weights, none } = posterior(contextOf(at), looks)
    let apart = Math.abs(none - (expected[PIPES.length] ?? 0))
    weights.forEach((weight, index) => {
      apart = Math.max(apart, Math.abs(weight - (expected[index] ?? 0)))
    })
    expect(apart).toBeLessThan(2e-3)
  })
})

describe('Find in the world', () => {
  const play = (departure: typeof AS_DESCRIBED, runs: number) => {
    let right = 0
    let sure = 0
    let surelyRight = 0
    let questions = 0
    for (let run = 0; run < runs; run++) {
      const random = new Random(50_000 + run * 7919)
      const at = drawCase(random, departure)
      const truth = at.pipe ? classIdOf(at.pipe) : 'none'
      const looks: Observation[] = []
      for (;;) {
        const belief = identify({ ...contextOf(at), observations: looks })
        const next = belief.next[0]?.question
        if (!belief.enough && next && looks.length < 12) {
          looks.push(observe(random, at, next, String(looks.length), departure))
          continue
        }
        const leader =
          belief.none > (belief.classes[0]?.probability ?? 0) ? 'none' : belief.classes[0]?.classId
        questions += looks.length
        if (leader === truth) right++
        if (belief.enough) sure++
        if (belief.enough && leader === truth) surelyRight++
        break
      }
    }
    return { right: right / runs, surelyRight: surelyRight / sure, questions: questions / runs }
  }

  // far looser than what bench/find.ts measures: a guard against something breaking, not the measurement
  it.each([
    ['as described', AS_DESCRIBED],
    ['with one reading in ten wild', MANY_WILD],
    ['misspecified', MISSPECIFIED],
    ['of its own tables', OWN_TABLES],
  ] as const)(
    '%s: right where it says enough, and in few looks',
    (_name, departure) => {
      const { right, surelyRight, questions } = play(departure, 40)
      expect(right).toBeGreaterThan(0.92)
      expect(surelyRight).toBeGreaterThan(0.95)
      expect(questions).toBeLessThan(5)
    },
    60_000,
  )

  it('is the same world for the same seed', () => {
    const draw = () => {
      const random = new Random(5)
      const at = drawCase(random, MISSPECIFIED)
      return JSON.stringify([at, looksAt(random, at, 4)])
    }
    expect(draw()).toBe(draw())
  })
})

describe('chance in the world', () => {
  it('is even, normal and weighted as it should be', () => {
    const random = new Random(1)
    const uniform = Array.from({ length: 20_000 }, () => random.next())
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
    expect(mean(uniform)).toBeCloseTo(0.5, 1)
    expect(Math.min(...uniform)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...uniform)).toBeLessThan(1)
    const normal = Array.from({ length: 20_000 }, () => random.normal())
    expect(mean(normal)).toBeCloseTo(0, 1)
    expect(mean(normal.map((value) => value ** 2))).toBeCloseTo(1, 1)
    const picks = Array.from({ length: 20_000 }, () =>
      random.weighted([
        ['a', 3],
        ['b', 1],
      ] as const),
    )
    expect(picks.filter((pick) => pick === 'a').length / picks.length).toBeCloseTo(0.75, 1)
  })
})
