import { ACKNOWLEDGED, sittingOf } from './sitting'
import type { Card, CardAct, PlannedStep } from './types'

/** Different acts that still fit on one card in very large type. */
const MOST_ACTS = 5

interface Growing extends Card {
  readonly sitting: string
  readonly acts: (CardAct & { steps: string[] })[]
  readonly waits: string[]
}

/**
 * The order of work as it is held in the hand: acts of one sitting are one card, and the same act on several lines is
 * one line of it. Nothing that has to be acknowledged shares a card. Waits are nobody's: they begin with the card that
 * they follow.
 *
 * @param steps in the order of the plan
 * @param placeOf where a step is done, by its id
 */
export function cardsOf(
  steps: readonly PlannedStep[],
  placeOf: (step: PlannedStep) => string | null,
): readonly Card[] {
  const cards: Growing[] = []
  const cardOf = new Map<string, Growing>()
  for (const step of steps) {
    if (step.passive) {
      const after = step.after.map((id) => cardOf.get(id)).filter((card) => card !== undefined)
      const last = after.sort((a, b) => cards.indexOf(b) - cards.indexOf(a))[0]
      last?.waits.push(step.id)
      if (last) cardOf.set(step.id, last)
      continue
    }
    const sitting = sittingOf(step, placeOf(step))
    const open = cards.at(-1)
    const card = open && open.sitting === sitting && takes(open, step) ? open : begun(step, sitting)
    if (card !== open) cards.push(card)
    const act = card.acts.find(
      ({ words, parameters }) => words === step.words && alike(parameters, step.parameters),
    )
    if (act && !waitsForLater(card, act, step)) act.steps.push(step.id)
    else card.acts.push({ words: step.words, parameters: step.parameters, steps: [step.id] })
    cardOf.set(step.id, card)
  }
  return cards.map(({ sitting: _, ...card }) => card)
}

function begun({ id, phase, kind, words, hands }: PlannedStep, sitting: string): Growing {
  const acknowledge = ACKNOWLEDGED.has(words)
  return {
    id,
    phase,
    kind,
    sitting,
    hands: hands ?? 0,
    acts: [],
    waits: [],
    ...(acknowledge ? { acknowledge } : {}),
  }
}

/** Whether a card has room for an act, and nothing that it waits for runs since the card began. */
function takes(card: Growing, step: PlannedStep): boolean {
  if (card.hands !== step.hands || card.waits.some((wait) => step.after.includes(wait))) return false
  return card.acts.length < MOST_ACTS || card.acts.some(({ words }) => words === step.words)
}

/** Parameters that are read out; the number of the seam is where it is, not what is done. */
function alike(a: PlannedStep['parameters'], b: PlannedStep['parameters']): boolean {
  const keys = Object.keys({ ...a, ...b }).filter((key) => key !== 'seam')
  return keys.every((key) => a[key] === b[key])
}

/** Whether a step waits for one that stands below the line it would be written on. */
function waitsForLater(card: Growing, act: Growing['acts'][number], step: PlannedStep): boolean {
  const below = card.acts.slice(card.acts.indexOf(act) + 1)
  return below.some(({ steps }) => steps.some((id) => step.after.includes(id)))
}
