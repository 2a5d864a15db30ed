import { closes, mayTurn } from '../../assembly/bodies/types'
import type { Conditions } from '../../assembly/conditions'
import type { EndRef } from '../../assembly/end'
import { type Pair, pairEngagement } from '../../assembly/methods/pairs'
import { withBowlOff, withTrapEmptied } from '../../assembly/oldJoints/besides'
import { MARKED_MM, OLD_FLANGE_HUB_MM, openingOf, type Removal } from '../../assembly/oldJoints/removals'
import { freshStart, keptStart, marksOn, type Start, starts } from '../../assembly/oldJoints/start'
import { type ToolId, toolsOn } from '../../assembly/tools'
import { end, type PortEnd } from '../../catalog/ends'
import { catalogueOf } from '../../catalog/families'
import { type Fitting, secondSide } from '../../catalog/types'
import { Effort } from '../../effort'
import { CoreFault } from '../../fault'
import { CONNECTOR_SLACK_MM } from '../../fitup/layout'
import { panSuits } from '../../fitup/pan'
import { nearMm } from '../../fitup/toilet'
import { SEAT_BEYOND_MM } from '../../fitup/walls'
import { isPlastic, type Medium } from '../../reference/materials'
import { pipeById } from '../../reference/pipes'
import { nominalNumber, type Pipe, type PipeMaterial } from '../../reference/types'
import { labourCents, riskCents } from '../costs/costs'
import { judge, stuffsOf } from '../rules/rules'
import type { LineRequest, MateRequest, MateSettings } from '../types'
import { type Book, bookOf, type Choice, PER_MM, type Weighed } from './book'
import { leastLegsMm, springsMm, turnOfCut } from './cutIn'
import {
  BEND_STEP,
  type Group,
  MOST_STAGES,
  type Network,
  type NumberedPair,
  networkOf,
  type Step,
} from './network'
import { cutInRoute, hasUnionNut, type Role, type Route, routeById } from './routes'

/** Parts in one chain, the stop and the connector among them. */
export const MOST_PARTS = 6
/** Between two fixed ends no more is ever put in. */
const MOST_CUT_IN = 5
/** The widest length: nothing is measured, everything fits. */
export const ANY_LENGTH = 1_000_000 * PER_MM

/** Metal, or a hose made for it, between old plastic and a heater's nipple, along the line, mm: 18 in. Common practice. */
const FROM_HEATER_MM = 457.2

/** Labels for all searches of a question: a few seconds at most. */
export const MATE_STEPS = 500_000

/** What a question is asked over. */
export interface Limits {
  readonly catalogue?: readonly Fitting[]
  readonly mostParts?: number
  /** Labels that all searches of a question may make together. */
  readonly effort?: Effort
}

/** An end that a line leaves open for another to begin at. */
export interface BranchEnd {
  readonly end: PortEnd
  /** It is the outlet of a stop: what follows is what follows a stop. */
  readonly pastStop: boolean
  /** The fitting is soldered at its other ends: what is soldered into this one is made in the same heat. */
  readonly hot: boolean
}

/** What a line shares with the others of its question. */
export interface Meeting {
  /** Where it begins at what another line leaves open: the ends that may be. */
  readonly branchEnds?: readonly BranchEnd[]
  /** Where another begins at what this one leaves open: the ends from which it gets anywhere. */
  readonly leadsOn?: readonly PortEnd[]
  /** The same where one begins at its second side. */
  readonly secondLeadsOn?: readonly PortEnd[]
  /** The bodies at which lines meet, numbered; the tee that a line puts in is called after the line (`teeOf`). */
  readonly bodies?: ReadonlyMap<string, number>
  /** What it branches off cannot be dried, and begins with a joint that is screwed: it closes nothing there. */
  readonly wet?: boolean
  /** It comes into a tee right opposite another. */
  readonly headOn?: boolean
}

/** The name of the body that a line puts in and another begins at. */
export const teeOf = (lineId: string): string => `tee of ${lineId}`

/** One line ready to be solved: tables looked up, what never changes during the search kept. */
export class Problem {
  readonly network: Network
  readonly route: Route
  readonly medium: Medium
  readonly conditions: Conditions
  readonly settings: MateSettings
  readonly begin: readonly Start[]
  readonly goals: readonly number[]
  readonly mostParts: number
  /** The length to fill from the first end's full reach, hundredths of a millimetre; null where nothing is measured. */
  readonly span: number | null
  /** That length is counted from the stub's end as it is, not from the wall's face. */
  private readonly fromEnd: boolean
  /** It is counted from the finished floor, since nothing beneath it was measured. */
  private readonly fromFloor: boolean
  /** Stages at which the fixture may be joined: where its distance is too short for pipe, past a hose alone. */
  readonly goalAt: readonly number[]
  /** The stage from which on nothing counts along the span: past a trap, in whose middle it ends. */
  readonly spanEnds: number
  /** Degrees that the line has to turn on its way. */
  readonly turn: number
  /** The line cannot be dried: what wants it dry is made before the water can come to it, and closes nothing. */
  readonly wet: boolean
  /** What the line ends at cannot be turned: something in it has to slide, or be drawn together by a nut. */
  readonly held: boolean
  /**
   * How far the old pipe gives before what stands on the floor, so that nothing but that, a hose or a union makes room for
   * the last joint, hundredths of a millimetre; null where what it ends at moves.
   */
  private readonly gives: number | null
  /** The other side of a run that is cut open: its joint stands in the place too. */
  readonly far: Start | null
  /** Everything that decides what may come after the first joint, and what it costs. */
  readonly farKey: string
  /** Of that, what decides which parts may follow which, whatever the rules say. */
  readonly placeKey: string
  /** How far a run can be drawn apart at a joint before a corner and at one behind it, mm. */
  private readonly springsMm: readonly [number, number]
  /** What has to come out of a run at least, or to lie between plastic and a heater, hundredths of a millimetre; null where neither counts. */
  readonly leastLong: number | null
  /** The same of a corner, on each side of its middle. */
  readonly leastLegs: readonly [number, number] | null
  /** Stuffs that its two ends are of; null where that is not asked. */
  readonly own: ReadonlySet<string> | null
  readonly book: Book
  readonly effort: Effort
  /** Numbers of the bodies that it begins at, stops at, and puts in for another line to begin at; -1 where none. */
  readonly meets: { readonly from: number; readonly to: number; readonly tee: number }
  /** Parts of groups with one that is counted: more of them may be wanted. */
  private readonly wider = new Map<number, readonly Choice[]>()
  private readonly leadsOn: ReadonlySet<number> | undefined
  private readonly secondLeadsOn: ReadonlySet<number> | undefined
  private readonly pastStop: ReadonlySet<Start>
  private readonly heated: ReadonlySet<Start>
  private readonly placed: Map<number, readonly Choice[]>
  private readonly stages: Int8Array
  private readonly following = new Map<number, readonly PlacedStep[]>()
  private readonly inner: (Weighed | undefined)[]
  private readonly atStub = new Map<number, Weighed>()

