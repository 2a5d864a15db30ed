export * from './basis'
export * from './dimensions'
export * from './stage'
