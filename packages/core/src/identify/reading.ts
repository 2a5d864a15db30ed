import { INSTRUMENTS, WILD_RANGE_MM } from './instruments'
import type { MeasuredObservation } from './types'

const LOG_TWO_PI = Math.log(2 * Math.PI)
const LOG_WILD = -Math.log(WILD_RANGE_MM)

/** A reading brought to a diameter (or a wall), with its own noise. */
export interface Reading {
  readonly mm: number
  readonly variance: number
  readonly wild: number
  /** How many readings it stands for: `mm` is then their mean, `variance` that of each. */
  readonly count?: number
  /** Sum of squares about the mean of what it stands for, mm2. */
  readonly squares?: number
}

/** Brings a measured observation to a diameter: circumferences are divided by pi, the instrument's bias taken off. */
export function toReading(observation: MeasuredObservation, extraSdMm = 0): Reading {
  const model = INSTRUMENTS[observation.instrument]
  const round = model.reads === 'circumference' && observation.kind === 'outside'
  const scale = round ? Math.PI : 1
  const variance = model.sdMm ** 2 + observation.resolutionMm ** 2 / 12
  return {
    mm: (observation.mm - model.biasMm) / scale,
    variance: variance / scale ** 2 + extraSdMm ** 2,
    wild: model.wild,
  }
}

/** More readings than this are pooled. */
const EXACT_SUBSETS = 5
/** Pools that are told apart; what does not belong to one of them can only be wild. */
const MOST_POOLS = 6
/** Readings of one instrument this near to each other, mm, or within so many deviations, belong together. */
const TOGETHER_MM = 2
const TOGETHER_SDS = 6

/** Readings as they are weighed: few of them one by one, many gathered by instrument and by where they lie. */
interface Pooled {
  readonly pools: readonly Reading[]
  /** Which pool each reading is in; beyond the last where no pool took it: it is wild on every pipe. */
  readonly places: readonly number[]
  /** Log-weight of those that no pool took. */
  readonly astray: number
}

/**
 * Many readings of one instrument that lie together are as good as their mean and their sum of squares: for readings
 * that are not wild that is exact (sufficient statistics of a normal sample), and that all of them were wild by chance
 * is beyond notice. Cost: O(n log n), and what follows depends on the pools alone.
 */
function pooled(readings: readonly Reading[]): Pooled {
  if (readings.length <= EXACT_SUBSETS)
    return { pools: readings, places: readings.map((_, index) => index), astray: 0 }
  const groups = new Map<string, number[]>()
  readings.forEach(({ variance, wild }, index) => {
    const key = `${variance} ${wild}`
    const group = groups.get(key)
    if (group) group.push(index)
    else groups.set(key, [index])
  })
  const at = (index: number) => readings[index] as Reading
  const clusters: number[][] = []
  for (const group of groups.values()) {
    const sorted = [...group].sort((a, b) => at(a).mm - at(b).mm)
    const near = Math.max(TOGETHER_MM, TOGETHER_SDS * Math.sqrt(at(sorted[0] as number).variance))
    sorted.forEach((index, place) => {
      const before = sorted[place - 1]
      if (before === undefined || at(index).mm - at(before).mm > near) clusters.push([])
      clusters.at(-1)?.push(index)
    })
  }
  clusters.sort((a, b) => b.length - a.length || (a[0] as number) - (b[0] as number))
  const places = readings.map(() => MOST_POOLS)
  clusters.slice(0, MOST_POOLS).forEach((cluster, place) => {
    for (const index of cluster) places[index] = place
  })
  const pools = clusters.map((cluster) => poolOf(cluster.map(at)))
  return {
    pools: pools.slice(0, MOST_POOLS),
    places,
    astray: pools.slice(MOST_POOLS).reduce((sum, pool) => sum + wildLog(pool), 0),
  }
}

function poolOf(readings: readonly Reading[]): Reading {
  const mm = readings.reduce((sum, reading) => sum + reading.mm, 0) / readings.length
  const squares = readings.reduce((sum, reading) => sum + (reading.mm - mm) ** 2, 0)
  const { variance, wild } = readings[0] as Reading
  return { mm, variance, wild, count: readings.length, squares }
}

const countOf = ({ count = 1 }: Reading) => count
const wildLog = (reading: Reading) => countOf(reading) * (Math.log(reading.wild) + LOG_WILD)

/** What readings are expected to show: their mean, the variance of what shifts them all, and of what does not. */
export interface Expected {
  readonly mean: number
  readonly shift: number
  readonly scatter: number
}

/** Beyond so many squared deviations a reading that is not wild weighs nothing against a wild one. */
const FAR = 90

/** One choice of which readings are wild, with everything about it that does not depend on the pipe. */
interface Subset {
  readonly mask: number
  readonly constant: number
  /** Sums of 1, reading and reading squared over variance, of the readings that are not wild. */
  readonly w: number
  readonly a: number
  readonly b: number
}

function subsets({ pools: readings, astray }: Pooled, scatter: number): readonly Subset[] {
  const found: Subset[] = []
  const visit = (index: number, mask: number, constant: number, w: number, a: number, b: number) => {
    const reading = readings[index]
    if (!reading) {
      found.push({ mask, constant, w, a, b })
      return
    }
    const variance = reading.variance + scatter
    const count = countOf(reading)
    visit(
      index + 1,
      mask,
      constant +
        count * (Math.log(1 - reading.wild) - 0.5 * (LOG_TWO_PI + Math.log(variance))) -
        (reading.squares ?? 0) / (2 * variance),
      w + count / variance,
      a + (count * reading.mm) / variance,
      b + (count * reading.mm ** 2) / variance,
    )
    visit(index + 1, mask | (1 << index), constant + wildLog(reading), w, a, b)
  }
  visit(0, 0, astray, 0, 0, 0)
  return found
}

