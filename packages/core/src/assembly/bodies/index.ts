export * from './kinds'
export * from './lines'
export * from './types'
