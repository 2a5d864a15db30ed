export * from './basis'
export * from './dimensions'
export * from './lineEnds'
export * from './stage'
