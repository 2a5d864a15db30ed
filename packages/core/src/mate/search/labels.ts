import { heatAt } from '../../assembly/methods/heat'
import type { Pair } from '../../assembly/methods/pairs'
import type { MethodId } from '../../assembly/methods/table'
import { removalSeconds } from '../../assembly/oldJoints/removals'
import type { Start } from '../../assembly/oldJoints/start'
import type { Fitting } from '../../catalog/types'
import { PARK_MM, slides, UNION_GAP_MM } from '../../fitup/fixedEnds'
import { labourCents, removalRiskPerMille, riskCents } from '../costs/costs'
import { BITS, bitOf, union } from '../costs/sets'
import { type Choice, endToEndMm, PER_MM, type Weighed } from '../model/book'
import { cancels, type NumberedPair, type Step } from '../model/network'
import { ANY_LENGTH, type Problem } from '../model/problem'
import { eitherWay, tokenOf } from '../model/token'
import { cannotFill, closesIn, type Guide, tooLong } from './guide'

/** A chain under construction, linked back to where it begins. */
export interface Label {
  readonly back: Label | null
  readonly start: Start
  /** Which of the states of the first end it begins with: what may come back to that end depends on it. */
  readonly origin: number
  readonly group: Step | null
  readonly choice: Choice | null
  /** The joint to the fixture; null for all others, and where a part of the chain is itself the end. */
  readonly final: NumberedPair | null
  /** What is known of the last joint made. */
  readonly joint: Weighed | null
  readonly done: boolean
  readonly openClass: number
  readonly stage: number
  /** Degrees turned so far. */
  readonly turned: number
  /** Whether the line has gone up a size (1), down one (-1), or neither: it never does both. */
  readonly trend: -1 | 0 | 1
  /**
   * Between fixed ends, and before a body that is held: whether some joint can be closed there; `sliding` while a slip
   * part waits for room.
   */
  readonly closing: 'no' | 'sliding' | 'yes'
  readonly parts: number
  /** The fitting with the open end is hot from the joint before, so that a soldered one is made in the same heat. */
  readonly hot: boolean
  readonly mask: number
  /** Tools that are not aboard, as bits. */
  readonly tools: number
  /** Pieces that the van cannot give. */
  readonly notAboard: number
  /** Pieces of parts that are counted. */
  readonly scarce: readonly Fitting[]
  /** The class of what it leaves open for another line; -1 while nothing. */
  readonly branch: number
  /** The same of a second side. */
  readonly second: number
  /** Two bits for each body where lines meet: heated, and joined to what heat would spoil. */
  readonly heat: number
  /** Sum of everything that is paid per part and joint, cents. */
  readonly additive: number
  readonly priceCents: number
  readonly seconds: number
  readonly joints: number
  readonly riskPerMille: number
  readonly waterOffSeconds: number
  /** Length from the first end on, hundredths of a millimetre. */
  readonly lo: number
  readonly hi: number
  /** Beginning and classes of ends so far: chains with the same have the same future. */
  readonly fine: number
  /** Removal, methods and families: chains with the same are the same way to do it. */
  readonly way: number
}

/** More words than any question has. */
const WORDS = 2 ** 22

/** Whether the counter must be visited for a chain. */
export function needsTrip(label: Pick<Label, 'tools' | 'notAboard'>): boolean {
  return label.tools !== 0 || label.notAboard > 0
}

/** Pieces of a part in a chain. */
export function piecesIn(label: Label | null, part: Fitting): number {
  let count = 0
  for (let at = label; at; at = at.back) if (at.choice?.part === part) count++
  return count
}

/** Parts, not counted so far, of which some chain takes more pieces than are aboard. */
export function overdrawn(goals: readonly Label[], { counted }: Problem): ReadonlySet<Fitting> {
  const over = new Set<Fitting>()
  for (const goal of goals)
    for (let at: Label | null = goal; at; at = at.back)
      if (at.choice && at.choice.stock > 0 && !counted.has(at.choice.part))
        if (piecesIn(at, at.choice.part) > at.choice.stock) over.add(at.choice.part)
  return over
}

/** Whether one chain leaves as many pieces aboard as another of whatever is counted: what it took, the other took too. */
export function leavesAsMuch(a: Label, b: Label): boolean {
  if (a.scarce.length === 0) return true
  return a.scarce.every(
    (part) =>
      a.scarce.filter((other) => other === part).length <= b.scarce.filter((other) => other === part).length,
  )
}

