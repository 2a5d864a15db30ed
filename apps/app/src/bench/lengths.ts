/** Longest distance that a link may carry, mm. */
const LONGEST_MM = 30_000

/**
 * Lengths out of an address: `a.b.c` in millimetres; an empty place is one that nobody has measured.
 *
 * @throws Error saying what is wrong with the link
 */
export function decodeLengths(text: string | undefined, count: number): (number | null)[] {
  const parts = (text ?? '').split('_')
  if (parts.length > count) throw new Error('The link holds more lengths than are asked for.')
  return Array.from({ length: count }, (_, index) => {
    const part = parts[index] ?? ''
    if (part === '') return null
    const mm = Number(part)
    if (!(mm > 0 && mm <= LONGEST_MM)) throw new Error('The link holds a length that cannot be.')
    return mm
  })
}

/** Lengths as they stand in an address: fine enough that 1/64 in is read back as it was entered. */
export function encodeLengths(lengths: readonly (number | null)[]): string {
  return lengths.map((mm) => (mm === null ? '' : String(Math.round(mm * 1e5) / 1e5))).join('_')
}
