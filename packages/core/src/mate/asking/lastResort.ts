import type { Reason } from '../../assembly/reason'
import { schoolOf } from '../../assembly/schools'
import { isPlastic, isThreadedMaterial } from '../../reference/materials'
import { commonPractice } from '../../reference/source'
import { nominalNumber } from '../../reference/types'
import type { Problem } from '../model/problem'
import { fits } from '../search/search'

/** Farther out than any trap is long, and within one length of pipe, mm. */
const FAR_OUT_MM = 2000

/**
 * Where nothing fits as things stand, what a plumber turns to: one sentence, whatever the changes of conditions that
 * would help. Null where the line begins at something new, whose other end can be chosen.
 */
export function lastResort(problem: Problem): Reason | null {
  const { pipe, line, route, conditions, settings } = problem
  if (!pipe) return null
  const told = (ruleId: string): Reason => ({
    ruleId,
    severity: 'note',
    parameters: {},
    source: commonPractice,
  })
  if (pipe.material.startsWith('lead')) return told('resort.lead')
  // whatever else is wrong with it, here it cannot be
  const [side] = line.cutIn?.branch ?? []
  if (side && nominalNumber(side.nominal) > nominalNumber(pipe.nominal)) return told('resort.larger-run')
  const { faults } = conditions
  const whole = faults.includes('pinhole') && schoolOf(settings.houseRules, 'oneHole') === 'replace'
  if (whole || faults.includes('pinholes')) return told('resort.replace-length')
  if (line.cutIn)
    return told(isThreadedMaterial(pipe.material) ? 'resort.threaded-run' : 'resort.longer-piece')
  // a trap takes its own length: what would go farther out does not go here
  const isNear = route.trapAt !== undefined && (conditions.spanMm ?? FAR_OUT_MM) < FAR_OUT_MM
  if (isNear && fits(problem.out(FAR_OUT_MM))) return told('resort.farther-back')
  if (route.id === 'flexible' && isPlastic(pipe.material)) return told('resort.heater-plastic')
  return told(conditions.access === 'reachable' ? 'resort.next-fitting' : 'resort.open-wall')
}
