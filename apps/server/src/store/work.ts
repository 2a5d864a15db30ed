import { type EntityKind, entities, faultsOf, LATER_FIELDS, type OperationRecord } from '@diarmos/contract'
import type { EntityManager } from 'typeorm'
import type { Role } from './may'
import type { Seen, Stamp } from './merge'
import type { Fault } from './readable'
import { type DocumentRow, documents } from './schemas'

export interface Actor {
  readonly shopId: string
  readonly personId: string
  readonly role: Role
}

/** One operation at work, within its transaction. */
export interface Work {
  readonly manager: EntityManager
  readonly actor: Actor
  readonly operation: OperationRecord
  readonly seen: Seen
  /** The next revision of the shop. */
  readonly take: () => number
}
export type Outcome =
  | { readonly status: 'applied' | 'conflict' | 'proposed' | 'later' }
  | { readonly faults: readonly Fault[] }

export const fault = (path: string, message: string): Outcome => ({ faults: [{ path, message }] })

export const repositoryOf = ({ manager }: Work, kind: EntityKind) =>
  manager.getRepository<DocumentRow>(documents[kind])

/** Fields as TypeORM wants them: its types follow one class of rows, and a repository here may be of any kind. */
export const asRow = (fields: object) => fields as never

export const stampOf = ({ operation }: Work, revision: number): Stamp => ({
  revision,
  device: operation.deviceId,
  op: operation.opId,
  clock: operation.clock,
})

/** Fields of an operation, checked; with what a device that makes a document does not know of yet. */
export function check(
  operation: OperationRecord,
  exists: boolean,
): { fields: Record<string, unknown>; faults: Fault[] } {
  if (operation.remove) return { fields: {}, faults: [] }
  const schema = entities[operation.kind]
  const parsed = exists
    ? schema.partial().strict().safeParse(operation.patch)
    : schema.strict().safeParse({ ...LATER_FIELDS[operation.kind], ...operation.patch })
  return parsed.success
    ? { fields: parsed.data as Record<string, unknown>, faults: [] }
    : {
        fields: {},
        faults: faultsOf(parsed.error).map((entry) => ({ ...entry, path: `patch.${entry.path}` })),
      }
}
