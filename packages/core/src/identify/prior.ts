import { PIPES } from '../reference/pipes'
import { isMetricSystem, type Pipe, type PipeMaterial } from '../reference/types'
import {
  type ActualRegion,
  type ByEra,
  type Carried,
  ERA_SHARE,
  isOfRegion,
  MATERIAL_SHARES,
  MEDIUM_OF_SERVICE,
  REGION_OF,
  STRAY_SHARE,
  sizeShare,
  VARIANT_SHARES,
} from './tables/shares'
import type { Era, PriorContext } from './types'

export const MEDIA: readonly Carried[] = ['cold', 'hot', 'waste', 'vent', 'gas', 'refrigerant', 'sprinkler']
const REGIONS: readonly ActualRegion[] = ['north-america', 'metric']
const ERAS: readonly Era[] = ['before-1940', '1940-1965', '1965-1978', '1978-1995', '1995-2010', 'since-2010']

/** A pipe found at the same place, point or house makes the same kind more likely by this factor. */
const KNOWN_FACTOR = { 'same-line': 60, 'same-point': 25, 'same-house': 5 } as const
const KNOWN_SIZE_FACTOR = { 'same-line': 8, 'same-point': 4, 'same-house': 1.3 } as const
/** A shop's own finds weigh against the tables as if these rested on so many finds. */
const TABLE_FINDS = 30

/** Prior probability that the pipe is in no table. */
export const NONE_PRIOR = 0.02

export interface Prior {
  /** Probability of each pipe in the order of `PIPES`, then of none; they sum to 1. */
  readonly pipes: Float64Array
  /** For each pipe, how likely it carries each of `MEDIA` if it is there: rows of seven that sum to 1. */
  readonly media: Float64Array
}

function inEra(shares: ByEra | number, era: Era): number {
  if (typeof shares === 'number') return shares
  const place = ERAS.indexOf(era)
  if (place >= 0) return shares[place] as number
  return shares.reduce((sum, share, index) => sum + share * (ERA_SHARE[index] as number), 0)
}

function variantShare(pipe: Pipe, era: Era): number {
  const shares = VARIANT_SHARES[pipe.material]
  if (!shares) return 1
  const temper = pipe.temper ?? 'hard'
  const keys = [pipe.grade, `${pipe.grade} ${temper}`]
  if (pipe.material === 'copper' && pipe.system === 'metric')
    keys.push(pipe.temper ? 'thick soft' : pipe.id.includes('.thin.') ? 'thin hard' : 'thick hard')
  for (const key of keys) {
    const share = shares[key]
    if (share !== undefined) return inEra(share, era)
  }
  return 1
}

/** Joint probability of pipe and medium, where a line carries a medium, in a region and an era; sums to 1. */
function inMedium(medium: Carried, region: ActualRegion, era: Era): Float64Array {
  const shares = MATERIAL_SHARES[region][medium]
  // within a kind, sizes and grades share what the kind has
  const within = new Map<PipeMaterial, number>()
  const weights = new Float64Array(PIPES.length)
  PIPES.forEach((pipe, index) => {
    if (!isOfRegion(pipe.system, pipe.material, region)) return
    const weight = sizeShare(medium, pipe.system, pipe.nominal) * variantShare(pipe, era)
    weights[index] = weight
    within.set(pipe.material, (within.get(pipe.material) ?? 0) + weight)
  })
  let total = 0
  PIPES.forEach((pipe, index) => {
    const all = within.get(pipe.material)
    if (!all) return
    const share = Math.max(inEra(shares[pipe.material] ?? 0, era), STRAY_SHARE)
    const weight = ((weights[index] as number) / all) * share
    weights[index] = weight
    total += weight
  })
  return weights.map((weight) => weight / total)
}

const TABLES = new Map<string, readonly Float64Array[]>()

/** The tables for one era and region, worked out once. */
function tables(era: Era, region: ActualRegion): readonly Float64Array[] {
  const key = `${era} ${region}`
  const known = TABLES.get(key) ?? MEDIA.map((medium) => inMedium(medium, region, era))
  TABLES.set(key, known)
  return known
}

/**
 * What is expected before anyone looks: over service, region and era, then what this house, this shop's other jobs
 * and the shop's own corrections say. Exact sums over tables of common practice.
 */
export function prior(context: PriorContext): Prior {
  const count = PIPES.length
  const joint = new Float64Array(count * MEDIA.length)
  const mediumShares = MEDIUM_OF_SERVICE[context.service ?? 'unknown']
  const regionShares = REGION_OF[context.region]
  for (const region of REGIONS)
    tables(context.era, region).forEach((shares, place) => {
      const factor = regionShares[region] * mediumShares[MEDIA[place] as Carried]
      for (let index = 0; index < count; index++)
        joint[index * MEDIA.length + place] =
          (joint[index * MEDIA.length + place] as number) + factor * (shares[index] as number)
    })

  const pipes = new Float64Array(count + 1)
  const media = new Float64Array(joint.length)
  const byMaterial = new Map<PipeMaterial, number>()
  for (let index = 0; index < count; index++) {
    let sum = 0
    for (let place = 0; place < MEDIA.length; place++) sum += joint[index * MEDIA.length + place] as number
    for (let place = 0; place < MEDIA.length; place++)
      media[index * MEDIA.length + place] =
        sum > 0 ? (joint[index * MEDIA.length + place] as number) / sum : 0
    pipes[index] = sum
    const { material } = PIPES[index] as Pipe
    byMaterial.set(material, (byMaterial.get(material) ?? 0) + sum)
  }

  // hot and cold of one basin were piped by the same hands: what is found twice alike counts once
  const known = [
    ...new Map(
      context.known.map((pipe) => [`${pipe.where} ${pipe.material} ${pipe.system} ${pipe.nominal}`, pipe]),
    ).values(),
  ]
  const finds = Object.entries(context.finds ?? {}) as [PipeMaterial, number][]
  const found = finds.reduce((sum, [, number]) => sum + number, 0)
  let total = 0
  PIPES.forEach((pipe, index) => {
    let weight = pipes[index] as number
    const share = byMaterial.get(pipe.material) ?? 0
    if (found > 0 && share > 0)
      weight *=
        (TABLE_FINDS * share + (context.finds?.[pipe.material] ?? 0)) / ((TABLE_FINDS + found) * share)
    weight *= context.factors?.[pipe.material] ?? 1
    for (const other of known)
      if (other.material === pipe.material && other.system === pipe.system) {
        weight *= KNOWN_FACTOR[other.where]
        if (other.nominal === pipe.nominal) weight *= KNOWN_SIZE_FACTOR[other.where]
      }
    pipes[index] = weight
    total += weight
  })
  for (let index = 0; index < count; index++)
    pipes[index] = ((1 - NONE_PRIOR) * (pipes[index] as number)) / total
  pipes[count] = NONE_PRIOR
  return { pipes, media }
}

/** Whether a pipe is of a metric system. */
export function isMetricPipe(pipe: Pipe): boolean {
  return isMetricSystem(pipe.system) || pipe.system === 'metric-steel'
}
