export * as core from './core'
export * from './entities'
export * from './operations'
