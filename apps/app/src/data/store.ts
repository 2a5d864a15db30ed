/** The phone's store, as screens use it: what is there, and how it is changed. */
export { edit, undo } from './edit'
export { begin, discardRefused, leave, open } from './session'
export { newId, now, shelf, useData } from './state'
export { syncSoon } from './sync'
export type { Edit } from './types'
