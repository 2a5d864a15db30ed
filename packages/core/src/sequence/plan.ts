import { GENERAL_STEPS, LINE_STEPS } from '../assembly/acts/general'
import type { StepTemplate } from '../assembly/acts/types'
import type { Body } from '../assembly/bodies/types'
import type { Conditions } from '../assembly/conditions'
import { partOf } from '../assembly/kept'
import { actsOf } from '../assembly/methods/acts'
import { COOL_BESIDE_SECONDS, jointHeat } from '../assembly/methods/heat'
import { type MethodId, methodById } from '../assembly/methods/table'
import { CUT_OPEN, removalById } from '../assembly/oldJoints/removals'
import type { HouseRules, MateOption } from '../mate/types'
import { isMetal, type Medium } from '../reference/materials'
import type { PipeMaterial } from '../reference/types'

export interface PlanLine {
  readonly lineId: string
  /** Of the old pipe; none where the line begins at something new. */
  readonly material?: PipeMaterial
  readonly conditions: Conditions
  readonly option: MateOption
  /** The bodies of the job that it begins at and stops at, by id. */
  readonly meets?: { readonly from?: string; readonly to?: string }
  /** The line at whose tee or stop it begins. */
  readonly branchOf?: string
}

export interface PlanRequest {
  readonly lines: readonly PlanLine[]
  /** What goes in, with what is in it. */
  readonly bodies?: readonly Pick<Body, 'id' | 'contents'>[]
  readonly houseRules: HouseRules
  readonly oldSolder?: boolean
  /** What the shop takes for one joint, hands on, minutes; else the table's own. */
  readonly jointMinutes?: Readonly<Partial<Record<MethodId, number>>>
}

export interface PlannedStep {
  readonly id: string
  readonly lineId: string | null
  /** Seam the step belongs to, counted from the wall; null for general steps. */
  readonly seam: number | null
  readonly kind: StepTemplate['kind']
  readonly words: string
  readonly parameters: Readonly<Record<string, string | number>>
  readonly phase: 'before' | 'water-off' | 'after'
  readonly startSeconds: number
  readonly endSeconds: number
  readonly passive: boolean
  readonly captive: string | null
  /** Ids of the steps that must be done before this one begins. */
  readonly after: readonly string[]
}

export interface Plan {
  readonly steps: readonly PlannedStep[]
  readonly waterOff: {
    readonly fromSeconds: number
    readonly toSeconds: number
    readonly seconds: number
    /** No order can be shorter: the greater of all hands-on work inside and the longest chain. */
    readonly boundSeconds: number
  }
}

interface Node {
  readonly id: string
  readonly lineId: string | null
  readonly seam: number | null
  readonly template: StepTemplate
  readonly parameters: Readonly<Record<string, string | number>>
  readonly order: number
  readonly after: Set<string>
}

/** Raised when the joints' own rules contradict each other: a fault in the data, named by the steps in the circle. */
export class CircularPlanError extends Error {
  constructor(readonly steps: readonly string[]) {
    super(`these steps wait for each other: ${steps.join(', ')}`)
    this.name = 'CircularPlanError'
  }
}

class Graph {
  readonly nodes = new Map<string, Node>()

  add(
    id: string,
    template: StepTemplate,
    lineId: string | null,
    seam: number | null,
    parameters: Node['parameters'] = {},
  ): void {
    this.nodes.set(id, {
      id,
      lineId,
      seam,
      template,
      parameters: { ...template.parameters, ...parameters },
      order: this.nodes.size,
      after: new Set(),
    })
  }

  /** `before` must be done when `id` begins; steps that are not there are no obstacle. */
  precede(before: string, id: string): void {
    if (before !== id && this.nodes.has(before)) this.nodes.get(id)?.after.add(before)
  }

  reachableFrom(id: string): Set<string> {
    const following = new Map<string, string[]>()
    for (const node of this.nodes.values())
      for (const before of node.after) following.set(before, [...(following.get(before) ?? []), node.id])
    return walk(id, (at) => following.get(at) ?? [])
  }

