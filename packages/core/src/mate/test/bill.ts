import { METHODS } from '../../assembly/methods/table'
import { removalById } from '../../assembly/oldJoints/removals'
import { CATALOG } from '../../catalog'
import { partCents } from '../costs/costs'
import type { MateOption, MateSettings } from '../types'
import { heatsThrough, jointHands, jointTools, nutDrawn, removalHands, secondCup, toolsBought } from './hands'

export interface CostsCheck {
  readonly partsCents: number
  readonly consumablesCents: number
  readonly labourCents: number
  readonly setUpCents: number
  readonly tripCents: number
}

/** The bill of an option worked out anew from the raw tables, as docs/cost-model.md writes it. */
export function checkBill(option: MateOption, settings: MateSettings): CostsCheck {
  const labour = (seconds: number) => Math.ceil((seconds * settings.labourCentsPerHour) / 3600)
  const methods = option.joints.map((joint) => {
    const method = METHODS.find((entry) => entry.id === joint.method)
    if (!method) throw new Error(joint.method)
    return method
  })
  const removal = removalById(option.removalId)
  const tools = new Set([
    ...removal.tools,
    ...option.joints.flatMap((joint, index) =>
      jointTools(methods[index] as (typeof METHODS)[number], joint.tubeMaterial),
    ),
  ])
  const toolMissing = [...tools].some((tool) => !settings.toolsAboard.includes(tool))
  const partMissing = option.parts.some((part) => (settings.partsAboard[part.fittingId] ?? 0) < 1)
  return {
    partsCents: option.parts.reduce((sum, { fittingId }) => {
      const part = CATALOG.find((entry) => entry.id === fittingId)
      return sum + (part ? partCents(part, settings) : 0)
    }, 0),
    // tape and paste both: the starting settings' rule
    consumablesCents: methods
      .flatMap((method) => method.consumables)
      .reduce((sum, { id, quantity }) => sum + quantity * (settings.consumableCents[id] ?? 0), 0),
    labourCents: [
      removalHands(removal),
      ...option.joints.map((joint, index) => {
        const method = methods[index] as (typeof METHODS)[number]
        const between = CATALOG.find(({ id }) => id === option.parts[joint.from]?.fittingId)
        const hot = methods[index - 1]?.id === 'sweat' && between !== undefined && heatsThrough(between)
        return (
          jointHands(method, joint.tubeMaterial, joint.atStub, settings) -
          (hot ? secondCup(method, joint.tubeMaterial, joint.atStub, settings) : 0)
        )
      }),
      ...option.parts.map(nutDrawn),
    ].reduce((sum, seconds) => sum + labour(seconds), 0),
    setUpCents: [...new Set(methods)].reduce(
      (sum, method) =>
        sum +
        labour(method.setUpSeconds) +
        toolsBought(method, settings) +
        (method.opens ?? []).reduce(
          (cans, { id, quantity }) => cans + quantity * (settings.consumableCents[id] ?? 0),
          0,
        ),
      0,
    ),
    tripCents: toolMissing || partMissing ? labour(settings.tripMinutes * 60) : 0,
  }
}
