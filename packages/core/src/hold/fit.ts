import { type Happening, pressures } from './balance'
import { cholesky, solve } from './matrix'
import { below } from './normal'
import type { Pipework } from './pipework'

/** A reading of the gauge. */
export interface Reading {
  /** Since the first, s. */
  readonly seconds: number
  readonly kpa: number
}

/** What is known of a line that is held before its gauge says anything. */
export interface Held {
  readonly line: Pipework
  /** Of the water, °C. */
  readonly waterC: number
  /** What the gauge can be read to, kPa. */
  readonly stepKpa: number
  /** Pressure in front of the stop, kPa; null where nobody has measured it. */
  readonly streetKpa: number | null
}

/**
 * What is not known, each by one number that is 0 in the middle and one wide: the pressure at the first reading within
 * the gauge's step, the volume, the air, how much and how fast it warms, creep, how the air settles and how fast, what
 * stands behind the stop, and how its seat lets by.
 */
export const UNKNOWNS = 11
const [START, VOLUME, AIR, WARMS, WARMS_IN, CREEP, SETTLES, SETTLES_IN, BEHIND, SEAT, WARMS_AFTER] = [
  0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10,
]
/** The unknown that says how much warmer the water becomes: a fit may begin warmer or cooler. */
export const WARMTH = WARMS

/** The middle of each, and how far one width is: a factor, or a difference. Chosen wide; see docs/hold-model.md. */
const USUAL = {
  volume: 1.25,
  air: { share: 0.01, times: 3 },
  warmsK: 4,
  warmsInS: { middle: 1200, times: 2 },
  warmsAfterS: { middle: 60, times: 2.5 },
  creep: { share: 0.06, times: 1.6 },
  settles: { share: 0.04, times: 2.2 },
  settlesInS: { middle: 60, times: 1.8 },
  streetKpa: { known: 20, middle: 410, unknown: 120 },
} as const
/**
 * Shares of the gauge's step, of what it shows, and of how far that has moved, that a reading is off by: the last is how
 * much the account itself is off, since nothing warms by one exponential.
 */
const OFF = { ofStep: 0.25, ofReading: 0.0015, ofChange: 0.03 } as const

/** What happens by those numbers, with a leak and a seep, ml/min. */
export function happening(
  held: Held,
  first: number,
  unknowns: ArrayLike<number>,
  leak: number,
  seep: number,
): Happening {
  const u = (index: number) => unknowns[index] as number
  const volumeMl = held.line.volumeMl * USUAL.volume ** u(VOLUME)
  const { streetKpa } = USUAL
  return {
    startKpa: first + u(START) * (0.4 * held.stepKpa + OFF.ofReading * first),
    volumeMl,
    airMl: volumeMl * USUAL.air.share * USUAL.air.times ** u(AIR),
    warmsK: USUAL.warmsK * u(WARMS),
    warmsInS: USUAL.warmsInS.middle * USUAL.warmsInS.times ** u(WARMS_IN),
    warmsAfterS: USUAL.warmsAfterS.middle * USUAL.warmsAfterS.times ** u(WARMS_AFTER),
    creep: held.line.plastic > 0 ? USUAL.creep.share * USUAL.creep.times ** u(CREEP) : 0,
    settles: USUAL.settles.share * USUAL.settles.times ** u(SETTLES),
    settlesInS: USUAL.settlesInS.middle * USUAL.settlesInS.times ** u(SETTLES_IN),
    leak,
    seep,
    behindKpa:
      held.streetKpa === null
        ? streetKpa.middle + streetKpa.unknown * u(BEHIND)
        : held.streetKpa + streetKpa.known * u(BEHIND),
    seat: 0.5 + 0.5 * below(u(SEAT)),
  }
}

/** Logarithm of the chance that a gauge shows what it shows, `a` spreads from the truth, its step `half` to each side. */
function logShown(a: number, half: number): number {
  const share = below(half - a) - below(-half - a)
  return share > 1e-250 ? Math.log(share) : -((a - half) ** 2) / 2 - Math.log(a - half) - 0.919
}

/**
 * Root of twice the surprise of a reading over that of the best one, signed: its square is what a fit adds up. Anything
 * within the gauge's step surprises little, however often it is read.
 */
function surprise({ kpa, off, half, best, atNothing }: Shown, trueKpa: number): number {
  if (atNothing && trueKpa < kpa) return 0
  const z = (kpa - trueKpa) / off
  const more = best - logShown(Math.abs(z), half)
  return Math.sign(z) * Math.sqrt(Math.max(0, 2 * more))
}

/** What a reading is measured by, whatever the truth: made once, since a fit asks a thousand times. */
interface Shown {
  readonly kpa: number
  /** The spread of what the gauge may be off, and half its step in it. */
  readonly off: number
  readonly half: number
  /** How likely it is where the truth is what is read. */
  readonly best: number
  /** A gauge stands at nothing whatever draws below it. */
  readonly atNothing: boolean
}
function shownBy(kpa: number, stepKpa: number, movedKpa: number): Shown {
  const off = OFF.ofStep * stepKpa + OFF.ofReading * kpa + OFF.ofChange * movedKpa
  const half = stepKpa / 2 / off
  return { kpa, off, half, best: logShown(0, half), atNothing: kpa <= stepKpa / 2 }
}

