import type { PipeMaterial } from '../reference/types'
import type { END_FAULTS, JointKind, MeasuringInstrument, Service, SignKind } from './answers'
import type { Reuse, Undoing } from './tables/joints'
import type { Carried } from './tables/shares'

export * from './answers'
export type { Reuse, Undoing } from './tables/joints'
export type { Carried } from './tables/shares'
export type EndFaultList = readonly (typeof END_FAULTS)[number][]

export type Era =
  | 'before-1940'
  | '1940-1965'
  | '1965-1978'
  | '1978-1995'
  | '1995-2010'
  | 'since-2010'
  | 'unknown'
export type Region = 'north-america' | 'metric' | 'unknown'

interface ObservationBase {
  readonly id: string
  readonly withdrawn?: boolean
}
/**
 * One thing measured. `mm` is what the instrument reads: a diameter, a bore or a wall; a circumference for string
 * and strip.
 */
export interface MeasuredObservation extends ObservationBase {
  readonly kind: 'outside' | 'wall' | 'bore'
  readonly instrument: MeasuringInstrument
  readonly mm: number
  readonly resolutionMm: number
}
/** A go/no-go gauge: a slot or ring of that opening, mm, goes over the pipe or stops. */
export interface GaugeObservation extends ObservationBase {
  readonly kind: 'gauge'
  readonly mm: number
  readonly fits: 'goes' | 'stops'
}
/** One thing seen. */
export interface SignObservation extends ObservationBase {
  readonly kind: 'sign'
  readonly sign: SignKind
  readonly answer: string
}
/** Print read off the pipe, as far as it was legible. */
export interface PrintObservation extends ObservationBase {
  readonly kind: 'print'
  readonly text: string
}
export type Observation = MeasuredObservation | GaugeObservation | SignObservation | PrintObservation

/** A pipe found earlier, nearer or farther from this one. */
export interface KnownPipe {
  readonly material: PipeMaterial
  readonly system: string
  readonly nominal: string
  readonly where: 'same-line' | 'same-point' | 'same-house'
}

/** What is expected before anyone looks. */
export interface PriorContext {
  readonly era: Era
  readonly region: Region
  /** Default: unknown. */
  readonly service?: Service
  readonly known: readonly KnownPipe[]
  /** What this shop found in other houses of that age, by kind. */
  readonly finds?: Readonly<Partial<Record<PipeMaterial, number>>>
  /** The shop's own correction of what is usual: kinds so many times commoner than the tables say. */
  readonly factors?: Readonly<Partial<Record<PipeMaterial, number>>>
}

export interface IdentifyRequest extends PriorContext {
  readonly observations: readonly Observation[]
  /** Questions that can be asked here: instruments at hand. Default: caliper, tape, string and paper strip. */
  readonly instruments?: readonly MeasuringInstrument[]
}

/** What two identities must share to count as the same for the work at hand. */
export type Decide = (identityId: string) => string

export interface ClassBelief {
  readonly classId: string
  readonly name: string
  readonly material: PipeMaterial
  readonly system: string
  readonly nominal: string
  readonly odMm: number
  readonly probability: number
  readonly prior: number
  /** The grades within, most likely first. */
  readonly pipes: readonly { readonly id: string; readonly name: string; readonly probability: number }[]
}

export interface ObservationEffect {
  readonly id: string
  /** How much this one observation favours the leading class over all others together, in bits. */
  readonly bits: number
  /** The reading disagrees with the others: measure again. */
  readonly disagrees: boolean
}

export type QuestionId =
  | `sign:${SignKind}`
  | `outside:${MeasuringInstrument}`
  | 'wall:caliper'
  | 'bore:caliper'
  | 'print'

export interface NextQuestion {
  readonly question: QuestionId
  readonly seconds: number
  /** Expected gain in the chance of the right decision, in 1/1000. */
  readonly gainPerMille: number
}

export const HAZARD_IDS = [
  'gas',
  'refrigerant',
  'sprinkler',
  'lead',
  'lead-solder',
  'bonding',
  'asbestos',
  'old-coating',
  'polybutylene',
  'sewage',
] as const
export type HazardId = (typeof HAZARD_IDS)[number]

export interface HazardFlag {
  readonly hazardId: HazardId
  readonly level: 'stop' | 'caution' | 'note'
  readonly probability: number
}

/** How the nearest joint was made, and what that means for the work. */
export interface JointBelief {
  readonly joint: JointKind
  readonly probability: number
  readonly undone: Undoing
  readonly reuse: Reuse
}

/** Two classes that what is at hand cannot tell apart, and the look that would. */
export interface Undecided {
  readonly classIds: readonly [string, string]
  readonly names: readonly [string, string]
  readonly question: QuestionId
}

export interface Belief {
  readonly classes: readonly ClassBelief[]
  /** Probability that the pipe is none of those in the tables. */
  readonly none: number
  /** Outside diameters still possible, for drawing: heaviest first. */
  readonly outline: readonly { readonly odMm: number; readonly weight: number }[]
  readonly surface: Readonly<Record<string, number>>
  readonly carries: Readonly<Record<Carried, number>>
  /** Probability that the pipe is of a metric system. */
  readonly metric: number
  readonly effects: readonly ObservationEffect[]
  readonly hazards: readonly HazardFlag[]
  /** Most likely first; empty while nothing was seen of the joint. */
  readonly joints: readonly JointBelief[]
  readonly next: readonly NextQuestion[]
  readonly enough: boolean
  readonly undecided: Undecided | null
  /** What is usual here before any look, by kind, commonest first. */
  readonly expected: readonly { readonly material: PipeMaterial; readonly share: number }[]
  /** Why asking may stop, or why not. */
  readonly reason: {
    readonly ruleId:
      | 'find.enough'
      | 'find.enough-same-parts'
      | 'find.not-water'
      | 'find.ask'
      | 'find.spent'
      | 'find.undecided'
      | 'find.unknown'
      | 'find.no-observation'
      | 'find.contradiction'
      | 'find.misread'
    readonly parameters: Readonly<Record<string, string | number>>
  }
}
