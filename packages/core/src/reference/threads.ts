import type { Source } from './source'
import type { NominalSize } from './types'

export const B1_20_1: Source = {
  title: 'ASME B1.20.1 pipe threads, general purpose',
  table: 'taper pipe thread NPT',
  certainty: 'recalled',
}
export const ISO_7: Source = {
  title: 'ISO 7-1 and ISO 228-1 pipe threads',
  table: 'basic sizes',
  certainty: 'recalled',
}
export const B1_1: Source = {
  title: 'ASME B1.1 unified inch screw threads',
  table: 'tube compression fittings, as SAE J512 lists them',
  certainty: 'recalled',
}

export interface PipeThread {
  readonly id: string
  readonly nominal: NominalSize
  readonly threadsPerInch: number
  /** Outside diameter of the pipe (NPT) or major diameter of the thread (55 degree), mm. */
  readonly majorMm: number
  /** Hand-tight engagement (L1 of NPT, gauge length of the 55 degree taper), mm. */
  readonly handTightMm: number
  readonly source: Source
}

const IN = 25.4
const round = (value: number) => Math.round(value * 1e6) / 1e6

/** NPT: nominal, pipe outside diameter, threads an inch, hand-tight engagement L1; inches. */
export const NPT: readonly PipeThread[] = (
  [
    ['1/8', 0.405, 27, 0.1615],
    ['1/4', 0.54, 18, 0.2278],
    ['3/8', 0.675, 18, 0.24],
    ['1/2', 0.84, 14, 0.32],
    ['3/4', 1.05, 14, 0.339],
    ['1', 1.315, 11.5, 0.4],
    ['1-1/4', 1.66, 11.5, 0.42],
    ['1-1/2', 1.9, 11.5, 0.42],
    ['2', 2.375, 11.5, 0.436],
  ] as const
).map(([nominal, od, tpi, l1]) => ({
  id: `npt.${nominal}`,
  nominal,
  threadsPerInch: tpi,
  majorMm: round(od * IN),
  handTightMm: round(l1 * IN),
  source: B1_20_1,
}))

/**
 * Pitch diameters of an NPT external thread by the formulas of ASME B1.20.1, in inches:
 * E0 = D - (0.050 D + 1.1) p at the small end, E1 = E0 + 0.0625 L1 at the hand-tight plane,
 * and the length of effective thread L2 = (0.80 D + 6.8) p.
 */
export function nptPitchDiameters(
  odIn: number,
  threadsPerInch: number,
  l1In: number,
): { e0In: number; e1In: number; l2In: number } {
  const pitch = 1 / threadsPerInch
  const e0In = odIn - (0.05 * odIn + 1.1) * pitch
  return { e0In, e1In: e0In + 0.0625 * l1In, l2In: (0.8 * odIn + 6.8) * pitch }
}

/** 55 degree pipe threads: nominal, major diameter (mm), threads an inch, gauge length (mm). */
export const BSP: readonly PipeThread[] = (
  [
    ['1/8', 9.728, 28, 4.0],
    ['1/4', 13.157, 19, 6.0],
    ['3/8', 16.662, 19, 6.4],
    ['1/2', 20.955, 14, 8.2],
    ['3/4', 26.441, 14, 9.5],
    ['1', 33.249, 11, 10.4],
    ['1-1/4', 41.91, 11, 12.7],
    ['1-1/2', 47.803, 11, 12.7],
    ['2', 59.614, 11, 15.9],
  ] as const
).map(([nominal, major, tpi, gauge]) => ({
  id: `bsp.${nominal}`,
  nominal,
  threadsPerInch: tpi,
  majorMm: major,
  handTightMm: gauge,
  source: ISO_7,
}))

/** Pitch and minor diameters of a 55 degree thread from its major: thread height h = 0.640327 p (ISO 228-1). */
export function whitworthDiameters(
  majorMm: number,
  threadsPerInch: number,
): { pitchMm: number; minorMm: number } {
  const height = 0.640327 * (IN / threadsPerInch)
  return { pitchMm: majorMm - height, minorMm: majorMm - 2 * height }
}

export interface CompressionThread {
  /** Outside diameter of the tube gripped, mm. */
  readonly tubeOdMm: number
  readonly thread: string
  readonly majorMm: number
  readonly threadsPerInch: number
  readonly source: Source
}

/** Nut threads of inch compression fittings, by the tube's outside diameter. */
export const COMPRESSION_THREADS: readonly CompressionThread[] = (
  [
    [0.25, '7/16-24', 0.4375, 24],
    [0.375, '9/16-24', 0.5625, 24],
    [0.5, '11/16-20', 0.6875, 20],
    [0.625, '13/16-18', 0.8125, 18],
    [0.875, '1-1/16-16', 1.0625, 16],
    [1.125, '1-5/16-16', 1.3125, 16],
  ] as const
).map(([tube, thread, major, tpi]) => ({
  tubeOdMm: tube * IN,
  thread,
  majorMm: major * IN,
  threadsPerInch: tpi,
  source: B1_1,
}))
