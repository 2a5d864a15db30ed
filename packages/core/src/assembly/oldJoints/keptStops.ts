import type { EndRef } from '../end'

/** Outlet of a stop that was there before and stays, by how it is told apart. */
interface KeptStopRow {
  readonly id: string
  readonly end: EndRef
}

const outlet = (form: EndRef['form'], system: EndRef['system'], nominal: string): EndRef => ({
  form,
  system,
  nominal,
  material: 'brass',
})

/** Outlets that stops have, the usual first; maker's sheet, typical of the kind. A new one is a new row and its words. */
export const KEPT_STOPS = [
  { id: 'comp-3/8', end: outlet('compression-outlet', 'UNF', '3/8') },
  { id: 'comp-1/4', end: outlet('compression-outlet', 'UNF', '1/4') },
  { id: 'comp-1/2', end: outlet('compression-outlet', 'UNF', '1/2') },
  { id: 'tail-1/2', end: outlet('parallel-male', 'NPS', '1/2') },
  { id: 'bsp-1/2', end: outlet('parallel-male', 'BSPP', '1/2') },
] as const satisfies readonly KeptStopRow[]

export type KeptStopId = (typeof KEPT_STOPS)[number]['id']
export const KEPT_STOP_IDS = KEPT_STOPS.map(({ id }) => id) as [KeptStopId, ...KeptStopId[]]

/** The outlet of that id; undefined for an id that is none. */
export function keptStopEnd(id: string): EndRef | undefined {
  return KEPT_STOPS.find((row) => row.id === id)?.end
}
