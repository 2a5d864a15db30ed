import type { Medium } from '../reference/materials'
import { supplyConnectors } from './connectors'
import { drainParts } from './drains'
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
  ...drainParts(),
]

const BY_MEDIUM: Readonly<Record<Medium, readonly Fitting[]>> = {
  supply: CATALOG.filter((fitting) => mediumOfPart(fitting) === 'supply'),
  drain: CATALOG.filter((fitting) => mediumOfPart(fitting) === 'drain'),
}

/** What a part carries: all its ports are of one medium. */
export function mediumOfPart({ ports }: Pick<Fitting, 'ports'>): Medium {
  return ports[0]?.medium ?? 'supply'
}

/** The parts of one medium: a line of water never meets those of a drain. */
export function catalogueOf(medium: Medium): readonly Fitting[] {
  return BY_MEDIUM[medium]
}

const BY_ID = new Map(CATALOG.map((fitting) => [fitting.id, fitting]))

/** The part of that id, or undefined. */
export function fittingById(id: string): Fitting | undefined {
  return BY_ID.get(id)
}
