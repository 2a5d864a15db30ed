import type { Mount } from '../assembly/bodies/types'
import type { Conditions } from '../assembly/conditions'

interface Way {
  readonly parts: readonly { readonly family: string }[]
  readonly joints: readonly { readonly to: number; readonly beforeStop: boolean }[]
}
interface Place {
  readonly conditions: Pick<Conditions, 'access' | 'slabMm' | 'service'>
  readonly option: Way
}

/** What a bowl stands on, or is pushed onto: it lies on the floor. */
const ON_FLOOR = /^(closet-flange|flange-|pan-)/

/** Whether a line lies under concrete, whatever is done to it. */
const liesUnder = ({ conditions: { access, slabMm } }: Place): boolean =>
  access === 'buried' && (slabMm ?? 0) > 0

/**
 * The joints of a line under concrete that are made on the floor: a flange and all that stands on it, a drain's own.
 *
 * @param mount what it ends at is fixed to
 */
function onFloor(
  { conditions, option: { parts, joints } }: Place,
  mount: Mount | undefined,
): ReadonlySet<number> {
  if (mount !== 'floor' || conditions.service !== 'waste') return new Set()
  const at = parts.findIndex(({ family }) => ON_FLOOR.test(family))
  const first = at < 0 ? parts.length : at
  return new Set(joints.flatMap(({ to }, seam) => (to >= first ? [seam] : [])))
}

/** Whether concrete is cut open for a line: something of it is made beneath. */
export function opensSlab(place: Place, mount: Mount | undefined): boolean {
  const above = onFloor(place, mount)
  return (
    liesUnder(place) && place.option.joints.some(({ beforeStop }, seam) => beforeStop && !above.has(seam))
  )
}

/** The joints that are made once the slab is whole again; none where it is not opened. */
export function seamsOverSlab(place: Place, mount: Mount | undefined): ReadonlySet<number> {
  return opensSlab(place, mount) ? onFloor(place, mount) : new Set()
}

/** Whether a joint of a line under concrete is made where everybody sees it, the slab opened or not. */
export function isOnFloor(place: Place, mount: Mount | undefined, seam: number): boolean {
  return liesUnder(place) && onFloor(place, mount).has(seam)
}
