import { GENERAL_STEPS, LINE_STEPS } from '../assembly/acts/general'
import type { StepTemplate } from '../assembly/acts/types'
import { partOf } from '../assembly/kept'
import { actsOf } from '../assembly/methods/acts'
import { type MethodId, methodById } from '../assembly/methods/table'
import { KEEP_STOP, opensRun, removalById } from '../assembly/oldJoints/removals'
import { SCHOOLS } from '../assembly/schools'
import type { MateOption } from '../mate/types'
import { seamsOverSlab } from '../record'
import { bandTorque } from '../reference/bandTorque'
import { isMetal } from '../reference/materials'
import { addBends } from './bends'
import { addBodies } from './bodies'
import { addBranches } from './branches'
import { cardsOf } from './cards'
import type { Task } from './clock'
import { addClosedDrains } from './closedDrain'
import { addClosets } from './closets'
import {
  addLift,
  addSlide,
  type Close,
  type Closing,
  closeLast,
  drawUnions,
  isSleeve,
  keepFromHeat,
  lastSeams,
  makeUp,
  onStandingSleeve,
  wantsWrapping,
} from './closing'
import { addCovering, standsFull } from './covering'
import { addFixing } from './fixing'
import { addFixtures, addOldConnector, hangsOnNoStop, isHeater } from './fixtures'
import { CircularPlanError, Graph, type Node } from './graph'
import { addHangers } from './hanging'
import { addHeaters } from './heaters'
import { addHouseTrap } from './houseTrap'
import { hangsInWall, isBox } from './inWall'
import { addLeftLong, laterSeams } from './leftLong'
import { closesEarly, hasStop, isCapped, isCloset, lineMedium, lineWords, SHUTS } from './lineWords'
import { heatsOf, makeInOneHeat } from './oneHeat'
import { schedule } from './schedule'
import { addSinks } from './sinks'
import { isOfHouse, sittingOf } from './sitting'
import { addSlab, looksAt, mountOf } from './slab'
import type { Plan, PlanLine, PlannedStep, PlanRequest } from './types'
import { addVents } from './vents'
import { addWastes } from './wastes'

/**
 * A removal that leaves a fresh cut, or an end that stays where it is: a joint's own first act is then the burr, and a
 * saw only where the end is not square.
 */
const CUTS = /^remove\.(cut|saw|chain|sweat|look$|bands-off|flange-(saw|cut))/
const AFTER_CUT: Readonly<Record<string, string>> = {
  'joint.dress': 'joint.dress-cut',
  'pex.cut': 'pex.cut-already',
}

/** Acts that shut an open drain meanwhile, and open it again. */
const PLUGS: ReadonlySet<string> = new Set(['plug', 'unplug'])

/** Acts that push home: what slides is drawn back over the end instead, and says so. */
const PUSHES: ReadonlySet<string> = new Set([
  'sweat.flux',
  'push.push',
  'press.press',
  'gasket.tighten',
  'cement.join',
  'cement.join-pvc',
  'cement.join-abs',
  'waste.join',
  'ring.push',
])

/** Acts of rubber sleeves: at their second end, and where one is rolled back over an old end until the piece stands. */
const SLEEVES = /^(shield|flexible)\.(sleeve|tighten)$/

/** Iron fittings that stand between couplings with plain ends of their own: nothing of them is cut. */
const PLAIN_ENDED = /\.hubless\./
/** Fittings that go into the next one by a plain end of their own. */
const SPIGOTED = /^(street-elbow|fitting-reducer)/
/**
 * What is done to an end that no tool shortens, being a fitting's own; undefined where it is pipe. A sleeve goes round a
 * plug's, a tee's, or the side of one that a line begins at; a spigot goes into a cup. The time stays the table's, as it
 * was priced.
 */
