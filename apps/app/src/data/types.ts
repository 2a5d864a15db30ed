import type {
  EntityFields,
  EntityKind,
  FieldConflict,
  OperationRecord,
  SessionResponse,
} from '@diarmos/contract'

export type { EntityFields, EntityKind, OperationRecord, SessionResponse }

/** A document as the phone holds it. */
export interface Doc<Kind extends EntityKind = EntityKind> {
  readonly kind: Kind
  readonly id: string
  readonly revision: number
  readonly removed: boolean
  readonly fields: EntityFields<Kind>
  readonly conflicts: readonly FieldConflict[]
}

/** An edit that the server refused: kept, and shown with its reason. */
export interface Refused {
  readonly operation: OperationRecord
  readonly faults: readonly { path: string; message: string }[]
}
