import { CONNECTIONS, type Connection } from '../../reference/connections'
import { THREAD_ANSWERS, type ThreadSign } from '../answers'
import { REGION_OF } from '../tables/shares'
import { acrossDensity, leafFits, THREAD_INSTRUMENTS, threadLikelihood } from './likelihood'
import type { IdentifyThreadRequest, ThreadBelief, ThreadObservation, ThreadQuestion } from './types'

const IN = 25.4
export const THREAD_ENOUGH = 0.95
const NONE_PRIOR = 0.03
const UNFORETOLD = 0.02
const NAMED = 0.03
/** A count is taken over an inch, or over as much thread as there is: half an inch is usual. */
const COUNT_OVER_MM = IN / 2
/** Two diameters are taken about this far apart. */
const TAPER_APART_MM = 9
const SECONDS: Readonly<Record<string, number>> = {
  'thread-count': 25,
  'thread-leaf': 20,
  'thread-across:caliper': 12,
  'thread-across:tape': 10,
  'thread-taper': 30,
  'thread-sign:gender': 2,
  'thread-sign:seat': 8,
  'thread-sign:place': 2,
}

interface Posterior {
  readonly weights: readonly number[]
  readonly none: number
  readonly logEvidence: number
}

function infer(request: IdentifyThreadRequest, observations: readonly ThreadObservation[]): Posterior {
  const region = REGION_OF[request.region]
  const priors = CONNECTIONS.map(
    ({ share }) => region['north-america'] * share.inch + region.metric * share.metric,
  )
  const total = priors.reduce((sum, value) => sum + value, 0)
  const weigh = (prior: number, connection: Connection | null) =>
    observations.reduce((product, observation) => product * threadLikelihood(observation, connection), prior)
  const weights = CONNECTIONS.map((connection, index) =>
    weigh(((1 - NONE_PRIOR) * (priors[index] as number)) / total, connection),
  )
  const none = weigh(NONE_PRIOR, null)
  const sum = weights.reduce((all, weight) => all + weight, none)
  return {
    weights: weights.map((weight) => weight / sum),
    none: none / sum,
    logEvidence: Math.log(sum),
  }
}

type Outcomes = (connection: Connection) => readonly number[]

/** Expected probability of the right thread after an answer, over the threads that matter. */
function expectedBest({ weights, none }: Posterior, answers: number, outcomes: Outcomes): number {
  const best = new Float64Array(answers).fill(none / answers)
  CONNECTIONS.forEach((connection, index) => {
    const weight = weights[index] as number
    if (weight < 1e-5) return
    outcomes(connection).forEach((p, answer) => {
      const value = weight * p
      if (value > (best[answer] as number)) best[answer] = value
    })
  })
  return best.reduce((sum, value) => sum + value, 0)
}

const bins = (from: number, to: number, step: number) =>
  Array.from({ length: Math.round((to - from) / step) }, (_, index) => from + (index + 0.5) * step)
const COUNTS = bins(1, 16, 0.5)
const ACROSS = bins(6, 64, 0.2)
const GROWTH = bins(-1.6, 1.6, 0.08)
const PITCHES: readonly { readonly pitchMm: number; readonly form: 60 | 55 }[] = [
  ...new Map(
    CONNECTIONS.map(({ pitchMm, form }) => [`${pitchMm.toFixed(3)} ${form}`, { pitchMm, form }] as const),
  ).values(),
]

function share(values: readonly number[]): readonly number[] {
  const sum = values.reduce((all, value) => all + value, 0) || 1
  return values.map((value) => value / sum)
}

/** Where each thread would put the answer of a question. */
function outcomesOf(question: ThreadQuestion): { readonly answers: number; readonly of: Outcomes } {
  const probe = (make: (value: number) => ThreadObservation, values: readonly number[]) => ({
    answers: values.length,
    of: (connection: Connection) => share(values.map((value) => threadLikelihood(make(value), connection))),
  })
  switch (question) {
    case 'thread-count':
      return probe((threads) => ({ id: '', kind: 'thread-count', threads, overMm: COUNT_OVER_MM }), COUNTS)
    case 'thread-taper':
      return probe(
        (grows) => ({
          id: '',
          kind: 'thread-taper',
          firstMm: 20,
          secondMm: 20 + grows,
          apartMm: TAPER_APART_MM,
        }),
        GROWTH,
      )
    case 'thread-across:caliper':
    case 'thread-across:tape': {
      const sd = Math.hypot(
        question.endsWith('tape') ? THREAD_INSTRUMENTS.tapeSdMm : THREAD_INSTRUMENTS.caliperSdMm,
        THREAD_INSTRUMENTS.crestSdMm,
      )
      return {
        answers: ACROSS.length,
        of: ({ acrossMm }) => share(ACROSS.map((mm) => acrossDensity(acrossMm, mm, sd) + 1e-5)),
      }
    }
    case 'thread-leaf':
      // the leaf that fits best is the answer
      return {
        answers: PITCHES.length,
        of: (connection) =>
          share(PITCHES.map(({ pitchMm, form }) => leafFits(connection, pitchMm, form) ** 3)),
      }
    default: {
      const sign = question.slice('thread-sign:'.length) as ThreadSign
      const answers = THREAD_ANSWERS[sign]
      return {
        answers: answers.length,
        of: (connection) =>
          answers.map((answer) =>
            threadLikelihood({ id: '', kind: 'thread-sign', sign, answer }, connection),
          ),
      }
    }
  }
}

