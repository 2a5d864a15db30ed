import { addDays } from 'date-fns/addDays'
import { addHours } from 'date-fns/addHours'
import { isSameDay } from 'date-fns/isSameDay'
import { set } from 'date-fns/set'
import type { JobView } from '../data/select'
import type { EntityFields } from '../data/types'

type Recheck = EntityFields<'settings'>['mate']['houseRules']['recheck']

/** When somebody looks again. */
export interface LookAgain {
  readonly stepId: 'general/two-hours' | 'general/morning'
  readonly due: Date
}

/** Steps that bring the water back, or let a bowl go: from then on it may leak. */
const WET = /(^general\/restore|\/line\/(stop-open|fill))$/
/** When the next morning is looked at, o'clock. */
const MORNING = 8

/** Looks that are still to come, the next first; none before the water is back, or once they were taken. */
export function looksAgain({ checks, job }: Pick<JobView, 'checks' | 'job'>, recheck: Recheck): LookAgain[] {
  if (job.fields.state === 'closed') return []
  const wet = [...checks.values()].flatMap(({ fields: { stepId, result, at } }) =>
    WET.test(stepId) && result !== 'undone' ? [Date.parse(at)] : [],
  )
  if (wet.length === 0) return []
  const since = new Date(Math.max(...wet))
  const morning = set(addDays(since, 1), { hours: MORNING, minutes: 0, seconds: 0, milliseconds: 0 })
  const looks: LookAgain[] = [
    { stepId: 'general/two-hours', due: addHours(since, 2) },
    { stepId: 'general/morning', due: morning },
  ]
  const left = (stepId: string) => (checks.get(stepId)?.fields.result ?? 'undone') === 'undone'
  return looks.filter(
    ({ stepId }) => left(stepId) && recheck !== (stepId === 'general/morning' ? 'two-hours' : 'next-morning'),
  )
}

/** `at 15:40`, `tomorrow at 08:00`, `since Tuesday, 08:00`. */
export function dueText(due: Date, now: Date): string {
  const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(due)
  const over = due <= now
  if (isSameDay(due, now)) return `${over ? 'since' : 'at'} ${clock}`
  if (isSameDay(due, addDays(now, 1))) return `tomorrow at ${clock}`
  const day = new Intl.DateTimeFormat('en', { weekday: 'long' }).format(due)
  return `${over ? 'since ' : ''}${day}, ${clock}`
}
