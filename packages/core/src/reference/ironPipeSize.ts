import { CoreFault } from '../fault'
import type { Source } from './source'
import type { NominalSize } from './types'

export const B36_10: Source = {
  title: 'ASME B36.10M welded and seamless steel pipe',
  table: 'outside diameters; schedules 10, 40 and 80',
  certainty: 'recalled',
}

export interface IronPipeSize {
  readonly nominal: NominalSize
  readonly odIn: number
  /** Wall by schedule, inches; undefined where not listed here. */
  readonly wallIn: { readonly 10?: number; readonly 40: number; readonly 80: number }
}

/**
 * Iron pipe size: outside diameters shared by steel, brass, schedule plastics and what is threaded for them,
 * with the walls of schedules 10, 40 and 80. Inches.
 */
export const IRON_PIPE_SIZES: readonly IronPipeSize[] = [
  { nominal: '1/8', odIn: 0.405, wallIn: { 40: 0.068, 80: 0.095 } },
  { nominal: '1/4', odIn: 0.54, wallIn: { 40: 0.088, 80: 0.119 } },
  { nominal: '3/8', odIn: 0.675, wallIn: { 40: 0.091, 80: 0.126 } },
  { nominal: '1/2', odIn: 0.84, wallIn: { 40: 0.109, 80: 0.147 } },
  { nominal: '3/4', odIn: 1.05, wallIn: { 10: 0.083, 40: 0.113, 80: 0.154 } },
  { nominal: '1', odIn: 1.315, wallIn: { 10: 0.109, 40: 0.133, 80: 0.179 } },
  { nominal: '1-1/4', odIn: 1.66, wallIn: { 10: 0.109, 40: 0.14, 80: 0.191 } },
  { nominal: '1-1/2', odIn: 1.9, wallIn: { 10: 0.109, 40: 0.145, 80: 0.2 } },
  { nominal: '2', odIn: 2.375, wallIn: { 10: 0.109, 40: 0.154, 80: 0.218 } },
  { nominal: '2-1/2', odIn: 2.875, wallIn: { 10: 0.12, 40: 0.203, 80: 0.276 } },
  { nominal: '3', odIn: 3.5, wallIn: { 10: 0.12, 40: 0.216, 80: 0.3 } },
  { nominal: '4', odIn: 4.5, wallIn: { 10: 0.12, 40: 0.237, 80: 0.337 } },
  { nominal: '5', odIn: 5.563, wallIn: { 10: 0.134, 40: 0.258, 80: 0.375 } },
  { nominal: '6', odIn: 6.625, wallIn: { 10: 0.134, 40: 0.28, 80: 0.432 } },
]

/** The rows from one size to another, both included. @throws CoreFault for a size that is none */
export function ironPipeSizes(from: NominalSize, to: NominalSize): readonly IronPipeSize[] {
  const at = (nominal: NominalSize) => {
    const index = IRON_PIPE_SIZES.findIndex((row) => row.nominal === nominal)
    if (index < 0) throw new CoreFault('no-size', { nominal })
    return index
  }
  return IRON_PIPE_SIZES.slice(at(from), at(to) + 1)
}
