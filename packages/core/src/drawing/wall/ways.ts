import { closes } from '../../assembly/bodies/types'
import type { Point } from '../types'
import { hang, middle, square, trap } from './paths'
import type { Beginning, WallPlace } from './places'
import type { WallLine } from './types'

/** Drawn where nobody knows better, mm: half-inch copper tube, 1-1/2 in drain pipe, a hose. */
export const TUBE_MM = 15.9
export const DRAIN_MM = 48.3
const HOSE_MM = 12
/** How high over a run a trap is drawn that drains into it by a branch, and its swing, mm. */
const ARM_OVER_MM = 220
const SWING_MM = 90

/** So far under its box an old standpipe is drawn that stays, mm. */
const STAYS_MM = 330

/** Whether a box in the wall is set down on what stays of an old standpipe: its trap is further down, out of sight. */
const comesUp = ({ route, option }: WallLine): boolean =>
  route === 'machine-box' && option !== null && !option.parts.some(({ family }) => family.endsWith('trap'))

/** Whether it begins at what another line leaves open. */
const comesIn = ({ service }: Pick<WallLine, 'service'>) => service === 'branch' || service === 'side'

/** The pipe that was there, up to where the line begins. */
export function oldPipe({ at, from }: Beginning): readonly Point[] | null {
  const [x, y] = at
  if (from === 'wall') return null
  if (from === 'below') return [[x, y - 220], at]
  if (from === 'above') return [[x, y + 220], at]
  return [[x - 220, y], at]
}

export interface Way {
  readonly path: readonly Point[]
  readonly width: number
  /** Where a valve of the line stands, and where it is closed. */
  readonly valveAt?: Point
  readonly capAt?: Point
}

/** How a line goes from where it begins to where it ends. */
export function wayOf(line: WallLine, begins: Beginning, end: Point, odMm: number): Way {
  const from = begins.at
  const families = line.option?.parts.map(({ family }) => family) ?? []
  const has = (pattern: RegExp) => families.some((family) => pattern.test(family))
  if ((line.route && closes(line.route)) || has(/^(cap|plug)$/)) {
    const out: Point =
      begins.from === 'above'
        ? [from[0], from[1] - 50]
        : begins.from === 'left'
          ? [from[0] + 50, from[1]]
          : [from[0], from[1] + 50]
    return { path: [from, out], width: odMm, capAt: out }
  }
  // into a stack level, from whichever side
  if (begins.level) {
    const swing = end[0] < from[0] ? -SWING_MM : SWING_MM
    const path = has(/trap$/) ? trap(end, [end[0] - swing, from[1]]) : [end, [end[0], from[1]] as const]
    return { path: [...path, from], width: DRAIN_MM * 0.8 }
  }
  // over the run that it comes into, its arm level from the trap
  if (comesIn(line) && has(/trap$/)) {
    const high = from[1] + ARM_OVER_MM
    return { path: [...trap(end, [end[0] - SWING_MM, high]), [from[0], high], from], width: DRAIN_MM * 0.8 }
  }
  if (comesUp(line)) return { path: [from, end], width: odMm }
  // a drain that is cut into runs on in its fall: only what ends at a fixture has a trap
  if (line.service === 'drain' && !line.run) return { path: trap(end, from), width: DRAIN_MM * 0.8 }
  if (line.run)
    return { path: [from, end], width: odMm, ...(has(/valve/) ? { valveAt: middle([from, end]) } : {}) }
  if (line.route === 'stop' || line.route === 'washing' || line.route === 'flexible') {
    const above = begins.from === 'above'
    const stop: Point = above && !begins.behind ? [from[0], from[1] - 70] : from
    const hose = above ? [stop, end] : hang(begins.behind ? stop : [stop[0], stop[1] + 26], end)
    const valved = line.kept || line.option === null || has(/stop|valve/)
    return { path: hose, width: HOSE_MM, ...(valved && !line.fresh ? { valveAt: stop } : {}) }
  }
  return { path: square(from, end), width: odMm, ...(line.route === 'bib' ? { valveAt: end } : {}) }
}

/** Where a line begins: at its place on the wall, or at what another leaves open. */
export function beginningOf(
  line: WallLine,
  lines: readonly WallLine[],
  place: WallPlace,
  /** Outlets of lines that are drawn already, by line. */
  open: ReadonlyMap<string, Point> = new Map(),
): Beginning | null {
  const box = place.ends.drain
  if (comesUp(line) && box) return { at: [box[0], box[1] - STAYS_MM], from: 'below' }
  if (!comesIn(line)) return place.begins[line.service] ?? null
  // the one that leaves an outlet for it, else the one that could
  const trunk =
    lines.find(({ lineId }) => open.has(lineId)) ??
    lines.find(({ option, run, feeds }) => option !== null && (run || feeds)) ??
    lines.find(({ run, feeds }) => run || feeds)
  const outlet = trunk && open.get(trunk.lineId)
  const level = trunk?.stands ? { level: true as const } : {}
  if (outlet) return { at: outlet, from: 'below', behind: true, ...level }
  const begins = trunk && place.begins[trunk.service]
  const end = trunk && place.ends[trunk.service]
  if (!trunk || !begins || !end) return null
  // off the middle of a run, or beside the outlet of a stop
  return {
    at: trunk.run ? middle([begins.at, end]) : [begins.at[0] + 20, begins.at[1]],
    from: 'below',
    ...level,
  }
}
