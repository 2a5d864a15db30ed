import { type BesidesId, HEATER_USES, SLAB_USES } from '../assembly/acts/besides'
import { wasteActs } from '../assembly/acts/wastes'
import { bodyKind } from '../assembly/bodies'

interface Place {
  /** What the line ends at, by its kind. */
  readonly kind: string | undefined
  /** Concrete is cut open over it: `opensSlab`. */
  readonly opens: boolean
  /** What it ends at was there before, and stays. */
  readonly stays?: boolean
}

/** What is laid out besides the parts of some lines, once each: for the wastes and heaters that they end at, and for concrete over them. */
export function besidesFor(places: readonly Place[]): readonly BesidesId[] {
  const ids = places.flatMap(({ kind, opens, stays = false }) => [
    ...(wasteActs(kind)?.uses ?? []),
    ...(!stays && bodyKind(kind ?? '')?.contents.includes('element') ? HEATER_USES : []),
    ...(opens ? SLAB_USES : []),
  ])
  return [...new Set(ids)]
}
