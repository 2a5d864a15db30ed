import { commonPractice, type Source } from '../../reference/source'

/** How long cement is left alone, s: the least and the most that cans and tables say; the first row that fits holds. */
export interface Cure {
  /** Colder than that, degrees Celsius; any air where it is not said. */
  readonly belowC?: number
  /** From that size on, inches by name; any where it is not said. */
  readonly fromIn?: number
  readonly seconds: readonly [number, number]
}

/** Cures of one kind of cement, and who says so. */
export interface Cures {
  readonly source: Source
  readonly rows: readonly Cure[]
}

/** The least; the most are what cans of the kind ask for beside them, typical. The can in hand comes first. */
const D2855: Source = {
  title: 'ASTM D2855 practice for solvent-cemented joints, up to 160 psi; cans, typical',
  table: 'joint cure schedules',
  certainty: 'recalled',
}

const MINUTE = 60
/** Air that the schedules tell apart: below 40 F, to 60 F, above; and their sizes. */
const COLD = { belowC: 4.4 }
const COOL = { belowC: 15.6 }
const WARM = {}
const LARGE = { fromIn: 2.5 }
const MIDDLE = { fromIn: 1.5 }

/** Rows from minutes: for cold, cool and warm air those of large, middle and small sizes. */
function scheduled(minutes: readonly (readonly (readonly [number, number])[])[]): Cures {
  const rows = [COLD, COOL, WARM].flatMap((air, a) =>
    [LARGE, MIDDLE, {}].map((size, s): Cure => {
      const [least, most] = minutes[a]?.[s] ?? [0, 0]
      return { ...air, ...size, seconds: [least * MINUTE, most * MINUTE] }
    }),
  )
  return { source: D2855, rows }
}

const THREE_DAYS = 72 * 60

export const CPVC_CURES = scheduled([
  [
    [THREE_DAYS, THREE_DAYS],
    [60, 240],
    [30, 120],
  ],
  [
    [240, 480],
    [45, 120],
    [20, 60],
  ],
  [
    [90, 180],
    [30, 60],
    [15, 30],
  ],
])
export const PVC_CURES = scheduled([
  [
    [THREE_DAYS, THREE_DAYS],
    [60, 480],
    [30, 240],
  ],
  [
    [240, 480],
    [45, 240],
    [20, 120],
  ],
  [
    [90, 180],
    [30, 120],
    [15, 60],
  ],
])

/** Drains that run by their own fall: until water may run; a test under pressure waits as the can says. */
export const DRAIN_CURES: Cures = {
  source: commonPractice,
  rows: [
    { ...COLD, seconds: [30 * MINUTE, 60 * MINUTE] },
    { ...COOL, seconds: [15 * MINUTE, 30 * MINUTE] },
    { seconds: [5 * MINUTE, 15 * MINUTE] },
  ],
}

/** The row that holds at a place. */
export function cureAt({ rows }: Cures, airC: number | null | undefined, sizeIn: number): Cure | undefined {
  return rows.find(
    ({ belowC, fromIn = 0 }) => (belowC === undefined || (airC != null && airC < belowC)) && sizeIn >= fromIn,
  )
}
