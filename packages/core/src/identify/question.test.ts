import { PIPES } from '../reference'
import { SIGN_ANSWERS, type SignKind } from './answers'
import { infer, pipeWeights } from './infer'
import { INSTRUMENTS, SURFACE_IDS } from './instruments'
import { prior } from './prior'
import { candidates, nextQuestions, situationOf, worthNow } from './question'
import { CLASSES } from './space'
import { legible } from './tables/prints'
import { SIGN_SECONDS } from './tables/signs'
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

  it.each(['flex', 'tap', 'shaving-colour'] as SignKind[])(
    'sign:%s, where other signs of the spot were seen and one of them is odd',
    (sign) => {
      const seen: Observation[] = [
        across(21.3),
        { id: 'a', kind: 'sign', sign: 'colour', answer: 'cream' },
        { id: 'b', kind: 'sign', sign: 'scratch', answer: 'copper' },
      ]
      const now = settledBy(seen)
      const sums = { best: 0, settled: 0, total: 0 }
      for (const answer of SIGN_ANSWERS[sign]) {
        const after = settledBy([...seen, { id: 'x', kind: 'sign', sign, answer }])
        const p = after.evidence / now.evidence
        sums.total += p
        sums.best += p * after.best
        sums.settled += p * after.settled
      }
      const there = situationOf(infer(priors, seen), classOf)
      const found = candidates(ALL, seen)
        .find((entry) => entry.question === `sign:${sign}`)
        ?.after(there)
      expect(sums.total).toBeCloseTo(1, 6)
      expect(found?.best).toBeCloseTo(sums.best, 2)
      expect(found?.settled).toBeCloseTo(sums.settled, 2)
    },
  )

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

  it('outside:string, by readings a fifth of a millimetre of diameter apart', () => {
    const now = settledBy(before)
    const step = 0.2 * Math.PI
    const sums = { best: 0, settled: 0, total: 0 }
    for (let mm = 2 * Math.PI; mm < 122 * Math.PI; mm += step) {
      const after = settledBy([
        ...before,
        { id: 'x', kind: 'outside', instrument: 'string', mm, resolutionMm: 0 },
      ])
      // a density over diameters: the evidence is kept by diameter
      const p = (after.evidence / now.evidence) * 0.2
      sums.total += p
      sums.best += p * after.best
      sums.settled += p * after.settled
    }
    const found = list.find((entry) => entry.question === 'outside:string')?.after(situation)
    expect(sums.total).toBeCloseTo(1, 1)
    expect(Math.abs((found?.best ?? 0) - sums.best / sums.total)).toBeLessThan(0.01)
    expect(Math.abs((found?.settled ?? 0) - sums.settled / sums.total)).toBeLessThan(0.01)
  })

  it('a print: the pipe’s own settles everything, unread it leaves what it was', () => {
    const sums = new Map<string, number>([['none', inference.none]])
    let read = 0
    pipeWeights(inference).forEach((weight, index) => {
      // one print in fifty stands on another thing
      const share = 0.98 * legible(PIPES[index]?.material ?? 'copper')
      read += weight * share
      sums.set(classOf(index), (sums.get(classOf(index)) ?? 0) + weight * (1 - share))
    })
    const left = [...sums.values()]
    const whole = left.reduce((sum, value) => sum + value, 0)
    const found = list.find((entry) => entry.question === 'print')?.after(situation)
    expect(read).toBeGreaterThan(0.05)
    expect(found?.best).toBeCloseTo(read + Math.max(...left), 3)
    expect(found?.settled).toBeCloseTo(read + left.reduce((sum, value) => sum + value * value, 0) / whole, 3)
  })

  it('where it may well be a pipe of no table, by readings a quarter of a millimetre apart', () => {
    // two readings that no pipe of the tables has
    const odd = [across(36.7), across(36.72)]
    const strange = infer(priors, odd)
    expect(strange.none).toBeGreaterThan(0.2)
    const there = situationOf(strange, classOf)
    const evidence = Math.exp(strange.logEvidence)
    const sums = { best: 0, settled: 0, total: 0 }
    for (let mm = 0.6; mm < 130; mm += 0.25) {
      const after = settledBy([...odd, { id: 'x', kind: 'outside', instrument: 'tape', mm, resolutionMm: 0 }])
      const p = (after.evidence / evidence) * 0.25
      sums.total += p
      sums.best += p * after.best
      sums.settled += p * after.settled
    }
    const found = candidates(ALL, odd)
      .find((entry) => entry.question === 'outside:tape')
      ?.after(there)
    expect(sums.total).toBeGreaterThan(0.9)
    expect(found?.best).toBeGreaterThan(0.2)
    expect(Math.abs((found?.best ?? 9) - sums.best / sums.total)).toBeLessThan(0.02)
    expect(Math.abs((found?.settled ?? 9) - sums.settled / sums.total)).toBeLessThan(0.02)
    expect(found?.best ?? 0).toBeGreaterThanOrEqual(worthNow(there).best - 2e-4)
    expect(found?.best ?? 9).toBeLessThanOrEqual(1 + 1e-6)
    expect(found?.settled ?? 9).toBeLessThanOrEqual(1 + 1e-6)
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

  it('counts each instrument and each measure by itself', () => {
    const asked = (looks: readonly Observation[]) => candidates(ALL, looks).map((entry) => entry.question)
    const inside = (kind: 'wall' | 'bore', n: number): Observation => ({
      id: `${kind}${n}`,
      kind,
      instrument: 'caliper',
      mm: 2 + n / 100,
      resolutionMm: 0.05,
    })
    const by = (instrument: 'tape' | 'string', n: number): Observation => ({
      id: `${instrument}${n}`,
      kind: 'outside',
      instrument,
      mm: 15.9,
      resolutionMm: 1,
    })
    expect(asked([])).toEqual(expect.arrayContaining(['wall:caliper', 'bore:caliper', 'outside:tape']))
    const bored = asked([inside('bore', 1)])
    expect(bored).not.toContain('bore:caliper')
    expect(bored).toContain('wall:caliper')
    const walled = asked([inside('wall', 1), inside('wall', 2), inside('wall', 3)])
    expect(walled).not.toContain('wall:caliper')
    expect(walled).toEqual(expect.arrayContaining(['bore:caliper', 'outside:caliper']))
    const taped = asked([by('tape', 1), by('tape', 2), by('tape', 3), by('string', 1)])
    expect(taped).not.toContain('outside:tape')
    expect(taped).toEqual(expect.arrayContaining(['outside:string', 'outside:caliper']))
  })

  it('takes its time from the table', () => {
    for (const { question, seconds } of candidates(ALL, [])) {
      const [kind, what = ''] = question.split(':')
      if (kind === 'sign')
        expect([question, seconds]).toEqual([question, SIGN_SECONDS[what as SignKind] ?? 10])
      else if (kind === 'outside') expect(seconds).toBe(INSTRUMENTS[what as 'caliper'].seconds)
    }
  })

  it('asks what is worth most for its time first, and nothing that is worth nothing', () => {
    const inference = infer(priors, [across(15.9)])
    const situation = situationOf(inference, classOf)
    const list = candidates(ALL, [across(15.9)])
    const now = worthNow(situation)
    const rated = list.map(({ question, seconds, after }) => {
      const worth = after(situation).settled - now.settled
      return { question, worth, rate: worth / (seconds + 12) }
    })
    const asked = nextQuestions(situation, list)
    const wanted = rated.filter(({ worth }) => worth > 5e-4).sort((a, b) => b.rate - a.rate)
    expect(asked.map(({ question }) => question)).toEqual(wanted.map(({ question }) => question))
    expect(wanted.length).toBeGreaterThan(3)
    // a colour that was seen and means nothing here any more is not asked for the sake of asking
    const sure = situationOf(infer(priors, [across(15.9)]), () => 'the same')
    expect(nextQuestions(sure, list).length).toBeLessThan(list.length)
  })

  it('keeps what leads to one decision together', () => {
    const { cells, decisions, none } = situationOf(infer(priors, []), classOf)
    const order = cells.map(({ decision }) => decision)
    expect(order).toEqual([...order].sort((a, b) => a - b))
    expect(Math.max(...order)).toBe(decisions - 1)
    // by plain sums
    const sums = new Map<number, number>([[0, none]])
    for (const { decision, weight } of cells) sums.set(decision, (sums.get(decision) ?? 0) + weight)
    const values = [...sums.values()]
    const whole = values.reduce((sum, value) => sum + value, 0)
    const { best, settled } = worthNow({ cells, decisions, none } as never)
    expect(best).toBeCloseTo(Math.max(...values), 12)
    expect(settled).toBeCloseTo(values.reduce((sum, value) => sum + value * value, 0) / whole, 12)
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