/** A chain by its methods and families, the same read from either end: what goes into a run has two. */
export function bothWays(goal: Label): string {
  const tokens: string[] = []
  for (let at: Label | null = goal; at; at = at.back) {
    if (at.final) tokens.push(at.final.method.id)
    else if (at.group && at.choice) tokens.push(tokenOf(at.group.pair.method.id, at.choice.part))
  }
  return eitherWay(tokens.reverse())
}

const NOTHING: readonly Fitting[] = []
const NOTHING_SPARED = { seconds: 0, cents: 0 } as const

/** The bits of a body that a joint leaves. */
function heatBits(pair: Pair, body: number): number {
  if (body < 0) return 0
  const heat = heatAt(pair)
  return heat === null ? 0 : bitOf(body * 2 + (heat === 'heats' ? 0 : 1), 'one more body', BITS)
}

/** The degrees that only whole bends can make; more than was asked for is never right. */
const turnLeft = (problem: Problem, label: Label) => problem.turn - label.turned

/**
 * Grows chains from the first end outward: every part and joint that the rules, the route and the place allow. Knows
 * nothing of which chain is wanted; the searches hold what they need.
 */
export class Grower {
  private readonly sequences = new Map<number, number>()
  private readonly words = new Map<string, number>()
  private readonly startClasses = new Map<Start, number>()
  /** Circles are left out but where length or two fixed ends can make them necessary. */
  readonly circles: boolean
  /** Whether a chain may be too long, or too short; where it may not, chains are alike however long they are. */
  private readonly least: boolean
  private readonly most: boolean
  private readonly enough: number
  /** What was measured is filled from end to end: no trap from which on nothing counts, no corner, no part that is the end. */
  private readonly fillsAll: boolean

  private readonly firstMethod: MethodId | undefined
  private readonly told: boolean

  /**
   * @param guide knows which open ends lead nowhere, so that no chain grows there
   * @param wish.firstMethod only chains whose first joint is made by this method
   * @param wish.told whether chains are told apart by their sequence, which costs time
   */
  constructor(
    readonly problem: Problem,
    private readonly guide: Guide,
    wish: { readonly firstMethod?: MethodId | undefined; readonly told?: boolean } = {},
  ) {
    this.firstMethod = wish.firstMethod
    this.told = wish.told ?? true
    // up to a trap one piece of pipe of a size is enough, and behind it nothing counts
    const counts = problem.span !== null && problem.route.trapAt === undefined
    this.circles = counts || problem.line.cutIn !== undefined
    const fitted = problem.begin.some(({ wholeMm }) => wholeMm != null)
    this.least = problem.span !== null || fitted
    this.most = problem.measures || fitted
    this.enough = problem.enough
    const { span, leastLong, leastLegs, route } = problem
    const straight = leastLegs === null && route.trapAt === undefined && route.endsAt === undefined
    this.fillsAll = straight && (span !== null || leastLong !== null)
  }

  /** The most that a chain can reach, as far as it decides anything. */
  private reaches(hi: number): number {
    return hi >= this.enough ? ANY_LENGTH : hi
  }

  /** A number for a word of a sequence, so that sequences are numbers too. */
  private word(text: string): number {
    const known = this.words.get(text)
    if (known !== undefined) return known
    const id = WORDS - 1 - this.words.size
    this.words.set(text, id)
    return id
  }

  /** The number of a sequence that is one word longer. */
  private follow(before: number, word: number): number {
    const key = before * WORDS + word
    const known = this.sequences.get(key)
    if (known !== undefined) return known
    const id = this.sequences.size + 1
    this.sequences.set(key, id)
    return id
  }

  private classOfStart(start: Start): number {
    let known = this.startClasses.get(start)
    if (known === undefined) {
      known = this.problem.network.classOf(start.port)
      this.startClasses.set(start, known)
    }
    return known
  }

