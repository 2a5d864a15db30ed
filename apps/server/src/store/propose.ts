import { entities, type OperationRecord } from '@diarmos/contract'
import { mayDecide } from './may'
import { put } from './put'
import { type DocumentRow, documents } from './schemas'
import { asRow, check, fault, type Outcome, repositoryOf, stampOf, type Work } from './work'

/** Keeps an edit that its maker may not make alone, for somebody's word. Nothing else changes. */
export async function propose(work: Work, row: DocumentRow | null): Promise<Outcome> {
  const { operation, actor } = work
  const { faults } = check(operation, row !== null)
  if (faults.length > 0) return { faults }
  if (operation.remove && row === null) return fault('id', `there is no such ${operation.kind}`)
  const jobId =
    operation.kind === 'job' ? operation.id : (operation.patch.jobId ?? (row?.jobId as string) ?? null)
  const fields = {
    jobId: jobId as string | null,
    kind: operation.kind,
    entityId: operation.id,
    patch: operation.patch,
    removes: operation.remove,
    byId: actor.personId,
    state: 'open',
    decidedBy: null,
    proposedAt: operation.at,
  }
  const revision = work.take()
  const stamp = stampOf(work, revision)
  await repositoryOf(work, 'proposal').insert(
    asRow({
      ...fields,
      shopId: actor.shopId,
      id: operation.opId,
      revision,
      removed: false,
      clock: operation.clock,
      fieldRevisions: Object.fromEntries(Object.keys(fields).map((field) => [field, stamp])),
      conflicts: [],
    }),
  )
  return { status: 'proposed' }
}

/** Takes or declines a proposal; taken, its edit is made, in the name of who takes it. */
export async function decide(work: Work): Promise<Outcome> {
  const { operation, actor, manager } = work
  const { shopId } = actor
  const repository = repositoryOf(work, 'proposal')
  const row = await repository.findOneBy({ shopId, id: operation.id })
  if (!row || operation.remove) return fault('id', 'proposals are written by the shop’s server')
  const parsed = entities.proposal.pick({ state: true }).strict().safeParse(operation.patch)
  if (!parsed.success || parsed.data.state === 'open')
    return fault('patch.state', 'a proposal is taken or declined')
  const { state } = parsed.data
  if (row.state !== 'open')
    return row.state === state ? { status: 'applied' } : fault('patch.state', `was already ${row.state}`)
  if (!mayDecide(actor, row as never, state))
    return fault('patch.state', 'is for an owner or a technician to say; settings for the owner')
  let status: 'applied' | 'conflict' = 'applied'
  if (state === 'taken') {
    const kind = row.kind as OperationRecord['kind']
    const target = await manager
      .getRepository<DocumentRow>(documents[kind])
      .findOneBy({ shopId, id: row.entityId as string })
    const own = Object.entries(target?.fieldRevisions ?? {}).flatMap(([field, stamp]) =>
      stamp.device === operation.deviceId && stamp.op ? [[field, stamp.op]] : [],
    )
    const inner: Work = {
      ...work,
      operation: {
        ...operation,
        kind,
        id: row.entityId as string,
        // who answers for it is who takes it
        patch: unsigned(row.patch as Record<string, unknown>),
        remove: row.removes as boolean,
        prior: Object.fromEntries(own),
      },
    }
    const outcome = await put(inner, target)
    if ('faults' in outcome || outcome.status === 'later') return outcome
    if (outcome.status === 'conflict') status = 'conflict'
  }
  const revision = work.take()
  await repository.update(
    { shopId, id: row.id },
    asRow({
      state,
      decidedBy: actor.personId,
      revision,
      clock: operation.clock,
      fieldRevisions: { ...row.fieldRevisions, state: stampOf(work, revision) },
    }),
  )
  return { status }
}

function unsigned({ confirmedBy: _c, closedBy: _b, ...patch }: Record<string, unknown>) {
  return patch
}