function ownEnd({ option: { parts, joints }, branchOf }: PlanLine, seam: number): string | undefined {
  const joint = joints[seam]
  if (!joint) return undefined
  const ends = [
    [parts[joint.from], 'outPort'],
    [parts[joint.to], 'inPort'],
  ] as const
  const plain = ends.some(
    ([part]) => part && (part.family === 'plug' || (PLAIN_ENDED.test(part.fittingId) && !isSleeve(part))),
  )
  if (plain || (seam === 0 && branchOf !== undefined && joint.tubeMaterial === 'cast-iron'))
    return 'joint.wipe-plug'
  const spigot = ends.some(
    ([part, side]) => part && SPIGOTED.test(part.family) && partOf(part)?.ports[part[side]]?.form === 'tube',
  )
  return spigot ? 'joint.spigot' : undefined
}

/** What a blank for a sleeve is longer than the sleeve, mm: it draws in as it is expanded, and is trimmed. */
const BLANK_TRIM_MM = 6

/** How what was no stop comes off its pipe. */
const OF_FITTING: Readonly<Record<string, string>> = {
  'remove.cut': 'remove.cut-fitting',
  'remove.sweat': 'remove.sweat-fitting',
  'remove.unscrew': 'remove.unscrew-fitting',
  'remove.release': 'remove.release-fitting',
  'remove.open-body': 'remove.open-body-fitting',
}
/** The same of an old valve in a wall. */
const OF_VALVE: Readonly<Record<string, string>> = {
  ...OF_FITTING,
  'remove.cut': 'remove.cut-valve',
  'remove.sweat': 'remove.sweat-valve',
}

/** Shutting and opening where the old stops do it. */
const AT_OLD_STOPS: Readonly<Record<string, Partial<StepTemplate>>> = {
  'safe.shut': { words: 'safe.shut-kept', seconds: 30 },
  'safe.drain': { words: 'safe.drain-kept', seconds: 30 },
  'open.valves': { words: 'open.valves-kept', seconds: 10 },
  'open.restore': { words: 'open.restore-kept', seconds: 30 },
}

/** Shutting and opening of one old stop, where the house is shut for other lines: neither waits for the other. */
const OWN_STOP = {
  shut: { key: 'stop-shut', kind: 'safe', words: 'safe.stop-shut', seconds: 60 },
  open: { key: 'stop-open', kind: 'open', words: 'open.stop-open', seconds: 20 },
} as const satisfies Readonly<Record<string, StepTemplate>>

const staysAt = ({ option }: PlanLine) => option.removalId === KEEP_STOP.id

/** Whether every line of water begins at a stop that stays: then the house keeps its water. */
function houseKeepsWater(lines: readonly PlanLine[]): boolean {
  const water = lines.filter((line) => lineMedium(line) === 'supply')
  return water.length > 0 && water.every(staysAt)
}

/** What has to be true of the water before anything is opened: it has run out, and the stop is seen to hold. */
function lastBeforeOpening(lines: readonly PlanLine[]): string {
  return houseKeepsWater(lines) ? 'general/drain' : 'general/proved'
}

