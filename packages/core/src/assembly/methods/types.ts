import type { PortForm, PortMaterial, PortSystem } from '../../catalog/types'
import type { Medium } from '../../reference/materials'
import type { Source } from '../../reference/source'
import type { StepTemplate } from '../acts/types'
import type { ToolId } from '../tools'
import type { Cures } from './cures'

/** A pair of ends that a method joins: the end that keeps its shape, and the end that takes it. */
export interface Pairing {
  readonly tip: PortForm
  readonly body: PortForm
  /** Systems of the tip and of the body, where they bear different names; else they must be the same. */
  readonly systems?: readonly [PortSystem, PortSystem]
  /** Materials of the tip; undefined means any. */
  readonly materials?: readonly PortMaterial[]
  /** Materials of the body; undefined means any. */
  readonly bodies?: readonly PortMaterial[]
  /** What the body’s end is made with first, where it is made on the job. */
  readonly made?: StepTemplate
}

/** Everything the product knows of one way to make a joint. A new method is a new row, no new code. */
export interface MethodRow {
  readonly id: string
  readonly name: string
  /** What it holds in: water under pressure where it is not said. */
  readonly medium?: Medium
  readonly pairings: readonly Pairing[]
  readonly needsFlame: boolean
  readonly needsDry: boolean
  /** May it be closed into a wall: always, never, or as the house rule says. */
  readonly concealable: 'yes' | 'no' | 'house-rule'
  /** To get out, set up and put away, with its parts and sealants, once however many joints, s. Common practice, no source. */
  readonly setUpSeconds: number
  /** How long its cement is left alone, by air and size. */
  readonly cures?: Cures
  /** Longer waits where it is colder: below that many degrees Celsius, that many seconds; the coldest first. */
  readonly coldWaits?: readonly { readonly belowC: number; readonly seconds: number }[]
  readonly tools: readonly ToolId[]
  readonly consumables: readonly { readonly id: string; readonly quantity: number }[]
  /** Opened once, however many joints: cans that do not keep. */
  readonly opens?: readonly { readonly id: string; readonly quantity: number }[]
  /** Chance of a call-back for one joint, per mille. */
  readonly riskPerMille: number
  /** How far the tip comes into some bodies, mm, where that is the seal's to say and not the end's: the least, the most. */
  readonly reachMm?: Readonly<Partial<Record<PortForm, readonly [number, number]>>>
  /** Drawn where everything stands: it gives the others their place, and is made up at no bench. */
  readonly standing?: true
  /** Its rubber is rolled back on itself over one end and over both when the piece stands: it closes a gap that gives nothing. */
  readonly folds?: true
  /** Bare straight stub beyond the insertion that nut, ring, clamp or cleaning takes, mm: fixed + share of OD. */
  readonly stubExtraMm: { readonly fixed: number; readonly perOd: number }
  readonly seal: string
  readonly reversible: string
  /** Years a good joint of the kind is expected to last: what a closed wall is weighed against. Common practice. */
  readonly lifeYears: number
  /** Clear room round the pipe that wrench, tool or flame needs, mm. */
  readonly toolRoomMm: number
  /** In the ground: as it is, wrapped, or never. */
  readonly buried: 'yes' | 'wrapped' | 'no'
  /** Its acts in order: times and waits of a joint are theirs and nowhere else. */
  readonly steps: readonly StepTemplate[]
  readonly source: Source
}
