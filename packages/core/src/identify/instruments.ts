import { isFerrous, isMetal } from '../reference/materials'
import type { PipeMaterial } from '../reference/types'
import type { MeasuringInstrument } from './answers'

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
  caliper: { reads: 'diameter', sdMm: 0.08, biasMm: 0.02, wild: 0.04, seconds: 15 },
  'screen-gauge': { reads: 'diameter', sdMm: 0.5, biasMm: 0, wild: 0.04, seconds: 20 },
  tape: { reads: 'diameter', sdMm: 0.9, biasMm: 0, wild: 0.05, seconds: 12 },
  string: { reads: 'circumference', sdMm: 1.0, biasMm: 0.8, wild: 0.04, seconds: 25 },
  'paper-strip': { reads: 'circumference', sdMm: 0.6, biasMm: 0.3, wild: 0.04, seconds: 30 },
}

/** A slot or ring gauge: how sharply it decides, and how often it is read wrongly. Common practice. */
export const SLOT_GAUGE = { sdMm: 0.06, wrong: 0.02, seconds: 8 } as const

/** What a bore is measured with at a cut end, added to the instrument's own noise, mm. */
export const BORE_SD_MM = 0.15
/** Seconds to get at a cut end to measure wall or bore. */
export const CUT_END_SECONDS = 120

/** A wild reading lies anywhere up to this diameter, mm. */
export const WILD_RANGE_MM = 120

export const SURFACE_IDS = ['clean', 'painted', 'corroded', 'rusted', 'out-of-round', 'wrapped'] as const
export type SurfaceId = (typeof SURFACE_IDS)[number]

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
}

export const SURFACES: Readonly<Record<SurfaceId, Surface>> = {
  clean: { biasMm: 0, sdMm: 0.02, scatterMm: 0, wallBiasMm: 0, wallSdMm: 0 },
  painted: { biasMm: 0.25, sdMm: 0.15, scatterMm: 0.05, wallBiasMm: 0, wallSdMm: 0 },
  corroded: { biasMm: 0.1, sdMm: 0.3, scatterMm: 0.15, wallBiasMm: -0.1, wallSdMm: 0.2 },
  // jaws ride on the scale, which stands a millimetre high and more, in blisters: iron and steel alone
  rusted: { biasMm: 0.5, sdMm: 0.7, scatterMm: 0.5, wallBiasMm: -0.25, wallSdMm: 0.4 },
  'out-of-round': { biasMm: 0, sdMm: 0.1, scatterMm: 0.35, wallBiasMm: 0, wallSdMm: 0 },
  wrapped: { biasMm: 12, sdMm: 6, scatterMm: 1, wallBiasMm: 0, wallSdMm: 0 },
}

/** How often each surface is met, by what the pipe is made of, in the order of `SURFACE_IDS`. Common practice. */
export function surfaceShares(material: PipeMaterial): readonly number[] {
  if (material.startsWith('lead')) return [0.4, 0.2, 0.1, 0, 0.28, 0.02]
  if (material === 'clay' || material === 'cement') return [0.5, 0.05, 0.15, 0, 0.28, 0.02]
  if (isFerrous(material)) return [0.47, 0.2, 0, 0.26, 0.05, 0.02]
  if (isMetal(material)) return [0.62, 0.15, 0.13, 0, 0.08, 0.02]
  return [0.84, 0.08, 0, 0, 0.06, 0.02]
}