  before(id: string): Set<string> {
    return walk(id, (at) => this.nodes.get(at)?.after ?? [])
  }
}

function walk(from: string, next: (at: string) => Iterable<string>): Set<string> {
  const seen = new Set<string>()
  const pending = [from]
  while (pending.length > 0)
    for (const other of next(pending.pop() as string))
      if (!seen.has(other)) {
        seen.add(other)
        pending.push(other)
      }
  return seen
}

function addLine(
  graph: Graph,
  line: PlanLine,
  { houseRules, jointMinutes = {}, lines }: Pick<PlanRequest, 'houseRules' | 'jointMinutes' | 'lines'>,
): void {
  const body = line.meets?.to
  // what it ends at hands on to other lines
  const feeds = body !== undefined && lines.some(({ meets }) => meets?.from === body)
  const { lineId, option, conditions } = line
  const removal = removalActs(option)
  const id = (seam: number | 'line' | 'remove', key: string) => `${lineId}/${seam}/${key}`

  for (const template of removal) {
    graph.add(id('remove', template.key), template, lineId, null)
    graph.precede('general/drain', id('remove', template.key))
    for (const key of template.after ?? []) graph.precede(id('remove', key), id('remove', template.key))
  }
  const removed = removal.map((template) => id('remove', template.key))

  const medium = lineMedium(line)
  for (const template of LINE_STEPS) {
    if (template.medium && template.medium !== medium) continue
    if (template.place === 'plate' && conditions.plateMm === 0) continue
    if (template.key === 'flush' && isCapped(option.parts)) continue
    graph.add(
      id('line', template.key),
      { ...template, words: lineWords(template.words, option, feeds) },
      lineId,
      null,
    )
    for (const key of template.after ?? []) graph.precede(id('line', key), id('line', template.key))
  }
  for (const step of removed) graph.precede(step, id('line', 'plate'))
  if (medium === 'drain') {
    // open pipe is shut against gas from when it is open until the first joint is made
    for (const step of removed) graph.precede(step, id('line', 'plug'))
    for (const step of ['general/no-use', 'general/protect'])
      graph.precede(step, id('remove', removal[0]?.key ?? ''))
  }

  const cut = removal.some(({ words }) => CUTS.test(words))
  const stubNeedsFlame = methodById(option.joints[0]?.method ?? 'compression').needsFlame
  const closes: { seam: number; step: string; template: StepTemplate }[] = []
  option.joints.forEach((joint, seam) => {
    const method = methodById(joint.method)
    const minutes = jointMinutes[joint.method]
    const templates =
      joint.acts ??
      actsOf(method, {
        tubeMaterial: joint.tubeMaterial,
        atStub: joint.atStub,
        airC: conditions.airC,
        ...(minutes === undefined ? {} : { ownSeconds: minutes * 60 }),
      })
    const parameters = {
      insertionMm: joint.maxMm,
      material: joint.tubeMaterial,
      part: option.parts[joint.to]?.name ?? 'the fixture',
      seam: seam + 1,
      threadSeal: houseRules.threadSeal,
      fluxOn: houseRules.fluxOn,
      compressionNut: houseRules.compressionNut,
    }
    for (const template of templates) {
      const step = id(seam, template.key)
      const words = (joint.atStub && cut && AFTER_CUT[template.words]) || template.words
      graph.add(step, { ...template, words }, lineId, seam, parameters)
    }
    // a nut that is kept on the old end is taken again there
    const onOld = joint.atStub || (seam === 0 && removed.length > 0)
    for (const template of templates) {
      const step = id(seam, template.key)
      for (const key of template.after ?? []) graph.precede(id(seam, key), step)
      // what is done to the stub waits until the old stop is off
      const placeOnly = template.needsPlace && !template.afterRemoval
      if (onOld && !placeOnly && (joint.atStub || template.kind === 'close'))
        for (const before of removed) graph.precede(before, step)
      if (joint.atStub && template.needsPlace && template.afterRemoval) graph.precede('general/shut', step)
      if (template.kind === 'close') closes.push({ seam, step, template })
    }
    if (onOld) {
      const close = id(seam, 'close')
      graph.precede(id('line', 'plate'), close)
      graph.precede(id('line', 'unplug'), close)
    }
    const all = templates.map((template) => id(seam, template.key))
    if (medium === 'drain') for (const step of all) graph.precede(step, id('line', 'fill'))
    else if (joint.beforeStop) for (const step of all) graph.precede(step, 'general/valves')
    else {
      // grit is run out before anything behind the stop is joined to it
      if (option.joints[seam - 1]?.beforeStop) graph.precede(id('line', 'flush'), id(seam, 'close'))
      for (const step of all) graph.precede(step, id('line', 'dry-outlet'))
    }
  })

  for (const { seam, step } of closes) {
    const joint = option.joints[seam]
    if (!joint?.beforeStop || joint.atStub) continue
    const previous = closes.find((close) => close.seam === seam - 1)?.step
    if (stubNeedsFlame) {
      // nothing that heat would spoil may hang on the joint while it is soldered: work outward from the wall
      if (previous) graph.precede(previous, step)
      for (const template of methodById(option.joints[seam - 1]?.method ?? 'swivel').steps)
        if (template.kind === 'wait') graph.precede(id(seam - 1, template.key), step)
    } else {
      // all that can be carried in is made up on the bench, and the stub is closed last
      const stubClose = closes.find((close) => close.seam === 0)?.step
      if (stubClose) graph.precede(step, stubClose)
    }
  }
  // on the bench too, flame comes before whatever heat would spoil
  for (const hot of closes.filter((close) => close.template.flame))
    for (const other of closes) {
      const joint = option.joints[other.seam]
      if (!joint || other.template.flame) continue
      const touches = [joint.from, joint.to].some((part) => {
        const chosen = option.parts[part]
        return chosen ? (partOf(chosen)?.heatSensitive ?? false) : false
      })
      if (other.template.heatSensitive || touches) graph.precede(hot.step, other.step)
    }

  if (medium === 'drain') {
    graph.precede('general/restore', id('line', 'fill'))
    for (const step of ['two-hours', 'morning', 'record'])
      graph.precede(id('line', 'fill'), `general/${step}`)
    graph.precede('general/morning', 'general/record')
    graph.precede('general/two-hours', 'general/record')
    return
  }
  graph.precede('general/restore', id('line', 'dry-inlet'))
  graph.precede(id('line', 'flush'), id('line', 'dry-outlet'))
  graph.precede(id('line', 'dry-outlet'), 'general/two-hours')
  graph.precede(id('line', 'dry-outlet'), 'general/morning')
  graph.precede(id('line', 'dry-outlet'), 'general/heater-on')
  graph.precede('general/morning', 'general/record')
  graph.precede('general/two-hours', 'general/record')
  for (const step of removed) graph.precede(step, 'general/valves')
}

