// What hangs together while a line is joined up: which of its sides can still be turned, which are wet, which are held.
// From the trade's rules; imports types alone.
import type { PlannedStep, PlanRequest } from '@diarmos/core'

type Line = Pick<PlanRequest['lines'][number], 'lineId' | 'option' | 'conditions'>
type Step = Pick<PlannedStep, 'lineId' | 'seam' | 'words' | 'startSeconds' | 'endSeconds'>

/** The act that makes a joint. */
export const MAKES =
  /^(sweat\.heat(-wrapped|-all|-same)?|compression\.tighten|push\.push(-slid)?|thread\.turn|(crimp|cinch|expansion|sleeve)\.(press|expand)|press\.press(-slid)?|cement\.join(-pvc|-abs)?(-slid)?|flare\.tighten|gasket\.tighten(-slid)?|clips\.tighten|poly\.tighten|slip\.tighten|waste\.(join(-slid)?|tighten|nut-tighten)|ring\.push(-slid)?|swivel\.snug|spout\.slip|(shield|flexible)\.tighten(-other|-folded|-over)?|hub\.push|flange\.(tighten-bore|twist|ring|stack)|gasket\.tighten-drain|closet\.set|pan\.(into-pipe|back))$/
const DRAWS = 'union.draw'
/** Made dry or not at all. */
const WANTS_DRY = /^(sweat\.heat|cement\.join|waste\.join)/

/** Two faces of every part, so that a union is two things until its nut is drawn. */
const near = (part: number) => `${part} near`
const far = (part: number) => `${part} far`

/**
 * Joins a line up in the order of its steps.
 *
 * @param world.held what it ends at cannot be turned
 * @param world.hungAt when that hangs, seconds; nought where it does
 * @param world.above it ends at the open top of a pipe, over all that trickles
 * @returns what is screwed with both its sides held, made in water, closed to what does not hang, or never drawn together
 */
export function faultsOfClosing(
  { lineId, option, conditions }: Line,
  steps: readonly Step[],
  {
    held,
    hungAt = 0,
    above = false,
  }: { readonly held: boolean; readonly hungAt?: number; readonly above?: boolean },
): string[] {
  const { parts, joints } = option
  const wrong: string[] = []
  const group = new Map<string, string>()
  const of = (node: string): string => {
    const up = group.get(node)
    return up === undefined ? node : of(up)
  }
  const join = (a: string, b: string) => {
    if (of(a) !== of(b)) group.set(of(a), of(b))
  }
  parts.forEach(({ family }, part) => {
    if (!family.endsWith('union')) join(near(part), far(part))
  })
  const sides = (seam: number): readonly [string, string] => {
    const to = joints[seam]?.to ?? 0
    return [to === 0 ? 'old' : far(to - 1), to < parts.length ? near(to) : 'body']
  }
  const fixed = (node: string) => of(node) === of('old') || (held && of(node) === of('body'))
  const made = steps
    .filter((step) => step.lineId === lineId && (MAKES.test(step.words) || step.words === DRAWS))
    .sort((a, b) => a.endSeconds - b.endSeconds)
  for (const { words, seam, startSeconds } of made) {
    if (seam === null) continue
    const part = joints[seam]?.to ?? 0
    const [a, b] = words === DRAWS ? [near(part), far(part)] : sides(seam)
    if (words === 'thread.turn' && fixed(a) && fixed(b))
      wrong.push(`nothing turns: ${lineId} is held on both sides of seam ${seam}`)
    const top = above && part >= parts.length
    const wet = conditions.line !== 'dry' && joints[seam]?.beforeStop === true && !top
    if (wet && WANTS_DRY.test(words) && [a, b].some((side) => of(side) === of('old')))
      wrong.push(`steams: ${words} at seam ${seam} of ${lineId}, to which the line trickles`)
    join(a, b)
    if (held && of('old') === of('body') && startSeconds < hungAt)
      wrong.push(`${lineId} is joined to what does not hang`)
  }
  const end = joints.some(({ to }) => to >= parts.length) ? 'body' : near(parts.length - 1)
  if (of('old') !== of(end)) wrong.push(`${lineId} is never drawn together`)
  return wrong
}
