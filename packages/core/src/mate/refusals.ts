import { materialName } from '../reference/materialNames'
import { commonPractice } from '../reference/source'
import { METHODS } from './methods'
import { toOption } from './option'
import { following } from './pairs'
import { judge } from './rules'
import { type Problem, search, stubNeedMm } from './search'
import { starts } from './start'
import type { MateOption, MethodId, Reason, Refusal } from './types'

/** Methods that can begin at a stub; the swivel nut never does. */
export const STUB_METHODS: readonly MethodId[] = METHODS.filter((m) => m.id !== 'swivel').map((m) => m.id)

function refusalOf(problem: Problem, method: MethodId): Reason {
  const { pipe, conditions, settings } = problem
  const states = starts(pipe, conditions)
  let reasons: readonly Reason[] | null = null
  let paired = false
  for (const start of states)
    for (const step of following(start.port)) {
      if (step.pair.method.id !== method) continue
      paired = true
      const { forbidden } = judge({
        method: step.pair.method,
        tip: step.pair.tip,
        body: step.pair.body,
        start,
        beforeStop: true,
        needsStubMm: stubNeedMm(step.pair, conditions),
        conditions,
        settings,
      })
      // the candidate that is nearest to being allowed explains best
      const all = [...forbidden, ...start.forbidden]
      if (!reasons || all.length < reasons.length) reasons = all
    }
  const plain = (ruleId: string): Reason => ({
    ruleId,
    severity: 'forbid',
    parameters: { method, material: materialName(pipe.material) },
    source: commonPractice,
  })
  if (states.length === 0) return { ...plain('start.no-end'), change: 'thread' }
  if (!paired) return plain('method.not-on-this-pipe')
  return reasons?.[0] ?? plain('method.no-chain')
}

/**
 * For every method that begins none of the listed ways: its own cheapest way, or the first hard reason against it.
 * So each method is either offered or refused.
 */
export function otherMethods(
  problem: Problem,
  listed: readonly MateOption[],
): { readonly more: readonly MateOption[]; readonly refusals: readonly Refusal[] } {
  const offered = new Set(listed.map((option) => option.joints[0]?.method))
  const more: MateOption[] = []
  const refusals: Refusal[] = []
  for (const method of STUB_METHODS) {
    if (offered.has(method)) continue
    const goal = search({ ...problem, firstMethod: method }, { kind: 'ways', k: 1 }).goals[0]
    if (goal) more.push(toOption(problem, goal))
    else refusals.push({ method, reason: refusalOf(problem, method) })
  }
  return { more, refusals }
}
