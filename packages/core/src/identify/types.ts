import type { PipeMaterial } from '../reference/types'
import type { MeasuringInstrument, SignKind } from './answers'

export * from './answers'

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
/** One thing measured. `mm` is what the instrument reads: a diameter, or a circumference for string and strip. */
export interface MeasuredObservation extends ObservationBase {
  readonly kind: 'outside' | 'wall'
  readonly instrument: MeasuringInstrument
  readonly mm: number
  readonly resolutionMm: number
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
export type Observation = MeasuredObservation | SignObservation | PrintObservation

/** A pipe found earlier, nearer or farther from this one. */
export interface KnownPipe {
  readonly material: PipeMaterial
  readonly system: string
  readonly nominal: string
  readonly where: 'same-line' | 'same-point' | 'same-house'
}

export interface PriorContext {
  readonly era: Era
  readonly region: Region
  readonly known: readonly KnownPipe[]
}

export interface IdentifyRequest extends PriorContext {
  readonly observations: readonly Observation[]
  /** Questions that can be asked here: instruments at hand. Default: all. */
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

export type QuestionId = `sign:${SignKind}` | `outside:${MeasuringInstrument}` | 'wall:caliper'

export interface NextQuestion {
  readonly question: QuestionId
  readonly seconds: number
  /** Expected gain in the chance of the right decision, in 1/1000. */
  readonly gainPerMille: number
}

export interface HazardFlag {
  readonly hazardId: 'gas' | 'bonding' | 'lead-solder' | 'polybutylene' | 'old-coating'
  readonly level: 'stop' | 'caution' | 'note'
  readonly probability: number
}

export interface Belief {
  readonly classes: readonly ClassBelief[]
  /** Probability that the pipe is none of those in the tables. */
  readonly none: number
  /** Outside diameters still possible, for drawing: heaviest first. */
  readonly outline: readonly { readonly odMm: number; readonly weight: number }[]
  readonly surface: Readonly<Record<string, number>>
  readonly effects: readonly ObservationEffect[]
  readonly hazards: readonly HazardFlag[]
  readonly next: readonly NextQuestion[]
  readonly enough: boolean
  /** Why asking may stop, or why not. */
  readonly reason: {
    readonly ruleId:
      | 'find.enough'
      | 'find.enough-same-parts'
      | 'find.ask'
      | 'find.unknown'
      | 'find.no-observation'
    readonly parameters: Readonly<Record<string, string | number>>
  }
}
