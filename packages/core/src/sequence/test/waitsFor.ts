import type { PlannedStep } from '../types'

/** Whether an act waits for another, itself or through those between. */
export function waitsFor(steps: readonly PlannedStep[], id: string, before: string): boolean {
  const { after = [] } = steps.find((step) => step.id === id) ?? {}
  return after.includes(before) || after.some((each) => waitsFor(steps, each, before))
}
