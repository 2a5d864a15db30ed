import type { Pipe } from '../reference/types'

/** Words that stand in the print line of each kind of pipe, by material. Sizes are added from the pipe. */
const PRINTS: Readonly<Record<Pipe['material'], readonly string[]>> = {
  copper: ['TYPE', 'B88', 'COPPER', 'ASTM'],
  'galvanised-steel': ['A53', 'GALV', 'SCH40'],
  'black-steel': ['A53', 'SCH40', 'STEEL'],
  brass: ['B43', 'BRASS'],
  cpvc: ['CPVC', 'D2846', 'SDR11', '4120', 'ASTM'],
  'pex-a': ['PEX', 'PEXA', 'PEX-A', 'F876', 'F1960', 'SDR9', 'ASTM'],
  'pex-b': ['PEX', 'PEXB', 'PEX-B', 'F876', 'F1807', 'SDR9', 'ASTM'],
  polybutylene: ['PB2110', 'PB', 'D3309', 'SDR11', 'ASTM'],
}
const METRIC_COPPER = ['EN1057', 'R250', 'COPPER']

/** A stray word that belongs to no table is one of about this many. */
const NOISE_WORDS = 2000
const READ_RIGHT = 0.86
const PER_EDIT = 0.1

function tokens(pipe: Pipe): readonly string[] {
  const words = pipe.material === 'copper' && pipe.system === 'metric' ? METRIC_COPPER : PRINTS[pipe.material]
  const grade = pipe.material === 'copper' && pipe.system === 'CTS' ? [pipe.grade] : []
  const size = pipe.system === 'metric' ? `${pipe.nominal}MM` : 'CTS'
  return [...words, ...grade, pipe.nominal, size].flatMap(printTokens)
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

/** Splits what was read into words worth comparing. */
export function printTokens(text: string): string[] {
  return (
    text
      .toUpperCase()
      // read off a worn print, these are the same sign
      .replace(/[IO]/g, (glyph) => (glyph === 'I' ? '1' : '0'))
      .split(/[^A-Z0-9/-]+/)
      .filter((word) => word.length > 0)
      .slice(0, 12)
  )
}

/**
 * Log-likelihood of a print line that was read, however badly: each word is one of the pipe's own, with
 * edits, or a stray word.
 */
export function logPrintLikelihood(text: string, pipe: Pipe | null): number {
  const own = pipe ? tokens(pipe) : []
  let sum = 0
  for (const word of printTokens(text)) {
    let best = 0
    for (const token of own) {
      const edits = editDistance(word, token)
      if (edits <= Math.floor(token.length / 2)) best += PER_EDIT ** edits / own.length
    }
    sum += Math.log(READ_RIGHT * best + (1 - READ_RIGHT) / NOISE_WORDS)
  }
  return sum
}
