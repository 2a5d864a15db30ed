import {
  fittingById,
  type LineRequest,
  type MateSettings,
  pipeById,
  type RankedOption,
  STARTING_SETTINGS,
  sequence,
} from '@diarmos/core'
import { STEPS } from '../../packages/core/src/words/steps'
import { faultsOfClosing } from '../made/closing'

const { houseRules } = STARTING_SETTINGS
/** Acts that leave on a body what a flame on it would burn. */
const BURNS = /^(thread\.seal|push\.push|press\.press|cement\.join)/

/** Acts that push an end home. */
const PUSHES = /^(sweat\.flux|push\.push|press\.press|gasket\.tighten)$/

/** The plan's own hands for a way, its setting out among them, against what it was priced by. */
function handsOtherThanPriced(
  { criteria }: RankedOption,
  steps: ReturnType<typeof sequence>['steps'],
): string | null {
  let hands = 0
  for (const { id, seam, passive, startSeconds, endSeconds } of steps)
    if (!passive && (seam !== null || /^a\/remove\/|^general\/set-up-/.test(id)))
      hands += endSeconds - startSeconds
  return hands === criteria.seconds ? null : `${hands} s of hands, priced as ${criteria.seconds}`
}

/**
 * What is wrong with the order of work of a way, or null: there must be one; tape, paste, rubber and plastic come to a
 * body when every soldered end of it is cold; and what slides is put on over ends that are ready, and made last.
 */
export function faultOfPlan(
  { pipeId, conditions, to, cutIn }: LineRequest,
  option: RankedOption,
  jointMinutes: MateSettings['jointMinutes'] = {},
): string | null {
  const { joints, parts } = option
  let steps: ReturnType<typeof sequence>['steps']
  let waterOff: ReturnType<typeof sequence>['waterOff']
  try {
    const material = pipeId ? pipeById(pipeId)?.material : undefined
    ;({ steps, waterOff } = sequence({
      lines: [{ lineId: 'a', option, conditions, ...(material ? { material } : {}) }],
      houseRules,
      jointMinutes,
    }))
  } catch (error) {
    return (error as Error).message
  }
  const miscounted = handsOtherThanPriced(option, steps)
  if (miscounted) return miscounted
  if (waterOff.seconds < option.waterOffSeconds)
    return `the water is off for ${waterOff.seconds} s, said to be no less than ${option.waterOffSeconds}`
  const unsaid = steps.find(({ words }) => STEPS[words] === undefined)
  if (unsaid) return `no words for ${unsaid.words}`
  // a valve and a heater are held; so is the other side of a run
  const held = cutIn !== undefined || /^(valve|heater)/.test(to?.kind ?? '')
  const [unclosed] = faultsOfClosing({ lineId: 'a', option, conditions }, steps, { held })
  if (unclosed) return unclosed
  const { closes } = option
  // what closes the run is made last, whatever it is
  const closing =
    closes?.by === 'slide'
      ? [closes.seam, closes.seam + 1]
      : closes?.by === 'spring' || closes?.by === 'joint'
        ? [closes.seam]
        : []
  if (closes?.by === 'slide') {
    // slid on whole over prepared ends, drawn back and made when all else stands
    const ends = [closes.seam, closes.seam + 1]
    const of = (seam: number, kinds: readonly string[]) =>
      steps.filter(
        (step) => step.seam === seam && kinds.includes(step.kind) && !step.words.startsWith('slide.'),
      )
    const on = steps.find(({ words }) => words === 'slide.on')
    // what is cemented is drawn back in its cement
    const back =
      steps.find(({ words }) => words === 'slide.back') ??
      steps.find(({ words, seam }) => seam === closes.seam && /^cement\.join.*-slid$/.test(words))
    if (steps.some(({ seam, words }) => ends.includes(seam ?? -1) && PUSHES.test(words)))
      return 'what is drawn back is said to be pushed home'
    const prepared = ends.flatMap((seam) => of(seam, ['prepare', 'captive']))
    if (!on || !back || on.phase !== 'water-off' || steps.indexOf(back) < steps.indexOf(on))
      return 'what slides is not put on before it is drawn back'
    if (prepared.some(({ endSeconds }) => endSeconds > on.startSeconds))
      return 'an end is prepared under the coupling that was slid over it'
    // what is made in the heat of it stands by then, not soldered yet
    const heatedWith = steps.flatMap(({ words, seam, startSeconds }) =>
      words === 'sweat.heat-same'
        ? [
            seam,
            ...steps.flatMap((step) =>
              /^sweat\.heat-(all|wrapped)/.test(step.words) && step.endSeconds === startSeconds
                ? [step.seam]
                : [],
            ),
          ]
        : [],
    )
    const others = joints.flatMap((_, seam) =>
      ends.includes(seam) || heatedWith.includes(seam) ? [] : of(seam, ['close', 'wait']),
    )
    const final = Math.min(
      ...ends.flatMap((seam) => of(seam, ['close'])).map(({ startSeconds }) => startSeconds),
    )
    if (others.some(({ endSeconds }) => endSeconds > final))
      return 'what slides is made before the rest stands'
  }
  for (const [hot, { method, from, to }] of joints.entries()) {
    // what closes it is kept cool by a rag, with all that is in its heat
    const heat = steps.find(({ seam, words }) => seam === hot && words.startsWith('sweat.heat'))
    const wrapped = steps.some(
      ({ words, endSeconds }) => words === 'sweat.heat-wrapped' && endSeconds === heat?.startSeconds,
    )
    if (method !== 'sweat' || closing.includes(hot) || wrapped || heat?.words === 'sweat.heat-wrapped')
      continue
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
