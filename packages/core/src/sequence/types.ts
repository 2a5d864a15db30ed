import type { StepTemplate } from '../assembly/acts/types'
import type { Body, Mount } from '../assembly/bodies/types'
import type { Conditions } from '../assembly/conditions'
import type { MethodId } from '../assembly/methods/table'
import type { CodeProfile, HouseRules, MateOption } from '../mate/types'
import type { PipeMaterial } from '../reference/types'

export interface PlanLine {
  readonly lineId: string
  /** Of the old pipe; none where the line begins at something new. */
  readonly material?: PipeMaterial
  readonly conditions: Conditions
  readonly option: MateOption
  /** The bodies of the job that it begins at and stops at, by id. */
  readonly meets?: { readonly from?: string; readonly to?: string }
  /** The line at whose tee or stop it begins. */
  readonly branchOf?: string
  /** It begins at the second side of that tee. */
  readonly second?: true
  /** A piece of pipe, by its place among the parts, that is left long and capped, and cut once what follows it is in hand. */
  readonly leftLong?: number
  /** Of one under concrete: the disc that it is cut with, mm; the usual one where it is not said. */
  readonly discMm?: number
}

/** What goes in, as far as its order of work goes. */
export interface PlanBody extends Pick<Body, 'id' | 'contents' | 'stays'> {
  /** What it is fixed to; nothing is said of setting it where that is not known. */
  readonly mount?: Mount
  /** The row that it was made from, where more than its mount decides. */
  readonly kind?: string
}

export interface PlanRequest {
  readonly lines: readonly PlanLine[]
  /** What goes in, with what is in it. */
  readonly bodies?: readonly PlanBody[]
  readonly houseRules: HouseRules
  readonly oldSolder?: boolean
  /** A permit is open: what will be covered is inspected first. */
  readonly permit?: boolean
  /** Whose figures the hold before covering goes by; the IPC's where it is not said. */
  readonly codeProfile?: CodeProfile
  /** Storeys that the house's water drains from; one where it is not said. */
  readonly storeys?: number
  /** Where the house's own stop is, as it was written down. */
  readonly stopAt?: string
  /** How many work at it; one where it is not said. */
  readonly people?: 1 | 2
  /** What the shop takes for one joint, hands on, minutes; else the table's own. */
  readonly jointMinutes?: Readonly<Partial<Record<MethodId, number>>>
}

export interface PlannedStep {
  readonly id: string
  readonly lineId: string | null
  /** Seam the step belongs to, counted from the wall; null for general steps. */
  readonly seam: number | null
  readonly kind: StepTemplate['kind']
  readonly words: string
  readonly parameters: Readonly<Record<string, string | number>>
  readonly phase: 'before' | 'water-off' | 'after'
  readonly startSeconds: number
  readonly endSeconds: number
  readonly passive: boolean
  readonly captive: string | null
  /** Whose hands, counted from nought; nobody's while it waits. */
  readonly hands: number | null
  /** Ids of the steps that must be done before this one begins. */
  readonly after: readonly string[]
}

/** One act of a card, with the steps that it stands for: one for each line that it is done on. */
export interface CardAct {
  readonly words: string
  readonly parameters: PlannedStep['parameters']
  readonly steps: readonly string[]
}

/** What is done in one sitting, and ticked by one touch. */
export interface Card {
  /** Id of its first step. */
  readonly id: string
  readonly phase: PlannedStep['phase']
  /** Of its first act. */
  readonly kind: PlannedStep['kind']
  readonly acts: readonly CardAct[]
  /** Whose hands, counted from nought. */
  readonly hands: number
  /** Waits that begin when it is done. */
  readonly waits: readonly string[]
  /** It can hurt somebody: it is said yes to by itself. */
  readonly acknowledge?: true
}

export interface Plan {
  readonly steps: readonly PlannedStep[]
  /** The same steps, waits apart, as they are held in the hand. */
  readonly cards: readonly Card[]
  readonly waterOff: {
    readonly fromSeconds: number
    readonly toSeconds: number
    readonly seconds: number
    /** No order can be shorter; the same as it takes where that is proved. */
    readonly boundSeconds: number
  }
}
