import type { Source } from '../reference/source'

/** Something flat that is sold by its thickness. */
export interface Stock {
  readonly id: string
  readonly mm: number
  readonly source: Source
}

const PLY: Source = { title: 'PS 1: performance categories of plywood', certainty: 'recalled' }
const SAWN: Source = {
  title: 'PS 20: dressed thickness of boards and dimension lumber',
  certainty: 'recalled',
}
const stock = (id: string, inches: number, source: Source): Stock => ({ id, mm: inches * 25.4, source })

/** What valves are shimmed with, thinnest first: as it is sold, not as it is called. */
export const SHIM_STOCK: readonly Stock[] = [
  stock('ply-1/4', 1 / 4, PLY),
  stock('ply-3/8', 3 / 8, PLY),
  stock('ply-15/32', 15 / 32, PLY),
  stock('ply-19/32', 19 / 32, PLY),
  stock('ply-23/32', 23 / 32, PLY),
  stock('board-3/4', 3 / 4, SAWN),
  stock('lumber-1-1/2', 3 / 2, SAWN),
]

/** More pieces than anybody puts behind a valve. */
export const MOST_SHIMS = 4

/** What to put behind a valve: pieces, thickest first, and how thick they are together. */
export interface Shims {
  readonly ids: readonly string[]
  readonly mm: number
}

/**
 * The fewest pieces of stock whose thickness together lies within two bounds, and of those the nearest to their middle.
 * Exact: every set of at most `MOST_SHIMS` pieces is looked at, in the order of their number; 329 sets of seven.
 *
 * @param leastMm that is needed; nothing is put behind where it is not above nothing
 * @param mostMm that is allowed
 * @returns null where no such set lies within
 */
export function shims(leastMm: number, mostMm: number): Shims | null {
  if (leastMm <= 0) return { ids: [], mm: 0 }
  const middle = (leastMm + mostMm) / 2
  for (let count = 1; count <= MOST_SHIMS; count++) {
    let best: Shims | null = null
    for (const set of sets(count, SHIM_STOCK.length - 1)) {
      const mm = set.reduce((sum, { mm: thickness }) => sum + thickness, 0)
      if (mm < leastMm || mm > mostMm) continue
      if (!best || Math.abs(mm - middle) < Math.abs(best.mm - middle))
        best = { ids: set.map(({ id }) => id), mm }
    }
    if (best) return best
  }
  return null
}

/** Sets of so many pieces, none thicker than a piece of the table. */
function* sets(count: number, thickest: number): Generator<readonly Stock[]> {
  if (count === 0) return yield []
  for (let index = thickest; index >= 0; index--)
    for (const rest of sets(count - 1, index)) yield [SHIM_STOCK[index] as Stock, ...rest]
}
