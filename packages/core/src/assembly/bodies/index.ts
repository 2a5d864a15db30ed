export * from './kinds'
export * from './lines'
export * from './sinks'
export * from './types'
