import type { EndRef } from '../end'
import type { Body, BodyPort, Insert, LineService, Mount, Mouth } from './types'

/** Lines that bring water. */
export type WaterLine = Exclude<LineService, 'drain' | 'vent' | 'side'>
/** Lines that only some of what goes in has. */
const FURTHER = ['spout', 'shower', 'spray', 'branch', 'side'] as const

/** A port of a body of the job, as a line begins or ends there. */
export interface PortAt extends Mouth {
  readonly bodyId: string
  readonly portId: string
  readonly kind: string
  /** What comes to it is waste. */
  readonly waste?: true
}

/** What another line leaves open: the branch of its tee, the second outlet of its stop. */
export interface BranchAt {
  /** Which line of the house that is; null where the run that is cut is, whichever that may be. */
  readonly branchOf: 'hot' | 'cold' | null
  /** It begins at the second side of a tee. */
  readonly second?: true
}

/** The outlet of an old stop that stays. */
export interface StopAt {
  readonly stop: EndRef
}

/** What a line runs between. */
export interface LineEnds {
  /** The old pipe, the port of something new, what another line leaves open, or the outlet of a stop that stays. */
  readonly from: 'pipe' | PortAt | BranchAt | StopAt
  /** The port where it stops. */
  readonly to: PortAt
  /** What goes in there goes into the run itself. */
  readonly insert: Insert | null
}

/** The same where the old stop stays: only a line to a fixture that hangs on a stop can begin there. */
export function fromStop(ends: LineEnds | null, stop: EndRef | undefined): LineEnds | null {
  return ends && stop && ends.from === 'pipe' && ends.to.route === 'stop' ? { ...ends, from: { stop } } : ends
}

/** What is spun onto the end of its line as a whole: spouts, arms, bibs, and what closes a pipe. */
const SPUN: ReadonlySet<Mount> = new Set(['wall', 'pipe'])

/**
 * Whether a body stays as it is while a line to it is closed, so that something in the line has to turn or slide. A box in
 * a wall is set down on its drain.
 */
export function isHeld({ mount, ports }: Pick<Body, 'mount' | 'ports'>): boolean {
  return !SPUN.has(mount) && !(mount === 'in-wall' && isWaste({ ports }))
}

function find(bodies: readonly Body[], wanted: (port: BodyPort) => boolean): [PortAt, Body] | null {
  for (const body of bodies)
    for (const port of body.ports)
      if (wanted(port)) {
        const { ends, route } = port
        const waste = port.service === 'waste' ? { waste: true as const } : {}
        const at = { bodyId: body.id, portId: port.id, kind: body.kind, ends, route, ...waste }
        return [isHeld(body) ? { ...at, held: true } : at, body]
      }
  return null
}

/**
 * What a line of a job runs between; null where nothing that goes in has such a line. A spout or a shower arm fed by
 * a new valve begins at that valve, unless an old pipe is kept there: then it is that pipe which is mated to the valve.
 */
export function lineEnds(bodies: readonly Body[], service: string, hasPipe: boolean): LineEnds | null {
  if (service === 'drain') {
    const waste = find(bodies, (port) => port.service === 'waste')
    return waste && { from: 'pipe', to: waste[0], insert: waste[1].insert ?? null }
  }
  if (service === 'branch') return branchEnds(bodies)
  if (service === 'side') return bodies.every(isWaste) ? comesIn(bodies, 'side') : null
  const house = service === 'hot' || service === 'cold'
  const taken = find(bodies, (port) =>
    house
      ? port.service === service || port.service === 'supply'
      : port.service === service && port.flow === 'in',
  )
  if (!taken) return house ? null : capEnds(bodies, service, hasPipe)
  const [to, body] = taken
  const given = house ? null : find(bodies, (port) => port.service === service && port.flow === 'out')
  if (!given) return { from: 'pipe', to, insert: body.insert ?? null }
  return hasPipe ? { from: 'pipe', to: given[0], insert: null } : { from: given[0], to, insert: null }
}

/**
 * An outlet of a new valve that nothing hangs on, where something hangs on another: it is closed before the valve is
 * hung. Where all stays as it was, nothing is known of it.
 */
function capEnds(bodies: readonly Body[], service: string, hasPipe: boolean): LineEnds | null {
  const given = find(bodies, (port) => port.service === service && port.flow === 'out')
  if (!given) return null
  const [from, body] = given
  const fed = body.ports.some(
    ({ service: other, flow }) =>
      flow === 'out' &&
      other !== service &&
      find(bodies, (port) => port.service === other && port.flow === 'in') !== null,
  )
  if (!fed) return null
  if (hasPipe) return { from: 'pipe', to: from, insert: null }
  return { from, to: capOf(body, from.portId), insert: null }
}

/** What closes a port that nothing hangs on. */
const capOf = ({ id }: Body, portId: string): PortAt => ({
  bodyId: id,
  portId: `${portId}:cap`,
  kind: 'closed',
  ends: [],
  route: 'cap',
})

/**
 * What goes in besides and is fed from the same line: by the branch of a tee that goes in, which is capped where nothing
 * is fed, or by the second outlet of a stop. Null where there is nothing, or nothing to feed it from.
 */
function branchEnds(bodies: readonly Body[]): LineEnds | null {
  const [main, ...others] = bodies.filter((body) => !isWaste(body))
  if (!main) return comesIn(bodies, 'branch')
  const taken = find(others, ({ service }) => service === 'supply')
  if (main?.insert === 'tee')
    return { from: { branchOf: null }, to: taken?.[0] ?? capOf(main, 'branch'), insert: null }
  if (!taken) return null
  const [to] = taken
  const branchOf = usualLine(others) ?? 'cold'
  const stopped = main.ports.some(({ service, route }) => service === branchOf && route === 'stop')
  return stopped ? { from: { branchOf }, to, insert: null } : null
}

/**
 * What drains into a run by a side of the tee or wye that goes in, the first by its branch and the next by its second
 * side; null where that stays plugged for later.
 */
function comesIn([run, ...others]: readonly Body[], by: 'branch' | 'side'): LineEnds | null {
  if (!run?.ports.some(({ id }) => id === by)) return null
  const second = by === 'side' ? { second: true as const } : {}
  const taken = find(others.slice(by === 'side' ? 1 : 0), ({ flow }) => flow === 'out')
  return taken && { from: { branchOf: null, ...second }, to: taken[0], insert: null }
}

/** Whether what a line carries is waste: a drain, and what comes into one. */
export function isDrainLine(service: string, ends: LineEnds | null): boolean {
  return service === 'drain' || ((service === 'branch' || service === 'side') && ends?.to.waste === true)
}

/** Whether it is there for what leaves a fixture as waste: it takes no water. */
export function isWaste({ ports }: Pick<Body, 'ports'>): boolean {
  return ports.some(({ service }) => service === 'waste')
}

/** The line that a fixture with one usually takes; null for those that take all there are. The main one decides. */
export function usualLine(bodies: readonly Body[]): 'hot' | 'cold' | null {
  const main = bodies.find((body) => !isWaste(body))
  return main?.ports.find((port) => port.service === 'supply')?.usual ?? null
}

/** Lines that what goes in wants besides hot and cold. */
export function furtherLines(bodies: readonly Body[]): (typeof FURTHER)[number][] {
  return FURTHER.filter((service) => lineEnds(bodies, service, false) !== null)
}
