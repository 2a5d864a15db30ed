import type { StepTemplate } from '../assembly/acts/types'
import { opensSlab, seamsOverSlab } from '../record'
import { discReachMm, USUAL_DISC_MM } from '../reference/slab'
import type { Graph } from './graph'
import { pointOf } from './point'
import type { PlanBody, PlanLine, PlanRequest } from './types'

/** What lies under concrete is opened, filled in and closed again. Times are common practice. */
const STEPS = {
  scan: { key: 'slab-scan', kind: 'safe', words: 'slab.scan', seconds: 900 },
  cut: { key: 'slab-cut', kind: 'remove', words: 'slab.cut', seconds: 3600 },
  dig: { key: 'slab-dig', kind: 'remove', words: 'slab.dig', seconds: 2400 },
  fill: { key: 'slab-fill', kind: 'finish', words: 'slab.fill', seconds: 1800 },
  set: { key: 'slab-set', kind: 'wait', words: 'slab.set', seconds: 24 * 3600, passive: true },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** A riser that comes up through it, plugged and left long until what is set on it is in hand. */
const RISER = {
  plug: { key: 'riser-plug', kind: 'prepare', words: 'riser.plug', seconds: 300 },
  cut: { key: 'riser-cut', kind: 'prepare', words: 'riser.cut', seconds: 240 },
} as const satisfies Readonly<Record<string, StepTemplate>>

const at = (step: keyof typeof STEPS) => `general/${STEPS[step].key}`

/**
 * Looks that what is made at a point is given: where that is set once concrete is hard, the slab was closed after them.
 *
 * @param body what a line ends at, by its id
 * @param looks all that are given elsewhere
 */
export function looksAt<Look extends string>(
  body: string | undefined,
  looks: readonly Look[],
  { lines, bodies = [] }: Pick<PlanRequest, 'lines' | 'bodies'>,
): readonly Look[] {
  const late = lines.some(
    (line) =>
      line.meets?.to !== undefined &&
      pointOf(line.meets.to) === pointOf(body) &&
      seamsOverSlab(line, mountOf(line, bodies)).size > 0,
  )
  return late ? looks.filter((look) => !/(two-hours|morning)$/.test(look)) : looks
}

/** What a line ends at is fixed to. */
export const mountOf = ({ meets }: Pick<PlanLine, 'meets'>, bodies: readonly PlanBody[]) =>
  bodies.find(({ id }) => id === meets?.to)?.mount

/**
 * Concrete over a line is looked into before it is cut, and cut before anything is shut; what was proved is filled in and
 * cast over, and stands a day; what comes up through it is plugged meanwhile, and cut with the drain in hand.
 */
export function addSlab(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  const under = lines.filter((line) => opensSlab(line, mountOf(line, bodies)))
  if (under.length === 0) return
  const slabMm = Math.max(...under.map(({ conditions }) => conditions.slabMm ?? 0))
  // the disc that goes least deep is the one in hand
  const reachMm = Math.min(...under.map(({ discMm = USUAL_DISC_MM }) => discReachMm(discMm)))
  const said = {
    slabMm,
    reachMm,
    restMm: Math.max(0, slabMm - reachMm),
    deep: slabMm > reachMm ? 'yes' : 'no',
  }
  for (const template of Object.values(STEPS))
    graph.add(`general/${template.key}`, template, null, null, said)
  graph.precede(at('scan'), at('cut'))
  graph.precede(at('cut'), at('dig'))
  for (const before of ['general/protect', 'general/no-use']) graph.precede(before, at('scan'))
  graph.precede(at('dig'), 'general/shut')
  for (const { lineId, option } of under) {
    for (const { id } of graph.nodes.values())
      if (id.startsWith(`${lineId}/remove/`)) graph.precede(at('dig'), id)
    for (const seam of option.joints.keys()) graph.precede(at('dig'), `${lineId}/${seam}/close`)
  }
  // what was proved and looked at: the covering itself waits for all of that
  for (const before of graph.nodes.get('general/cover')?.after ?? []) graph.precede(before, at('fill'))
  graph.precede(at('fill'), 'general/cover')
  graph.precede('general/cover', at('set'))
  graph.precede(at('set'), 'general/record')
  for (const line of under) addRiser(graph, line, seamsOverSlab(line, mountOf(line, bodies)))
}

function addRiser(graph: Graph, { lineId, option }: PlanLine, over: ReadonlySet<number>): void {
  const first = Math.min(...over)
  if (over.size === 0) return
  const id = (key: string) => `${lineId}/line/${key}`
  const [plug, cut] = [id(RISER.plug.key), id(RISER.cut.key)]
  const what = option.parts[option.joints[first]?.to ?? -1]?.family
  const of = option.parts[option.joints[first]?.from ?? -1]?.family === 'tube-piece' ? 'riser' : 'trap'
  const said = { of, what: what === undefined ? 'drain' : 'flange' }
  for (const template of Object.values(RISER)) graph.add(id(template.key), template, lineId, null, said)
  for (const seam of option.joints.keys()) if (!over.has(seam)) graph.precede(`${lineId}/${seam}/close`, plug)
  for (const fills of ['general/drain-full', 'general/cover']) graph.precede(plug, fills)
  // by its height in hand, and in its place
  for (const set of [at('set'), id('waste-set')]) graph.precede(set, cut)
  graph.precede(at('set'), id('waste-set'))
  for (const node of graph.nodes.values()) {
    if (node.lineId !== lineId || node.seam === null || !over.has(node.seam)) continue
    graph.precede(cut, node.id)
    graph.precede(node.id, id('fill'))
  }
}
