import type { MeasuringInstrument } from './types'

/**
 * How each instrument reads an outside diameter. `sdMm` and `biasMm` are of the reading itself:
 * a circumference for string and strip. `wild` is the chance of a reading that has nothing to do with
 * the pipe (over a fitting, misread). Common practice: estimates to be replaced by measured ones.
 */
export interface InstrumentModel {
  readonly reads: 'diameter' | 'circumference'
  readonly sdMm: number
  readonly biasMm: number
  readonly wild: number
  readonly seconds: number
}

export const INSTRUMENTS: Readonly<Record<MeasuringInstrument, InstrumentModel>> = {
  caliper: { reads: 'diameter', sdMm: 0.08, biasMm: 0.02, wild: 0.02, seconds: 15 },
  'screen-gauge': { reads: 'diameter', sdMm: 0.5, biasMm: 0, wild: 0.03, seconds: 20 },
  tape: { reads: 'diameter', sdMm: 0.9, biasMm: 0, wild: 0.05, seconds: 12 },
  string: { reads: 'circumference', sdMm: 1.0, biasMm: 0.8, wild: 0.04, seconds: 25 },
  'paper-strip': { reads: 'circumference', sdMm: 0.6, biasMm: 0.3, wild: 0.03, seconds: 30 },
}

/** A wild reading lies anywhere up to this diameter, mm. */
export const WILD_RANGE_MM = 120

/**
 * What lies on the pipe or is wrong with it, shared by every reading at the place.
 * `biasMm` and `sdMm` shift all readings of the outside together; `scatterMm` differs from reading to reading.
 * Common practice.
 */
export interface Surface {
  readonly biasMm: number
  readonly sdMm: number
  readonly scatterMm: number
  readonly wallBiasMm: number
  readonly wallSdMm: number
  readonly onMetal: number
  readonly onPlastic: number
}

export const SURFACES = {
  clean: { biasMm: 0, sdMm: 0.02, scatterMm: 0, wallBiasMm: 0, wallSdMm: 0, onMetal: 0.6, onPlastic: 0.84 },
  painted: {
    biasMm: 0.25,
    sdMm: 0.15,
    scatterMm: 0.05,
    wallBiasMm: 0,
    wallSdMm: 0,
    onMetal: 0.16,
    onPlastic: 0.08,
  },
  corroded: {
    biasMm: 0.1,
    sdMm: 0.3,
    scatterMm: 0.15,
    wallBiasMm: -0.1,
    wallSdMm: 0.2,
    onMetal: 0.14,
    onPlastic: 0,
  },
  'out-of-round': {
    biasMm: 0,
    sdMm: 0.1,
    scatterMm: 0.35,
    wallBiasMm: 0,
    wallSdMm: 0,
    onMetal: 0.08,
    onPlastic: 0.06,
  },
  wrapped: { biasMm: 12, sdMm: 6, scatterMm: 1, wallBiasMm: 0, wallSdMm: 0, onMetal: 0.02, onPlastic: 0.02 },
} as const satisfies Readonly<Record<string, Surface>>

export type SurfaceId = keyof typeof SURFACES