/** A removal that leaves a fresh cut: what a joint's own first act would do is done but for the burr. */
const CUTS = /^remove\.(cut|saw)/
const AFTER_CUT: Readonly<Record<string, string>> = {
  'joint.dress': 'joint.dress-cut',
  'pex.cut': 'pex.cut-already',
}

/** Parts that shut a line off. */
const SHUTS = /stop$|valve$|bib$/

/** A line that ends at a cap or a plug: nothing runs from it. */
function isCapped(parts: MateOption['parts']): boolean {
  const last = parts.at(-1)?.family
  return last === 'cap' || last === 'plug'
}

/** A line's own steps speak of its stop and its connector only where it has them. */
function lineWords(words: string, { parts, removalId }: MateOption, feeds: boolean): string {
  const shuts = parts.some(({ family }) => SHUTS.test(family))
  const hose = parts.some(({ family }) => family === 'supply-connector')
  if (isCapped(parts))
    return (
      { 'prove.tissue-inlet': 'prove.tissue-joints', 'prove.tissue-outlet': 'prove.tissue-cap' }[words] ??
      words
    )
  if (words === 'prove.tissue-outlet' && !hose) return shuts ? 'prove.tissue-behind' : 'prove.tissue-end'
  if (shuts) return words
  if (words === 'open.flush' && removalId === CUT_OPEN.id) return 'open.flush-run'
  if (words === 'open.flush' && feeds) return 'open.flush-valve'
  return { 'prove.tissue-inlet': 'prove.tissue-joints', 'open.flush': 'open.flush-end' }[words] ?? words
}

