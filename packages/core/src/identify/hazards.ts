import { isMetal } from '../reference/materials'
import type { PipeMaterial } from '../reference/types'
import type { SurfaceId } from './instruments'
import type { Carried, HazardFlag, HazardId, IdentifyRequest } from './types'

/** What the hazards are judged from. */
export interface HazardFacts {
  readonly share: (test: (material: PipeMaterial, surface: SurfaceId) => number) => number
  readonly carries: Readonly<Record<Carried, number>>
  readonly request: IdentifyRequest
  /** The joint was sweated, as far as is known. */
  readonly sweated: number
}

interface Hazard {
  readonly id: HazardId
  /** What it costs where it is missed, against what stopping costs where it is not there. Common practice. */
  readonly harm: number
  /** The strongest word it may be given. */
  readonly most: HazardFlag['level']
  readonly probability: (facts: HazardFacts) => number
}

const LEVELS: readonly HazardFlag['level'][] = ['note', 'caution', 'stop']
/** Expected harm from which each word is said. */
const FROM = { stop: 1, caution: 0.1, note: 0.03 } as const

const OLD_SOLDER = ['before-1940', '1940-1965', '1965-1978', '1978-1995', 'unknown']
const ASBESTOS_ERA: Readonly<Record<string, number>> = {
  'before-1940': 0.4,
  '1940-1965': 0.5,
  '1965-1978': 0.35,
  '1978-1995': 0.08,
  unknown: 0.25,
}

export const HAZARDS: readonly Hazard[] = [
  { id: 'gas', harm: 50, most: 'stop', probability: ({ carries }) => carries.gas },
  { id: 'refrigerant', harm: 20, most: 'stop', probability: ({ carries }) => carries.refrigerant },
  { id: 'sprinkler', harm: 20, most: 'stop', probability: ({ carries }) => carries.sprinkler },
  {
    id: 'lead',
    harm: 3,
    most: 'caution',
    probability: ({ share }) => share((material) => (material.startsWith('lead') ? 1 : 0)),
  },
  {
    id: 'lead-solder',
    harm: 0.2,
    most: 'note',
    probability: ({ share, request, sweated }) =>
      OLD_SOLDER.includes(request.era)
        ? share((material) => (material.startsWith('copper') ? sweated : 0))
        : 0,
  },
  {
    id: 'bonding',
    harm: 0.5,
    most: 'caution',
    probability: ({ share, carries }) =>
      share((material) => (isMetal(material) ? 1 : 0)) * (carries.cold + carries.hot),
  },
  {
    id: 'asbestos',
    harm: 8,
    most: 'caution',
    probability: ({ share, request }) => {
      const era = ASBESTOS_ERA[request.era] ?? 0.01
      return share((material, surface) =>
        material === 'cement' ? 0.6 + era / 2 : surface === 'wrapped' && isMetal(material) ? era : 0,
      )
    },
  },
  {
    id: 'old-coating',
    harm: 0.35,
    most: 'caution',
    probability: ({ share, request }) =>
      ['before-1940', '1940-1965', '1965-1978'].includes(request.era)
        ? share((_, surface) => (surface === 'painted' ? 1 : 0))
        : 0,
  },
  {
    id: 'polybutylene',
    harm: 1,
    most: 'caution',
    probability: ({ share }) => share((material) => (material === 'polybutylene' ? 1 : 0)),
  },
  {
    id: 'sewage',
    harm: 0.5,
    most: 'caution',
    probability: ({ carries }) => carries.waste + carries.vent,
  },
]

/**
 * Hazards by what they are expected to cost, not by the leading guess: a one in fifty chance of gas is worth a
 * stop. Nothing is raised before anyone has looked.
 */
export function hazards(facts: HazardFacts): HazardFlag[] {
  if (facts.request.observations.every((observation) => observation.withdrawn)) return []
  return HAZARDS.flatMap(({ id, harm, most, probability }): HazardFlag[] => {
    const p = probability(facts)
    const expected = p * harm
    const said = [...LEVELS].reverse().find((level) => expected >= FROM[level])
    if (!said) return []
    const level = LEVELS[Math.min(LEVELS.indexOf(said), LEVELS.indexOf(most))] as HazardFlag['level']
    return [{ hazardId: id, level, probability: p }]
  })
}

/** Kinds that must be told apart for what they may carry or bring, even where they take the same parts. */
export function hazardClassOf(material: PipeMaterial): string {
  if (material.endsWith('steel') || material === 'polybutylene' || material.startsWith('lead'))
    return material
  return material === 'copper-refrigeration' ? 'refrigerant' : ''
}