  constructor(
    readonly line: LineRequest,
    readonly request: Pick<MateRequest, 'settings' | 'improvised'>,
    /** Lines that draw on the same van. */
    readonly linesTogether = 1,
    readonly limits: Limits = {},
    readonly meeting: Meeting = {},
    /** Parts whose pieces are counted: any other that is aboard is there as often as it is wanted. */
    readonly counted: ReadonlySet<Fitting> = new Set(),
  ) {
    const body = (name: string | undefined) => meeting.bodies?.get(name ?? '') ?? -1
    this.meets = {
      from: body(line.branchOf === undefined ? line.from?.bodyId : teeOf(line.branchOf)),
      to: body(line.to?.bodyId),
      tee: body(teeOf(line.lineId)),
    }
    const pipe = this.pipe
    const route = line.cutIn
      ? cutInRoute(line.cutIn.insert, line.conditions.service === 'waste' ? 'drain' : 'supply')
      : line.to && routeById(line.to.route, line.conditions, pipe?.material)
    if (!route) throw new CoreFault('line-without-end', {}, ['to'])
    this.route = route
    this.medium = route.medium ?? mediumBetween(line)
    this.network = networkOf(limits.catalogue ?? catalogueOf(this.medium))
    this.effort = limits.effort ?? new Effort(MATE_STEPS)
    this.conditions = line.conditions
    this.settings = request.settings
    this.mostParts = limits.mostParts ?? (line.cutIn ? MOST_CUT_IN : MOST_PARTS)
    const { turn } = line.conditions
    // an end with a nut or a cup closes itself: a taper thread asks for something else that does, and so does a cup
    // to which water comes
    const tapers = line.to?.ends.some(({ form }) => form.startsWith('taper')) ?? false
    // in a drain water comes from above alone: past the old end all is dry
    this.wet =
      this.medium === 'supply' &&
      (line.pipeId === undefined ? (meeting.wet ?? false) : line.conditions.line !== 'dry')
    this.held = !line.cutIn && line.to?.held === true && (tapers || this.wet)
    // what a hose may lead to stands: what is pushed in needs as much way as it goes in by
    this.gives =
      this.held && route.id === 'flexible' ? Math.round((line.conditions.givesMm ?? 0) * PER_MM) : null
    // what was said of a floor drain says nothing of a basin's stub, which turns nowhere
    const stands = route.id === 'closet' && line.conditions.oldJoint === 'flange'
    // what an old flange sat on stands upright already
    // from a new branch pipe is led to a bowl's spigot, round a corner too
    const led = route.led === true && pipe === null
    const stiff =
      this.medium === 'drain' && line.to !== undefined && (stands || !(mayTurn(line.to.route) || led))
    this.turn = line.cutIn ? turnOfCut(line.cutIn.insert, turn) : stiff ? 0 : (turn ?? 0)
    // round a corner the distance along the pipe says nothing of the pieces
    const { spanMm, reachMm } = line.conditions
    // before a heater's nipple lies open what its reach says
    this.fromEnd = spanMm == null && route.id === 'flexible'
    // a flange that stays stands where it does against the floor, whatever lies beneath it
    this.fromFloor =
      route.id === 'closet' && this.turn === 0 && spanMm == null && line.conditions.flangeMm != null
    const gap = this.fromFloor ? 0 : this.fromEnd ? reachMm : spanMm
    // nor does it past a trap, which turns too, but up to its middle
    const through = this.medium === 'supply' || route.id === 'closet' || route.id === 'any'
    const straight = this.turn === 0 && (through || route.trapAt !== undefined)
    this.span = gap == null || !straight ? null : Math.round(gap * PER_MM)
    this.spanEnds = route.trapAt ?? Number.POSITIVE_INFINITY
    if (line.cutIn) {
      if (!pipe) throw new CoreFault('cut-in-without-pipe', {}, ['cutIn'])
      const run = runEnd(pipe)
      // what has to come out takes its marks with it; where nothing has to, the cut lies past them
      const lost = line.cutIn.outMm == null && marksOn(this.conditions).length > 0 ? MARKED_MM : 0
      const opened = withTrapEmptied(openingOf(pipe.material, this.medium), this.conditions)
      this.begin = [cutStart(opened, run, pipe, this.conditions.stubMm, lost)]
      this.far = cutStart(opened, run, pipe, line.cutIn.farMm, lost)
      this.goals = [this.network.classOf(run)]
      this.springsMm = springsMm(pipe, line.cutIn, this.turn)
    } else {
      this.springsMm = [0, 0]
      this.far = null
      this.goals = (line.to?.ends ?? []).map((ref) => this.network.classOf(endOf(ref)))
      this.begin = this.beginnings(pipe)
    }
    for (const start of this.begin) this.network.classOf(start.port)
    this.pastStop = new Set(this.begin.filter((_, index) => meeting.branchEnds?.[index]?.pastStop))
    this.heated = new Set(this.begin.filter((_, index) => meeting.branchEnds?.[index]?.hot))
    this.book = bookOf(this.network, request.settings, request.improvised ?? false)
    this.own = stuffsOf(line, pipe)
    const far = farFacts(
      this.route,
      this.conditions,
      line.cutIn ? (pipe?.material ?? null) : null,
      this.own,
      pipe !== null,
    )
    this.inner = this.book.jointsUnder(far)
    const { outMm } = line.cutIn ?? {}
    const legs = line.cutIn && pipe ? leastLegsMm(pipe, line.cutIn) : null
    const leastMm =
      route.id === 'flexible' && pipe && isPlastic(pipe.material)
        ? FROM_HEATER_MM
        : this.turn > 0
          ? null
          : outMm
    this.leastLong = leastMm == null ? null : Math.round(leastMm * PER_MM)
    this.leastLegs = legs && [Math.round(legs[0] * PER_MM), Math.round(legs[1] * PER_MM)]
    const past = route.stages.length - 1
    this.goalAt = this.tooNear ? route.goalAt.filter((stage) => stage === past) : route.goalAt
    const classes = (ports: readonly PortEnd[] | undefined) =>
      ports && new Set(ports.map((port) => this.network.classOf(port)))
    this.leadsOn = classes(meeting.leadsOn)
    this.secondLeadsOn = classes(meeting.secondLeadsOn)
    const leads = [this.leadsOn, this.secondLeadsOn].map((set) => [...(set ?? [])].join()).join('/')
    this.stages = this.network.stagesUnder(
      `${this.route.id}${line.cutIn?.insert ?? ''}${this.conditions.outlets ?? 1}${this.conditions.access}${this.conditions.service} ${pipe && isPlastic(pipe.material)} ${this.drainFacts} ${this.tooNear} ${leads}`,
    )
    const place = JSON.stringify([
      this.route.id,
      this.conditions.service,
      this.measures,
      placeFacts(this.conditions),
      line.cutIn?.insert,
      line.cutIn?.branch,
      line.cutIn?.second,
      pipe !== null && isPlastic(pipe.material),
      this.drainFacts,
      this.tooNear,
    ])
    this.placed = this.book.placedUnder(place)
    const beginStages = [...new Set(this.begin.map((start) => this.beginStage(start)))]
    const closing = this.held ? [this.wet, this.gives] : null
    this.placeKey = JSON.stringify([this.goals, place, this.turn, beginStages, leads, closing])
    this.farKey = `${far}${this.placeKey}`
  }

