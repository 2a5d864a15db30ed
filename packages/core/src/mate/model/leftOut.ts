import type { Reason } from '../../assembly/reason'
import type { Family } from '../../catalog/types'
import { CONNECTOR_SLACK_MM } from '../../fitup/layout'
import { SEAT_BEYOND_MM } from '../../fitup/walls'
import { isPlastic } from '../../reference/materials'
import { commonPractice } from '../../reference/source'
import type { LeftOut } from '../types'
import type { Problem } from './problem'

/**
 * What the place itself leaves out of a line: bibs that would freeze or sit too shallow, connectors that pull tight, nuts
 * that nobody would reach again.
 */
export function leftOut(problem: Problem): LeftOut[] {
  const { route, conditions, network, pipe, line } = problem
  const out: LeftOut[] = []
  const add = (family: Family, ruleId: string, parameters: Reason['parameters'] = {}) =>
    out.push({ family, reason: { ruleId, severity: 'forbid', parameters, source: commonPractice } })
  const shorter = (family: Family, mm: number) =>
    network.catalogue.some((part) => part.family === family && (part.lengthMm?.max ?? 0) < mm)
  const unusual = (family: Family) =>
    network.catalogue.find(
      ({ family: own, lengthMm }) => own === family && lengthMm && lengthMm.max < (lengthMm.usual ?? 0),
    )?.lengthMm?.usual
  if (problem.shutIn && (problem.held || problem.line.cutIn)) add('union', 'union.shut-in')
  if (conditions.access === 'closed-wall' && route.stages.some((stage) => 'isolating' in stage))
    add('isolating-valve', 'valve.shut-in')
  if (route.id === 'bib') {
    if (conditions.freezing) add('hose-bib', 'bib.frost')
    else if (pipe && isPlastic(pipe.material)) add('hose-bib', 'bib.on-plastic')
    const { wallMm } = conditions
    const needsMm = (wallMm ?? 0) + SEAT_BEYOND_MM
    const usualMm = unusual('frost-free-bib')
    if (wallMm == null) {
      if (conditions.freezing && usualMm) add('frost-free-bib', 'bib.usual', { usualMm })
    } else if (shorter('frost-free-bib', needsMm)) add('frost-free-bib', 'bib.too-short', { needsMm })
  }
  if (route.id === 'flexible') add('tube-piece', 'heater.plastic-tube')
  if (problem.standsFast) add('coupling', 'heater.not-lifted')
  // a run that is not measured is not drawn aside
  if (line.cutIn && (line.cutIn.sidewaysMm === 0 || line.cutIn.freeMm.every((free) => free === 0)))
    add('coupling', 'run.not-measured')
  // what comes with a hose of its own takes no connector
  const hung = route.id === 'stop' && line.to?.ends.some(({ form }) => form !== 'swivel-nut')
  if (hung || (route.id === 'flexible' && !problem.shutIn)) {
    const { reachMm } = conditions
    const needsMm = (reachMm ?? 0) + CONNECTOR_SLACK_MM
    if (reachMm === null) {
      if (unusual('supply-connector')) add('supply-connector', 'connector.usual')
    } else if (shorter('supply-connector', needsMm))
      add('supply-connector', 'connector.too-short', { needsMm })
  }
  return out
}
