import type { Weighed } from './book'
import { Heap } from './heap'
import type { Problem } from './problem'

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

/** What can be reached, and what each step comes to: columns, since there are thousands. */
class Graph {
  /** @param atRun the last joint stands on the old run: the water is off while it is made */
  constructor(readonly atRun: boolean) {}

  readonly keys = new Map<number, number>()
  readonly into: number[][] = []
  readonly from: number[] = []
  readonly joint: (Weighed | null)[] = []
  readonly partCents: number[] = []
  readonly notAboard: number[] = []
  /** Ends: the state, and the joint to the fixture, if one follows. */
  readonly endNode: number[] = []
  readonly endJoint: (Weighed | null)[] = []

  node(key: number): number {
    const known = this.keys.get(key)
    if (known !== undefined) return known
    const id = this.into.length
    this.keys.set(key, id)
    this.into.push([])
    return id
  }

  edge(from: number, to: number, joint: Weighed | null, partCents: number, notAboard: number): void {
    ;(this.into[to] as number[]).push(this.from.length)
    this.from.push(from)
    this.joint.push(joint)
    this.partCents.push(partCents)
    this.notAboard.push(notAboard)
  }

  amount(edge: number, measure: Measure): number {
    const ofPart =
      measure === 'cents' || measure === 'priceCents'
        ? (this.partCents[edge] as number)
        : measure === 'notAboard'
          ? (this.notAboard[edge] as number)
          : 0
    return ofPart + ofJoint(this.joint[edge] ?? null, measure)
  }
}

function ofJoint(joint: Weighed | null, measure: Measure): number {
  if (!joint) return 0
  if (measure === 'joints') return 1
  return measure === 'notAboard' || measure === 'waterOffSeconds' ? 0 : joint[measure]
}

function stateKey(openClass: number, stage: number): number {
  return (openClass + 1) * 8 + stage
}

/** One Dijkstra run backwards: the least of one measure from every state to an end; NaN where nothing leads on. */
function backward(graph: Graph, measure: Measure): Float64Array {
  const rest = new Float64Array(graph.into.length).fill(Number.NaN)
  const heap = new Heap<number>()
  graph.endNode.forEach((node, index) => {
    const joint = graph.endJoint[index] ?? null
    heap.push(
      measure === 'waterOffSeconds' && graph.atRun ? (joint?.closeSeconds ?? 0) : ofJoint(joint, measure),
      node,
    )
  })
  for (let item = heap.popEntry(); item; item = heap.popEntry()) {
    if (!Number.isNaN(rest[item.value])) continue
    rest[item.value] = item.key
    for (const edge of graph.into[item.value] as number[]) {
      const from = graph.from[edge] as number
      if (Number.isNaN(rest[from])) heap.push(item.key + graph.amount(edge, measure), from)
    }
  }
  return rest
}

/** Lower bounds of what is still to come in each measure, by state; a state that is not there leads nowhere. */
export class Guide {
  private readonly bounds = new Map<Measure, Float64Array>()

  /** @param classes how many classes of ends there were: it holds for these */
  constructor(
    private readonly graph: Graph,
    readonly classes: number,
  ) {}

  /** Least that is still to come from a class of open end at a stage; undefined where nothing leads on. */
  rest(openClass: number, stage: number, measure: Measure = 'cents'): number | undefined {
    let bound = this.bounds.get(measure)
    if (!bound) {
      bound = backward(this.graph, measure)
      this.bounds.set(measure, bound)
    }
    const node = this.graph.keys.get(stateKey(openClass, stage))
    const least = node === undefined ? Number.NaN : (bound[node] as number)
    return Number.isNaN(least) ? undefined : least
  }
}

/** Whether so many parts are too many already: the least that must follow would pass the most a chain may have. */
export function tooLong(
  problem: Problem,
  guide: Guide,
  openClass: number,
  stage: number,
  parts: number,
): boolean {
  const joints = guide.rest(openClass, stage, 'joints')
  if (joints === undefined) return true
  // the last joint is to the fixture, and needs no part, but where a part is itself the end
  const partsLeft = problem.route.endsAt === undefined ? joints - 1 : joints
  return parts + partsLeft > problem.mostParts
}

/**
 * Bounds for a problem: set-up, trip, lengths and what holds only on the stub left out, so never more than the true
 * rest; that is what lets them guide a search (A*). They hold for every beginning, so they are kept with the shop's
 * book for all lines with the same end and the same place; each measure's are worked out when they are first asked for.
 */
export function guideOf(problem: Problem): Guide {
  const { book, farKey, network } = problem
  const known = book.guides.get(farKey)
  // a pipe that no part of the catalogue shows adds a class of end
  if (known?.classes === network.ends.length) return known
  const made = new Guide(graphOf(problem), network.ends.length)
  if (book.guides.size >= MOST_GUIDES) book.guides.delete(book.guides.keys().next().value as string)
  book.guides.set(farKey, made)
  return made
}

const MOST_GUIDES = 40

function graphOf(problem: Problem): Graph {
  const { network, route } = problem
  const graph = new Graph(problem.far !== null)
  const seen = new Set<number>()
  const entered = new Set<number>()
  // behind an open end stands the class it is joined to, behind that the parts: far fewer edges than ends times parts
  const inNode = (inClass: number, stage: number) => graph.node(-stateKey(inClass, stage))
  let layer: (readonly [number, number])[] = network.ends.map((_, openClass) => [openClass, 0])
  while (layer.length > 0) {
    const following: (readonly [number, number])[] = []
    for (const [openClass, stage] of layer) {
      const key = stateKey(openClass, stage)
      if (seen.has(key)) continue
      seen.add(key)
      const node = graph.node(key)
      const beforeStop = stage < route.opensAt
      if (route.goalAt.includes(stage))
        for (const goal of problem.goals)
          for (const pair of network.join(openClass, goal)) {
            const joint = problem.weigh(pair, null, beforeStop)
            if (!joint.allowed) continue
            graph.endNode.push(node)
            graph.endJoint.push(joint)
          }
      for (const { inClass, pair } of network.entries(openClass)) {
        const joint = problem.weigh(pair, null, beforeStop)
        if (!joint.allowed) continue
        graph.edge(node, inNode(inClass, stage), joint, 0, 0)
        const entry = stateKey(inClass, stage)
        if (entered.has(entry)) continue
        entered.add(entry)
        for (const group of network.groupsAt(inClass)) {
          const after = problem.after(stage, group)
          if (after === null) continue
          const choices = problem.choices(group)
          if (choices.length === 0) continue
          let cents = Number.POSITIVE_INFINITY
          let notAboard = 1
          for (const choice of choices) {
            if (choice.cents < cents) cents = choice.cents
            if (choice.aboard) notAboard = 0
          }
          const next = graph.node(stateKey(group.outClass, after))
          graph.edge(inNode(inClass, stage), next, null, cents, notAboard)
          if (after === route.endsAt) {
            graph.endNode.push(next)
            graph.endJoint.push(null)
          } else if (group.outPort >= 0) following.push([group.outClass, after])
        }
      }
    }
    layer = following
  }
  return graph
}