  /** The pipe the line begins at; null where it begins at a new end. */
  get pipe(): Pipe | null {
    const { pipeId } = this.line
    if (pipeId === undefined) return null
    const pipe = pipeById(pipeId)
    if (!pipe) throw new CoreFault('no-pipe', { id: pipeId }, ['pipeId'])
    return pipe
  }

  /** What goes on the old pipe has to end where it was measured: a free end stays as long as it is, or is cut. */
  private get isFitted(): boolean {
    if (this.route.trapAt !== undefined) return true
    return this.span !== null && this.medium === 'supply' && !this.fromEnd
  }

  private beginnings(pipe: Pipe | null): readonly Start[] {
    // where a tee goes in, no nut beyond it stays
    if (pipe)
      return starts(pipe, this.conditions, this.isFitted)
        .filter(({ removal }) => !(this.route.vents && removal.keeps?.startsWith('nut')))
        .map((start) => (this.route.id === 'pan' ? withBowlOff(start) : start))
    if (this.line.branchOf !== undefined) {
      if (!this.meeting.branchEnds) throw new CoreFault('no-trunk', { id: this.line.branchOf }, ['branchOf'])
      return this.meeting.branchEnds.map(({ end }) => freshStart(end))
    }
    if (!this.line.from) throw new CoreFault('line-without-beginning', {}, ['pipeId'])
    const { kept, conditions } = this.line
    return this.line.from.ends.map((ref) =>
      kept === 'stop' ? keptStart(endOf(ref), conditions) : freshStart(endOf(ref)),
    )
  }

  /** The stage that the line begins at: past the stop, or the adapter, where that is what it begins at. */
  beginStage(start: Start): number {
    const { keeps } = start.removal
    return this.pastStop.has(start) || (keeps && !HUBS.has(keeps)) ? this.route.opensAt : 0
  }

  /** Whether what a start opens is hot while the line before it is made. */
  beginsHot(start: Start): boolean {
    return this.heated.has(start)
  }

  /** Whether a start is an old pipe, so that the rules of the place hold for the joint on it. */
  isStub(start: Start): boolean {
    return start.removal.id !== 'new-end' && !start.removal.keeps
  }

  toolMask(tools: readonly ToolId[]): number {
    return this.book.toolMask(tools)
  }

  stockOf(part: Fitting): number {
    return this.book.stockOf(part)
  }