/** @returns the joints of the line that are made in one heat: by seam, the first of them */
function addLine(
  graph: Graph,
  line: PlanLine,
  { houseRules, jointMinutes = {}, lines, bodies = [] }: PlanRequest,
): ReadonlyMap<number, number> {
  const body = line.meets?.to
  // what it ends at hands on to other lines
  const feeds = body !== undefined && lines.some(({ meets }) => meets?.from === body)
  const { lineId, option, conditions } = line
  const removal = removalActs(option)
  const id = (seam: number | 'line' | 'remove', key: string) => `${lineId}/${seam}/${key}`
  const ownStop = staysAt(line) && !houseKeepsWater(lines)
  const [shut, open] = ownStop
    ? [id('line', OWN_STOP.shut.key), id('line', OWN_STOP.open.key)]
    : [lastBeforeOpening(lines), 'general/valves']
  if (ownStop)
    for (const template of [OWN_STOP.shut, OWN_STOP.open])
      graph.add(id('line', template.key), template, lineId, null)

  if (ownStop) graph.precede('general/protect', shut)

  const { threadSeal, fluxOn, compressionNut } = houseRules
  const { pushFitReuse, pushFitClean, stiffener, tapeTurns, cooling, solderAt } = {
    ...SCHOOLS,
    ...houseRules,
  }
  // paste has no turns
  const turns: Readonly<Record<string, string>> = threadSeal === 'paste' ? {} : { tapeTurns }
  const said: Readonly<Record<string, string>> = {
    threadSeal,
    fluxOn,
    compressionNut,
    pushFitClean,
    stiffener,
    cooling,
    ...turns,
  }
  const held = bodies.find((at) => at.id === body)
  // in a wall hung a valve, on it a bib or a spout, at a heater an adapter: no stop
  const of = held?.mount === 'in-wall' ? OF_VALVE : held && hangsOnNoStop(held) ? OF_FITTING : {}
  for (const template of removal) {
    const words = of[template.words] ?? template.words
    graph.add(id('remove', template.key), { ...template, words }, lineId, null, { pushFitReuse })
    // a tap that runs out over an open trap floods it; a bowl has none over it
    if (!isCloset(option)) graph.precede(shut, id('remove', template.key))
    for (const key of waitsFor(template, removal, option.removalActs))
      graph.precede(id('remove', key), id('remove', template.key))
  }
  const removed = removal.map((template) => id('remove', template.key))
  if (lineMedium(line) === 'supply') addOldConnector(graph, line, bodies, shut, removed)

  const medium = lineMedium(line)
  const boxed = held !== undefined && isBox(held)
  const heater = held !== undefined && isHeater(held)
  for (const template of LINE_STEPS) {
    if (template.medium && template.medium !== medium) continue
    if (template.place === 'plate' && conditions.plateMm === 0) continue
    if (template.key === 'flush' && isCapped(option.parts)) continue
    // what comes into a new branch opens no old pipe
    if (line.branchOf !== undefined && PLUGS.has(template.key)) continue
    graph.add(
      id('line', template.key),
      {
        ...template,
        words: lineWords(template.words, option, feeds, {
          held: standsFull(line, { lines, bodies }),
          boxed,
          heater,
        }),
      },
      lineId,
      null,
    )
    for (const key of template.after ?? []) graph.precede(id('line', key), id('line', template.key))
  }
  for (const step of removed) graph.precede(step, id('line', 'plate'))
  if (medium === 'drain') {
    // open pipe is shut against gas from when it is open until the first joint is made
    for (const step of removed) graph.precede(step, id('line', 'plug'))
    const [first] = removal
    if (first)
      for (const step of ['general/no-use', 'general/protect']) graph.precede(step, id('remove', first.key))
  }

  const overSlab = seamsOverSlab(line, mountOf(line, bodies))
  const later = new Set([...laterSeams(line), ...overSlab])
  const stepsOf = new Map<number, readonly string[]>()
  const cut = removal.some(({ words }) => CUTS.test(words))
  const closes: Close[] = []
  const heats = heatsOf(option)
  // what is made in the heat of what closes the line is made with it
  const heatsLast = new Set([...lastSeams(option)].map((seam) => heats.get(seam)))
  const last = new Set([
    ...lastSeams(option),
    ...[...heats].flatMap(([seam, first]) => (heatsLast.has(first) ? [seam] : [])),
  ])
  const slid = option.closes?.by === 'slide' ? lastSeams(option) : new Set<number>()
  const folded = option.closes?.by === 'fold' ? lastSeams(option) : new Set<number>()
  // what begins at a new valve gets water when that is opened
  const behindValve = line.meets?.from !== undefined && line.branchOf === undefined
  const unstopped = !behindValve && !hasStop(option)
  /**
   * Made before the water comes back: up to the stop, all of it where no stop keeps the water from it, and what is
   * soldered behind a stop, since a flame wants it dry and empty.
   */
  const early = (seam: number): boolean => {
    const joint = option.joints[seam]
    if (joint === undefined) return false
    if (unstopped || closesEarly(option) || joint.beforeStop || methodById(joint.method).needsFlame)
      return true
    // what is screwed onto the stop is made up with it, at the bench
    return joint.method === 'threaded' && joint.to < option.parts.length && early(seam - 1)
  }
  option.joints.forEach((joint, seam) => {
    const method = methodById(joint.method)
    const minutes = jointMinutes[joint.method]
    const templates =
      joint.acts ??
      actsOf(method, {
        tubeMaterial: joint.tubeMaterial,
        atStub: joint.atStub,
        body: joint.bodyForm,
        nominal: joint.nominal,
        airC: conditions.airC,
        cure: houseRules.cure,
        ...(minutes === undefined ? {} : { ownSeconds: minutes * 60 }),
      })
    const parameters = {
      insertionMm: joint.maxMm,
      blankMm: 2 * joint.maxMm + BLANK_TRIM_MM,
      material: joint.tubeMaterial,
      part: option.parts[joint.to]?.name ?? 'the fixture',
      seam: seam + 1,
      inLb: bandTorque([joint.from, joint.to].map((at) => option.parts[at]?.fittingId)).inLb,
      // no saw goes through iron on the knees
      ...(joint.tubeMaterial === 'cast-iron' ? { tool: 'chain-cutter' } : {}),
      ...said,
    }
    const sleeveEnd = (at: number) => {
      if (folded.has(at)) return joint.atStub ? '-folded' : '-over'
      return at > 0 && isSleeve(option.parts[joint.from]) ? '-other' : ''
    }
    // a part that is made on the job is made once; at its far end only that is left
    const farEnd = option.parts[joint.from]?.standing && !option.parts[joint.to]?.standing
    for (const template of templates) {
      const step = id(seam, template.key)
      const words =
        template.words === 'sweat.heat' && wantsWrapping(option, seam, last)
          ? 'sweat.heat-wrapped'
          : template.words === 'sweat.wipe' &&
              joint.atStub &&
              SHUTS.test(option.parts[joint.to]?.family ?? '')
            ? 'sweat.wipe-refit'
            : template.onBench && farEnd
              ? `${template.words}-other`
              : slid.has(seam) && PUSHES.has(template.words)
                ? `${template.words}-slid`
                : SLEEVES.test(template.words)
                  ? `${template.words}${sleeveEnd(seam)}`
                  : (template.words === 'joint.dress' && ownEnd(line, seam)) ||
                    (joint.atStub && cut && AFTER_CUT[template.words]) ||
                    template.words
      graph.add(step, { ...template, words }, lineId, seam, parameters)
    }
    // a nut that is kept on the old end is taken again there
    const onOld = joint.atStub || (seam === 0 && removed.length > 0)
    for (const template of templates) {
      const step = id(seam, template.key)
      for (const key of waitsFor(template, templates, joint.acts)) graph.precede(id(seam, key), step)
      if (template.onBench) {
        if (seam > 0) graph.precede(id(seam - 1, template.key), step)
        graph.precede(step, shut)
        graph.precede(step, id(seam, 'close'))
        continue
      }
      // what is done to the stub waits until the old stop is off
      const placeOnly = template.needsPlace && !template.afterRemoval
      if (onOld && !placeOnly && (joint.atStub || template.kind === 'close'))
        for (const before of removed) graph.precede(before, step)
      if (joint.atStub && template.needsPlace && template.afterRemoval) graph.precede('general/shut', step)
      if (template.kind === 'close' && !later.has(seam)) closes.push({ seam, step, template })
    }
    if (onOld) {
      const close = id(seam, 'close')
      // it passes over no nut, no ring and no sleeve, nor over the rim of an insert
      for (const { key, kind, words } of templates)
        if (kind === 'captive' || words === 'compression.insert')
          graph.precede(id('line', 'plate'), id(seam, key))
      graph.precede(id('line', 'plate'), close)
      graph.precede(id('line', 'unplug'), close)
    }
    const all = templates.map((template) => id(seam, template.key))
    stepsOf.set(seam, all)
    if (later.has(seam)) return
    if (medium === 'drain')
      for (const step of all) {
        graph.precede(id('line', 'plug'), step)
        graph.precede(step, id('line', 'fill'))
        // the pipe is open no longer than it has to be
        const kind = graph.nodes.get(step)?.template.kind ?? ''
        const setDown = isCloset(option) && seam === option.joints.length - 1
        if (!setDown && ['prepare', 'captive'].includes(kind)) graph.precede(step, id('line', 'unplug'))
      }
    // what hangs on a stop that stays is joined while that is shut
    else if (early(seam) || staysAt(line)) for (const step of all) graph.precede(step, open)
    else {
      // grit is run out before anything behind the stop is joined to it
      if (early(seam - 1)) graph.precede(id('line', 'flush'), id(seam, 'close'))
      for (const step of all) graph.precede(step, id('line', 'dry-outlet'))
    }
  })

  const hangs = held !== undefined && hangsInWall(held)
  const [carried, setDown] = [hangs && medium === 'supply', hangs && medium === 'drain']
  const closing: Closing = {
    graph,
    lineId,
    option,
    closes,
    stepsOf,
    early,
    solderAt,
    last,
    heats,
    carried,
    setDown,
  }
  addSlide(closing, removed, open)
  addLift(closing)
  // a sleeve stands on the old end before the piece comes into it
  if (onStandingSleeve(option, 1)) graph.precede(id(0, 'close'), id(1, 'close'))
  drawUnions(closing, open, id('line', 'dry-outlet'))
  closeLast(closing)
  makeUp(closing)
  keepFromHeat(closing)

  if (medium === 'drain') {
    graph.precede('general/restore', id('line', 'fill'))
    for (const step of looksAt(body, ['two-hours', 'morning', 'record'], { lines, bodies }))
      graph.precede(id('line', 'fill'), `general/${step}`)
    graph.precede('general/morning', 'general/record')
    graph.precede('general/two-hours', 'general/record')
    return heats
  }
  // its own stop opens onto nothing while the house is shut for another line
  for (const water of ownStop ? [open, 'general/restore'] : ['general/restore'])
    graph.precede(water, id('line', 'dry-inlet'))
  graph.precede(id('line', 'dry-inlet'), id('line', 'dry-outlet'))
  if (line.leftLong !== undefined) {
    addLeftLong(graph, line, later, (seam) => stepsOf.get(seam) ?? [])
    for (const step of removed) graph.precede(step, open)
    return heats
  }
  graph.precede(id('line', 'flush'), id('line', 'dry-outlet'))
  for (const step of looksAt(body, ['two-hours', 'morning', 'heater-on', 'record'], { lines, bodies }))
    graph.precede(id('line', 'dry-outlet'), `general/${step}`)
  graph.precede('general/morning', 'general/record')
  graph.precede('general/two-hours', 'general/record')
  for (const step of removed) graph.precede(step, open)
  return heats
}

