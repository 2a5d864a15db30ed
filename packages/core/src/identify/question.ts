import { JOINT_KINDS, JOINT_SIGNS, type MeasuringInstrument, SIGN_ANSWERS, type SignKind } from './answers'
import {
  expectedBore,
  expectedOutside,
  expectedWall,
  type Inference,
  NONE_OUTSIDE,
  NONE_WALL,
  pipeAt,
  SURFACE_COUNT,
  SURFACE_LIST,
} from './infer'
import { BORE_SD_MM, CUT_END_SECONDS, INSTRUMENTS, WILD_RANGE_MM } from './instruments'
import { PRINT_OF_ANOTHER } from './print'
import { JOINT_ON_LOOK, jointAnswer, signTable } from './seen'
import { BORES, LOOKS, OUTSIDES, WALLS } from './space'
import { misledAnswers } from './spot'
import { legible } from './tables/prints'
import { SIGN_SECONDS } from './tables/signs'
import type { NextQuestion, Observation, QuestionId } from './types'

/** Cells lighter than this cannot change which question is best. */
const NEGLIGIBLE = 1e-5
const BIN_MM = 0.1
const BINS = 2200
/** Bins that a wild reading may fall into. */
const WILD_BINS = WILD_RANGE_MM / BIN_MM
const SQRT_TWO_PI = Math.sqrt(2 * Math.PI)
/** What it takes to be asked at all: read the question, get at the pipe, tap the answer. Common practice. */
const ASKING_SECONDS = 12
/** A question that brings the decision less nearer than this is not worth asking. */
const LEAST_WORTH = 5e-4
/** Readings of one instrument that are worth asking for. */
const MOST_OF_ONE = 3

/** One pipe under one surface, as far as it matters, with the decision it leads to. */
interface Cell {
  readonly index: number
  readonly surface: number
  readonly decision: number
  readonly weight: number
}

/** The posterior, cut to what matters and sorted by decision. */
export interface Situation {
  readonly cells: readonly Cell[]
  readonly decisions: number
  readonly none: number
  readonly noneDecision: number
  readonly inference: Inference
}

/** Gathers the posterior by decision. `decisionOf` names, for each pipe, what it leads to. */
export function situationOf(inference: Inference, decisionOf: (index: number) => string): Situation {
  const places = new Map<string, number>([['none', 0]])
  const cells: Cell[] = []
  const { weights } = inference
  for (let index = 0; index * SURFACE_COUNT < weights.length; index++) {
    let decision = -1
    for (let surface = 0; surface < SURFACE_COUNT; surface++) {
      const weight = weights[index * SURFACE_COUNT + surface] as number
      if (weight <= NEGLIGIBLE) continue
      if (decision < 0) {
        const name = decisionOf(index)
        decision = places.get(name) ?? places.size
        places.set(name, decision)
      }
      cells.push({ index, surface, decision, weight })
    }
  }
  cells.sort((a, b) => a.decision - b.decision)
  return { cells, decisions: places.size, none: inference.none, noneDecision: 0, inference }
}

/** How much a state of knowledge is worth: the chance of the right decision, and how near it is to being settled. */
export interface Worth {
  /** Expected probability of the best decision. */
  readonly best: number
  /** Expected sum of squared probabilities of the decisions: grows with every look that tells anything. */
  readonly settled: number
}

/** What is known now is worth. */
export function worthNow({ cells, decisions, none }: Situation): Worth {
  const sums = new Float64Array(decisions)
  sums[0] = none
  let total = none
  for (const { decision, weight } of cells) {
    sums[decision] = (sums[decision] as number) + weight
    total += weight
  }
  let best = 0
  let squares = 0
  for (const sum of sums) {
    if (sum > best) best = sum
    squares += sum * sum
  }
  return { best, settled: squares / total }
}

