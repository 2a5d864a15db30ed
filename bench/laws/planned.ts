import {
  fittingById,
  type LineRequest,
  type MateOption,
  pipeById,
  STARTING_SETTINGS,
  sequence,
} from '@diarmos/core'

const { houseRules } = STARTING_SETTINGS
/** Acts that leave on a body what a flame on it would burn. */
const BURNS = /^(thread\.seal|push\.push|press\.press|cement\.join)/

/**
 * What is wrong with the order of work of a way, or null: there must be one, and tape, paste, rubber and plastic come to
 * a body when every soldered end of it is cold.
 */
export function faultOfPlan({ pipeId, conditions }: LineRequest, option: MateOption): string | null {
  let steps: ReturnType<typeof sequence>['steps']
  try {
    const material = pipeId ? pipeById(pipeId)?.material : undefined
    steps = sequence({
      lines: [{ lineId: 'a', option, conditions, ...(material ? { material } : {}) }],
      houseRules,
    }).steps
  } catch (error) {
    return (error as Error).message
  }
  const { joints, parts } = option
  for (const [hot, { method, from, to }] of joints.entries()) {
    if (method !== 'sweat') continue
    const heated = [from, to].filter((part) => fittingById(parts[part]?.fittingId ?? ''))
    const cold = Math.max(
      ...steps
        .filter(({ seam, words }) => seam === hot && words === 'sweat.cool')
        .map((step) => step.endSeconds),
    )
    for (const { seam, words, startSeconds } of steps) {
      if (seam === null || !BURNS.test(words) || startSeconds >= cold) continue
      const joint = joints[seam]
      if (joint && [joint.from, joint.to].some((part) => heated.includes(part)))
        return `${words} at seam ${seam} before seam ${hot} is cold`
    }
  }
  return null
}
