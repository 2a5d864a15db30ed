import type { OperationRequest } from '@diarmos/contract'
import { LOAD_NAMES } from '@diarmos/core/words/drainLoad'

type Counts = OperationRequest<'drain-load'>['fixtures']
/** More than anyone counts. */
export const MOST_OF_EACH = 50

/** How many of each out of an address, `basin.2_tub.1`, and what is wrong with the link where it cannot be read. */
export function decodeCounts(text: string | undefined): { counts: Counts; fault: string | null } {
  const counts: Counts = {}
  for (const part of (text ?? '').split('_').filter(Boolean)) {
    const [id = '', given = '', ...more] = part.split('.')
    const count = Number(given)
    if (!Object.hasOwn(LOAD_NAMES, id) || !/^\d+$/.test(given) || count > MOST_OF_EACH || more.length > 0)
      return { counts: {}, fault: 'The link holds a count that cannot be.' }
    counts[id as keyof Counts] = count
  }
  return { counts, fault: null }
}

/** How many of each, as they stand in an address. */
export const encodeCounts = (counts: Counts): string =>
  Object.entries(counts)
    .filter(([, count]) => count)
    .map(([id, count]) => `${id}.${count}`)
    .join('_')
