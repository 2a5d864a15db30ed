import { PIPES } from '../reference/pipes'
import { printWords } from './tables/prints'

/** A stray word that belongs to no table is one of about this many. */
const NOISE_WORDS = 2000
const READ_RIGHT = 0.86
const PER_EDIT = 0.1
/** How often a print stands on another thing than the pipe: a sleeve, an offcut, a fitting. Common practice. */
export const PRINT_OF_ANOTHER = 0.02
/** Words of a print line that are looked at. */
const MOST_WORDS = 12

/** Splits what was read into words worth comparing. */
export function printTokens(text: string): string[] {
  return (
    text
      .toUpperCase()
      // read off a worn print, these are the same sign
      .replace(/[IO]/g, (glyph) => (glyph === 'I' ? '1' : '0'))
      .split(/[^A-Z0-9./-]+/)
      .filter((word) => word.length > 0)
      .slice(0, MOST_WORDS)
  )
}

/** Edits (insert, delete, replace) that turn one short word into the other. */
export function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, index) => index)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++) {
      next.push(
        Math.min(
          (row[j] as number) + 1,
          (next[j - 1] as number) + 1,
          (row[j - 1] as number) + (a[i - 1] === b[j - 1] ? 0 : 1),
        ),
      )
    }
    row = next
  }
  return row[b.length] as number
}

const VOCABULARY: string[] = []
const PLACES = new Map<string, number>()
const OWN: readonly (readonly number[])[] = PIPES.map((pipe) =>
  printWords(pipe)
    .flatMap(printTokens)
    .map((word) => {
      const place = PLACES.get(word) ?? VOCABULARY.push(word) - 1
      PLACES.set(word, place)
      return place
    }),
)

/** How likely a line is of which every word is a stray one. */
const strayWords = (text: string) => ((1 - READ_RIGHT) / NOISE_WORDS) ** printTokens(text).length

/** The last texts that were read, worked out: the same print is asked for at every change of another look. */
const RECENT = new Map<string, Float64Array>()
const KEPT = 128

/**
 * Log-likelihood of a print line that was read, however badly, for every pipe and then for none: each word is one
 * of the pipe's own, with edits, or a stray word; and the whole line may stand on another thing, whatever the pipe
 * is, so that no print is proof. Cost: words × vocabulary, then words × pipes.
 */
export function logPrintLikelihoods(text: string): Float64Array {
  const known = RECENT.get(text)
  if (known) return known
  const logs = new Float64Array(PIPES.length + 1)
  for (const word of printTokens(text)) {
    const likeness = VOCABULARY.map((token) => {
      const edits = editDistance(word, token)
      return edits <= Math.floor(token.length / 2) ? PER_EDIT ** edits : 0
    })
    OWN.forEach((own, index) => {
      let best = 0
      for (const place of own) best += (likeness[place] as number) / own.length
      logs[index] = (logs[index] as number) + Math.log(READ_RIGHT * best + (1 - READ_RIGHT) / NOISE_WORDS)
    })
  }
  logs[PIPES.length] = Math.log(strayWords(text))
  mixWithAnother(logs)
  if (RECENT.size >= KEPT) RECENT.delete(RECENT.keys().next().value as string)
  RECENT.set(text, logs)
  return logs
}

/** How likely a line is that stands on another thing, whatever the pipe is. */
export function printOfAnother(text: string): number {
  const logs = logPrintLikelihoods(text)
  const mixed = Math.exp(logs[PIPES.length] as number)
  return Math.max(0, mixed - (1 - PRINT_OF_ANOTHER) * strayWords(text))
}

/** Mixes in, for pipes and none alike, that the line was printed on any other pipe of the tables. */
function mixWithAnother(logs: Float64Array): void {
  const top = logs.reduce((most, log) => Math.max(most, log))
  let mean = 0
  for (let index = 0; index < PIPES.length; index++)
    mean += Math.exp((logs[index] as number) - top) / PIPES.length
  for (let index = 0; index < logs.length; index++)
    logs[index] =
      top +
      Math.log((1 - PRINT_OF_ANOTHER) * Math.exp((logs[index] as number) - top) + PRINT_OF_ANOTHER * mean)
}
