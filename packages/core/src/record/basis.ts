import { runBranch } from '../assembly/bodies/runBranches'
import type { Mouth } from '../assembly/bodies/types'
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
const BESIDE: ReadonlySet<string> = new Set([
  'jobId',
  'lineId',
  'oldJointSeen',
  'trap',
  'stopOutlet',
  'valveWall',
  'opening',
  'onRun',
])

/** Conditions that came later, and what says nothing: what was chosen before they were asked stays chosen. */
const SAYS_NOTHING = plainLater()

/** What a line ends at, as far as a way rests on it. */
export interface BasisEnds {
  readonly to: Pick<Mouth, 'ends' | 'route'> & { readonly kind: string }
  readonly insert: string | null
}

type Conditions = Readonly<Record<string, unknown>>

function conditionsLine(conditions: Conditions): readonly (readonly [string, unknown])[] {
  return (
    Object.entries(conditions)
      .filter(([name]) => !BESIDE.has(name))
      // a list with nothing in it says what its absence says
      .filter(
        ([name, value]) => !(Array.isArray(value) && value.length === 0) && SAYS_NOTHING[name] !== value,
      )
      .sort(([a], [b]) => (a < b ? -1 : 1))
  )
}

/**
 * How the facts behind a mating were and are written down, by version. One that was released stays: what is stored is
 * compared as it was written, so that a new version makes nothing stale.
 */
const MATING_BASES: Readonly<
  Record<string, (begins: string, ends: BasisEnds, conditions: Conditions) => string>
> = {
  // the kind of what goes in, by its name
  '1': (begins, { to }, conditions) => JSON.stringify([begins, to.kind, conditionsLine(conditions)]),
  // the ends that it has, whatever it is called
  '2': (begins, { to, insert }, conditions) =>
    `2:${JSON.stringify([
      begins,
      [
        to.route,
        // of a branch its size is no end of the run's own
        runBranch(to.kind)?.id ?? insert,
        to.ends.map(({ form, system, nominal, material }) => [form, system, nominal, material]),
      ],
      conditionsLine(conditions),
    ])}`,
}
const NEWEST = '2'

/** The facts behind a chosen mating in one line: what it begins and ends at, and the conditions. */
export function matingBasis(begins: string, ends: BasisEnds, conditions: Conditions): string {
  return (MATING_BASES[NEWEST] as (typeof MATING_BASES)[string])(begins, ends, conditions)
}

/**
 * Whether a stored basis says what the facts at hand say, in the version it was written in. Of a version that is not
 * known here nothing can be said: it stands.
 */
export function matingStands(
  stored: string,
  begins: string,
  ends: BasisEnds,
  conditions: Conditions,
): boolean {
  const version = /^(\d+):/.exec(stored)?.[1] ?? '1'
  const write = MATING_BASES[version]
  return write === undefined || write(begins, ends, conditions) === stored
}
