import type { PipeMaterial } from '../reference/types'
import type { SurfaceId } from './instruments'
import { SIGN_ANSWERS, type SignKind } from './types'

/** Weights of each answer by material; what is left over is spread evenly as error. Common practice. */
type AnswerWeights = Readonly<Partial<Record<PipeMaterial, Readonly<Record<string, number>>>>>

const METAL: readonly PipeMaterial[] = ['copper', 'galvanised-steel', 'black-steel', 'brass']

/** True where a material conducts and rings: metal pipe. */
export function isMetal(material: PipeMaterial): boolean {
  return METAL.includes(material)
}

const pex = { white: 0.34, red: 0.27, blue: 0.27, clear: 0.1 }
const pexJoints = { crimp: 0.4, cinch: 0.27, 'push-fit': 0.15, compression: 0.12 }

const TABLES: Readonly<Record<Exclude<SignKind, 'print-colour'>, AnswerWeights>> = {
  magnet: {
    copper: { falls: 0.985 },
    'galvanised-steel': { holds: 0.985 },
    'black-steel': { holds: 0.985 },
    brass: { falls: 0.97 },
    cpvc: { falls: 0.99 },
    'pex-a': { falls: 0.99 },
    'pex-b': { falls: 0.99 },
    polybutylene: { falls: 0.99 },
  },
  scratch: {
    copper: { copper: 0.95, yellow: 0.03 },
    'galvanised-steel': { silver: 0.96 },
    'black-steel': { silver: 0.94 },
    brass: { yellow: 0.92, copper: 0.05 },
    cpvc: { shaving: 0.97 },
    'pex-a': { shaving: 0.97 },
    'pex-b': { shaving: 0.97 },
    polybutylene: { shaving: 0.97 },
  },
  colour: {
    copper: { 'copper-brown': 0.68, green: 0.14, chrome: 0.08, black: 0.02, 'yellow-metal': 0.02 },
    'galvanised-steel': { 'grey-metal': 0.8, 'copper-brown': 0.08, black: 0.03 },
    'black-steel': { black: 0.8, 'copper-brown': 0.07, 'grey-metal': 0.06 },
    brass: { 'yellow-metal': 0.62, 'copper-brown': 0.16, chrome: 0.14, green: 0.03 },
    cpvc: { cream: 0.93 },
    'pex-a': pex,
    'pex-b': pex,
    polybutylene: { 'grey-plastic': 0.8, blue: 0.1, black: 0.06 },
  },
  flex: {
    copper: { rigid: 0.93 },
    'galvanised-steel': { rigid: 0.995 },
    'black-steel': { rigid: 0.995 },
    brass: { rigid: 0.99 },
    cpvc: { rigid: 0.9 },
    'pex-a': { flexible: 0.97 },
    'pex-b': { flexible: 0.96 },
    polybutylene: { flexible: 0.95 },
  },
  joint: {
    copper: { sweat: 0.55, compression: 0.29, 'push-fit': 0.08, threaded: 0.03 },
    'galvanised-steel': { threaded: 0.95 },
    'black-steel': { threaded: 0.95 },
    brass: { threaded: 0.88, sweat: 0.04 },
    cpvc: { cement: 0.8, 'push-fit': 0.07, compression: 0.07 },
    'pex-a': { expansion: 0.62, crimp: 0.1, cinch: 0.07, 'push-fit': 0.1, compression: 0.07 },
    'pex-b': pexJoints,
    polybutylene: { crimp: 0.82, compression: 0.09 },
  },
  // Water or gas is a matter of the service; see `gasShare`.
  carries: {},
}

/** Share of such pipes in a house that carry gas rather than water. Common practice. */
export const GAS_SHARE: Readonly<Record<PipeMaterial, number>> = {
  'black-steel': 0.7,
  'galvanised-steel': 0.05,
  brass: 0.02,
  copper: 0.02,
  cpvc: 0,
  'pex-a': 0,
  'pex-b': 0,
  polybutylene: 0,
}

/** Chance that what is seen at the place tells water rightly: water seen running, or a gas sign. */
export const WATER_SEEN = 0.995

const PRINT_COLOUR: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  // ASTM B88 marks K green, L blue, M red; old or wiped tube shows none.
  K: { green: 0.5, 'none-seen': 0.47 },
  L: { blue: 0.5, 'none-seen': 0.47 },
  M: { red: 0.5, 'none-seen': 0.47 },
}

function spread(
  weights: Readonly<Record<string, number>>,
  answers: readonly string[],
  answer: string,
): number {
  const total = Object.values(weights).reduce((sum, weight) => sum + weight, 0)
  return (weights[answer] ?? 0) + Math.max(1 - total, 0.002) / answers.length
}

/**
 * Probability of an answer, given the pipe and what lies on it.
 *
 * @returns a number in (0, 1); 1 / number of answers where the tables say nothing
 */
export function answerProbability(
  sign: SignKind,
  answer: string,
  pipe: { readonly material: PipeMaterial; readonly grade: string } | null,
  surface: SurfaceId,
): number {
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  const even = 1 / answers.length
  if (pipe === null) return even
  if (sign === 'carries') {
    const gas = GAS_SHARE[pipe.material]
    const water = (1 - gas) * WATER_SEEN + gas * (1 - WATER_SEEN)
    return answer === 'water' ? water : 1 - water
  }
  if (sign === 'print-colour') {
    const weights = pipe.material === 'copper' ? PRINT_COLOUR[pipe.grade] : undefined
    return spread(weights ?? { 'none-seen': 0.9 }, answers, answer)
  }
  const weights = TABLES[sign][pipe.material]
  if (!weights) return even
  const bare = spread(weights, answers, answer)
  if (sign === 'colour') {
    if (surface === 'painted') return answer === 'painted' ? 0.8 : 0.2 * bare
    if (surface === 'wrapped') return even
    if (surface === 'corroded' && pipe.material === 'copper')
      return spread({ green: 0.55, 'copper-brown': 0.35 }, answers, answer)
  }
  return bare
}

/** Seconds it takes to look, by sign. Common practice. */
export const SIGN_SECONDS: Readonly<Record<SignKind, number>> = {
  magnet: 5,
  scratch: 10,
  colour: 3,
  flex: 4,
  joint: 8,
  'print-colour': 15,
  carries: 20,
}
