import { REMOVAL } from '@diarmos/contract/sync'
import type { Doc, Held, OperationRecord, ServerCopy } from './types'

/** What the shop has of a document that no edit of this phone lies on. */
export function copyOf(doc: Held): ServerCopy {
  if (doc.server !== undefined && doc.server !== null) return doc.server
  const { revision, removed, clock, fields, conflicts } = doc
  return { revision, removed, clock, fields, conflicts }
}

/** A document with one edit on top, as the screen shows it before the server has heard of it. */
export function withEdit(copy: ServerCopy | null, operation: OperationRecord): ServerCopy {
  const settles = Object.keys(operation.patch)
  // an edit of nothing settles a removal that is asked about
  const settled = (field: string) =>
    settles.includes(field) || (field === REMOVAL && (settles.length === 0 || operation.remove))
  return {
    revision: copy?.revision ?? 0,
    ...(copy?.floor === undefined ? {} : { floor: copy.floor }),
    removed: operation.remove,
    clock: operation.clock,
    fields: { ...copy?.fields, ...operation.patch } as Doc['fields'],
    conflicts: (copy?.conflicts ?? []).filter((conflict) => !settled(conflict.field)),
  }
}

/** Which fields an edit sets, for the question whether another of the same device had seen it. */
export function ownFields(operation: OperationRecord): Record<string, string> {
  const fields = operation.remove ? [REMOVAL] : Object.keys(operation.patch)
  return Object.fromEntries(fields.map((field) => [field, operation.opId]))
}

/**
 * The shop's copy with the phone's waiting edits on top, in their order; null where nothing is left.
 *
 * @param known own edits that the shop has acknowledged and this copy may not show yet
 */
export function rebuild(
  { kind, id }: Pick<Doc, 'kind' | 'id'>,
  copy: ServerCopy | null,
  operations: readonly OperationRecord[],
  { epoch, turn, known = {} }: { epoch: number; turn: number; known?: Readonly<Record<string, string>> },
): Held | null {
  if (copy === null && operations.length === 0) return null
  const shown = operations.reduce<ServerCopy | null>(withEdit, copy) as ServerCopy
  const { floor: _floor, ...doc } = shown
  return {
    kind,
    id,
    ...doc,
    revision: copy?.revision ?? 0,
    epoch,
    turn,
    own: Object.assign({}, known, ...operations.map(ownFields)),
    ...(operations.length > 0 || copy?.floor !== undefined ? { server: copy } : {}),
  }
}

/** Which of two documents the shop heard of later; what it has not heard of is later still. */
export function byHeard(a: Pick<Doc, 'revision' | 'clock'>, b: Pick<Doc, 'revision' | 'clock'>): number {
  const heard = (doc: Pick<Doc, 'revision'>) => doc.revision || Number.POSITIVE_INFINITY
  const [one, other] = [heard(a), heard(b)]
  if (one !== other) return one - other
  return a.clock < b.clock ? -1 : a.clock > b.clock ? 1 : 0
}
