import { PIPES } from '../reference/pipes'
import type { Pipe } from '../reference/types'
import { JOINT_KINDS, JOINT_SIGNS, SIGN_ANSWERS, type SignKind } from './answers'
import {
  BORE_SD_MM,
  SLOT_GAUGE,
  SURFACE_IDS,
  SURFACES,
  type Surface,
  surfaceShares,
  WILD_RANGE_MM,
} from './instruments'
import { normalCdf } from './normal'
import { logPrintLikelihoods } from './print'
import { MEDIA, NONE_PRIOR, type Prior } from './prior'
import { type Expected, type Reading, ReadingGroup, toReading } from './reading'
import { carriesAnswer, JOINT_ON_LOOK, jointAnswer } from './seen'
import { BORES, type Extent, LOOKS, OUTSIDES, WALLS } from './space'
import { type SpotSigns, spotSigns } from './spot'
import type { MeasuredObservation, Observation, SignObservation } from './types'

export const SURFACE_COUNT = SURFACE_IDS.length
export const SURFACE_LIST: readonly Surface[] = SURFACE_IDS.map((id) => SURFACES[id])
const COUNT = PIPES.length
const JOINT_SIGN_SET: ReadonlySet<SignKind> = new Set(JOINT_SIGNS)
/** Whether a sign is of the pipe itself, at the spot that is looked at: not of its joint, nor of what it carries. */
export const isOfSpot = (sign: SignKind) => !JOINT_SIGN_SET.has(sign) && sign !== 'carries'

/** A diameter that is none of ours may be anything: one broad shift. */
export const NONE_OUTSIDE: Expected = { mean: 40, shift: 30 ** 2, scatter: 0.04 }
export const NONE_WALL: Expected = { mean: 3, shift: 4, scatter: 0.01 }

const LOG_SURFACE = new Float64Array(COUNT * SURFACE_COUNT)
PIPES.forEach((pipe, index) => {
  surfaceShares(pipe.material).forEach((share, s) => {
    LOG_SURFACE[index * SURFACE_COUNT + s] = share > 0 ? Math.log(share) : Number.NEGATIVE_INFINITY
  })
})

/** What readings of an outside are expected to show on a pipe under a surface, mm and mm2. */
export function expectedOutside({ mm, toleranceMm }: Extent, surface: Surface): Expected {
  return {
    mean: mm + surface.biasMm,
    // a tolerance is a limit: two standard deviations of the mean diameter
    shift: (toleranceMm / 2) ** 2 + surface.sdMm ** 2,
    scatter: surface.scatterMm ** 2,
  }
}

/** The same for the wall. */
export function expectedWall({ mm, toleranceMm }: Extent, surface: Surface): Expected {
  return {
    mean: mm + surface.wallBiasMm,
    shift: (toleranceMm / 2) ** 2 + surface.wallSdMm ** 2 + 0.05 ** 2,
    scatter: 0,
  }
}

/** The same for the bore: what thins the wall widens it, what grows in it narrows it. */
export function expectedBore({ mm, toleranceMm }: Extent, surface: Surface): Expected {
  return {
    mean: mm,
    shift: (toleranceMm / 2) ** 2 + (2 * surface.wallSdMm) ** 2,
    scatter: 0,
  }
}

/** The posterior over pipe × surface and "none of these", with what the later steps need of it. */
export interface Inference {
  /** Probability of pipe `i` under surface `s` at `i * SURFACE_COUNT + s`. */
  readonly weights: Float64Array
  readonly none: number
  readonly logEvidence: number
  readonly outside: ReadingGroup | null
  readonly spot: SpotSigns
  /** Log-likelihood of what was seen of the joint, per kind of joint; null where nothing was. */
  readonly jointLogs: readonly number[] | null
  /** Probability of what was said of the line, per medium; 1 where nothing was. */
  readonly mediumFactors: readonly number[]
}

function measured(observations: readonly Observation[], kind: MeasuredObservation['kind']): Reading[] {
  return observations
    .filter((o): o is MeasuredObservation => o.kind === kind)
    .map((o) => toReading(o, kind === 'bore' ? BORE_SD_MM : 0))
}

