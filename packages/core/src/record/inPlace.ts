import type { Reason } from '../assembly/reason'

/** What says of a way that its old pipe is marked in place. */
export const IN_PLACE = 'heater.in-place'

/** Why the old pipe of a way has no length though its stub may be measured; undefined where it has one, or needs none. */
export function markedInPlace({ warnings }: { readonly warnings: readonly Reason[] }): Reason | undefined {
  return warnings.find(({ ruleId }) => ruleId === IN_PLACE)
}
