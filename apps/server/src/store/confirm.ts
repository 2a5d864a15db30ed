import type { Fault } from './readable'
import type { DocumentRow } from './schemas'
import type { Work } from './work'

/** Fields that name a person who answers for something. */
const NAMES = { finding: 'confirmedBy', mating: 'confirmedBy', job: 'closedBy', visit: 'personId' } as const

const nameOf = (kind: string): string | undefined => (NAMES as Readonly<Record<string, string>>)[kind]

/** Nobody writes in another person's name: faults where an edit would. What already stands may be said again. */
export function isOurs(
  { operation, actor }: Work,
  row: DocumentRow | null,
  fields: Readonly<Record<string, unknown>>,
): Fault[] {
  const field = nameOf(operation.kind)
  const value = field ? fields[field] : undefined
  if (!field || value === undefined || value === null) return []
  return value === actor.personId || value === row?.[field]
    ? []
    : [{ path: `patch.${field}`, message: 'is another person' }]
}

/** With who confirmed it: whoever takes a finding, chooses a way or closes a job answers for it. */
export function signed(
  { operation, actor }: Work,
  row: DocumentRow | null,
  fields: Readonly<Record<string, unknown>>,
): Record<string, unknown> {
  const stands = (field: string) => row !== null && field in fields && fields[field] === row[field]
  if (Object.keys(fields).length === 0) return {}
  if (operation.kind === 'finding' || operation.kind === 'mating')
    return { ...fields, confirmedBy: stands('confirmedBy') ? row?.confirmedBy : actor.personId }
  if (operation.kind === 'job' && 'state' in fields)
    return { ...fields, closedBy: fields.state === 'closed' ? actor.personId : null }
  return { ...fields }
}
