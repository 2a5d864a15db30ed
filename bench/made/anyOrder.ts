import type { PlannedStep } from '@diarmos/core'
import type { Dice } from '../mate/random'

/**
 * Some order that a plan allows besides its own, one act after another: at every turn any act whose turn may come. What is
 * soldered in one heat is one act.
 */
export function anyOrder(steps: readonly PlannedStep[], dice: Dice): PlannedStep[] {
  const left = new Map(steps.map((step) => [step.id, step]))
  const order: PlannedStep[] = []
  let now = 0
  let heat: readonly string[] = []
  while (left.size > 0) {
    const ready = [...left.values()].filter(({ after }) => after.every((before) => !left.has(before)))
    const same = ready.find(
      ({ words, after }) => words === 'sweat.heat-same' && heat.some((id) => after.includes(id)),
    )
    const step = same ?? dice.pick(ready)
    left.delete(step.id)
    heat = same ? [...heat, step.id] : step.words.startsWith('sweat.heat') ? [step.id] : []
    // what takes no time still comes before what follows it
    const endSeconds = now + Math.max(1, step.endSeconds - step.startSeconds)
    order.push({ ...step, startSeconds: now, endSeconds, hands: step.passive ? null : 0 })
    now = endSeconds
  }
  return order
}
