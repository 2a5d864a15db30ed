export { classIdOf, ENOUGH, identify } from './belief'
export { INSTRUMENTS } from './instruments'
export { answerProbability, isMetal } from './signs'
export * from './types'
