export * as core from './core'
export * from './entities'
export * from './operations'
export * from './sync'
