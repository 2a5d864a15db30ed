import { MOST_STAGES, type NumberedPair } from './network'
import type { Problem } from './problem'

/** A joint wherever it may be made, before the stop or behind it: the rules decide later. */
export interface OpenJoint {
  readonly pair: NumberedPair
  readonly beforeStop: boolean
}

/**
 * What follows what in a place, whatever the rules say there: open ends by stage, the classes they are joined to, the
 * parts behind. Columns, since there are thousands. The same for all rules and conditions that only forbid, so it is
 * kept with the shop's book.
 */
export class Topology {
  /** Edges that lead into a node. */
  readonly into: number[][] = []
  readonly from: number[] = []
  /** Of each edge: its joint, or -1 where it is a part; and what the cheapest and the nearest part come to. */
  readonly joint: number[] = []
  readonly partCents: number[] = []
  readonly notAboard: number[] = []
  /** Ends: the node, and the joint to the fixture, or -1 where a part is itself the end. */
  readonly endNode: number[] = []
  readonly endJoint: number[] = []
  readonly joints: OpenJoint[] = []
  readonly classes: number
  private readonly open: Int32Array
  private readonly entry: Int32Array
  private readonly jointIds = new Map<number, number>()

  constructor(problem: Problem) {
    const { network, route } = problem
    this.classes = network.ends.length
    this.open = new Int32Array(this.classes * MOST_STAGES).fill(-1)
    this.entry = new Int32Array(this.classes * MOST_STAGES).fill(-1)
    const expanded = new Uint8Array(this.classes * MOST_STAGES)
    let layer: (readonly [number, number])[] = network.ends.map((_, openClass) => [openClass, 0])
    while (layer.length > 0) {
      const following: (readonly [number, number])[] = []
      for (const [openClass, stage] of layer) {
        const state = openClass * MOST_STAGES + stage
        if (expanded[state]) continue
        expanded[state] = 1
        const node = this.node(openClass, stage)
        const beforeStop = stage < route.opensAt
        if (route.goalAt.includes(stage))
          for (const goal of problem.goals)
            for (const pair of network.join(openClass, goal)) {
              this.endNode.push(node)
              this.endJoint.push(this.jointOf(pair, beforeStop))
            }
        for (const { inClass, pair } of network.entries(openClass)) {
          const known = this.entry[inClass * MOST_STAGES + stage] as number
          const entry = known < 0 ? this.entryNode(inClass, stage) : known
          this.edge(node, entry, this.jointOf(pair, beforeStop), 0, 0)
          if (known < 0) this.behind(problem, inClass, stage, entry, following)
        }
      }
      layer = following
    }
  }

  /** The parts that begin with a class of ends, and what they show. */
  private behind(
    problem: Problem,
    inClass: number,
    stage: number,
    entry: number,
    following: (readonly [number, number])[],
  ): void {
    for (const group of problem.network.groupsAt(inClass)) {
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
      if (after === problem.route.endsAt) {
        const last = this.into.push([]) - 1
        this.edge(entry, last, -1, cents, notAboard)
        this.endNode.push(last)
        this.endJoint.push(-1)
      } else if (group.outPort >= 0) {
        this.edge(entry, this.node(group.outClass, after), -1, cents, notAboard)
        following.push([group.outClass, after])
      }
    }
  }

  /** The node of an open end, or -1 where nothing shows it. */
  at(openClass: number, stage: number): number {
    return this.open[openClass * MOST_STAGES + stage] ?? -1
  }

  private node(openClass: number, stage: number): number {
    const key = openClass * MOST_STAGES + stage
    const known = this.open[key] as number
    if (known >= 0) return known
    const made = this.into.push([]) - 1
    this.open[key] = made
    return made
  }

  private entryNode(inClass: number, stage: number): number {
    const made = this.into.push([]) - 1
    this.entry[inClass * MOST_STAGES + stage] = made
    return made
  }

  private jointOf(pair: NumberedPair, beforeStop: boolean): number {
    const key = pair.pairId * 2 + (beforeStop ? 1 : 0)
    const known = this.jointIds.get(key)
    if (known !== undefined) return known
    const made = this.joints.push({ pair, beforeStop }) - 1
    this.jointIds.set(key, made)
    return made
  }

  private edge(from: number, to: number, joint: number, partCents: number, notAboard: number): void {
    ;(this.into[to] as number[]).push(this.from.length)
    this.from.push(from)
    this.joint.push(joint)
    this.partCents.push(partCents)
    this.notAboard.push(notAboard)
  }
}
