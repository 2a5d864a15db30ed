import { type FieldConflict, type OperationRecord, REMOVAL } from '@diarmos/contract'
import type { DocumentRow } from './schemas'

/** Who changed a field last, and when. Stamps from before there were clocks lack the last two. */
export interface Stamp {
  readonly revision: number
  readonly device: string
  readonly op?: string
  readonly clock?: string
}

/** What a device had seen when it made an edit, in revisions of the shop's present generation. */
export interface Seen {
  /** Up to here it had seen everything; -1 where its count means nothing here. */
  readonly base: number
  /** The edit was made before the database was restored, and comes again. */
  readonly replayed: boolean
}

/** Equal as documents, whatever the order of their keys. */
export function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))
}
// jsonb does not keep the order of keys
export function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (value && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([key, inner]) => [key, sorted(inner)]),
    )
  return value
}

/** Had the device that made an operation seen the last change of a field? */
export function knew(
  stamp: Stamp | undefined,
  field: string,
  operation: OperationRecord,
  seen: Seen,
): boolean {
  if (!stamp || stamp.revision <= seen.base) return true
  if (operation.prior) return stamp.op !== undefined && operation.prior[field] === stamp.op
  // an old device does not name its own edits: it is taken to know what it sent itself, in its own order
  return stamp.device === operation.deviceId && (!stamp.clock || stamp.clock <= operation.clock)
}

/** A replayed edit that its own device has changed again since. */
function superseded(stamp: Stamp | undefined, operation: OperationRecord, seen: Seen): boolean {
  return (
    seen.replayed &&
    stamp?.device === operation.deviceId &&
    stamp.clock !== undefined &&
    stamp.clock > operation.clock
  )
}

export interface Merged {
  readonly set: Readonly<Record<string, unknown>>
  /** All that are open afterwards. */
  readonly conflicts: readonly FieldConflict[]
  readonly asks: boolean
}

/**
 * Field by field: what this edit sets, and what is asked because somebody else changed it unseen. An equal value that
 * was written without having seen the other's settles nothing; an open question is settled only by who has seen it.
 */
export function merge(
  row: DocumentRow,
  fields: Readonly<Record<string, unknown>>,
  operation: OperationRecord,
  seen: Seen,
  revision: number,
): Merged {
  const set: Record<string, unknown> = {}
  let conflicts = row.conflicts as FieldConflict[]
  let asks = false
  for (const [field, value] of Object.entries(fields)) {
    const stamp = row.fieldRevisions[field]
    if (superseded(stamp, operation, seen)) continue
    if (knew(stamp, field, operation, seen)) {
      set[field] = value
      conflicts = conflicts
        .filter((open) => open.field !== field || (open.revision ?? 0) > seen.base)
        .map((open) => (open.field === field ? { ...open, theirs: value } : open))
    } else if (!same(row[field], value)) {
      asks = true
      conflicts = [...conflicts, conflictOf(operation, field, row[field], value, revision)]
    }
  }
  return { set, conflicts, asks }
}

export function conflictOf(
  operation: OperationRecord,
  field: string,
  theirs: unknown,
  mine: unknown,
  revision: number,
): FieldConflict {
  return { field, theirs, mine, opId: operation.opId, at: operation.at, revision }
}

/** Fields that somebody changed and the device that removes had not seen. */
export function unseen(row: DocumentRow, operation: OperationRecord, seen: Seen): readonly string[] {
  return Object.entries(row.fieldRevisions)
    .filter(([field, stamp]) => field !== REMOVAL && !knew(stamp, field, operation, seen))
    .map(([field]) => field)
}