/** A joint at a body where lines meet. */
interface Contact {
  readonly step: string
  readonly heat: ReturnType<typeof jointHeat>
}

/** The joints at each body: at a port of what goes in, and round a tee that another line branches off. */
function contacts(lines: readonly PlanLine[]): Map<string, Contact[]> {
  const found = new Map<string, Contact[]>()
  const add = (body: string | undefined, { lineId, option }: PlanLine, seam: number) => {
    const joint = option.joints[seam]
    if (body === undefined || !joint) return
    const contact = { step: `${lineId}/${seam}/close`, heat: jointHeat(joint) }
    found.set(body, [...(found.get(body) ?? []), contact])
  }
  for (const line of lines) {
    add(line.branchOf === undefined ? line.meets?.from : `tee of ${line.branchOf}`, line, 0)
    add(line.meets?.to, line, line.option.joints.length - 1)
    if (!lines.some(({ branchOf }) => branchOf === line.lineId)) continue
    const tee = line.option.parts.findIndex(({ family }) => family === 'tee' || family === 'slip-tee')
    line.option.joints.forEach(({ from, to }, seam) => {
      if (tee >= 0 && (from === tee || to === tee)) add(`tee of ${line.lineId}`, line, seam)
    })
  }
  return found
}

/** Of what a body holds, what a flame on it would spoil. */
const SPOILT_INSIDE: ReadonlySet<string> = new Set(['cartridge', 'seat', 'seal'])

/**
 * What a flame asks of a body: what it would spoil inside comes out first and goes back once it is cold, and what it
 * would spoil at the other ports waits until then.
 */
function addBodies(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  for (const [body, joints] of contacts(lines)) {
    const hot = joints.filter(({ heat }) => heat === 'heats')
    if (hot.length === 0) continue
    const inside =
      bodies.find(({ id }) => id === body)?.contents.filter((what) => SPOILT_INSIDE.has(what)) ?? []
    const spoilt = joints.filter(({ heat }) => heat === 'spoilt')
    const [strip, cool, refit] = ['strip', 'cool', 'refit'].map((key) => `general/${key}-${body}`) as [
      string,
      string,
      string,
    ]
    const say = (
      key: string,
      kind: StepTemplate['kind'],
      seconds: number,
      passive = false,
    ): StepTemplate => ({
      key,
      kind,
      words: `body.${key}`,
      seconds,
      ...(passive ? { passive } : {}),
    })
    if (inside.length > 0)
      graph.add(strip, say('strip', 'prepare', 90), null, null, { inside: inside.join(' ') })
    if (inside.length > 0 || spoilt.length > 0)
      graph.add(cool, say('cool', 'wait', COOL_BESIDE_SECONDS, true), null, null)
    if (inside.length > 0) {
      graph.add(refit, say('refit', 'finish', 90), null, null, { inside: inside.join(' ') })
      graph.precede(cool, refit)
      graph.precede(refit, 'general/valves')
    }
    for (const { step } of hot) {
      graph.precede(strip, step)
      graph.precede(step, cool)
    }
    for (const { step } of spoilt) graph.precede(cool, step)
  }
}

/** The acts of the removal as they were chosen, else as the table has them. */
function removalActs({ removalActs: kept, removalId }: MateOption): readonly StepTemplate[] {
  return kept ?? removalById(removalId).steps
}

