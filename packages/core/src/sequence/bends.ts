import type { StepTemplate } from '../assembly/acts/types'
import { partOf } from '../assembly/kept'
import { turnOf } from '../catalog/types'
import type { Graph } from './graph'
import type { PlanRequest } from './types'

/** Which way a bend or a trap points is settled by its cement: turned and marked dry. Time is common practice. */
const AIM: StepTemplate = { key: 'aim', kind: 'prepare', words: 'bend.aim', seconds: 60 }

/** What is cemented on a drain and points somewhere is turned to it dry, and a mark put across it, before its cement. */
export function addBends(graph: Graph, { lines }: PlanRequest): void {
  for (const { lineId, option, conditions } of lines) {
    if (conditions.service !== 'waste') continue
    for (const [seam, { to, method }] of option.joints.entries()) {
      const part = option.parts[to]
      const family = part?.family
      const isTrap = family === 'p-trap'
      if (!family || !(isTrap || turnOf(family) > 0) || !method.startsWith('cement-')) continue
      const aim = `${lineId}/${seam}/${AIM.key}`
      // its two halves are turned on each other, so that neither has to be twisted in its cement
      const words = partOf(part)?.opens === 'union' ? 'bend.aim-union' : AIM.words
      graph.add(aim, { ...AIM, words }, lineId, seam, { of: isTrap ? 'trap' : 'bend' })
      graph.precede(`${lineId}/${seam}/fit`, aim)
      graph.precede(aim, `${lineId}/${seam}/close`)
    }
  }
}
