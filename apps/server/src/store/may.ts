import type { EntityKind, OperationRecord, SessionResponse } from '@diarmos/contract'

export type Role = SessionResponse['person']['role']

const CLOSING = ['state', 'closedAt', 'closedBy']
/** What goes for good, or takes much along. */
const GRAVE: ReadonlySet<EntityKind> = new Set(['property', 'point', 'job', 'contact'])

/**
 * Whether a person's edit holds at once or waits as a proposal: prices, rules and the shop's own document are the
 * owner's; findings, chosen ways, closings and removals are for those who answer for them.
 */
export function mustPropose(role: Role, operation: OperationRecord, exists: boolean): boolean {
  if (role === 'owner') return false
  if (operation.kind === 'settings') return true
  if (role === 'technician') return false
  if (operation.remove) return GRAVE.has(operation.kind) || ['finding', 'mating'].includes(operation.kind)
  if (operation.kind === 'job')
    return exists ? CLOSING.some((field) => field in operation.patch) : operation.patch.state === 'closed'
  return operation.kind === 'finding' || operation.kind === 'mating'
}

/** Who may take or decline a proposal; who made it may always take it back. */
export function mayDecide(
  person: { readonly personId: string; readonly role: Role },
  proposal: { readonly kind: unknown; readonly byId: unknown },
  state: unknown,
): boolean {
  if (state === 'declined' && proposal.byId === person.personId) return true
  return person.role === 'owner' || (person.role === 'technician' && proposal.kind !== 'settings')
}
