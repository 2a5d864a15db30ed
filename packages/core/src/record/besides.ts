import { type BesidesId, SLAB_USES, wasteActs } from '../assembly/acts/wastes'

interface Place {
  /** What the line ends at, by its kind. */
  readonly kind: string | undefined
  /** Concrete is cut open over it: `opensSlab`. */
  readonly opens: boolean
}

/** What is laid out besides the parts of some lines, once each: for the wastes that they end at, and for concrete over them. */
export function besidesFor(places: readonly Place[]): readonly BesidesId[] {
  const ids = places.flatMap(({ kind, opens }) => [
    ...(wasteActs(kind)?.uses ?? []),
    ...(opens ? SLAB_USES : []),
  ])
  return [...new Set(ids)]
}
