import type { StepTemplate } from '../assembly/acts/types'
import type { Graph } from './graph'
import { isCapped } from './lineWords'
import type { PlanRequest } from './types'

/** Time is common practice. */
const LISTEN: StepTemplate = { key: 'listen', kind: 'safe', words: 'drain.listen', seconds: 300 }

/**
 * Before an old drain is closed for good it is listened to, plugged as it will be: what gurgles then had its air from
 * there. Afterwards a wall stands before it.
 */
export function addClosedDrains(graph: Graph, { lines }: PlanRequest): void {
  for (const { lineId, option, conditions } of lines) {
    if (conditions.service !== 'waste' || !isCapped(option.parts)) continue
    const listen = `${lineId}/line/${LISTEN.key}`
    graph.add(listen, LISTEN, lineId, null)
    graph.precede(`${lineId}/line/plug`, listen)
    graph.precede(listen, `${lineId}/line/unplug`)
    // nothing is cemented that may have to be opened again
    for (const seam of option.joints.keys()) graph.precede(listen, `${lineId}/${seam}/close`)
  }
}
