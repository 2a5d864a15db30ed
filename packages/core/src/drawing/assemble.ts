import { partOf } from '../assembly/kept'
import { type Fitting, type Port, turnedBy, turnOf } from '../catalog/types'
import { CoreFault } from '../fault'
import type { StationId } from '../fitup/stations'
import { faceMm } from '../fitup/takeOut'
import type { MateOption } from '../mate/types'
import { STANDPIPE_DRAWN_MM, shortened } from './partShapes'
import { type Placement, placeOnto, placePoint, turn } from './place'
import type { Point } from './types'

const HOSE_DRAWN_MM = 64

/** Where the chain goes: the placement of each part, and every seam with its middle. */
export interface Assembly {
  readonly parts: readonly { readonly fitting: Fitting; readonly placement: Placement }[]
  readonly seams: readonly { readonly at: Point; readonly axis: Point; readonly insertionMm: number }[]
  readonly end: { readonly at: Point; readonly axis: Point }
  /** Where a tape can be held, as it is drawn. */
  readonly places: ReadonlyMap<StationId, Point>
}

/** A longer piece of pipe is drawn with a break, mm. */
export const PIECE_DRAWN_MM = 90

/**
 * Places a chain by its ports' poses, from the stub's end outward, every joint at full make-up.
 *
 * @param stubMm straight length from the wall to the stub's end
 * @param lengths of the pieces of pipe that are known, by their place among the parts, mm
 */
export function assemble(
  option: MateOption,
  stubMm: number,
  lengths: ReadonlyMap<number, number> = new Map(),
): Assembly {
  let at: Point = [stubMm, 0]
  let axis: Point = [1, 0]
  const parts: Assembly['parts'][number][] = []
  const seams: Assembly['seams'][number][] = []
  // what leans up to a flange is drawn upright too, and says by how much it turns
  const leans = turnedBy(option.parts) === 45
  const before = option.parts.findIndex(
    ({ family }) => family === 'p-trap' || (leans && family === 'closet-flange'),
  )
  const places = new Map<StationId, Point>([
    ['wall', [0, 0]],
    ['stub', at],
  ])
  /** Where a standpipe stands open. */
  let open: Point | null = null
  for (const joint of option.joints) {
    seams.push({
      at: [at[0] - (axis[0] * joint.maxMm) / 2, at[1] - (axis[1] * joint.maxMm) / 2],
      axis,
      insertionMm: joint.maxMm,
    })
    const chosen = option.parts[joint.to]
    if (!chosen) break
    const known = partOf(chosen)
    if (!known) throw new CoreFault('no-part', { id: chosen.fittingId })
    const fitting =
      known.family === 'supply-connector' || (known.lengthMm?.min ?? 0) > HOSE_DRAWN_MM
        ? shortened(known, HOSE_DRAWN_MM)
        : known.family === 'tube-piece'
          ? shortened(known, Math.min(lengths.get(joint.to) ?? pieceMm(option, joint.to), PIECE_DRAWN_MM))
          : joint.to < before && turnOf(known.family) > 0
            ? unbent(known)
            : known
    const port = fitting.ports[chosen.inPort] as Port
    const placement = placeOnto(at, axis, port, joint.maxMm)
    parts.push({ fitting, placement })
    places.set(`part:${joint.to}:in`, placePoint(placement, [port.pose.origin[0], port.pose.origin[1]]))
    places.set(`part:${joint.to}:centre`, placePoint(placement, [0, 0]))
    if (fitting.family === 'standpipe') {
      const [x, y] = places.get(`part:${joint.to}:in`) as Point
      open = [x + axis[0] * STANDPIPE_DRAWN_MM, y + axis[1] * STANDPIPE_DRAWN_MM]
      places.set(`part:${joint.to}:out`, open)
      break
    }
    const out = fitting.ports[chosen.outPort]
    if (!out) break
    at = placePoint(placement, [out.pose.origin[0], out.pose.origin[1]])
    axis = turn(placement, [out.pose.axis[0], out.pose.axis[1]])
    places.set(`part:${joint.to}:out`, at)
  }
  const last = option.joints.at(-1)
  const insertion = last && last.to >= option.parts.length ? last.maxMm : 0
  const end: Point = [at[0] - axis[0] * insertion, at[1] - axis[1] * insertion]
  places.set('tail', open ?? end)
  return { parts, seams, end: { at: end, axis }, places }
}

/**
 * A bend that lies in floor or wall, as it is drawn before a trap: unfolded, both its ends on the line. In the plane of the trap
 * it would stand, and be an S.
 */
function unbent(fitting: Fitting): Fitting {
  const [a, b] = fitting.ports
  if (!a || !b) return fitting
  const pose = { ...b.pose, origin: [faceMm(fitting, 1), 0, 0] as const, axis: [1, 0, 0] as const }
  return { ...fitting, ports: [a, { ...b, pose }] }
}

/** A piece of tube as short as both joints and a hand's breadth of cutter allow: both insertions and 25 mm. */
export function pieceMm(option: MateOption, part: number): number {
  const into = option.joints.filter((joint) => joint.from === part || joint.to === part)
  return into.reduce((sum, joint) => sum + joint.maxMm, 0) + 25
}
