import { mouthOf } from '../../assembly/bodies/kinds'
import type { Conditions } from '../../assembly/conditions'
import { mate } from '../index'
import type { LineResult } from '../types'
import { PLAIN, WELL_EQUIPPED } from './problems'

/** What is answered of a drain with a bare end, from one old pipe to one waste. */
export function drainOf(pipeId: string, kind: string, patch: Partial<Conditions> = {}): LineResult {
  const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', ...patch }
  const [answer] = mate({
    lines: [{ lineId: 'a', pipeId, to: mouthOf(kind), conditions }],
    settings: WELL_EQUIPPED,
    k: 8,
  }).lines
  if (!answer) throw new Error('no line')
  return answer
}
