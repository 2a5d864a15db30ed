import type { StepTemplate } from '../acts/types'
import type { Conditions } from '../conditions'
import { opensRun, type Removal } from './removals'

const act = (words: string, seconds: number, after: readonly string[] = []): StepTemplate => ({
  key: words,
  kind: 'remove',
  words,
  seconds,
  after,
})

/**
 * A removal with the acts that a place adds to it: a stiff riser comes out before its stop does, a stuck wall plate is
 * cut off to get behind it, a stop that stays and weeps is packed anew. Times are common practice.
 */
export function withBesides(
  removal: Removal,
  { oldPlate, hardRiser, stopWeeps }: Pick<Conditions, 'oldPlate' | 'hardRiser' | 'stopWeeps'>,
): Removal {
  const stays = removal.keeps === 'stop'
  const first = [
    // on a bare end nothing hangs any more
    ...(hardRiser && (stays || removal.id !== 'bare') && removal.medium !== 'drain'
      ? [act('remove.undo-riser', 120)]
      : []),
    ...(oldPlate && !stays ? [act('remove.plate-off', 60)] : []),
  ]
  const last = stays && stopWeeps ? [act('remove.repack', 240)] : []
  if (first.length + last.length === 0) return removal
  // the riser is what is undone at the outlet
  const own = removal.steps.filter(({ words }) => !(hardRiser && words === 'remove.undo-connector'))
  const chain = [...first, ...own, ...last]
  return {
    ...removal,
    steps: chain.map((step, index) => {
      const before = chain[index - 1]
      return before ? { ...step, after: [...new Set([...(step.after ?? []), before.key])] } : step
    }),
  }
}

/** What a trap holds is let out while its pipe is still whole: nobody saws into standing sewage. Time is common practice. */
const EMPTY = act('remove.empty-trap', 600)

/** The opening of a run with what a running trap in it adds: it is emptied once both sides are held. */
export function withTrapEmptied(removal: Removal, { oldTrap }: Pick<Conditions, 'oldTrap'>): Removal {
  const [held, ...cuts] = removal.steps
  if (oldTrap !== 'running' || removal.medium !== 'drain' || !opensRun(removal.id) || !held) return removal
  return {
    ...removal,
    steps: [
      held,
      { ...EMPTY, after: [held.key] },
      ...cuts.map((step) => ({ ...step, after: [...(step.after ?? []), EMPTY.key] })),
    ],
  }
}

/** An old bowl is drawn off forward, and its connector out of the pipe. Times are common practice. */
const BOWL_OFF = [
  act('remove.pull-pan', 420),
  act('remove.draw-connector', 60, ['remove.pull-pan']),
] as const satisfies readonly StepTemplate[]

/** A drain that a bowl's spigot goes to: whatever is done to the pipe, the old bowl is off it first. */
export function withBowlOff<T extends { readonly removal: Removal }>(start: T): T {
  const { removal } = start
  const steps = removal.steps.map((step) =>
    step.after?.length ? step : { ...step, after: [BOWL_OFF[1].key] },
  )
  return { ...start, removal: { ...removal, steps: [...BOWL_OFF, ...steps] } }
}
