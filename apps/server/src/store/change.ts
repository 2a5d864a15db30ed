import { mustPropose } from './may'
import { decide, propose } from './propose'
import { put } from './put'
import { type Outcome, repositoryOf, type Work } from './work'

/** Applies the operation to its document, or turns it into a proposal. */
export async function change(work: Work): Promise<Outcome> {
  const { operation, actor } = work
  if (operation.kind === 'proposal') return decide(work)
  const row = await repositoryOf(work, operation.kind).findOneBy({ shopId: actor.shopId, id: operation.id })
  if (mustPropose(actor.role, operation, row !== null)) return propose(work, row)
  return put(work, row)
}
