import type { Conditions } from '../assembly/conditions'
import { PAN_GIVES_MM, PAN_OFFSETS_MM, PAN_REACH_MM } from '../catalog/panConnectors'
import type { Fitting } from '../catalog/types'

type Place = Pick<Conditions, 'roughMm' | 'bowlMm' | 'reachMm'>

/**
 * How far the middle of a bowl's spigot stands over or under the middle of the pipe that it goes to, mm; null where one
 * of the two heights was not measured.
 */
export function panAsideMm({ roughMm, bowlMm }: Pick<Place, 'roughMm' | 'bowlMm'>): number | null {
  return roughMm == null || bowlMm == null ? null : Math.abs(roughMm - bowlMm)
}

/**
 * The offset that a connector has to have, mm: none where fins make up what heights differ by, the least that is made
 * else; null where none is made that large.
 */
export function panOffsetMm(asideMm: number): number | null {
  if (asideMm <= PAN_GIVES_MM) return 0
  return PAN_OFFSETS_MM.find((offset) => asideMm <= offset + PAN_GIVES_MM) ?? null
}

/**
 * Whether no connector reaches from the pipe as it stands, so that pipe is brought nearer first; what was not measured is
 * not far.
 */
export function panIsFar(place: Place & { readonly rises?: boolean | undefined }): boolean {
  const offsetMm = panOffsetMm(panAsideMm(place) ?? 0)
  if (place.rises || offsetMm === null || place.reachMm == null) return false
  return place.reachMm > (offsetMm === 0 ? PAN_REACH_MM.long : PAN_REACH_MM.short)[1]
}

/** Whether a straight or an eccentric pan connector is the one for heights and the way between; what was not measured rules nothing out. */
export function panSuits(
  { shiftMm = 0, lengthMm }: Pick<Fitting, 'shiftMm' | 'lengthMm'>,
  place: Place,
): boolean {
  const asideMm = panAsideMm(place)
  const { reachMm } = place
  const [least, most] = lengthMm ? [lengthMm.min, lengthMm.max] : PAN_REACH_MM.short
  return shiftMm === panOffsetMm(asideMm ?? 0) && (reachMm === null || (reachMm >= least && reachMm <= most))
}
