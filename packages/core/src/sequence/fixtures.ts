import type { StepTemplate } from '../assembly/acts/types'
import type { Content, Mount } from '../assembly/bodies/types'
import { methodById } from '../assembly/methods/table'
import { KEEP_STOP, NEW_END, opensRun } from '../assembly/oldJoints/removals'
import type { Graph } from './graph'
import { hang, hangsInWall, isBox, joinDrain } from './inWall'
import { BIB, isCapped } from './lineWords'
import { looksAt } from './slab'
import type { PlanBody, PlanLine, PlanRequest } from './types'

/** What is done to a fixture besides its joints, hands on. Times are common practice. */
const STEPS = {
  undo: { key: 'undo-old', kind: 'remove', words: 'remove.old-connector', seconds: 60 },
  out: { key: 'out', kind: 'remove', words: 'fixture.out', seconds: 480 },
  set: { key: 'set', kind: 'finish', words: 'fixture.set', seconds: 480 },
  run: { key: 'run', kind: 'open', words: 'fixture.run', seconds: 90 },
  fill: { key: 'fill', kind: 'open', words: 'fixture.fill', seconds: 90 },
  hoses: { key: 'run', kind: 'open', words: 'fixture.hoses', seconds: 180 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** What is heated by an element or a flame of its own, and burns dry when it is empty. */
export const isHeater = ({ contents }: Pick<PlanBody, 'contents'>): boolean => contents.includes('element')

/** Whether what goes in is joined to its pipe without a stop before it: in or on a wall, and at a heater. */
export const hangsOnNoStop = (body: PlanBody): boolean =>
  body.mount === 'wall' || body.mount === 'in-wall' || isHeater(body)

/** The old connector off what is no stop. */
const OLD_OFF_FITTING = 'remove.old-connector-fitting'

/** Acts that part a line from its old fixture. */
const PARTS_IT: ReadonlySet<string> = new Set([
  STEPS.undo.words,
  OLD_OFF_FITTING,
  'remove.undo-connector',
  'remove.undo-riser',
])

/** Removals after which no old connector is left: none was there, or it is what they undo. */
const NO_CONNECTOR: ReadonlySet<string> = new Set(['bare', NEW_END.id, KEEP_STOP.id])

const LOOKS = ['two-hours', 'morning', 'record'] as const

/** What grit and air are run out of, by what is in the body; the first that it holds. */
const RUNS: readonly (readonly [Content, StepTemplate, readonly Mount[]])[] = [
  ['aerator', STEPS.run, ['deck', 'wall']],
  ['fill-valve', STEPS.fill, ['floor']],
  ['hose', STEPS.hoses, ['in-wall']],
]

/**
 * The old connector off its stop before anything of the stop comes off; then no tail of a fixture that stays is joined
 * before the old one hangs free.
 *
 * @param removal the acts of the removal, first to last
 */
export function addOldConnector(
  graph: Graph,
  { lineId, option, conditions, meets }: PlanLine,
  bodies: readonly PlanBody[],
  shut: string,
  removal: readonly string[],
): void {
  if (NO_CONNECTOR.has(option.removalId) || opensRun(option.removalId) || conditions.oldJoint === 'none')
    return
  // a bib is its own end, and pipes go straight into what hangs in a wall
  const body = bodies.find(({ id }) => id === meets?.to)
  const mount = body?.mount
  if (mount === 'wall' || mount === 'in-wall' || option.parts.some(({ family }) => BIB.test(family))) return
  if (removal.some((step) => PARTS_IT.has(graph.nodes.get(step)?.template.words ?? ''))) return
  const undo = `${lineId}/line/${STEPS.undo.key}`
  const words = body && hangsOnNoStop(body) ? OLD_OFF_FITTING : STEPS.undo.words
  graph.add(undo, { ...STEPS.undo, words }, lineId, null)
  graph.precede(shut, undo)
  for (const step of removal) graph.precede(undo, step)
}

/** What the fixtures themselves ask for: the old one out, the new one set or hung, and run before its parts go back. */
export function addFixtures(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  for (const body of bodies) {
    const met = lines.filter(
      ({ meets, option }) => meets?.to === body.id && !isCapped(option.parts) && isWater(option),
    )
    if (met.length === 0) continue
    if (body.mount === 'deck' && !body.stays) setOnDeck(graph, body, met)
    else if (body.mount !== 'in-wall') keepTails(graph, met)
    if (hangsInWall(body)) hang(graph, body, met, lines)
    const [, run] =
      RUNS.find(
        ([what, , mounts]) => body.contents.includes(what) && body.mount && mounts.includes(body.mount),
      ) ?? []
    if (!run) continue
    const id = `general/${run.key}-${body.id}`
    graph.add(id, run, null, null)
    for (const { lineId } of met) graph.precede(`${lineId}/line/dry-outlet`, id)
    const laters = isBox(body) ? LOOKS : (['heater-on', ...LOOKS] as const)
    for (const later of looksAt<(typeof laters)[number]>(body.id, laters, { lines, bodies }))
      graph.precede(id, `general/${later}`)
  }
  // whichever is named first, a box hangs on its water's account
  for (const body of bodies) if (isBox(body)) joinDrain(graph, body, bodies, lines)
}

const isWater = ({ joints }: PlanLine['option']) =>
  methodById(joints[0]?.method ?? 'compression').medium !== 'drain'

/** What parts a line from what hung on it. */
export const partings = (graph: Graph, lineId: string) =>
  [...graph.nodes.values()].filter((node) => node.lineId === lineId && PARTS_IT.has(node.template.words))

const stepsOf = (graph: Graph, lineId: string, seam: number) =>
  [...graph.nodes.values()].filter((node) => node.lineId === lineId && node.seam === seam)

/** Where nothing is set anew, or where it stands on the floor: its tail is joined once the old connector is off it. */
function keepTails(graph: Graph, met: readonly PlanLine[]): void {
  for (const { lineId, option } of met)
    for (const parting of partings(graph, lineId))
      for (const node of stepsOf(graph, lineId, option.joints.length - 1))
        if (node.template.kind === 'close') graph.precede(parting.id, node.id)
}

/**
 * On a deck: a connector is screwed to the tail of a new one before that is set, since nobody's hand goes there after.
 * The rest is joined where it stands. The old one comes out when the new joints have been seen dry.
 */
function setOnDeck(graph: Graph, body: PlanBody, met: readonly PlanLine[]): void {
  const tails = met.map(({ lineId, option }) => {
    const seam = option.joints.length - 1
    const from = option.parts[option.joints[seam]?.from ?? -1]
    return { lineId, seam, onBench: from?.family === 'supply-connector' }
  })
  const [out, set] = [`general/${STEPS.out.key}-${body.id}`, `general/${STEPS.set.key}-${body.id}`]
  graph.add(out, STEPS.out, null, null)
  graph.add(set, STEPS.set, null, null)
  graph.precede(out, set)
  graph.precede(set, 'general/record')
  for (const { lineId, option } of met)
    if (option.removalId !== KEEP_STOP.id) graph.precede(`${lineId}/line/dry-inlet`, out)
  for (const { lineId, seam, onBench } of tails) {
    for (const parting of partings(graph, lineId)) graph.precede(parting.id, out)
    for (const node of stepsOf(graph, lineId, seam))
      if (onBench) graph.precede(node.id, set)
      else graph.precede(set, node.id)
    // the other end of the connector
    if (onBench)
      for (const node of stepsOf(graph, lineId, seam - 1))
        if (node.template.kind === 'close') graph.precede(set, node.id)
    graph.precede(set, `${lineId}/line/dry-outlet`)
  }
}
