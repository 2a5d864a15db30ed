import type { Connection, Place, Seat } from '../../reference/connections'
import { THREAD_ANSWERS } from '../answers'
import { normalCdf } from '../normal'
import type { ThreadObservation } from './types'

/** How threads are read. Common practice: estimates, to be replaced by measured ones. */
export const THREAD_INSTRUMENTS = {
  /** Threads too many or too few, counted against a rule. */
  countSd: 0.35,
  countWild: 0.03,
  caliperSdMm: 0.1,
  tapeSdMm: 0.9,
  /** Worn, painted or dirty crests. */
  crestSdMm: 0.12,
  acrossWild: 0.03,
  taperSdMm: 0.09,
  taperWild: 0.03,
  signWrong: { gender: 0.005, seat: 0.12, place: 0.04 },
} as const

const LARGEST_MM = 70
const LOG_TWO_PI = Math.log(2 * Math.PI)

const gaussian = (x: number, sd: number) => Math.exp(-0.5 * (x / sd) ** 2 - Math.log(sd) - 0.5 * LOG_TWO_PI)

/** Whether a gauge leaf of that pitch and form fits a thread: by how far the pitch is off, then by the flanks. */
export function leafFits(
  connection: Pick<Connection, 'pitchMm' | 'form'>,
  pitchMm: number,
  form: 60 | 55,
): number {
  const off = Math.abs(pitchMm / connection.pitchMm - 1)
  const pitch = off < 0.006 ? 0.9 : off < 0.03 ? 0.4 : off < 0.06 ? 0.08 : 0.02
  // two and a half degrees a flank are a hair of light on a worn thread: it tells, and it does not decide
  return form === connection.form ? pitch : pitch * 0.6
}

/** A diameter across crests that lie anywhere in a range, read with noise. */
export function acrossDensity([low, high]: readonly [number, number], mm: number, sd: number): number {
  const width = Math.max(high - low, 0.01)
  return (normalCdf((mm - low) / sd) - normalCdf((mm - high) / sd)) / width
}

/** What is said of the seat, of male or female, of the place: right, or anything else alike. */
function signProbability(connection: Connection, sign: keyof typeof THREAD_ANSWERS, answer: string): number {
  const answers: readonly string[] = THREAD_ANSWERS[sign]
  const wrong = THREAD_INSTRUMENTS.signWrong[sign]
  switch (sign) {
    case 'gender':
      return answer === connection.gender ? 1 - wrong : wrong
    case 'seat': {
      const own = connection.seats.includes(answer as Seat) ? 1 / connection.seats.length : 0
      return (1 - wrong) * own + wrong / answers.length
    }
    case 'place': {
      // whoever does not say tells nothing; the rest is shared among the places that can be said
      const unsaid = 1 / answers.length
      if (answer === 'not-said') return unsaid
      const named = Object.values(connection.places).reduce((sum, share) => sum + share, 0)
      const places = answers.length - 1
      const unnamed = places - Object.keys(connection.places).length
      const own = connection.places[answer as Place] ?? (1 - named) / unnamed
      return (1 - unsaid) * ((1 - wrong) * own + wrong / places)
    }
  }
}

/** Likelihood of one observation of a thread; `null` asks for a thread of no table. */
export function threadLikelihood(observation: ThreadObservation, connection: Connection | null): number {
  const instruments = THREAD_INSTRUMENTS
  switch (observation.kind) {
    case 'thread-count': {
      const { threads, overMm } = observation
      if (!connection) return 1 / 40
      const sd = Math.max(instruments.countSd, 0.02 * threads)
      return (
        (1 - instruments.countWild) * gaussian(threads - overMm / connection.pitchMm, sd) +
        instruments.countWild / 40
      )
    }
    case 'thread-leaf': {
      if (!connection) return 0.5
      const fits = leafFits(connection, observation.pitchMm, observation.form)
      return observation.fits === 'fits' ? fits : 1 - fits
    }
    case 'thread-across': {
      if (!connection) return 1 / LARGEST_MM
      const own = observation.instrument === 'caliper' ? instruments.caliperSdMm : instruments.tapeSdMm
      const sd = Math.hypot(own, instruments.crestSdMm, observation.resolutionMm / Math.sqrt(12))
      return (
        (1 - instruments.acrossWild) * acrossDensity(connection.acrossMm, observation.mm, sd) +
        instruments.acrossWild / LARGEST_MM
      )
    }
    case 'thread-taper': {
      if (!connection) return 1 / 4
      const grows = observation.secondMm - observation.firstMm
      // a male taper grows away from its end, a female one shrinks inward
      const expected = connection.taper
        ? (observation.apartMm / 16) * (connection.gender === 'male' ? 1 : -1)
        : 0
      return (
        (1 - instruments.taperWild) * gaussian(grows - expected, instruments.taperSdMm * Math.SQRT2) +
        instruments.taperWild / 4
      )
    }
    case 'thread-sign':
      return connection
        ? signProbability(connection, observation.sign, observation.answer)
        : 1 / THREAD_ANSWERS[observation.sign].length
  }
}
