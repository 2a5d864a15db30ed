// A mating as an integer programme, built straight from the catalogue and the rule tables: a flow through layers of
// open ends. Shares tables with the product, and no search, no network and no cost code.

import {
  CATALOG,
  type Conditions,
  CRITERIA,
  type Criteria,
  type EndRef,
  end,
  type Fitting,
  type LineRequest,
  type MateSettings,
  METHODS,
  type Method,
  nominalNumber,
  type PortEnd,
  pipeById,
  RULES,
  STARTING_SETTINGS,
  threadEngagement,
  tubeEngagement,
} from '@diarmos/core'
import { withBowlOff, withTrapEmptied } from '../../packages/core/src/assembly/oldJoints/besides'
import { CUT_OPEN, openingOf } from '../../packages/core/src/assembly/oldJoints/removals'
import { freshStart, keptStart, type Start, starts } from '../../packages/core/src/assembly/oldJoints/start'
import { turnOf } from '../../packages/core/src/catalog/types'
import { partCents } from '../../packages/core/src/mate/costs/costs'
import { leastLegsMm, springsMm, turnOfCut } from '../../packages/core/src/mate/model/cutIn'
import { cutInRoute, roleOf, routeById } from '../../packages/core/src/mate/model/routes'
import { ruleIn, stuffsOf } from '../../packages/core/src/mate/rules/rules'
import { hasNut, heatOf, placeOf, speaksOf } from '../../packages/core/src/mate/test/bruteForce'
import {
  heatsThrough,
  INSERTED,
  jointCloses,
  jointHands,
  jointTools,
  nutDrawn,
  removalHands,
  secondCup,
  toolsBought,
} from '../../packages/core/src/mate/test/hands'
import { PLACE } from './place'

interface Joint {
  readonly method: Method
  readonly tip: PortEnd
  readonly body: PortEnd
}

export interface Edge {
  readonly name: string
  readonly layer: number
  readonly from: string
  readonly to: string
  /** How the way is told: method and family, or the removal. */
  readonly token: string
  readonly method: string | null
  /** A tool is lacking. */
  readonly trip: boolean
  /** The part that it takes a piece of. */
  readonly part: string | null
  /** What it does to each body where lines meet, by name. */
  readonly heat: readonly (readonly [body: string, does: 'heats' | 'spoilt'])[]
  /** The end that its part leaves open for another line; for the first edges of one that begins at a branch, that end. */
  readonly branch: string | null
  /** The second end that its part leaves open, where it has one. */
  readonly second?: string | null
  readonly cents: number
  readonly price: number
  readonly seconds: number
  readonly risk: number
  readonly joints: number
  readonly notAboard: number
  readonly waterOff: number
  /** The same at the other end of a run: of the two the longer counts, since one waits while the other is made. */
  readonly waterOffFar: number
  readonly lo: number
  readonly hi: number
  /** Of the first joint on an end that is made shorter: what that is longer as it is. */
  readonly spare?: number
  /** Of that what lies behind a corner, where each leg counts by itself. */
  readonly hiFar: number
  /** What kind of end it leads to. */
  readonly shows: string
  /** Removals after which the same joint could be made on the stub itself. */
  readonly needless: readonly string[]
}

export interface Programme {
  readonly line: LineRequest
  readonly edges: readonly Edge[]
  readonly settings: MateSettings
  readonly span: number | null
  /** It ends at a trap, so that circles are none. */
  readonly toTrap: boolean
  /** Beginnings that are made shorter: only where what is behind another part would not go on them as they are. */
  readonly shortened: readonly string[]
  /** What has to come out of a run at least. */
  readonly leastOut: number | null
  readonly leastLegs: readonly number[] | null
}

/** More than any length, hundredths of a millimetre. */
const MUCH = 10_000_000

const CLASSES = new WeakMap<PortEnd, string>()
function classOf(port: PortEnd): string {
  const known = CLASSES.get(port)
  if (known !== undefined) return known
  const made = `${port.form}/${port.system}/${port.nominal}/${port.material}`
  CLASSES.set(port, made)
  return made
}
const rounded = (mm: number) => Math.round(mm * 100)

/** What joins two classes of ends: asked of every part of every catalogue, and of all the same. */
const JOINTS = new Map<string, readonly Joint[]>()
const NONE: readonly Joint[] = []
function jointsOf(a: PortEnd, b: PortEnd): readonly Joint[] {
  if (a.nominal !== b.nominal) return NONE
  const key = `${classOf(a)} ${a.medium} ${classOf(b)} ${b.medium}`
  const known = JOINTS.get(key) ?? joined(a, b)
  JOINTS.set(key, known)
  return known
}
function joined(a: PortEnd, b: PortEnd): Joint[] {
  return METHODS.flatMap((method) =>
    method.pairings.flatMap((pairing) =>
      [
        { method, tip: a, body: b },
        { method, tip: b, body: a },
      ].filter(
        ({ tip, body }) =>
          tip.form === pairing.tip &&
          body.form === pairing.body &&
          (body.medium === 'drain') === (method.medium === 'drain') &&
          (pairing.systems
            ? pairing.systems[0] === tip.system && pairing.systems[1] === body.system
            : tip.system === body.system) &&
          (!pairing.materials || pairing.materials.includes(tip.material)) &&
          (!pairing.bodies || pairing.bodies.includes(body.material)),
      ),
    ),
  )
}

/** Ends of a catalogue that an end can be joined to: of every question the same. */
type Neighbour = { readonly fitting: Fitting; readonly index: number; readonly joint: Joint }
const NEAR = new WeakMap<readonly Fitting[], Map<string, readonly Neighbour[]>>()

