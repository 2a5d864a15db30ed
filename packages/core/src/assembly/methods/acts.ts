import type { PortForm } from '../../catalog/types'
import { isSoftTube } from '../../reference/softTube'
import { nominalNumber } from '../../reference/types'
import type { StepTemplate } from '../acts/types'
import { CUT_SOFT } from './parts'
import type { Method } from './table'

/** What decides which acts a joint brings along, and how long each takes. */
export interface JointPlace {
  /** Of the tube that goes in. */
  readonly tubeMaterial: string
  /** Made on the old pipe, at the place; elsewhere it can be carried to the bench. */
  readonly atStub: boolean
  /** The end that takes the tube: one that is made on the job brings its making along. */
  readonly body?: PortForm | undefined
  /** The size by name; a small one where it is not said. */
  readonly nominal?: string | undefined
  /** Air at the place, degrees Celsius; a warm room where it is not known. */
  readonly airC?: number | null | undefined
  /** What the shop takes for one joint of the kind, hands on, s; else the table's own. */
  readonly ownSeconds?: number | undefined
}

/** True for an act that somebody's hands are busy with. */
export const isHandsOn = (act: Pick<StepTemplate, 'passive'>): boolean => !act.passive

/** Seconds of some acts that hands are busy with. */
export function handsOnSeconds(acts: readonly StepTemplate[]): number {
  return acts.reduce((sum, act) => sum + (isHandsOn(act) ? act.seconds : 0), 0)
}

/** To close a joint and let it set, s: while that goes on the water stays off. */
export function closingSeconds(acts: readonly StepTemplate[]): number {
  return acts.reduce((sum, act) => sum + (act.kind === 'close' || act.kind === 'wait' ? act.seconds : 0), 0)
}

/**
 * The acts of one joint with their times: the one source of what a joint costs, how long the water is off for it, and
 * what the plan has to lay out. A shop's own time is shared out among the acts as the table's is.
 */
export function actsOf(method: Method, place: JointPlace): readonly StepTemplate[] {
  const acts = method.steps
    .filter((act) => !act.onlySoft || isSoftTube(place.tubeMaterial))
    // what guards and dries the place is done where the old pipe is, not on the bench
    .filter((act) => !act.needsPlace || place.atStub)
    .map((act) => (act.kind === 'wait' ? { ...act, seconds: waitOf(method, act, place) } : act))
    .map((act) => cutBy(act, place.tubeMaterial))
  const own = place.ownSeconds === undefined ? acts : shared(acts, place.ownSeconds)
  const made = method.pairings.find(({ body }) => body === place.body)?.made
  return made ? [made, ...own] : own
}

/** A method that takes metal and soft tube alike is written for metal: soft tube is only cut. */
function cutBy(act: StepTemplate, material: string): StepTemplate {
  return act.words === 'joint.dress' && isSoftTube(material) ? { ...act, ...CUT_SOFT } : act
}

/** A wait, longer where it is colder, and in the larger sizes. */
function waitOf(method: Method, act: StepTemplate, { airC, nominal }: JointPlace): number {
  const cold = airC == null ? undefined : method.coldWaits?.find(({ belowC }) => airC < belowC)
  const seconds = cold?.seconds ?? act.seconds
  const { largeWaits } = method
  // systems of solvent cement are named in inches
  const large = largeWaits && nominal && nominalNumber(nominal) >= largeWaits.fromIn
  return large ? seconds * largeWaits.times : seconds
}

/** Whole seconds whose sum is the shop's own: what rounding leaves over goes to the last act. */
function shared(acts: readonly StepTemplate[], seconds: number): readonly StepTemplate[] {
  const whole = handsOnSeconds(acts)
  let left = Math.round(seconds)
  let rest = whole
  return acts.map((act) => {
    if (!isHandsOn(act)) return act
    const own = rest > 0 ? Math.round((left * act.seconds) / rest) : left
    left -= own
    rest -= act.seconds
    return { ...act, seconds: own }
  })
}