/** What an act waits for; of acts that were kept, those that were kept with it: tables change. */
function waitsFor(
  { after = [] }: StepTemplate,
  among: readonly StepTemplate[],
  kept: readonly StepTemplate[] | undefined,
): readonly string[] {
  return kept ? after.filter((key) => among.some((other) => other.key === key)) : after
}

/** The acts of the removal as they were chosen, else as the table has them. */
function removalActs({ removalActs: kept, removalId }: MateOption): readonly StepTemplate[] {
  return kept ?? removalById(removalId).steps
}

/** Getting out and setting up for a method, once, before the first of its joints. */
function addSetUp(graph: Graph, id: MethodId, lines: readonly PlanLine[]): void {
  const { setUpSeconds } = methodById(id)
  if (setUpSeconds === 0) return
  const tools = new Set(
    lines.flatMap(({ option }) =>
      option.joints.filter(({ method }) => method === id).flatMap((joint) => joint.tools),
    ),
  )
  const step = `general/set-up-${id}`
  const template: StepTemplate = { key: step, kind: 'prepare', words: 'safe.set-up', seconds: setUpSeconds }
  graph.add(step, template, null, null, { method: id, tools: [...tools].join(' ') })
  // nothing keeps it from being done while the water still runs
  graph.precede(step, 'general/shut')
  for (const { lineId, option } of lines)
    option.joints.forEach((joint, seam) => {
      if (joint.method !== id) return
      for (const other of graph.nodes.keys())
        if (other.startsWith(`${lineId}/${seam}/`)) graph.precede(step, other)
    })
}