const PLACES: readonly Conditions[] = [
  PLACE,
  { ...PLACE, service: 'hot', access: 'buried', nearHeater: true, sunlight: true },
]
const CODES = ['IPC', 'EN'] as const
const kinds = new Map<string, string>()

/**
 * What an end is as far as anything can tell: its shape and size, and what every end of the catalogue makes of it, in
 * two places and under two codes. Of this a circle is made, not of the name of the metal.
 */
/** Marks what a chain shows after something in it can be closed. */
const LOOSE = '~'

function kindOf(end: PortEnd): string {
  const key = classOf(end)
  const known = kinds.get(key)
  if (known !== undefined) return known
  const others = new Map(CATALOG.flatMap(({ ports }) => ports.map((port) => [classOf(port), port] as const)))
  const told = [...others].flatMap(([other, port]) =>
    jointsOf(end, port).map((joint) => {
      const verdicts = PLACES.flatMap((conditions) =>
        CODES.map((codeProfile) =>
          RULES.filter((rule) =>
            rule.bites({
              ...joint,
              start: null,
              begins: false,
              beforeStop: true,
              route: 'spout',
              run: 'copper',
              own: new Set(['copper']),
              needsStubMm: 0,
              conditions,
              settings: { ...STARTING_SETTINGS, codeProfile },
            }),
          ).map(({ id }) => id),
        ),
      )
      return `${other}:${joint.method.id}:${joint.tip === end}:${JSON.stringify(verdicts)}`
    }),
  )
  const made = `${end.form}/${end.system}/${end.nominal}#${told.join()}`
  kinds.set(key, made)
  return made
}

function insertion({ method, tip, body }: Joint): readonly [number, number] {
  const own = method.reachMm?.[body.form]
  if (own) return own
  if (['pipe-inside', 'bore-gasket', 'twist-in', 'pipe-fins'].includes(tip.form)) {
    const made = tubeEngagement(tip.form as 'twist-in', tip.system as 'IPS', tip.nominal)
    return [made?.minMm ?? 0, made?.maxMm ?? 0]
  }
  if (body.form === 'swivel-nut') return [6, 8]
  if (body.form === 'taper-female') {
    const made = threadEngagement(body.system as 'NPT', body.nominal)
    return [made?.minMm ?? 0, made?.maxMm ?? 0]
  }
  const form =
    body.form === 'pb-barb' ? 'insert-barb' : body.form === 'compression-outlet' ? 'compression' : body.form
  const system = body.form === 'compression-outlet' ? tip.system : body.system
  const made = tubeEngagement(form as 'push-fit', system as 'CTS', body.nominal)
  return [made?.minMm ?? 0, made?.maxMm ?? 0]
}

/** Between the mouths or tips of a part's run, mm. */
function lengthOf({ ports }: Fitting): number {
  // what stands aside of its way in is no longer for that
  return ports.slice(0, 2).reduce((sum, { pose: { origin, axis } }) => {
    return sum + Math.abs(origin[0] * axis[0] + origin[1] * axis[1])
  }, 0)
}

/** What a line branches off. */
interface Trunk {
  /** It cannot be dried, and begins with a joint that is screwed. */
  readonly wetTrunk?: boolean
  /** Another line comes in right opposite. */
  readonly headOn?: boolean
  /** Ends that its side was asked to have; any that a part leaves open where none were. */
  readonly opens?: readonly EndRef[]
}

/** How tees with a second side are called by where it stands. */
const besideOf = (cutIn: LineRequest['cutIn']) =>
  cutIn?.second ? (cutIn.second.at === 'opposite' ? 'double' : cutIn.second.at) : 'none'

