import { type EntityKind, REMOVAL } from '@diarmos/contract'
import { MoreThan, Not } from 'typeorm'
import { OF_JOB } from './kinds'
import { conflictOf, unseen } from './merge'
import { alsoAt } from './points'
import type { DocumentRow } from './schemas'
import { asRow, fault, type Outcome, repositoryOf, stampOf, type Work } from './work'

/** What goes with a house, a point; in the order in which it goes. */
const TAKES: Readonly<Partial<Record<EntityKind, readonly (readonly [EntityKind, string])[]>>> = {
  property: [
    ['point', 'propertyId'],
    ['job', 'propertyId'],
    ['contact', 'propertyId'],
  ],
  point: [['job', 'pointId']],
}
const GROUP: readonly EntityKind[] = ['property', 'point', 'job', 'contact']

const WORDS: Readonly<Partial<Record<EntityKind, string>>> = {
  property: 'in this house',
  point: 'at this point',
}

/**
 * Takes a document away, with what goes along. One that somebody changed unseen stays, and someone is asked; a house
 * or point with an open job is refused.
 */
export async function remove(work: Work, row: DocumentRow): Promise<Outcome> {
  const { operation, seen, actor } = work
  const { shopId } = actor
  const { kind } = operation
  if (row.removed) return { status: 'applied' }
  const takes = TAKES[kind] ?? []
  const along: { kind: EntityKind; row: DocumentRow }[] = []
  for (const [of, field] of takes) {
    const rows = await repositoryOf(work, of).findBy(asRow({ shopId, [field]: row.id, removed: false }))
    along.push(...rows.map((found) => ({ kind: of, row: found })))
  }
  const open = { shopId, state: 'open', removed: false }
  const alsoOpen =
    kind === 'point' && (await repositoryOf(work, 'job').existsBy(asRow({ ...open, ...alsoAt(row.id) })))
  if (alsoOpen || along.some((entry) => entry.kind === 'job' && entry.row.state === 'open'))
    return fault('remove', `a job ${WORDS[kind]} is still open`)

  const jobs =
    kind === 'job' ? [row] : along.filter((entry) => entry.kind === 'job').map(({ row: job }) => job)
  const changed =
    [row, ...along.map((entry) => entry.row)].some((held) => unseen(held, operation, seen).length > 0) ||
    (await changedBelow(work, jobs))
  const repository = repositoryOf(work, kind)
  if (changed) {
    const revision = work.take()
    await repository.update(
      { shopId, id: row.id },
      asRow({
        revision,
        conflicts: [...row.conflicts, conflictOf(operation, REMOVAL, false, true, revision)],
      }),
    )
    return { status: 'conflict' }
  }
  for (const entry of [...along, { kind, row }]) {
    const revision = work.take()
    // what is said of a person is erased for good, not only hidden; with its house it may come back
    const erased = kind === 'contact' ? { name: '', phone: '', email: '' } : {}
    await repositoryOf(work, entry.kind).update(
      { shopId, id: entry.row.id },
      asRow({
        ...erased,
        removed: true,
        removedBy: operation.opId,
        revision,
        clock: operation.clock,
        conflicts: [],
        fieldRevisions: { ...entry.row.fieldRevisions, [REMOVAL]: stampOf(work, revision) },
      }),
    )
  }
  return { status: 'applied' }
}

/** Whether another device added to jobs what the one that removes had not seen. */
async function changedBelow(work: Work, jobs: readonly DocumentRow[]): Promise<boolean> {
  const { operation, seen, actor } = work
  for (const job of jobs)
    for (const kind of OF_JOB) {
      const rows = await repositoryOf(work, kind).findBy(
        asRow({
          shopId: actor.shopId,
          jobId: job.id,
          revision: MoreThan(seen.base),
        }),
      )
      const others = rows.flatMap((row) =>
        Object.values(row.fieldRevisions).filter(
          (stamp) => stamp.revision > seen.base && stamp.device !== operation.deviceId,
        ),
      )
      if (others.length > 0) return true
    }
  return false
}

/** Brings back what went by the same removal as a document, that document itself apart. */
export async function revive(work: Work, row: DocumentRow): Promise<true> {
  if (!row.removedBy) return true
  const { shopId } = work.actor
  for (const kind of GROUP) {
    const repository = repositoryOf(work, kind)
    const rows = await repository.findBy(asRow({ shopId, removedBy: row.removedBy, id: Not(row.id) }))
    for (const held of rows) {
      const { [REMOVAL]: _gone, ...stamps } = held.fieldRevisions
      await repository.update(
        { shopId, id: held.id },
        asRow({
          removed: false,
          removedBy: null,
          revision: work.take(),
          clock: work.operation.clock,
          fieldRevisions: stamps,
        }),
      )
    }
  }
  return true
}