/** What a line carries, by its first joint: a way is of one medium from end to end. */
function lineMedium({ option }: PlanLine): Medium {
  const first = option.joints[0]?.method
  return (first && methodById(first).medium) ?? 'supply'
}

/** Getting out and setting up for a method, once, before the first of its joints. */
function addSetUp(graph: Graph, id: MethodId, lines: readonly PlanLine[]): void {
  const { setUpSeconds, tools } = methodById(id)
  if (setUpSeconds === 0) return
  const step = `general/set-up-${id}`
  const template: StepTemplate = { key: step, kind: 'prepare', words: 'safe.set-up', seconds: setUpSeconds }
  graph.add(step, template, null, null, { method: id, tools: tools.join(' ') })
  // nothing keeps it from being done while the water still runs
  graph.precede(step, 'general/shut')
  for (const { lineId, option } of lines)
    option.joints.forEach((joint, seam) => {
      if (joint.method !== id) return
      for (const other of graph.nodes.keys())
        if (other.startsWith(`${lineId}/${seam}/`)) graph.precede(step, other)
    })
}

function build(request: PlanRequest): Graph {
  const { lines, houseRules } = request
  const water = lines.filter((line) => lineMedium(line) === 'supply')
  const applies: Record<(typeof GENERAL_STEPS)[number]['when'], boolean> = {
    always: true,
    water: water.length > 0,
    waste: water.length < lines.length,
    hot: lines.some((line) => line.conditions.service === 'hot'),
    steel: water.some((line) => line.material?.endsWith('steel')),
    'metal-cut': water.some((line) => line.material !== undefined && isMetal(line.material)),
    plate: lines.some((line) => line.conditions.plateMm > 0),
    'two-hours': houseRules.recheck !== 'next-morning',
    morning: houseRules.recheck !== 'two-hours',
    'solder-old': request.oldSolder === true && lines.some((line) => line.conditions.oldJoint === 'sweat'),
  }
  const graph = new Graph()
  const general = GENERAL_STEPS.filter((step) => applies[step.when])
  const stopped = water.some(({ option }) => option.parts.some(({ family }) => SHUTS.test(family)))
  for (const step of general) {
    const words = step.words === 'open.valves' && !stopped ? 'open.valves-body' : step.words
    graph.add(`general/${step.key}`, { ...step, words }, null, null)
  }
  for (const step of general) {
    for (const key of step.after ?? []) graph.precede(`general/${key}`, `general/${step.key}`)
    if (step.place === 'before') graph.precede(`general/${step.key}`, 'general/shut')
  }
  for (const line of lines) {
    addLine(graph, line, request)
    graph.precede('general/bond', `${line.lineId}/remove/${removalActs(line.option)[0]?.key}`)
  }
  addBodies(graph, request)
  for (const id of new Set(lines.flatMap(({ option }) => option.joints.map(({ method }) => method))))
    addSetUp(graph, id, lines)
  // a part that is missing is found out before anything is set out, made up or shut
  for (const id of graph.nodes.keys()) graph.precede('general/parts', id)
  graph.precede('general/two-hours', 'general/morning')
  return graph
}

/**
 * The order of work: a topological order of the steps that the chosen joints, removals and the general table
 * bring along. Whatever need not happen while the water is off is moved before or after it; inside, the step
 * with the longest rest goes first, and waits run while hands are busy. Cost O(n2) in the number of steps.
 *
 * @throws CircularPlanError where the data contradict themselves
 */