  /** One label for each state the first end can be brought into. */
  initial(): Label[] {
    const { problem } = this
    return problem.begin
      .filter((start) => start.forbidden.length === 0)
      .map((start, index) => {
        const { removal } = start
        const risk = removalRiskPerMille(removal, problem.settings)
        return {
          back: null,
          start,
          origin: index,
          group: null,
          choice: null,
          final: null,
          joint: null,
          done: false,
          openClass: problem.network.classOf(start.port),
          stage: problem.beginStage(start),
          turned: 0,
          trend: 0,
          closing: 'no',
          parts: 0,
          hot: problem.beginsHot(start),
          mask: 0,
          tools: problem.toolMask(removal.tools),
          notAboard: 0,
          scarce: NOTHING,
          branch: -1,
          second: -1,
          heat: 0,
          additive:
            labourCents(removalSeconds(removal), problem.settings) + riskCents(risk, problem.settings),
          priceCents: 0,
          seconds: removalSeconds(removal),
          joints: 0,
          riskPerMille: risk,
          waterOffSeconds: problem.medium === 'drain' ? 0 : removalSeconds(removal),
          lo: 0,
          hi: 0,
          fine: this.follow(0, this.word(`start ${index}`)),
          // from which of the ends another line may leave open is part of the way
          way: this.follow(
            0,
            this.word(problem.line.branchOf === undefined ? removal.id : `${removal.id} ${index}`),
          ),
        }
      })
  }

  /** Gives everything that may come next: the fixture, or one more part. A call each, since there are millions. */
  next(label: Label, give: (next: Label) => void): void {
    if (label.done) return
    this.finish(label, give)
    const { problem } = this
    if (label.parts >= problem.mostParts) return
    if (label.back !== null)
      for (const { group, stage, joint } of problem.steps(
        label.openClass,
        label.stage,
        label.trend,
        turnLeft(problem, label),
      ))
        this.add(label, group, stage, joint, give)
    else
      for (const group of problem.network.follow(label.openClass)) {
        const stage = problem.after(label.stage, group)
        if (stage === null || group.turn > problem.turn) continue
        const joint = problem.weigh(group.pair, label.start, label.stage < problem.route.opensAt)
        if (joint.allowed) this.add(label, group, stage, joint, give)
      }
  }

  private add(label: Label, group: Step, stage: number, joint: Weighed, give: (next: Label) => void): void {
    const { problem } = this
    const trend = label.trend === 0 ? group.grows : label.trend
    if (cancels(label.group, group)) return
    if (!this.bandsWell(label, group)) return
    const done = group.outPort < 0 || stage === problem.route.endsAt
    if (group.outPort < 0 && stage !== problem.route.endsAt) return
    const turned = label.turned + group.turn
    const sameHeat = label.hot && group.pair.method.needsFlame
    const hot = group.pair.method.needsFlame && group.hotThrough
    const beforeStop = label.stage < problem.route.opensAt
    const closing = this.closingAfter(label, group, joint, beforeStop)
    const standing = { openClass: group.outClass, stage, turned, hot, closing }
    if (!done && tooLong(problem, this.guide, standing, label.parts + 1)) return
    const first = label.back === null
    if (first && this.firstMethod && group.pair.method.id !== this.firstMethod) return
    const spared = sameHeat ? joint.spared : NOTHING_SPARED
    const own = group.ownSeconds
    if (!this.circles && !first) {
      const own = this.classOfStart(label.start)
      // coming back to an end like the first one is needless where the same joint could be made there
      const back =
        label.openClass === own && label.stage === 0 && label.turned === 0 && label.closing === 'no'
      if (back && problem.weigh(group.pair, label.start, beforeStop).allowed) return
      const begins = group.outClass === own && stage === 0 && turned === 0
      if (group.outPort >= 0 && visits(label, standing, begins)) return
    }
    const reach = first ? problem.stubReach(label.start, joint.need) : [label.lo, label.hi]
    const corner = group.turn > 0 && problem.leastLegs !== null
    const heat = label.heat | this.heatOf(label, group.pair, group.role === 'tee')
    const branch = group.branchClass >= 0 ? group.branchClass : label.branch
    const second = group.secondClass >= 0 ? group.secondClass : label.second
    for (const choice of problem.choices(group)) {
      if (done && turnLeft(problem, label) !== group.turn) return
      const counted = problem.counted.has(choice.part)
      let lo = this.least ? (reach[0] as number) + choice.lo - joint.insHi : 0
      let hi = this.most ? this.reaches((reach[1] as number) + choice.hi - joint.insLo) : 0
      if (corner) {
        // each leg by itself: the first ends in the middle of the elbow, and there the second begins
        if (hi - choice.behind < (problem.leastLegs?.[0] ?? 0)) continue
        lo = this.least ? choice.behind : 0
        hi = choice.behind
      } else if (label.stage >= problem.spanEnds) {
        lo = label.lo
        hi = label.hi
      } else if (problem.endsSpan(label.stage, group)) {
        // it stands under the drain or not at all; what follows rises
        if (!this.endsThere(label, lo - choice.behind, hi - choice.behind)) continue
        lo = problem.span as number
        hi = lo
      }
      if (
        !done &&
        this.fillsAll &&
        cannotFill(problem, this.guide, standing, { parts: label.parts + 1, lo, hi })
      )
        continue
      give({
        back: label,
        start: label.start,
        origin: label.origin,
        group,
        choice,
        final: null,
        joint,
        done,
        openClass: group.outClass,
        stage,
        turned,
        trend,
        closing,
        parts: label.parts + 1,
        hot,
        mask: union(label.mask, joint.bit),
        tools: label.tools | joint.tools,
        notAboard: label.notAboard + (choice.stock > (counted ? piecesIn(label, choice.part) : 0) ? 0 : 1),
        scarce: counted ? [...label.scarce, choice.part] : label.scarce,
        branch,
        second,
        heat,
        additive:
          label.additive + joint.cents - spared.cents + labourCents(own, problem.settings) + choice.cents,
        priceCents: label.priceCents + joint.priceCents + choice.cents,
        seconds: label.seconds + joint.seconds - spared.seconds + own,
        joints: label.joints + 1,
        riskPerMille: label.riskPerMille + joint.riskPerMille,
        waterOffSeconds:
          label.waterOffSeconds + (first && problem.isStub(label.start) ? joint.closeSeconds : 0),
        lo,
        hi,
        fine: this.told ? this.follow(label.fine, group.stepId) : 0,
        way: this.told ? this.follow(label.way, this.word(tokenOf(group.pair.method.id, choice.part))) : 0,
      })
    }
  }