/** Log-likelihoods of one measured quantity for each extent under each surface. */
function extentLogs(
  group: ReadingGroup,
  extents: readonly Extent[],
  expect: (extent: Extent, surface: Surface) => Expected,
): Float64Array {
  const logs = new Float64Array(extents.length * SURFACE_COUNT)
  extents.forEach((extent, index) => {
    SURFACE_LIST.forEach((surface, s) => {
      logs[index * SURFACE_COUNT + s] = group.log(expect(extent, surface))
    })
  })
  return logs
}

/** Log-likelihoods of all go/no-go gauges for each outside under each surface. */
function gaugeLogs(observations: readonly Observation[]): Float64Array | null {
  const gauges = observations.filter((o) => o.kind === 'gauge')
  if (gauges.length === 0) return null
  const logs = new Float64Array(OUTSIDES.values.length * SURFACE_COUNT)
  OUTSIDES.values.forEach((extent, index) => {
    SURFACE_LIST.forEach((surface, s) => {
      const { mean, shift, scatter } = expectedOutside(extent, surface)
      const sd = Math.sqrt(shift + scatter + SLOT_GAUGE.sdMm ** 2)
      let log = 0
      for (const { mm, fits } of gauges) {
        const goes = normalCdf((mm - mean) / sd) * (1 - 2 * SLOT_GAUGE.wrong) + SLOT_GAUGE.wrong
        log += Math.log(fits === 'goes' ? goes : 1 - goes)
      }
      logs[index * SURFACE_COUNT + s] = log
    })
  })
  return logs
}

/**
 * Exact posterior over pipe × surface. Cost: outsides × surfaces × subsets of wild readings, then pipes × surfaces;
 * all bounded.
 */
export function infer(prior: Prior, observations: readonly Observation[]): Inference {
  const signs = observations.filter((o): o is SignObservation => o.kind === 'sign')
  const pipeSigns = signs.filter(({ sign }) => isOfSpot(sign))
  const jointSigns = signs.filter(({ sign }) => JOINT_SIGN_SET.has(sign))
  const said = signs.filter(({ sign }) => sign === 'carries')
  const spot = spotSigns(pipeSigns)

  const jointLogs =
    jointSigns.length === 0
      ? null
      : JOINT_KINDS.map((joint) =>
          jointSigns.reduce((sum, o) => sum + Math.log(jointAnswer(o.sign, o.answer, joint)), 0),
        )
  const jointOnLook = jointLogs
    ? JOINT_ON_LOOK.map((shares) =>
        Math.log(shares.reduce((sum, share, j) => sum + share * Math.exp(jointLogs[j] as number), 0)),
      )
    : null
  const mediumFactors = MEDIA.map((medium) =>
    said.reduce((product, { answer }) => product * carriesAnswer(answer, medium), 1),
  )

  const readings = measured(observations, 'outside')
  const outside = readings.length > 0 ? new ReadingGroup(readings) : null
  const outsideLogs = outside ? extentLogs(outside, OUTSIDES.values, expectedOutside) : null
  const gauges = gaugeLogs(observations)
  const walls = measured(observations, 'wall')
  const wallGroup = walls.length > 0 ? new ReadingGroup(walls) : null
  const wallLogs = wallGroup ? extentLogs(wallGroup, WALLS.values, expectedWall) : null
  const bores = measured(observations, 'bore')
  const boreGroup = bores.length > 0 ? new ReadingGroup(bores) : null
  const boreLogs = boreGroup ? extentLogs(boreGroup, BORES.values, expectedBore) : null
  const prints = observations.filter((o) => o.kind === 'print').map(({ text }) => logPrintLikelihoods(text))

  const logs = new Float64Array(COUNT * SURFACE_COUNT)
  let top = Number.NEGATIVE_INFINITY
  for (let index = 0; index < COUNT; index++) {
    const look = LOOKS.of[index] as number
    let base = Math.log(prior.pipes[index] as number)
    for (const print of prints) base += print[index] as number
    if (jointOnLook) base += jointOnLook[look] as number
    if (said.length > 0) {
      let sum = 0
      for (let m = 0; m < MEDIA.length; m++)
        sum += (prior.media[index * MEDIA.length + m] as number) * (mediumFactors[m] as number)
      base += Math.log(sum)
    }
    for (let s = 0; s < SURFACE_COUNT; s++) {
      let log = base + (LOG_SURFACE[index * SURFACE_COUNT + s] as number)
      log += spot.logs[look * SURFACE_COUNT + s] as number
      if (outsideLogs) log += outsideLogs[(OUTSIDES.of[index] as number) * SURFACE_COUNT + s] as number
      if (gauges) log += gauges[(OUTSIDES.of[index] as number) * SURFACE_COUNT + s] as number
      if (wallLogs) log += wallLogs[(WALLS.of[index] as number) * SURFACE_COUNT + s] as number
      if (boreLogs) log += boreLogs[(BORES.of[index] as number) * SURFACE_COUNT + s] as number
      logs[index * SURFACE_COUNT + s] = log
      if (log > top) top = log
    }
  }
  const noneLog = logOfNone(prior, observations, outside, wallGroup, boreGroup)
  if (noneLog > top) top = noneLog

  let total = 0
  const weights = logs
  for (let cell = 0; cell < logs.length; cell++) {
    const below = (logs[cell] as number) - top
    const weight = below > -45 ? Math.exp(below) : 0
    weights[cell] = weight
    total += weight
  }
  const none = Math.exp(noneLog - top)
  total += none
  for (let cell = 0; cell < weights.length; cell++) weights[cell] = (weights[cell] as number) / total
  return {
    weights,
    none: none / total,
    logEvidence: top + Math.log(total),
    outside,
    spot,
    jointLogs,
    mediumFactors,
  }
}

