import type { StepTemplate } from '../assembly/acts/types'
import type { Insert, Mouth } from '../assembly/bodies/types'
import type { Conditions } from '../assembly/conditions'
import type { EndRef } from '../assembly/end'
import type { KeptPart } from '../assembly/kept'
import type { MethodId } from '../assembly/methods/table'
import type { ChangeId, Reason } from '../assembly/reason'
import type { Schools } from '../assembly/schools'
import type { ToolId } from '../assembly/tools'
import type { Family, Fitting, PortForm, SecondSide, Standing } from '../catalog/types'
import type { Source } from '../reference/source'

/** What goes into a run whose both ends are fixed. */
export interface CutIn {
  readonly insert: Insert
  /** Ends the branch of a tee may have; any where none are named. */
  readonly branch?: readonly EndRef[]
  /** One more side of a tee into a drain: where it stands, and the ends that it may have. */
  readonly second?: { readonly at: SecondSide; readonly ends: readonly EndRef[] }
  /** Straight bare pipe on the far side of the cut, mm; null while not measured. */
  readonly farMm: number | null
  /** Free pipe on each side up to the first clamp or fitting, mm: how far it can be sprung. */
  readonly freeMm: readonly [number, number]
  /** What has to come out at least, mm: the bad pipe; nothing where it is not said. */
  readonly outMm?: number | null
  /** Of a corner: what has to come out at least on each side of its middle, mm; nothing where it is not said. */
  readonly legsMm?: readonly [number, number] | null
  /** How far the ends can be pushed sideways before something is in the way, mm. */
  readonly sidewaysMm: number
}

export const CODE_PROFILES = ['IPC', 'UPC', 'EN'] as const
export type CodeProfile = (typeof CODE_PROFILES)[number]

/** A local change of a rule: what the authority has written or said. */
export interface Amendment {
  readonly ruleId: string
  readonly severity: 'forbid' | 'warn' | 'note' | 'off'
  readonly why: string
}

export interface HouseRules extends Partial<Schools> {
  readonly pushFitConcealed: 'allow' | 'reachable-only' | 'emergency-only'
  readonly oldStop: 'cut-behind' | 'take-off'
  readonly threadSeal: 'tape-then-paste' | 'tape' | 'paste'
  readonly fluxOn: 'both' | 'tube-only'
  readonly compressionNut: 'dry' | 'silicone-trace'
  readonly recheck: 'both' | 'two-hours' | 'next-morning'
}

/** A shop's own numbers. Prices in cents by part id; what is missing goes by the family's, that of a half-inch one. */
export interface MateSettings {
  readonly labourCentsPerHour: number
  /** Minutes to the counter and back, when a part or tool is not aboard. */
  readonly tripMinutes: number
  /** What a call-back costs, all told. */
  readonly callBackCents: number
  readonly familyPriceCents: Readonly<Record<string, number>>
  readonly priceCents: Readonly<Record<string, number>>
  /** What a tool that is not aboard costs the job for which it is got on the way; what is missing, as a new shop has it. */
  readonly toolCents?: Readonly<Partial<Record<ToolId, number>>>
  readonly consumableCents: Readonly<Record<string, number>>
  /** Minutes for one joint, by method; what is missing takes the method's own. */
  readonly jointMinutes: Readonly<Partial<Record<MethodId, number>>>
  readonly toolsAboard: readonly ToolId[]
  /** Pieces aboard by part id. */
  readonly partsAboard: Readonly<Record<string, number>>
  readonly houseRules: HouseRules
  /** The published code that reasons quote; IPC where it is not said. */
  readonly codeProfile?: CodeProfile
  /** Local changes on top of it. */
  readonly amendments?: readonly Amendment[]
  /** Laying lengths that the shop measured, mm, by part id, in place of the typical ones. */
  readonly layingMm?: Readonly<Record<string, number>>
}