export function sequence(request: PlanRequest): Plan {
  const graph = build(request)
  const nodes = [...graph.nodes.values()]
  const afterShut = graph.reachableFrom('general/shut')
  const beforeRestore = graph.before('general/restore')
  // where no water is shut, what proves the work is what comes after it
  const proves = (id: string) =>
    !graph.nodes.has('general/shut') && ['prove', 'record'].includes(graph.nodes.get(id)?.template.kind ?? '')
  const phaseOf = (id: string): PlannedStep['phase'] =>
    id === 'general/shut' || id === 'general/restore' || (afterShut.has(id) && beforeRestore.has(id))
      ? 'water-off'
      : afterShut.has(id) || proves(id)
        ? 'after'
        : 'before'

  // longest rest of the work from each step on, waits included
  const tail = new Map<string, number>()
  const tailOf = (id: string, path: readonly string[]): number => {
    if (path.includes(id)) throw new CircularPlanError([...path.slice(path.indexOf(id)), id])
    const known = tail.get(id)
    if (known !== undefined) return known
    let longest = 0
    for (const node of nodes)
      if (node.after.has(id) && phaseOf(node.id) === phaseOf(id))
        longest = Math.max(longest, tailOf(node.id, [...path, id]))
    const value = longest + (graph.nodes.get(id) as Node).template.seconds
    tail.set(id, value)
    return value
  }
  for (const node of nodes) tailOf(node.id, [])

  const steps: PlannedStep[] = []
  const ends = new Map<string, number>()
  let clock = 0
  for (const phase of ['before', 'water-off', 'after'] as const) {
    const waiting = nodes.filter((node) => phaseOf(node.id) === phase)
    let last = clock
    while (waiting.length > 0) {
      const ready = waiting
        .filter((node) => [...node.after].every((before) => ends.has(before)))
        .map((node) => ({
          node,
          at: Math.max(0, ...[...node.after].map((before) => ends.get(before) as number)),
        }))
      if (ready.length === 0) throw new CircularPlanError(waiting.map((node) => node.id))
      const passive = ready.find((entry) => entry.node.template.passive)
      const rank = (entry: (typeof ready)[number]) => [
        Math.max(entry.at, clock),
        phase === 'after' ? 0 : -(tail.get(entry.node.id) as number),
        entry.node.order,
      ]
      const next =
        passive ?? ready.reduce((best, entry) => (compare(rank(entry), rank(best)) < 0 ? entry : best))
      const { node } = next
      const start = Math.max(next.at, node.template.passive ? 0 : clock)
      const end = start + node.template.seconds
      ends.set(node.id, end)
      if (!node.template.passive) clock = end
      last = Math.max(last, end)
      waiting.splice(waiting.indexOf(node), 1)
      steps.push({
        id: node.id,
        lineId: node.lineId,
        seam: node.seam,
        kind: node.template.kind,
        words: node.template.words,
        parameters: node.parameters,
        phase,
        startSeconds: start,
        endSeconds: end,
        passive: node.template.passive ?? false,
        captive: node.template.captive ?? null,
        after: [...node.after],
      })
    }
    clock = Math.max(clock, phase === 'water-off' ? last : clock)
  }
  const shut = steps.find((step) => step.id === 'general/shut')
  const restore = steps.find((step) => step.id === 'general/restore')
  // work on drains alone keeps no water off
  if (!shut || !restore)
    return { steps, waterOff: { fromSeconds: 0, toSeconds: 0, seconds: 0, boundSeconds: 0 } }
  const inside = steps.filter((step) => step.phase === 'water-off')
  const hands = inside
    .filter((step) => !step.passive)
    .reduce((sum, s) => sum + s.endSeconds - s.startSeconds, 0)
  const fromSeconds = shut.endSeconds
  const handsInside = hands - (shut.endSeconds - shut.startSeconds)
  return {
    steps,
    waterOff: {
      fromSeconds,
      toSeconds: restore.endSeconds,
      seconds: restore.endSeconds - fromSeconds,
      boundSeconds: Math.max(
        handsInside,
        (tail.get('general/shut') ?? 0) - (shut.endSeconds - shut.startSeconds),
      ),
    },
  }
}

function compare(a: readonly number[], b: readonly number[]): number {
  for (let index = 0; index < a.length; index++) {
    const difference = (a[index] as number) - (b[index] as number)
    if (difference !== 0) return difference
  }
  return 0
}
