import type { EndRef } from '../end'

/** What has to stand between the old pipe and a port. The stages of each are in `mate/model/routes`. */
export const ROUTE_IDS = [
  'stop',
  'washing',
  'bib',
  'direct',
  'flexible',
  'arm',
  'spout',
  'cap',
  'trap',
  // two ends that are joined; called so since a time when anything could stand between
  'any',
  'stop-only',
  'trap-below',
  'standpipe',
  'closet',
  'sink-centre',
  'sink-end',
  'sink-disposer',
  'sink-dish',
  'sink-centre-dish',
  'sink-end-dish',
  'trap-shower',
  'trap-own',
  'pan',
  'cap-drain',
  'machine-box',
] as const
export type RouteId = (typeof ROUTE_IDS)[number]

/** Whether the drain of a fixture is seen where it comes out of wall or floor, so that its trap hangs on it. */
export const hangsOnStub = (route: RouteId): boolean =>
  route === 'trap' || drainsMachine(route) || route.startsWith('sink-')

/** Whether the pipe of a drain may turn before its trap: under a floor, in a wall, behind a machine. */
export const mayTurn = (route: RouteId): boolean =>
  drainsMachine(route) || route === 'closet' || route.startsWith('trap-')

/** Whether a washing machine pumps into it: a standpipe that is open above, or one that ends in a box in the wall. */
export const drainsMachine = (route: RouteId): boolean => route === 'standpipe' || route === 'machine-box'

/** Whether a part of the line is itself what it ends at: no end of a fixture follows. */
export const endsInPart = (route: RouteId): boolean =>
  route === 'bib' || route === 'stop-only' || route === 'standpipe' || closes(route)

/** Whether the line is closed there, and nothing is fed or drained any more. */
export const closes = (route: RouteId): boolean => route === 'cap' || route === 'cap-drain'

/** What runs through a port; `supply` where hot or cold will do. */
export const PORT_SERVICES = ['hot', 'cold', 'supply', 'spout', 'shower', 'waste', 'vent', 'spray'] as const
export type PortService = (typeof PORT_SERVICES)[number]

/**
 * Lines of a point, in the order in which they are shown: two from the house, those from a valve to what it feeds, one
 * from what another leaves open, what leaves again, and what comes into that by the second side of a tee.
 */
export const LINE_SERVICES = [
  'hot',
  'cold',
  'spout',
  'shower',
  'spray',
  'branch',
  'drain',
  'vent',
  'side',
] as const
export type LineService = (typeof LINE_SERVICES)[number]

/** What a body is fixed to. */
export const MOUNTS = ['deck', 'wall', 'in-wall', 'floor', 'stands', 'pipe'] as const
export type Mount = (typeof MOUNTS)[number]

/** What is in a body and comes to harm by heat, tape or grit. */
export const CONTENTS = ['cartridge', 'seat', 'seal', 'aerator', 'hose', 'fill-valve', 'element'] as const
export type Content = (typeof CONTENTS)[number]

/** One place of a body where something can be joined. */
export interface BodyPort {
  /** Unique within the body. */
  readonly id: string
  readonly service: PortService
  /** For `supply`: the line that it usually is. */
  readonly usual?: 'hot' | 'cold'
  /** Which way the water goes, seen from the body. */
  readonly flow: 'in' | 'out'
  /** Ends that it has or may have, the usual first; none where a part of the line is itself the end. */
  readonly ends: readonly EndRef[]
  readonly route: RouteId
}

/** What goes into a run that is cut open. */
export const INSERTS = ['repair', 'corner', 'tee', 'valve', 'cleanout', 'wye'] as const
export type Insert = (typeof INSERTS)[number]

/** Something new that goes in: it stands somewhere, and each of its ports has its own end and service. */
export interface Body {
  /** Unique within the job. */
  readonly id: string
  /** The row that it was made from: for its sign, its drawing and its words. */
  readonly kind: string
  readonly mount: Mount
  readonly contents: readonly Content[]
  readonly ports: readonly BodyPort[]
  /** It goes into a run that is fixed at both ends. */
  readonly insert?: Insert
  /** It is there already and stays: only its piping is new. */
  readonly stays?: boolean
}

/** What a line begins or ends at: the ends that will do, and what has to stand before them. */
export interface Mouth {
  /** The kind of body, where it is one. */
  readonly kind?: string
  /** Which body of the job it is a port of: lines that name the same one meet there. */
  readonly bodyId?: string
  /** It hangs or stands where it is to stay, or has another line: nothing is screwed home by turning it. */
  readonly held?: true
  readonly ends: readonly EndRef[]
  readonly route: RouteId
}