  /** The same line with the pieces of more parts counted. */
  counting(parts: Iterable<Fitting>): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    const counted = new Set([...this.counted, ...parts])
    if (counted.size === this.counted.size) return this
    return new Problem(line, request, linesTogether, { ...limits, effort: this.effort }, meeting, counted)
  }

  /** The same line to a body that is free to turn. */
  letGo(): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    if (!line.to) return this
    const { held: _, ...to } = line.to
    return new Problem({ ...line, to }, request, linesTogether, { ...limits, effort: this.effort }, meeting)
  }

  /** The same line from an old pipe that gives as much as anything asks for. */
  giving(): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    const conditions = { ...line.conditions, givesMm: MOST_INSERTED_MM }
    const open = { ...limits, effort: this.effort }
    return new Problem({ ...line, conditions }, request, linesTogether, open, meeting)
  }

  /** The same run with as much bare pipe on its other side as anything asks for. */
  farBare(): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    const { cutIn } = line
    if (!cutIn || cutIn.farMm === null) return this
    const open = { ...limits, effort: this.effort }
    return new Problem({ ...line, cutIn: { ...cutIn, farMm: null } }, request, linesTogether, open, meeting)
  }

  /** The same line with its drain so far out, mm. */
  out(spanMm: number): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    const conditions = { ...line.conditions, spanMm }
    const open = { ...limits, effort: this.effort }
    return new Problem({ ...line, conditions }, request, linesTogether, open, meeting)
  }

  /** The same line where everything stays within reach. */
  inReach(): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    const conditions = { ...line.conditions, access: 'reachable' as const }
    const open = { ...limits, effort: this.effort }
    return new Problem({ ...line, conditions }, request, linesTogether, open, meeting)
  }

  /** The same line without the water in it, as far as what closes it goes. */
  dried(): Problem {
    const { line, request, linesTogether, limits, meeting } = this
    const conditions = { ...line.conditions, line: 'dry' as const }
    const dry = { ...meeting, wet: false }
    return new Problem(
      { ...line, conditions },
      request,
      linesTogether,
      { ...limits, effort: this.effort },
      dry,
    )
  }

  /** The parts of a group that could be the right one here. */
  choices(group: Group): readonly Choice[] {
    const withLengths = this.measures
    if (this.counted.size > 0 && group.parts.some((part) => this.counted.has(part)))
      return this.widerChoices(group, withLengths)
    if (!PLACED.has(group.role)) return this.book.choices(group, withLengths)
    const known = this.placed.get(group.id)
    if (known) return known
    const made = this.book.choose(group, withLengths, (part) => this.fitsThePlace(part, group))
    this.placed.set(group.id, made)
    return made
  }

  /** The same, with what else is aboard where the first runs out. */
  private widerChoices(group: Group, withLengths: boolean): readonly Choice[] {
    const known = this.wider.get(group.id)
    if (known) return known
    const most = this.linesTogether * (REPEATING.has(group.role) ? this.mostParts : 1)
    const fits = (part: Fitting) => !PLACED.has(group.role) || this.fitsThePlace(part, group)
    const made = this.book.choose(group, withLengths, fits, most)
    this.wider.set(group.id, made)
    return made
  }

  /** Connectors that reach and bibs long enough for the wall, not measured as long as is usual; stops of the shape asked for. */
  private fitsThePlace(part: Fitting, group: Group): boolean {
    const { reachMm, freezing, wallMm, stopShape } = this.conditions
    const { max: longMm = 0, usual: usualMm = 0 } = part.lengthMm ?? {}
    if (group.role === 'connector')
      return longMm >= (reachMm === null ? usualMm : reachMm + CONNECTOR_SLACK_MM)
    if (group.role === 'stop') return stopShape === 'either' || part.family === `${stopShape}-stop`
    if (part.family === 'hose-bib' && freezing) return false
    if (part.family === 'frost-free-bib')
      return longMm >= (wallMm == null ? usualMm : wallMm + SEAT_BEYOND_MM)
    // what comes apart, or is opened to be cleaned, is shut in nowhere
    if (part.opens !== undefined && this.shutIn) return false
    if (group.role === 'pan-connector') return panSuits(part, this.panPlace)
    if (BRANCHED.has(group.role)) return this.branchWanted(part)
    return true
  }

  /** What a pan connector has to make up: where pipe goes before it, not the way, and where all of that is new, no height. */
  private get panPlace(): Pick<Conditions, 'reachMm' | 'roughMm' | 'bowlMm'> {
    if (!this.route.led) return this.conditions
    return this.pipe ? { ...this.conditions, reachMm: 0 } : { reachMm: 0, roughMm: null, bowlMm: null }
  }

  private branchWanted(part: Fitting): boolean {
    const { branch = [], second } = this.line.cutIn ?? {}
    // a side that nobody asked for is one more hole in a drain
    if (secondSide(part) !== (second?.at ?? null)) return false
    return takes(part.ports[2], branch) && takes(part.ports[3], second?.ends ?? [])
  }

  /** What the first joint may be: into any part that has its place there, or straight into what the line ends at. */
  *firstJoints(start: Start): Generator<NumberedPair> {
    const at = this.network.classOf(start.port)
    const stage = this.beginStage(start)
    for (const group of this.network.follow(at)) if (this.after(stage, group) !== null) yield group.pair
    if (this.goalAt.includes(stage)) for (const goal of this.goals) yield* this.network.join(at, goal)
  }

  /**
   * Whether a joint can close the line to what is held: nothing has to turn for it, and no water come to it; before what
   * stands, if the old pipe gives as much as goes in, along that part of the line which leads there.
   */
  shutsOn(
    joint: Pick<Weighed, 'turns' | 'needsDry' | 'apart'>,
    beforeStop: boolean,
    turned: number,
  ): boolean {
    if (joint.turns || !this.dryAt(joint, beforeStop)) return false
    return this.gives === null || (turned === this.turn && joint.apart <= this.gives)
  }

  /** Whether what the line ends at stands, and nobody said that the old pipe gives. */
  get standsFast(): boolean {
    return this.gives === 0
  }

  /** Whether a part lets a line be closed to what is held, whatever its joints are: a union's nut, a hose. */
  yields({ family, role }: Pick<Group, 'family' | 'role'>): boolean {
    return hasUnionNut(family) || (this.gives !== null && role === 'connector')
  }

  /** How much the old pipe has to give for a joint that closes the line to what stands, mm; nothing elsewhere. */
  givesFor({ insLo }: Pick<Weighed, 'insLo'>): number {
    return this.gives === null ? 0 : insLo / PER_MM
  }

  /** Whether a joint can be made in its place, when all the others stand. */
  dryAt({ needsDry }: Pick<Weighed, 'needsDry'>, beforeStop: boolean): boolean {
    return !(this.wet && beforeStop && needsDry)
  }

  /** Whether what branches off has to be closed by a joint of its own that bears water. */
  get wetForBranches(): boolean {
    return this.wet && (this.pipe === null || this.begin.some(({ removal }) => removal.threadedEnd))
  }

  /** Every end that this line may leave open for another, or by its second side, whatever way is taken: O(groups). */
  branchEnds(second = false): BranchEnd[] {
    const classes = new Map<number, Pick<BranchEnd, 'pastStop' | 'hot'>>()
    for (const group of this.network.everyGroup()) {
      const opens = second ? group.secondClass : group.branchClass
      if (
        opens >= 0 &&
        this.route.stages.some((_, stage) => this.after(stage, group) !== null) &&
        this.choices(group).length > 0
      )
        classes.set(opens, {
          pastStop: group.role === 'dual-stop',
          hot:
            group.hotThrough &&
            (classes.get(opens)?.hot ?? true) &&
            [group.inClass, group.outClass].every((id) => this.network.ends[id]?.form === 'solder-cup'),
        })
    }
    return [...classes].map(([id, told]) => ({ end: this.network.ends[id] as PortEnd, ...told }))
  }

  /** The stage after a part, or null where it has no place here. */
  after(stage: number, group: Group): number | null {
    const key = group.id * MOST_STAGES + stage
    const known = this.stages[key] as number
    if (known !== -2) return known < 0 ? null : known
    const made = this.stageAfter(stage, group)
    this.stages[key] = made ?? -1
    return made
  }

  /**
   * What may be joined to an open end away from the old pipe: of all groups those that have a place here, whose joint is
   * allowed, that turn no further than is left and that do not undo how the line has grown, each with the stage that it
   * leads to. Gathered once, since most have none.
   *
   * @param trend whether the line has gone up a size (1), down one (-1), or neither
   * @param left degrees that it has still to turn
   */
  steps(openClass: number, stage: number, trend: number, left: number): readonly PlacedStep[] {
    const key = ((openClass * MOST_STAGES + stage) * 3 + trend + 1) * 8 + left / BEND_STEP
    const known = this.following.get(key)
    if (known) return known
    const made: PlacedStep[] = []
    for (const group of this.network.follow(openClass)) {
      // up a size and down again is never a way
      if (group.turn > left || (group.grows !== 0 && group.grows === -trend)) continue
      const next = this.after(stage, group)
      if (next === null) continue
      const joint = this.weigh(group.pair, null, stage < this.route.opensAt)
      if (joint.allowed) made.push({ group, stage: next, joint })
    }
    this.following.set(key, made)
    return made
  }

  private stageAfter(stage: number, group: Group): number | null {
    let { role } = group
    if (this.leadsOn && group.branchClass >= 0 && !this.leadsOn.has(group.branchClass)) return null
    if (this.secondLeadsOn && group.secondClass >= 0 && !this.secondLeadsOn.has(group.secondClass))
      return null
    if (role === 'dual-stop') {
      if (this.conditions.outlets !== 2) return null
      role = 'stop'
    } else if (role === 'stop' && this.conditions.outlets === 2) return null
    if (group.backward) return null
    const inPlace = stage < this.route.opensAt || this.route.id === 'flexible'
    if (this.shutIn && inPlace && hasUnionNut(group.family)) return null
    // a valve is turned one day: in the ground it has a box, in a wall it has nothing
    if (role === 'isolating' && this.conditions.access === 'closed-wall') return null
    // what closes a pipe is of its own size
    if (this.route.id !== 'cut-in' && closes(this.route.id) && group.grows !== 0) return null
    if (this.route.id === 'cap-drain' && !this.closesWell(group, stage)) return null
    // a hose to a heater stays in sight
    if (this.shutIn && this.route.id === 'flexible' && role === 'connector') return null
    // near a heater what is new is of metal
    if (this.route.id === 'flexible' && this.isOfPlastic(group)) return null
    // nothing of a drain is smaller downstream but the bend under a bowl, and that keeps the size that it had
    if (
      this.medium === 'drain' &&
      widens(this.network, group) &&
      !(role === 'elbow' && this.route.id === 'closet')
    )
      return null
    if (this.route.id === 'closet' && narrows(this.network, group)) return null
    if (role === 'flange-riser' && !this.isLow(stage)) return null
    // it moves the bowl where that has to be moved, and narrows the way nowhere else
    if (role === (this.isNear ? 'flange' : 'flange-aside')) return null
    // turned up where the drain comes out of the wall, straight on where it comes out of the floor
    if (role === (this.conditions.rises ? 'vent-tee' : 'vent-riser')) return null
    // out of the floor by a bend, out of the wall straight
    if (role === (this.conditions.rises ? 'pan-connector' : 'pan-bend')) return null
    // a standpipe is of two inches where the old drain is
    if (role === 'standpipe' && this.network.ends[group.inClass]?.nominal === '1-1/2' && this.wideDrain)
      return null
    // iron goes back into a run of its own kind; to a fixture goes plastic
    if (this.medium === 'drain' && role === 'tube' && !this.isIronRun && this.isOfIron(group)) return null
    // a thread of plastic goes into what stays; towards the trap goes cement, but any two ends have none
    const toTrap = this.medium === 'drain' && this.route.id !== 'any'
    if (toTrap && group.family === 'male-adapter' && this.leavesByThread(group)) return null
    // a drain of one plastic goes on in it
    if (this.isOfOtherPlastic(group)) return null
    // tube fills a gap and no more: where that is too near for plastic, only a hose is longer than its way
    if (role === 'tube' && this.tooNear) return null
    if (this.route.id === 'bib' && !this.bearsBib(role, group, stage)) return null
    return this.route.stages[stage]?.[role] ?? null
  }

  /** What lies open before a heater is less than old plastic has to keep away from it. */
  private get tooNear(): boolean {
    return (
      this.route.id === 'flexible' &&
      this.leastLong !== null &&
      this.span !== null &&
      this.span < this.leastLong
    )
  }

  /** The bowl would come too near the wall over the middle of its drain. */
  private get isNear(): boolean {
    return nearMm(this.conditions) > 0
  }

  private leavesByThread({ outClass }: Group): boolean {
    return this.network.ends[outClass]?.form === 'taper-male'
  }

  /** Plastic pipe takes its cap itself, with no coupling between; iron alone is closed by iron, right on its coupling. */
  private closesWell(group: Group, stage: number): boolean {
    const material = this.pipe?.material
    if (group.role === 'piece') return material === undefined || !DRAIN_PLASTICS.has(material)
    if (group.role !== 'closer' || !this.isOfIron(group)) return true
    return stage === 0 && material === 'cast-iron'
  }

  private get isIronRun(): boolean {
    return this.line.cutIn !== undefined && this.pipe?.system === 'hubless'
  }

  private isOfIron({ inClass }: Group): boolean {
    return this.network.ends[inClass]?.material === 'cast-iron'
  }

  /** Of a drain that begins in plastic, which one. */
  private get ownPlastic(): string | null {
    const { pipe } = this
    return this.medium === 'drain' && pipe && isPlastic(pipe.material) ? stuffOf(pipe) : null
  }

  /** Whether the old flange lies so low that one more ring is put on it: a seal makes up a little, one ring an inch. */
  private isLow(stage: number): boolean {
    const { flangeMm } = this.conditions
    return flangeMm != null && flangeMm < (stage < 3 ? -LOW_MM : -(LOW_MM + ONE_RING_MM))
  }

  /** What it drains into is of two inches or more: the old drain, or the side of a new branch. */
  private get wideDrain(): boolean {
    const ends = this.pipe ? [this.pipe] : this.begin.map(({ port }) => port)
    return ends.length > 0 && ends.every(({ nominal }) => nominalNumber(nominal) >= 2)
  }

  /** What of a drain decides which part may stand where. */
  private get drainFacts(): string {
    const trapped = this.conditions.trapped ?? false
    const vents = this.route.vents === true
    return [
      this.ownPlastic,
      this.wideDrain,
      trapped,
      vents,
      this.isLow(0),
      this.isLow(3),
      this.isIronRun,
      this.pipe?.material === 'cast-iron',
      this.isNear,
      this.conditions.rises ?? false,
      this.route.trapAt ?? '',
      this.route.led ?? false,
    ].join()
  }

  /** Pipe, or what is cemented, of another plastic than the old drain; of metric waste also of another outside. */
  private isOfOtherPlastic({ inClass, outClass }: Group): boolean {
    if (this.ownPlastic === null) return false
    return [inClass, outClass].some((of) => {
      const end = this.network.ends[of]
      return (
        end !== undefined &&
        CEMENTED.has(end.form) &&
        DRAIN_PLASTICS.has(end.material) &&
        stuffOf(end) !== this.ownPlastic
      )
    })
  }

  private isOfPlastic({ inClass, outClass }: Group): boolean {
    return [inClass, outClass].some((of) => of >= 0 && isPlastic(this.network.ends[of]?.material as string))
  }

  /**
   * A bib is turned, and a hose pulls at it: on plastic it has a flange of its own on the wall, or stands in an elbow
   * that is screwed to the framing; a metal pipe bears it as long as no plastic comes between.
   */
  private bearsBib(role: Role, group: Group, stage: number): boolean {
    const soft = this.pipe !== null && isPlastic(this.pipe.material)
    if (role === 'drop-ear') return soft
    if (!soft && this.isOfPlastic(group)) return false
    return group.family !== 'hose-bib' || !soft || stage > 0
  }

  /** What a joint costs and whether it may be made: on the stub, or anywhere further on. */
  weigh(pair: NumberedPair, start: Start | null, beforeStop: boolean): Weighed {
    const { pairId } = pair
    const stub = start && this.isStub(start) ? start : null
    // of a line that begins at no old pipe every beginning is alike
    const at = stub ? (stub === this.far ? 63 : this.begin.indexOf(stub)) : beforeStop ? 62 : 61
    const key = start ? pairId * 64 + at : pairId * 2 + (beforeStop ? 1 : 0)
    const known = start ? this.atStub.get(key) : this.inner[key]
    if (known) return known
    const made = this.weighAnew(pair, stub, beforeStop, start !== null)
    if (start) this.atStub.set(key, made)
    else this.inner[key] = made
    return made
  }

  private weighAnew(pair: Pair, stub: Start | null, beforeStop: boolean, begins: boolean): Weighed {
    const { method, tip, body } = pair
    const engagement = pairEngagement(pair)
    const standing = this.book.standing(method)
    const { seconds, spared, closeSeconds } = this.book.hands(pair, stub !== null, this.conditions.airC)
    const [branch] = this.line.cutIn?.branch ?? []
    const verdict = judge({
      method,
      tip,
      body,
      start: stub,
      begins,
      beforeStop,
      route: this.route.id === 'cut-in' ? 'direct' : this.route.id,
      old: this.pipe !== null,
      run: this.line.cutIn ? (this.pipe?.material ?? null) : null,
      // one shape, whatever is said: the rules are asked of thousands
      insert: this.line.cutIn?.insert,
      branch: branch?.nominal,
      second: this.line.cutIn?.second?.at,
      headOn: this.meeting.headOn ?? false,
      out: this.line.cutIn?.outMm != null,
      own: this.own,
      needsStubMm: stub ? this.stubNeedMm(pair) : 0,
      conditions: this.conditions,
      settings: this.settings,
    })
    return {
      allowed: verdict.forbidden.length === 0,
      forbidden: verdict.forbidden,
      remarks: verdict.remarks,
      cents:
        standing.priceCents +
        labourCents(seconds, this.settings) +
        riskCents(verdict.riskPerMille, this.settings),
      priceCents: standing.priceCents,
      seconds,
      riskPerMille: verdict.riskPerMille,
      bit: standing.bit,
      tools: this.book.toolMask(toolsOn(method.tools, tip.material)),
      // a drain keeps no water off
      closeSeconds: this.medium === 'drain' ? 0 : closeSeconds,
      spared: {
        seconds: spared,
        cents: labourCents(seconds, this.settings) - labourCents(seconds - spared, this.settings),
      },
      need: stub ? Math.round(this.stubNeedMm(pair) * PER_MM) : 0,
      insLo: Math.round(engagement.minMm * PER_MM),
      insHi: Math.round(engagement.maxMm * PER_MM),
      ...closingOf(pair),
    }
  }

  /** Bare stub the first joint needs: full insertion, what nut or ring takes, and the wall plate, mm. */
  stubNeedMm(pair: {
    readonly method: NumberedPair['method']
    readonly tip: PortEnd
    readonly body: PortEnd
  }): number {
    // fins go into the pipe, however little of it stands out
    if (pair.tip.form === 'pipe-fins') return 0
    const { fixed, perOd } = pair.method.stubExtraMm
    const engagement = pairEngagement(pair)
    const insertion = pair.method.id === 'threaded' ? engagement.minMm : engagement.maxMm
    // in a run the rubber is rolled back over the old end, and its shield waits behind it
    const folded = this.line.cutIn && pair.method.folds ? insertion : 0
    return insertion + folded + fixed + perOd * pair.tip.diameterMm + this.conditions.plateMm
  }

  /** The whole cost from its parts: what is paid once is added here. */
  total(additive: number, mask: number, trip: boolean): number {
    return additive + this.book.setUp(mask).cents + (trip ? this.book.tripCents : 0)
  }

  /**
   * Where the end of the stub may come to lie along the span: cut back as far as its first joint allows, or as it is.
   * A thread is not cut back.
   */
  stubReach(start: Start, need: number): readonly [number, number] {
    if (this.span === null) return [0, 0]
    if (start.atMm !== undefined) {
      if (start.atMm === null) return [-ANY_LENGTH, ANY_LENGTH]
      const top = this.span + Math.round(start.atMm * PER_MM)
      return [top, top]
    }
    if (this.fromFloor) {
      const topMm = this.conditions.flangeMm ?? 0
      if (start.removal.endsAt === 'flange')
        return [Math.round(Math.min(0, topMm) * PER_MM), Math.round(topMm * PER_MM)]
      return [-ANY_LENGTH, Math.round((topMm - OLD_FLANGE_HUB_MM) * PER_MM)]
    }
    // nobody has measured where the rim of a hub that stays lies from the wall
    if (this.route.trapAt !== undefined && HUBS.has(start.removal.keeps ?? '')) return [0, ANY_LENGTH]
    if (!this.isStub(start)) return [0, 0]
    if (start.usableMm === null) return this.fromEnd ? [-ANY_LENGTH, 0] : [need, ANY_LENGTH]
    const usable = Math.round(start.usableMm * PER_MM)
    if (start.whole) return [usable, usable]
    const least = start.removal.threadedEnd ? usable : Math.min(need, usable)
    return this.fromEnd ? [least - usable, 0] : [least, usable]
  }

  /**
   * How long the old pipe is left, mm: as its removal leaves it, or cut back so that what goes on it, fully home and with
   * its pieces at their shortest, ends where the span does. Null where that is not known.
   *
   * @param restLo least length of what goes on it up to there, hundredths of a millimetre
   * @param gives something of that has no length of its own: a piece that is cut, a hose
   */
  leavesMm(start: Start, restLo: number, gives: boolean): number | null {
    const { usableMm } = start
    if (!this.isStub(start) || this.fromFloor) return usableMm
    if (this.fitsInPlace(gives)) return null
    if (this.span === null) return usableMm
    const most = (this.span - restLo) / PER_MM
    // counted from where the pipe ends now
    if (this.fromEnd) return usableMm === null ? null : Math.min(usableMm, usableMm + most)
    if (usableMm === null) return gives ? null : most
    // elsewhere a piece is cut to what is left
    return gives && this.route.trapAt === undefined ? usableMm : Math.min(usableMm, most)
  }

  /**
   * Whether a line to what stands has nothing in it that takes up a difference, and nobody measured how far it goes: where
   * its old pipe ends is found by holding it there.
   *
   * @param gives something of it has no length of its own: a piece that is cut, a hose
   */
  fitsInPlace(gives: boolean): boolean {
    return this.gives !== null && this.fromEnd && this.span === null && this.turn === 0 && !gives
  }

  /** Whether the place is closed for good, so that nothing may stand in it that is ever to be touched again. */
  get shutIn(): boolean {
    return this.conditions.access !== 'reachable'
  }

  /** Whether the lengths of parts count here. */
  get measures(): boolean {
    return this.span !== null || this.leastLong !== null || this.leastLegs !== null
  }

  /**
   * A length that no joint to come can make too short any more, hundredths of a millimetre: where a chain may be as long
   * as it likes, those that reach so far are alike. Infinite where none is.
   */
  get enough(): number {
    const least = Math.max(this.leastLong ?? 0, ...(this.leastLegs ?? []))
    if (this.span !== null || least === 0) return Number.POSITIVE_INFINITY
    return least + (this.mostParts + 1) * MOST_INSERTED_MM * PER_MM
  }

  /** How far the run can be drawn apart at a joint before its corner, or behind it, hundredths of a millimetre. */
  springAt(turned: number): number {
    return this.springsMm[turned === 0 ? 0 : 1] * PER_MM
  }

  /** Whether a part is the trap in whose middle the span ends. */
  endsSpan(stage: number, { role }: Pick<Group, 'role'>): boolean {
    return this.span !== null && stage < this.spanEnds && role === 'p-trap'
  }

  /** Whether a chain's length interval fills the span, or what has to come out of the run, or of its last leg. */
  fills(lo: number, hi: number): boolean {
    if (this.leastLong !== null && hi < this.leastLong) return false
    if (this.leastLegs !== null && hi < this.leastLegs[1]) return false
    return this.span === null || (lo <= this.span && hi >= this.span)
  }
}

