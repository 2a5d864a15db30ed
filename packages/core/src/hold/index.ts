export type { Reading } from './fit'
export { judgeHold, LEAST_LEAK } from './judge'
export { type Length, LINEAR_SOURCE, type Pipework, pipeStretch, pipework } from './pipework'
export {
  HOLD_CAUSES,
  HOLD_VERDICTS,
  type HoldAsked,
  type HoldCause,
  type HoldJudged,
  type HoldVerdict,
} from './types'
export { WATER_SOURCE } from './water'
