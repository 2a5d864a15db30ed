/** What a job can be about: the lines that come to it, water and waste, and the kinds of end that a new one may have. */
interface WorkedOn {
  readonly id: string
  /** Lines that are there before anybody has looked. */
  readonly lines: readonly ('hot' | 'cold' | 'drain')[]
  /** Kinds of fixture that may go in, the usual first; none where any may. */
  readonly fixtures: readonly string[]
  /** Kind of what goes in, where there is but one that it can be. */
  readonly goesIn?: readonly [string]
}

/** Everything that is worked on, in the order in which it is asked. A new kind is a new row, its sign and its words. */
export const WORKED_ON = [
  { id: 'basin', lines: ['hot', 'cold', 'drain'], fixtures: ['faucet', 'tap', 'closed'] },
  { id: 'sink', lines: ['hot', 'cold', 'drain'], fixtures: ['faucet', 'tap', 'closed'] },
  { id: 'toilet', lines: ['cold', 'drain'], fixtures: ['toilet', 'closed'] },
  { id: 'tub', lines: ['hot', 'cold', 'drain'], fixtures: ['shower', 'tap', 'outlet', 'closed'] },
  { id: 'shower', lines: ['hot', 'cold', 'drain'], fixtures: ['shower', 'outlet', 'closed'] },
  { id: 'tub-shower', lines: ['hot', 'cold', 'drain'], fixtures: ['shower', 'outlet', 'closed'] },
  { id: 'washer', lines: ['hot', 'cold', 'drain'], fixtures: ['washer', 'box', 'closed'] },
  { id: 'dishwasher', lines: ['hot'], fixtures: ['appliance', 'closed'] },
  { id: 'bib', lines: ['cold'], fixtures: ['bib', 'closed'], goesIn: ['hose.outlet'] },
  { id: 'heater', lines: ['cold', 'hot'], fixtures: ['heater', 'closed'], goesIn: ['heater.nipple.3/4'] },
  { id: 'run', lines: ['cold', 'hot'], fixtures: ['run', 'closed'] },
  { id: 'drain', lines: ['drain'], fixtures: [] },
  { id: 'other', lines: ['hot', 'cold'], fixtures: [] },
] as const satisfies readonly WorkedOn[]

export type WorkedOnId = (typeof WORKED_ON)[number]['id']
export const WORKED_ON_IDS = WORKED_ON.map(({ id }) => id) as [WorkedOnId, ...WorkedOnId[]]

/** The row of a kind; that of “something else” for one that is not known here. */
export function workedOn(id: string): WorkedOn {
  return WORKED_ON.find((row) => row.id === id) ?? { id: 'other', lines: ['hot', 'cold'], fixtures: [] }
}
