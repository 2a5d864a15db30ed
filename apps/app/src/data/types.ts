import type {
  EntityFields,
  EntityKind,
  FieldConflict,
  OperationRecord,
  SessionResponse,
} from '@diarmos/contract'

export type { EntityFields, EntityKind, OperationRecord, SessionResponse }

/** A document as the screens see it: what the shop has, with this phone's own edits on top. */
export interface Doc<Kind extends EntityKind = EntityKind> {
  readonly kind: Kind
  readonly id: string
  /** Of the shop, when it last heard of it; 0 until it has. */
  readonly revision: number
  readonly removed: boolean
  readonly clock: string
  readonly fields: EntityFields<Kind>
  readonly conflicts: readonly FieldConflict[]
}

/** A document as the shop has it. */
export type ServerCopy = Pick<Doc, 'revision' | 'removed' | 'clock' | 'fields' | 'conflicts'> & {
  /** Revision of this phone's last acknowledged edit of it: what comes in below that is older. */
  readonly floor?: number
}

/** A document as the phone keeps it. */
export interface Held extends Doc {
  /** This phone's own last edit of each field that the shop's copy does not hold yet. */
  readonly own: Readonly<Record<string, string>>
  /** Which reading of the shop's database it is from; counts up when a restored one is noticed. */
  readonly epoch: number
  /** Counts up with each write, so that tabs know which of two is later. */
  readonly turn: number
  /** Only while edits of this phone lie on top: what the shop has; null where it has none. */
  readonly server?: ServerCopy | null
}

/** One edit of one document. `remove` takes it away; it can be brought back by undo. */
export interface Edit<Kind extends EntityKind = EntityKind> {
  readonly kind: Kind
  readonly id: string
  readonly patch?: Partial<EntityFields<Kind>>
  readonly remove?: boolean
}

/** An edit that the server refused: kept, and shown with its reason. */
export interface Refused {
  readonly operation: OperationRecord
  readonly faults: readonly { path: string; message: string }[]
}

/** An edit that the server has, kept for the day on which its database is put back from a backup. */
export interface Acknowledged {
  readonly operation: OperationRecord
  readonly at: number
  readonly order: number
}
