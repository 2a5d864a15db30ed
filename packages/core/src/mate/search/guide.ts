import type { Weighed } from '../model/book'
import type { Problem } from '../model/problem'
import { type OpenJoint, Topology } from '../model/topology'
import { Heap } from './heap'

/** What is counted along a chain: the whole additive cost, and each criterion that grows from part to part. */
export const MEASURES = [
  'cents',
  'priceCents',
  'seconds',
  'riskPerMille',
  'joints',
  'notAboard',
  'waterOffSeconds',
] as const
export type Measure = (typeof MEASURES)[number]

function ofJoint(joint: Weighed, measure: Measure, sameHeat: boolean): number {
  if (measure === 'joints') return 1
  if (measure === 'notAboard' || measure === 'waterOffSeconds') return 0
  const spared = sameHeat && (measure === 'cents' || measure === 'seconds') ? joint.spared[measure] : 0
  return joint[measure] - spared
}

/** How long the water is off for a joint on the old pipe at least, seconds. */
export function closesIn({ closeSeconds, spared }: Weighed, sameHeat: boolean): number {
  return Math.max(0, closeSeconds - (sameHeat ? spared.seconds : 0))
}

/**
 * Where a chain has come to: the class of its open end, the stage of its line, the degrees turned so far, its heat, and
 * whether it can be closed already.
 */
export interface Standing {
  readonly openClass: number
  readonly stage: number
  readonly turned: number
  /** The fitting with the open end is hot from the joint before. */
  readonly hot: boolean
  readonly closing: 'no' | 'sliding' | 'yes'
}

/**
 * Lower bounds of what is still to come in each measure, by state; a state that is not there leads nowhere. What the
 * rules forbid here is left out.
 */
export class Guide {
  private readonly bounds: Partial<Record<Measure, Float64Array>> = {}
  private readonly weighed: Weighed[] = []
  private readonly byParts: (readonly [Float64Array, Float64Array])[] = []

  /**
   * @param weigh what a joint of the topology comes to here; asked of those alone that lead to an end
   * @param atRun the last joint stands on the old run: the water is off while it is made
   */
  constructor(
    private readonly topology: Topology,
    private readonly weigh: (joint: OpenJoint) => Weighed,
    private readonly atRun: boolean,
  ) {}

  private joint(at: number): Weighed {
    const known = this.weighed[at]
    if (known) return known
    const made = this.weigh(this.topology.joints[at] as OpenJoint)
    this.weighed[at] = made
    return made
  }

  /** How many classes of ends there were: it holds for these. */
  get classes(): number {
    return this.topology.classes
  }

  /** Least that is still to come from an open end where it stands; undefined where nothing leads on. */
  rest({ openClass, stage, turned, hot, closing }: Standing, measure: Measure = 'cents'): number | undefined {
    let bound = this.bounds[measure]
    if (!bound) {
      bound = this.backward(measure)
      this.bounds[measure] = bound
    }
    const node = this.topology.at(openClass, stage, turned, hot, closing === 'yes')
    const least = node < 0 ? Number.NaN : (bound[node] as number)
    return Number.isNaN(least) ? undefined : least
  }

  /**
   * The shortest and the longest that can still come from an open end where it stands, with so many parts, hundredths of a
   * millimetre; from Infinity to -Infinity where none of them leads to an end.
   */
  lengths({ openClass, stage, turned, hot, closing }: Standing, parts: number): readonly [number, number] {
    const node = this.topology.at(openClass, stage, turned, hot, closing === 'yes')
    if (node < 0 || parts < 0) return NOWHERE
    const [lo, hi] = this.lengthsWith(parts)
    return [lo[node] as number, hi[node] as number]
  }

  /** The same for every state, by parts from none: each part more is one pass over all joints and parts. */
  private lengthsWith(parts: number): readonly [Float64Array, Float64Array] {
    const known = this.byParts[parts]
    if (known) return known
    const { topology } = this
    const nodes = topology.into.length
    const lo = new Float64Array(nodes).fill(Number.POSITIVE_INFINITY)
    const hi = new Float64Array(nodes).fill(Number.NEGATIVE_INFINITY)
    const reach = (node: number, least: number, most: number) => {
      if (least < (lo[node] as number)) lo[node] = least
      if (most > (hi[node] as number)) hi[node] = most
    }
    topology.endNode.forEach((node, index) => {
      const at = topology.endJoint[index] as number
      const joint = at < 0 ? null : this.joint(at)
      if (!joint) reach(node, 0, 0)
      else if (joint.allowed) reach(node, -joint.insHi, -joint.insLo)
    })
    if (parts > 0) {
      const [before, after] = this.lengthsWith(parts - 1)
      // first what stands behind a joint, then the joint before it
      for (const ofParts of [true, false])
        topology.into.forEach((edges, to) => {
          for (const edge of edges) {
            const at = topology.joint[edge] as number
            if (at < 0 !== ofParts) continue
            const from = topology.from[edge] as number
            if (ofParts) {
              reach(
                from,
                (topology.partLo[edge] as number) + (before[to] as number),
                (topology.partHi[edge] as number) + (after[to] as number),
              )
              continue
            }
            const joint = this.joint(at)
            if (joint.allowed) reach(from, (lo[to] as number) - joint.insHi, (hi[to] as number) - joint.insLo)
          }
        })
    }
    const made = [lo, hi] as const
    this.byParts[parts] = made
    return made
  }

