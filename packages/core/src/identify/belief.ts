import { PIPES } from '../reference/pipes'
import type { PipeMaterial } from '../reference/types'
import { JOINT_KINDS, type MeasuringInstrument } from './answers'
import { hazards } from './hazards'
import {
  type Inference,
  infer,
  isOfSpot,
  jointWeights,
  mediumWeights,
  pipeWeights,
  SURFACE_COUNT,
} from './infer'
import { INSTRUMENTS, SLOT_GAUGE, SURFACE_IDS, WILD_RANGE_MM } from './instruments'
import { printOfAnother } from './print'
import { isMetricPipe, MEDIA, type Prior, prior } from './prior'
import { candidates, nextQuestions, type Situation, situationOf, worthNow } from './question'
import { CLASSES, LOOKS, NAMES, type PipeClass } from './space'
import { signAstray } from './spot'
import { JOINTS } from './tables/joints'
import { madeForOther } from './tables/shares'
import type {
  Belief,
  Carried,
  ClassBelief,
  Decide,
  IdentifyRequest,
  JointBelief,
  NextQuestion,
  Observation,
  ObservationEffect,
  PriorContext,
  Undecided,
} from './types'

/** The right decision must be at least this likely before asking stops. */
export const ENOUGH = 0.985
const DISAGREES = 0.6
/** A sign that the other looks made so unlikely is worth a second look. */
const UNFORETOLD = 0.02
/** Pipes less likely than this are not asked what they would decide. */
const DECIDES = 1e-3
/** As likely as not: what is said of a pipe as its first word. */
const LIKELY = 0.5
/** Candidates that are worth naming. */
const NAMED = 0.02
const AT_HAND: readonly MeasuringInstrument[] = ['caliper', 'tape', 'string', 'paper-strip']
const ALL_INSTRUMENTS: readonly MeasuringInstrument[] = [...AT_HAND, 'screen-gauge']
/** Evidence so much less likely than any single pipe would make it, in nats, contradicts itself. */
const CONTRADICTION = 9

function classSums(weights: Float64Array): Float64Array {
  const sums = new Float64Array(CLASSES.values.length)
  for (let index = 0; index < PIPES.length; index++) {
    const place = CLASSES.of[index] as number
    sums[place] = (sums[place] as number) + (weights[index] as number)
  }
  return sums
}

function classBeliefs(weights: Float64Array, priors: Prior): ClassBelief[] {
  const now = classSums(weights)
  const before = classSums(priors.pipes)
  const members = new Map<number, number[]>()
  for (let index = 0; index < PIPES.length; index++) {
    const place = CLASSES.of[index] as number
    const list = members.get(place)
    if (list) list.push(index)
    else members.set(place, [index])
  }
  return CLASSES.values
    .map((entry: PipeClass, place) => {
      const pipes = (members.get(place) ?? [])
        .map((index) => ({
          id: PIPES[index]?.id ?? '',
          name: NAMES[index] ?? '',
          probability: weights[index] as number,
          material: PIPES[index]?.material as PipeMaterial,
        }))
        .sort((a, b) => b.probability - a.probability)
      return {
        classId: entry.id,
        name: entry.name,
        material: pipes[0]?.material ?? entry.material,
        system: entry.system,
        nominal: entry.nominal,
        odMm: entry.odMm,
        probability: now[place] as number,
        prior: before[place] as number,
        pipes: pipes.map(({ id, name, probability }) => ({ id, name, probability })),
      }
    })
    .sort((a, b) => b.probability - a.probability || (a.classId < b.classId ? -1 : 1))
}

/**
 * How likely an observation has nothing to do with the pipe, given all others, by Bayes: its own chance of that, and
 * of showing what it shows if so, against how well the others foretold it.
 */
function astray(
  observation: Observation,
  foretold: number,
  { spot }: Inference,
  cells: Float64Array,
  alone: boolean,
): number {
  switch (observation.kind) {
    case 'outside':
    case 'wall':
    case 'bore':
      return INSTRUMENTS[observation.instrument].wild / WILD_RANGE_MM / foretold
    case 'gauge':
      return SLOT_GAUGE.wrong / foretold
    case 'sign':
      // a rare pipe looks rare: what is told of a joint or a line is odd only beside something else
      if (isOfSpot(observation.sign)) return signAstray(observation, spot, cells)
      return !alone && foretold < UNFORETOLD ? 1 : 0
    case 'print':
      return printOfAnother(observation.text) / foretold
  }
}

/** Probability of each look under each surface, all pipes that look so together. */
function cellWeights({ weights }: Inference): Float64Array {
  const cells = new Float64Array(LOOKS.values.length * SURFACE_COUNT)
  weights.forEach((weight, place) => {
    const look = LOOKS.of[Math.floor(place / SURFACE_COUNT)] as number
    const cell = look * SURFACE_COUNT + (place % SURFACE_COUNT)
    cells[cell] = (cells[cell] as number) + weight
  })
  return cells
}

