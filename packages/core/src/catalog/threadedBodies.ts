import type { Source } from '../reference/source'
import type { NominalSize } from '../reference/types'

const IN = 25.4
type Lengths = Readonly<Partial<Record<NominalSize, number>>>

/** Lengths of threaded fittings as one standard has them, mm; what a table lacks is typical of the kind. */
export interface ThreadedBodies {
  readonly source: Source
  /** From the middle to each end of an elbow or tee. */
  readonly square: Lengths
  /** The same of an eighth bend. */
  readonly eighth: Lengths
  /** Over all. */
  readonly coupling: Lengths
  /** Over all, by the larger end. */
  readonly reducer: Lengths
  /** From the middle of a street elbow to the tip of its male leg; its female leg is an elbow's. */
  readonly street: Lengths
  /** Over all, made up. */
  readonly union: Lengths
}

const SIZES = ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'] as const
/** One figure for each size from 1/8 in to 2 in; NaN where there is none. */
function row(figures: readonly number[], unitMm = 1): Lengths {
  const pairs = SIZES.map((size, index) => [size, (figures[index] ?? Number.NaN) * unitMm] as const)
  return Object.fromEntries(pairs.filter(([, mm]) => !Number.isNaN(mm)))
}
const NONE = Number.NaN

/** Malleable iron, class 150. */
export const MALLEABLE_150: ThreadedBodies = {
  source: {
    title: 'ASME B16.3 malleable iron threaded fittings, class 150',
    table: 'centre to end, and over all; unions by B16.39, typical',
    certainty: 'recalled',
  },
  square: row([0.69, 0.81, 0.95, 1.12, 1.31, 1.5, 1.75, 1.94, 2.25], IN),
  eighth: row([NONE, 0.73, 0.8, 0.88, 0.98, 1.12, 1.29, 1.43, 1.68], IN),
  coupling: row([0.96, 1.06, 1.16, 1.34, 1.52, 1.67, 1.93, 2.15, 2.53], IN),
  reducer: row([NONE, 1, 1.13, 1.25, 1.44, 1.69, 2.06, 2.31, 2.81], IN),
  street: row([1, 1.19, 1.44, 1.63, 1.89, 2.14, 2.45, 2.69, 3.26], IN),
  union: row([NONE, NONE, 1.58, 1.75, 1.96, 2.16, 2.42, 2.57, 2.93], IN),
}

/** Malleable iron with 55 degree threads. */
export const MALLEABLE_55: ThreadedBodies = {
  source: {
    title: 'EN 10242 threaded fittings in malleable cast iron',
    table: 'A1, A1/45, A4, B1, M2, M2 reducing, U11',
    certainty: 'recalled',
  },
  square: row([19, 21, 25, 28, 33, 38, 45, 50, 58]),
  eighth: row([NONE, NONE, 20, 22, 25, 28, 33, 36, 43]),
  coupling: row([25, 27, 30, 36, 39, 45, 50, 55, 65]),
  reducer: row([NONE, 27, 30, 36, 39, 45, 50, 55, 65]),
  street: row([25, 28, 32, 37, 43, 52, 60, 65, 74]),
  union: row([NONE, NONE, 45, 48, 52, 58, 65, 70, 78]),
}

/** Thread and head of a hexagon bushing or a plug, by its male end: ASME B16.14, recalled. */
export const BUSHING_MM: Lengths = row(
  [
    NONE,
    0.44 + 0.14,
    0.48 + 0.16,
    0.56 + 0.19,
    0.63 + 0.22,
    0.75 + 0.25,
    0.8 + 0.28,
    0.83 + 0.31,
    0.88 + 0.34,
  ],
  IN,
)
export const B16_14: Source = {
  title: 'ASME B16.14 ferrous pipe plugs, bushings and locknuts with pipe threads',
  table: 'hexagon bushings: length of thread and height of hexagon',
  certainty: 'recalled',
}

/** Close nipples, thread all over. */
export const CLOSE_NIPPLE_MM: Lengths = row([0.75, 0.875, 1, 1.125, 1.375, 1.5, 1.625, 1.75, 2], IN)
export const A733: Source = {
  title: 'ASTM A733 pipe nipples',
  table: 'lengths; close',
  certainty: 'recalled',
}
