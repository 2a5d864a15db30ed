import type { Source } from './source'

/** How new drain is proved by water before it is covered, by the published model code. */
export interface DrainTest {
  /** Water over the highest joint that is proved, mm. */
  readonly headMm: number
  /** For so long at least, minutes. */
  readonly minutes: number
  readonly source: Source
}

const FOOT_MM = 304.8
/** A column of water a metre high weighs so much on its foot, kPa: ρ·g·h. */
const KPA_PER_METRE = 9.80665

const TEN_FEET = { headMm: 10 * FOOT_MM, minutes: 15 } as const

/** From memory of the named sections: the code as it is adopted at the place comes first. */
export const DRAIN_TESTS: Readonly<Record<'IPC' | 'UPC' | 'EN', DrainTest>> = {
  IPC: { ...TEN_FEET, source: { title: 'IPC 312.2: water to 10 ft of head', certainty: 'recalled' } },
  UPC: { ...TEN_FEET, source: { title: 'UPC 712.2: water to 10 ft of head', certainty: 'recalled' } },
  EN: {
    // no less than 10 kPa at the top of the pipe
    headMm: (10 / KPA_PER_METRE) * 1000,
    minutes: 30,
    source: { title: 'EN 1610, 13.3: water, 10 to 50 kPa, 30 minutes', certainty: 'recalled' },
  },
}