/** Builds the programme of one line over a catalogue. */
export function programmeOf(
  line: LineRequest,
  settings: MateSettings,
  catalogue: readonly Fitting[],
  mostParts: number,
  { wetTrunk = false, headOn = false, opens = [] }: Trunk = {},
): Programme {
  const { conditions } = line
  const pipe = line.pipeId ? pipeById(line.pipeId) : undefined
  const { to, cutIn } = line
  const route = cutIn
    ? cutInRoute(cutIn.insert, conditions.service === 'waste' ? 'drain' : 'supply')
    : routeById(to?.route ?? 'any', conditions, pipe?.material)
  const routeId = route.id === 'cut-in' ? 'direct' : route.id
  const made = ({ form, system, nominal, material }: EndRef) => end(form, system, nominal, material)
  const softPipe = /^(pex|cpvc|pvc|abs|poly|waste)/.test(pipe?.material ?? '')
  const fromEnd = conditions.spanMm == null && route.id === 'flexible'
  // trade: the flange that is there is measured against the floor, whatever lies beneath it
  const bends = route.id === 'closet' && conditions.oldJoint !== 'flange' && Boolean(conditions.turn)
  const fromFloor =
    route.id === 'closet' && !bends && conditions.spanMm == null && conditions.flangeMm != null
  const gap = bends ? null : ((fromFloor ? 0 : fromEnd ? conditions.reachMm : conditions.spanMm) ?? null)
  // trade: a trap stands under the drain, and what rises from it is no longer for that
  const { trapAt = Number.POSITIVE_INFINITY } = route
  const counts = route.medium !== 'drain' || /^(closet|any)$/.test(route.id) || route.trapAt !== undefined
  const span = gap === null || !counts ? null : rounded(gap)
  const fitted =
    route.trapAt !== undefined ||
    (span !== null && !fromEnd && route.medium !== 'drain' && conditions.service !== 'waste')
  const corner = cutIn?.insert === 'corner'
  const leastMm = route.id === 'flexible' && softPipe ? 18 * 25.4 : corner ? null : cutIn?.outMm
  const leastOut = leastMm == null ? null : rounded(leastMm)
  const legs = cutIn && pipe ? leastLegsMm(pipe, cutIn) : null
  const leastLegs = legs?.map(rounded) ?? null
  const noLength = span === null && leastOut === null && leastLegs === null
  const run = cutIn && pipe ? end('tube', pipe.system, pipe.nominal, pipe.material) : null
  // trade: marks go with what comes out; where nothing has to, the cut is made an inch past them
  const spoilt =
    conditions.scored ||
    conditions.outOfRound ||
    conditions.faults.some((fault) => ['ring-mark', 'tooth-marks', 'solder-on', 'bent'].includes(fault))
  const lost = spoilt && cutIn?.outMm == null ? 25 : 0
  const bare = (mm: number | null | undefined) => (mm == null ? null : mm - lost)
  const cut = (usableMm: number | null): Start | null =>
    run && {
      removal: INSERTED.includes(run.material)
        ? { ...CUT_OPEN, tools: ['plastic-cutter'] }
        : withTrapEmptied(openingOf(pipe?.material ?? 'copper', route.medium ?? 'supply'), conditions),
      port: run,
      usableMm,
      marks: new Set(),
      ...(pipe?.temper === 'soft' ? { soft: true } : {}),
      forbidden: [],
    }
  const far = cut(bare(cutIn?.farMm))
  // what another line may leave open: any third end of the catalogue
  const open =
    line.branchOf === undefined
      ? []
      : [
          ...new Map(
            catalogue.flatMap(({ family, ports }) =>
              ports
                .slice(2)
                .filter(({ nominal }) => opens.length === 0 || opens.some((end) => end.nominal === nominal))
                .map((port) => [classOf(port), { port, family }] as const),
            ),
          ).values(),
        ]
  const begin: readonly Start[] = run
    ? [cut(bare(conditions.stubMm)) as Start]
    : pipe
      ? starts(pipe, conditions, fitted)
          .filter(
            ({ forbidden, removal }) =>
              // trade: a tee goes in where the nut was
              forbidden.length === 0 && !(route.vents && removal.keeps?.startsWith('nut')),
          )
          // trade: a bowl is off before its pipe is touched
          .map((start) => (route.id === 'pan' ? withBowlOff(start) : start))
      : line.branchOf !== undefined
        ? open.map(({ port }) => freshStart(port))
        : (line.from?.ends ?? []).map((ref) =>
            line.kept ? keptStart(made(ref), conditions) : freshStart(made(ref)),
          )
  // trade: what hangs on a stub in sight turns nowhere
  const led = to?.kind === 'waste.pan' && !pipe
  const stiff =
    route.medium === 'drain' && !bends && !led && !/^waste\.(shower|tub|standpipe|box)/.test(to?.kind ?? '')
  const turn = cutIn ? turnOfCut(cutIn.insert, conditions.turn) : stiff ? 0 : (conditions.turn ?? 0)
  const stuffs = stuffsOf(line, pipe ?? null)
  // before a corner, and behind it
  const springs = (pipe && cutIn ? springsMm(pipe, cutIn, turn) : [0, 0]).map(rounded)
  const springAt = (stage: number) => springs[turn > 0 && stage > 0 ? 1 : 0] as number
  const fromBody = line.branchOf === undefined ? line.from?.bodyId : `tee of ${line.branchOf}`
  const does = (joint: Joint, ...bodies: readonly (string | undefined)[]): Edge['heat'] => {
    const heat = heatOf(joint)
    return heat === null ? [] : bodies.flatMap((body) => (body === undefined ? [] : [[body, heat] as const]))
  }
  const labour = (seconds: number) => Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
  const risk = (perMille: number) => Math.ceil((perMille * settings.callBackCents) / 1000)
  const missing = (tools: readonly string[]) =>
    tools.some((tool) => !settings.toolsAboard.includes(tool as 'torch'))
  const edges: Edge[] = []
  const rolls = ({ method }: Joint) => ['shielded-coupling', 'flexible-coupling'].includes(method.id)
  const needs = (joint: Joint) => {
    const [min, max] = insertion(joint)
    // trade: fins go inside, be the pipe flush with its wall
    if (joint.tip.form === 'pipe-fins') return 0
    const { fixed, perOd } = joint.method.stubExtraMm
    // trade: rubber that is rolled back lies over as much again, its shield behind it
    const back = cutIn && rolls(joint) ? max : 0
    return (
      (joint.method.id === 'threaded' ? min : max) +
      back +
      fixed +
      perOd * joint.tip.diameterMm +
      conditions.plateMm
    )
  }
  const told = RULES.map((rule) => ({ rule, severity: ruleIn(rule, settings).severity })).filter(
    ({ severity }) => severity !== 'off',
  )
  const judged = new Map<string, { perMille: number; price: number; seconds: number } | null>()
  const judge = (joint: Joint, start: Start | null, beforeStop: boolean, begins: boolean) => {
    const stub = start && start.removal.id !== 'new-end' ? start : null
    const key = [
      joint.method.id,
      classOf(joint.tip),
      classOf(joint.body),
      stub?.removal.id,
      stub?.usableMm,
      beforeStop,
      begins,
    ].join()
    const known = judged.get(key)
    if (known !== undefined) return known
    let perMille = joint.method.riskPerMille
    let made: { perMille: number; price: number; seconds: number } | null = null
    const context = {
      ...joint,
      start: stub,
      begins,
      beforeStop,
      old: pipe !== undefined,
      route: routeId,
      run: cutIn && pipe ? pipe.material : null,
      ...(cutIn ? { insert: cutIn.insert } : {}),
      ...(cutIn?.branch?.[0] ? { branch: cutIn.branch[0].nominal } : {}),
      ...(cutIn?.second ? { second: cutIn.second.at } : {}),
      headOn,
      out: cutIn?.outMm != null,
      own: stuffs,
      needsStubMm: stub ? needs(joint) : 0,
      conditions,
      settings,
    }
    const forbidden = told.some(({ rule, severity }) => {
      if (!speaksOf(rule, joint.method)) return false
      const bites = rule.bites(context)
      if (bites && severity !== 'forbid') perMille += rule.riskPerMille ?? 0
      return bites !== null && severity === 'forbid'
    })
    if (!forbidden) {
      const { threadSeal } = settings.houseRules
      const spared =
        joint.method.id !== 'threaded'
          ? ''
          : { tape: 'thread-paste', paste: 'ptfe-tape', 'tape-then-paste': '' }[threadSeal]
      const price = joint.method.consumables
        .filter(({ id }) => id !== spared)
        .reduce((sum, { id, quantity }) => sum + (settings.consumableCents[id] ?? 0) * quantity, 0)
      made = {
        perMille,
        price,
        seconds: jointHands(joint.method, joint.tip.material, stub !== null, settings),
      }
    }
    judged.set(key, made)
    return made
  }
  const waterOff = (joint: Joint) => jointCloses(joint.method, joint.tip.material, joint.body.nominal)
  const near = NEAR.get(catalogue) ?? new Map<string, readonly Neighbour[]>()
  NEAR.set(catalogue, near)
  const neighbours = (open: PortEnd) => {
    const key = classOf(open)
    const known =
      near.get(key) ??
      catalogue.flatMap((fitting) =>
        fitting.ports
          .slice(0, 2)
          .flatMap((port, index) => jointsOf(open, port).map((joint) => ({ fitting, index, joint }))),
      )
    near.set(key, known)
    return known
  }

  interface Node {
    readonly id: string
    readonly open: PortEnd
    readonly stage: number
    /** Degrees that the line has turned by. */
    readonly turned: number
    /** Set in the first layer. */
    readonly start: Start | null
    /** Whether a run can be closed by now, and what was put in last. */
    readonly closing: 'no' | 'sliding' | 'yes'
    readonly last: Fitting | null
    /** Whether that was soldered on, and is hot all through. */
    readonly hot: boolean
    /** Whether the line has gone up a size, or down one. */
    readonly trend: number
    readonly undoes: string
  }
  /** Trade: a screwed joint is turned home; nothing that is sprung aside and let back in turns. */
  const letIn = (joint: Joint) =>
    rolls(joint)
      ? 0
      : joint.method.id === 'threaded'
        ? Number.POSITIVE_INFINITY
        : rounded(insertion(joint)[0])
  /** A run closes by what can be pushed on and drawn back, by a union, or by a joint that springing gives room for. */
  const parks = (fitting: Fitting, on: Start | null) =>
    on !== null && (on.usableMm === null || on.usableMm >= lengthOf(fitting) + 3)
  const slides = ({ family }: Fitting) => ['slip-coupling', 'repair-coupling', 'slip-tee'].includes(family)
  // an end with a nut or a cup of its own closes itself
  // trade: in a drain water comes from above alone
  const wet = route.medium !== 'drain' && (line.pipeId === undefined ? wetTrunk : conditions.line !== 'dry')
  const held = to?.held === true && (wet || to.ends.some(({ form }) => form.startsWith('taper')))
  // trade: in a line that trickles a flame or cement is for the bench, and what is made in place bears water
  const inPlace = (node: Node, { method }: Joint) =>
    !(wet && node.stage < route.opensAt && /^(sweat|cement)/.test(method.id))
  // trade: a heater stands; a pipe before it is lifted as far as somebody lifted it, and a hose bends to both its ends
  const stands = held && route.id === 'flexible'
  const lets = (node: Node, joint: Joint) =>
    inPlace(node, joint) &&
    joint.method.id !== 'threaded' &&
    (!stands ||
      (node.turned === turn && rounded(insertion(joint)[0]) <= rounded(line.conditions.givesMm ?? 0)))
  const closingAfter = (node: Node, fitting: Fitting, joint: Joint): Node['closing'] => {
    if (node.closing === 'yes') return 'yes'
    const dry = inPlace(node, joint)
    if (!cutIn)
      return held && (hasNut(fitting) || (stands && roleOf(fitting) === 'connector') || lets(node, joint))
        ? 'yes'
        : node.closing
    const spring = springAt(node.stage)
    if (dry && letIn(joint) <= spring) return 'yes'
    if (dry && node.closing === 'sliding' && fitting.family === 'tube-piece') return 'yes'
    if (fitting.family === 'union' && spring >= 200) return 'yes'
    if (!dry || !slides(fitting)) return 'no'
    if (node.start && parks(fitting, node.start)) return 'yes'
    return node.last?.family === 'tube-piece' ? 'yes' : 'sliding'
  }
  const closes = (node: Node, joint: Joint) =>
    (!cutIn && (!held || lets(node, joint))) ||
    node.closing === 'yes' ||
    letIn(joint) <= springAt(node.stage) ||
    (node.closing === 'sliding' && node.last !== null && parks(node.last, far))
  /** The most that an edge reaches on either side of a corner: the elbow's own halves, what else is on one side. */
  const reaches = (
    fitting: Fitting,
    index: number,
    { hi, hiFar, stage }: { hi: number; hiFar: number; stage: number },
    most: number,
  ) => {
    if (noLength) return { hi, hiFar }
    if (!corner) return { hi: hi + most, hiFar }
    const half = (at: number) => rounded(Math.hypot(...(fitting.ports[at]?.pose.origin ?? [0])))
    if (turnOf(fitting.family) > 0) return { hi: hi + half(index), hiFar: half(1 - index) }
    return stage > 0 ? { hi, hiFar: hiFar + most } : { hi: hi + most, hiFar }
  }
  let layer = new Map<string, Node>()
  begin.forEach((start, index) => {
    const id = `L0:${index}`
    const taking = ['sweat-off', 'unscrew-pull-ring', 'release'].includes(start.removal.id)
    const disliked =
      settings.houseRules.oldStop === 'cut-behind' ? taking : start.removal.id.includes('cut-behind')
    const perMille = disliked ? 10 : 0
    edges.push({
      name: `s${index}`,
      layer: -1,
      from: 'source',
      to: id,
      token: start.removal.id,
      method: null,
      part: null,
      heat: [],
      branch: line.branchOf === undefined ? null : classOf(start.port),
      trip: missing(start.removal.tools),
      cents: labour(removalHands(start.removal)) + risk(perMille),
      price: 0,
      seconds: removalHands(start.removal),
      risk: perMille,
      joints: 0,
      notAboard: 0,
      waterOff: removalHands(start.removal),
      waterOffFar: removalHands(start.removal),
      lo: 0,
      hi: 0,
      hiFar: 0,
      shows: `${kindOf(start.port)}@${open[index]?.family === 'dual-stop' ? route.opensAt : 0}`,
      needless: [],
    })
    const { keeps } = start.removal
    const further = open[index]?.family === 'dual-stop' || (keeps && !/^(hub|socket|thread)$/.test(keeps))
    const stage = further ? route.opensAt : 0
    layer.set(id, {
      id,
      open: start.port,
      stage,
      turned: 0,
      start,
      closing: 'no',
      last: null,
      // trade: a tee with a cup for its branch has cups all round
      hot: open[index]?.port.form === 'solder-cup',
      trend: 0,
      undoes: '',
    })
  })
  for (let depth = 0; depth <= mostParts; depth++) {
    const next = new Map<string, Node>()
    for (const node of layer.values()) {
      const beforeStop = node.stage < route.opensAt
      const stub =
        node.start && node.start.removal.id !== 'new-end' && !node.start.removal.keeps ? node.start : null
      // what stays of the old joint is no stub that anything is done to
      const atEnd = node.start?.removal.keeps && node.start.removal.keeps !== 'stop' ? null : node.start
      const reach = (joint: Joint): readonly [number, number] => {
        const flange = conditions.flangeMm ?? null
        if (span !== null && node.start?.removal.keeps?.startsWith('flange'))
          return flange === null
            ? [-100_000_000, 100_000_000]
            : [span + rounded(flange), span + rounded(flange)]
        // trade: lead is picked, and the iron is not cut
        if (span !== null && node.start?.removal.id === 'flange-off-iron' && fromFloor)
          return [rounded(Math.min(0, flange ?? 0)), rounded(flange ?? 0)]
        if (span !== null && node.start && fromFloor) return [-100_000_000, rounded((flange ?? 0) - 50.8)]
        // trade: nobody has measured where the rim of a hub that stays lies from the wall
        if (
          span !== null &&
          route.trapAt !== undefined &&
          /^(hub|socket|thread)$/.test(node.start?.removal.keeps ?? '')
        )
          return [0, 100_000_000]
        if (span === null || !stub) return [0, 0]
        if (stub.usableMm === null) return fromEnd ? [-100_000_000, 0] : [rounded(needs(joint)), 100_000_000]
        const usable = rounded(stub.usableMm)
        if (stub.whole) return [usable, usable]
        const least = stub.removal.threadedEnd ? usable : Math.min(rounded(needs(joint)), usable)
        return fromEnd ? [least - usable, 0] : [least, usable]
      }
      const common = (
        joint: Joint,
        made: { perMille: number; price: number; seconds: number },
        onOld: boolean,
      ) => {
        const spared = node.hot ? secondCup(joint.method, joint.tip.material, onOld, settings) : 0
        const [min, max] = insertion(joint)
        const [lo, hi] = reach(joint)
        return {
          layer: depth,
          from: node.id,
          method: joint.method.id,
          seconds: made.seconds - spared,
          cents: made.price + labour(made.seconds - spared) + risk(made.perMille),
          risk: made.perMille,
          joints: 1,
          waterOff: stub ? waterOff(joint) : 0,
          waterOffFar: 0,
          lo: node.stage >= trapAt ? 0 : lo - rounded(max),
          hi: node.stage >= trapAt || (corner && node.stage > 0) ? 0 : hi - rounded(min),
          ...(node.start?.wholeMm != null ? { spare: rounded(node.start.wholeMm) - lo } : {}),
          hiFar: corner && node.stage > 0 ? hi - rounded(min) : 0,
          needless:
            depth === 0 || node.stage > 0 || node.turned > 0 || node.closing === 'yes'
              ? []
              : begin.flatMap((start, index) =>
                  kindOf(start.port) === kindOf(node.open) && judge(joint, start, beforeStop, true)
                    ? [`s${index}`]
                    : [],
                ),
        }
      }
      const first = node.start ? fromBody : undefined
      const atTee = (fitting: Fitting | null) =>
        fitting && ['tee', 'slip-tee'].includes(fitting.family) ? `tee of ${line.lineId}` : undefined
      if (route.goalAt.includes(node.stage) && node.turned === turn)
        for (const goal of run ? [run] : (to?.ends ?? []).map(made))
          for (const joint of jointsOf(node.open, goal)) {
            const ends = far && !node.start ? far : node.start
            const made = judge(joint, ends === node.start ? atEnd : ends, beforeStop, ends !== null)
            if (!made || !closes(node, joint) || (run && node.start)) continue
            // trade: nobody leaves a length that is not known where nothing makes it up
            if (fitted && route.trapAt === undefined && node.start?.whole && node.start.usableMm === null)
              continue
            edges.push({
              ...common(joint, made, ends !== null && ends.removal.id !== 'new-end'),
              ...(far && ends === far
                ? {
                    waterOff: 0,
                    waterOffFar:
                      waterOff(joint) -
                      (node.hot ? secondCup(joint.method, joint.tip.material, true, settings) : 0),
                  }
                : {}),
              heat: does(joint, first, atTee(node.last), to?.bodyId),
              part: null,
              branch: null,
              name: `e${edges.length}`,
              to: 'sink',
              token: joint.method.id,
              trip: missing(jointTools(joint.method, joint.tip.material)),
              price: made.price,
              notAboard: 0,
              shows: '',
              needless: [],
            })
          }
      if (depth === mostParts) continue
      // trade: behind a band round two pipes of one kind lies the run's other side
      if (cutIn && route.medium === 'drain' && depth > 1 && node.last && bandsTwo(node.last)) continue
      for (const { fitting, index, joint } of neighbours(node.open)) {
        const turned = node.turned + turnOf(fitting.family)
        if (turned > turn) continue
        // the side takes what was asked for
        const side = fitting.ports[2]
        // of the size that comes in, and of an end that its pipe goes into: iron has plain ends, plastic hubs
        const takes = ({ form, system, nominal }: EndRef) =>
          nominal === side?.nominal && form === side.form && system === side.system
        if (side && cutIn?.branch && !cutIn.branch.some(takes)) continue
        // trade: a hole more in a drain is none that anybody asked for
        const [, beside = 'none'] = /^tee\.(double|left|right)\./.exec(fitting.id) ?? []
        if (side && beside !== besideOf(cutIn)) continue
        if (cutIn?.second && side && fitting.ports[3]?.nominal !== cutIn.second.ends[0]?.nominal) continue
        const size = Math.min(
          ...(pipe ? [pipe.nominal] : begin.map(({ port }) => port.nominal)).map(nominalNumber),
        )
        const onStub = node.start !== null
        const placed = placeOf(
          fitting,
          index,
          node,
          route,
          conditions,
          softPipe,
          pipe,
          size,
          onStub || cutIn !== undefined,
        )
        if (!placed) continue
        const { stage, trend, undoes } = placed
        const open = fitting.ports[1 - index]
        const made = judge(joint, atEnd, beforeStop, node.start !== null)
        if (!made) continue
        const price = partCents(fitting, settings)
        const closing = closingAfter(node, fitting, joint)
        const shared = common(joint, made, stub !== null)
        const hot = joint.method.id === 'sweat' && heatsThrough(fitting)
        const drawn = nutDrawn(fitting)
        const bends = fitting.family === 'tube-piece' || roleOf(fitting) === 'connector'
        const length = lengthOf(fitting)
        const ends = stage === route.endsAt
        const trap = span !== null && fitting.family === 'p-trap' && node.stage < trapAt
        // trade: nobody saws at a length that is not known, nor leaves one that has to be
        if (trap && node.start?.whole && node.start.usableMm === null) continue
        const past = span !== null && node.stage >= trapAt
        const near = rounded(Math.hypot(...(fitting.ports[index]?.pose.origin ?? [0])))
        if (ends && turned !== turn) continue
        // what may close the run is remembered, and what slides until it has something to wait on
        const waits = cutIn || held ? `:${closing}:${cutIn && closing !== 'yes' ? fitting.id : ''}` : ''
        const tee = atTee(fitting) ? ':tee' : ''
        const to = ends
          ? 'sink'
          : `L${depth + 1}:${classOf(open as PortEnd)}:${stage}${waits}${tee}${trend}${undoes}${hot ? ':hot' : ''}:${turned}`
        edges.push({
          ...shared,
          name: `e${edges.length}`,
          to,
          token: `${joint.method.id}>${fitting.family}`,
          trip: missing(jointTools(joint.method, joint.tip.material)),
          part: fitting.id,
          heat: does(joint, first, atTee(node.last), atTee(fitting)),
          branch: fitting.ports[2] ? classOf(fitting.ports[2]) : null,
          second: fitting.ports[3] ? classOf(fitting.ports[3]) : null,
          seconds: shared.seconds + drawn,
          cents: shared.cents + labour(drawn) + price,
          price: made.price + price,
          notAboard: 0,
          lo:
            shared.lo +
            (noLength || past
              ? 0
              : trap
                ? near
                : rounded(bends ? (fitting.lengthMm?.min ?? length) : length)),
          ...reaches(
            fitting,
            index,
            { ...shared, stage: node.stage },
            past ? 0 : trap ? near : rounded(bends ? (fitting.lengthMm?.max ?? length) : length),
          ),
          // what has since gained something to close by is no circle
          // nor is what comes behind a bend
          shows: open
            ? `${kindOf(open)}@${stage}${turned > 0 ? `/${turned}` : ''}${closing === 'yes' ? LOOSE : ''}`
            : '',
        })
        if (!ends)
          next.set(to, {
            id: to,
            open: open as PortEnd,
            stage,
            turned,
            start: null,
            closing,
            last: fitting,
            hot,
            trend,
            undoes,
          })
      }
    }
    layer = next
  }
  // what leads nowhere is left out
  const alive = new Set(['sink'])
  for (let more = true; more; ) {
    more = false
    for (const edge of edges)
      if (alive.has(edge.to) && !alive.has(edge.from)) {
        alive.add(edge.from)
        more = true
      }
  }
  return {
    line,
    edges: edges.filter((edge) => alive.has(edge.to)),
    settings,
    span,
    toTrap: route.trapAt !== undefined,
    shortened: begin.flatMap((start, index) =>
      start.wholeMm === undefined ? [] : [start.wholeMm === null ? `?s${index}` : `s${index}`],
    ),
    leastOut,
    leastLegs,
  }
}

