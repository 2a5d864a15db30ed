import type { Conditions, EndRef } from '../../assembly'
import { METHODS, type Method } from '../../assembly/methods/table'
import { withBowlOff } from '../../assembly/oldJoints/besides'
import { freshStart, keptStart, type Start, starts } from '../../assembly/oldJoints/start'
import { CATALOG, end, type Fitting, type PortEnd, turnOf } from '../../catalog'
import { boreEighths } from '../../catalog/bores'
import { nominalNumber, type Pipe, pipeById, threadEngagement, tubeEngagement } from '../../reference'
import { partCents } from '../costs/costs'
import { cutInRoute, type Route, roleOf, routeById } from '../model/routes'
import { RULES, ruleIn, stuffsOf } from '../rules/rules'
import type { Criteria, LineRequest, MateSettings } from '../types'
import {
  heatsThrough,
  jointCloses,
  jointHands,
  jointTools,
  nutDrawn,
  removalHands,
  secondCup,
  toolsBought,
} from './hands'

/**
 * All chains by plain depth-first enumeration over the raw tables, priced by the formula of docs/cost-model.md
 * written out anew. Shares the tables and the rules with the product, no network, no search and no cost code.
 */
export interface Chain {
  readonly way: string
  readonly parts: readonly string[]
  readonly additive: number
  readonly methods: ReadonlySet<string>
  readonly trip: boolean
  readonly total: number
  readonly criteria: Criteria
  /** What is done to the body at its beginning, and to the one at its end. */
  readonly heat: readonly [HeatAt, HeatAt]
  /** The end that it leaves open for another line. */
  readonly branch: PortEnd | null
}

type HeatAt = 'heats' | 'spoilt' | null

/** Trade: flame against what is rubber, taped or plastic; written anew. */
export function heatOf({ method, tip, body }: Joint): HeatAt {
  if (method.id === 'sweat') return 'heats'
  const rubberOrTape = ['threaded', 'push-fit', 'press', 'gasket', 'slip-on', 'swivel', 'worm-clips']
  const plastic = /pex|cpvc|pvc|poly|plastic|abs|rubber|acetal/
  return rubberOrTape.includes(method.id) || plastic.test(tip.material) || plastic.test(body.material)
    ? 'spoilt'
    : null
}

interface Options {
  readonly catalogue?: readonly Fitting[]
  readonly mostParts: number
  /** The line begins at the outlet of a stop. */
  readonly pastStop?: boolean
  /** It begins at the branch of a tee that is soldered. */
  readonly hotStart?: boolean
  /** It branches off a line that cannot be dried, and that begins with a joint which is screwed. */
  readonly wetTrunk?: boolean
}

interface Joint {
  readonly method: Method
  readonly tip: PortEnd
  readonly body: PortEnd
}

const sameClass = (a: PortEnd, b: PortEnd) =>
  a.form === b.form && a.system === b.system && a.nominal === b.nominal && a.material === b.material

function jointsOf(a: PortEnd, b: PortEnd): Joint[] {
  if (a.nominal !== b.nominal) return []
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
          tip.nominal === body.nominal &&
          (!pairing.materials || pairing.materials.includes(tip.material)) &&
          (!pairing.bodies || pairing.bodies.includes(body.material)),
      ),
    ),
  )
}

/** Whether a rule speaks of what a joint carries. */
export function speaksOf(rule: { readonly medium?: string }, method: Pick<Method, 'medium'>): boolean {
  return rule.medium === 'both' || (rule.medium ?? 'supply') === (method.medium ?? 'supply')
}

function insertion({ method, tip, body }: Joint): readonly [number, number] {
  if (body.form === 'swivel-nut') return [6, 8]
  const own = method.reachMm?.[body.form]
  if (own) return own
  const inside = ['pipe-inside', 'bore-gasket', 'twist-in', 'pipe-fins'].includes(tip.form)
  const held = inside && tubeEngagement(tip.form as 'twist-in', tip.system as 'IPS', tip.nominal)
  if (held) return [held.minMm, held.maxMm]
  const found =
    body.form === 'taper-female'
      ? threadEngagement(body.system as 'NPT', body.nominal)
      : tubeEngagement(
          body.form === 'pb-barb'
            ? 'insert-barb'
            : body.form === 'compression-outlet'
              ? 'compression'
              : (body.form as 'push-fit'),
          (body.form === 'compression-outlet' ? tip.system : body.system) as 'CTS',
          body.nominal,
        )
  if (!found) throw new Error(`no make-up for ${method.id}`)
  return [found.minMm, found.maxMm]
}