/** What one more storey of open pipe takes to run empty, seconds. Common practice. */
const STOREY_SECONDS = 60

/** The house's own: where its stop is, and how long it drains. */
function ofHouse(
  { key, seconds }: StepTemplate,
  { storeys = 1, stopAt }: PlanRequest,
): Partial<StepTemplate> {
  if (key === 'shut') return { parameters: { at: stopAt?.trim() || 'none' } }
  return key === 'drain' ? { seconds: seconds + STOREY_SECONDS * (Math.max(1, storeys) - 1) } : {}
}

/** Tape and paste go on when the thread is turned next: whatever the turn waits for comes before them. */
function sealAndTurn(graph: Graph): void {
  for (const { lineId, seam, template, after } of graph.nodes.values()) {
    if (template.words !== 'thread.turn' || seam === null) continue
    const own = `${lineId}/${seam}/`
    // a drain stands open no longer than the turn takes
    const open = `${lineId}/line/unplug`
    for (const before of after)
      if (!before.startsWith(own) && before !== open) graph.precede(before, `${own}seal`)
  }
}

function build(request: PlanRequest): Graph {
  const { lines, houseRules, bodies = [] } = request
  const water = lines.filter((line) => lineMedium(line) === 'supply')
  // by its cold line too a heater may run empty, and burns dry
  const toHeater = ({ meets }: PlanLine) => bodies.some((body) => body.id === meets?.to && isHeater(body))
  const atHeater = water.some(toHeater)
  const applies: Record<(typeof GENERAL_STEPS)[number]['when'], boolean> = {
    always: true,
    water: water.length > 0,
    waste: water.length < lines.length,
    hot: atHeater || lines.some((line) => line.conditions.service === 'hot'),
    steel: water.some((line) => line.material?.endsWith('steel')),
    'metal-cut': water.some((line) => line.material !== undefined && isMetal(line.material)),
    plate: lines.some((line) => line.conditions.plateMm > 0),
    'two-hours': houseRules.recheck !== 'next-morning',
    morning: houseRules.recheck !== 'two-hours',
    'solder-old': request.oldSolder === true && lines.some((line) => line.conditions.oldJoint === 'sweat'),
  }
  const graph = new Graph()
  const kept = houseKeepsWater(lines)
  const general = GENERAL_STEPS.filter(
    (step) => applies[step.when] && !(kept && ((step.when === 'hot' && !atHeater) || step.key === 'proved')),
  )
  const inRuns = water.length > 0 && water.every(({ option }) => opensRun(option.removalId))
  const stopped = water.filter(({ option }) => option.parts.some(({ family }) => SHUTS.test(family)))
  const inLine = (line: PlanLine) => toHeater(line) || opensRun(line.option.removalId)
  const shutFirst = !stopped.every(inLine)
    ? 'open.valves'
    : stopped.length > 0
      ? 'open.valves-in-line'
      : inRuns || water.every(toHeater)
        ? 'open.valves-run'
        : 'open.valves-body'
  for (const step of general) {
    const valves = step.words === 'open.valves' ? { words: shutFirst } : {}
    graph.add(
      `general/${step.key}`,
      { ...step, ...valves, ...(kept ? AT_OLD_STOPS[step.words] : ofHouse(step, request)) },
      null,
      null,
    )
  }
  for (const step of general) {
    for (const key of step.after ?? []) graph.precede(`general/${key}`, `general/${step.key}`)
    if (step.place === 'before') graph.precede(`general/${step.key}`, 'general/shut')
  }
  const heats = new Map<string, ReadonlyMap<number, number>>()
  for (const line of lines) {
    heats.set(line.lineId, addLine(graph, line, request))
    // nothing is cut where a stop stays, or where nothing comes off
    const [first] = removalActs(line.option)
    if (first && !staysAt(line)) graph.precede('general/bond', `${line.lineId}/remove/${first.key}`)
  }
  addBodies(graph, request)
  addFixtures(graph, request)
  addHeaters(graph, request)
  addClosets(graph, request)
  addBends(graph, request)
  addSinks(graph, request)
  addVents(graph, request)
  addCovering(graph, request)
  addHangers(graph, request)
  addWastes(graph, request)
  addSlab(graph, request)
  addHouseTrap(graph, request)
  addClosedDrains(graph, request)
  addBranches(graph, request)
  addFixing(graph, request)
  for (const id of new Set(lines.flatMap(({ option }) => option.joints.map(({ method }) => method))))
    addSetUp(graph, id, lines)
  makeInOneHeat(graph, lines, heats)
  sealAndTurn(graph)
  // a part that is missing is found out before anything is set out, made up or shut, and that it is no gas line
  for (const id of graph.nodes.keys()) {
    graph.precede('general/parts', id)
    if (id !== 'general/parts') graph.precede('general/water-seen', id)
  }
  graph.precede('general/two-hours', 'general/morning')
  graph.settle()
  return graph
}

