import type { Source } from './source'

const IN = 25.4

/**
 * How far a trap may lie from its vent along its arm, by the arm's size and the published model code, mm. By the first
 * the arm falls no more than its own diameter at a quarter inch to the foot: 48 diameters.
 */
export const TRAP_ARMS: Readonly<
  Record<'IPC' | 'UPC' | 'EN', { readonly mostMm: Readonly<Record<string, number>>; readonly source: Source }>
> = {
  IPC: {
    mostMm: { '1-1/4': 60 * IN, '1-1/2': 72 * IN, '2': 96 * IN, '3': 144 * IN, '4': 192 * IN },
    source: { title: 'IPC Table 909.1: distance of a fixture trap from its vent', certainty: 'recalled' },
  },
  UPC: {
    mostMm: { '1-1/4': 30 * IN, '1-1/2': 42 * IN, '2': 60 * IN, '3': 72 * IN, '4': 120 * IN },
    source: { title: 'UPC Table 1002.2: horizontal lengths of trap arms', certainty: 'recalled' },
  },
  EN: {
    mostMm: Object.fromEntries(['1-1/4', '1-1/2', '2', '3', '4'].map((size) => [size, 4000])),
    source: { title: 'EN 12056-2, system I: branch pipes without a vent', certainty: 'recalled' },
  },
}
