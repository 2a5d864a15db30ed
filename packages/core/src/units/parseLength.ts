import type { LengthError, LengthFault, LengthUnit, ParsedLength } from './types'

export const MM_PER_INCH = 25.4

/** No dimension in a house's piping is longer than this; beyond it a unit or a point was mistyped. */
export const LONGEST_MM = 50_000

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}

const MESSAGES: Readonly<Record<LengthFault, string>> = {
  empty: 'Nothing was entered.',
  'not-a-length': 'This is not a length: write it like 2 11/16, .875, 7/8 or 22 mm.',
  negative: 'A length cannot be negative.',
  'zero-denominator': 'A fraction cannot have 0 below the line.',
  'improper-mixed-fraction': 'After whole inches the fraction must be less than 1.',
  'too-large': `Longer than ${LONGEST_MM / 1000} m: check the unit and the decimal point.`,
  zero: 'A length of 0 says nothing: measure again or leave it out.',
}

const UNIT: Readonly<Record<string, { unit: LengthUnit; mm: number }>> = {
  mm: { unit: 'mm', mm: 1 },
  cm: { unit: 'mm', mm: 10 },
  m: { unit: 'mm', mm: 1000 },
  '"': { unit: 'in', mm: MM_PER_INCH },
  in: { unit: 'in', mm: MM_PER_INCH },
  inch: { unit: 'in', mm: MM_PER_INCH },
  inches: { unit: 'in', mm: MM_PER_INCH },
}

// feet (optional) · whole or decimal · fraction · unit
const SHAPE =
  /^(?:(\d+)\s*(?:'|ft|feet)\s*-?\s*)?(?:(\d+)(?:\s+|\s*-\s*))?(?:(\d+)\s*\/\s*(\d+)|(\d*[.,]\d+|\d+[.,]?))?\s*(mm|cm|m|"|inches|inch|in)?\.?$/

/**
 * Reads a length as people write it: `2 11/16`, `2-11/16"`, `.875`, `7/8`, `22 mm`, `1' 3 1/2"`, `2⅞`.
 *
 * @param text what was typed
 * @param options.unit the unit meant where none is written (default inches)
 * @param options.allowZero accept 0 (default false)
 * @returns millimetres with the unit and resolution as written, or the fault and its offset; never throws
 */
export function parseLength(
  text: string,
  options: { unit?: LengthUnit; allowZero?: boolean } = {},
): ParsedLength | LengthError {
  const fail = (fault: LengthFault, at = 0): LengthError => ({
    ok: false,
    fault,
    at,
    text,
    message: MESSAGES[fault],
  })
  const clean = text
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph]}`)
    .replace(/[⁄∕]/g, '/')
    .replace(/[”″“]|''/g, '"')
    .replace(/[’′]/g, "'")
    .replace(/[–−]/g, '-')
    .trim()
    .toLowerCase()
  if (clean === '') return fail('empty')
  if (clean.startsWith('-')) return fail('negative', text.search(/[-–−]/))

  const match = SHAPE.exec(clean)
  if (!match) {
    const stray = clean.search(/[^\d\s./,'"a-z-]/)
    return fail('not-a-length', Math.max(0, stray))
  }
  const [, feet, whole, numerator, denominator, decimal, suffix] = match
  if (feet === undefined && whole === undefined && numerator === undefined && decimal === undefined)
    return fail('not-a-length')
  // "2 11" (two numbers, no fraction bar) is a slip, not 2 and 11.
  if (whole !== undefined && decimal !== undefined) return fail('not-a-length', clean.indexOf(decimal))

  const { unit, mm: scale } = suffix
    ? (UNIT[suffix] as { unit: LengthUnit; mm: number })
    : feet !== undefined
      ? { unit: 'in' as const, mm: MM_PER_INCH }
      : options.unit === 'mm'
        ? { unit: 'mm' as const, mm: 1 }
        : { unit: 'in' as const, mm: MM_PER_INCH }
  if (feet !== undefined && unit === 'mm') return fail('not-a-length', clean.indexOf("'"))

  let value = (feet ? Number(feet) * 12 : 0) + (whole ? Number(whole) : 0)
  let step = 1
  if (numerator !== undefined && denominator !== undefined) {
    const below = Number(denominator)
    if (below === 0) return fail('zero-denominator', text.indexOf('/') + 1)
    const fraction = Number(numerator) / below
    if (whole !== undefined && fraction >= 1) return fail('improper-mixed-fraction', text.indexOf('/'))
    value += fraction
    step = 1 / below
  } else if (decimal !== undefined) {
    const number = decimal.replace(',', '.')
    value += Number(number)
    const places = number.includes('.') ? number.length - number.indexOf('.') - 1 : 0
    step = 10 ** -places
  }
  // to the nanometre: 3 in is 76.2 mm, not 76.19999999999999
  const mm = Math.round(value * scale * 1e6) / 1e6
  if (!Number.isFinite(mm) || mm > LONGEST_MM) return fail('too-large')
  if (mm === 0 && !options.allowZero) return fail('zero')
  return { ok: true, mm, unit, resolutionMm: step * scale, text }
}
