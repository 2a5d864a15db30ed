import { isMetal } from '../reference/materials'
import { JOINT_KINDS, SIGN_ANSWERS, type SignKind } from './answers'
import { SURFACE_IDS, type SurfaceId } from './instruments'
import { LOOKS, type Look } from './space'
import { JOINT_SHARE, JOINTS, NAMED_RIGHTLY } from './tables/joints'
import { CARRIES, type Carried } from './tables/shares'
import {
  type AnswerWeights,
  COLOUR,
  FLEX,
  FLEX_SOFT,
  GREEN_COLOUR,
  MAGNET,
  OTHER_PRINT,
  PRINT_COLOUR,
  RUST_COLOUR,
  SCRATCH,
  shavingColour,
  TAP,
} from './tables/signs'

/** The weight of an answer with what is left over spread evenly: never 0, all answers together 1. */
function spread(weights: AnswerWeights, answers: readonly string[], answer: string): number {
  const total = answers.reduce((sum, other) => sum + (weights[other] ?? 0), 0)
  const error = Math.max(1 - total, 0.004)
  return ((weights[answer] ?? 0) + error / answers.length) / (total + error)
}

const PLAIN = { magnet: MAGNET, scratch: SCRATCH, tap: TAP } as const

function colour(look: Look, surface: SurfaceId, answer: string): number {
  const answers: readonly string[] = SIGN_ANSWERS.colour
  const bare = spread(COLOUR[look.material], answers, answer)
  switch (surface) {
    case 'painted':
      return answer === 'painted'
        ? 0.8
        : (0.2 * bare) / (1 - spread(COLOUR[look.material], answers, 'painted'))
    case 'wrapped':
      return 1 / answers.length
    case 'corroded':
      return look.material.startsWith('copper') ? spread(GREEN_COLOUR, answers, answer) : bare
    case 'rusted':
      return spread(RUST_COLOUR, answers, answer)
    default:
      return bare
  }
}

/**
 * Probability of an answer about the pipe itself, given how it looks and what lies on it. Joints and what a line
 * carries have their own: `jointAnswer`, `carriesAnswer`.
 */
export function answerProbability(sign: SignKind, answer: string, look: Look, surface: SurfaceId): number {
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  switch (sign) {
    case 'colour':
      return colour(look, surface, answer)
    case 'shaving-colour':
      return spread(shavingColour(look.material), answers, answer)
    case 'flex':
      return spread(look.soft ? FLEX_SOFT : FLEX[look.material], answers, answer)
    case 'print-colour': {
      const legible = surface === 'clean' || !isMetal(look.material)
      const weights = legible ? (PRINT_COLOUR[look.print] ?? OTHER_PRINT) : OTHER_PRINT
      return spread(weights, answers, answer)
    }
    case 'magnet':
    case 'scratch':
    case 'tap':
      return spread(PLAIN[sign][look.material], answers, answer)
    default:
      return 1 / answers.length
  }
}

/** Probability of what is said of the joint, given how it was made. */
export function jointAnswer(sign: SignKind, answer: string, joint: (typeof JOINT_KINDS)[number]): number {
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  switch (sign) {
    case 'joint':
      return answer === joint ? NAMED_RIGHTLY : (1 - NAMED_RIGHTLY) / (answers.length - 1)
    case 'joint-nut':
      return spread(JOINTS[joint].nut, answers, answer)
    case 'joint-band':
      return spread(JOINTS[joint].band, answers, answer)
    case 'joint-seam':
      return spread(JOINTS[joint].seam, answers, answer)
    default:
      return spread(JOINTS[joint].turns, answers, answer)
  }
}

/** Probability of each kind of joint on each look: rows in the order of `LOOKS`. */
export const JOINT_ON_LOOK: readonly (readonly number[])[] = LOOKS.values.map(({ material }) =>
  JOINT_KINDS.map((joint) => spread(JOINT_SHARE[material] as AnswerWeights, JOINT_KINDS, joint)),
)

/** Probability of what is said of the line, given what it carries. */
export function carriesAnswer(answer: string, medium: Carried): number {
  return spread(CARRIES[medium], SIGN_ANSWERS.carries, answer)
}

/** Probabilities of one sign's answers as a flat table: look × surface × answer. */
function tableOf(sign: SignKind): Float64Array {
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  const table = new Float64Array(LOOKS.values.length * SURFACE_IDS.length * answers.length)
  LOOKS.values.forEach((look, l) => {
    SURFACE_IDS.forEach((surface, s) => {
      answers.forEach((answer, a) => {
        table[(l * SURFACE_IDS.length + s) * answers.length + a] = answerProbability(
          sign,
          answer,
          look,
          surface,
        )
      })
    })
  })
  return table
}

const TABLES = new Map<SignKind, Float64Array>()

/** The table of a sign, made when first asked for. */
export function signTable(sign: SignKind): Float64Array {
  const known = TABLES.get(sign) ?? tableOf(sign)
  TABLES.set(sign, known)
  return known
}
