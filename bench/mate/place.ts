import type { Conditions } from '@diarmos/core'
import { PLAIN } from '../../packages/core/src/mate/test/problems'

/** A place where everything is allowed, and nothing is measured. */
export const PLACE: Conditions = { ...PLAIN, stubMm: null, oldJoint: 'none', stopShape: 'either' }
