export * from './clock'
export * from './fixtures'
export * from './versions'

/** Stands for a field in conflicts where one took a document away and another changed it. */
export const REMOVAL = '(removed)'
