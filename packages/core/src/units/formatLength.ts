import { MM_PER_INCH } from './parseLength'
import { type QuantityKind, ROUNDING, type RoundingDirection } from './rounding'
import type { LengthUnit, TapeReading } from './types'

export interface LengthFormat {
  unit: LengthUnit
  /** Finest fraction of an inch printed: 16, 32 or 64. Default 16; never coarser than its kind of quantity wants. */
  denominator?: 16 | 32 | 64
  /** Decimals in millimetres: 0 or 1. Default 0. */
  decimals?: 0 | 1
  quantity?: QuantityKind
}

function round(value: number, direction: RoundingDirection): number {
  // A hair of slack, so that 3.0000000001 steps does not become 4.
  if (direction === 'up') return Math.ceil(value - 1e-7)
  if (direction === 'down') return Math.floor(value + 1e-7)
  return Math.round(value)
}

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b)
}

/**
 * Splits a length as a tape reads it, rounded the way its kind of quantity demands (see `ROUNDING`).
 *
 * @param mm a non-negative length in millimetres
 * @returns whole, numerator and denominator (reduced), and the same as text that `parseLength` reads back
 */
export function toTape(mm: number, format: LengthFormat): TapeReading {
  const rounding = ROUNDING[format.quantity ?? 'reading']
  const { direction } = rounding
  if (format.unit === 'mm') {
    const decimals = format.decimals ?? 0
    const value = round(mm * 10 ** decimals, direction) / 10 ** decimals
    return { unit: 'mm', whole: value, numerator: 0, denominator: 1, text: `${value.toFixed(decimals)} mm` }
  }
  const denominator = Math.max(format.denominator ?? 16, rounding.denominator ?? 16)
  const steps = round((mm / MM_PER_INCH) * denominator, direction)
  const whole = Math.floor(steps / denominator)
  const rest = steps - whole * denominator
  const common = gcd(rest, denominator)
  const fraction = rest === 0 ? '' : `${rest / common}/${denominator / common}`
  const text = `${whole === 0 && fraction ? '' : whole}${whole && fraction ? ' ' : ''}${fraction}`
  return {
    unit: 'in',
    whole,
    numerator: rest === 0 ? 0 : rest / common,
    denominator: rest === 0 ? 1 : denominator / common,
    text: `${text}"`,
  }
}

/** The text of `toTape`. */
export function formatLength(mm: number, format: LengthFormat): string {
  return toTape(mm, format).text
}
