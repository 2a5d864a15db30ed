import type { Fitting, PortForm } from '../catalog/types'
import type { EndFault } from '../identify/answers'
import type { Source } from '../reference/source'

export type MethodId =
  | 'sweat'
  | 'compression'
  | 'push-fit'
  | 'threaded'
  | 'crimp'
  | 'cinch'
  | 'expansion'
  | 'cement'
  | 'swivel'

export type ToolId =
  | 'torch'
  | 'tube-cutter'
  | 'deburrer'
  | 'two-wrenches'
  | 'pipe-wrenches'
  | 'crimp-tool'
  | 'cinch-tool'
  | 'expander'
  | 'plastic-cutter'
  | 'ring-puller'
  | 'release-tool'

/** Why something is proposed, refused or warned about: data, put into words in one place (`words`). */
export interface Reason {
  readonly ruleId: string
  readonly severity: 'forbid' | 'warn' | 'note'
  readonly parameters: Readonly<Record<string, string | number>>
  readonly source: Source
  /** The condition whose change would lift it. */
  readonly change?: ChangeId
}

export type OldJoint =
  | 'none'
  | 'sweat'
  | 'compression'
  | 'push-fit'
  | 'threaded'
  | 'crimp'
  | 'cinch'
  | 'expansion'
  | 'cement'
  | 'press'
  | 'flare'

/** What holds at the place, now. */
export interface Conditions {
  readonly service: 'hot' | 'cold'
  readonly flame: boolean
  readonly line: 'dry' | 'trickle'
  readonly access: 'reachable' | 'closed-wall'
  /** Bare pipe from the wall to the back of the old stop or its nut, mm; null while not measured. */
  readonly stubMm: number | null
  /** Thickness of the wall plate that stays behind the new joint, mm. */
  readonly plateMm: number
  /** How the old stop is joined to the stub. */
  readonly oldJoint: OldJoint
  /** Which thread a threaded stub carries. */
  readonly thread: 'NPT' | 'BSP' | 'none'
  readonly scored: boolean
  readonly outOfRound: boolean
  /** What else is wrong with the stub. */
  readonly faults: readonly EndFault[]
  /** That the line carries water has been seen. */
  readonly waterSeen: boolean
  /** Within 18 in of a water heater's outlet. */
  readonly nearHeater: boolean
  readonly pressurePsi: number | null
  readonly stopShape: 'angle' | 'straight' | 'either'
  /** From the stop's outlet to the fixture's tail, mm; null while not measured. */
  readonly reachMm: number | null
}

export interface HouseRules {
  readonly pushFitConcealed: 'allow' | 'reachable-only' | 'emergency-only'
  readonly oldStop: 'cut-behind' | 'take-off'
  readonly threadSeal: 'tape-then-paste' | 'tape' | 'paste'
  readonly fluxOn: 'both' | 'tube-only'
  readonly compressionNut: 'dry' | 'silicone-trace'
  readonly recheck: 'both' | 'two-hours' | 'next-morning'
}

/** A shop's own numbers. Prices in cents by part id; what is missing takes the family's price. */
export interface MateSettings {
  readonly labourCentsPerHour: number
  /** Minutes to the counter and back, when a part or tool is not aboard. */
  readonly tripMinutes: number
  /** What a call-back costs, all told. */
  readonly callBackCents: number
  readonly familyPriceCents: Readonly<Record<string, number>>
  readonly priceCents: Readonly<Record<string, number>>
  readonly consumableCents: Readonly<Record<string, number>>
  /** Minutes for one joint, by method; what is missing takes the method's own. */
  readonly jointMinutes: Readonly<Partial<Record<MethodId, number>>>
  readonly toolsAboard: readonly ToolId[]
  /** Pieces aboard by part id. */
  readonly partsAboard: Readonly<Record<string, number>>
  readonly houseRules: HouseRules
}

export interface LineRequest {
  readonly lineId: string
  /** Pipe id of the tables. */
  readonly pipeId: string
  readonly fixtureId: string
  readonly conditions: Conditions
}

export interface MateRequest {
  readonly lines: readonly LineRequest[]
  readonly settings: MateSettings
  /** How many ways to return for each line. */
  readonly k?: number
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
}

export interface ChosenPart {
  readonly fittingId: string
  readonly name: string
  readonly family: Fitting['family']
  readonly inPort: number
  readonly outPort: number
  readonly priceCents: number
  readonly aboard: boolean
}

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
  readonly warnings: readonly Reason[]
}

export interface Refusal {
  readonly method: MethodId
  readonly reason: Reason
}

export type ChangeId =
  | 'flame'
  | 'dry'
  | 'access'
  | 'push-fit-rule'
  | 'water-seen'
  | 'stub'
  | 'smooth'
  | 'round'
  | 'thread'
  | 'sound'
  | 'straight'
  | 'away-from-heater'

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

export interface LineResult {
  readonly lineId: string
  readonly options: readonly MateOption[]
  readonly refusals: readonly Refusal[]
  readonly remedies: readonly Remedy[]
  /** True where the search was cut off at its label bound: then the list may lack ways. */
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
  } | null
}
