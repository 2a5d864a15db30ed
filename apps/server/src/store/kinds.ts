import { ENTITY_KINDS, type EntityKind, entities } from '@diarmos/contract'

/** Kinds that belong to one job, in the order in which they depend; what waits for a word is no part of it. */
export const OF_JOB: readonly EntityKind[] = ENTITY_KINDS.filter(
  (kind) => 'jobId' in entities[kind].shape && kind !== 'proposal',
)