/** Acts that begin with the old stop closed, and end with it open, keep the water off between. */
const [SHUT, RESTORE] = ['general/shut', 'general/restore']

/**
 * The order of work: whatever need not happen while the water is off is moved before or after it, and each of the three
 * parts is put into its shortest order (`schedule`), waits running while hands are busy. What waits at the bench has
 * waited when it is wanted: the water is not shut before.
 *
 * @throws CircularPlanError where the data contradict themselves
 */
export function sequence(request: PlanRequest): Plan {
  const graph = build(request)
  const order = inOrder(graph)
  const afterShut = graph.reachableFrom(SHUT)
  const beforeRestore = graph.before(RESTORE)
  // where no water is shut, what comes after the work is what proves it, and all behind that
  const proofs = graph.nodes.has(SHUT)
    ? []
    : order.filter(({ template }) => ['prove', 'record'].includes(template.kind))
  const proving = new Set(proofs.flatMap(({ id }) => [id, ...graph.reachableFrom(id)]))
  const phaseOf = (node: Node): PlannedStep['phase'] =>
    node.id === SHUT || node.id === RESTORE || (afterShut.has(node.id) && beforeRestore.has(node.id))
      ? 'water-off'
      : afterShut.has(node.id) || proving.has(node.id)
        ? 'after'
        : 'before'
  const placeOf = places(request)
  const nearOf = (id: string, lineId: string | null, seam: number | null, words: string) => {
    const place = placeOf(id, lineId)
    return [isOfHouse(words) ? '' : (place ?? ''), sittingOf({ id, seam, words }, place), words]
  }

  const steps: PlannedStep[] = []
  const ends = new Map<string, number>()
  const handsOf = new Map<string, number>()
  let waterOff: Plan['waterOff'] = { fromSeconds: 0, toSeconds: 0, seconds: 0, boundSeconds: 0 }
  let clock = 0
  for (const phase of ['before', 'water-off', 'after'] as const) {
    const nodes = order.filter((node) => phaseOf(node) === phase)
    if (nodes.length === 0) continue
    const at = new Map(nodes.map(({ id }, index) => [id, index]))
    const tasks = nodes.map(
      ({ id, template, after, lineId, seam }): Task => ({
        seconds: template.seconds,
        // what takes no time needs no hand to be free: it is done with what it follows
        passive: template.passive || template.seconds === 0,
        after: [...after].flatMap((before) => at.get(before) ?? []),
        place: placeOf(id, lineId),
        near: nearOf(id, lineId, seam, template.words),
      }),
    )
    // what an earlier part of the work left running is waited for
    const late = phase === 'after' ? nodes.flatMap(({ after }) => [...after]) : []
    const running = late.filter((id) => !at.has(id) && (ends.get(id) as number) > clock)
    const waits = running.map(
      (id): Task => ({
        seconds: (ends.get(id) as number) - clock,
        passive: true,
        after: [],
        place: null,
        near: [],
      }),
    )
    const shifted = tasks.map(({ after, ...task }, index) => ({
      after: [
        ...after.map((before) => before + waits.length),
        ...running.flatMap((id, wait) => (nodes[index]?.after.has(id) ? [wait] : [])),
      ],
      // last: what a spread begins, some engines give a shape of its own each time
      ...task,
    }))
    const { starts, hands, seconds, bound } = schedule(
      [...waits, ...shifted],
      request.people,
      // only of the window it is said how short it is
      ...(phase === 'water-off' ? [] : [0]),
    )
    const start = (index: number) => starts[index + waits.length] as number
    if (phase === 'water-off')
      nodes.forEach(({ after }, index) => {
        for (const before of after)
          if (!at.has(before)) clock = Math.max(clock, (ends.get(before) as number) - start(index))
      })
    const begin = clock
    nodes.forEach((node, index) => {
      const startSeconds = begin + start(index)
      const endSeconds = startSeconds + node.template.seconds
      ends.set(node.id, endSeconds)
      if (!node.template.passive || phase === 'water-off') clock = Math.max(clock, endSeconds)
      const own = hands[index + waits.length] ?? null
      if (own !== null) handsOf.set(node.id, own)
      const withOthers = Math.max(0, ...[...node.after].map((before) => handsOf.get(before) ?? 0))
      steps.push(planned(node, phase, startSeconds, node.template.passive ? null : (own ?? withOthers)))
    })
    if (phase !== 'water-off') continue
    const shut = graph.nodes.get(SHUT)?.template.seconds ?? 0
    const from = begin + shut
    waterOff = {
      fromSeconds: from,
      toSeconds: begin + seconds,
      seconds: seconds - shut,
      boundSeconds: bound - shut,
    }
  }
  // at one moment what takes no time comes first, then as it was laid out
  const parts = ['before', 'water-off', 'after']
  steps.sort(
    (a, b) =>
      parts.indexOf(a.phase) - parts.indexOf(b.phase) ||
      a.startSeconds - b.startSeconds ||
      Number(a.endSeconds > a.startSeconds) - Number(b.endSeconds > b.startSeconds),
  )
  return { steps, cards: cardsOf(steps, ({ id, lineId }) => placeOf(id, lineId)), waterOff }
}