/** How much each observation did: the odds of the leading class with it against without it, in bits. */
function effectsOf(
  priors: Prior,
  observations: readonly Observation[],
  full: Inference,
  leading: number,
): ObservationEffect[] {
  const odds = (inference: Inference) => {
    const p = classSums(pipeWeights(inference))[leading] as number
    return Math.log2(Math.max(p, 1e-12) / Math.max(1 - p, 1e-12))
  }
  const withAll = odds(full)
  const cells = cellWeights(full)
  return observations.map((observation) => {
    const without = infer(
      priors,
      observations.filter((other) => other !== observation),
    )
    return {
      id: observation.id,
      bits: Math.round((withAll - odds(without)) * 100) / 100,
      disagrees:
        astray(
          observation,
          Math.exp(full.logEvidence - without.logEvidence),
          full,
          cells,
          observations.length === 1,
        ) > DISAGREES,
    }
  })
}

/**
 * The two leading classes, where what is at hand will not tell them apart, and the look that would: the one that is
 * best for a posterior of just these two.
 */
function undecidedOf(
  situation: Situation,
  classes: readonly ClassBelief[],
  observations: readonly Observation[],
): Undecided | null {
  const [a, b] = classes
  if (!a || !b || b.probability < NAMED) return null
  const pair = new Set([a.classId, b.classId])
  const cells = situation.cells.filter(({ index }) =>
    pair.has(CLASSES.values[CLASSES.of[index] as number]?.id ?? ''),
  )
  const total = cells.reduce((sum, cell) => sum + cell.weight, 0)
  const two: Situation = {
    ...situation,
    none: 0,
    cells: cells.map((cell) => ({ ...cell, weight: cell.weight / total })),
  }
  const [best] = nextQuestions(two, candidates(ALL_INSTRUMENTS, observations))
  return best ? { classIds: [a.classId, b.classId], names: [a.name, b.name], question: best.question } : null
}

function expectedKinds({ pipes }: Prior): Belief['expected'] {
  const sums = new Map<PipeMaterial, number>()
  PIPES.forEach(({ material }, index) => {
    sums.set(material, (sums.get(material) ?? 0) + (pipes[index] as number))
  })
  return [...sums].map(([material, share]) => ({ material, share })).sort((a, b) => b.share - a.share)
}

function jointBeliefs(inference: Inference, weights: Float64Array): JointBelief[] {
  const sums = jointWeights(inference, weights)
  if (!sums) return []
  const total = sums.reduce((sum, value) => sum + value, 0) || 1
  return JOINT_KINDS.map((joint, place) => ({
    joint,
    probability: (sums[place] as number) / total,
    undone: JOINTS[joint].undone,
    reuse: JOINTS[joint].reuse,
  })).sort((a, b) => b.probability - a.probability)
}

/** Whether the looks fit no pipe together, though each fits some: the best pipe explains them far worse than none. */
function contradicts(inference: Inference, observations: readonly Observation[]): boolean {
  return (
    observations.length > 1 &&
    inference.none > 0.5 &&
    Math.log(inference.none / (1 - inference.none)) > CONTRADICTION
  )
}

/**
 * The bare probabilities, in the order of `PIPES`, and that of none: for callers that score many cases and need no
 * questions, effects or hazards.
 */
export function posterior(
  context: PriorContext,
  observations: readonly Observation[],
): { readonly weights: Float64Array; readonly none: number } {
  const full = infer(
    prior(context),
    observations.filter((observation) => !observation.withdrawn),
  )
  return { weights: pipeWeights(full), none: full.none }
}

/**
 * What the pipe is, how sure that is, what to look at next, and which hazards come with it.
 *
 * @param request observations as taken, with era, region, service and what is known of the house
 * @param decide two pipes with the same decision need not be told apart; default: part-and-hazard class
 * @returns probabilities summing to 1 over classes and "none of these"
 */
