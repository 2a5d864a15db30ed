import { entities, REMOVAL } from '@diarmos/contract'
import { belongs } from './belongs'
import { isOurs, signed } from './confirm'
import { conflictOf, knew, merge } from './merge'
import { pointsOf } from './points'
import { remove, revive } from './removal'
import type { DocumentRow } from './schemas'
import { asRow, check, fault, type Outcome, repositoryOf, stampOf, type Work } from './work'

/** Applies the operation to its document. */
export async function put(work: Work, row: DocumentRow | null): Promise<Outcome> {
  const { operation, seen } = work
  // after a restore the beginning of a document may come from another phone yet
  const complete = row !== null || check(operation, false).faults.length === 0
  if (row === null && seen.replayed && (operation.remove || !complete)) return { status: 'later' }
  const { fields, faults } = check(operation, row !== null)
  if (faults.length > 0) return { faults }
  if (operation.remove) return row ? remove(work, row) : fault('id', `there is no such ${operation.kind}`)
  const foreign = isOurs(work, row, fields)
  if (foreign.length > 0) return { faults: foreign }
  return row === null ? insert(work, signed(work, null, fields)) : update(work, row, fields)
}

async function insert(work: Work, fields: Readonly<Record<string, unknown>>): Promise<Outcome> {
  const { manager, actor, operation } = work
  const faults = await belongs(manager, actor.shopId, operation.kind, null, fields)
  if (faults.length > 0) return { faults }
  const blocked = await reachParents(work, fields, true)
  if (blocked) return blocked
  const revision = work.take()
  const stamp = stampOf(work, revision)
  await repositoryOf(work, operation.kind).insert(
    asRow({
      ...fields,
      shopId: actor.shopId,
      id: operation.id,
      revision,
      removed: false,
      clock: operation.clock,
      fieldRevisions: Object.fromEntries(Object.keys(fields).map((field) => [field, stamp])),
      conflicts: [],
    }),
  )
  return { status: 'applied' }
}

async function update(
  work: Work,
  row: DocumentRow,
  fields: Readonly<Record<string, unknown>>,
): Promise<Outcome> {
  const { manager, actor, operation, seen } = work
  const saw = knew(row.fieldRevisions[REMOVAL], REMOVAL, operation, seen)
  if (operation.kind === 'contact' && row.removed && row.name === '') {
    // what was erased for good comes back whole from whom it was taken, or not at all
    const whole = Object.keys(entities.contact.shape).every((field) => field in fields)
    if (!saw || !whole) return fault('id', 'this contact was erased')
  }
  // refused before anything is written: a fault takes nothing back
  const dry = merge(row, fields, operation, seen, 0)
  const after = { ...row, ...signed(work, row, dry.set) }
  const faults = await belongs(manager, actor.shopId, operation.kind, row, after)
  if (faults.length > 0) return { faults }
  const blocked = await reachParents(work, after, false)
  if (blocked) return blocked

  const revived = row.removed ? await revive(work, row) : false
  const revision = work.take()
  const { set, conflicts, asks } = merge(row, fields, operation, seen, revision)
  const stamp = stampOf(work, revision)
  const signedSet = signed(work, row, set)
  const stamps = { ...row.fieldRevisions }
  if (revived) delete stamps[REMOVAL]
  for (const field of Object.keys(signedSet)) stamps[field] = stamp
  // an edit outlives a removal that it had not seen, and someone is asked
  const outlived = revived && !saw ? [conflictOf(operation, REMOVAL, true, false, revision)] : []
  // an edit of nothing says: keep it
  const keeps = Object.keys(fields).length === 0
  await repositoryOf(work, operation.kind).update(
    { shopId: actor.shopId, id: operation.id },
    asRow({
      ...signedSet,
      removed: false,
      removedBy: null,
      revision,
      clock: operation.clock,
      fieldRevisions: stamps,
      conflicts: [
        ...conflicts.filter(
          (open) => !(keeps && open.field === REMOVAL && (open.revision ?? 0) <= seen.base),
        ),
        ...outlived,
      ],
    }),
  )
  return { status: asks || outlived.length > 0 ? 'conflict' : 'applied' }
}

/**
 * What a document hangs on must be there. Where it was removed unseen it comes back, and someone is asked; where the
 * device knew, a new job in it is refused.
 */
async function reachParents(
  work: Work,
  after: Readonly<Record<string, unknown>>,
  fresh: boolean,
): Promise<Outcome | null> {
  const { operation, seen, actor } = work
  const parents = [
    ['property', after.propertyId],
    ...(operation.kind === 'job' ? pointsOf(after) : [after.pointId]).map((id) => ['point', id] as const),
    ['job', after.jobId],
  ] as const
  for (const [kind, id] of parents) {
    if (typeof id !== 'string') continue
    const repository = repositoryOf(work, kind)
    const parent = await repository.findOneBy({ shopId: actor.shopId, id })
    if (!parent?.removed) continue
    if (knew(parent.fieldRevisions[REMOVAL], REMOVAL, operation, seen)) {
      if (fresh && operation.kind === 'job') return fault(`patch.${kind}Id`, `this ${kind} was removed`)
      continue
    }
    await revive(work, parent)
    const revision = work.take()
    const { [REMOVAL]: _gone, ...stamps } = parent.fieldRevisions
    await repository.update(
      { shopId: actor.shopId, id },
      asRow({
        removed: false,
        removedBy: null,
        revision,
        fieldRevisions: stamps,
        conflicts: [...parent.conflicts, conflictOf(operation, REMOVAL, true, false, revision)],
      }),
    )
  }
  return null
}
