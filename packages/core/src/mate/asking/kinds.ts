import { fittingById } from '../../catalog/families'
import { turnOf } from '../../catalog/types'
import { isSoftTube } from '../../reference/softTube'
import { hasUnionNut } from '../model/routes'
import type { MateOption } from '../types'

/** More at once nobody weighs. */
const MOST_SHOWN = 6
const isSoft = ({ family, fittingId }: MateOption['parts'][number]) =>
  family === 'tube-piece' && isSoftTube(fittingById(fittingId)?.ports[0]?.material ?? 'brass')

/** What tells ways apart as kinds: what comes off, what joins up to the stop, what bends, and what stays to be undone. */
export function kindOf({
  removalId,
  joints,
  parts,
}: Pick<MateOption, 'removalId' | 'joints' | 'parts'>): string {
  const upToStop = joints.filter(({ beforeStop }) => beforeStop)
  const told = upToStop.length > 0 ? upToStop : joints
  const before = parts.slice(0, upToStop.length > 0 ? upToStop.length : parts.length)
  const bends = [
    before.some(({ family }) => turnOf(family) > 0) ? 'elbow' : '',
    before.some(isSoft) ? 'soft tube' : '',
    // where what comes in has to look decides which wye it is
    before.some(({ family }) => family === 'wye-eighth') ? 'square side' : '',
  ]
  const undone = before.some(({ family }) => hasUnionNut(family))
  return JSON.stringify([removalId, [...new Set(told.map(({ method }) => method))].sort(), bends, undone])
}

/**
 * The ways that are shown at first: of each kind the one that comes first, six at most.
 *
 * @param options in the order in which they are listed
 * @returns their ids, in that order
 */
export function firstOfKinds(options: readonly MateOption[]): readonly string[] {
  const first = new Map<string, string>()
  for (const option of options) {
    const kind = kindOf(option)
    if (!first.has(kind)) first.set(kind, option.id)
  }
  return [...first.values()].slice(0, MOST_SHOWN)
}
