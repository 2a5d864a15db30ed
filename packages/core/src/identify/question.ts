import type { Pipe } from '../reference/types'
import type { Cell } from './belief'
import { INSTRUMENTS, SURFACES } from './instruments'
import { outsideModel, wallModel } from './likelihood'
import { answerProbability, SIGN_SECONDS } from './signs'
import {
  type MeasuringInstrument,
  type NextQuestion,
  type Observation,
  type QuestionId,
  SIGN_ANSWERS,
  type SignKind,
} from './types'

/** Cells lighter than this cannot change which question is best. */
const NEGLIGIBLE = 1e-5
const BIN_MM = 0.15

/** Standard normal distribution function (Abramowitz and Stegun 26.2.17, error below 7.5e-8). */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  const tail = Math.exp((-z * z) / 2) * 0.3989422804014327 * poly
  return z >= 0 ? 1 - tail : tail
}

type Outcomes = (cell: Cell) => ReadonlyMap<string | number, number>

/** Expected probability of the best decision after the answer: sum over answers of the heaviest decision. */
function expectedBest(
  cells: readonly Cell[],
  decisionOf: (pipe: Pipe | null) => string,
  outcomes: Outcomes,
): number {
  const table = new Map<string | number, Map<string, number>>()
  for (const cell of cells) {
    const decision = decisionOf(cell.pipe)
    for (const [answer, p] of outcomes(cell)) {
      const row = table.get(answer) ?? new Map<string, number>()
      row.set(decision, (row.get(decision) ?? 0) + cell.weight * p)
      table.set(answer, row)
    }
  }
  let sum = 0
  for (const row of table.values()) sum += Math.max(...row.values())
  return sum
}

function binned(mean: number, variance: number): Map<number, number> {
  const sd = Math.sqrt(variance)
  const bins = new Map<number, number>()
  const first = Math.floor((mean - 4 * sd) / BIN_MM)
  const last = Math.ceil((mean + 4 * sd) / BIN_MM)
  let below = normalCdf((first * BIN_MM - mean) / sd)
  for (let bin = first; bin < last; bin++) {
    const upto = normalCdf(((bin + 1) * BIN_MM - mean) / sd)
    if (upto - below > 1e-6) bins.set(bin, upto - below)
    below = upto
  }
  return bins
}

function outsideOutcomes(instrument: MeasuringInstrument): Outcomes {
  const model = INSTRUMENTS[instrument]
  const noise = model.sdMm ** 2 / (model.reads === 'circumference' ? Math.PI ** 2 : 1)
  return (cell) => {
    if (!cell.pipe) return binned(40, 900)
    const outside = outsideModel(cell.pipe, SURFACES[cell.surface])
    const shift = cell.outside
      ? { mean: cell.outside.shiftMean, variance: cell.outside.shiftVariance }
      : { mean: 0, variance: outside.shift }
    return binned(outside.mean + shift.mean, shift.variance + outside.scatter + noise)
  }
}

const wallOutcomes: Outcomes = (cell) => {
  if (!cell.pipe) return binned(3, 4)
  const model = wallModel(cell.pipe, SURFACES[cell.surface])
  return binned(model.mean, model.shift + 0.05 ** 2)
}

/**
 * Questions by the expected gain in the chance of the right decision, per second of effort, best first.
 * Questions already answered are left out, save a second measurement with another instrument.
 */
export function nextQuestions(
  cells: readonly Cell[],
  decisionOf: (pipe: Pipe | null) => string,
  observations: readonly Observation[],
  instruments: readonly MeasuringInstrument[] = ['caliper', 'tape', 'string', 'paper-strip'],
  gasOpen = false,
): NextQuestion[] {
  const heavy = cells.filter((cell) => cell.weight > NEGLIGIBLE)
  const now = expectedBest(heavy, decisionOf, () => new Map([['now', 1]]))
  const asked = new Set<QuestionId>(
    observations.flatMap((o): QuestionId[] =>
      o.kind === 'sign'
        ? [`sign:${o.sign}`]
        : o.kind === 'outside'
          ? [`outside:${o.instrument}`]
          : o.kind === 'wall'
            ? ['wall:caliper']
            : [],
    ),
  )
  const candidates: { question: QuestionId; seconds: number; outcomes: Outcomes }[] = [
    ...(Object.keys(SIGN_ANSWERS) as SignKind[])
      .filter((sign) => sign !== 'carries')
      .map((sign) => ({
        question: `sign:${sign}` as const,
        seconds: SIGN_SECONDS[sign],
        outcomes: (cell: Cell) =>
          new Map(
            SIGN_ANSWERS[sign].map((answer) => [
              answer,
              answerProbability(sign, answer, cell.pipe, cell.surface),
            ]),
          ),
      })),
    ...instruments.map((instrument) => ({
      question: `outside:${instrument}` as const,
      seconds: INSTRUMENTS[instrument].seconds,
      outcomes: outsideOutcomes(instrument),
    })),
    ...(instruments.includes('caliper')
      ? [{ question: 'wall:caliper' as const, seconds: 40, outcomes: wallOutcomes }]
      : []),
  ]
  const ranked = candidates
    .filter((candidate) => !asked.has(candidate.question))
    .map(({ question, seconds, outcomes }) => ({
      question,
      seconds,
      gainPerMille: Math.round((expectedBest(heavy, decisionOf, outcomes) - now) * 1000),
    }))
    .filter((entry) => entry.gainPerMille > 0)
    .sort((a, b) => b.gainPerMille / b.seconds - a.gainPerMille / a.seconds)
  // Whether it carries gas outweighs every question about parts.
  return gasOpen && !asked.has('sign:carries')
    ? [{ question: 'sign:carries', seconds: SIGN_SECONDS.carries, gainPerMille: 1000 }, ...ranked]
    : ranked
}
