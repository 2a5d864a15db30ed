/** How a new basin waste is closed: pushed, drawn by a rod of the faucet, or never. */
export const WASTE_CLOSERS = ['push', 'rod', 'open'] as const
export type WasteCloser = (typeof WASTE_CLOSERS)[number]

/** A waste that goes into a basin anew, with the tail that it brings. */
export interface BasinWaste {
  readonly id: string
  readonly closes: WasteCloser
  /** The kind of tail that it is where the old waste stays. */
  readonly tail: string
}

const TAILS = [
  ['1-1/4', 'waste.tail.1-1/4'],
  ['g1-1/4', 'waste.tail.g1-1/4'],
] as const

/** A row each: of every tail that a basin's waste has, one of each way to close it. */
export const BASIN_WASTES: readonly BasinWaste[] = TAILS.flatMap(([size, tail]) =>
  WASTE_CLOSERS.map((closes) => ({ id: `waste.basin.${closes}.${size}`, closes, tail })),
)

/** The row of a kind of basin waste; undefined for any other, also for a tail whose waste stays. */
export function basinWaste(kind: string | undefined): BasinWaste | undefined {
  return BASIN_WASTES.find(({ id }) => id === kind)
}

/** Whether a kind is the tail of a basin whose waste may be new, or such a waste. */
export const hasBasinWaste = (kind: string): boolean =>
  BASIN_WASTES.some(({ id, tail }) => id === kind || tail === kind)

/**
 * The same tail with a new waste that closes so, or with the old one that stays.
 *
 * @param closes null where the old waste stays
 * @returns null where no basin's waste has that tail
 */
export function withWaste(kind: string, closes: WasteCloser | null): string | null {
  const row = BASIN_WASTES.find(({ id, tail }) => id === kind || tail === kind)
  if (!row || closes === null) return row?.tail ?? null
  return BASIN_WASTES.find((other) => other.tail === row.tail && other.closes === closes)?.id ?? null
}