  /**
   * Whether what follows a chain ends where it was measured, and nothing is cut for it that could stay: a free end that is
   * made shorter is too long as it is; of one that nobody measured only what goes right on it says where to cut.
   */
  private endsThere(before: Label, lo: number, hi: number): boolean {
    const { problem } = this
    const { usableMm, whole, wholeMm } = before.start
    if (!problem.fills(lo, hi)) return false
    if (!whole && wholeMm === undefined) return true
    const onStub = before.back === null
    if (usableMm === null) return onStub ? !whole : wholeMm === undefined
    if (wholeMm == null || onStub) return true
    let first = before
    while (first.back?.back) first = first.back
    const least = Math.min(first.joint?.need ?? 0, Math.round(usableMm * PER_MM))
    return lo - least + Math.round(wholeMm * PER_MM) > (problem.span as number)
  }

  /** A band round two pipes of one kind is for an old end: the first of a line, and both of a run. */
  private bandsWell({ back, group: before }: Label, group: Step): boolean {
    if (!this.problem.line.cutIn) return !group.bandsAlike || back === null
    // behind the second there is the run's other side and nothing else
    return !(before?.bandsAlike && back?.back != null)
  }

  private finish(label: Label, give: (next: Label) => void): void {
    const { problem } = this
    if (!problem.goalAt.includes(label.stage) || turnLeft(problem, label) !== 0) return
    const first = label.back === null
    const beforeStop = label.stage < problem.route.opensAt
    for (const goal of problem.goals)
      for (const pair of problem.network.join(label.openClass, goal)) {
        // a run that is cut open is closed by what goes in, never end to end
        const stands = first ? label.start : problem.far
        const joint = problem.weigh(pair, stands, beforeStop)
        if (!joint.allowed) continue
        if (first && this.firstMethod && pair.method.id !== this.firstMethod) continue
        if (!this.closes(label, joint, beforeStop)) continue
        const sameHeat = label.hot && pair.method.needsFlame
        const spared = sameHeat ? joint.spared : NOTHING_SPARED
        const reach = first ? problem.stubReach(label.start, joint.need) : [label.lo, label.hi]
        const past = label.stage >= problem.spanEnds
        const lo = this.least && !past ? (reach[0] as number) - joint.insHi : label.lo
        const hi = this.most && !past ? this.reaches((reach[1] as number) - joint.insLo) : label.hi
        if (past ? !problem.fills(lo, hi) : !this.endsThere(label, lo, hi)) continue
        give({
          ...label,
          back: label,
          group: null,
          choice: null,
          final: pair,
          joint,
          done: true,
          hot: false,
          mask: union(label.mask, joint.bit),
          tools: label.tools | joint.tools,
          heat: label.heat | this.heatOf(label, pair, false) | heatBits(pair, problem.meets.to),
          additive: label.additive + joint.cents - spared.cents,
          priceCents: label.priceCents + joint.priceCents,
          seconds: label.seconds + joint.seconds - spared.seconds,
          joints: label.joints + 1,
          riskPerMille: label.riskPerMille + joint.riskPerMille,
          waterOffSeconds: this.waterOffWith(label, joint, sameHeat),
          lo,
          hi,
          fine: this.told ? this.follow(label.fine, this.word(`${pair.pairId}!`)) : 0,
          way: this.told ? this.follow(label.way, this.word(`${pair.method.id}!`)) : 0,
        })
      }
  }

