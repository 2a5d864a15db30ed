import type { LocalTransaction } from './database'
import type { EntityKind, OperationRecord } from './types'

/** Edits of this phone that lie on a document: those that wait for somebody's word, then those not sent yet. */
export async function overlay(
  transaction: LocalTransaction,
  { kind, id }: { readonly kind: EntityKind; readonly id: string },
): Promise<OperationRecord[]> {
  const [waiting, queued] = await Promise.all([
    transaction.objectStore('waiting').index('doc').getAll([kind, id]),
    transaction.objectStore('queue').index('doc').getAll([kind, id]),
  ])
  return [...waiting.sort((a, b) => (a.clock < b.clock ? -1 : 1)), ...queued]
}