type Neighbour = { readonly fitting: Fitting; readonly index: number; readonly joint: Joint }
const NEAR = new WeakMap<readonly Fitting[], Map<string, readonly Neighbour[]>>()

/** Every run end of the raw catalogue that an end can be joined to. */
function neighbours(catalogue: readonly Fitting[], open: PortEnd): readonly Neighbour[] {
  return catalogue.flatMap((fitting) =>
    fitting.ports
      .slice(0, 2)
      .flatMap((port, index) => jointsOf(open, port).map((joint) => ({ fitting, index, joint }))),
  )
}

/** Whether what follows a part is larger (1) or smaller (-1) than what comes before it. */
export function growth(fitting: Fitting, index: number): number {
  const piping = !/stop|valve|bib|breaker|connector|trap|extension|flange|standpipe/.test(
    fitting.family.replace('isolating-valve', 'isolating'),
  )
  const [near, far] = [fitting.ports[index], fitting.ports[1 - index]]
  if (!piping || !near || !far) return 0
  const sizes = [boreEighths(near), boreEighths(far)] as const
  return sizes[0] === null || sizes[1] === null ? 0 : Math.sign(sizes[1] - sizes[0])
}

/** Trade: of an adapter, the look of one of its ends; two of them that come to a coupling cancel. */
export function shapeOf(fitting: Fitting, index: number): string {
  const port = fitting.ports[index]
  const adapter =
    /adapter|reduc|bushing|converter|transition|threaded-coupling/.test(fitting.family) &&
    !/hose|trap/.test(fitting.family)
  return adapter && port ? `${port.form} ${port.system} ${port.nominal}` : ''
}

/** Trade: what is drawn together by a nut. */
export const hasNut = ({ family }: Fitting) => ['union', 'dielectric-union'].includes(family)

/** Trade: what a shop hangs there unseen, by the thread of what it feeds: fill valve, heater, faucet, what is drawn out. */
function unseenMm({ ports }: Fitting): number {
  const has = (system: string, nominal: string, times = 1) =>
    ports.filter((port) => port.system === system && port.nominal === nominal).length >= times
  if (ports.some(({ system }) => system === 'FV')) return 12 * 25.4
  if (has('NPS', '3/4', 2)) return 18 * 25.4
  if (ports.some(({ system }) => system === 'NPS')) return 20 * 25.4
  if (has('BSPP', '3/4', 2)) return 1500
  return ports.some(({ system }) => system === 'BSPP') ? 300 : 60 * 25.4
}

/** Neither metal nor the rubber of a seat. */
const isPlastic = (material: string) => /^(pex|cpvc|pvc|abs|poly|waste|tubular-plastic)/.test(material)

/** What of a chain decides where its next part may stand. */
export interface Standing {
  readonly stage: number
  /** Whether the line has gone up a size (1), or down one (-1). */
  readonly trend: number
  /** What the adapter before it looks like on its near side. */
  readonly undoes: string
}

/**
 * Where a chain stands after one more part, or null where that part has no place there: its role, the shape, reach and
 * length that are asked for, and what no plumber would sign. Written from the routes and the trade alone.
 */
