import { INSTRUMENTS, WILD_RANGE_MM } from './instruments'
import type { MeasuredObservation } from './types'

const LOG_TWO_PI = Math.log(2 * Math.PI)
const LOG_WILD = -Math.log(WILD_RANGE_MM)

/** A reading brought to a diameter (or a wall), with its own noise. */
export interface Reading {
  readonly mm: number
  readonly variance: number
  readonly wild: number
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

/** What readings are expected to show: their mean, the variance of what shifts them all, and of what does not. */
export interface Expected {
  readonly mean: number
  readonly shift: number
  readonly scatter: number
}

/** More readings than this: only up to two of them are taken as wild at once. */
const EXACT_SUBSETS = 5
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

function subsets(readings: readonly Reading[], scatter: number): readonly Subset[] {
  const found: Subset[] = []
  const most = readings.length <= EXACT_SUBSETS ? readings.length : 2
  const visit = (
    index: number,
    mask: number,
    wild: number,
    constant: number,
    w: number,
    a: number,
    b: number,
  ) => {
    const reading = readings[index]
    if (!reading) {
      found.push({ mask, constant, w, a, b })
      return
    }
    const variance = reading.variance + scatter
    visit(
      index + 1,
      mask,
      wild,
      constant + Math.log(1 - reading.wild) - 0.5 * (LOG_TWO_PI + Math.log(variance)),
      w + 1 / variance,
      a + reading.mm / variance,
      b + reading.mm ** 2 / variance,
    )
    if (wild < most)
      visit(index + 1, mask | (1 << index), wild + 1, constant + Math.log(reading.wild) + LOG_WILD, w, a, b)
  }
  visit(0, 0, 0, 0, 0, 0, 0)
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
 * them possibly wild. Which are wild is summed over: 2^n terms up to five readings, beyond that up to two at once.
 * Where a surface is uneven, nobody says whether all readings were taken at one spot or round about: in the one case
 * its unevenness shifts them together, in the other they scatter. Both are held possible alike, so that readings
 * that agree do not prove the surface even.
 */
export class ReadingGroup {
  private readonly spread = new Map<number, readonly Subset[]>()
  /** Subsets in which all far readings are wild, by scatter and by which are far. */
  private readonly left = new Map<number, Map<number, readonly Subset[]>>()
  private scratch = new Float64Array(64)

  constructor(readonly readings: readonly Reading[]) {}

  private at(scatter: number): readonly Subset[] {
    const known = this.spread.get(scatter) ?? subsets(this.readings, scatter)
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
    const { readings } = this
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
    const wild = this.readings.map(
      (_, index) =>
        all.reduce(
          (sum, { mask }, place) => sum + (mask & (1 << index) ? (weights[place] as number) : 0),
          0,
        ) / total,
    )
    let w = 0
    let a = 0
    this.readings.forEach((reading, index) => {
      const trust = (1 - (wild[index] as number)) / (reading.variance + noise)
      w += trust
      a += trust * (reading.mm - mean)
    })
    return {
      log: this.log({ mean, shift, scatter }),
      wild,
      shiftMean: (shiftVariance * a) / (1 + shiftVariance * w),
      shiftVariance: shiftVariance / (1 + shiftVariance * w),
    }
  }
}
