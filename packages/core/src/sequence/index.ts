export * from './closeUp'
export { CircularPlanError } from './graph'
export * from './plan'
export * from './types'