const bandsTwo = ({ ports }: Fitting) =>
  ports.length === 2 && BANDS.test(ports[0]?.form ?? '') && ports[0]?.system === ports[1]?.system
const BANDS = /^(shielded|flexible)$/

const COLUMN: Readonly<Record<Exclude<keyof Criteria, 'waterOffSeconds'>, keyof Edge>> = {
  priceCents: 'price',
  seconds: 'seconds',
  joints: 'joints',
  riskPerMille: 'risk',
  notAboard: 'notAboard',
}

export interface Wish {
  /** What is made least: the whole cost, or one criterion. */
  readonly least: 'total' | keyof Criteria
  /** Most of each criterion. */
  readonly most?: Partial<Criteria>
  readonly mostTotal?: number
  /** Ways that are already known, as their tokens, one list a way; only for a single line. */
  readonly not?: readonly (readonly string[])[]
  /** Edges, with the number of their line, that are not all taken together. */
  readonly notEdges?: readonly (readonly string[])[]
}

/** The programme in the LP format, for one line or several that share set-up, cans and the trip. */
export function toLp(programmes: readonly Programme[], wish: Wish): string {
  const { settings } = programmes[0] as Programme
  const labour = (seconds: number) => Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
  const rows: string[] = []
  const binaries = new Set<string>(['t'])
  const terms: Record<string, string[]> = { total: [] }
  for (const criterion of CRITERIA) terms[criterion] = []
  const add = (row: string, amount: number, name: string) => {
    if (amount !== 0) terms[row]?.push(`${amount < 0 ? '-' : '+'} ${Math.abs(amount)} ${name}`)
  }
  const used = new Set<string>()
  const pieces = new Map<string, string[]>()
  const bodies = new Map<string, { heats: string[]; spoilt: string[] }>()
  programmes.forEach(({ edges, span, toTrap, shortened, leastOut, leastLegs, line }, index) => {
    const mostLayers = Math.max(...edges.map((edge) => edge.layer))
    const name = (edge: Edge) => `${edge.name}_${index}`
    const sum = (chosen: readonly Edge[]) => chosen.map(name).join(' + ')
    const into = new Map<string, Edge[]>()
    const out = new Map<string, Edge[]>()
    for (const edge of edges) {
      binaries.add(name(edge))
      into.set(edge.to, [...(into.get(edge.to) ?? []), edge])
      out.set(edge.from, [...(out.get(edge.from) ?? []), edge])
      add('total', edge.cents, name(edge))
      if (edge.part) pieces.set(edge.part, [...(pieces.get(edge.part) ?? []), name(edge)])
      for (const [body, does] of edge.heat) {
        const known = bodies.get(body) ?? { heats: [], spoilt: [] }
        known[does].push(name(edge))
        bodies.set(body, known)
      }
      for (const criterion of CRITERIA)
        if (criterion !== 'waterOffSeconds') add(criterion, edge[COLUMN[criterion]] as number, name(edge))
      if (edge.method) used.add(edge.method)
    }
    if (wish.least === 'waterOffSeconds' || wish.most?.waterOffSeconds !== undefined) {
      // no less than at either end
      for (const end of ['waterOff', 'waterOffFar'] as const) {
        const terms = edges.flatMap((edge) => (edge[end] === 0 ? [] : [` - ${edge[end]} ${name(edge)}`]))
        rows.push(`off_${index}${terms.join('')} >= 0`)
      }
      add('waterOffSeconds', 1, `off_${index}`)
    }
    rows.push(`${sum(into.get('sink') ?? [])} = 1`, `${sum(out.get('source') ?? [])} = 1`)
    for (const [node, edgesIn] of into) {
      if (node === 'sink') continue
      const leaving = out.get(node) ?? []
      rows.push(`${sum(edgesIn)}${leaving.map((edge) => ` - ${name(edge)}`).join('')} = 0`)
    }
    // what is opened, and the trip, once for all lines: layer by layer, since each is passed once
    const perLayer = (wanted: (edge: Edge) => boolean, variable: string) => {
      const layers = new Map<number, Edge[]>()
      for (const edge of edges)
        if (wanted(edge)) layers.set(edge.layer, [...(layers.get(edge.layer) ?? []), edge])
      for (const chosen of layers.values()) rows.push(`${sum(chosen)} - ${variable} <= 0`)
    }
    perLayer((edge) => edge.trip, 't')
    for (const { id } of METHODS) perLayer((edge) => edge.method === id, `m_${id.replaceAll('-', '_')}`)
    // a line begins at what its trunk leaves open
    const trunk = programmes.findIndex((other) => other.line.lineId === line.branchOf)
    if (line.branchOf !== undefined)
      for (const start of edges.filter((edge) => edge.layer < 0)) {
        const left = (programmes[trunk]?.edges ?? []).filter(
          (edge) => edge.layer >= 0 && (line.second ? edge.second : edge.branch) === start.branch,
        )
        rows.push(`${name(start)}${left.map((edge) => ` - ${edge.name}_${trunk}`).join('')} = 0`)
      }
    const part = (column: 'lo' | 'hi' | 'hiFar') =>
      edges
        .filter((edge) => edge[column] !== 0)
        .map((edge) => `${edge[column] < 0 ? '-' : '+'} ${Math.abs(edge[column])} ${name(edge)}`)
        .join(' ')
    // between old plastic and a heater
    if (!line.cutIn && leastOut !== null) rows.push(`${part('hi')} >= ${leastOut}`)
    if (line.cutIn) {
      // between fixed ends circles can be needed; what goes in fills what has to come out
      const hi = part('hi')
      if (leastOut !== null && hi) rows.push(`${hi} >= ${leastOut}`)
      // round a corner, each leg what has to come out of it
      if (leastLegs !== null && hi) {
        rows.push(`${hi} >= ${leastLegs[0]}`)
        if (part('hiFar')) rows.push(`${part('hiFar')} >= ${leastLegs[1]}`)
      }
    } else if (span === null || toTrap) {
      // going round in a circle is no way; coming back to the stub's own end only where the stub will not do
      const shown = new Map<string, Edge[]>()
      for (const edge of edges)
        if (edge.shows && edge.layer >= 0) shown.set(edge.shows, [...(shown.get(edge.shows) ?? []), edge])
      for (const [kind, chosen] of shown) {
        if (new Set(chosen.map((edge) => edge.layer)).size === 1) continue
        const own = edges.filter((edge) => edge.layer < 0 && edge.shows === kind.replace(LOOSE, ''))
        rows.push(`${sum(chosen)}${own.map((edge) => ` - ${mostLayers} ${name(edge)}`).join('')} <= 1`)
      }
      for (const edge of edges)
        for (const start of edge.needless) rows.push(`${name(edge)} + ${start}_${index} <= 1`)
    }
    if (!line.cutIn && span !== null) {
      const [lo, hi] = [part('lo'), part('hi')]
      if (lo) rows.push(`${lo} <= ${span}`)
      if (hi) rows.push(`${hi} >= ${span}`)
      const beyond = edges.filter(
        ({ part: id, layer }) => layer > 0 && (!toTrap || id?.startsWith('p-trap.')),
      )
      for (const start of shortened) {
        const unknown = start.startsWith('?')
        const begins = edges.find((edge) => edge.name === (unknown ? start.slice(1) : start))
        if (!begins) continue
        // nobody knows where to saw for what is not right on it
        if (unknown) {
          for (const edge of beyond) rows.push(`${name(edge)} + ${name(begins)} <= 1`)
          continue
        }
        // as long as it is, the same would not go in
        const spare = edges
          .filter((edge) => edge.from === begins.to && edge.spare)
          .map((edge) => `+ ${edge.spare} ${name(edge)}`)
        rows.push(`${lo} ${spare.join(' ')} - ${MUCH} ${name(begins)} >= ${span + 1 - MUCH}`)
      }
    }
    for (const way of wish.not ?? []) {
      // a longer one that begins alike is another
      const matching = edges.filter(
        ({ token, layer, to }) => token === way[layer + 1] && (layer + 1 < way.length - 1 || to === 'sink'),
      )
      rows.push(`${sum(matching)} <= ${way.length - 1}`)
    }
  })
  for (const edges of wish.notEdges ?? []) rows.push(`${edges.join(' + ')} <= ${edges.length - 1}`)
  for (const { id, setUpSeconds, opens = [], tools } of METHODS) {
    if (!used.has(id)) continue
    const variable = `m_${id.replaceAll('-', '_')}`
    binaries.add(variable)
    const cans = opens.reduce(
      (all, { id: can, quantity }) => all + (settings.consumableCents[can] ?? 0) * quantity,
      toolsBought({ tools }, settings),
    )
    add('total', labour(setUpSeconds) + cans, variable)
    add('priceCents', cans, variable)
    add('seconds', setUpSeconds, variable)
  }
  add('total', labour(settings.tripMinutes * 60), 't')
  // pieces of a part: what is aboard, and beyond that the trip
  const most = 6 * programmes.length
  ;[...pieces].forEach(([part, names], at) => {
    const stock = settings.partsAboard[part] ?? 0
    if (stock >= most) return
    if (wish.least === 'notAboard' || wish.most?.notAboard !== undefined) {
      rows.push(`${names.join(' + ')} - n${at} <= ${stock}`, `n${at} - ${most} t <= 0`)
      add('notAboard', 1, `n${at}`)
    } else if (stock === 0) for (const one of names) rows.push(`${one} - t <= 0`)
    else rows.push(`${names.join(' + ')} - ${most} t <= ${stock}`)
  })
  // a body that is soldered and joined to what heat would spoil cools between
  ;[...bodies.values()].forEach(({ heats, spoilt }, at) => {
    if (programmes.length === 1 || heats.length === 0 || spoilt.length === 0) return
    for (const one of heats) for (const other of spoilt) if (one !== other) binaries.add(`w${at}`)
    if (!binaries.has(`w${at}`)) return
    for (const [names, flag] of [
      [heats, `h${at}`],
      [spoilt, `p${at}`],
    ] as const) {
      binaries.add(flag)
      for (const one of names) rows.push(`${one} - ${flag} <= 0`)
    }
    rows.push(`h${at} + p${at} - w${at} <= 1`)
    add('total', labour(600), `w${at}`)
  })
  const bound = (row: string, most: number) => {
    const sum = terms[row] ?? []
    if (sum.length > 0) rows.push(`${sum.join(' ')} <= ${most}`)
  }
  for (const [criterion, most] of Object.entries(wish.most ?? {})) bound(criterion, most)
  if (wish.mostTotal !== undefined) bound('total', wish.mostTotal)
  const objective = terms[wish.least]?.join(' ') || '0 t'
  return `Minimize\n obj: ${objective}\nSubject To\n${rows.map((row, at) => ` c${at}: ${row.replace(/^\+ /, '')}`).join('\n')}\nBinary\n ${[...binaries].join('\n ')}\nEnd\n`
}
