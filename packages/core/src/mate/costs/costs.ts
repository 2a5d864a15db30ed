import type { MethodId } from '../../assembly/methods/table'
import { METHODS, type Method } from '../../assembly/methods/table'
import type { Removal } from '../../assembly/oldJoints/removals'
import type { ToolId } from '../../assembly/tools'
import type { Fitting } from '../../catalog/types'
import type { MateSettings } from '../types'
import { usualCents } from './prices'
import { bitOf, holds } from './sets'
import { STARTING_SETTINGS } from './settings'

/** Labour of some seconds in whole cents, rounded up. */
export function labourCents(seconds: number, settings: MateSettings): number {
  return Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
}

/** What a risk is expected to cost, in whole cents, rounded up. */
export function riskCents(perMille: number, settings: MateSettings): number {
  return Math.ceil((perMille * settings.callBackCents) / 1000)
}

/**
 * The shop's price of a part, or where it has none of its own what its family's price comes to for its ends and size; a
 * family that came into the catalogue after the shop set its prices costs what a new shop starts with.
 */
export function partCents(fitting: Fitting, settings: MateSettings): number {
  const own = settings.priceCents[fitting.id]
  if (own !== undefined) return own
  const family =
    settings.familyPriceCents[fitting.family] ?? STARTING_SETTINGS.familyPriceCents[fitting.family]
  return family === undefined ? 0 : usualCents(fitting, family)
}

/** What a method's tools that are not aboard cost this job, once: bought or hired on the way. Cents. */
function fetchedCents({ tools }: Method, settings: MateSettings): number {
  return missingTools(tools, settings).reduce(
    (sum, tool) => sum + (settings.toolCents?.[tool] ?? STARTING_SETTINGS.toolCents?.[tool] ?? 0),
    0,
  )
}

/** What the shop takes for one joint of a method, s; undefined where it goes by the table. */
export function ownSeconds(id: MethodId, settings: MateSettings): number | undefined {
  const minutes = settings.jointMinutes[id]
  return minutes === undefined ? undefined : Math.round(minutes * 60)
}

/** What one joint takes. The seal of threads follows the house rule. */
export function consumablesOf(method: Method, settings: MateSettings): Method['consumables'] {
  if (method.seal !== 'thread-seal') return method.consumables
  const left = { tape: 'thread-paste', paste: 'ptfe-tape', 'tape-then-paste': '' }[
    settings.houseRules.threadSeal
  ]
  return method.consumables.filter(({ id }) => id !== left)
}

/** Consumables of one joint, in cents. */
export function consumableCents(method: Method, settings: MateSettings): number {
  return consumablesOf(method, settings).reduce(
    (sum, { id, quantity }) =>
      sum + (settings.consumableCents[id] ?? STARTING_SETTINGS.consumableCents[id] ?? 0) * quantity,
    0,
  )
}

/** Extra risk, per mille, where the shop would rather get an old stop off the other way. */
export function removalRiskPerMille(removal: Removal, settings: MateSettings): number {
  const cuts = removal.id.includes('cut-behind')
  const takesOff = ['sweat-off', 'unscrew-pull-ring', 'release', 'open-body'].includes(removal.id)
  if (settings.houseRules.oldStop === 'cut-behind' && takesOff) return 10
  if (settings.houseRules.oldStop === 'take-off' && cuts) return 10
  return 0
}

/** Tools that are needed and not aboard. */
export function missingTools(tools: readonly ToolId[], settings: MateSettings): ToolId[] {
  return tools.filter((tool) => !settings.toolsAboard.includes(tool))
}

/** Each method's bit in a set of methods. */
export function methodBit(id: MethodId): number {
  return bitOf(
    METHODS.findIndex((method) => method.id === id),
    `the method ${id}`,
  )
}

/** What is bought once for a method, however many joints: cans that do not keep, tools that are not aboard. Cents. */
function openedFor(method: Method, settings: MateSettings): number {
  return (method.opens ?? []).reduce(
    (sum, { id, quantity }) =>
      sum + (settings.consumableCents[id] ?? STARTING_SETTINGS.consumableCents[id] ?? 0) * quantity,
    fetchedCents(method, settings),
  )
}

/** The methods of a set of bits, in the order of the table. */
export function methodsOf(mask: number): Method[] {
  return METHODS.filter((_, index) => holds(mask, index))
}

/** Cents to open a set of methods: get out, set up, put away, and what is opened, once each. */
export function setUpCents(mask: number, settings: MateSettings): number {
  return methodsOf(mask).reduce(
    (sum, method) => sum + labourCents(method.setUpSeconds, settings) + openedFor(method, settings),
    0,
  )
}

/** Of that, what is bought: cans and tools. */
export function openedCents(mask: number, settings: MateSettings): number {
  return methodsOf(mask).reduce((sum, method) => sum + openedFor(method, settings), 0)
}

/** Of that, the time, s. */
export function setUpSeconds(mask: number): number {
  return methodsOf(mask).reduce((sum, method) => sum + method.setUpSeconds, 0)
}
