import type { Source } from './source'

const IN = 25.4

/** How far a clothes washer's standpipe stands above the weir of its trap, by the published model code, mm. */
export const STANDPIPES: Readonly<
  Record<'IPC' | 'UPC' | 'EN', { readonly leastMm: number; readonly mostMm: number; readonly source: Source }>
> = {
  IPC: {
    leastMm: 18 * IN,
    mostMm: 42 * IN,
    source: { title: 'IPC 802.3.3 (802.4 in later editions): standpipes', certainty: 'recalled' },
  },
  UPC: {
    leastMm: 18 * IN,
    mostMm: 30 * IN,
    source: { title: 'UPC 804.1: standpipe receptors', certainty: 'recalled' },
  },
  EN: {
    leastMm: 18 * IN,
    mostMm: 42 * IN,
    source: { title: 'No height in EN 12056-2; the machine’s own sheet decides', certainty: "maker's sheet" },
  },
}

/** Bore of the pipe that a standpipe and its trap are of, schedule 40, mm (ASTM D2665, D2661: outside less two least walls). */
export const STANDPIPE_BORES: Readonly<Record<string, number>> = { '1-1/2': 40.89, '2': 52.5 }