/** Log-weight of one subset for a pipe: the shared shift is integrated out in closed form (a rank-one update). */
function subsetLog({ constant, w, a, b }: Subset, mean: number, shift: number): number {
  const off = a - mean * w
  const square = b - 2 * mean * a + mean * mean * w
  const spread = 1 + shift * w
  return constant - 0.5 * (Math.log(spread) + square - (shift * off * off) / spread)
}

export interface GroupLikelihood {
  readonly log: number
  /** For each reading, the probability that it was wild, given this pipe and surface. */
  readonly wild: readonly number[]
  /** Posterior of the shift that all readings share, over the readings that are not wild. */
  readonly shiftMean: number
  readonly shiftVariance: number
}

/**
 * Several readings of one quantity that share an unknown shift (tolerance, paint), each with its own noise, any of
 * them possibly wild. Which are wild is summed over: 2^n terms up to five readings; more are pooled, 2^6
 * at most.
 * Where a surface is uneven, nobody says whether all readings were taken at one spot or round about: in the one case
 * its unevenness shifts them together, in the other they scatter. Both are held possible alike, so that readings
 * that agree do not prove the surface even.
 */
export class ReadingGroup {
  private readonly spread = new Map<number, readonly Subset[]>()
  /** Subsets in which all far readings are wild, by scatter and by which are far. */
  private readonly left = new Map<number, Map<number, readonly Subset[]>>()
  private scratch = new Float64Array(64)

  private readonly pooled: Pooled

  constructor(readonly readings: readonly Reading[]) {
    this.pooled = pooled(readings)
  }

  private at(scatter: number): readonly Subset[] {
    const known = this.spread.get(scatter) ?? subsets(this.pooled, scatter)
    this.spread.set(scatter, known)
    if (known.length > this.scratch.length) this.scratch = new Float64Array(known.length)
    return known
  }

  private leftBy(scatter: number, far: number): readonly Subset[] {
    const byFar = this.left.get(scatter) ?? new Map<number, readonly Subset[]>()
    this.left.set(scatter, byFar)
    const known = byFar.get(far)
    if (known) return known
    const all = this.at(scatter)
    const matching = all.filter(({ mask }) => (mask & far) === far)
    // more far readings than may be wild at once: the subset that leaves the fewest in
    const kept = matching.length > 0 ? matching : all.slice(-1)
    byFar.set(far, kept)
    return kept
  }

  private one(mean: number, shift: number, scatter: number): number {
    const { pools: readings } = this.pooled
    // readings that can only be wild on this pipe: most pipes are settled by that alone
    let far = 0
    for (let index = 0; index < readings.length; index++) {
      const { mm, variance } = readings[index] as Reading
      if ((mm - mean) ** 2 > FAR * (variance + shift + scatter)) far |= 1 << index
    }
    const left = this.leftBy(scatter, far)
    const count = left.length
    const { scratch } = this
    let top = Number.NEGATIVE_INFINITY
    for (let index = 0; index < count; index++) {
      const log = subsetLog(left[index] as Subset, mean, shift)
      scratch[index] = log
      if (log > top) top = log
    }
    if (count === 1) return top
    let sum = 0
    for (let index = 0; index < count; index++) {
      const below = (scratch[index] as number) - top
      if (below > -40) sum += Math.exp(below)
    }
    return top + Math.log(sum)
  }

  /** Log marginal likelihood of all readings. */
  log({ mean, shift, scatter }: Expected): number {
    const spread = this.one(mean, shift, scatter)
    if (scatter === 0) return spread
    const spot = this.one(mean, shift + scatter, 0)
    const [heavy, light] = spread > spot ? [spread, spot] : [spot, spread]
    return heavy + Math.log((1 + Math.exp(light - heavy)) / 2)
  }

  /** The same with what it says of each reading and of the shift. Dearer: for the few pipes that matter. */
  detail({ mean, shift, scatter }: Expected): GroupLikelihood {
    const together = scatter > 0 && this.one(mean, shift + scatter, 0) > this.one(mean, shift, scatter)
    const shiftVariance = together ? shift + scatter : shift
    const noise = together ? 0 : scatter
    const all = this.at(noise)
    const logs = all.map((subset) => subsetLog(subset, mean, shiftVariance))
    const top = Math.max(...logs)
    const weights = logs.map((log) => Math.exp(log - top))
    const total = weights.reduce((sum, weight) => sum + weight, 0)
    const wild = this.pooled.pools.map(
      (_, index) =>
        all.reduce(
          (sum, { mask }, place) => sum + (mask & (1 << index) ? (weights[place] as number) : 0),
          0,
        ) / total,
    )
    let w = 0
    let a = 0
    this.pooled.pools.forEach((reading, index) => {
      const trust = (countOf(reading) * (1 - (wild[index] as number))) / (reading.variance + noise)
      w += trust
      a += trust * (reading.mm - mean)
    })
    return {
      log: this.log({ mean, shift, scatter }),
      wild: this.pooled.places.map((place) => wild[place] ?? 1),
      shiftMean: (shiftVariance * a) / (1 + shiftVariance * w),
      shiftVariance: shiftVariance / (1 + shiftVariance * w),
    }
  }
}
