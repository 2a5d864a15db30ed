import type { Connection } from '../../reference/connections'
import type { ThreadSign } from '../answers'
import type { Region } from '../types'

interface Base {
  readonly id: string
  readonly withdrawn?: boolean
}
/** Threads counted against a rule: so many over that length. */
export interface CountObservation extends Base {
  readonly kind: 'thread-count'
  readonly threads: number
  readonly overMm: number
}
/** A leaf of a thread gauge laid in: it fits, or it rocks. */
export interface LeafObservation extends Base {
  readonly kind: 'thread-leaf'
  readonly pitchMm: number
  readonly form: 60 | 55
  readonly fits: 'fits' | 'rocks'
}
/** Across the crests: outside of a male thread, inside of a female one. */
export interface AcrossObservation extends Base {
  readonly kind: 'thread-across'
  readonly instrument: 'caliper' | 'tape'
  readonly mm: number
  readonly resolutionMm: number
}
/** Two diameters a known distance apart, the first nearer the end. */
export interface TaperObservation extends Base {
  readonly kind: 'thread-taper'
  readonly firstMm: number
  readonly secondMm: number
  readonly apartMm: number
}
export interface ThreadSignObservation extends Base {
  readonly kind: 'thread-sign'
  readonly sign: ThreadSign
  readonly answer: string
}
export type ThreadObservation =
  | CountObservation
  | LeafObservation
  | AcrossObservation
  | TaperObservation
  | ThreadSignObservation

export interface IdentifyThreadRequest {
  readonly region: Region
  readonly observations: readonly ThreadObservation[]
}

export type ThreadQuestion =
  | 'thread-count'
  | 'thread-leaf'
  | 'thread-across:caliper'
  | 'thread-across:tape'
  | 'thread-taper'
  | `thread-sign:${ThreadSign}`

export interface ThreadCandidate {
  readonly id: string
  readonly name: string
  readonly family: Connection['family']
  readonly nominal: string
  readonly gender: Connection['gender']
  readonly pitchMm: number
  readonly acrossMm: readonly [number, number]
  readonly taper: boolean
  readonly form: 60 | 55
  readonly probability: number
}

/** A leaf of a thread gauge: its pitch, and the angle between the flanks of its teeth. */
export interface Leaf {
  readonly pitchMm: number
  readonly form: 60 | 55
}

/** What to look at next, and what that is expected to bring. */
export interface ThreadNext {
  readonly question: ThreadQuestion
  readonly seconds: number
  /** Expected gain in the chance of the right thread, in 1/1000. */
  readonly gainPerMille: number
  /** The leaf to lay in. */
  readonly leaf?: Leaf
}

export interface ThreadBelief {
  /** Most likely first. */
  readonly candidates: readonly ThreadCandidate[]
  readonly none: number
  /** Probability that it is a taper thread: decided from two diameters a known distance apart. */
  readonly taper: number
  readonly next: readonly ThreadNext[]
  readonly enough: boolean
  readonly effects: readonly { readonly id: string; readonly bits: number; readonly disagrees: boolean }[]
  readonly reason: {
    readonly ruleId:
      | 'thread.no-observation'
      | 'thread.enough'
      | 'thread.ask'
      | 'thread.spent'
      | 'thread.unknown'
      | 'thread.confused'
      | 'thread.confused-spent'
    readonly parameters: Readonly<Record<string, string | number>>
  }
}
