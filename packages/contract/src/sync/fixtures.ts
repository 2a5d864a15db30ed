import { type Body, bodiesOf } from '@diarmos/core/bodies'

type Fields = Record<string, unknown>
interface Conflict {
  readonly field: string
  readonly theirs: unknown
  readonly mine: unknown
}

/** Until version 3 a job said what goes in by one text: kinds with plus signs between, the main one first. */
const OLD = 'fixtureId'
const NEW = 'fixtures'

/** The bodies that such a text stood for; none where nothing was said. */
export function fixturesOf(text: string | null): Body[] {
  return text ? bodiesOf(text.split('+')) : []
}

const isOld = (value: unknown): value is string | null => value === null || typeof value === 'string'

/** Fields of a job, or some of them, with what goes in as bodies; others pass as they are. */
export function liftFixtures(kind: string, fields: Fields): Fields {
  if (kind === 'proposal' && typeof fields.kind === 'string' && fields.patch)
    return { ...fields, patch: liftFixtures(fields.kind, fields.patch as Fields) }
  if (kind !== 'job' || !isOld(fields[OLD])) return fields
  const { [OLD]: text, ...rest } = fields
  return NEW in rest ? rest : { ...rest, [NEW]: fixturesOf(text as string | null) }
}

/** A field that was changed twice, likewise. */
export function liftConflict<Kept extends Conflict>(kind: string, conflict: Kept): Kept {
  if (kind !== 'job' || conflict.field !== OLD) return conflict
  const lifted = (value: unknown) => (isOld(value) ? fixturesOf(value) : value)
  return { ...conflict, field: NEW, theirs: lifted(conflict.theirs), mine: lifted(conflict.mine) }
}

/** What is kept by the name of a field: who changed it last. */
export function liftNames<Value>(
  kind: string,
  byField: Readonly<Record<string, Value>>,
): Record<string, Value> {
  if (kind !== 'job' || !(OLD in byField)) return byField
  const { [OLD]: value, ...rest } = byField
  return { [NEW]: value as Value, ...rest }
}
