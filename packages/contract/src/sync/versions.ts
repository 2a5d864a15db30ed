import { plainLater } from '@diarmos/core/conditions'
/** Bumped when operations or stored fields change their meaning. 2: generations, own edits named, stamps, who confirmed. */
export const SCHEMA_VERSION = 2

/** Fields that came later: what a device that does not know them yet means when it makes a document without them. */
export const LATER_FIELDS: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  situation: { ...plainLater(), oldJointSeen: false },
  observation: { about: null },
  settings: { expected: {}, currency: 'USD' },
  finding: { confirmedBy: null },
  mating: { confirmedBy: null },
  job: { closedBy: null },
}

import { stampOf } from './clock'

/** An operation of any released version, as far as it has to be known to be lifted. */
interface Liftable {
  readonly schema: number
  readonly deviceId: string
  readonly at: string
}

/**
 * Brings an operation of an older released version to the present one. What an old device did not say is null:
 * the server then falls back on what it could know of that device. Newer operations pass as they are.
 */
export function liftOperation<Operation extends Liftable>(operation: Operation): Operation {
  if (operation.schema !== 1) return operation
  return {
    generation: null,
    prior: null,
    clock: stampOf(operation.at, operation.deviceId),
    ...operation,
    schema: SCHEMA_VERSION,
  }
}
