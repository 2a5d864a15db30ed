export type { Reading } from './fit'
export {
  HOLD_CAUSES,
  HOLD_VERDICTS,
  type HoldAsked,
  type HoldCause,
  type HoldJudged,
  type HoldVerdict,
  judgeHold,
  LEAST_LEAK,
} from './judge'
export { type Length, type Pipework, pipeStretch, pipework } from './pipework'
