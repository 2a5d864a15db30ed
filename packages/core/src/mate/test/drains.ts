import { bodyKind, mouthOf } from '../../assembly/bodies/kinds'
import { runBranch } from '../../assembly/bodies/runBranches'
import type { Conditions } from '../../assembly/conditions'
import { mate } from '../index'
import type { CutIn, LineResult } from '../types'
import { PLAIN, WELL_EQUIPPED } from './problems'

/** What goes into a run of drain whose sides nobody has measured, by the kind of it: a branch with what its sides take. */
export function cutInOf(kind: string): CutIn {
  const body = bodyKind(kind)
  const [at, second] = [runBranch(kind)?.second?.at, body?.ports[2]]
  return {
    insert: body?.insert ?? 'repair',
    branch: body?.ports[1]?.ends ?? [],
    ...(at && second ? { second: { at, ends: second.ends } } : {}),
    farMm: null,
    freeMm: [0, 0],
    sidewaysMm: 0,
  }
}

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
