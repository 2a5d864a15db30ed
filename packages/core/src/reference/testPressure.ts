import type { Source } from './source'

/** How a supply line is held under pressure before it is covered, by the published model code. */
export interface TestPressure {
  /** No less than this, kPa; null where it is the pressure that the system works at. */
  readonly leastKpa: number | null
  /** For so long at least, minutes. */
  readonly minutes: number
  readonly source: Source
}

/** Ten bar: what EN 806-2 has fittings and pipes made for. */
const EN_DESIGN_KPA = 1000

/** From memory of the named sections: the code as it is adopted at the place comes first. */
export const TEST_PRESSURES: Readonly<Record<'IPC' | 'UPC' | 'EN', TestPressure>> = {
  IPC: {
    leastKpa: null,
    minutes: 15,
    source: { title: 'IPC 312.5: water at no less than the working pressure', certainty: 'recalled' },
  },
  UPC: {
    leastKpa: null,
    minutes: 15,
    source: { title: 'UPC 609.4: water at no less than the working pressure', certainty: 'recalled' },
  },
  EN: {
    leastKpa: 1.1 * EN_DESIGN_KPA,
    minutes: 30,
    source: { title: 'EN 806-4, 6.1: 1.1 times the design pressure of 10 bar', certainty: 'recalled' },
  },
}
