import type { StepTemplate } from '../assembly/acts/types'
import type { Family } from '../catalog/types'
import type { Graph } from './graph'
import type { PlanRequest } from './types'

/** A valve that admits air: set when all is joined, and heard when the drain is proved. Times are common practice. */
const STEPS = {
  riser: { key: 'vent-riser', kind: 'finish', words: 'vent.riser', seconds: 300 },
  valve: { key: 'vent-valve', kind: 'finish', words: 'vent.valve', seconds: 60 },
  air: { key: 'vent-air', kind: 'prove', words: 'prove.air', seconds: 120 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** A tee with a valve that admits air, on a stub out of a wall or out of the floor. */
const isVent = (family: Family) => family === 'vent-tee' || family === 'vent-riser'

/** The riser over a vent tee, its valve, and whether it breathes. */
export function addVents(graph: Graph, { lines }: PlanRequest): void {
  for (const { lineId, option } of lines) {
    const tee = option.parts.findIndex(({ family }) => isVent(family))
    const seam = option.joints.findIndex(({ to }) => to === tee)
    if (tee < 0 || seam < 0) continue
    const at = (step: keyof typeof STEPS) => `${lineId}/line/${STEPS[step].key}`
    for (const step of ['riser', 'valve', 'air'] as const) graph.add(at(step), STEPS[step], lineId, null)
    graph.precede(`${lineId}/${seam}/close`, at('riser'))
    // fitted last: grit and cement spoil its seal, and it is not made for a test by water
    for (const joint of option.joints.keys()) graph.precede(`${lineId}/${joint}/close`, at('valve'))
    graph.precede(at('riser'), at('valve'))
    graph.precede(at('valve'), `${lineId}/line/fill`)
    graph.precede(`${lineId}/line/fill`, at('air'))
    for (const later of ['two-hours', 'morning', 'record']) graph.precede(at('air'), `general/${later}`)
  }
}