/** Expected worth once a question with few answers is answered. */
function afterAnswer(
  situation: Situation,
  answers: number,
  probability: (cell: Cell, answer: number) => number,
): Worth {
  const { cells, decisions, none } = situation
  const table = new Float64Array(decisions * answers)
  for (let answer = 0; answer < answers; answer++) table[answer] = none / answers
  for (const cell of cells) {
    const row = cell.decision * answers
    for (let answer = 0; answer < answers; answer++)
      table[row + answer] = (table[row + answer] as number) + cell.weight * probability(cell, answer)
  }
  let best = 0
  let settled = 0
  for (let answer = 0; answer < answers; answer++) {
    let top = 0
    let sum = 0
    let squares = 0
    for (let decision = 0; decision < decisions; decision++) {
      const value = table[decision * answers + answer] as number
      if (value > top) top = value
      sum += value
      squares += value * value
    }
    best += top
    if (sum > 0) settled += squares / sum
  }
  return { best, settled }
}

function afterSign(situation: Situation, sign: SignKind): Worth {
  const answers = SIGN_ANSWERS[sign].length
  const table = signTable(sign)
  const { spot } = situation.inference
  const elsewhere = misledAnswers(spot, sign)
  return afterAnswer(situation, answers, ({ index, surface }, answer) => {
    const place = (LOOKS.of[index] as number) * SURFACE_COUNT + surface
    const misled = spot.misled[place] as number
    return (1 - misled) * (table[place * answers + answer] as number) + misled * (elsewhere[answer] as number)
  })
}

/** The same for a sign of the joint: the kinds of joint still possible on each look are summed over. */
function afterJointSign(situation: Situation, sign: SignKind): Worth {
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  const { jointLogs } = situation.inference
  const byJoint = JOINT_KINDS.map((joint) => answers.map((answer) => jointAnswer(sign, answer, joint)))
  const onLook = new Map<number, Float64Array>()
  const rowOf = (look: number) => {
    const known = onLook.get(look)
    if (known) return known
    const row = new Float64Array(answers.length)
    let total = 0
    JOINT_KINDS.forEach((_, j) => {
      const weight = ((JOINT_ON_LOOK[look] as readonly number[])[j] as number) * Math.exp(jointLogs?.[j] ?? 0)
      total += weight
      byJoint[j]?.forEach((p, a) => {
        row[a] = (row[a] as number) + weight * p
      })
    })
    for (let a = 0; a < row.length; a++) row[a] = (row[a] as number) / total
    onLook.set(look, row)
    return row
  }
  return afterAnswer(
    situation,
    answers.length,
    ({ index }, answer) => rowOf(LOOKS.of[index] as number)[answer] as number,
  )
}

interface Spread {
  readonly mean: number
  readonly variance: number
}

/**
 * The same for a measurement: where each pipe would put the reading is laid out in bins of 0.1 mm; a wild reading
 * may fall anywhere and tells nothing. Gaussians are stepped along by their own ratio, two products a bin.
 */
