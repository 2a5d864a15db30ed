import { plainLater } from '../assembly/conditions'

/** What a finding rests on, as far as it is stored. */
export interface BasisObservation {
  readonly kind: string
  readonly instrument: string | null
  readonly sign: string | null
  readonly answer: string | null
  readonly entered: string
  readonly mm: number | null
  readonly withdrawn: boolean
}

/**
 * The facts behind a finding in one line. Two findings with the same basis need no second look; when the basis of
 * the facts at hand differs from the stored one, the finding is stale.
 */
export function findingBasis(observations: readonly BasisObservation[]): string {
  return JSON.stringify(
    observations
      // a thread says nothing of the pipe
      .filter((observation) => !observation.withdrawn && !observation.kind.startsWith('thread'))
      .map(({ kind, instrument, sign, answer, entered, mm }) => [
        kind,
        instrument ?? '',
        sign ?? '',
        answer ?? '',
        kind === 'print' ? entered : '',
        mm === null ? 0 : Math.round(mm * 1000) / 1000,
      ])
      .sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)),
  )
}

/** Of a stored situation what is no condition: whose it is, and that somebody has looked. */
const BESIDE: ReadonlySet<string> = new Set(['jobId', 'lineId', 'oldJointSeen', 'trap'])

/** Conditions that came later, and what says nothing: what was chosen before they were asked stays chosen. */
const SAYS_NOTHING = plainLater()

/** The facts behind a chosen mating in one line: what it begins and ends at, by id or kind, and the conditions. */
export function matingBasis(
  begins: string,
  ends: string,
  conditions: Readonly<Record<string, unknown>>,
): string {
  const sorted = Object.entries(conditions)
    .filter(([name]) => !BESIDE.has(name))
    // a list with nothing in it says what its absence says
    .filter(([name, value]) => !(Array.isArray(value) && value.length === 0) && SAYS_NOTHING[name] !== value)
    .sort(([a], [b]) => (a < b ? -1 : 1))
  return JSON.stringify([begins, ends, sorted])
}
