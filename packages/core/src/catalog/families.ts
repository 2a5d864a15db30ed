import { supplyConnectors } from './connectors'
import { tubePieces } from './pieces'
import { specialFittings } from './special'
import { threadedFittings } from './threadedFittings'
import { tubeFittings } from './tubeFittings'
import type { Fitting } from './types'
import { valves } from './valves'

/** Every generic part, in one fixed order: families × the sizes really made. */
export const CATALOG: readonly Fitting[] = [
  ...valves(),
  ...tubeFittings(),
  ...threadedFittings(),
  ...specialFittings(),
  ...tubePieces(),
  ...supplyConnectors(),
]

const BY_ID = new Map(CATALOG.map((fitting) => [fitting.id, fitting]))

/** The part of that id, or undefined. */
export function fittingById(id: string): Fitting | undefined {
  return BY_ID.get(id)
}
