import type { StepTemplate } from '../assembly/acts/types'
import { opensRun } from '../assembly/oldJoints/removals'
import { turnedBy } from '../catalog/types'
import type { Graph } from './graph'
import { bringsTrap } from './lineWords'
import type { PlanLine, PlanRequest } from './types'

/** Time is common practice. */
const HANG: StepTemplate = { key: 'hangers', kind: 'finish', words: 'fix.hang', seconds: 240 }

/** What is cut from lengths of pipe. */
const PIPE: ReadonlySet<string> = new Set(['tube-piece', 'standpipe'])

/** Which way the new pipe of a drain goes that has to hang on something; null where nothing does. */
function goes(
  { option, meets, conditions }: PlanLine,
  { bodies = [] }: PlanRequest,
): 'lies' | 'stands' | null {
  // in the ground it lies on its bed, and a tail's trap hangs on its nuts
  if (conditions.access === 'buried' || !option.parts.some(({ family }) => PIPE.has(family))) return null
  if (opensRun(option.removalId)) return 'lies'
  const mount = bodies.find(({ id }) => id === meets?.to)?.mount
  if (mount === 'stands') return 'stands'
  if (mount !== 'floor') return null
  // a riser straight up is held by its flange, which is screwed down
  const trapped = option.parts.some(({ family }) => family === 'p-trap') || bringsTrap(option)
  return trapped || turnedBy(option.parts) > 0 ? 'lies' : null
}

/**
 * New pipe of a drain hangs on hangers of its own before water stands in it, so that it keeps its fall and nothing hangs
 * on a joint; not before what sets has set.
 */
export function addHangers(graph: Graph, request: PlanRequest): void {
  for (const line of request.lines) {
    const { lineId, option, conditions } = line
    const how = conditions.service === 'waste' ? goes(line, request) : null
    if (how === null) continue
    const piece = option.joints.find(({ from }) => option.parts[from]?.family === 'tube-piece')
    const hang = `${lineId}/line/${HANG.key}`
    graph.add(hang, HANG, lineId, null, {
      of: how === 'stands' ? how : piece?.tubeMaterial === 'cast-iron' ? 'iron' : 'plastic',
    })
    // what is reached later comes later: a bowl over its flange
    for (const step of graph.nodes.values())
      if (step.lineId === lineId && option.joints[step.seam ?? -1]?.beforeStop)
        if (step.template.kind === 'close' || step.template.kind === 'wait') graph.precede(step.id, hang)
    for (const fills of ['general/drain-full', `${lineId}/line/fill`]) graph.precede(hang, fills)
  }
}