/** One line: where it begins, where it ends, and what holds there. */
export interface LineRequest {
  readonly lineId: string
  /** Begins at a pipe of the tables … */
  readonly pipeId?: string
  /** … or at the port of something new … */
  readonly from?: Pick<Mouth, 'kind' | 'ends' | 'bodyId'>
  /** … which may be the outlet of an old stop that stays … */
  readonly kept?: 'stop'
  /** … or at what another line leaves open: the branch of its tee, the second outlet of its stop. */
  readonly branchOf?: string
  /** It is the second side that it takes. */
  readonly second?: true
  /** Of what may be left open there, the end that a chosen way leaves. */
  readonly opens?: EndRef
  /** Ends at the port of something new … */
  readonly to?: Mouth
  /** … or comes back to the same run of pipe. */
  readonly cutIn?: CutIn
  readonly conditions: Conditions
}

export interface MateRequest {
  readonly lines: readonly LineRequest[]
  readonly settings: MateSettings
  /** How many ways to return for each line. */
  readonly k?: number
  /** Also ways that are made up on the job. */
  readonly improvised?: boolean
}

/** One seam of a chain, from the wall outward. */
export interface ChosenJoint {
  readonly method: MethodId
  /** Index into the option's parts; -1 is the existing stub, parts.length the fixture. */
  readonly from: number
  readonly to: number
  readonly system: string
  readonly nominal: string
  readonly diameterMm: number
  readonly bodyForm: PortForm
  readonly tubeMaterial: string
  readonly minMm: number
  readonly maxMm: number
  readonly makeUpSource: Source
  readonly atStub: boolean
  /** Up to the stop's inlet: the water stays off until it is made. */
  readonly beforeStop: boolean
  readonly seal: string
  readonly tools: readonly ToolId[]
  readonly consumables: readonly { readonly id: string; readonly quantity: number }[]
  /** Sentences of the steps, in order. */
  readonly steps: readonly string[]
  readonly reasons: readonly Reason[]
  /** Of a way that was chosen: its acts with their times, as they were then. */
  readonly acts?: readonly StepTemplate[]
}

export interface ChosenPart {
  readonly fittingId: string
  readonly name: string
  readonly family: Fitting['family']
  readonly inPort: number
  readonly outPort: number
  readonly priceCents: number
  readonly aboard: boolean
  readonly standing?: Standing
  /** Of a way that was chosen: the part as it was then. */
  readonly made?: KeptPart
}

/** What a way is weighed by besides its whole cost; less is better in each. */
export interface Criteria {
  /** Parts, consumables and what is opened. */
  readonly priceCents: number
  /** Hands-on work with set-up, s. */
  readonly seconds: number
  /** No plan can have the water off for less, s. */
  readonly waterOffSeconds: number
  readonly joints: number
  /** Chance of a call-back, joints added up, per mille. */
  readonly riskPerMille: number
  /** Parts that are not on the van. */
  readonly notAboard: number
}
export type CriterionId = keyof Criteria

export interface Costs {
  readonly partsCents: number
  readonly consumablesCents: number
  readonly labourSeconds: number
  readonly labourCents: number
  readonly setUpCents: number
  readonly tripCents: number
  readonly riskCents: number
  readonly totalCents: number
}

export interface MateOption {
  /** Same for the same way: removal, methods and families in order. */
  readonly id: string
  readonly removalId: string
  /** Where the line begins at something new: the end of it. */
  readonly beginsAt?: EndRef
  /** Of a way that was chosen: the acts of the removal, as they were then. */
  readonly removalActs?: readonly StepTemplate[]
  readonly parts: readonly ChosenPart[]
  readonly joints: readonly ChosenJoint[]
  readonly methods: readonly MethodId[]
  readonly costs: Costs
  /** No plan can have the water off for less, s. */
  readonly waterOffSeconds: number
  readonly missingParts: readonly string[]
  readonly missingTools: readonly ToolId[]
  /** Straight bare stub the first joint needs, and what the removal leaves, mm. */
  readonly needsStubMm: number
  readonly leavesStubMm: number | null
  /** For a cut-in: how much of the run to take out, least and most, mm. */
  readonly removeMm?: { readonly min: number; readonly max: number }
  /** For a new corner: how much on each side, from where both legs meet, mm. */
  readonly removeLegsMm?: readonly [
    { readonly min: number; readonly max: number },
    { readonly min: number; readonly max: number },
  ]
  /**
   * For a cut-in, and for what is screwed somewhere on the way to a body that is held: the seam that is closed last, and
   * how. What is drawn together by a union is drawn at the part behind that seam.
   */
  readonly closes?: {
    readonly seam: number
    readonly by: 'slide' | 'union' | 'spring' | 'joint' | 'fold'
    readonly needsMm: number
  }
  /** Improvised or temporary: what has to follow. */
  readonly followUp?: { readonly standing: Standing; readonly returnDays: number | null }
  readonly warnings: readonly Reason[]
}

