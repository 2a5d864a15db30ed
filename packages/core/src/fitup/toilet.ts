import type { Conditions } from '../assembly/conditions'
import { OFFSET_FLANGE_MM } from '../catalog/closets'
import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'
import { type Fit, type FitReason, impossible } from './reason'

const IN = 25.4

/** What a bowl may stand nearer than it is made for, its tank just clear of the wall, mm. Common practice. */
const NEARER_MM = 6

export interface BowlFit {
  /** What stays between tank and wall beyond what the bowl is made for, mm. */
  readonly gapMm: number
  /** How far an offset flange has to move the middle, mm; nothing where a plain one does. */
  readonly offsetMm: number
}

/**
 * Whether a bowl fits the rough-in that is there.
 *
 * @param roughInMm middle of the flange to the finished wall
 * @param bowlMm the rough-in the bowl is made for
 */
export function bowlFits(roughInMm: number, bowlMm: number): Fit<BowlFit> {
  const gapMm = roughInMm - bowlMm
  if (gapMm >= -NEARER_MM) return { ok: true, gapMm, offsetMm: 0 }
  const offsetMm = -gapMm
  return offsetMm <= OFFSET_FLANGE_MM
    ? { ok: true, gapMm: 0, offsetMm }
    : impossible('toilet.too-near', { shortMm: offsetMm - OFFSET_FLANGE_MM })
}

/**
 * How far a bowl has to come away from its wall, mm; nothing where it fits, or where nobody has measured.
 *
 * @param conditions of the place: what is there, and what the bowl is made for
 */
export function nearMm({ roughMm, bowlMm }: Pick<Conditions, 'roughMm' | 'bowlMm'>): number {
  if (roughMm == null || bowlMm == null) return 0
  const fit = bowlFits(roughMm, bowlMm)
  return fit.ok ? fit.offsetMm : bowlMm - roughMm
}

export type Seal = 'wax' | 'wax-thick' | 'foam' | 'extender'

export interface FlangeFit {
  /** Top of the flange over the finished floor, mm: below nothing it lies beneath. */
  readonly aboveMm: number
  readonly seal: Seal
  readonly notes: readonly FitReason[]
}

const SEAL_SOURCE: Source = {
  title: 'Seals by the height of the flange, typical of the kind',
  certainty: "maker's sheet",
}

/**
 * How a flange stands against the floor, and which seal suits. It belongs on top of the finished floor; below, a
 * thicker seal or rings bring it up, and never two waxes.
 *
 * @param flangeMm top of the flange over the bare floor
 * @param floorMm layers still to come on the bare floor
 */
export function flangeHeight(flangeMm: number, floorMm: readonly number[]): Fit<FlangeFit> {
  const aboveMm = flangeMm - floorMm.reduce((sum, mm) => sum + mm, 0)
  if (aboveMm > 0.5 * IN) return impossible('toilet.flange-high', { overMm: aboveMm - 0.5 * IN })
  if (aboveMm >= 0) return { ok: true, aboveMm, seal: 'wax', notes: [] }
  const source = SEAL_SOURCE
  if (aboveMm >= -0.25 * IN)
    return {
      ok: true,
      aboveMm,
      seal: 'wax-thick',
      notes: [{ ruleId: 'toilet.flange-low', parameters: { shortMm: -aboveMm }, source }],
    }
  if (aboveMm >= -0.5 * IN)
    return {
      ok: true,
      aboveMm,
      seal: 'foam',
      notes: [{ ruleId: 'toilet.flange-low', parameters: { shortMm: -aboveMm }, source }],
    }
  return {
    ok: true,
    aboveMm,
    seal: 'extender',
    notes: [{ ruleId: 'toilet.extender', parameters: { shortMm: -aboveMm }, source: commonPractice }],
  }
}

/**
 * Length of the riser between the drain's socket and the flange, both home.
 *
 * @param belowMm from the finished floor down to the stop of the socket below
 * @param flangeSocketMm from the flange's underside down to its stop, over or in the riser
 */
export function riserMm(belowMm: number, flangeSocketMm: number): Fit<{ readonly cutMm: number }> {
  // the flange lies on the floor: its socket hangs beneath it
  const cutMm = belowMm - flangeSocketMm
  return cutMm <= 0 ? impossible('toilet.no-riser', { shortMm: -cutMm }) : { ok: true, cutMm }
}

/**
 * How far a flange is turned out of square: the difference of the distances from its two slots to the wall over the
 * distance between the slots, degrees.
 */
export function outOfSquareDegrees(leftMm: number, rightMm: number, slotsMm: number): number {
  return (Math.asin(Math.max(-1, Math.min(1, (leftMm - rightMm) / slotsMm))) * 180) / Math.PI
}
