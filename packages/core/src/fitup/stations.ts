import { type KeptPart, type PartOfWay, partOf } from '../assembly/kept'
import type { Family, Fitting } from '../catalog/types'
import { CoreFault } from '../fault'
import { faceMm } from './takeOut'
import { dot, type Vec3 } from './vector'

/** A chain of parts as it was chosen: what of it decides lengths. */
export interface Chain {
  readonly parts: readonly {
    readonly fittingId: string
    readonly family: Family
    readonly inPort: number
    readonly outPort: number
    readonly made?: KeptPart
  }[]
  /** From the old end outward; `maxMm` is fully home. */
  readonly joints: readonly {
    readonly from: number
    readonly to: number
    readonly minMm: number
    readonly maxMm: number
    readonly bodyForm: string
  }[]
}

/**
 * A place that a tape can be held to: `wall` finished face of the wall · `stub` end of the old pipe, or the mouth that
 * the line begins at · `part:2:in`, `part:2:centre`, `part:2:out` of a part · `tail` tip of the fixture's end, or the open top of a standpipe · `beside` middle of the line that
 * stands next to it.
 */
export type StationId = 'wall' | 'stub' | 'tail' | 'beside' | `part:${number}:${'in' | 'centre' | 'out'}`

export interface Station {
  readonly id: StationId
  /** Straight stretches are counted from the old end; a bend ends one and begins the next. */
  readonly leg: number
  /** From where its leg begins, with every piece of pipe before it left out, mm. */
  readonly atMm: number
  /** Pieces of pipe of its leg that lie before it. */
  readonly node: number
  /** Joints of its leg that lie before it, and parts that it has behind it. */
  readonly joints: readonly number[]
  readonly parts: readonly number[]
}

export interface Leg {
  /** Indices of its pieces of pipe among the chain's parts, from its beginning on. */
  readonly pieces: readonly number[]
  readonly begins: StationId
  readonly ends: StationId
}

/** A connector that bends as it likes, between what comes before it and the fixture. */
export interface Flexible {
  readonly part: number
  readonly from: StationId
  readonly lengthMm: number
}

export interface Stretched {
  readonly stations: readonly Station[]
  readonly legs: readonly Leg[]
  readonly flexible: Flexible | null
}

const part = (chosen: PartOfWay): Fitting => {
  const known = partOf(chosen)
  if (!known) throw new CoreFault('no-part', { id: chosen.fittingId })
  return known
}

/** Whether what goes in and what comes out point opposite ways: then a part does not bend the line. */
function straight(fitting: Fitting, inPort: number, outPort: number): boolean {
  const [a, b] = [fitting.ports[inPort], fitting.ports[outPort]]
  return !a || !b || dot(a.pose.axis as Vec3, b.pose.axis as Vec3) < -0.999
}

/** Whether a part of a chain turns it. */
export function bends(chosen: Chain['parts'][number]): boolean {
  return !straight(part(chosen), chosen.inPort, chosen.outPort)
}

/** Whether it turns it square. */
export function bendsSquare(chosen: Chain['parts'][number]): boolean {
  const { ports } = part(chosen)
  const [a, b] = [ports[chosen.inPort], ports[chosen.outPort]]
  return a !== undefined && b !== undefined && Math.abs(dot(a.pose.axis as Vec3, b.pose.axis as Vec3)) < 0.001
}

/**
 * The places along a chain, with all its joints fully home. A leg is a straight stretch; a part that bends the line
 * ends one leg with its middle and begins the next. Behind a flexible connector nothing is fixed but the fixture.
 *
 * @param stubMm from the finished wall to the old pipe's end as it will be, mm; null where no wall is there or it is
 * not known
 * @throws CoreFault naming a part that is in no table
 */
export function stretch(chain: Chain, stubMm: number | null): Stretched {
  const stations: Station[] = []
  const legs: { pieces: number[]; begins: StationId; ends: StationId }[] = []
  let at = 0
  let joints: number[] = []
  let parts: number[] = []
  let leg = { pieces: [] as number[], begins: 'stub' as StationId, ends: 'stub' as StationId }
  let flexible: Flexible | null = null
  const put = (id: StationId) => {
    stations.push({
      id,
      leg: legs.length,
      atMm: at,
      node: leg.pieces.length,
      joints: [...joints],
      parts: [...parts],
    })
    leg.ends = id
  }
  if (stubMm !== null) stations.push({ id: 'wall', leg: 0, atMm: -stubMm, node: 0, joints: [], parts: [] })
  put('stub')
  for (const [index, joint] of chain.joints.entries()) {
    const chosen = chain.parts[joint.to]
    const fitting = chosen && part(chosen)
    if (fitting?.family === 'supply-connector') {
      flexible = { part: joint.to, from: leg.ends, lengthMm: fitting.lengthMm?.max ?? fitting.layingMm }
      break
    }
    at -= joint.maxMm
    joints = [...joints, index]
    if (!chosen || !fitting) {
      put('tail')
      break
    }
    const name = (place: 'in' | 'centre' | 'out') => `part:${joint.to}:${place}` as const
    put(name('in'))
    if (chosen.family === 'tube-piece') {
      leg.pieces.push(joint.to)
      put(name('out'))
      continue
    }
    // it stands open at its top, where nothing joins it
    if (chosen.family === 'standpipe') {
      leg.pieces.push(joint.to)
      put('tail')
      break
    }
    at += faceMm(fitting, chosen.inPort)
    parts = [...parts, joint.to]
    put(name('centre'))
    // a cap ends the line
    if (chosen.outPort === chosen.inPort) break
    if (!straight(fitting, chosen.inPort, chosen.outPort)) {
      legs.push(leg)
      leg = { pieces: [], begins: name('centre'), ends: name('centre') }
      at = 0
      joints = []
      parts = [joint.to]
      put(name('centre'))
    }
    at += faceMm(fitting, chosen.outPort)
    put(name('out'))
  }
  legs.push(leg)
  return { stations, legs, flexible }
}
