import type { PlannedStep } from '@diarmos/core'

/** Everything that an act waits for, and what that waits for. */
export function allBefore(steps: readonly PlannedStep[]): (id: string) => ReadonlySet<string> {
  const byId = new Map(steps.map((step) => [step.id, step]))
  return (id) => {
    const seen = new Set<string>()
    const visit = (at: string) => {
      for (const each of byId.get(at)?.after ?? [])
        if (!seen.has(each)) {
          seen.add(each)
          visit(each)
        }
    }
    visit(id)
    return seen
  }
}