/** An option as it was weighed among the others of its line; what was stored long ago may lack this. */
export interface RankedOption extends MateOption {
  readonly criteria: Criteria
  /** No other way within twice the cheapest is as good in everything and better in something. */
  readonly onFront: boolean
  /** Something cheaper is listed behind it, which is longer and only spares the trip. */
  readonly worthTrip?: true
  /** What no other listed way beats it in. */
  readonly leads: readonly CriterionId[]
}

export interface Refusal {
  readonly method: MethodId
  readonly reason: Reason
}

/** A smallest set of conditions that would make something fit, and what it would give. */
export interface Remedy {
  readonly changes: readonly ChangeId[]
  /** For a stub that is too short: what is missing, mm. */
  readonly missingMm?: number
  readonly gives: {
    readonly methods: readonly MethodId[]
    readonly removalId: string
    readonly totalCents: number
  }
}

/** Parts that the rules would allow and the place does not: why they are in none of the ways. */
export interface LeftOut {
  readonly family: Family
  readonly reason: Reason
}

export const TEMPORARY_IDS = ['close-off', 'rubber-clips', 'bolted-clamp'] as const
export type TemporaryId = (typeof TEMPORARY_IDS)[number]

/** What holds for a time only: what it takes, what it obliges to, and why it is not for here, if so. */
export interface TemporaryWay {
  readonly id: TemporaryId
  /** The first hard reason against it here; null where it may be done. */
  readonly refused: Reason | null
  /** Days after which someone has to be back with the lasting repair. Common practice. */
  readonly returnDays: number
  readonly seconds: number
  readonly totalCents: number
  readonly consumables: readonly { readonly id: string; readonly quantity: number }[]
  /** For a line that is closed off: the cap and its joint. */
  readonly option?: RankedOption
}

export interface LineResult {
  readonly lineId: string
  readonly options: readonly RankedOption[]
  readonly refusals: readonly Refusal[]
  readonly remedies: readonly Remedy[]
  /** Where nothing fits, what a plumber turns to then; null where something does, or where the line begins at something new. */
  readonly lastResort: Reason | null
  /** Parts that the place leaves out of the ways, and why. */
  readonly leftOut: readonly LeftOut[]
  /** What holds for a time only; only where improvised ways are asked for. */
  readonly temporary: readonly TemporaryWay[]
  /** Ids of the first of each kind of way, six at most: what is shown before anyone asks for all. */
  readonly kinds: readonly string[]
  /** Ids of the options no other listed way is better than in everything; at most `FRONT_MOST`. */
  readonly front: readonly string[]
  /** True where a search was cut short: then ways, refusals, remedies or what holds for a time may be lacking. */
  readonly truncated: boolean
}

export interface MateResult {
  readonly lines: readonly LineResult[]
  /** The cheapest choice for all lines together, which share set-up and one trip; null where a line has none. */
  readonly together: {
    readonly optionIds: readonly string[]
    readonly totalCents: number
    /** What the lines would cost if each took its own cheapest and paid its own set-up. */
    readonly apartCents: number
    /** Pieces that all of them together lack aboard, by part. */
    readonly short: Readonly<Record<string, number>>
    /** Bodies that a flame and what heat would spoil both come to, by id: they have to cool between, and why. */
    readonly cools: readonly { readonly bodyId: string; readonly reason: Reason }[]
    /** True where the choice was cut short: a cheaper one may exist. */
    readonly truncated: boolean
  } | null
}
