export * from './formatLength'
export * from './parseLength'
export * from './rounding'
export * from './types'
