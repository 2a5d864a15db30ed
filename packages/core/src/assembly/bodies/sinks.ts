import type { RouteId } from './types'

/** What comes together above the trap of a kitchen sink. */
export interface SinkWaste {
  readonly id: string
  readonly route: RouteId
  /** Bowls that it takes. */
  readonly bowls: 1 | 2
  readonly disposer?: true
  /** The same with a dishwasher that drains into it. */
  readonly withDishwasher?: string
  readonly dishwasher?: true
}

/** A row each; one bowl without anything is a tailpiece like any other's. */
export const SINK_WASTES: readonly SinkWaste[] = [
  { id: 'waste.sink.centre', route: 'sink-centre', bowls: 2, withDishwasher: 'waste.sink.centre.dish' },
  { id: 'waste.sink.end', route: 'sink-end', bowls: 2, withDishwasher: 'waste.sink.end.dish' },
  { id: 'waste.disposer', route: 'trap', bowls: 1, disposer: true, withDishwasher: 'waste.disposer.dish' },
  {
    id: 'waste.disposer.two',
    route: 'sink-disposer',
    bowls: 2,
    disposer: true,
    withDishwasher: 'waste.disposer.two.dish',
  },
  { id: 'waste.sink.dish', route: 'sink-dish', bowls: 1, dishwasher: true },
  { id: 'waste.sink.centre.dish', route: 'sink-centre-dish', bowls: 2, dishwasher: true },
  { id: 'waste.sink.end.dish', route: 'sink-end-dish', bowls: 2, dishwasher: true },
  // it drains into the disposer's own inlet
  { id: 'waste.disposer.dish', route: 'trap', bowls: 1, disposer: true, dishwasher: true },
  { id: 'waste.disposer.two.dish', route: 'sink-disposer', bowls: 2, disposer: true, dishwasher: true },
]

/** The one bowl of a tailpiece, with a dishwasher. */
const PLAIN = { id: 'waste.tail.1-1/2', withDishwasher: 'waste.sink.dish' } as const

/** The row of a kind of sink waste; undefined for any other. */
export function sinkWaste(kind: string | undefined): SinkWaste | undefined {
  return SINK_WASTES.find(({ id }) => id === kind)
}

/** The same sink with or without a dishwasher; null where none drains into it. */
export function withDishwasher(kind: string, dishwasher: boolean): string | null {
  const rows = [PLAIN, ...SINK_WASTES]
  const row = rows.find((each) => each.id === kind || each.withDishwasher === kind)
  return (dishwasher ? row?.withDishwasher : row?.id) ?? null
}
