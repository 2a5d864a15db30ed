import { formatLength, type LengthUnit } from '@diarmos/core/units'

interface Fault {
  readonly path: string
  readonly message: string
}

/** A bound as a tape reads it, where the place it stands in is a length. */
function bound(path: string, value: string, unit: LengthUnit): string {
  const number = Number(value)
  return /mm$/i.test(path) && number > 0 ? formatLength(number, { unit }) : value
}

/** What a validator says, as a plumber would hear it; what is said in words already stays. */
function wordsOf({ path, message }: Fault, unit: LengthUnit): string {
  const above = message.match(/^Too big: expected .*?(<=?) ?(-?[\d.]+)/)
  if (above) return `At most ${bound(path, above[2] ?? '', unit)} is taken here.`
  const below = message.match(/^Too small: expected .*?(>=?) ?(-?[\d.]+)/)
  if (below) {
    const least = bound(path, below[2] ?? '', unit)
    return below[1] === '>' ? `It has to be more than ${least}.` : `At least ${least} is wanted here.`
  }
  if (/^Invalid (input|option|string)/.test(message)) return 'Something here is of a kind that is not taken.'
  if (/^Unrecognized key/.test(message)) return 'Something is said here that is not known.'
  const plain = message.trim()
  return /[.!?]$/.test(plain) ? plain : `${plain.replace(/^./, (letter) => letter.toUpperCase())}.`
}

/** Why something could not be worked out, in words and each reason once. */
export function faultWords(error: Error, unit: LengthUnit): string {
  const { faults } = error as Error & { faults?: readonly Fault[] }
  const list = faults ?? [{ path: '', message: error.message }]
  return [...new Set(list.map((fault) => wordsOf(fault, unit)))].join(' ')
}
