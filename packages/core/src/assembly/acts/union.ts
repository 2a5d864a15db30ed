import type { Family } from '../../catalog/types'
import type { StepTemplate } from './types'

/** Drawing a union together once both its halves stand, hands on. Common practice. */
export const UNION_STEP = {
  key: 'union',
  kind: 'close',
  words: 'union.draw',
  seconds: 60,
} as const satisfies StepTemplate

/** Whether a part has a nut that draws its two halves together. */
export const isUnion = (family: Family): boolean => family.endsWith('union')

/** What a part takes besides its joints, hands on, seconds. */
export const secondsOfPart = (family: Family): number => (isUnion(family) ? UNION_STEP.seconds : 0)
