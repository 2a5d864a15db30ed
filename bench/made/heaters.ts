// A heater that is changed or joined up anew: what a master would be angry about. From the trade's rules; imports types
// alone.
import type { PlannedStep, PlanRequest } from '@diarmos/core'
import { MAKES } from './closing'

type Step = Pick<PlannedStep, 'id' | 'lineId' | 'seam' | 'words' | 'startSeconds' | 'endSeconds'>

/** What is wrong with an order where a heater stands at the end of one or both of its lines. */
export function faultsOfHeaters({ lines, bodies = [] }: PlanRequest, steps: readonly Step[]): string[] {
  return bodies
    .filter(({ contents }) => contents.includes('element'))
    .flatMap((body) => {
      const met = lines.filter(({ meets }) => meets?.to === body.id)
      return met.length === 0 ? [] : faultsOfOne(body, met, steps)
    })
}

function faultsOfOne(
  { id, stays }: NonNullable<PlanRequest['bodies']>[number],
  met: PlanRequest['lines'],
  steps: readonly Step[],
): string[] {
  const wrong: string[] = []
  const at = (words: string) =>
    steps.find((step) => step.words.replace(/-half$/, '') === words && step.id.endsWith(`-${id}`))
  const isAfter = (later: Step | undefined, before: Step | undefined) =>
    later !== undefined && before !== undefined && later.startSeconds >= before.endSeconds - 1e-6
  const [empty, empties, out, set, fill] = ['empty', 'empties', 'out', 'set', 'fill'].map((word) =>
    at(`heater.${word}`),
  )
  const off = steps.find(({ words }) => words === 'safe.heater-off')
  const on = steps.find(({ words }) => words === 'open.heater-on')
  const restored = steps.find(({ words }) => words === 'open.restore')
  const of = (lineId: string, pattern: RegExp) =>
    steps.filter((step) => step.lineId === lineId && pattern.test(step.words))
  if (!stays) {
    if (!isAfter(empty, off)) wrong.push('burns dry: emptied while it is on')
    if (!isAfter(out, empties) || !isAfter(empties, empty)) wrong.push('carried out full')
    if ((out?.words === 'heater.out-half') !== met.length < 2) wrong.push('its other line is forgotten')
    if (!isAfter(set, out)) wrong.push('set where the old one stands')
    for (const { lineId, option } of met) {
      for (const step of steps)
        if (step.lineId === lineId && step.id.startsWith(`${lineId}/remove/`) && !isAfter(out, step))
          wrong.push(`carried out with ${lineId} on it`)
      for (const step of steps)
        if (step.lineId === lineId && step.seam === option.joints.length - 1 && MAKES.test(step.words))
          if (!isAfter(step, set)) wrong.push(`${lineId} is joined to what does not stand`)
    }
  } else if (out || set) wrong.push('what stays is carried out')
  if (!isAfter(fill, restored)) wrong.push('filled from nothing')
  if (!isAfter(on, fill)) wrong.push('burns dry: on before it is full')
  for (const { lineId, option, conditions } of met) {
    // nobody measured the way, and nothing in it gives: the old pipe is held there before it is cut to length
    const guessed = option.warnings.some(({ ruleId }) => ruleId === 'heater.in-place')
    const [mark, again] = of(lineId, /^heater\.mark$/)
    if (again || guessed !== (mark !== undefined)) wrong.push(`${lineId} is cut by guess`)
    if (mark) {
      if (set && !isAfter(mark, set)) wrong.push(`${lineId} is held to what does not stand`)
      for (const step of steps) {
        if (step.lineId === lineId && step.seam === 0 && MAKES.test(step.words) && !isAfter(step, mark))
          wrong.push(`${lineId} is joined before it has its length`)
        if (step.id.startsWith(`${lineId}/remove/`) && !isAfter(mark, step))
          wrong.push(`${lineId} is marked with the old one on it`)
        const { seam, lineId: own, words } = step
        const beyond = seam !== null && option.closes !== undefined && seam > option.closes.seam
        const joint = beyond ? option.joints[seam] : undefined
        if (own === lineId && joint?.method === 'threaded' && joint.beforeStop && MAKES.test(words))
          if (!isAfter(mark, step)) wrong.push(`${lineId} is marked to what is not screwed home`)
      }
    }
    for (const step of of(lineId, MAKES))
      if (step.seam !== null && step.seam < option.joints.length && !isAfter(fill, step))
        wrong.push(`runs out of ${lineId}`)
    if (conditions.service === 'cold') continue
    // nothing is in the hot side before the tank is full
    for (const step of of(lineId, /^(prove|open)\./))
      if (!isAfter(step, fill)) wrong.push(`${lineId} is looked at dry`)
  }
  return [...new Set(wrong)]
}