function asked(observation: ThreadObservation): ThreadQuestion {
  switch (observation.kind) {
    case 'thread-sign':
      return `thread-sign:${observation.sign}`
    case 'thread-across':
      return `thread-across:${observation.instrument}`
    default:
      return observation.kind
  }
}

function nextQuestions(now: Posterior, observations: readonly ThreadObservation[]): ThreadBelief['next'] {
  const done = new Set(observations.map(asked))
  const best = Math.max(now.none, ...now.weights)
  return (Object.keys(SECONDS) as ThreadQuestion[])
    .filter((question) => !done.has(question))
    .map((question) => {
      const { answers, of } = outcomesOf(question)
      return {
        question,
        seconds: SECONDS[question] ?? 10,
        gainPerMille: Math.round((expectedBest(now, answers, of) - best) * 1000),
      }
    })
    .filter(({ gainPerMille }) => gainPerMille > 0)
    .sort((a, b) => b.gainPerMille / b.seconds - a.gainPerMille / a.seconds)
}

/**
 * Which thread or connection face it is: Bayes over all of them, from counts, gauge leaves, diameters across the
 * crests, the taper, the seat and the place.
 *
 * @returns candidates whose probabilities sum to 1 with `none`
 */
export function identifyThread(request: IdentifyThreadRequest): ThreadBelief {
  const observations = request.observations.filter((observation) => !observation.withdrawn)
  const now = infer(request, observations)
  const order = CONNECTIONS.map((connection, index) => ({
    connection,
    p: now.weights[index] as number,
  })).sort((a, b) => b.p - a.p || (a.connection.id < b.connection.id ? -1 : 1))
  const [first, second] = order as [(typeof order)[number], (typeof order)[number]]
  const index = CONNECTIONS.indexOf(first.connection)
  const odds = (p: number) => Math.log2(Math.max(p, 1e-12) / Math.max(1 - p, 1e-12))
  const effects = observations.map((observation) => {
    const without = infer(
      request,
      observations.filter((other) => other !== observation),
    )
    return {
      id: observation.id,
      bits: Math.round((odds(first.p) - odds(without.weights[index] as number)) * 100) / 100,
      disagrees: observations.length > 1 && Math.exp(now.logEvidence - without.logEvidence) < UNFORETOLD / 10,
    }
  })
  const enough = observations.length > 0 && first.p >= THREAD_ENOUGH
  const next = nextQuestions(now, observations)
  return {
    candidates: order
      .filter(({ p }, place) => place < 6 || p > 0.001)
      .map(({ connection, p }) => ({
        id: connection.id,
        name: connection.name,
        family: connection.family,
        nominal: connection.nominal,
        gender: connection.gender,
        pitchMm: connection.pitchMm,
        acrossMm: connection.acrossMm,
        taper: connection.taper,
        form: connection.form,
        probability: p,
      })),
    none: now.none,
    taper: CONNECTIONS.reduce(
      (sum, { taper }, place) => sum + (taper ? (now.weights[place] as number) : 0),
      0,
    ),
    next,
    enough,
    effects,
    reason:
      observations.length === 0
        ? { ruleId: 'thread.no-observation', parameters: {} }
        : now.none > first.p
          ? { ruleId: 'thread.unknown', parameters: { percent: Math.round(now.none * 100) } }
          : enough
            ? { ruleId: 'thread.enough', parameters: { name: first.connection.name } }
            : second.p > NAMED
              ? {
                  ruleId: 'thread.confused',
                  parameters: {
                    name: first.connection.name,
                    other: second.connection.name,
                    percent: Math.round(first.p * 100),
                  },
                }
              : {
                  ruleId: 'thread.ask',
                  parameters: { name: first.connection.name, percent: Math.round(first.p * 100) },
                },
  }
}
