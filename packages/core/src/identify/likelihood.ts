import type { Pipe } from '../reference/types'
import { INSTRUMENTS, SURFACES, type Surface, WILD_RANGE_MM } from './instruments'
import type { MeasuredObservation } from './types'

const LOG_TWO_PI = Math.log(2 * Math.PI)

/** A reading brought to a diameter (or a wall), with its own noise. */
export interface Reading {
  readonly mm: number
  readonly variance: number
  readonly wild: number
}

/** Brings a measured observation to a diameter: circumferences are divided by pi, the instrument's bias taken off. */
export function toReading(observation: MeasuredObservation): Reading {
  const model = INSTRUMENTS[observation.instrument]
  const scale = model.reads === 'circumference' ? Math.PI : 1
  const variance = model.sdMm ** 2 + observation.resolutionMm ** 2 / 12
  return {
    mm: (observation.mm - model.biasMm) / scale,
    variance: variance / scale ** 2,
    wild: model.wild,
  }
}

export interface GroupLikelihood {
  readonly log: number
  /** For each reading, the probability that it was wild, given this pipe and surface. */
  readonly wild: readonly number[]
  /** Posterior of the shift that all readings share, over the readings that are not wild. */
  readonly shiftMean: number
  readonly shiftVariance: number
}

/** More readings than this: only up to two of them are taken as wild at once. */
const EXACT_SUBSETS = 8

/**
 * Marginal likelihood of several readings of one quantity that share an unknown shift (tolerance, paint),
 * each with its own noise, any of them possibly wild. The shift is integrated out in closed form (a rank-one
 * update of a diagonal covariance), the wild ones by summing over which they are: 2^n terms, n at most 8.
 */
export function groupLikelihood(
  readings: readonly Reading[],
  meanMm: number,
  shiftVariance: number,
  scatterVariance: number,
): GroupLikelihood {
  const n = readings.length
  const mostWild = n <= EXACT_SUBSETS ? n : 2
  const logWild = -Math.log(WILD_RANGE_MM)
  const terms: { log: number; mask: number }[] = []
  const visit = (
    index: number,
    mask: number,
    wildCount: number,
    log: number,
    w: number,
    a: number,
    b: number,
  ) => {
    if (index === n) {
      const gaussian =
        -0.5 * (Math.log(1 + shiftVariance * w) + b - (shiftVariance * a * a) / (1 + shiftVariance * w))
      terms.push({ log: log + gaussian, mask })
      return
    }
    const reading = readings[index] as Reading
    const variance = reading.variance + scatterVariance
    const residual = reading.mm - meanMm
    visit(
      index + 1,
      mask,
      wildCount,
      log + Math.log(1 - reading.wild) - 0.5 * (LOG_TWO_PI + Math.log(variance)),
      w + 1 / variance,
      a + residual / variance,
      b + (residual * residual) / variance,
    )
    if (wildCount < mostWild)
      visit(index + 1, mask | (1 << index), wildCount + 1, log + Math.log(reading.wild) + logWild, w, a, b)
  }
  visit(0, 0, 0, 0, 0, 0, 0)

  const top = Math.max(...terms.map((term) => term.log))
  const total = terms.reduce((sum, term) => sum + Math.exp(term.log - top), 0)
  const wild = readings.map(
    (_, index) =>
      terms.reduce((sum, term) => sum + (term.mask & (1 << index) ? Math.exp(term.log - top) : 0), 0) / total,
  )
  let w = 0
  let a = 0
  readings.forEach((reading, index) => {
    const trust = 1 - (wild[index] as number)
    const variance = reading.variance + scatterVariance
    w += trust / variance
    a += (trust * (reading.mm - meanMm)) / variance
  })
  return {
    log: top + Math.log(total),
    wild,
    shiftMean: (shiftVariance * a) / (1 + shiftVariance * w),
    shiftVariance: shiftVariance / (1 + shiftVariance * w),
  }
}

/**
 * Readings of an uneven surface, where nobody says whether all were taken at one spot or round about: in the one
 * case its unevenness shifts them together, in the other they scatter. Both are held possible alike, so that
 * readings that agree do not prove the surface even.
 */
export function unevenLikelihood(
  readings: readonly Reading[],
  model: { readonly mean: number; readonly shift: number; readonly scatter: number },
): GroupLikelihood {
  const spread = groupLikelihood(readings, model.mean, model.shift, model.scatter)
  if (model.scatter === 0) return spread
  const spot = groupLikelihood(readings, model.mean, model.shift + model.scatter, 0)
  const [heavy, light] = spread.log > spot.log ? [spread, spot] : [spot, spread]
  return { ...heavy, log: heavy.log + Math.log((1 + Math.exp(light.log - heavy.log)) / 2) }
}

/** Mean, shared variance and scatter of the outside diameter of a pipe under a surface, mm and mm2. */
export function outsideModel(pipe: Pipe, surface: Surface): { mean: number; shift: number; scatter: number } {
  return {
    mean: pipe.odMm + surface.biasMm,
    // a tolerance is a limit: two standard deviations of the mean diameter
    shift: (pipe.odToleranceMm / 2) ** 2 + surface.sdMm ** 2,
    scatter: surface.scatterMm ** 2,
  }
}

/** The same for the wall. */
export function wallModel(pipe: Pipe, surface: Surface): { mean: number; shift: number; scatter: number } {
  return {
    mean: pipe.wallMm + surface.wallBiasMm,
    shift: (pipe.wallToleranceMm / 2) ** 2 + surface.wallSdMm ** 2 + 0.05 ** 2,
    scatter: 0,
  }
}

export const SURFACE_ENTRIES = Object.entries(SURFACES) as [keyof typeof SURFACES, Surface][]
