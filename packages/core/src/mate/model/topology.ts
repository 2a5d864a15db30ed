import { labourCents } from '../costs/costs'
import { BEND_STEP, MOST_STAGES, type NumberedPair } from './network'
import { closingOf, type Problem } from './problem'

/** A joint wherever it may be made, before the stop or behind it, in a heat of its own or not: the rules decide later. */
export interface OpenJoint {
  readonly pair: NumberedPair
  readonly beforeStop: boolean
  readonly sameHeat: boolean
}

/**
 * A class of end, the stage, the degrees turned so far, whether the fitting is hot from the joint before, and whether
 * something before it closes the line to what is held.
 */
interface Place {
  readonly of: number
  readonly stage: number
  readonly turned: number
  readonly hot: boolean
  readonly closed: boolean
}

/** The best that any part of a group comes to, in each measure by itself. */
interface LeastPart {
  readonly cents: number
  readonly notAboard: number
  readonly handsCents: number
  readonly lo: number
  readonly hi: number
}
const NO_PART: LeastPart = { cents: 0, notAboard: 0, handsCents: 0, lo: 0, hi: 0 }

/**
 * What follows what in a place, whatever the rules say there: open ends by stage, by what has been turned and by whether
 * the line can be closed already, the classes they are joined to, the parts behind. Columns, since there are thousands. The same for all rules and
 * conditions that only forbid, so it is kept with the shop's book.
 */
export class Topology {
  /** Edges that lead into a node. */
  readonly into: number[][] = []
  readonly from: number[] = []
  /** Of each edge: its joint, or -1 where it is a part; and what the cheapest, its hands and the nearest part come to. */
  readonly joint: number[] = []
  readonly partCents: number[] = []
  readonly handsCents: number[] = []
  readonly notAboard: number[] = []
  /** The shortest and the longest that a part can be along the line, hundredths of a millimetre. */
  readonly partLo: number[] = []
  readonly partHi: number[] = []
  /** Ends: the node, and the joint to the fixture, or -1 where a part is itself the end. */
  readonly endNode: number[] = []
  readonly endJoint: number[] = []
  readonly joints: OpenJoint[] = []
  readonly classes: number
  /** What it ends at is held, so that something has to close it. */
  private readonly held: boolean
  /** Degrees that the line has to turn. */
  private readonly turn: number
  private readonly open: Int32Array
  private readonly entry: Int32Array
  private readonly jointIds = new Map<number, number>()
  private readonly closings = new Map<number, ReturnType<typeof closingOf>>()

  constructor(problem: Problem) {
    const { network, route } = problem
    this.classes = network.ends.length
    this.turn = problem.turn
    this.held = problem.held
    const places = this.classes * MOST_STAGES * (this.turn / BEND_STEP + 1) * (this.held ? 4 : 2)
    this.open = new Int32Array(places).fill(-1)
    this.entry = new Int32Array(places).fill(-1)
    const expanded = new Uint8Array(places)
    const stages = new Set([0, ...problem.begin.map((start) => problem.beginStage(start))])
    let layer: Place[] = [...stages].flatMap((stage) =>
      network.ends.flatMap(({ form }, openClass) =>
        // a cup may belong to what is soldered at its other ends
        (form === 'solder-cup' ? [false, true] : [false]).map((hot) => ({
          of: openClass,
          stage,
          turned: 0,
          hot,
          closed: !this.held,
        })),
      ),
    )
    while (layer.length > 0) {
      const following: Place[] = []
      for (const place of layer) {
        const state = this.index(place)
        if (expanded[state]) continue
        expanded[state] = 1
        const { of: openClass, stage, turned, hot } = place
        const node = this.node(place)
        const beforeStop = stage < route.opensAt
        const closes = (pair: NumberedPair) =>
          place.closed || problem.shutsOn(this.closing(pair), beforeStop, turned)
        if (problem.goalAt.includes(stage) && turned === this.turn)
          for (const goal of problem.goals)
            for (const pair of network.join(openClass, goal)) {
              if (!closes(pair)) continue
              this.endNode.push(node)
              this.endJoint.push(this.jointOf(pair, beforeStop, hot))
            }
        for (const { inClass, pair } of network.entries(openClass)) {
          const behind = { of: inClass, stage, turned, hot: pair.method.needsFlame, closed: closes(pair) }
          const known = this.entry[this.index(behind)] as number
          const entry = known < 0 ? this.entryNode(behind) : known
          this.edge(node, entry, this.jointOf(pair, beforeStop, hot), NO_PART)
          if (known < 0) this.behind(problem, behind, entry, following)
        }
      }
      layer = following
    }
  }

