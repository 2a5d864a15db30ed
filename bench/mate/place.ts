import type { Conditions } from '@diarmos/core'

/** A place where everything is allowed. */
export const PLACE: Conditions = {
  service: 'cold',
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: null,
  plateMm: 0,
  oldJoint: 'none',
  thread: 'none',
  scored: false,
  outOfRound: false,
  faults: [],
  waterSeen: true,
  nearHeater: false,
  pressurePsi: 60,
  stopShape: 'either',
  reachMm: null,
}
