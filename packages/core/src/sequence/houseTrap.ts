import type { StepTemplate } from '../assembly/acts/types'
import { opensRun } from '../assembly/oldJoints/removals'
import { LATER } from './fixing'
import type { Graph } from './graph'
import type { PlanRequest } from './types'

/** What a house is left without once its own trap is out. Times are common practice. */
const STEPS = {
  inlet: { key: 'fresh-air', kind: 'finish', words: 'drain.fresh-air', seconds: 180 },
  traps: { key: 'traps-full', kind: 'prove', words: 'prove.traps-full', seconds: 300 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/**
 * A trap of the whole house that is cut out: its inlet for fresh air leads into the open drain from now on, and what
 * kept the sewer's gas from every dry trap of the house is gone, so that each is filled and smelled at.
 */
export function addHouseTrap(graph: Graph, { lines }: PlanRequest): void {
  for (const { lineId, option, conditions } of lines) {
    if (conditions.oldTrap !== 'running' || conditions.service !== 'waste' || !opensRun(option.removalId))
      continue
    const [inlet, traps] = [STEPS.inlet, STEPS.traps].map(({ key }) => `${lineId}/line/${key}`) as [
      string,
      string,
    ]
    graph.add(inlet, STEPS.inlet, lineId, null)
    graph.add(traps, STEPS.traps, lineId, null)
    // water in them shows nothing while the drain below is still open
    graph.precede(inlet, traps)
    // an open inlet lets the test run out
    for (const fills of ['general/drain-full', `${lineId}/line/fill`]) graph.precede(inlet, fills)
    graph.precede(`${lineId}/line/fill`, traps)
    for (const seam of option.joints.keys()) graph.precede(`${lineId}/${seam}/close`, inlet)
    for (const later of LATER) graph.precede(traps, later)
  }
}
