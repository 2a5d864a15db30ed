/** One kind of trap that is found under a fixture, and what it says of the drain. */
interface OldTrapRow {
  readonly id: string
  /** What follows of the drain: whether a trap stays in it, and whether it comes up out of the floor. */
  readonly found: { readonly trapped: boolean; readonly rises?: boolean }
  /** Only where the trap hangs on a stub in the open, as under a basin. */
  readonly hanging?: true
}

/** What trap was there, by how it looks. Which of them may be made anew: rules of Mate, with their source. */
export const OLD_TRAPS = [
  { id: 'p', found: { trapped: false, rises: false } },
  { id: 's', found: { trapped: false, rises: true }, hanging: true },
  { id: 'bottle', found: { trapped: false, rises: false }, hanging: true },
  { id: 'drum', found: { trapped: true } },
  { id: 'running', found: { trapped: true } },
  { id: 'two', found: { trapped: true } },
  { id: 'standing', found: { trapped: true } },
  { id: 'none', found: { trapped: false } },
] as const satisfies readonly OldTrapRow[]

export type OldTrap = (typeof OLD_TRAPS)[number]['id']
export const OLD_TRAP_IDS = OLD_TRAPS.map(({ id }) => id) as [OldTrap, ...OldTrap[]]

/** The kinds that can be met where a trap hangs in the open, or where it does not. */
export const oldTrapsAt = (hanging: boolean): readonly OldTrap[] =>
  OLD_TRAPS.filter((row) => hanging || !('hanging' in row)).map(({ id }) => id)

/**
 * What a trap that was found says of the drain it hung on: whether one stays, and where the trap hangs in the open,
 * whether the pipe comes out of the floor.
 */
export function drainOf(trap: OldTrap, hanging: boolean): OldTrapRow['found'] {
  const { found } = OLD_TRAPS.find(({ id }) => id === trap) as OldTrapRow
  return hanging ? found : { trapped: found.trapped }
}
