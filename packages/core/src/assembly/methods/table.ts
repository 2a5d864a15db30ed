import { CoreFault } from '../../fault'
import { DRAIN_METHODS } from './drain'
import { METAL_METHODS } from './metal'
import { PLASTIC_METHODS } from './plastic'
import type { MethodRow } from './types'

const ROWS = [...METAL_METHODS, ...PLASTIC_METHODS, ...DRAIN_METHODS] as const
export type MethodId = (typeof ROWS)[number]['id']
export type Method = MethodRow & { readonly id: MethodId }

/** Every method, in one fixed order. A new one is a new row, no new code. */
export const METHODS: readonly Method[] = ROWS
export const METHOD_IDS = ROWS.map(({ id }) => id) as [MethodId, ...MethodId[]]

const BY_ID = new Map(METHODS.map((method) => [method.id, method]))

/** The method of that id. @throws CoreFault for an id that is no method */
export function methodById(id: MethodId): Method {
  const method = BY_ID.get(id)
  if (!method) throw new CoreFault('no-method', { id })
  return method
}
