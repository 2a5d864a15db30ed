import type { Source } from '../reference/source'

/** Conditions of a place whose change may lift a reason. */
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
  | 'room'
  | 'opening'
  | 'shade'
  | 'plate'
  | 'tool'
  | 'vented'
  | 'bowl'

/** Why something is proposed, refused or warned about: data, put into words in one place (`words`). */
export interface Reason {
  readonly ruleId: string
  readonly severity: 'forbid' | 'warn' | 'note'
  readonly parameters: Readonly<Record<string, string | number>>
  readonly source: Source
  /** The condition whose change would lift it. */
  readonly change?: ChangeId
}