export interface Fitted {
  readonly unknowns: Float64Array
  /** Logarithm of how well it explains the readings, the unknowns spread over what they may be. */
  readonly evidence: number
  /** Lower triangle's root of the bend of the fit, for drawing unknowns near the best. */
  readonly root: Float64Array
}

const TURNS = 9
const NUDGE = 0.02
/** A turn that gains less is the last. */
const ENOUGH = 0.03
/** Beyond this the widths of the unknowns mean nothing. */
const FAR = 5

/**
 * The likeliest unknowns for one leak and one seep (Levenberg and Marquardt), and how well all of them together explain
 * the readings (Laplace: a bell curve round the likeliest).
 *
 * @param readings at least one, the first at 0 s
 * @param begin where to look from
 */
export function fit(
  held: Held,
  readings: readonly Reading[],
  leak: number,
  seep: number,
  begin: ArrayLike<number> = new Float64Array(UNKNOWNS),
): Fitted {
  const first = (readings[0] as Reading).kpa
  const seconds = Float64Array.from(readings, (reading) => reading.seconds)
  const count = readings.length
  const gauge = readings.map(({ kpa }) => shownBy(kpa, held.stepKpa, Math.abs(kpa - first)))
  const of = (unknowns: Float64Array, into: Float64Array) => {
    const shown = pressures(held.line, happening(held, first, unknowns, leak, seep), held.waterC, seconds)
    let sum = 0
    for (let index = 0; index < count; index++) {
      const off = surprise(gauge[index] as Shown, shown[index] as number)
      into[index] = off
      sum += off * off
    }
    return sum
  }
  const cost = (sum: number, unknowns: Float64Array) => unknowns.reduce((all, u) => all + u * u, sum) / 2
  let at = Float64Array.from(begin)
  const offs = new Float64Array(count)
  let best = cost(of(at, offs), at)
  const columns = Array.from({ length: UNKNOWNS }, () => new Float64Array(count))
  const bend = new Float64Array(UNKNOWNS * UNKNOWNS)
  let damp = 1e-2
  // what stands behind a stop that lets nothing by, or how metal creeps, moves nothing: its column stays at nought
  const idle = [...(seep === 0 ? [BEHIND, SEAT] : []), ...(held.line.plastic > 0 ? [] : [CREEP])]
  const look = () => {
    const nudged = Float64Array.from(at)
    for (let k = 0; k < UNKNOWNS; k++) {
      if (idle.includes(k)) continue
      const column = columns[k] as Float64Array
      nudged[k] = (at[k] as number) + NUDGE
      of(nudged, column)
      nudged[k] = at[k] as number
      for (let index = 0; index < count; index++)
        column[index] = ((column[index] as number) - (offs[index] as number)) / NUDGE
    }
    for (let i = 0; i < UNKNOWNS; i++)
      for (let j = 0; j <= i; j++) {
        const [a, b] = [columns[i] as Float64Array, columns[j] as Float64Array]
        let sum = i === j ? 1 : 0
        for (let index = 0; index < count; index++) sum += (a[index] as number) * (b[index] as number)
        bend[i * UNKNOWNS + j] = sum
        bend[j * UNKNOWNS + i] = sum
      }
  }
  look()
  const trial = new Float64Array(count)
  for (let turn = 0; turn < TURNS; turn++) {
    const downhill = Float64Array.from(at, (u, k) => {
      const column = columns[k] as Float64Array
      let sum = u
      for (let index = 0; index < count; index++) sum += (column[index] as number) * (offs[index] as number)
      return -sum
    })
    let gained = 0
    for (let tries = 0; tries < 4; tries++) {
      const damped = Float64Array.from(bend)
      for (let k = 0; k < UNKNOWNS; k++)
        damped[k * UNKNOWNS + k] = (damped[k * UNKNOWNS + k] as number) * (1 + damp)
      const lower = cholesky(damped, UNKNOWNS)
      const step = lower && solve(lower, UNKNOWNS, downhill)
      const next =
        step && Float64Array.from(at, (u, k) => Math.max(-FAR, Math.min(FAR, u + (step[k] as number))))
      const sum = next ? of(next, trial) : Number.POSITIVE_INFINITY
      const then = next ? cost(sum, next) : sum
      if (next && then < best) {
        gained = best - then
        at = next
        best = then
        offs.set(trial)
        damp = Math.max(1e-6, damp / 6)
        break
      }
      damp *= 8
    }
    if (gained === 0) break
    look()
    if (gained < ENOUGH) break
  }
  const root = cholesky(bend, UNKNOWNS) as Float64Array
  let logRoot = 0
  for (let k = 0; k < UNKNOWNS; k++) logRoot += Math.log(root[k * UNKNOWNS + k] as number)
  // the unknowns' own bell curves and the fit's have the same roots of twice pi, which fall away
  return { unknowns: at, evidence: -best - logRoot, root }
}
