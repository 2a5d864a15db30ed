/** A number as it was typed, or the reason why it is none. */
export function readNumber(text: string, most: number): number | string {
  const value = Number(text.trim().replace(',', '.'))
  if (text.trim() === '' || Number.isNaN(value)) return 'This is no number.'
  if (value < 0) return 'It cannot be negative.'
  if (value > most) return `At most ${most}.`
  return value
}