function planned(
  { id, lineId, seam, template, parameters, after }: Node,
  phase: PlannedStep['phase'],
  startSeconds: number,
  hands: number | null,
): PlannedStep {
  return {
    id,
    lineId,
    seam,
    kind: template.kind,
    words: template.words,
    parameters,
    phase,
    startSeconds,
    endSeconds: startSeconds + template.seconds,
    passive: template.passive ?? false,
    captive: template.captive ?? null,
    hands,
    after: [...after],
  }
}

/** Each step after all it waits for, otherwise as they were laid out. */
function inOrder(graph: Graph): Node[] {
  const order: Node[] = []
  const done = new Set<string>()
  const visit = (node: Node, path: readonly string[]): void => {
    if (done.has(node.id)) return
    if (path.includes(node.id)) throw new CircularPlanError([...path.slice(path.indexOf(node.id)), node.id])
    for (const before of node.after) visit(graph.nodes.get(before) as Node, [...path, node.id])
    done.add(node.id)
    order.push(node)
  }
  for (const node of graph.nodes.values()) visit(node, [])
  return order
}

/** Where a step is done: at a fixture, at a line that has none, or anywhere in the house. */
function places({ lines, bodies = [] }: PlanRequest): (id: string, lineId: string | null) => string | null {
  const ofLine = new Map(lines.map(({ lineId, meets }) => [lineId, meets?.to ?? meets?.from ?? lineId]))
  return (id, lineId) =>
    lineId === null
      ? (bodies.find((body) => id.startsWith('general/') && id.endsWith(`-${body.id}`))?.id ?? null)
      : (ofLine.get(lineId) ?? lineId)
}
