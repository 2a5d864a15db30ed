import type { Source } from '../reference/source'

const IN = 25.4

/** A shower or tub valve by what it joins and feeds, and the windows on its sheet. Millimetres. */
export interface Mixer {
  readonly id: string
  readonly name: string
  /** The end of its inlets and outlets, by its fixture connection. */
  readonly connection: string
  /** Stops in its body: it can be serviced with the house on. */
  readonly stops: boolean
  readonly outlets: readonly ('spout' | 'shower')[]
  /** Finished face to the middle, least and most. */
  readonly depthMm: readonly [number, number]
  /** Valve to spout, least and most; none where it has none. */
  readonly spoutMm?: readonly [number, number]
  readonly source: Source
}

const sheet: Source = { title: 'Shower and tub valves, typical of the kind', certainty: "maker's sheet" }
const ENDS = [
  ['valve.combo.1/2', 'thread or solder'],
  ['valve.female.1/2', 'female thread'],
  ['valve.barb.1/2', 'PEX insert'],
  ['valve.expansion.1/2', 'PEX expansion'],
  ['valve.bsp.1/2', '55 degree thread'],
  ['valve.compression.15', '15 mm compression'],
] as const

/** Every kind: each end, with and without stops, for a tub, a shower, or both. */
export const MIXERS: readonly Mixer[] = ENDS.flatMap(([connection, word]) =>
  [false, true].flatMap((stops) =>
    (
      [
        ['tub and shower', ['spout', 'shower']],
        ['shower', ['shower']],
        ['tub', ['spout']],
      ] as const
    ).map(
      ([feeds, outlets]): Mixer => ({
        id: `mixer.${connection.slice(6)}.${outlets.join('-')}${stops ? '.stops' : ''}`,
        name: `${feeds} valve, ${word}${stops ? ', with stops' : ''}`,
        connection,
        stops,
        outlets,
        depthMm: [2.5 * IN, 3 * IN],
        ...(feeds === 'shower' ? {} : { spoutMm: [8 * IN, 18 * IN] as const }),
        source: sheet,
      }),
    ),
  ),
)