  /** One Dijkstra run backwards: the least of one measure from every state to an end; NaN where nothing leads on. */
  private backward(measure: Measure): Float64Array {
    const { topology, atRun } = this
    const amounts = new Float64Array(topology.joints.length).fill(Number.NaN)
    const amountOf = (at: number): number => {
      const known = amounts[at] as number
      if (!Number.isNaN(known)) return known
      const joint = this.joint(at)
      const made = joint.allowed
        ? ofJoint(joint, measure, topology.joints[at]?.sameHeat === true)
        : Number.POSITIVE_INFINITY
      amounts[at] = made
      return made
    }
    const ofParts =
      measure === 'cents' || measure === 'priceCents'
        ? topology.partCents
        : measure === 'notAboard'
          ? topology.notAboard
          : null
    const nodes = topology.into.length
    const rest = new Float64Array(nodes).fill(Number.NaN)
    // what is reached dearer than before need not wait in the heap
    const reached = new Float64Array(nodes).fill(Number.POSITIVE_INFINITY)
    const heap = new Heap<number>()
    const reach = (node: number, amount: number) => {
      if (!(amount < (reached[node] as number))) return
      reached[node] = amount
      heap.push(amount, node)
    }
    topology.endNode.forEach((node, index) => {
      const at = topology.endJoint[index] as number
      const joint = at < 0 ? null : this.joint(at)
      if (!joint) reach(node, 0)
      else if (joint.allowed)
        reach(
          node,
          measure === 'waterOffSeconds' && atRun
            ? closesIn(joint, topology.joints[at]?.sameHeat === true)
            : amountOf(at),
        )
    })
    for (let item = heap.popEntry(); item; item = heap.popEntry()) {
      if (!Number.isNaN(rest[item.value])) continue
      rest[item.value] = item.key
      for (const edge of topology.into[item.value] as number[]) {
        const joint = topology.joint[edge] as number
        const hands = measure === 'cents' ? (topology.handsCents[edge] as number) : 0
        const amount = joint >= 0 ? amountOf(joint) : (ofParts?.[edge] ?? 0) + hands
        reach(topology.from[edge] as number, item.key + amount)
      }
    }
    return rest
  }
}

const NOWHERE = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY] as const

/** Whether so many parts are too many already: the least that must follow would pass the most a chain may have. */
export function tooLong(problem: Problem, guide: Guide, standing: Standing, parts: number): boolean {
  const joints = guide.rest(standing, 'joints')
  if (joints === undefined) return true
  // the last joint is to the fixture, and needs no part, but where a part is itself the end
  const partsLeft = problem.route.endsAt === undefined ? joints - 1 : joints
  return parts + partsLeft > problem.mostParts
}

/**
 * Whether what has grown so long can still come to fill what was measured straight on: nothing that may follow is long
 * enough, or all that may is too long.
 */
export function cannotFill(
  problem: Problem,
  guide: Guide,
  standing: Standing,
  { parts, lo, hi }: { readonly parts: number; readonly lo: number; readonly hi: number },
): boolean {
  const { span, leastLong } = problem
  const [least, most] = guide.lengths(standing, problem.mostParts - parts)
  if (hi + most < Math.max(span ?? 0, leastLong ?? 0)) return true
  return span !== null && lo + least > span
}

/** The youngest of what was worked out for an owner, by what decides it. */
class Kept<Value> {
  private readonly byOwner = new WeakMap<object, Map<string, Value>>()

  get(owner: object, key: string): Value | undefined {
    return this.byOwner.get(owner)?.get(key)
  }

  set(owner: object, key: string, value: Value): void {
    const known = this.byOwner.get(owner) ?? new Map<string, Value>()
    if (known.size >= MOST_KEPT) known.delete(known.keys().next().value as string)
    this.byOwner.set(owner, known.set(key, value))
  }
}

const MOST_KEPT = 40
const TOPOLOGIES = new Kept<Topology>()
const GUIDES = new Kept<Guide>()

/** The topology of a problem's place and end, kept with the shop's numbers. */
function topologyOf(problem: Problem): Topology {
  const { book, placeKey, network } = problem
  const known = TOPOLOGIES.get(book.kin, placeKey)
  // a pipe that no part of the catalogue shows adds a class of end
  if (known?.classes === network.ends.length) return known
  const made = new Topology(problem)
  TOPOLOGIES.set(book.kin, placeKey, made)
  return made
}

/**
 * Bounds for a problem: set-up, trip, lengths and what holds only on the stub left out, so never more than the true
 * rest; that is what lets them guide a search (A*). They hold for every beginning, so they are kept with the shop's
 * book for all lines with the same end and the same place; each measure's are worked out when they are first asked for.
 */
export function guideOf(problem: Problem): Guide {
  const { book, farKey, network } = problem
  const known = GUIDES.get(book, farKey)
  if (known?.classes === network.ends.length) return known
  const topology = topologyOf(problem)
  const made = new Guide(
    topology,
    ({ pair, beforeStop }) => problem.weigh(pair, null, beforeStop),
    problem.far !== null,
  )
  GUIDES.set(book, farKey, made)
  return made
}
