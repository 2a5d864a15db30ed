import { type BesidesId, SLAB_USES, wasteActs } from '../assembly/acts/wastes'
import type { Conditions } from '../assembly/conditions'

interface Place {
  /** What the line ends at, by its kind. */
  readonly kind: string | undefined
  readonly conditions: Pick<Conditions, 'access' | 'slabMm'>
}

/** What is laid out besides the parts of some lines, once each: for the wastes that they end at, and for concrete over them. */
export function besidesFor(places: readonly Place[]): readonly BesidesId[] {
  const ids = places.flatMap(({ kind, conditions: { access, slabMm } }) => [
    ...(wasteActs(kind)?.uses ?? []),
    ...(access === 'buried' && (slabMm ?? 0) > 0 ? SLAB_USES : []),
  ])
  return [...new Set(ids)]
}