export function placeOf(
  fitting: Fitting,
  index: number,
  { stage: at, trend, undoes }: Standing,
  route: Route,
  conditions: Conditions,
  /** The old pipe is of plastic. */
  softPipe: boolean,
  /** What it is of. */
  old?: Pick<Pipe, 'material' | 'system'>,
  /** Its size, inches. */
  oldSize = 0,
  isFirst = true,
): Standing | null {
  const role = roleOf(fitting)
  const eitherWay = ['piece', 'tube', 'elbow', 'union', 'slip', 'isolating', 'tee', 'closer'].includes(role)
  if ((!eitherWay && index !== 0) || fitting.standing) return null
  if (role === 'dual-stop' ? conditions.outlets !== 2 : role === 'stop' && conditions.outlets === 2)
    return null
  const stage = route.stages[at]?.[role === 'dual-stop' ? 'stop' : role]
  if (stage === undefined || (fitting.ports.length === 1 && stage !== route.endsAt)) return null
  if (route.medium === 'drain') {
    const size = (port: number) => nominalNumber(fitting.ports[port]?.nominal ?? '')
    const [down, up] = [size(index), size(1 - index)]
    // trade: what begins in PVC goes on in PVC, in ABS in ABS
    const glued = fitting.ports.some(({ form }) => /^(tube|drain-socket|pipe-inside|spigot)$/.test(form))
    const other = { 'pvc-drain': 'abs-drain', 'abs-drain': 'pvc-drain' }[old?.material as string]
    if (glued && fitting.material === other) return null
    // trade: metric waste goes on in pipe of its own make and diameter
    const wastes = fitting.ports.filter(
      ({ form, material }) => form === 'tube' && material.startsWith('waste'),
    )
    if (
      old &&
      softPipe &&
      wastes.some(({ material, system }) => material !== old.material || system !== old.system)
    )
      return null
    // trade: iron goes back into a run of iron; to a fixture goes plastic
    const ironRun = route.id === 'cut-in' && old?.system === 'hubless'
    if (!ironRun && role === 'tube' && fitting.material === 'cast-iron') return null
    // trade: nobody cements a thread on to screw a trap's adapter over it
    if (fitting.family === 'male-adapter' && fitting.ports[1 - index]?.form === 'taper-male') return null
    // trade: nothing smaller downstream but a closet bend; a flange is called by the bowl
    const closetBend = route.id === 'closet' && fitting.name.includes('closet bend')
    if (!/flange|^pan-/.test(fitting.family) && !closetBend && up > down) return null
    // trade: a toilet's riser keeps the size that is there
    if (route.id === 'closet' && !fitting.family.includes('flange') && up < down) return null
    // trade: a trap with a nut or a plug in it stays in reach
    if (/\.(union|cleanout)\.\d/.test(fitting.id) && role === 'p-trap' && conditions.access !== 'reachable')
      return null
    if (role === 'standpipe' && down < 2 && oldSize >= 2) return null
    // trade: rings on a low flange alone, a second one where the thickest does not do
    const flange = conditions.flangeMm
    if (role === 'flange-riser' && !(flange != null && flange < (at < 3 ? -6.35 : -31.75))) return null
    // trade: out of the wall a bend turns up to the tee, out of the floor the tee stands on the stub itself
    if (fitting.family.startsWith('vent') && fitting.family.endsWith('riser') !== (conditions.rises === true))
      return null
    // trade: a flange that stands aside is for a bowl that would come too near its wall, and that takes no other
    const { bowlMm, roughMm } = conditions
    const near = bowlMm != null && roughMm != null && bowlMm - roughMm > 6
    if (fitting.family === 'closet-flange' && fitting.name.includes('offset') !== near) return null
    // trade: out of the floor a bowl's connector turns, out of the wall it is as far aside as heights differ
    if (fitting.family === 'pan-bend' && !conditions.rises) return null
    if (fitting.family === 'pan-connector') {
      if (conditions.rises) return null
      // trade: new pipe is led to the height that is wanted
      const aside = !old || bowlMm == null || roughMm == null ? 0 : Math.abs(bowlMm - roughMm)
      const made = Number(/offset (\d+) mm/.exec(fitting.name)?.[1] ?? 0)
      if (made !== (aside <= 5 ? 0 : aside <= 25 ? 20 : aside <= 45 ? 40 : -1)) return null
      const gap = conditions.reachMm
      // trade: pipe that is led to a bowl ends where a short one reaches it, and is led where none does from the old
      if (route.led) {
        if (/cut to length/.test(fitting.name)) return null
        if (old && !(gap !== null && gap > (made > 0 ? 60 : 400))) return null
      } else if (gap !== null && (/cut to length/.test(fitting.name) ? gap < 60 || gap > 400 : gap > 60))
        return null
    }
    // trade: a cap goes on plastic itself, in its own size; a blind plug of iron is clamped to iron
    if (route.id === 'cap-drain') {
      if (growth(fitting, index) !== 0) return null
      if (role === 'piece' && /^(pvc|abs)-drain$|^waste-/.test(old?.material ?? '')) return null
      if (/hubless iron/.test(fitting.name) && role === 'closer' && (at > 0 || old?.material !== 'cast-iron'))
        return null
    }
    // trade: a band round two pipes of a kind is for the old end
    const bands =
      fitting.ports.length === 2 && fitting.ports.every(({ form }) => /shielded|flexible/.test(form))
    if (bands && fitting.ports[0]?.system === fitting.ports[1]?.system && !isFirst) return null
  }
  const inPlace = stage < route.opensAt || route.id === 'flexible'
  // trade: nobody walls a valve in
  if (role === 'isolating' && conditions.access === 'closed-wall') return null
  // trade: in a place that closes nothing is ever touched again, and no hose is shut in
  if (conditions.access !== 'reachable') {
    if (inPlace && hasNut(fitting)) return null
    if (route.id === 'flexible' && role === 'connector') return null
  }
  // trade: near a heater what is new is of metal
  if (route.id === 'flexible' && fitting.ports.some(({ material }) => isPlastic(material))) return null
  const gap = conditions.turn ? null : (conditions.spanMm ?? conditions.reachMm)
  if (route.id === 'flexible' && softPipe && role === 'tube' && gap !== null && gap < 18 * 25.4) return null
  // trade: a bib is pulled at; on plastic it wants its own flange, or an elbow screwed to the framing
  if (route.id === 'bib') {
    if (role === 'drop-ear' && !softPipe) return null
    if (!softPipe && fitting.ports.some(({ material }) => isPlastic(material))) return null
    if (fitting.family === 'hose-bib' && softPipe && at === 0) return null
  }
  // trade: up a size and down again, or down and up, is never right; stops and hoses are sized by the fixture
  const grows = growth(fitting, index)
  if (grows !== 0 && (grows === -trend || route.id === 'cap')) return null
  if (undoes !== '' && undoes === shapeOf(fitting, 1 - index)) return null
  const { stopShape, reachMm, freezing, wallMm } = conditions
  const long = fitting.lengthMm?.max ?? 0
  if (role === 'stop' && stopShape !== 'either' && fitting.family !== `${stopShape}-stop`) return null
  // an inch to spare; not measured, what a shop hangs there unseen
  if (role === 'connector' && long < (reachMm === null ? unseenMm(fitting) : reachMm + 25.4)) return null
  if (fitting.family === 'hose-bib' && freezing) return null
  if (fitting.family === 'frost-free-bib' && long < (wallMm == null ? 8 * 25.4 : wallMm + 25.4)) return null
  return { stage, trend: trend || grows, undoes: shapeOf(fitting, index) }
}