/** A pipe of no table may look like anything and have any diameter. */
function logOfNone(
  prior: Prior,
  observations: readonly Observation[],
  outside: ReadingGroup | null,
  wall: ReadingGroup | null,
  bore: ReadingGroup | null,
): number {
  let log = Math.log((prior.pipes[COUNT] as number) || NONE_PRIOR)
  for (const o of observations) {
    if (o.kind === 'sign') log -= Math.log(SIGN_ANSWERS[o.sign].length)
    else if (o.kind === 'print') log += logPrintLikelihoods(o.text)[COUNT] as number
    else if (o.kind === 'gauge') log += Math.log(0.5)
  }
  if (outside) log += outside.log(NONE_OUTSIDE)
  if (wall) log += wall.log(NONE_WALL)
  if (bore) log += bore.log(NONE_OUTSIDE)
  return log
}

/** Probability of each pipe, all surfaces together. */
export function pipeWeights({ weights }: Inference): Float64Array {
  const sums = new Float64Array(COUNT)
  for (let index = 0; index < COUNT; index++) {
    let sum = 0
    for (let s = 0; s < SURFACE_COUNT; s++) sum += weights[index * SURFACE_COUNT + s] as number
    sums[index] = sum
  }
  return sums
}

/** What the line carries, given everything: probabilities in the order of `MEDIA`, of pipes in the tables. */
export function mediumWeights(prior: Prior, inference: Inference, weights: Float64Array): number[] {
  const sums = MEDIA.map(() => 0)
  const row = new Float64Array(MEDIA.length)
  for (let index = 0; index < COUNT; index++) {
    const weight = weights[index] as number
    if (weight < 1e-9) continue
    let total = 0
    for (let m = 0; m < MEDIA.length; m++) {
      const value = (prior.media[index * MEDIA.length + m] as number) * (inference.mediumFactors[m] as number)
      row[m] = value
      total += value
    }
    for (let m = 0; m < MEDIA.length; m++)
      sums[m] = (sums[m] as number) + (weight * (row[m] as number)) / total
  }
  return sums
}

/** Kinds of joint by probability, given everything; null while nothing was seen of it. */
export function jointWeights(inference: Inference, weights: Float64Array): number[] | null {
  const { jointLogs } = inference
  if (!jointLogs) return null
  const likely = jointLogs.map((log) => Math.exp(log))
  const byLook = new Float64Array(LOOKS.values.length)
  for (let index = 0; index < COUNT; index++)
    byLook[LOOKS.of[index] as number] =
      (byLook[LOOKS.of[index] as number] as number) + (weights[index] as number)
  const sums = JOINT_KINDS.map(() => 0)
  byLook.forEach((weight, look) => {
    if (weight < 1e-9) return
    const shares = JOINT_ON_LOOK[look] as readonly number[]
    const total = shares.reduce((sum, share, j) => sum + share * (likely[j] as number), 0)
    shares.forEach((share, j) => {
      sums[j] = (sums[j] as number) + (weight * share * (likely[j] as number)) / total
    })
  })
  return sums
}

/** The pipe at a place of the fixed order. */
export function pipeAt(index: number): Pipe {
  return PIPES[index] as Pipe
}

export { WILD_RANGE_MM }