function afterReading(
  situation: Situation,
  wild: number,
  expect: (cell: Cell) => Spread,
  ofNone: Spread = { mean: NONE_OUTSIDE.mean, variance: NONE_OUTSIDE.shift },
): Worth {
  const { cells, none } = situation
  const tops = new Float64Array(BINS)
  const sums = new Float64Array(BINS)
  const squares = new Float64Array(BINS)
  const row = new Float64Array(BINS)
  const anywhere = (wild * BIN_MM) / WILD_RANGE_MM
  // decisions come one after another; the base of a decision is what its wild readings add to every bin
  let heaviestBase = none * anywhere
  let bases = none * anywhere
  let baseSquares = bases * bases
  let at = 0
  while (at < cells.length) {
    const { decision } = cells[at] as Cell
    let end = at
    let weight = 0
    let first = BINS
    let last = 0
    while (end < cells.length && (cells[end] as Cell).decision === decision) {
      const cell = cells[end] as Cell
      weight += cell.weight
      const { mean, variance } = expect(cell)
      const sd = Math.sqrt(variance)
      const from = Math.max(0, Math.floor((mean - 4 * sd) / BIN_MM))
      const to = Math.min(BINS, Math.ceil((mean + 4 * sd) / BIN_MM) + 1)
      if (from < first) first = from
      if (to > last) last = to
      const z = ((from + 0.5) * BIN_MM - mean) / sd
      const step = BIN_MM / sd
      let density = (Math.exp(-0.5 * z * z) * BIN_MM * cell.weight * (1 - wild)) / (sd * SQRT_TWO_PI)
      let ratio = Math.exp(-step * (z + step / 2))
      const fall = Math.exp(-step * step)
      for (let bin = from; bin < to; bin++) {
        row[bin] = (row[bin] as number) + density
        density *= ratio
        ratio *= fall
      }
      end++
    }
    const base = weight * anywhere
    if (base > heaviestBase) heaviestBase = base
    bases += base
    baseSquares += base * base
    for (let bin = first; bin < last; bin++) {
      const own = row[bin] as number
      const reached = bin < WILD_BINS ? base : 0
      if (own + reached > (tops[bin] as number)) tops[bin] = own + reached
      sums[bin] = (sums[bin] as number) + own
      squares[bin] = (squares[bin] as number) + own * (own + 2 * reached)
      row[bin] = 0
    }
    at = end
  }
  // a pipe of no table spreads its first reading broadly, and stays where that one was
  const { mean } = ofNone
  const sd = Math.sqrt(ofNone.variance)
  let best = 0
  let settled = 0
  for (let bin = 0; bin < BINS; bin++) {
    const z = ((bin + 0.5) * BIN_MM - mean) / sd
    const broad = (none * (1 - wild) * BIN_MM * Math.exp(-0.5 * z * z)) / (sd * SQRT_TWO_PI)
    const inside = bin < WILD_BINS
    best += Math.max(tops[bin] as number, inside ? heaviestBase : 0, broad)
    const sum = (sums[bin] as number) + (inside ? bases : 0) + broad
    const square = (squares[bin] as number) + (inside ? baseSquares : 0) + broad * broad
    if (sum > 0) settled += square / sum
  }
  return { best, settled }
}

function afterOutside(situation: Situation, instrument: MeasuringInstrument): Worth {
  const model = INSTRUMENTS[instrument]
  const noise = model.sdMm ** 2 / (model.reads === 'circumference' ? Math.PI ** 2 : 1)
  const { outside } = situation.inference
  const known = new Map<number, Spread>()
  const spreadOf = ({ index, surface }: Cell): Spread => {
    const place = (OUTSIDES.of[index] as number) * SURFACE_COUNT + surface
    const held = known.get(place)
    if (held) return held
    const expected = expectedOutside(
      OUTSIDES.values[OUTSIDES.of[index] as number] as never,
      SURFACE_LIST[surface] as never,
    )
    let spread: Spread = { mean: expected.mean, variance: expected.shift + expected.scatter + noise }
    if (outside) {
      const { shiftMean, shiftVariance } = outside.detail(expected)
      spread = { mean: expected.mean + shiftMean, variance: shiftVariance + expected.scatter + noise }
    }
    known.set(place, spread)
    return spread
  }
  const { shiftMean, shiftVariance } = outside?.detail(NONE_OUTSIDE) ?? {
    shiftMean: 0,
    shiftVariance: NONE_OUTSIDE.shift,
  }
  const ofNone = {
    mean: NONE_OUTSIDE.mean + shiftMean,
    variance: shiftVariance + NONE_OUTSIDE.scatter + noise,
  }
  return afterReading(situation, model.wild, spreadOf, ofNone)
}

const afterWall = (situation: Situation): Worth =>
  afterReading(
    situation,
    INSTRUMENTS.caliper.wild,
    ({ index, surface }) => {
      const { mean, shift } = expectedWall(
        WALLS.values[WALLS.of[index] as number] as never,
        SURFACE_LIST[surface] as never,
      )
      return { mean, variance: shift + 0.05 ** 2 }
    },
    { mean: NONE_WALL.mean, variance: NONE_WALL.shift },
  )

const afterBore = (situation: Situation): Worth =>
  afterReading(situation, INSTRUMENTS.caliper.wild, ({ index, surface }) => {
    const { mean, shift } = expectedBore(
      BORES.values[BORES.of[index] as number] as never,
      SURFACE_LIST[surface] as never,
    )
    return { mean, variance: shift + BORE_SD_MM ** 2 }
  })

