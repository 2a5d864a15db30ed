import type { Pipework } from './pipework'
import { waterCompressibility, waterExpansion } from './water'

/** Pressure of the air, kPa. */
export const AIR_KPA = 101.3

/** All that moves the pressure of a line that is shut. */
export interface Happening {
  /** At the first reading, kPa. */
  readonly startKpa: number
  readonly volumeMl: number
  /** Air in the line, as large as it would be without pressure, ml. */
  readonly airMl: number
  /** By how much its water is warmer in the end, K; in what time it comes near that, and after what time it begins, s. */
  readonly warmsK: number
  readonly warmsInS: number
  readonly warmsAfterS: number
  /** Share of the pipe's stretch that is added while the time grows e-fold. Of plastic only. */
  readonly creep: number
  /** Share by which the air is larger at first, being warm from the pump, and the time in which it settles, s. */
  readonly settles: number
  readonly settlesInS: number
  /** Runs out at the pressure of the start, ml/min. */
  readonly leak: number
  /** Would come in past the stop at a difference as great as the pressure of the start, ml/min; and what stands behind it, kPa. */
  readonly seep: number
  readonly behindKpa: number
  /** Power of the difference by which the seat lets by: 0.5 a hole, 1 a slit. */
  readonly seat: number
}

/** Water, or room for it, by its cause, ml. */
export interface Volumes {
  leak: number
  seep: number
  warmth: number
  creep: number
  air: number
}

/** Since the pump has stopped, when it is first read, s: creep counts from there. */
const SINCE_PUMPED = 60
/** A hole's flow by the root of the pressure; straight below this, where no gauge reads, kPa. */
const SOFT = 0.5
/** Largest step: a share of the pressure, and a share of the time. */
const STEP_KPA = 0.06
const STEP_TIME = 0.35
const EARLY_S = 20
/** Water cannot be drawn thinner than this. */
const EMPTY_KPA = -95

/** Flow over pressure: a power of it that is straight where the pressure is next to nothing. */
function share(kpa: number, power: number): number {
  if (power === SLIT) return 1
  const over = Math.abs(kpa) + SOFT
  // the same as `over ** (power - 1)` in half of the time, for a number that is above nought
  return power === HOLE ? 1 / Math.sqrt(over) : Math.exp((power - 1) * Math.log(over))
}
/** How fast a flow grows with the pressure, over that share. */
function growth(kpa: number, power: number): number {
  return 1 + ((power - 1) * Math.abs(kpa)) / (Math.abs(kpa) + SOFT)
}
const HOLE = 0.5
const SLIT = 1

/**
 * Pressures of a shut line as time goes by: what runs out and in, and what warmth, creep and settling air take, shared
 * out among what gives: water, pipe and air. One equation of the first order, by exponential steps that are exact where
 * it is straight, so that a hole that empties a stiff line in a blink needs no small ones.
 *
 * @param seconds since the first reading, rising
 * @param took where given, what each cause has brought (or, below nought, taken) by the end is added to it, ml
 * @returns kPa on the gauge, as many
 */
export function pressures(
  line: Pick<Pipework, 'stretch' | 'expansion' | 'plastic'>,
  what: Happening,
  waterC: number,
  seconds: ArrayLike<number>,
  took?: Volumes,
): Float64Array {
  const compress = waterCompressibility(waterC)
  const grows = waterExpansion(waterC) - line.expansion
  const give = what.volumeMl * (compress + line.stretch)
  const yielding = what.volumeMl * line.stretch * line.plastic * what.creep
  const full = Math.max(what.startKpa, 1)
  const out = what.leak / 60 / (full * share(full, HOLE))
  const past = what.seep / 60 / (full * share(full, what.seat))
  const kelvin = waterC + 273.15
  const results = new Float64Array(seconds.length)
  let t = 0
  let p = what.startKpa
  // two lags that are the same have a form of their own: they are kept apart by a hundredth
  const second =
    Math.abs(what.warmsInS - what.warmsAfterS) < 0.01 * what.warmsInS
      ? 0.99 * what.warmsInS
      : what.warmsAfterS
  // made once, outside the steps: there are a million of them
  const warms = what.warmsK / (what.warmsInS - second)
  const warmsPerS = (at: number) =>
    warms === 0 ? 0 : warms * (Math.exp(-at / what.warmsInS) - Math.exp(-at / second))
  const creepsPerS = (at: number) => (yielding * Math.max(0, p)) / (at + SINCE_PUMPED)
  const settles = what.settles / what.settlesInS
  const settlesPerS = (at: number) => (settles === 0 ? 0 : settles * Math.exp(-at / what.settlesInS))
  const volumesPerS = (at: number, air: number) =>
    warmsPerS(at) * (what.volumeMl * grows + air / kelvin) - creepsPerS(at) - air * settlesPerS(at)
  for (let index = 0; index < seconds.length; index++) {
    const until = seconds[index] as number
    while (t < until) {
      const air = (what.airMl * AIR_KPA) / (p + AIR_KPA)
      const airGive = air / (p + AIR_KPA)
      const all = give + airGive
      let flow = 0
      let slope = 0
      let outFlow = 0
      let pastFlow = 0
      if (out !== 0) {
        const unit = out * share(p, HOLE)
        outFlow = unit * p
        flow -= outFlow
        slope -= unit * growth(p, HOLE)
      }
      if (past !== 0) {
        const over = what.behindKpa - p
        const unit = past * share(over, what.seat)
        pastFlow = unit * over
        flow += pastFlow
        slope -= unit * growth(over, what.seat)
      }
      let step = Math.min(until - t, STEP_TIME * (t + EARLY_S))
      // how fast the volumes change by themselves is taken in the middle of the step: second order
      let speed = (flow + volumesPerS(t + step / 2, air)) / all
      slope = slope / all + (2 * speed * airGive) / all / (p + AIR_KPA)
      // an end that is being reached takes one exponential step; only on the way there is the change kept small
      const fast = Math.abs(speed)
      const most = STEP_KPA * (Math.abs(p) + 30)
      if (fast * Math.min(step, 1 / Math.max(-slope, 1e-12)) > most) {
        step = Math.max(most / fast, 1e-3)
        speed = (flow + volumesPerS(t + step / 2, air)) / all
      }
      if (took) {
        const at = t + step / 2
        took.leak -= outFlow * step
        took.seep += pastFlow * step
        took.warmth += warmsPerS(at) * (what.volumeMl * grows + air / kelvin) * step
        took.creep -= creepsPerS(at) * step
        took.air -= air * settlesPerS(at) * step
      }
      const reach = Math.min(slope * step, 1)
      p += speed * step * (Math.abs(reach) < 1e-6 ? 1 : Math.expm1(reach) / reach)
      if (p < EMPTY_KPA) p = EMPTY_KPA
      t += step
    }
    results[index] = p
  }
  return results
}