  private closing(pair: NumberedPair): ReturnType<typeof closingOf> {
    const known = this.closings.get(pair.pairId)
    if (known) return known
    const made = closingOf(pair)
    this.closings.set(pair.pairId, made)
    return made
  }

  private index({ of, stage, turned, hot, closed }: Place): number {
    const place = (((turned / BEND_STEP) * MOST_STAGES + stage) * this.classes + of) * 2 + (hot ? 1 : 0)
    return this.held ? place * 2 + (closed ? 1 : 0) : place
  }

  /** The parts that begin with a class of ends, and what they show. */
  private behind(problem: Problem, place: Place, entry: number, following: Place[]): void {
    for (const group of problem.network.groupsAt(place.of)) {
      const after = problem.after(place.stage, group)
      const turned = place.turned + group.turn
      if (after === null || turned > this.turn) continue
      const choices = problem.choices(group)
      if (choices.length === 0) continue
      const part = {
        cents: Number.POSITIVE_INFINITY,
        notAboard: 1,
        handsCents: 0,
        lo: Number.POSITIVE_INFINITY,
        hi: Number.NEGATIVE_INFINITY,
      }
      for (const choice of choices) {
        part.cents = Math.min(part.cents, choice.cents)
        part.lo = Math.min(part.lo, choice.lo)
        part.hi = Math.max(part.hi, choice.hi)
        if (choice.stock > 0) part.notAboard = 0
      }
      part.handsCents = labourCents(group.ownSeconds, problem.settings)
      const closed = place.closed || problem.yields(group)
      if (after === problem.route.endsAt) {
        if (turned !== this.turn || !closed) continue
        const last = this.into.push([]) - 1
        this.edge(entry, last, -1, part)
        this.endNode.push(last)
        this.endJoint.push(-1)
      } else if (group.outPort >= 0) {
        const next = {
          of: group.outClass,
          stage: after,
          turned,
          hot: place.hot && group.hotThrough,
          closed,
        }
        this.edge(entry, this.node(next), -1, part)
        following.push(next)
      }
    }
  }

  /** The node of an open end, or -1 where nothing shows it. */
  at(openClass: number, stage: number, turned: number, hot: boolean, closed: boolean): number {
    return this.open[this.index({ of: openClass, stage, turned, hot, closed })] ?? -1
  }

  private node(place: Place): number {
    const key = this.index(place)
    const known = this.open[key] as number
    if (known >= 0) return known
    const made = this.into.push([]) - 1
    this.open[key] = made
    return made
  }

  private entryNode(place: Place): number {
    const made = this.into.push([]) - 1
    this.entry[this.index(place)] = made
    return made
  }

  private jointOf(pair: NumberedPair, beforeStop: boolean, hot: boolean): number {
    const sameHeat = hot && pair.method.needsFlame
    const key = pair.pairId * 4 + (beforeStop ? 2 : 0) + (sameHeat ? 1 : 0)
    const known = this.jointIds.get(key)
    if (known !== undefined) return known
    const made = this.joints.push({ pair, beforeStop, sameHeat }) - 1
    this.jointIds.set(key, made)
    return made
  }

  private edge(from: number, to: number, joint: number, part: LeastPart): void {
    ;(this.into[to] as number[]).push(this.from.length)
    this.from.push(from)
    this.joint.push(joint)
    this.partCents.push(part.cents)
    this.handsCents.push(part.handsCents)
    this.notAboard.push(part.notAboard)
    this.partLo.push(part.lo)
    this.partHi.push(part.hi)
  }
}
