import type { Family } from '../../catalog/types'
import type { MateOption } from '../../mate/types'
import { type Assembly, assemble } from '../assemble'
import { partShapes } from '../partShapes'
import { placePoint, placeShape } from '../place'
import type { Point } from '../types'
import { circle } from './paths'
import type { Beginning } from './places'

/** Parts of a line as they are seen by who faces the wall, to scale. */
export interface Faces {
  readonly outlines: readonly (readonly Point[])[]
  /** Where what is rigid ends, and which way it points there; null where it points out of the wall. */
  readonly end: { readonly at: Point; readonly axis: Point | null }
  /** The outlet that another line begins at: a tee's branch, a stop's second; null where none is there. */
  readonly branch: Point | null
  /** The second side of that tee. */
  readonly second: Point | null
}

/** What hangs as it likes, and what is as long as the place wants it, is drawn by its way. */
const BY_ITS_WAY: ReadonlySet<Family> = new Set([
  'supply-connector',
  'tube-piece',
  'tubular-trap',
  'compression-trap',
])

const reaches = (points: readonly Point[], axis: 0 | 1) => points.map((point) => point[axis])

/**
 * The parts up to the first that is drawn by its way. A line that comes along the wall is drawn as its half-section is,
 * turned to where it goes. One that comes out of the wall is seen on end up to where it turns: as wide as it is, and
 * behind the turn from the side, upward or down to what it feeds.
 *
 * @param toward which way its end lies, seen from where it begins
 * @param whole pipe between what goes in is drawn too, as long as it is at least
 * @throws CoreFault naming a part that is in no table
 */
export function facesOf(option: MateOption, { at, from }: Beginning, toward: Point, whole = false): Faces {
  const stop = whole ? -1 : option.parts.findIndex(({ family }) => BY_ITS_WAY.has(family))
  const { parts, end, branch, second } = rigid(option, stop < 0 ? option.parts.length : stop)
  if (from !== 'wall') {
    const place = along(from, toward)
    return {
      outlines: parts.flatMap(({ outlines }) =>
        outlines.map((points) => points.map((point) => shift(at, place(point)))),
      ),
      end: { at: shift(at, place(end.at)), axis: place(end.axis) },
      branch: branch && shift(at, place(branch)),
      second: second && shift(at, place(second)),
    }
  }
  const down = toward[1] < 0 ? -1 : 1
  const turned = Math.abs(end.axis[0]) < 0.5
  // what is behind the turn stands off the wall by so much, which is not seen
  const off = end.at[0]
  const seen = (point: Point): Point => [at[0] + (point[0] - off), at[1] + down * point[1]]
  const outlines = parts.flatMap(({ outlines, axis }): (readonly Point[])[] => {
    const points = outlines.flat()
    const high = reaches(points, 1)
    if (axis === 'out') return [circle(at, Math.max(...high.map(Math.abs)))]
    if (axis === 'along') return outlines.map((outline) => outline.map(seen))
    // what turns: round where it comes out of the wall, then as wide as it is where it leaves
    const low = -Math.min(...high)
    const leaves = points.filter(([, y]) => y > low).map(([x]) => Math.abs(x - off))
    const half = leaves.length > 0 ? Math.min(low, Math.max(...leaves)) : low
    const top = Math.max(...high)
    return [
      circle(at, low),
      [
        [at[0] - half, at[1]],
        [at[0] - half, at[1] + down * top],
        [at[0] + half, at[1] + down * top],
        [at[0] + half, at[1]],
      ],
    ]
  })
  return {
    outlines,
    end: turned ? { at: [at[0], at[1] + down * end.at[1]], axis: [0, down] } : { at, axis: null },
    branch: branch && [at[0] + Math.sign(branch[1] - end.at[1]) * 12, at[1] + down * branch[1]],
    // of a stop there is none
    second: null,
  }
}

interface RigidPart {
  readonly outlines: readonly (readonly Point[])[]
  /** Out of the wall, along it, or turning from the one to the other. */
  readonly axis: 'out' | 'along' | 'turns'
}

/** The first parts of a chain as they stand one behind another from the old end, and where they end. */
function rigid(
  option: MateOption,
  count: number,
): { parts: readonly RigidPart[]; end: Assembly['end']; branch: Point | null; second: Point | null } {
  const whole = assemble(option, 0)
  const placed = whole.parts.slice(0, count)
  const after = whole.places.get(`part:${count - 1}:out`)
  const upright = (one: Point, other: Point) => Math.abs(other[1] - one[1]) > Math.abs(other[0] - one[0])
  const parts = placed.map(({ fitting, placement }, index): RigidPart => {
    const [into, centre, out] = (['in', 'centre', 'out'] as const).map((place) =>
      whole.places.get(`part:${index}:${place}`),
    )
    const first = into && centre ? upright(into, centre) : false
    const second = centre && out ? upright(centre, out) : first
    return {
      outlines: partShapes('', fitting)
        .filter(
          ({ role, closed, layer, dashed }) => closed && !dashed && role !== 'fill' && layer !== 'captive',
        )
        .map((shape) => placeShape(placement, shape).points),
      axis: first !== second ? 'turns' : first ? 'along' : 'out',
    }
  })
  const [branch = null, second = null] = [2, 3].map(
    (side) =>
      placed.flatMap(({ fitting, placement }): Point[] => {
        const port = fitting.ports[side]
        return port ? [placePoint(placement, [port.pose.origin[0], port.pose.origin[1]])] : []
      })[0] ?? null,
  )
  const last = parts.at(-1)
  const at: Point = (count === 0 ? [0, 0] : after) ?? whole.end.at
  return { parts, branch, second, end: { at, axis: last && last.axis !== 'out' ? [0, 1] : [1, 0] } }
}

const shift = ([x, y]: Point, [dx, dy]: Point): Point => [x + dx, y + dy]

/** From the half-section, which goes to the right and turns up, to how the line goes along the wall. */
function along(from: 'below' | 'above' | 'left', [dx, dy]: Point): (point: Point) => Point {
  if (from === 'left') return ([x, y]) => [x, (dy < 0 ? -1 : 1) * y]
  const up = from === 'below' ? 1 : -1
  const side = dx < 0 ? -1 : 1
  return ([x, y]) => [side * y, up * x]
}
