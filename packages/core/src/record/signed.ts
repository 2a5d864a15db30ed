/**
 * Whether something that was signed for has changed since: a way chosen, an answer given after it. Who signed did not
 * see that.
 *
 * @param signedAt ISO instant
 * @param changes ISO instants of what is agreed now
 */
export function changedSince(signedAt: string, changes: readonly string[]): boolean {
  return changes.some((at) => Date.parse(at) > Date.parse(signedAt))
}
