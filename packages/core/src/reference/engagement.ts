import type { Source } from './source'
import { BSP, NPT } from './threads'
import type { DimensionalSystem, NominalSize } from './types'

const IN = 25.4

/** How far a pipe goes into an end, as a range in mm: least that holds, and full depth. */
export interface Engagement {
  readonly minMm: number
  readonly maxMm: number
  readonly source: Source
}

const B16_22: Source = {
  title: 'ASME B16.22 wrought copper solder-joint fittings',
  table: 'dimensions of solder joint ends',
  certainty: 'recalled',
}
const EN1254_1: Source = {
  title: 'EN 1254-1 capillary fittings',
  table: 'lengths of engagement, end feed',
  certainty: 'recalled',
}
const D2846_SOCKET: Source = {
  title: 'ASTM D2846',
  table: 'tapered socket dimensions',
  certainty: 'recalled',
}
const makersSheet = (title: string): Source => ({ title, certainty: "maker's sheet" })

/** The copper-tube and metric sizes that one figure each is kept for. */
type TubeSize = `${'CTS' | 'metric'}:${NominalSize}`

const CUP_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 0.38 * IN,
  'CTS:1/2': 0.5 * IN,
  'CTS:3/4': 0.75 * IN,
  'CTS:1': 0.91 * IN,
  'metric:10': 7.8,
  'metric:12': 8.6,
  'metric:15': 10.6,
  'metric:22': 15.4,
  'metric:28': 18.4,
}

const CEMENT_SOCKET_MM: Partial<Record<TubeSize, number>> = {
  'CTS:1/2': 0.5 * IN,
  'CTS:3/4': 0.7 * IN,
  'CTS:1': 0.9 * IN,
}

const PUSH_FIT_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 22,
  'CTS:1/2': 24,
  'CTS:3/4': 28.5,
  'CTS:1': 33,
  'metric:10': 20,
  'metric:12': 20,
  'metric:15': 25,
  'metric:22': 29,
  'metric:28': 32,
}

// tube inside a compression body, from the mouth of the body to its stop
const COMPRESSION_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 9,
  'CTS:1/2': 11,
  'CTS:3/4': 13,
  'CTS:1': 15,
  'metric:10': 9,
  'metric:12': 10,
  'metric:15': 11.5,
  'metric:22': 13,
  'metric:28': 15,
}

const CRIMP_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 15,
  'CTS:1/2': 16,
  'CTS:3/4': 17.5,
  'CTS:1': 21,
}

const EXPANSION_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 14,
  'CTS:1/2': 16,
  'CTS:3/4': 22,
  'CTS:1': 28,
}

const TABLES = {
  'solder-cup': { mm: CUP_MM, slack: 1 },
  'cement-socket': { mm: CEMENT_SOCKET_MM, slack: 1.5 },
  'push-fit': { mm: PUSH_FIT_MM, slack: 1 },
  compression: { mm: COMPRESSION_MM, slack: 2 },
  'insert-barb': { mm: CRIMP_MM, slack: 1 },
  'expansion-barb': { mm: EXPANSION_MM, slack: 1 },
} as const

export type TubeEnd = keyof typeof TABLES

function sourceOf(end: TubeEnd, system: DimensionalSystem): Source {
  switch (end) {
    case 'solder-cup':
      return system === 'metric' ? EN1254_1 : B16_22
    case 'cement-socket':
      return D2846_SOCKET
    case 'push-fit':
      return makersSheet('Push-fit insertion depth, typical')
    case 'compression':
      return makersSheet('Compression body depth, typical')
    case 'insert-barb':
      return makersSheet('Insert fitting barb length, typical')
    case 'expansion-barb':
      return makersSheet('Expansion fitting barb length, typical')
  }
}

/**
 * How far tube goes into (or over) a fitting end.
 *
 * @returns the range in mm with its source, or undefined where that end is not made in that size
 */
export function tubeEngagement(
  end: TubeEnd,
  system: DimensionalSystem,
  nominal: NominalSize,
): Engagement | undefined {
  const table = TABLES[end]
  const maxMm = table.mm[`${system}:${nominal}` as TubeSize]
  if (maxMm === undefined) return undefined
  return { minMm: maxMm - table.slack, maxMm, source: sourceOf(end, system) }
}

/**
 * Make-up of a taper thread: hand-tight length plus one to three turns of the wrench.
 * ASME B1.20.1 gives L1 and three threads of wrench make-up (L3); the 55 degree taper is treated alike.
 */
export function threadEngagement(system: 'NPT' | 'BSP', nominal: NominalSize): Engagement | undefined {
  const thread = (system === 'NPT' ? NPT : BSP).find((row) => row.nominal === nominal)
  if (!thread) return undefined
  const pitch = IN / thread.threadsPerInch
  return {
    minMm: thread.handTightMm + pitch,
    maxMm: thread.handTightMm + 3 * pitch,
    source: { ...thread.source, certainty: 'formula' },
  }
}