/** A step that has a place in the line: the stage that it leads to, and what its joint comes to. */
export interface PlacedStep {
  readonly group: Step
  readonly stage: number
  readonly joint: Weighed
}

/** What decides whether a joint can close a line, whatever the place: whether it turns, wants to be dry, how far it goes in. */
export function closingOf(pair: Pair): Pick<Weighed, 'turns' | 'needsDry' | 'apart'> {
  const { seal, needsDry, folds } = pair.method
  const turns = seal === 'thread-seal'
  // a thread is turned home, not let back in
  const apart = turns ? Number.POSITIVE_INFINITY : Math.round(pairEngagement(pair).minMm * PER_MM)
  return { turns, needsDry, apart: folds ? 0 : apart }
}

/** What two ends carry that are joined whatever they are for: waste where it is said, or where the end is of a drain. */
function mediumBetween({ to, conditions }: LineRequest): Medium {
  if (conditions.service === 'waste') return 'drain'
  const ends = to?.route === 'any' ? to.ends : []
  return ends.length > 0 && ends.every((ref) => endOf(ref).medium === 'drain') ? 'drain' : 'supply'
}

/** Ends of drain fittings that cement goes on, and what they are of. */
const CEMENTED: ReadonlySet<string> = new Set(['tube', 'drain-socket', 'pipe-inside', 'spigot'])
const DRAIN_PLASTICS: ReadonlySet<string> = new Set([
  'pvc-drain',
  'abs-drain',
  'waste-solvent',
  'waste-push-fit',
])
const stuffOf = ({ material, system }: Pick<PortEnd, 'material' | 'system'>) => `${material} ${system}`
/** What of the old joint is used again as the new line's first socket. */
const HUBS: ReadonlySet<string> = new Set(['hub', 'socket', 'thread'])
/** What a thick seal makes up for under the floor, and the thickest ring that is stacked, mm. */
const LOW_MM = 6.35
const ONE_RING_MM = 25.4

