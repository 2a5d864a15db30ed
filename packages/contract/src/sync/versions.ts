import { plainLater } from '@diarmos/core/conditions'
import { stampOf } from './clock'
import { liftFixtures, liftNames } from './fixtures'

/**
 * Bumped when operations or stored fields change their meaning. 2: generations, own edits named, stamps, who
 * confirmed. 3: what goes in is bodies with ports.
 */
export const SCHEMA_VERSION = 3

/** Fields that came later: what a device that does not know them yet means when it makes a document without them. */
export const LATER_FIELDS: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  situation: {
    ...plainLater(),
    oldJointSeen: false,
    trap: null,
    slab: null,
    tub: null,
    stopOutlet: null,
    valveWall: null,
    opening: null,
    onRun: null,
  },
  observation: { about: null },
  settings: { expected: {}, currency: 'USD' },
  finding: { confirmedBy: null },
  mating: { confirmedBy: null },
  check: { optionId: null, readings: [] },
  attachment: { about: 'left' },
  property: { storeys: null, stopAt: '' },
  job: { closedBy: null, fixtures: [], more: [], advice: [], warranty: null, permit: false },
}

/** An operation of any released version, as far as it has to be known to be lifted. */
interface Liftable {
  readonly schema: number
  readonly deviceId: string
  readonly at: string
  readonly kind?: unknown
  readonly patch?: unknown
  readonly prior?: unknown
}

const isFields = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** What the first release did not say. */
const FIRST = ({ at, deviceId }: Liftable) => ({
  generation: null,
  prior: null,
  clock: stampOf(at, deviceId),
})

/**
 * Brings an operation of an older released version to the present one. What an old device did not say is null:
 * the server then falls back on what it could know of that device. Newer operations pass as they are.
 */
export function liftOperation<Operation extends Liftable>(operation: Operation): Operation {
  const { schema, kind, patch, prior } = operation
  if (schema !== 1 && schema !== 2) return operation
  const first = schema === 1 ? FIRST(operation) : {}
  return {
    ...first,
    ...operation,
    ...(typeof kind === 'string' && isFields(patch) ? { patch: liftFixtures(kind, patch) } : {}),
    ...(typeof kind === 'string' && isFields(prior) ? { prior: liftNames(kind, prior) } : {}),
    schema: SCHEMA_VERSION,
  }
}