/** A print that can be read and is the pipe's own settles it; one that cannot be read leaves things as they are. */
function afterPrint({ cells, decisions, none }: Situation): Worth {
  const left = new Float64Array(decisions)
  left[0] = none
  let read = 0
  for (const { index, decision, weight } of cells) {
    const p = legible(pipeAt(index).material) * (1 - PRINT_OF_ANOTHER)
    read += weight * p
    left[decision] = (left[decision] as number) + weight * (1 - p)
  }
  let best = 0
  let sum = 0
  let squares = 0
  for (const value of left) {
    if (value > best) best = value
    sum += value
    squares += value * value
  }
  return { best: read + best, settled: read + (sum > 0 ? squares / sum : 0) }
}

interface Candidate {
  readonly question: QuestionId
  readonly seconds: number
  readonly after: (situation: Situation) => Worth
}

const PIPE_SIGNS: readonly SignKind[] = [
  'colour',
  'magnet',
  'scratch',
  'shaving-colour',
  'flex',
  'tap',
  'print-colour',
]

/** Every question there is, with its effort; `atHand` are the instruments that can be used. */
export function candidates(
  atHand: readonly MeasuringInstrument[],
  observations: readonly Observation[],
): Candidate[] {
  const seen = new Set(observations.flatMap((o) => (o.kind === 'sign' ? [o.sign] : [])))
  const measured = (kind: string, instrument: MeasuringInstrument) =>
    observations.filter((o) => o.kind === kind && 'instrument' in o && o.instrument === instrument).length
  const sign = (kind: SignKind, after: (situation: Situation, kind: SignKind) => Worth): Candidate => ({
    question: `sign:${kind}`,
    seconds: SIGN_SECONDS[kind] ?? 10,
    after: (situation) => after(situation, kind),
  })
  const found: Candidate[] = PIPE_SIGNS.filter((kind) => !seen.has(kind)).map((kind) => sign(kind, afterSign))
  // once the joint is named, its features tell nothing new
  if (!seen.has('joint'))
    found.push(...JOINT_SIGNS.filter((kind) => !seen.has(kind)).map((kind) => sign(kind, afterJointSign)))
  for (const instrument of atHand)
    if (measured('outside', instrument) < MOST_OF_ONE)
      found.push({
        question: `outside:${instrument}`,
        seconds: INSTRUMENTS[instrument].seconds,
        after: (situation) => afterOutside(situation, instrument),
      })
  if (atHand.includes('caliper')) {
    if (measured('wall', 'caliper') === 0)
      found.push({ question: 'wall:caliper', seconds: CUT_END_SECONDS, after: afterWall })
    if (measured('bore', 'caliper') === 0)
      found.push({ question: 'bore:caliper', seconds: CUT_END_SECONDS, after: afterBore })
  }
  if (!observations.some((o) => o.kind === 'print'))
    found.push({ question: 'print', seconds: 20, after: afterPrint })
  return found
}

/**
 * Questions by what they are expected to be worth, per second of effort, best first. Ranked by how much nearer to
 * settled they bring the decision, since two looks may change together what neither changes alone; shown with the
 * gain in the chance of the right decision.
 */
export function nextQuestions(situation: Situation, list: readonly Candidate[]): NextQuestion[] {
  const now = worthNow(situation)
  return list
    .map(({ question, seconds, after }) => {
      const { best, settled } = after(situation)
      return { question, seconds, gainPerMille: (best - now.best) * 1000, worth: settled - now.settled }
    })
    .filter(({ worth }) => worth > LEAST_WORTH)
    .sort((a, b) => b.worth / (b.seconds + ASKING_SECONDS) - a.worth / (a.seconds + ASKING_SECONDS))
    .map(({ question, seconds, gainPerMille }) => ({
      question,
      seconds,
      gainPerMille: Math.max(0, Math.round(gainPerMille)),
    }))
}
