import { mouthOf } from '../../assembly/bodies/kinds'
import type { Conditions } from '../../assembly/conditions'
import { TOOL_IDS } from '../../assembly/tools'
import { CATALOG } from '../../catalog'
import { PIPES } from '../../reference'
import { STARTING_SETTINGS } from '../costs/settings'
import type { LineRequest, MateSettings } from '../types'

/** A plain place: everything allowed, plenty of stub. */
export const PLAIN: Conditions = {
  service: 'cold',
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: 60,
  plateMm: 0,
  oldJoint: 'sweat',
  thread: 'none',
  scored: false,
  outOfRound: false,
  faults: [],
  waterSeen: true,
  nearHeater: false,
  pressurePsi: 60,
  stopShape: 'angle',
  reachMm: null,
}

const SUPPLY =
  /^(copper\.(k|l|m|thin|regular)\.|galvanised\.40|black\.40|brass\.regular|pex-[ab]\.sdr9|cpvc\.sdr11|polybutylene\.sdr11)/
const SIZES = new Set(['3/8', '1/2', '3/4', '1', '10', '12', '15', '22', '28'])

/** Stubs that this catalogue has parts for. */
export const STUBS = PIPES.filter(
  ({ id, nominal, temper }) => SUPPLY.test(id) && SIZES.has(nominal) && !temper,
)

/** How each kind of pipe usually ends at an old stop. */
export function usualEnd(pipeId: string): Partial<Conditions> {
  if (/^(galvanised|black|brass)/.test(pipeId)) return { oldJoint: 'threaded', thread: 'NPT' }
  if (pipeId.startsWith('cpvc')) return { oldJoint: 'cement' }
  if (pipeId.startsWith('pex-a')) return { oldJoint: 'expansion' }
  if (/^(pex|poly)/.test(pipeId)) return { oldJoint: 'crimp' }
  return pipeId.endsWith('mm') ? { oldJoint: 'compression' } : { oldJoint: 'sweat' }
}

export function line(pipeId: string, patch: Partial<Conditions> = {}, fixtureId?: string): LineRequest {
  return {
    lineId: 'cold',
    pipeId,
    to: mouthOf(fixtureId ?? (pipeId.endsWith('mm') ? 'tap.tail.1/2' : 'faucet.shank.1/2')),
    conditions: { ...PLAIN, ...usualEnd(pipeId), ...patch },
  }
}

/** Settings with the whole catalogue of tools aboard. */
export const WELL_EQUIPPED: MateSettings = {
  ...STARTING_SETTINGS,
  toolsAboard: TOOL_IDS,
}

/** The parts that half-inch and 15 mm work calls for: few enough to enumerate every chain. */
export const SMALL_CATALOGUE = CATALOG.filter(
  ({ id, ports }) =>
    ports.every(({ nominal }) => ['1/2', '3/8', '15', '12'].includes(nominal)) &&
    !/^(tee|elbow|cap|plug|union|coupling\.(slip|repair|filed|sleeve))|galv\.bsp|brass\.bsp|\.od|od\b|x(2\.5|3|4|5|6|8|10|12)$/.test(
      id,
    ),
)
