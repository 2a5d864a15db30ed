import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'

/** A length with what it may be off, mm. */
export interface Toleranced {
  readonly name: string
  readonly mm: number
  readonly tolMm: number
  /** Against the sum: taken off. */
  readonly minus?: boolean
}

export interface Stack {
  readonly mm: number
  /** All errors at their worst and the same way. */
  readonly worstMm: number
  /** Errors as they usually add: the root of the sum of squares. */
  readonly usualMm: number
  /** What contributes most: the one to take again. */
  readonly largest: string | null
}

/** Adds lengths with their errors. */
export function stackUp(parts: readonly Toleranced[]): Stack {
  let mm = 0
  let worstMm = 0
  let squares = 0
  let largest: Toleranced | null = null
  for (const part of parts) {
    mm += part.minus ? -part.mm : part.mm
    worstMm += part.tolMm
    squares += part.tolMm * part.tolMm
    if (part.tolMm > (largest?.tolMm ?? 0)) largest = part
  }
  return { mm, worstMm, usualMm: Math.sqrt(squares), largest: largest?.name ?? null }
}

/** How a stack stands against a window: surely in it, perhaps, or not even at its best. */
export type Verdict = 'fits' | 'perhaps' | 'out'

/** Whether a length is in a window in the worst case. @param window least and most, mm */
export function inWindow(
  { mm, worstMm }: Pick<Stack, 'mm' | 'worstMm'>,
  window: readonly [number, number],
): Verdict {
  const [least, most] = window
  if (mm - worstMm >= least && mm + worstMm <= most) return 'fits'
  return mm + worstMm < least || mm - worstMm > most ? 'out' : 'perhaps'
}

export const MEASURERS = ['tape', 'rule', 'caliper', 'level-and-rule', 'eye'] as const
export type Measurer = (typeof MEASURERS)[number]

export const CUTTERS = ['tube-cutter', 'saw-in-a-box', 'saw-by-hand', 'power-saw'] as const
export type Cutter = (typeof CUTTERS)[number]

const EC: Source = {
  title: 'Directive 2014/32/EU, annex X',
  table: 'material measures of length, class II: 0.3 + 0.2 L mm, L in whole metres',
  certainty: 'formula',
}

/**
 * What a reading of some length may be off, mm. A tape of class II by its formula, and half a graduation of 1/16 in
 * for the eye at each end.
 */
export function measuringErrorMm(measurer: Measurer, mm: number): number {
  switch (measurer) {
    case 'tape':
      return 0.3 + 0.2 * Math.ceil(mm / 1000) + 0.8
    case 'rule':
      return 0.5
    case 'caliper':
      return 0.05
    case 'level-and-rule':
      return 1.5
    case 'eye':
      return 6
  }
}

/** What a cut may be off, mm. Common practice. */
export const CUTTING_ERROR_MM: Readonly<Record<Cutter, number>> = {
  'tube-cutter': 0.5,
  'saw-in-a-box': 0.8,
  'saw-by-hand': 1.6,
  'power-saw': 0.8,
}

/** What each takes out of the stock, mm: a wheel parts without waste. Common practice. */
export const KERF_MM: Readonly<Record<Cutter, number>> = {
  'tube-cutter': 0,
  'saw-in-a-box': 1.2,
  'saw-by-hand': 1.2,
  'power-saw': 2.4,
}

/** Where the figures above come from. */
export const TOLERANCE_SOURCES: Readonly<Record<'measuring' | 'cutting', Source>> = {
  measuring: EC,
  cutting: commonPractice,
}
