import type { MethodId } from '../../assembly/methods/table'
import { METHODS, methodById } from '../../assembly/methods/table'
import type { Reason } from '../../assembly/reason'
import { WASTE_TRAPS } from '../../catalog/trapSizes'
import { materialName } from '../../reference/materialNames'
import { isMetricWaste } from '../../reference/materials'
import { commonPractice } from '../../reference/source'
import { namedInches, nominalNumber, type PipeMaterial } from '../../reference/types'
import type { Problem } from '../model/problem'
import type { Guide } from '../search/guide'
import { fits, search } from '../search/search'
import type { RankedOption, Refusal } from '../types'
import { toOption } from './option'

const NEVER_FIRST: ReadonlySet<string> = new Set(['swivel', 'slip-on', 'slip-joint', 'waste-nut', 'pan-fins'])
/** Methods that can begin at a stub; nuts that swivel and spouts never do. */
export const STUB_METHODS: readonly MethodId[] = METHODS.filter(({ id }) => !NEVER_FIRST.has(id)).map(
  (method) => method.id,
)

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
    ...(ruleId === 'run.far-short' ? { change: 'stub' as const } : {}),
    ...(ruleId === 'drain.slip-shut-in' ? { change: 'access' as const } : {}),
    parameters: {
      method: methodById(method).name,
      material: pipe ? materialName(pipe.material) : 'this end',
      ...(ruleId === 'drain.smaller-downstream'
        ? {
            has: pipe?.nominal ?? '',
            wants: wantedSize(problem),
            unit: onMetricWaste(problem) ? 'mm' : 'in',
          }
        : {}),
    },
    source: commonPractice,
  }
}

/**
 * Why a method that fits the stub leads nowhere: because nothing could be turned home, because what would close it wants
 * the line dry, or because nothing follows.
 */
function noChain(problem: Problem, method: MethodId): string {
  if (problem.far) return fits(problem.farBare(), undefined, method) ? 'run.far-short' : 'run.no-chain'
  if (problem.medium === 'drain') return drainEnds(problem, method)
  if (problem.standsFast && fits(problem.giving(), undefined, method)) return 'method.nothing-gives'
  if (!problem.held || !fits(problem.letGo(), undefined, method)) return 'method.no-chain'
  return problem.wet && fits(problem.dried(), undefined, method)
    ? 'method.closes-wet'
    : 'method.nothing-turns'
}

/** What a fixture's own end asks of a drain, where nothing follows what fits the old one. */
function drainEnds(problem: Problem, method: MethodId): string {
  const { pipe, network, goals, route, conditions } = problem
  const { flangeMm } = conditions
  if (route.id === 'pan') return 'method.no-chain'
  if (route.id === 'closet') {
    if (OF_FLANGES.has(method) && flangeMm != null) return flangeMm > 0 ? 'flange.too-high' : 'flange.too-low'
    return 'method.no-chain'
  }
  const sizes = goals.map((goal) => nominalNumber(network.ends[goal]?.nominal ?? ''))
  if (pipe && sizes.length > 0 && Math.min(...sizes) > namedInches(pipe)) return 'drain.smaller-downstream'
  return problem.shutIn && fits(problem.inReach(), undefined, method)
    ? 'drain.slip-shut-in'
    : 'method.no-chain'
}

/** It begins at metric waste: old pipe, or the side of a new branch. */
const onMetricWaste = ({ pipe, begin }: Pick<Problem, 'pipe' | 'begin'>) =>
  pipe
    ? isMetricWaste(pipe.material)
    : begin.length > 0 && begin.every(({ port }) => isMetricWaste(port.material))
/** The size that a fixture's own end asks of its drain: a metric waste is threaded in inches, its pipe named in millimetres. */
function wantedSize(problem: Problem): string {
  const { network, goals } = problem
  const own = network.ends[goals[0] ?? -1]?.nominal ?? ''
  const metric = onMetricWaste(problem) && WASTE_TRAPS.find(([thread]) => thread === own)
  return metric ? metric[1] : own
}

/** Methods of metric waste: nobody thinks of them on other pipe, nor of others on it. */
const OF_METRIC_WASTE: ReadonlySet<MethodId> = new Set(
  METHODS.filter(({ pairings }) => pairings.some((pairing) => pairing.materials?.some(isMetricWaste))).map(
    ({ id }) => id,
  ),
)

/** Methods that are made on lead of the sizes that couplings come in. */
const OF_LEAD: ReadonlySet<MethodId> = new Set(
  METHODS.filter(({ pairings }) => pairings.some(({ materials }) => materials?.includes('lead-waste'))).map(
    ({ id }) => id,
  ),
)
/** Lead of three inches and more is a bend under a bowl, wiped onto a ferrule in an iron hub: it goes whole. */
const isLeadBend = ({ pipe }: Pick<Problem, 'pipe'>) =>
  pipe?.material === 'lead-waste' && namedInches(pipe) >= 3

/** Each drain plastic's own cement. */
const CEMENT_OF: Readonly<Partial<Record<PipeMaterial, MethodId>>> = {
  'pvc-drain': 'cement-drain-pvc',
  'abs-drain': 'cement-drain-abs',
}
/** Whether it is the cement of the other drain plastic: between both a coupling is always right. */
const isOtherPlastic = ({ pipe }: Pick<Problem, 'pipe'>, method: MethodId): boolean => {
  const own = pipe ? CEMENT_OF[pipe.material] : undefined
  return own !== undefined && method !== own && Object.values(CEMENT_OF).includes(method)
}
const OTHER_PLASTIC = {
  ruleId: 'drain.other-plastic',
  source: {
    title: 'ASTM D3138; IPC 705.16.4, UPC 705.9.4: one joint, building drain to building sewer',
    certainty: 'recalled',
  },
} as const satisfies Pick<Reason, 'ruleId' | 'source'>

/** What is set down on a flange or screwed onto it: said of lines that have one. */
const OF_FLANGES: ReadonlySet<MethodId> = new Set([
  'wax-seal',
  'rubber-seal',
  'ring-screwed',
  'riser-screwed',
])

/** Methods of one fixture's own end: said only where one comes to it. */
const OWN_ENDS: ReadonlySet<MethodId> = new Set([...OF_FLANGES, 'trap-outlet', 'pipe-fins'])

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
  // a run has two old ends
  const atOldEnds = ({ joints }: RankedOption) => [joints[0], ...(problem.far ? [joints.at(-1)] : [])]
  const offered = new Set(listed.flatMap((option) => atOldEnds(option).map((joint) => joint?.method)))
  const more: RankedOption[] = []
  const refusals: Refusal[] = []
  let truncated = false
  for (const method of STUB_METHODS) {
    if ((methodById(method).medium ?? 'supply') !== problem.medium) continue
    if (offered.has(method)) continue
    if (problem.begin.length === 0) {
      refusals.push({ method, reason: plain(problem, 'start.no-end', method) })
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
    else if (!paired && (OWN_ENDS.has(method) || OF_METRIC_WASTE.has(method) !== onMetricWaste(problem)))
      continue
    else if (!paired) {
      const ruleId =
        isLeadBend(problem) && OF_LEAD.has(method) ? 'lead.back-to-iron' : 'method.not-on-this-pipe'
      const reason = plain(problem, ruleId, method)
      refusals.push({
        method,
        reason: isOtherPlastic(problem, method) ? { ...reason, ...OTHER_PLASTIC } : reason,
      })
    } else refusals.push({ method, reason: reasons[0] ?? plain(problem, noChain(problem, method), method) })
  }
  return { more, refusals, truncated }
}
