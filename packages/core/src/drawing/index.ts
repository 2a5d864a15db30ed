export * from './contactSheet'
export * from './scene'
export * from './toSvg'
export * from './types'
