import { PIPES } from '../reference/pipes'
import type { NominalSize, Pipe, PipeMaterial } from '../reference/types'
import type { Era, PriorContext } from './types'

/**
 * How common each material is at a supply stub, by the era in which the house was last piped.
 * Shares of 100 in North American houses. Common practice: rough, meant to be corrected by a shop's own finds.
 */
const BY_ERA: Readonly<Record<Era, Readonly<Record<PipeMaterial, number>>>> = {
  'before-1940': {
    copper: 46,
    'galvanised-steel': 34,
    'black-steel': 1,
    brass: 8,
    cpvc: 3,
    'pex-a': 3,
    'pex-b': 4,
    polybutylene: 1,
  },
  '1940-1965': {
    copper: 56,
    'galvanised-steel': 29,
    'black-steel': 1,
    brass: 4,
    cpvc: 3,
    'pex-a': 2.5,
    'pex-b': 3.5,
    polybutylene: 1,
  },
  '1965-1978': {
    copper: 76,
    'galvanised-steel': 10,
    'black-steel': 1,
    brass: 1,
    cpvc: 5,
    'pex-a': 2,
    'pex-b': 3,
    polybutylene: 2,
  },
  '1978-1995': {
    copper: 68,
    'galvanised-steel': 1.5,
    'black-steel': 0.8,
    brass: 0.7,
    cpvc: 9,
    'pex-a': 2,
    'pex-b': 3,
    polybutylene: 15,
  },
  '1995-2010': {
    copper: 56,
    'galvanised-steel': 0.5,
    'black-steel': 0.7,
    brass: 0.8,
    cpvc: 16,
    'pex-a': 10,
    'pex-b': 15.5,
    polybutylene: 0.5,
  },
  'since-2010': {
    copper: 30,
    'galvanised-steel': 0.3,
    'black-steel': 0.6,
    brass: 0.6,
    cpvc: 10,
    'pex-a': 25,
    'pex-b': 33.4,
    polybutylene: 0.1,
  },
  unknown: {
    copper: 60,
    'galvanised-steel': 13,
    'black-steel': 1,
    brass: 2,
    cpvc: 7,
    'pex-a': 6,
    'pex-b': 8,
    polybutylene: 3,
  },
}

const SIZE_SHARE: Readonly<Record<NominalSize, number>> = {
  '3/8': 0.07,
  '1/2': 0.73,
  '3/4': 0.15,
  '1': 0.05,
  '10': 0.08,
  '12': 0.04,
  '15': 0.7,
  '22': 0.14,
  '28': 0.04,
}

const METRIC_SHARE = { 'north-america': 0.006, metric: 0.9, unknown: 0.2 } as const
const COPPER_GRADE: Readonly<Record<string, number>> = { K: 0.05, L: 0.55, M: 0.4 }

/** A pipe found at the same place, point or house makes the same kind more likely by this factor. */
const KNOWN_FACTOR = { 'same-line': 60, 'same-point': 25, 'same-house': 5 } as const
const KNOWN_SIZE_FACTOR = { 'same-line': 8, 'same-point': 4, 'same-house': 1.3 } as const

/** Prior probability that the pipe is in no table. */
export const NONE_PRIOR = 0.02

/**
 * Prior over the pipes of the tables and "none of these" (last).
 *
 * @returns probabilities in the order of `PIPES`, then none; they sum to 1
 */
export function prior(context: PriorContext): number[] {
  const era = BY_ERA[context.era]
  const metric = METRIC_SHARE[context.region]
  const weights = PIPES.map((pipe) => {
    const region = pipe.system === 'metric' ? metric : 1 - metric
    let weight = era[pipe.material] * SIZE_SHARE[pipe.nominal] * region * gradeShare(pipe)
    for (const known of context.known) {
      if (known.material === pipe.material && known.system === pipe.system) {
        weight *= KNOWN_FACTOR[known.where]
        if (known.nominal === pipe.nominal) weight *= KNOWN_SIZE_FACTOR[known.where]
      }
    }
    return weight
  })
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return [...weights.map((weight) => ((1 - NONE_PRIOR) * weight) / total), NONE_PRIOR]
}

function gradeShare(pipe: Pipe): number {
  if (pipe.material !== 'copper') return 1
  return pipe.system === 'metric' ? 0.5 : (COPPER_GRADE[pipe.grade] as number)
}
