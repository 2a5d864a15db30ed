/**
 * How far a figure may be trusted.
 * - `formula`: follows from a formula that the named standard states.
 * - `recalled`: from memory of the named table; verify against the table itself.
 * - `common practice`: what the trade does; no published source.
 * - `maker's sheet`: typical of the kind; the maker's own sheet decides.
 */
export type Certainty = 'formula' | 'recalled' | 'common practice' | "maker's sheet"

export interface Source {
  readonly title: string
  readonly table?: string
  readonly certainty: Certainty
}

export const commonPractice: Source = { title: 'Common practice', certainty: 'common practice' }

/** Puts a source into one short line. */
export function sourceLine(source: Source): string {
  if (source.certainty === 'common practice') return 'common practice'
  const place = source.table ? `${source.title}, ${source.table}` : source.title
  return source.certainty === 'recalled' ? `${place} (recalled: verify)` : `${place} (${source.certainty})`
}
