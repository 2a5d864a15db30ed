/** What a look is answered with: good first. */
export interface Verdict {
  readonly good: string
  readonly bad: string
  /** What is wrong where it is bad, and what is done. */
  readonly title: string
  readonly todo: string
}

const AGAIN = 'Shut the water, make the seam again, and prove it again.'
const SEAM: Verdict = { good: 'dry', bad: 'wet', title: 'A seam is wet', todo: AGAIN }
const HOLDS: Verdict = { good: 'it holds', bad: 'it falls', title: 'It does not hold', todo: AGAIN }
const RIGHT: Verdict = {
  good: 'right',
  bad: 'not right',
  title: 'Something is not right',
  todo: 'Put it right first, and look again: it can hurt somebody.',
}

const OTHERS: Readonly<Record<string, Verdict>> = {
  'prove.hold': HOLDS,
  'prove.level': HOLDS,
  'prove.scald': RIGHT,
  'prove.relief': RIGHT,
  'prove.breaker': RIGHT,
}

/** How a look, by its words, is answered: most look for water at a seam. */
export function verdictOf(words: string): Verdict {
  return OTHERS[words] ?? SEAM
}
