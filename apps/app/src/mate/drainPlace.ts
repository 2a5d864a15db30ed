import type { OldTrap } from '@diarmos/core/conditions'
import type { EntityFields } from '../data/types'

type Situation = EntityFields<'situation'>

/** What is known of a drain's place, and how a change to it is kept. */
export interface DrainPlace {
  /** It comes into a new branch: nothing old is on its way. */
  readonly fresh: boolean
  readonly flangeMm: number | null | undefined
  readonly roughMm: number | null | undefined
  readonly bowlMm: number | null | undefined
  readonly spanMm: number | null | undefined
  readonly reachMm: number | null | undefined
  readonly trapped: boolean | undefined
  readonly slow: boolean | undefined
  readonly unvented: boolean | undefined
  readonly rises: boolean | undefined
  readonly turn: 0 | 45 | 90 | undefined
  readonly oldTrap: OldTrap | null | undefined
  readonly oldJoint: Situation['oldJoint'] | undefined
  readonly onSet: (patch: Partial<Situation>, label: string) => void
}
