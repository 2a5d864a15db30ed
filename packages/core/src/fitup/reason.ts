import type { Source } from '../reference/source'

/** Why something cannot be, or wants care: data, put into words in `words`. */
export interface FitReason {
  readonly ruleId: string
  /** Lengths in mm. */
  readonly parameters: Readonly<Record<string, string | number>>
  readonly source?: Source
}

/** What was worked out, or the number that makes it impossible and by how much. */
export type Fit<T> = ({ readonly ok: true } & T) | { readonly ok: false; readonly reason: FitReason }

export const impossible = (
  ruleId: string,
  parameters: FitReason['parameters'] = {},
): { readonly ok: false; readonly reason: FitReason } => ({ ok: false, reason: { ruleId, parameters } })
