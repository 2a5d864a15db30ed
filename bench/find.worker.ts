// Runs in a browser's worker: one update of the belief, and the choice of the next question, each by itself.
import type { Observation } from '@diarmos/core'
import { infer } from '../packages/core/src/identify/infer'
import { prior } from '../packages/core/src/identify/prior'
import { candidates, nextQuestions, situationOf } from '../packages/core/src/identify/question'
import { CLASSES } from '../packages/core/src/identify/space'

const WARM_UP = 60
const RUNS = 300
const context = { era: 'unknown', region: 'north-america', service: 'cold', known: [] } as const
const atHand = ['caliper', 'tape', 'string', 'paper-strip'] as const

const across = (id: string, mm: number): Observation => ({
  id,
  kind: 'outside',
  instrument: 'caliper',
  mm,
  resolutionMm: 0.0254,
})
const seen = (sign: 'scratch' | 'joint' | 'colour', answer: string): Observation => ({
  id: sign,
  kind: 'sign',
  sign,
  answer,
})
const LOOKS: readonly Observation[] = [across('a', 15.9), seen('scratch', 'copper'), seen('joint', 'sweat')]
const FIVE = ['a', 'b', 'c', 'd', 'e'].map((id, index) => across(id, 15.85 + index / 50))

function time(run: () => void): { median: number; p95: number } {
  for (let i = 0; i < WARM_UP; i++) run()
  const times: number[] = []
  for (let i = 0; i < RUNS; i++) {
    const begin = performance.now()
    run()
    times.push(performance.now() - begin)
  }
  times.sort((a, b) => a - b)
  return { median: times[RUNS >> 1] ?? 0, p95: times[Math.floor(RUNS * 0.95)] ?? 0 }
}

const priors = prior(context)
const decide = (index: number) => CLASSES.values[CLASSES.of[index] as number]?.id ?? ''
const next = (looks: readonly Observation[]) => {
  const inference = infer(priors, looks)
  return () => nextQuestions(situationOf(inference, decide), candidates(atHand, looks))
}

postMessage([
  ['update, one look', time(() => infer(priors, LOOKS.slice(0, 1)))],
  ['update, three looks', time(() => infer(priors, LOOKS))],
  ['update, five readings', time(() => infer(priors, FIVE))],
  ['next question, nothing seen', time(next([]))],
  ['next question, one look', time(next(LOOKS.slice(0, 1)))],
  ['next question, three looks', time(next(LOOKS))],
])
