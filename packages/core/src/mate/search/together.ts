import { labourCents, methodBit, setUpCents } from '../costs/costs'
import type { Problem } from '../model/problem'
import type { RankedOption } from '../types'
import type { Guide } from './guide'
import { type Label, needsTrip } from './labels'
import { search } from './search'

export interface SolvedLine {
  readonly problem: Problem
  readonly guide: Guide
  /** Everything that decides the line: two lines with the same key are solved once. */
  readonly key: string
  readonly options: readonly RankedOption[]
}

interface Partial {
  readonly mask: number
  readonly trip: boolean
  readonly additive: number
  readonly goals: readonly Label[]
}

/** One chain for each line, chosen together; null where the choice was cut short before it had any. */
export interface Together {
  readonly goals: readonly Label[] | null
  readonly totalCents: number
  readonly apartCents: number
  readonly truncated: boolean
}

/** Keeps the cheapest way for each set of methods opened and each need of a trip. */
function cheapestOfEach(states: readonly Partial[]): Partial[] {
  const best = new Map<number, Partial>()
  for (const state of states) {
    const key = state.mask * 2 + (state.trip ? 1 : 0)
    const known = best.get(key)
    if (!known || state.additive < known.additive) best.set(key, state)
  }
  return [...best.values()]
}

/**
 * The cheapest choice for all lines together. Set-up, what is opened and the trip are paid once, so the best of each
 * line need not be best together. For every line the cheapest chain of each set of methods is found, bounded by the
 * best combination already known; then lines are joined one by one, keeping the cheapest for each union of sets.
 * Exact: shared costs depend on the union alone. Cost O(lines × unions × chains of a line).
 */
export function together(lines: readonly SolvedLine[]): Together | null {
  if (lines.length === 0 || lines.some((line) => line.options.length === 0)) return null
  const { settings } = (lines[0] as SolvedLine).problem
  const tripCents = labourCents(settings.tripMinutes * 60, settings)
  const shared = (mask: number, trip: boolean) => setUpCents(mask, settings) + (trip ? tripCents : 0)
  const apartCents = lines.reduce((sum, line) => sum + (line.options[0] as RankedOption).costs.totalCents, 0)

  const least = new Map<string, number>()
  let truncated = false
  for (const line of lines)
    if (!least.has(line.key)) {
      const found = search(line.problem, { kind: 'least' }, line.guide)
      if (found.truncated) truncated = true
      least.set(line.key, found.goals[0]?.additive ?? 0)
    }
  const leastSum = lines.reduce((sum, line) => sum + (least.get(line.key) as number), 0)
  const upper = knownBound(lines, shared)

  const solved = new Map<string, readonly Partial[]>()
  const choicesOf = (line: SolvedLine): readonly Partial[] => {
    const known = solved.get(line.key)
    if (known) return known
    const others = leastSum - (least.get(line.key) as number)
    const found = search(
      line.problem,
      { kind: 'masks', additiveBound: (mask, trip) => upper - others - shared(mask, trip) },
      line.guide,
    )
    if (found.truncated) truncated = true
    const made = cheapestOfEach(
      found.goals.map((goal) => ({
        mask: goal.mask,
        trip: needsTrip(goal),
        additive: goal.additive,
        goals: [goal],
      })),
    )
    solved.set(line.key, made)
    return made
  }

  let states: readonly Partial[] = [{ mask: 0, trip: false, additive: 0, goals: [] }]
  for (const line of lines) {
    const grown = states.flatMap((state) =>
      choicesOf(line).map((choice) => ({
        mask: state.mask | choice.mask,
        trip: state.trip || choice.trip,
        additive: state.additive + choice.additive,
        goals: [...state.goals, ...choice.goals],
      })),
    )
    states = cheapestOfEach(grown)
  }
  let best: Partial | null = null
  for (const state of states)
    if (
      !best ||
      state.additive + shared(state.mask, state.trip) < best.additive + shared(best.mask, best.trip)
    )
      best = state
  // cut short before it had anything: each line's own cheapest are at least a choice
  if (!best) return truncated ? { goals: null, totalCents: apartCents, apartCents, truncated } : null
  return {
    goals: best.goals,
    totalCents: best.additive + shared(best.mask, best.trip),
    apartCents,
    truncated,
  }
}

/** The best combination of the ways already listed: an upper bound for the choice together. */
function knownBound(lines: readonly SolvedLine[], shared: (mask: number, trip: boolean) => number): number {
  let states: readonly Partial[] = [{ mask: 0, trip: false, additive: 0, goals: [] }]
  for (const line of lines)
    states = cheapestOfEach(
      states.flatMap((state) =>
        line.options.map(({ costs, methods }) => ({
          mask: methods.reduce((bits, id) => bits | methodBit(id), state.mask),
          trip: state.trip || costs.tripCents > 0,
          additive: state.additive + costs.totalCents - costs.setUpCents - costs.tripCents,
          goals: [],
        })),
      ),
    )
  return Math.min(...states.map((state) => state.additive + shared(state.mask, state.trip)))
}
