import type { Source } from './source'

/** How the liner of a shower's pan is turned up and proved by water, by the published model code. */
export interface PanTest {
  /** How far it goes up over the finished threshold at least, mm. */
  readonly upMm: number
  /** Water over the floor at the threshold, mm; null where it stands at the rim of the rough threshold. */
  readonly deepMm: number | null
  /** For so long at least, minutes. */
  readonly minutes: number
  readonly source: Source
}

const IN = 25.4
/** Where no code says how long: until it has been looked at the next day. */
const A_DAY = 24 * 60

/** From memory of the named sections: the code as it is adopted at the place comes first. */
export const PAN_TESTS: Readonly<Record<'IPC' | 'UPC' | 'EN', PanTest>> = {
  IPC: {
    upMm: 2 * IN,
    deepMm: 2 * IN,
    minutes: 15,
    source: {
      title: 'IPC 417.5.2, 312.9: liner 2 in over the threshold, 2 in of water, 15 minutes',
      certainty: 'recalled',
    },
  },
  UPC: {
    upMm: 3 * IN,
    deepMm: null,
    minutes: A_DAY,
    source: {
      title:
        'UPC 408.7, 408.7.5: 3 in over the drain’s finished dam, water to the rough threshold; how long is common practice',
      certainty: 'recalled',
    },
  },
  EN: {
    upMm: 50,
    deepMm: 50,
    minutes: A_DAY,
    source: { title: 'A pan is flooded for a day', certainty: 'common practice' },
  },
}
