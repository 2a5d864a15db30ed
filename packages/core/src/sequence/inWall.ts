import type { StepTemplate } from '../assembly/acts/types'
import type { Content } from '../assembly/bodies/types'
import { closingAct } from './closing'
import type { Graph } from './graph'
import { isCapped } from './lineWords'
import { pointOf } from './point'
import type { PlanBody, PlanLine } from './types'

/** What is done to a body that hangs in a wall besides its joints, hands on. Times are common practice. */
const STEPS = {
  hosesOff: { key: 'hoses-off', kind: 'remove', words: 'fixture.hoses-off', seconds: 90 },
  out: { key: 'out', kind: 'remove', words: 'fixture.out-wall', seconds: 180 },
  hang: { key: 'hang', kind: 'finish', words: 'fixture.hang', seconds: 240 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** Whether it is a washing machine's box: what hangs in a wall and is no valve that somebody turns to wash. */
export function isBox({ mount, contents }: Pick<PlanBody, 'mount' | 'contents'>): boolean {
  const mixes: Content = 'cartridge'
  return mount === 'in-wall' && !contents.includes(mixes)
}

/** Whether a body is still to be hung in its wall. */
export const hangsInWall = ({ mount, stays }: Pick<PlanBody, 'mount' | 'stays'>): boolean =>
  mount === 'in-wall' && !stays

/** The act that hangs it. */
export const hungAt = ({ id }: Pick<PlanBody, 'id'>) => `general/${STEPS.hang.key}-${id}`

function addHang(graph: Graph, body: PlanBody): void {
  const words = isBox(body) ? 'fixture.hang-box' : STEPS.hang.words
  graph.add(hungAt(body), { ...STEPS.hang, words }, null, null)
}

/** What takes the old one off the pipes of some lines. */
const partings = (graph: Graph, lines: readonly PlanLine[]) =>
  [...graph.nodes.keys()].filter((id) => lines.some(({ lineId }) => id.startsWith(`${lineId}/remove/`)))

/**
 * In a wall: the old one is cut free and out first; what is screwed into the new one and what caps it goes in while it
 * can be turned; it hangs level, at its depth, before the old pipes are joined.
 */
export function hang(
  graph: Graph,
  body: PlanBody,
  met: readonly PlanLine[],
  lines: readonly PlanLine[],
): void {
  addHang(graph, body)
  const id = hungAt(body)
  graph.precede(id, 'general/valves')
  const removed = partings(graph, met)
  for (const step of removed) graph.precede(step, id)
  if (
    partings(
      graph,
      met.filter(({ conditions }) => conditions.oldJoint !== 'none'),
    ).length > 0
  ) {
    const out = `general/${STEPS.out.key}-${body.id}`
    graph.add(out, STEPS.out, null, null)
    for (const step of removed) graph.precede(step, out)
    graph.precede(out, id)
    if (isBox(body)) {
      const off = `general/${STEPS.hosesOff.key}-${body.id}`
      graph.add(off, STEPS.hosesOff, null, null)
      graph.precede('general/proved', off)
      for (const step of removed) graph.precede(off, step)
    }
  }
  // by what closes each line to it: the joint on the old pipe, where nothing else is made last
  const closings = met.flatMap(({ lineId, option }) => {
    const last = closingAct(lineId, option)
    if (last !== null) return [last]
    return option.joints.flatMap(({ atStub }, seam) => (atStub ? [`${lineId}/${seam}/close`] : []))
  })
  const behind = new Set(closings.flatMap((step) => [step, ...graph.reachableFrom(step)]))
  const into = lines.flatMap(({ lineId, option, meets }) => {
    const seam = meets?.to === body.id ? option.joints.length - 1 : meets?.from === body.id ? 0 : null
    const joint = seam === null ? undefined : option.joints[seam]
    const turned = joint && (isCapped(option.parts) || joint.method === 'threaded')
    return turned ? [`${lineId}/${seam}/close`] : []
  })
  for (const step of into) if (!behind.has(step)) graph.precede(step, id)
  for (const step of closings) {
    graph.precede(id, step)
    // fluxed it is pushed home, and that is into what hangs
    const flux = step.replace(/close$/, 'flux')
    if (graph.nodes.has(flux)) graph.precede(id, flux)
  }
}

/**
 * The box is set down on its standpipe, that being cemented, and is screwed on then: between a trap that stands and a box
 * that hangs no pipe goes in any more. Its water may be of the same job or not.
 *
 * @param body what the drain comes to
 */
export function joinDrain(
  graph: Graph,
  body: PlanBody,
  bodies: readonly PlanBody[],
  lines: readonly PlanLine[],
): void {
  const drains = lines.filter(
    ({ meets, conditions }) => meets?.to === body.id && conditions.service === 'waste',
  )
  const own = (other: PlanBody) => other !== body && isBox(other) && pointOf(other.id) === pointOf(body.id)
  const box = bodies.find(own) ?? body
  if (drains.length === 0 || !hangsInWall(box)) return
  if (!graph.nodes.has(hungAt(box))) addHang(graph, box)
  const out = `general/${STEPS.out.key}-${box.id}`
  for (const step of partings(graph, drains)) graph.precede(step, graph.nodes.has(out) ? out : hungAt(box))
  for (const { lineId, option } of drains) {
    const [last, ...others] = option.joints.map((_, seam) => `${lineId}/${seam}/close`).reverse()
    if (last === undefined) continue
    for (const step of others) graph.precede(step, last)
    if (graph.nodes.has(out)) graph.precede(out, last)
    graph.precede(last, hungAt(box))
    // the machine pumps out what it was filled with
    graph.precede(`general/run-${box.id}`, `${lineId}/line/fill`)
  }
}
