import type { Source } from './source'
import { type NominalSize, nominalNumber } from './types'

type Code = 'IPC' | 'UPC' | 'EN'

/** What drains: what it counts for by each code, and the smallest drain of its own. */
interface LoadRow {
  readonly id: string
  /** Drainage fixture units; by EN discharge units, l/s. */
  readonly units: Readonly<Record<Code, number>>
  readonly leastSize: Readonly<Record<Code, NominalSize>>
  /** Paper and solids: counted apart. */
  readonly closet?: true
}

const row = (
  id: string,
  [ipc, upc, en]: readonly [number, number, number],
  [ipcSize, upcSize, enSize]: readonly [NominalSize, NominalSize, NominalSize],
): LoadRow => ({
  id,
  units: { IPC: ipc, UPC: upc, EN: en },
  leastSize: { IPC: ipcSize, UPC: upcSize, EN: enSize },
})

/** Fixtures of dwellings, from memory of the tables named in `LOAD_SOURCES`: verify. */
export const LOADS = [
  row('basin', [1, 1, 0.5], ['1-1/4', '1-1/4', '40']),
  row('tub', [2, 2, 0.8], ['1-1/2', '1-1/2', '50']),
  row('shower', [2, 2, 0.6], ['1-1/2', '2', '50']),
  row('kitchen-sink', [2, 2, 0.8], ['1-1/2', '1-1/2', '50']),
  row('dishwasher', [2, 2, 0.8], ['1-1/2', '1-1/2', '50']),
  row('laundry-tub', [2, 2, 0.8], ['1-1/2', '1-1/2', '50']),
  row('washing-machine', [2, 3, 0.8], ['2', '2', '50']),
  row('bidet', [1, 1, 0.5], ['1-1/4', '1-1/4', '40']),
  row('floor-drain', [2, 2, 0.8], ['2', '2', '50']),
  { ...row('toilet', [3, 3, 2], ['3', '3', '90']), closet: true },
  { ...row('toilet-older', [4, 4, 2.5], ['3', '3', '100']), closet: true },
] as const satisfies readonly LoadRow[]

/** What one pipe takes at most. */
export interface CapacityRow {
  readonly size: NominalSize
  /** Fixture units; by EN l/s. */
  readonly most: number
  /** Toilets at most; null where the units alone decide. */
  readonly closets: number | null
  /** Of a stack: what may come in on one storey; not said where the code counts the whole alone. */
  readonly storey?: number
}
export type DrainPipe = 'branch' | 'stack' | 'main'

const rows = (
  closets: Readonly<Partial<Record<NominalSize, number>>>,
  most: Readonly<Record<NominalSize, number>>,
  from = '3',
): readonly CapacityRow[] => {
  // names that are whole numbers come first of their own accord
  const sizes = Object.keys(most).sort((a, b) => nominalNumber(a) - nominalNumber(b))
  return sizes.map((size, at) => ({
    size,
    most: most[size] as number,
    // what is too small for a toilet's own drain takes none
    closets: at < sizes.indexOf(from) ? 0 : (closets[size] ?? null),
  }))
}

const IPC_MAIN = {
  '1/8': { '3': 36, '4': 180 },
  '1/4': { '1-1/4': 1, '1-1/2': 3, '2': 21, '2-1/2': 24, '3': 42, '4': 216 },
  '1/2': { '1-1/4': 1, '1-1/2': 3, '2': 26, '2-1/2': 31, '3': 50, '4': 250 },
} as const
/** Of a stack of three storeys at most, on one of them. */
const IPC_STOREY: Readonly<Record<NominalSize, number>> = {
  '1-1/4': 1,
  '1-1/2': 2,
  '2': 6,
  '2-1/2': 9,
  '3': 20,
  '4': 90,
}
const UPC_LYING = { '1-1/4': 1, '1-1/2': 1, '2': 8, '2-1/2': 14, '3': 35, '4': 216 }
const EIGHTH = 0.8

/** By how much the building drain falls, inches to the foot. */
export const MAIN_FALLS = ['1/8', '1/4', '1/2'] as const
export type MainFall = (typeof MAIN_FALLS)[number]

/** What a branch, a stack, or the building drain of a fall takes, smallest first; null where the code has no such table. */
export function capacities(code: Code, pipe: DrainPipe, fall: MainFall): readonly CapacityRow[] | null {
  if (code === 'EN')
    return pipe === 'branch'
      ? rows({ '90': 2 }, { '40': 0.5, '50': 0.8, '60': 1, '70': 1.5, '80': 2, '90': 2.25, '100': 2.5 }, '90')
      : pipe === 'stack'
        ? rows({}, { '60': 0.5, '70': 1.5, '80': 2, '90': 2.7, '100': 4 }, '100')
        : null
  if (code === 'UPC') {
    if (pipe === 'stack')
      return rows({ '3': 4 }, { '1-1/4': 1, '1-1/2': 2, '2': 16, '2-1/2': 32, '3': 48, '4': 256 })
    const factor = pipe === 'main' && fall === '1/8' ? EIGHTH : 1
    return rows({ '3': 3 }, UPC_LYING).map((each) => ({ ...each, most: Math.floor(each.most * factor) }))
  }
  if (pipe === 'main') return rows({}, IPC_MAIN[fall])
  if (pipe === 'branch')
    return rows({ '3': 2 }, { '1-1/4': 1, '1-1/2': 3, '2': 6, '2-1/2': 12, '3': 20, '4': 160 })
  return rows({ '3': 6 }, { '1-1/4': 2, '1-1/2': 4, '2': 10, '2-1/2': 20, '3': 48, '4': 240 }).map(
    (each) => ({
      ...each,
      storey: IPC_STOREY[each.size] as number,
    }),
  )
}

/** By EN the flow is this times the root of all units: people at home do not use everything at once. */
export const DWELLING_FREQUENCY = 0.5

export const LOAD_SOURCES: Readonly<Record<Code, Source>> = {
  IPC: {
    title:
      'IPC Tables 709.1, 709.2, 710.1(1), 710.1(2): units of fixtures, and what branch, stack and drain take',
    certainty: 'recalled',
  },
  UPC: {
    title: 'UPC Tables 702.1, 703.2: units of fixtures, and what pipe upright and lying takes',
    certainty: 'recalled',
  },
  EN: { title: 'EN 12056-2 Tables 2, 3, 4, 11: discharge units, system I, dwellings', certainty: 'recalled' },
}
