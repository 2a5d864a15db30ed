import type { PortForm } from '../../catalog/types'
import { isSoftTube } from '../../reference/softTube'
import { nominalNumber } from '../../reference/types'
import type { StepTemplate } from '../acts/types'
import type { Schools } from '../schools'
import { cureAt } from './cures'
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
  /** Of the range that cement is left alone, the end that the shop holds to: the longer where it is not said. */
  readonly cure?: Schools['cure'] | undefined
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
    .map((act) => (act.kind === 'wait' ? waitAt(method, act, place) : act))
    .map(({ elsewhere, ...act }) => (elsewhere && !place.atStub ? { ...act, words: elsewhere } : act))
    .map((act) => cutBy(act, place.tubeMaterial))
  const own = place.ownSeconds === undefined ? acts : shared(acts, place.ownSeconds)
  const made = method.pairings.find(({ body }) => body === place.body)?.made
  return made ? [made, ...own] : own
}

/** A method that takes metal and soft tube alike is written for metal: soft tube is only cut. */
function cutBy(act: StepTemplate, material: string): StepTemplate {
  return act.words === 'joint.dress' && isSoftTube(material) ? { ...act, ...CUT_SOFT } : act
}

/** A wait, longer where it is colder, and in the larger sizes; of a cure what the shop holds to, and the range. */
function waitAt(method: Method, act: StepTemplate, { airC, nominal, cure }: JointPlace): StepTemplate {
  if (!method.cures) {
    const cold = airC == null ? undefined : method.coldWaits?.find(({ belowC }) => airC < belowC)
    return cold ? { ...act, seconds: cold.seconds } : act
  }
  // systems of solvent cement are named in inches
  const row = cureAt(method.cures, airC, nominal ? nominalNumber(nominal) : 0)
  if (!row) return act
  const [least, most] = row.seconds
  const seconds = cure === 'short' ? least : most
  const hours = least >= HOURS_FROM
  const said = (value: number) => value / (hours ? 3600 : 60)
  const parameters = { taken: said(seconds), least: said(least), most: said(most), unit: hours ? 'h' : 'min' }
  return { ...act, words: `${act.words}-range`, seconds, parameters }
}

/** Waits that are said in hours from here on, s. */
const HOURS_FROM = 3 * 3600

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
