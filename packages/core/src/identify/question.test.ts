import { PIPES } from '../reference'
import { SIGN_ANSWERS, type SignKind } from './answers'
import { infer, pipeWeights } from './infer'
import { SURFACE_IDS } from './instruments'
import { prior } from './prior'
import { candidates, nextQuestions, situationOf, worthNow } from './question'
import { CLASSES } from './space'
import type { Observation } from './types'

const context = { era: '1978-1995', region: 'north-america', service: 'cold', known: [] } as const
const priors = prior(context)
const classOf = (index: number) => CLASSES.values[CLASSES.of[index] ?? 0]?.id ?? ''
const ALL = ['caliper', 'tape', 'string', 'paper-strip', 'screen-gauge'] as const
const across = (mm: number): Observation => ({
  id: `c${mm}`,
  kind: 'outside',
  instrument: 'caliper',
  mm,
  resolutionMm: 0.05,
})

/** What the classes come to after some looks, and how near to settled that is: by plain sums. */
function settledBy(observations: readonly Observation[]): {
  best: number
  settled: number
  evidence: number
} {
  const inference = infer(priors, observations)
  const sums = new Map<string, number>([['none', inference.none]])
  pipeWeights(inference).forEach((weight, index) => {
    sums.set(classOf(index), (sums.get(classOf(index)) ?? 0) + weight)
  })
  const values = [...sums.values()]
  return {
    best: Math.max(...values),
    settled: values.reduce((sum, value) => sum + value * value, 0),
    evidence: Math.exp(inference.logEvidence),
  }
}

describe('what a question is worth, against asking it and seeing every answer', () => {
  const before = [across(15.9)]
  const inference = infer(priors, before)
  const situation = situationOf(inference, classOf)
  const list = candidates(ALL, before)

  // the evidence of each answer is its probability times the evidence so far
  it.each([
    'colour',
    'scratch',
    'magnet',
    'flex',
    'tap',
    'shaving-colour',
    'joint',
    'joint-band',
    'joint-seam',
  ] as SignKind[])('sign:%s', (sign) => {
    const now = settledBy(before)
    let best = 0
    let settled = 0
    let total = 0
    for (const answer of SIGN_ANSWERS[sign]) {
      const after = settledBy([...before, { id: 'x', kind: 'sign', sign, answer }])
      const p = after.evidence / now.evidence
      total += p
      best += p * after.best
      settled += p * after.settled
    }
    expect(total).toBeCloseTo(1, 6)
    const found = list.find((entry) => entry.question === `sign:${sign}`)?.after(situation)
    // cells lighter than 1e-5 are left out of the one and not of the other
    expect(found?.best).toBeCloseTo(best, 2)
    expect(found?.settled).toBeCloseTo(settled, 2)
  })

  it('outside:tape, by readings a millimetre fifth apart', () => {
    const now = settledBy(before)
    const step = 0.2
    let best = 0
    let settled = 0
    let total = 0
    for (let mm = 2; mm < 122; mm += step) {
      const after = settledBy([
        ...before,
        { id: 'x', kind: 'outside', instrument: 'tape', mm, resolutionMm: 0 },
      ])
      const p = (after.evidence / now.evidence) * step
      total += p
      best += p * after.best
      settled += p * after.settled
    }
    const found = list.find((entry) => entry.question === 'outside:tape')?.after(situation)
    expect(total).toBeCloseTo(1, 1)
    expect((found?.best ?? 0) - best / total).toBeLessThan(0.01)
    expect(Math.abs((found?.settled ?? 0) - settled / total)).toBeLessThan(0.01)
  })

  // bins end four standard deviations out: what lies beyond is left out
  it('never makes less sure, whatever is asked', () => {
    const now = worthNow(situation)
    for (const { question, after } of list) {
      const worth = after(situation)
      expect([question, worth.best >= now.best - 2e-4, worth.settled >= now.settled - 2e-4]).toEqual([
        question,
        true,
        true,
      ])
    }
  })
})

describe('which questions are left', () => {
  it('does not ask again what was answered, but lets a measure be repeated', () => {
    const looks: Observation[] = [
      across(15.9),
      { id: 's', kind: 'sign', sign: 'colour', answer: 'painted' },
      { id: 'p', kind: 'print', text: '-' },
    ]
    const questions = candidates(ALL, looks).map((entry) => entry.question)
    expect(questions).not.toContain('sign:colour')
    expect(questions).not.toContain('print')
    expect(questions).toContain('outside:caliper')
    const thrice = [across(15.9), across(15.91), across(15.92)]
    expect(candidates(ALL, thrice).map((entry) => entry.question)).not.toContain('outside:caliper')
  })

  it('asks only with what is at hand', () => {
    const questions = candidates(['string'], []).map((entry) => entry.question)
    expect(questions.filter((question) => question.startsWith('outside:'))).toEqual(['outside:string'])
    expect(questions).not.toContain('wall:caliper')
  })

  it('asks nothing where everything leads to one decision', () => {
    const inference = infer(priors, [across(15.9)])
    const one = situationOf(inference, () => 'the same')
    const asked = nextQuestions(one, candidates(ALL, []))
    // but for telling it from a pipe of no table
    for (const { gainPerMille } of asked) expect(gainPerMille).toBeLessThan(10)
  })

  it('gathers every pipe that matters, once for each surface', () => {
    const situation = situationOf(infer(priors, []), classOf)
    const seen = new Set(situation.cells.map((cell) => `${cell.index} ${cell.surface}`))
    expect(seen.size).toBe(situation.cells.length)
    expect(situation.cells.reduce((sum, cell) => sum + cell.weight, situation.none)).toBeGreaterThan(0.98)
    for (const { index, surface } of situation.cells) {
      expect(index).toBeLessThan(PIPES.length)
      expect(surface).toBeLessThan(SURFACE_IDS.length)
    }
  })
})
