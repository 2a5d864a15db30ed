export * from './basis'
export * from './dimensions'
export * from './stage'
export * from './trap'
