import { fixtureById } from '../catalog/fixtures'
import { pipeById } from '../reference/pipes'
import { labourCents, methodBit, setUpCents } from './costs'
import { toOption } from './option'
import { otherMethods } from './refusals'
import { remedies } from './remedies'
import { guided, type Label, type Problem, search } from './search'
import type { LineRequest, LineResult, MateOption, MateRequest, MateResult, MateSettings } from './types'

const WAYS = 8

function problemOf(line: LineRequest, request: MateRequest): Problem {
  const pipe = pipeById(line.pipeId)
  if (!pipe) throw new RangeError(`lines: no pipe ${line.pipeId} in the tables`)
  const fixture = fixtureById(line.fixtureId)
  if (!fixture) throw new RangeError(`lines: no fixture connection ${line.fixtureId}`)
  return {
    pipe,
    fixture,
    conditions: line.conditions,
    settings: request.settings,
    linesTogether: request.lines.length,
  }
}

/** Everything that decides a line's answer: two lines with the same key are solved once. */
function lineKey(line: LineRequest): string {
  return JSON.stringify([line.pipeId, line.fixtureId, line.conditions])
}

/**
 * The cheapest way for one line alone, without refusals, remedies or other lines; null where there is none.
 * For callers that only want to know what would be decided.
 *
 * @throws RangeError naming a pipe or fixture that is in no table
 */
export function cheapestWay(line: LineRequest, settings: MateSettings): MateOption | null {
  const problem = problemOf(line, { lines: [line], settings })
  const goal = search(problem, { kind: 'ways', k: 1 }).goals[0]
  return goal ? toOption(problem, goal) : null
}

/**
 * Every sound way from each stub to its fixture, ranked; why the others are refused; what would help; and the
 * cheapest choice for all lines together. Exact on the integer cost of docs/cost-model.md.
 *
 * @throws RangeError naming a pipe or fixture that is in no table
 */
export function mate(request: MateRequest): MateResult {
  const k = request.k ?? WAYS
  const solved = new Map<string, { problem: Problem; result: Omit<LineResult, 'lineId'> }>()
  for (const line of request.lines) {
    const key = lineKey(line)
    if (solved.has(key)) continue
    const problem = guided(problemOf(line, request))
    const { goals, truncated } = search(problem, { kind: 'ways', k })
    const cheapest = goals.map((goal) => toOption(problem, goal))
    const { more, refusals } = otherMethods(problem, cheapest)
    const options = [...cheapest, ...more].sort((a, b) => a.costs.totalCents - b.costs.totalCents)
    solved.set(key, {
      problem,
      result: {
        options,
        refusals,
        remedies: options.length === 0 ? remedies(problem) : [],
        truncated,
      },
    })
  }
  const lines = request.lines.map((line) => {
    const { problem, result } = solved.get(lineKey(line)) as {
      problem: Problem
      result: Omit<LineResult, 'lineId'>
    }
    return { problem, lineId: line.lineId, ...result }
  })
  const joint = together(lines)
  const plain = lines.map(({ problem, ...line }) => line)
  return joint
    ? { lines: addChosen(plain, joint.options), together: joint.summary }
    : { lines: plain, together: null }
}

/** The way chosen for all lines together may not be among a line's own cheapest; it is listed all the same. */
function addChosen(lines: readonly LineResult[], chosen: readonly MateOption[]): LineResult[] {
  return lines.map((line, index) => {
    const option = chosen[index] as MateOption
    return line.options.some((other) => other.id === option.id)
      ? line
      : { ...line, options: [...line.options, option] }
  })
}

/** The best combination of the ways already listed: an upper bound for the choice together. */
function knownBound(lines: readonly LineResult[], shared: (mask: number, trip: boolean) => number): number {
  let least = Number.POSITIVE_INFINITY
  const visit = (index: number, additive: number, mask: number, trip: boolean) => {
    if (index === lines.length) {
      least = Math.min(least, additive + shared(mask, trip))
      return
    }
    for (const { costs, methods } of (lines[index] as LineResult).options)
      visit(
        index + 1,
        additive + costs.totalCents - costs.setUpCents - costs.tripCents,
        methods.reduce((bits, id) => bits | methodBit(id), mask),
        trip || costs.tripCents > 0,
      )
  }
  visit(0, 0, 0, false)
  return least
}

/**
 * The cheapest choice for all lines together. Set-up and the trip are paid once, so the best of each line need
 * not be best together: for every line the cheapest chain of each set of methods is found (bounded by the best
 * combination already known), and all combinations are tried. Exact; combinations are few, since chains
 * that cannot beat the bound are never formed.
 */
function together(
  lines: readonly ({ problem: Problem } & LineResult)[],
): { options: MateOption[]; summary: NonNullable<MateResult['together']> } | null {
  if (lines.length === 0 || lines.some((line) => line.options.length === 0)) return null
  const settings = (lines[0] as { problem: Problem }).problem.settings
  const tripCents = labourCents(settings.tripMinutes * 60, settings)
  const shared = (mask: number, trip: boolean) => setUpCents(mask, settings) + (trip ? tripCents : 0)
  const apart = lines.reduce((sum, line) => sum + (line.options[0] as MateOption).costs.totalCents, 0)
  const leastAdditive = lines.map((line) => search(line.problem, { kind: 'least' }).goals[0]?.additive ?? 0)
  const leastSum = leastAdditive.reduce((sum, value) => sum + value, 0)
  const upper = knownBound(lines, shared)
  const solved = new Map<string, readonly Label[]>()
  const choices = lines.map((line, index) => {
    const others = leastSum - (leastAdditive[index] as number)
    const key = `${others}|${JSON.stringify([line.problem.pipe.id, line.problem.fixture.id, line.problem.conditions])}`
    const known = solved.get(key)
    if (known) return known
    const { goals } = search(line.problem, {
      kind: 'masks',
      additiveBound: (mask, trip) => upper - others - shared(mask, trip),
    })
    solved.set(key, goals)
    return goals
  })

  let best: { goals: Label[]; cents: number } | null = null
  const visit = (index: number, goals: Label[], additive: number, mask: number, trip: boolean) => {
    if (best && additive + shared(mask, trip) >= best.cents && index > 0) return
    if (index === lines.length) {
      best = { goals, cents: additive + shared(mask, trip) }
      return
    }
    for (const goal of choices[index] as readonly Label[])
      visit(index + 1, [...goals, goal], additive + goal.additive, mask | goal.mask, trip || goal.trip)
  }
  visit(0, [], 0, 0, false)
  const found = best as { goals: Label[]; cents: number } | null
  if (!found) return null
  const options = found.goals.map((goal, index) =>
    toOption((lines[index] as { problem: Problem }).problem, goal),
  )
  return {
    options,
    summary: { optionIds: options.map((option) => option.id), totalCents: found.cents, apartCents: apart },
  }
}
