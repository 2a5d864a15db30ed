export * from './basis'
export * from './lineEnds'
export * from './stage'
