import {
  capacities,
  type DrainPipe,
  DWELLING_FREQUENCY,
  LOAD_SOURCES,
  LOADS,
  type MainFall,
} from '../reference/fixtureUnits'
import type { Source } from '../reference/source'
import { type NominalSize, nominalNumber } from '../reference/types'

export { MAIN_FALLS } from '../reference/fixtureUnits'

export type LoadId = (typeof LOADS)[number]['id']
export const LOAD_IDS = LOADS.map(({ id }) => id) as [LoadId, ...LoadId[]]

export interface LoadAsk {
  readonly code: 'IPC' | 'UPC' | 'EN'
  /** A branch that lies, a stack, or the building drain. */
  readonly pipe: DrainPipe
  /** Of the building drain: inches to the foot. */
  readonly fall: MainFall
  /** Null where it is asked which size will do. */
  readonly size: NominalSize | null
  /** All that drains through it, what is still to come with it: how many of each. */
  readonly fixtures: Readonly<Partial<Record<LoadId, number>>>
}

export interface DrainLoad {
  /** Sizes that the code's table has, smallest first. */
  readonly sizes: readonly NominalSize[]
  /** Fixture units; by EN l/s. */
  readonly load: number
  /** The size that is spoken of: the one asked of, else the least that takes it, else the largest; null without a table. */
  readonly size: NominalSize | null
  /** What a pipe of that size takes; null where the table has no such size. */
  readonly most: number | null
  readonly takes: boolean
  /** The smallest size that takes it; null where none of the table does. */
  readonly least: NominalSize | null
  readonly reason: {
    readonly ruleId:
      | 'load.no-table'
      | 'load.no-size'
      | 'load.nothing'
      | 'load.takes'
      | 'load.over'
      | 'load.closets'
      | 'load.own-drain'
    readonly parameters: Readonly<Record<string, string | number>>
  }
  readonly source: Source
}

/**
 * Whether a drain takes all that comes through it, by the published model code: fixture units against the table of its
 * size, by EN 12056-2 the flow K √ΣDU against its capacity; toilets counted apart, and no pipe smaller than the own
 * drain of anything on it.
 */
export function drainLoad({ code, pipe, fall, size: asked, fixtures }: LoadAsk): DrainLoad {
  const source = LOAD_SOURCES[code]
  const table = capacities(code, pipe, fall)
  const counted = LOADS.map((row) => ({ row, count: fixtures[row.id] ?? 0 })).filter(({ count }) => count > 0)
  const sum = counted.reduce((total, { row, count }) => total + count * row.units[code], 0)
  const load = code === 'EN' ? flowOf(counted) : sum
  const closets = counted.reduce((total, { row, count }) => total + ('closet' in row ? count : 0), 0)
  const [widest] = counted
    // of either kind, it is a toilet
    .map(({ row }) => ({
      id: 'closet' in row ? 'toilet' : row.id.replace('-', ' '),
      size: row.leastSize[code],
    }))
    .sort((a, b) => nominalNumber(b.size) - nominalNumber(a.size))
  const why = (at: NominalSize): DrainLoad['reason'] => {
    const row = table?.find((each) => each.size === at)
    const parameters = { code, load: rounded(load), size: at, most: row?.most ?? 0 }
    if (!table) return { ruleId: 'load.no-table', parameters }
    if (!row) return { ruleId: 'load.no-size', parameters }
    if (counted.length === 0) return { ruleId: 'load.nothing', parameters }
    if (widest && nominalNumber(at) < nominalNumber(widest.size))
      return {
        ruleId: 'load.own-drain',
        parameters: { ...parameters, fixture: widest.id, least: widest.size },
      }
    if (row.closets !== null && closets > row.closets)
      return { ruleId: 'load.closets', parameters: { ...parameters, closets, mostClosets: row.closets } }
    // what stands at the limit passes: the flow is a root, and no whole number
    if (load > row.most + 1e-9) return { ruleId: 'load.over', parameters }
    const left = rounded(row.most - load)
    return { ruleId: 'load.takes', parameters: { ...parameters, left, storey: row.storey ?? 0 } }
  }
  const passes = (at: NominalSize) => ['load.takes', 'load.nothing'].includes(why(at).ruleId)
  const sizes = table?.map((row) => row.size) ?? []
  const least = sizes.find(passes) ?? null
  const size = asked ?? least ?? sizes.at(-1) ?? null
  return {
    sizes,
    size,
    load: rounded(load),
    most: table?.find((row) => row.size === size)?.most ?? null,
    takes: size !== null && passes(size),
    least,
    reason: why(size ?? ''),
    source,
  }
}

/** By EN: the root of all units, and never less than the largest of them runs alone; l/s. */
function flowOf(counted: readonly { row: (typeof LOADS)[number]; count: number }[]): number {
  const sum = counted.reduce((total, { row, count }) => total + count * row.units.EN, 0)
  return Math.max(DWELLING_FREQUENCY * Math.sqrt(sum), ...counted.map(({ row }) => row.units.EN))
}

const rounded = (value: number) => Math.round(value * 100) / 100