export function bruteForce(line: LineRequest, settings: MateSettings, options: Options): Chain[] {
  const { catalogue = CATALOG, mostParts, pastStop = false, hotStart = false, wetTrunk = false } = options
  const { conditions } = line
  const pipe = line.pipeId === undefined ? undefined : pipeById(line.pipeId)
  const route = line.cutIn
    ? cutInRoute(line.cutIn.insert, conditions.service === 'waste' ? 'drain' : 'supply')
    : routeById(line.to?.route ?? 'any', conditions, pipe?.material)
  // trade: a trap stands under the drain, and what rises from it is no longer for that
  const { trapAt = Number.POSITIVE_INFINITY } = route
  // trade: before a heater's nipple lies open what its reach says
  const fromEnd = conditions.spanMm == null && route.id === 'flexible'
  // trade: what hangs on a stub in sight turns nowhere, nor does what a flange sat on
  const lies = route.id === 'closet' && conditions.oldJoint !== 'flange'
  const led = route.id === 'pan' && !pipe
  const stiff = route.medium === 'drain' && !lies && !led && !/^(standpipe|machine-box|trap-)/.test(route.id)
  const turn = stiff ? 0 : (conditions.turn ?? 0)
  const fromFloor = route.id === 'closet' && !turn && conditions.spanMm == null && conditions.flangeMm != null
  const counts =
    route.medium !== 'drain' || route.id === 'closet' || route.id === 'any' || route.trapAt !== undefined
  const span = fromFloor
    ? 0
    : turn || !counts
      ? null
      : ((fromEnd ? conditions.reachMm : conditions.spanMm) ?? null)
  // trade: what has to end where it was measured is not cut back for nothing, nor by what nobody priced
  const fitted =
    route.trapAt !== undefined ||
    (span !== null && !fromEnd && route.medium !== 'drain' && conditions.service !== 'waste')
  const made = ({ form, system, nominal, material }: EndRef) => end(form, system, nominal, material)
  const goals = (line.to?.ends ?? []).map(made)
  const begin: readonly Start[] = pipe
    ? // trade: a tee goes in where the nut was
      starts(pipe, conditions, fitted)
        .filter(({ removal }) => !(route.vents && removal.keeps?.startsWith('nut')))
        // trade: a bowl is off before its pipe is touched
        .map((start) => (route.id === 'pan' ? withBowlOff(start) : start))
    : (line.from?.ends ?? []).map((ref) =>
        line.kept ? keptStart(made(ref), conditions) : freshStart(made(ref)),
      )
  const own = stuffsOf(line, pipe ?? null)
  const labour = (seconds: number) => Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
  const risk = (perMille: number) => Math.ceil((perMille * settings.callBackCents) / 1000)
  const missing = (tools: readonly string[]) =>
    tools.some((tool) => !settings.toolsAboard.includes(tool as 'torch'))
  // trade: what hangs on the wall, or has another line, is not turned to screw it home
  // trade: in a drain water comes from above alone
  const wet = route.medium !== 'drain' && (pipe ? conditions.line !== 'dry' : wetTrunk)
  const held = line.to?.held === true && (wet || line.to.ends.some(({ form }) => form.startsWith('taper')))
  // trade: a heater stands, and so does a pipe that nobody lifted: a tube goes into its socket by moving that far
  const lifted =
    held && route.id === 'flexible' ? Math.round((conditions.givesMm ?? 0) * 100) : Number.POSITIVE_INFINITY
  const moves = (joint: Joint, turned: number) =>
    lifted === Number.POSITIVE_INFINITY ||
    (turned === turn && Math.round(insertion(joint)[0] * 100) <= lifted)
  // trade: in a line that trickles a flame is for the bench; what closes it there bears water
  const closes = (joint: Joint, beforeStop: boolean, turned: number) =>
    joint.method.id !== 'threaded' && !(wet && beforeStop && joint.method.needsDry) && moves(joint, turned)
  // trade: a hose is bent to both its ends
  const bendsTo = (fitting: Fitting) => lifted !== Number.POSITIVE_INFINITY && roleOf(fitting) === 'connector'
  // trade: 18 in of metal, or of a hose made for it, between plastic and a heater
  const leastLong = route.id === 'flexible' && pipe && isPlastic(pipe.material) ? 18 * 25.4 : null
  const softPipe = pipe !== undefined && isPlastic(pipe.material)
  const unmeasured = span === null && leastLong === null
  const found: Chain[] = []

  const needs = (joint: Joint) => {
    const [min, max] = insertion(joint)
    // trade: fins go inside, be the pipe flush with its wall
    if (joint.tip.form === 'pipe-fins') return 0
    const { fixed, perOd } = joint.method.stubExtraMm
    return (
      (joint.method.id === 'threaded' ? min : max) + fixed + perOd * joint.tip.diameterMm + conditions.plateMm
    )
  }
  const told = RULES.map((rule) => ({ rule, severity: ruleIn(rule, settings).severity })).filter(
    ({ severity }) => severity !== 'off',
  )
  const judgeAnew = (joint: Joint, start: Start | null, beforeStop: boolean, begins: boolean) => {
    let perMille = joint.method.riskPerMille
    const context = {
      ...joint,
      start,
      begins,
      beforeStop,
      old: pipe !== undefined,
      route: route.id === 'cut-in' ? ('direct' as const) : route.id,
      run: line.cutIn ? (pipe?.material ?? null) : null,
      out: line.cutIn?.outMm != null,
      own,
      needsStubMm: start ? needs(joint) : 0,
      conditions,
      settings,
    }
    for (const { rule, severity } of told) {
      if (!speaksOf(rule, joint.method) || !rule.bites(context)) continue
      if (severity === 'forbid') return null
      perMille += rule.riskPerMille ?? 0
    }
    const { threadSeal } = settings.houseRules
    const price = joint.method.consumables.reduce((sum, { id, quantity }) => {
      const left =
        joint.method.id.startsWith('threaded') &&
        ((threadSeal === 'tape' && id === 'thread-paste') || (threadSeal === 'paste' && id === 'ptfe-tape'))
      return left ? sum : sum + (settings.consumableCents[id] ?? 0) * quantity
    }, 0)
    const seconds = jointHands(joint.method, joint.tip.material, start !== null, settings)
    return { perMille, price, seconds, cents: price + labour(seconds) + risk(perMille) }
  }
  // joints of equal ends are judged alike, whatever parts they are on; by number, since they are asked for by the million
  const judged = new Map<string, ReturnType<typeof judgeAnew>[]>()
  const ofJoint = new Map<Joint, ReturnType<typeof judgeAnew>[]>()
  const judge = (joint: Joint, start: Start | null, beforeStop: boolean, begins: boolean) => {
    let held = ofJoint.get(joint)
    if (!held) {
      const key = JSON.stringify([joint.method.id, joint.tip, joint.body])
      held = judged.get(key) ?? []
      judged.set(key, held)
      ofJoint.set(joint, held)
    }
    const at = (start ? begin.indexOf(start) + 1 : 0) * 4 + (begins ? 2 : 0) + (beforeStop ? 1 : 0)
    const known = held[at]
    if (known !== undefined) return known
    const made = judgeAnew(joint, start, beforeStop, begins)
    held[at] = made
    return made
  }
  const near = (open: PortEnd) => {
    let known = NEAR.get(catalogue)
    if (!known) {
      known = new Map()
      NEAR.set(catalogue, known)
    }
    const key = [open.form, open.system, open.nominal, open.material].join()
    const made = known.get(key) ?? neighbours(catalogue, open)
    known.set(key, made)
    return made
  }

  interface State {
    readonly open: PortEnd
    /** The fitting with the open end was just soldered at its other one. */
    readonly hot: boolean
    readonly way: string
    readonly parts: readonly string[]
    readonly shown: readonly {
      readonly open: PortEnd
      readonly stage: number
      readonly turned: number
      readonly loose: boolean
    }[]
    readonly additive: number
    readonly methods: ReadonlySet<string>
    readonly trip: boolean
    readonly stage: number
    readonly turned: number
    readonly price: number
    readonly seconds: number
    readonly risk: number
    readonly joints: number
    readonly notAboard: number
    readonly waterOff: number
    readonly lo: number
    readonly hi: number
    /** The least that goes on the old end, without that. */
    readonly rest: number
    readonly heat: readonly [HeatAt, HeatAt]
    readonly branch: PortEnd | null
    /** Something in it slides or has a nut of its own, so that it can be closed to a body that is held. */
    readonly loose: boolean
    readonly trend: number
    /** What the adapter before it looks like on its near side. */
    readonly undoes: string
  }
  type Judged = NonNullable<ReturnType<typeof judge>>

  for (const start of begin) {
    if (start.forbidden.length > 0) continue
    const { removal } = start
    const stub = removal.id === 'new-end' || removal.keeps ? null : start
    const begins = removal.keeps && !['hub', 'socket', 'thread'].includes(removal.keeps)
    const stage = pastStop || begins ? route.opensAt : 0
    const flange = removal.keeps?.startsWith('flange')
    const withJoint = (state: State, joint: Joint, judged: Judged, first: boolean): State => {
      const [min, max] = insertion(joint)
      const spared = state.hot
        ? secondCup(joint.method, joint.tip.material, first && stub !== null, settings)
        : 0
      const usable = start.usableMm
      const reach: readonly [number, number] =
        span !== null && flange
          ? conditions.flangeMm == null
            ? [-1e6, 1e6]
            : [span + conditions.flangeMm, span + conditions.flangeMm]
          : span !== null && fromFloor
            ? removal.id === 'flange-off-iron'
              ? // trade: lead is picked, iron is not cut
                [Math.min(0, conditions.flangeMm ?? 0), conditions.flangeMm ?? 0]
              : [-1e6, (conditions.flangeMm ?? 0) - 50.8]
            : span !== null && route.trapAt !== undefined && /^(hub|socket|thread)$/.test(removal.keeps ?? '')
              ? [0, 1e6]
              : span === null || !stub
                ? [0, 0]
                : usable === null
                  ? fromEnd
                    ? [-1e6, 0]
                    : [needs(joint), 1e6]
                  : start.whole
                    ? [usable, usable]
                    : [
                        (removal.threadedEnd ? usable : Math.min(needs(joint), usable)) -
                          (fromEnd ? usable : 0),
                        fromEnd ? 0 : usable,
                      ]
      return {
        ...state,
        heat: [first ? heatOf(joint) : state.heat[0], heatOf(joint)],
        additive: state.additive + judged.cents - labour(judged.seconds) + labour(judged.seconds - spared),
        methods: new Set([...state.methods, joint.method.id]),
        trip: state.trip || missing(jointTools(joint.method, joint.tip.material)),
        price: state.price + judged.price,
        seconds: state.seconds + judged.seconds - spared,
        risk: state.risk + judged.perMille,
        joints: state.joints + 1,
        waterOff:
          state.waterOff +
          (first && stub ? jointCloses(joint.method, joint.tip.material, joint.body.nominal) : 0),
        ...(state.stage >= trapAt
          ? {}
          : {
              lo: (first ? reach[0] : state.lo) - max,
              hi: (first ? reach[1] : state.hi) - min,
              rest: state.rest - max,
            }),
      }
    }
    /** Whether what ends where it was measured, half of its last part apart, is cut for where it need not be. */
    const cutAmiss = (rest: number, direct: boolean) => {
      if (start.usableMm === null) return direct ? start.whole === true : start.wholeMm !== undefined
      return start.wholeMm != null && !direct && rest + start.wholeMm <= (span as number) + 0.006
    }
    const close = (state: State, way: string) => {
      if (state.turned !== turn) return
      if (span !== null && route.trapAt === undefined && cutAmiss(state.rest, state.parts.length === 0))
        return
      if (leastLong !== null && state.hi < leastLong - 0.006) return
      if (span !== null && (state.lo > span + 0.006 || state.hi < span - 0.006)) return
      const opened = METHODS.filter((method) => state.methods.has(method.id))
      const cans = opened
        .flatMap((method) => method.opens ?? [])
        .reduce(
          (sum, { id, quantity }) => sum + (settings.consumableCents[id] ?? 0) * quantity,
          opened.reduce((sum, method) => sum + toolsBought(method, settings), 0),
        )
      const setUp = opened.reduce((sum, method) => sum + labour(method.setUpSeconds), 0)
      found.push({
        way,
        parts: state.parts,
        additive: state.additive,
        methods: state.methods,
        trip: state.trip,
        heat: state.heat,
        branch: state.branch,
        total: state.additive + cans + setUp + (state.trip ? labour(settings.tripMinutes * 60) : 0),
        criteria: {
          priceCents: state.price + cans,
          seconds: state.seconds + opened.reduce((sum, method) => sum + method.setUpSeconds, 0),
          waterOffSeconds: state.waterOff,
          joints: state.joints,
          riskPerMille: state.risk,
          notAboard: state.notAboard,
        },
      })
    }
    const walk = (state: State) => {
      const first = state.parts.length === 0
      const beforeStop = state.stage < route.opensAt
      if (route.goalAt.includes(state.stage))
        for (const goal of goals)
          for (const joint of jointsOf(state.open, goal)) {
            const judged = judge(joint, first ? stub : null, beforeStop, first)
            if (held && !state.loose && !closes(joint, beforeStop, state.turned)) continue
            if (judged) close(withJoint(state, joint, judged, first), `${state.way};${joint.method.id}`)
          }
      if (state.parts.length >= mostParts) return
      for (const { fitting, index, joint } of near(state.open)) {
        const turned = state.turned + turnOf(fitting.family)
        const placed = placeOf(
          fitting,
          index,
          state,
          route,
          conditions,
          softPipe,
          pipe,
          nominalNumber(pipe?.nominal ?? start.port.nominal),
          first,
        )
        if (!placed || turned > turn) continue
        const { stage, trend, undoes } = placed
        const loose =
          state.loose ||
          (held && (hasNut(fitting) || bendsTo(fitting) || closes(joint, beforeStop, state.turned)))
        const judged = judge(joint, first ? stub : null, beforeStop, first)
        if (!judged) continue
        const open = fitting.ports[1 - index]
        const own = !first && sameClass(state.open, start.port) && state.stage === 0 && state.turned === 0
        if ((span === null || route.trapAt !== undefined) && !line.cutIn && !first) {
          // going round in a circle is never a way, but back to an end like the stub's own where that one is spoilt; past
          // a valve or a bend it is no circle
          if (own && !state.loose && judge(joint, stub, beforeStop, true)) continue
          const back = open && sameClass(open, start.port) && stage === 0 && turned === 0
          if (
            open &&
            state.shown.some(
              (seen, index) =>
                !(back && index === 0) &&
                sameClass(seen.open, open) &&
                seen.stage === stage &&
                seen.turned === turned &&
                seen.loose === loose,
            )
          )
            continue
        }
        const joined = withJoint(state, joint, judged, first)
        const cents = partCents(fitting, settings)
        const before = state.parts.filter((id) => id === fitting.id).length
        const aboard = (settings.partsAboard[fitting.id] ?? 0) > before
        const bends = fitting.family === 'tube-piece' || roleOf(fitting) === 'connector'
        // what stands aside of its way in is no longer for that
        const length = fitting.ports.slice(0, open ? 2 : 1).reduce((sum, { pose: { origin, axis } }) => {
          return sum + Math.abs(origin[0] * axis[0] + origin[1] * axis[1])
        }, 0)
        const most = unmeasured ? 0 : bends ? (fitting.lengthMm?.max ?? length) : length
        const least = unmeasured ? 0 : bends ? (fitting.lengthMm?.min ?? length) : length
        const ends = span !== null && fitting.family === 'p-trap' && state.stage < trapAt
        if (ends) {
          const [x, y] = fitting.ports[index]?.pose.origin ?? [0, 0]
          const half = Math.hypot(x, y)
          if (joined.lo + half > span + 0.006 || joined.hi + half < span - 0.006) continue
          // trade: nothing is sawn off that could stay, and nobody saws at a length that is not known
          if (cutAmiss(joined.rest + half, first)) continue
        }
        const past = ends || state.stage >= trapAt
        const next: State = {
          ...joined,
          open: (open ?? fitting.ports[0]) as PortEnd,
          way: `${state.way};${joint.method.id}>${fitting.family}`,
          parts: [...state.parts, fitting.id],
          shown: open ? [...state.shown, { open, stage, turned, loose }] : state.shown,
          hot: joint.method.id === 'sweat' && heatsThrough(fitting),
          additive: joined.additive + cents + labour(nutDrawn(fitting)),
          seconds: joined.seconds + nutDrawn(fitting),
          price: joined.price + cents,
          trip: joined.trip || !aboard,
          notAboard: joined.notAboard + (aboard ? 0 : 1),
          branch: fitting.ports[2] ?? joined.branch,
          loose,
          trend,
          undoes,
          stage,
          turned,
          lo: ends ? (span as number) : joined.lo + (past ? 0 : least),
          hi: ends ? (span as number) : joined.hi + (past ? 0 : most),
          rest: joined.rest + least,
        }
        if (stage === route.endsAt) close(next, next.way)
        else walk(next)
      }
    }
    const taking = ['sweat-off', 'unscrew-pull-ring', 'release', 'open-body'].includes(removal.id)
    const disliked = settings.houseRules.oldStop === 'cut-behind' ? taking : removal.id.includes('cut-behind')
    walk({
      open: start.port,
      // trade: a tee with a cup for its branch has cups all round
      hot: hotStart,
      way: removal.id,
      parts: [],
      shown: [{ open: start.port, stage, turned: 0, loose: false }],
      additive: labour(removalHands(removal)) + risk(disliked ? 10 : 0),
      methods: new Set(),
      trip: missing(removal.tools),
      stage,
      turned: 0,
      price: 0,
      seconds: removalHands(removal),
      risk: disliked ? 10 : 0,
      joints: 0,
      notAboard: 0,
      waterOff: removalHands(removal),
      lo: 0,
      hi: 0,
      rest: 0,
      heat: [null, null],
      branch: null,
      loose: false,
      trend: 0,
      undoes: '',
    })
  }
  return found
}
