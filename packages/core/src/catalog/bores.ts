import { isMetricSystem, nominalNumber } from '../reference/types'
import type { PortSystem } from './types'

/**
 * What a metric tube stands for where it meets inch threads, eighths of an inch, by outside diameter in mm. Common
 * practice, by what adapters are sold for: 15 and 16 mm go with a half inch, 22 and 25 with three quarters, 42 copper and
 * 50 plastic with an inch and a half. The test ties it to the bores of the pipes themselves.
 */
const METRIC_EIGHTHS: readonly (readonly [upToMm: number, eighths: number])[] = [
  [8, 2],
  [12, 3],
  [16, 4],
  [20, 5],
  [26, 6],
  [32, 8],
  [40, 10],
  [50, 12],
  [54, 16],
  [63, 16],
]
/** Named by what it measures outside: the bore is an eighth less. */
const OUTSIDE_NAMED: ReadonlySet<PortSystem> = new Set(['OD', 'UNF'])
/** Threads and fixtures' own ends that are named after something else than a bore. */
const NO_BORE: ReadonlySet<PortSystem> = new Set(['NH', 'FV'])

/**
 * The size of the way through an end as it is spoken of, in eighths of an inch, whatever its system: for what a line
 * may not do from size to size. Null where the name says nothing of a bore.
 */
export function boreEighths({
  system,
  nominal,
}: {
  readonly system: PortSystem
  readonly nominal: string
}): number | null {
  if (NO_BORE.has(system)) return null
  const named = nominalNumber(nominal)
  if (Number.isNaN(named)) return null
  if (isMetricSystem(system as 'metric'))
    return METRIC_EIGHTHS.find(([upToMm]) => named <= upToMm)?.[1] ?? null
  const eighths = named * 8
  return OUTSIDE_NAMED.has(system) ? eighths - 1 : eighths
}
