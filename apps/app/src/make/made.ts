import type { Card, Plan, PlannedStep } from '@diarmos/core'
import type { JobView } from '../data/select'

/** A wait that began with a card and has not been ticked. */
export interface Wait {
  readonly step: PlannedStep
  /** When it is over, ms since 1970. */
  readonly endsAt: number
}

export interface Made {
  /** Cards of the visit: what is looked at again later, and the record, are asked for at the proof. */
  readonly cards: readonly Card[]
  /** Place of the first card that is not done; their number where all are. */
  readonly at: number
  readonly stepOf: (id: string) => PlannedStep
  readonly isDone: (id: string) => boolean
  readonly isCardDone: (card: Card) => boolean
  /** Waits that go on, or are over and were not seen to be. */
  readonly waits: readonly Wait[]
}

const LATER = /^(prove\.(two-hours|morning)|record\.)/

/** Looks at the proof that a card has to wait for, and that were not taken yet. */
export function looksBefore({ stepOf, isDone }: Made, card: Card): readonly PlannedStep[] {
  const before = new Set(card.acts.flatMap((act) => act.steps.flatMap((id) => stepOf(id).after)))
  return [...before].map(stepOf).filter((step) => LATER.test(step.words) && !isDone(step.id))
}

/** How far the work has come: all of it from the checks that are kept, so that it is the same after a reload. */
export function madeOf(view: JobView, plan: Plan): Made {
  const steps = new Map(plan.steps.map((step) => [step.id, step]))
  const stepOf = (id: string) => steps.get(id) as PlannedStep
  const checkOf = (id: string) => view.checks.get(id)?.fields
  const isDone = (id: string) => {
    const result = checkOf(id)?.result
    return result !== undefined && result !== 'undone' && result !== 'wet'
  }
  const isCardDone = ({ acts }: Card) => acts.every((act) => act.steps.every(isDone))
  const cards = plan.cards.filter(({ acts }) => !acts.every(({ words }) => LATER.test(words)))
  const open = cards.findIndex((card) => !isCardDone(card))
  const waits = plan.steps.flatMap((step): Wait[] => {
    if (!step.passive || isDone(step.id) || !step.after.every(isDone)) return []
    const begun = Math.max(...step.after.map((id) => Date.parse(checkOf(id)?.at ?? '')))
    if (Number.isNaN(begun)) return []
    return [{ step, endsAt: begun + (step.endSeconds - step.startSeconds) * 1000 }]
  })
  return { cards, at: open < 0 ? cards.length : open, stepOf, isDone, isCardDone, waits }
}

/** The seam of a line that is in hand; null while the card is of none of its. */
export function seamInHand(made: Made, lineId: string): number | null {
  const card = made.cards[made.at]
  const steps = card?.acts.flatMap((act) => act.steps.map(made.stepOf)) ?? []
  return steps.find((step) => step.lineId === lineId && step.seam !== null)?.seam ?? null
}

/** Waits that a card has to wait for. */
export function heldBy({ waits, stepOf }: Made, card: Card): readonly Wait[] {
  const before = new Set(card.acts.flatMap((act) => act.steps.flatMap((id) => stepOf(id).after)))
  return waits.filter(({ step }) => before.has(step.id))
}