  /**
   * The water is off for what opens the old end and for the joint on it; of a run at either end, and since one waits
   * while the other is made, for the longer of them.
   */
  private waterOffWith({ back, start, waterOffSeconds }: Label, joint: Weighed, sameHeat: boolean): number {
    const { problem } = this
    const stands = back ? problem.far : start
    if (problem.medium === 'drain' || !stands || !problem.isStub(stands)) return waterOffSeconds
    if (!back) return waterOffSeconds + joint.closeSeconds
    return Math.max(waterOffSeconds, removalSeconds(start.removal) + closesIn(joint, sameHeat))
  }

  /** What a joint does to the body the line begins at, and to the tee that it puts in, where others meet it there. */
  private heatOf(label: Label, pair: Pair, ontoTee: boolean): number {
    const { from, tee } = this.problem.meets
    const atTee = ontoTee || label.group?.role === 'tee'
    return (label.back ? 0 : heatBits(pair, from)) | (atTee ? heatBits(pair, tee) : 0)
  }

  /** Whether the last joint closes it, to the far side of the run or to a body that is held, where none has before. */
  private closes(label: Label, joint: Weighed, beforeStop: boolean): boolean {
    if (label.closing === 'yes') return true
    if (!this.problem.line.cutIn)
      return !this.problem.held || this.problem.shutsOn(joint, beforeStop, label.turned)
    if (joint.apart <= this.problem.springAt(label.turned)) return true
    return label.closing === 'sliding' && this.parks(label, this.problem.far)
  }

  private closingAfter(label: Label, group: Step, joint: Weighed, beforeStop: boolean): Label['closing'] {
    const { problem } = this
    if (label.closing === 'yes') return 'yes'
    if (!problem.line.cutIn)
      return problem.held && (problem.shutsOn(joint, beforeStop, label.turned) || problem.yields(group))
        ? 'yes'
        : label.closing
    const spring = problem.springAt(label.turned)
    const dry = problem.dryAt(joint, beforeStop)
    if (dry && joint.apart <= spring) return 'yes'
    // what slides waits on the pipe before it, or on the piece that follows it
    if (dry && label.closing === 'sliding' && group.family === 'tube-piece') return 'yes'
    if (group.role === 'union' && spring >= UNION_GAP_MM * PER_MM) return 'yes'
    if (!dry || !slides(group)) return 'no'
    const onPipe = label.back === null
    if (onPipe && this.fitsOn(group, label.start)) return 'yes'
    return label.group?.family === 'tube-piece' ? 'yes' : 'sliding'
  }

  private parks(label: Label, on: Start | null): boolean {
    return label.group !== null && on !== null && this.fitsOn(label.group, on)
  }

  /** A sliding part needs its whole length of bare pipe to wait on. */
  private fitsOn(group: Step, on: Start): boolean {
    if (on.usableMm === null) return true
    const part = group.parts[0]
    return !part || on.usableMm >= endToEndMm(part) + PARK_MM
  }
}

/**
 * Whether the chain has already shown that class of open end with as much behind it: going round in a circle is never
 * a way. With a valve or a bend between, or what the line can be closed by, it is none; nor is it to come back once to
 * an end like the first one.
 *
 * @param once the chain may come back to where it begins
 */
function visits(
  label: Label,
  { openClass, stage, turned, closing }: Pick<Label, 'openClass' | 'stage' | 'turned' | 'closing'>,
  once: boolean,
): boolean {
  for (let at: Label | null = label; at && !(once && at.back === null); at = at.back)
    if (at.openClass === openClass && at.stage === stage && at.turned === turned && at.closing === closing)
      return true
  return false
}
