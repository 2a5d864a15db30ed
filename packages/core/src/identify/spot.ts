import type { PipeMaterial } from '../reference/types'
import { SIGN_ANSWERS, type SignKind } from './answers'
import { SURFACE_IDS } from './instruments'
import { signTable } from './seen'
import { LOOKS } from './space'
import type { SignObservation } from './types'

/**
 * How often what is looked at is not what is asked about: plating, a sleeve, the pipe beside it, dirt taken for the
 * thing itself. Then every sign of that spot is of the other thing, so that many signs of one spot never prove more
 * than that the eye was there. Common practice.
 */
export const MISLED = 0.02

const SURFACES = SURFACE_IDS.length
const CLEAN = SURFACE_IDS.indexOf('clean')

/** What a misled eye looks at instead: any kind alike, each kind's looks sharing what it has. */
const OTHER_THING: readonly number[] = (() => {
  const looks = new Map<PipeMaterial, number>()
  for (const { material } of LOOKS.values) looks.set(material, (looks.get(material) ?? 0) + 1)
  return LOOKS.values.map(({ material }) => 1 / (looks.size * (looks.get(material) as number)))
})()

/** All signs seen at one spot, weighed together. */
export interface SpotSigns {
  /** Log-likelihood of the signs at look `l` under surface `s`, at `l * surfaces + s`. */
  readonly logs: Float64Array
  /** Probability that the eye was misled, given the signs, in the same places. */
  readonly misled: Float64Array
  /** What a misled eye saw, by look, given the signs: sums to 1. */
  readonly other: Float64Array
}

function products(signs: readonly SignObservation[]): Float64Array {
  const likelihoods = new Float64Array(LOOKS.values.length * SURFACES).fill(1)
  for (const { sign, answer } of signs) {
    const answers: readonly string[] = SIGN_ANSWERS[sign]
    const table = signTable(sign)
    const place = answers.indexOf(answer)
    for (let cell = 0; cell < likelihoods.length; cell++)
      likelihoods[cell] = (likelihoods[cell] as number) * (table[cell * answers.length + place] as number)
  }
  return likelihoods
}

/**
 * Signs of one spot: of the pipe, or all of them of another thing. Cost: looks x surfaces x signs.
 *
 * @param signs those of the pipe itself; joints and what a line carries are other things
 */
export function spotSigns(signs: readonly SignObservation[]): SpotSigns {
  const own = products(signs)
  const other = Float64Array.from(
    OTHER_THING,
    (share, look) => share * (own[look * SURFACES + CLEAN] as number),
  )
  const elsewhere = other.reduce((sum, value) => sum + value, 0)
  const misled = new Float64Array(own.length)
  const logs = own.map((likelihood, cell) => {
    const astray = MISLED * elsewhere
    const whole = (1 - MISLED) * likelihood + astray
    misled[cell] = astray / whole
    return Math.log(whole)
  })
  return { logs, misled, other: other.map((value) => value / elsewhere) }
}

/** How likely a misled eye is to answer a further sign in each way, given what it saw: sums to 1. */
export function misledAnswers({ other }: SpotSigns, sign: SignKind): Float64Array {
  const answers = SIGN_ANSWERS[sign].length
  const table = signTable(sign)
  const sums = new Float64Array(answers)
  other.forEach((weight, look) => {
    for (let answer = 0; answer < answers; answer++)
      sums[answer] =
        (sums[answer] as number) + weight * (table[(look * SURFACES + CLEAN) * answers + answer] as number)
  })
  return sums
}

/**
 * How likely a sign of the spot is an error, given all that was seen: said of a pipe that does not look so, or of another
 * thing. The least likely answer to a question is never anything but an error.
 *
 * @param weights probability of each cell (look x surface) given everything, summing to at most 1
 */
export function signAstray(
  { sign, answer }: Pick<SignObservation, 'sign' | 'answer'>,
  { misled }: SpotSigns,
  weights: Float64Array,
): number {
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  const table = signTable(sign)
  const place = answers.indexOf(answer)
  let wrong = 0
  weights.forEach((weight, cell) => {
    if (weight === 0) return
    const row = table.subarray(cell * answers.length, (cell + 1) * answers.length)
    const elsewhere = misled[cell] as number
    wrong += weight * (elsewhere + ((1 - elsewhere) * Math.min(...row)) / (row[place] as number))
  })
  return wrong
}