export function identify(request: IdentifyRequest, decide?: Decide): Belief {
  const observations = request.observations.filter((observation) => !observation.withdrawn)
  const priors = prior(request)
  const full = infer(priors, observations)
  const weights = pipeWeights(full)
  const classes = classBeliefs(weights, priors)
  const leader = classes[0] as ClassBelief

  // a pipe that is all but ruled out cannot tip the balance, and a decision is dear
  const decisionOf = (index: number): string =>
    decide && (weights[index] as number) > DECIDES
      ? decide(PIPES[index]?.id ?? '')
      : (CLASSES.values[CLASSES.of[index] as number]?.id ?? '')
  const situation = situationOf(full, decisionOf)
  const { best: certainty } = worthNow(situation)

  const mediumSums = mediumWeights(priors, full, weights)
  const carries = Object.fromEntries(MEDIA.map((medium, m) => [medium, mediumSums[m] as number])) as Record<
    Carried,
    number
  >
  const surface = Object.fromEntries(SURFACE_IDS.map((id) => [id, 0])) as Record<string, number>
  const byMaterialAndSurface = new Map<string, { material: PipeMaterial; s: number; weight: number }>()
  for (let index = 0; index < PIPES.length; index++) {
    const material = PIPES[index]?.material as PipeMaterial
    for (let s = 0; s < SURFACE_COUNT; s++) {
      const weight = full.weights[index * SURFACE_COUNT + s] as number
      if (weight < 1e-9) continue
      const id = SURFACE_IDS[s] as string
      surface[id] = (surface[id] as number) + weight
      const key = `${material} ${s}`
      const held = byMaterialAndSurface.get(key)
      if (held) held.weight += weight
      else byMaterialAndSurface.set(key, { material, s, weight })
    }
  }
  const joints = jointBeliefs(full, weights)
  const sweated = joints.length > 0 ? (joints.find(({ joint }) => joint === 'sweat')?.probability ?? 0) : 0.55
  const raised = hazards({
    share: (test) => {
      let sum = 0
      for (const { material, s, weight } of byMaterialAndSurface.values())
        sum += weight * test(material, SURFACE_IDS[s] as (typeof SURFACE_IDS)[number])
      return sum
    },
    carries,
    request,
    sweated,
  })
  const stopped = raised.some(
    (flag) => flag.level === 'stop' && ['gas', 'refrigerant', 'sprinkler'].includes(flag.hazardId),
  )
  const saidWhatItCarries = observations.some((o) => o.kind === 'sign' && o.sign === 'carries')

  const found = nextQuestions(situation, candidates(request.instruments ?? AT_HAND, observations))
  // whether it carries gas outweighs every question about parts
  const next: NextQuestion[] =
    stopped && !saidWhatItCarries
      ? [{ question: 'sign:carries', seconds: 20, gainPerMille: 1000 }, ...found]
      : found
  const noneLeads = full.none > leader.probability
  const enough = observations.length > 0 && certainty >= ENOUGH && !noneLeads && !stopped
  const undecided =
    enough || noneLeads || observations.length === 0 || found.length > 0
      ? null
      : undecidedOf(situation, classes, observations)

  const effects = effectsOf(
    priors,
    observations,
    full,
    CLASSES.values.findIndex((c) => c.id === leader.classId),
  )

  const outline = new Map<number, number>()
  let metric = 0
  PIPES.forEach((pipe, index) => {
    const weight = weights[index] as number
    if (isMetricPipe(pipe)) metric += weight
    if (weight > 0.0005) outline.set(pipe.odMm, (outline.get(pipe.odMm) ?? 0) + weight)
  })

  return {
    classes: classes.filter((entry, place) => place < 12 || entry.probability > 1e-4),
    none: full.none,
    outline: [...outline.entries()]
      .filter(([, weight]) => weight > 0.002)
      .map(([odMm, weight]) => ({ odMm, weight }))
      .sort((a, b) => b.weight - a.weight),
    surface,
    carries,
    metric,
    effects,
    hazards: raised,
    joints,
    next,
    enough,
    undecided,
    expected: expectedKinds(priors),
    reason: reasonOf(),
  }

  function reasonOf(): Belief['reason'] {
    const percent = Math.round(leader.probability * 100)
    if (observations.length === 0) return { ruleId: 'find.no-observation', parameters: {} }
    if (contradicts(full, observations)) return { ruleId: 'find.contradiction', parameters: {} }
    if (effects.every(({ disagrees }) => disagrees)) return { ruleId: 'find.misread', parameters: {} }
    if (noneLeads) return { ruleId: 'find.unknown', parameters: { percent: Math.round(full.none * 100) } }
    const medium = madeForOther(leader.material, request.service ?? 'unknown')
    if (medium && leader.probability > LIKELY)
      return { ruleId: 'find.not-water', parameters: { name: leader.name, percent, medium } }
    if (enough) {
      const likely = leader.pipes.filter((pipe) => pipe.probability > NAMED)
      const grades = [
        ...new Set(likely.map((pipe) => pipe.name.split(', ').slice(1).join(', ') || pipe.name)),
      ]
      return likely.length > 1
        ? {
            ruleId: 'find.enough-same-parts',
            parameters: { name: leader.name, grades: grades.slice(0, 4).join(' or ') },
          }
        : { ruleId: 'find.enough', parameters: { name: leader.name } }
    }
    if (undecided)
      return {
        ruleId: 'find.undecided',
        parameters: { name: undecided.names[0], other: undecided.names[1], percent },
      }
    const [best] = next
    return best
      ? { ruleId: 'find.ask', parameters: { name: leader.name, percent, look: best.question } }
      : { ruleId: 'find.spent', parameters: { name: leader.name, percent } }
  }
}
