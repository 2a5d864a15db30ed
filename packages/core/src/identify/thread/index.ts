export { identifyThread } from './identifyThread'
export { THREAD_INSTRUMENTS } from './likelihood'
export * from './types'