/** What may stand in a line more than once. */
const REPEATING: ReadonlySet<Role> = new Set(['flange-riser', 'piece', 'tube', 'elbow', 'slip', 'union'])

/** Roles whose side begins another line. */
const BRANCHED: ReadonlySet<Role> = new Set(['tee', 'sanitary-tee', 'wye'])

/** Whether a side is one of those that were asked for; any where none were. */
const takes = (port: PortEnd | undefined, wanted: readonly EndRef[]): boolean =>
  wanted.length === 0 ||
  wanted.some((ref) => ref.form === port?.form && ref.system === port.system && ref.nominal === port.nominal)
/** No joint takes more of a length than this, mm. */
export const MOST_INSERTED_MM = 100
/** Roles whose parts depend on the place: length, shape, wall, side. */
const PLACED: ReadonlySet<Role> = new Set([
  ...(['connector', 'stop', 'dual-stop', 'bib', 'protected-bib', 'pan-connector', 'p-trap'] as const),
  ...BRANCHED,
])

/** Everything that decides a joint away from the stub, besides the shop's numbers. */
function farFacts(
  route: Route,
  conditions: Conditions,
  run: PipeMaterial | null,
  own: ReadonlySet<string> | null,
  old: boolean,
): string {
  const { service, access, sunlight, nearHeater, airC, slow, unvented, trapped, flangeMm, oldTrap } =
    conditions
  const stuffs = own && [...own].sort()
  const wall = [conditions.roughMm ?? null, conditions.bowlMm ?? null, conditions.rises ?? false]
  const ground = conditions.slabMm ?? null
  const floor = [
    slow ?? false,
    unvented ?? false,
    trapped ?? false,
    flangeMm == null,
    oldTrap,
    ground,
    ...wall,
  ]
  return JSON.stringify([
    ...[route.id, service, access, sunlight ?? false, nearHeater, airC ?? null, run, stuffs, old],
    ...floor,
  ])
}

