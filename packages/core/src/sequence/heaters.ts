import type { StepTemplate } from '../assembly/acts/types'
import { markedInPlace } from '../record/inPlace'
import { isHeater, partings } from './fixtures'
import type { Graph } from './graph'
import { isCapped } from './lineWords'
import type { PlanBody, PlanLine, PlanRequest } from './types'

/** What is done to a heater besides its joints, hands on; how long it runs empty. Times are common practice. */
const STEPS = {
  empty: { key: 'empty', kind: 'remove', words: 'heater.empty', seconds: 180 },
  empties: { key: 'empties', kind: 'wait', words: 'heater.empties', seconds: 1200, passive: true },
  out: { key: 'out', kind: 'remove', words: 'heater.out', seconds: 900 },
  set: { key: 'set', kind: 'finish', words: 'heater.set', seconds: 1200 },
  fill: { key: 'fill', kind: 'open', words: 'heater.fill', seconds: 240 },
  mark: { key: 'mark-in-place', kind: 'prepare', words: 'heater.mark', seconds: 180 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/**
 * The old heater emptied and out, the new one set before anything is joined to it. It is filled through its cold line
 * once that is joined, and only then has its hot line water in it that could show a leak.
 */
export function addHeaters(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  for (const body of bodies) {
    const met = lines.filter(({ meets, option }) => meets?.to === body.id && !isCapped(option.parts))
    if (!isHeater(body) || met.length === 0) continue
    if (!body.stays) changeOver(graph, body, met)
    for (const line of met) if (markedInPlace(line.option)) mark(graph, body, line)
    fill(graph, body, met)
  }
}

/** What parts a line's old pipe from the heater, by the ids of its acts. */
const freeing = (graph: Graph, lineId: string): readonly string[] => [
  ...[...graph.nodes.keys()].filter((id) => id.startsWith(`${lineId}/remove/`)),
  ...partings(graph, lineId).map(({ id }) => id),
]

function changeOver(graph: Graph, { id }: PlanBody, met: readonly PlanLine[]): void {
  const step = (name: 'empty' | 'empties' | 'out' | 'set') => `general/${STEPS[name].key}-${id}`
  // it hangs on two lines: of one that no way was chosen for, nothing else here speaks
  const out = met.length < 2 ? { ...STEPS.out, words: 'heater.out-half' } : STEPS.out
  graph.add(step('empty'), STEPS.empty, null, null)
  graph.add(step('empties'), STEPS.empties, null, null)
  graph.add(step('out'), out, null, null)
  graph.add(step('set'), STEPS.set, null, null)
  graph.precede('general/heater-off', step('empty'))
  graph.precede(step('empty'), step('empties'))
  graph.precede(step('empties'), step('out'))
  graph.precede(step('out'), step('set'))
  for (const { lineId, option } of met) {
    // it is parted from its pipes when they are shut, and stands in nobody's way then
    for (const freed of freeing(graph, lineId)) graph.precede(freed, step('out'))
    graph.precede(step('set'), `${lineId}/${option.joints.length - 1}/close`)
  }
}

/** Rigid over a way that nobody measured: the old pipe gets its length where the heater stands, before it is joined. */
function mark(graph: Graph, { id, stays }: PlanBody, { lineId, option }: PlanLine): void {
  const at = `${lineId}/line/${STEPS.mark.key}`
  const first = [...graph.nodes.values()].filter((node) => node.lineId === lineId && node.seam === 0)
  graph.add(at, STEPS.mark, lineId, null)
  for (const freed of freeing(graph, lineId)) graph.precede(freed, at)
  if (!stays) graph.precede(`general/${STEPS.set.key}-${id}`, at)
  // what is screwed on it stands as deep as it will: hand-tight, the mark would be wrong by its last turns
  const closes = option.closes?.seam ?? option.joints.length
  // behind its valve it is made once the house has its water back
  for (const [seam, { method, beforeStop }] of option.joints.entries())
    if (seam > closes && method === 'threaded' && beforeStop) graph.precede(`${lineId}/${seam}/close`, at)
  for (const node of first) graph.precede(at, node.id)
}

/** Through the cold line, a hot tap open; what is worked on of the hot one is looked at then. */
function fill(graph: Graph, { id }: PlanBody, met: readonly PlanLine[]): void {
  const at = `general/${STEPS.fill.key}-${id}`
  graph.add(at, STEPS.fill, null, null)
  graph.precede('general/restore', at)
  graph.precede(at, 'general/heater-on')
  for (const { lineId, conditions } of met)
    if (conditions.service === 'hot') graph.precede(at, `${lineId}/line/dry-inlet`)
    else graph.precede(`${lineId}/line/dry-outlet`, at)
}
