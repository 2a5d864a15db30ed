export * from './basis'
export * from './stage'
