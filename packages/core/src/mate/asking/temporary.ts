import { mouthOf } from '../../assembly/bodies/kinds'
import type { Conditions } from '../../assembly/conditions'
import type { Reason } from '../../assembly/reason'
import { commonPractice } from '../../reference/source'
import { labourCents, riskCents } from '../costs/costs'
import { STARTING_SETTINGS } from '../costs/settings'
import { Problem } from '../model/problem'
import { search } from '../search/search'
import type { TemporaryId, TemporaryWay } from '../types'
import { toOption } from './option'

interface Wrap {
  readonly id: Exclude<TemporaryId, 'close-off'>
  readonly returnDays: number
  readonly seconds: number
  readonly riskPerMille: number
  /** More than this it does not hold, psi. */
  readonly mostPsi: number
  readonly consumables: TemporaryWay['consumables']
}

/** Wrapped round a hole that weeps, with the pipe left as it is. Times, days, risks and pressures: common practice. */
const WRAPS: readonly Wrap[] = [
  {
    id: 'rubber-clips',
    returnDays: 7,
    seconds: 480,
    riskPerMille: 120,
    mostPsi: 45,
    consumables: [
      { id: 'rubber-sheet', quantity: 1 },
      { id: 'worm-clip', quantity: 2 },
    ],
  },
  {
    id: 'bolted-clamp',
    returnDays: 30,
    seconds: 600,
    riskPerMille: 60,
    mostPsi: 100,
    consumables: [{ id: 'repair-clamp', quantity: 1 }],
  },
]

/** Common practice. */
const CLOSED_RETURN_DAYS = 14

/** A pressure that nobody has read may be what the street gives. */
const UNREAD_PSI = 80

function against(conditions: Conditions, { mostPsi }: Wrap): Reason | null {
  const no = (ruleId: string, change?: Reason['change'], parameters: Reason['parameters'] = {}): Reason => ({
    ruleId,
    severity: 'forbid',
    parameters,
    source: commonPractice,
    ...(change ? { change } : {}),
  })
  if (!conditions.waterSeen) return no('temporary.not-water', 'water-seen')
  if (!conditions.faults.some((fault) => fault.startsWith('pinhole'))) return no('temporary.no-hole')
  if (conditions.access !== 'reachable') return no('temporary.unseen', 'access')
  const { pressurePsi } = conditions
  if ((pressurePsi ?? UNREAD_PSI) <= mostPsi) return null
  return pressurePsi === null
    ? no('temporary.pressure-unread', undefined, { mostPsi })
    : no('temporary.pressure', undefined, { psi: pressurePsi, mostPsi })
}

/**
 * Ways that hold for a time only, for one line: to close it off until the right part is there, and to wrap a hole.
 * None is a mating: they are listed beside the ways, never among them.
 */
export function temporaryWays(problem: Problem): { ways: readonly TemporaryWay[]; truncated: boolean } {
  const { settings, conditions, line, request, linesTogether, limits } = problem
  // nothing is wrapped or capped on a drain: it is plugged while it is worked on
  if (problem.medium === 'drain') return { ways: [], truncated: false }
  const ways: TemporaryWay[] = []
  let truncated = false
  if (line.pipeId !== undefined && !line.cutIn && line.to?.route !== 'cap') {
    const closed = new Problem(
      { ...line, to: mouthOf('closed'), conditions: { ...conditions, spanMm: null, turn: 0 } },
      request,
      linesTogether,
      limits,
    )
    const found = search(closed, { kind: 'ways', k: 1 })
    truncated = found.truncated
    const goal = found.goals[0]
    if (goal) {
      const option = toOption(closed, goal)
      ways.push({
        id: 'close-off',
        refused: null,
        returnDays: CLOSED_RETURN_DAYS,
        seconds: option.criteria.seconds,
        totalCents: option.costs.totalCents,
        consumables: [],
        option: { ...option, followUp: { standing: 'temporary', returnDays: CLOSED_RETURN_DAYS } },
      })
    }
  }
  if (line.pipeId === undefined) return { ways, truncated }
  for (const wrap of WRAPS) {
    const { id, returnDays, seconds, riskPerMille, consumables } = wrap
    const bought = consumables.reduce(
      (sum, { id: what, quantity }) =>
        sum + (settings.consumableCents[what] ?? STARTING_SETTINGS.consumableCents[what] ?? 0) * quantity,
      0,
    )
    ways.push({
      id,
      refused: against(conditions, wrap),
      returnDays,
      seconds,
      totalCents: bought + labourCents(seconds, settings) + riskCents(riskPerMille, settings),
      consumables,
    })
  }
  return { ways, truncated }
}
