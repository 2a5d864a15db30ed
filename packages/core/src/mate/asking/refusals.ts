import type { MethodId } from '../../assembly/methods/table'
import { METHODS, methodById } from '../../assembly/methods/table'
import type { Reason } from '../../assembly/reason'
import { materialName } from '../../reference/materialNames'
import { commonPractice } from '../../reference/source'
import type { Problem } from '../model/problem'
import type { Guide } from '../search/guide'
import { fits, search } from '../search/search'
import type { RankedOption, Refusal } from '../types'
import { toOption } from './option'

/** Methods that can begin at a stub; nuts that swivel and spouts never do. */
export const STUB_METHODS: readonly MethodId[] = METHODS.filter(
  (method) => method.id !== 'swivel' && method.id !== 'slip-on' && method.id !== 'slip-joint',
).map((method) => method.id)

interface Beginning {
  readonly paired: boolean
  readonly allowed: boolean
  readonly reasons: readonly Reason[]
}

/** How near a method comes to being allowed on the stub: the candidate with the fewest reasons against it. */
function beginning(problem: Problem, method: MethodId): Beginning {
  let reasons: readonly Reason[] | null = null
  let paired = false
  for (const start of problem.begin) {
    for (const pair of problem.firstJoints(start)) {
      if (pair.method.id !== method) continue
      paired = true
      const all = [...problem.weigh(pair, start, true).forbidden, ...start.forbidden]
      if (!reasons || all.length < reasons.length) reasons = all
    }
  }
  return { paired, allowed: reasons?.length === 0, reasons: reasons ?? [] }
}

function plain(problem: Problem, ruleId: string, method: MethodId): Reason {
  const { pipe } = problem
  return {
    ruleId,
    severity: 'forbid',
    ...(ruleId === 'method.closes-wet' ? { change: 'dry' as const } : {}),
    parameters: {
      method: methodById(method).name,
      material: pipe ? materialName(pipe.material) : 'this end',
    },
    source: commonPractice,
  }
}

/**
 * Why a method that fits the stub leads nowhere: because nothing could be turned home, because what would close it wants
 * the line dry, or because nothing follows.
 */
function noChain(problem: Problem, method: MethodId, guide: Guide): string {
  if (!problem.held || !fits(problem.letGo(), guide, method)) return 'method.no-chain'
  return problem.wet && fits(problem.dried(), guide, method) ? 'method.closes-wet' : 'method.nothing-turns'
}

/**
 * For every method that begins none of the listed ways: its own cheapest way, or the first hard reason against it.
 * So each method is either offered or refused.
 */
export function otherMethods(
  problem: Problem,
  listed: readonly RankedOption[],
  guide: Guide,
): {
  readonly more: readonly RankedOption[]
  readonly refusals: readonly Refusal[]
  readonly truncated: boolean
} {
  const offered = new Set(listed.map((option) => option.joints[0]?.method))
  const more: RankedOption[] = []
  const refusals: Refusal[] = []
  let truncated = false
  for (const method of STUB_METHODS) {
    if ((methodById(method).medium ?? 'supply') !== problem.medium) continue
    if (offered.has(method)) continue
    if (problem.begin.length === 0) {
      refusals.push({ method, reason: { ...plain(problem, 'start.no-end', method), change: 'thread' } })
      continue
    }
    const { paired, allowed, reasons } = beginning(problem, method)
    const fitting = allowed ? fits(problem, guide, method) : false
    const found = fitting ? search(problem, { kind: 'ways', k: 1 }, guide, method) : null
    const goal = found?.goals[0]
    // what was not searched to its end is neither offered as the cheapest nor refused
    const unsettled = fitting === null || (found?.truncated ?? false)
    if (unsettled) truncated = true
    if (goal) more.push(toOption(problem, goal))
    else if (unsettled) refusals.push({ method, reason: plain(problem, 'method.not-settled', method) })
    else if (!paired) refusals.push({ method, reason: plain(problem, 'method.not-on-this-pipe', method) })
    else
      refusals.push({ method, reason: reasons[0] ?? plain(problem, noChain(problem, method, guide), method) })
  }
  return { more, refusals, truncated }
}