/** Everything of the place that decides which parts of a group will do. */
function placeFacts(conditions: Conditions): readonly unknown[] {
  const { access, reachMm, freezing, wallMm, stopShape, outlets, roughMm, bowlMm } = conditions
  const heights = [roughMm ?? null, bowlMm ?? null]
  return [reachMm, freezing ?? false, wallMm ?? null, stopShape, outlets ?? 1, access, ...heights]
}

/** Whether what lies upstream of a part is smaller than what lies downstream. */
function narrows(network: Network, { inClass, outClass, role, ...rest }: Group): boolean {
  return outClass >= 0 && widens(network, { ...rest, role, inClass: outClass, outClass: inClass })
}

/** Whether what lies upstream of a part is larger than what lies downstream, by the names of its ends. */
function widens(network: Network, { inClass, outClass, role }: Group): boolean {
  // a flange, or what goes round its spigot, is called by the bowl's outlet, whatever pipe it sits on
  if (outClass < 0 || role.startsWith('flange') || role.startsWith('pan-')) return false
  const [down, up] = [network.ends[inClass], network.ends[outClass]] as const
  return nominalNumber(up?.nominal ?? '') > nominalNumber(down?.nominal ?? '')
}

function endOf({ form, system, nominal, material }: EndRef): PortEnd {
  return end(form, system, nominal, material)
}

/** The end of a run that is cut through: plain, whatever the pipe. */
function runEnd(pipe: Pipe): PortEnd {
  return end('tube', pipe.system, pipe.nominal, pipe.material)
}

function cutStart(opened: Removal, port: PortEnd, pipe: Pipe, bareMm: number | null, lostMm: number): Start {
  return {
    removal: { ...opened, tools: toolsOn(opened.tools, pipe.material) },
    port,
    usableMm: bareMm === null ? null : bareMm - lostMm,
    marks: new Set(),
    ...(pipe.temper === 'soft' ? { soft: true } : {}),
    forbidden: [],
  }
}
