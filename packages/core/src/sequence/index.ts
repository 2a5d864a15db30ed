export * from './plan'
export * from './types'
