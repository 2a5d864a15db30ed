import { CONNECTIONS, type Connection } from '../../reference/connections'
import { THREAD_ANSWERS, type ThreadSign } from '../answers'
import { REGION_OF } from '../tables/shares'
import { acrossDensity, leafFits, THREAD_INSTRUMENTS, threadLikelihood } from './likelihood'
import type {
  IdentifyThreadRequest,
  Leaf,
  ThreadBelief,
  ThreadNext,
  ThreadObservation,
  ThreadQuestion,
} from './types'

const IN = 25.4
export const THREAD_ENOUGH = 0.95
const NONE_PRIOR = 0.03
const UNFORETOLD = 0.02
const NAMED = 0.03
/** A look that brings it less nearer to settled than this is not worth taking. */
const LEAST_WORTH = 5e-4
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

/** How much a state of knowledge is worth: the chance of the right thread, and how near it is to being settled. */
interface Worth {
  readonly best: number
  readonly settled: number
}

/** Expected worth after an answer, over the threads that matter; a thread of no table answers anything alike. */
function afterAnswer({ weights, none }: Posterior, answers: number, outcomes: Outcomes): Worth {
  const best = new Float64Array(answers).fill(none / answers)
  const sums = best.slice()
  const squares = best.map((value) => value * value)
  CONNECTIONS.forEach((connection, index) => {
    const weight = weights[index] as number
    if (weight < 1e-5) return
    outcomes(connection).forEach((p, answer) => {
      const value = weight * p
      if (value > (best[answer] as number)) best[answer] = value
      sums[answer] = (sums[answer] as number) + value
      squares[answer] = (squares[answer] as number) + value * value
    })
  })
  return {
    best: best.reduce((sum, value) => sum + value, 0),
    settled: squares.reduce((sum, square, answer) => sum + square / (sums[answer] || 1), 0),
  }
}

const bins = (from: number, to: number, step: number) =>
  Array.from({ length: Math.round((to - from) / step) }, (_, index) => from + (index + 0.5) * step)
const COUNTS = bins(1, 16, 0.5)
const ACROSS = bins(6, 64, 0.2)
const GROWTH = bins(-1.6, 1.6, 0.08)
/** Leaves that would be laid in: one for each pitch and angle that some thread has. */
const LEAVES: readonly Leaf[] = [
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

/** One leaf laid in: it fits or it rocks, told as sharply as what is entered of it will be weighed. */
function leafOutcomes(leaf: Leaf): Outcomes {
  return (connection) => {
    const fits = leafFits(connection, leaf.pitchMm, leaf.form)
    return [fits, 1 - fits]
  }
}

/** Leaves no further apart than this are one, as a share of the pitch. */
const SAME_PITCH = 0.002

function leavesLeft(observations: readonly ThreadObservation[]): readonly Leaf[] {
  const laid = observations.filter((observation) => observation.kind === 'thread-leaf')
  return LEAVES.filter(
    ({ pitchMm, form }) =>
      !laid.some((leaf) => leaf.form === form && Math.abs(leaf.pitchMm / pitchMm - 1) < SAME_PITCH),
  )
}

/**
 * Looks by what they are expected to be worth, per second, best first: ranked by how much nearer to settled they
 * bring it, since two looks may tell together what neither tells alone. Of the leaves not yet laid in, the best.
 */
function nextQuestions(now: Posterior, observations: readonly ThreadObservation[]): readonly ThreadNext[] {
  const done = new Set(observations.map(asked))
  const best = Math.max(now.none, ...now.weights)
  const settled = now.weights.reduce((sum, weight) => sum + weight * weight, now.none * now.none)
  const told = (question: ThreadQuestion, worth: Worth, leaf?: Leaf) => ({
    question,
    seconds: SECONDS[question] ?? 10,
    gainPerMille: Math.max(0, Math.round((worth.best - best) * 1000)),
    ...(leaf ? { leaf } : {}),
    worth: worth.settled - settled,
  })
  const leaves = leavesLeft(observations)
    .map((leaf) => told('thread-leaf', afterAnswer(now, 2, leafOutcomes(leaf)), leaf))
    .sort((a, b) => b.worth - a.worth)
  const others = (Object.keys(SECONDS) as ThreadQuestion[])
    .filter((question) => question !== 'thread-leaf' && !done.has(question))
    .map((question) => {
      const { answers, of } = outcomesOf(question)
      return told(question, afterAnswer(now, answers, of))
    })
  return [...leaves.slice(0, 1), ...others]
    .filter(({ worth }) => worth > LEAST_WORTH)
    .sort((a, b) => b.worth / b.seconds - a.worth / a.seconds)
    .map(({ worth: _, ...next }) => next)
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
    reason: reasonOf(),
  }

  function reasonOf(): ThreadBelief['reason'] {
    if (observations.length === 0) return { ruleId: 'thread.no-observation', parameters: {} }
    if (now.none > first.p)
      return { ruleId: 'thread.unknown', parameters: { percent: Math.round(now.none * 100) } }
    const { name } = first.connection
    if (enough) return { ruleId: 'thread.enough', parameters: { name } }
    const [best] = next
    const known = { name, percent: Math.round(first.p * 100) }
    const look: Record<string, string | number> = best
      ? { look: best.question, ...(best.leaf ? { pitchMm: best.leaf.pitchMm, form: best.leaf.form } : {}) }
      : {}
    if (second.p > NAMED)
      return {
        ruleId: best ? 'thread.confused' : 'thread.confused-spent',
        parameters: { ...known, other: second.connection.name, ...look },
      }
    return { ruleId: best ? 'thread.ask' : 'thread.spent', parameters: { ...known, ...look } }
  }
}
