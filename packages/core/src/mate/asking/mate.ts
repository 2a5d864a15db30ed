import { COOLS } from '../../assembly/methods/heat'
import { portClass } from '../../assembly/methods/pairs'
import { end, type PortEnd } from '../../catalog/ends'
import { Effort } from '../../effort'
import { CoreFault, within } from '../../fault'
import { leftOut } from '../model/leftOut'
import { type Limits, MATE_STEPS, type Meeting, Problem, teeOf } from '../model/problem'
import { eitherWay } from '../model/token'
import { CRITERIA, covers, FRONT_WINDOW, bounded as fewOf, front } from '../search/front'
import { type Guide, guideOf } from '../search/guide'
import { type Label, needsTrip } from '../search/labels'
import { fits, search } from '../search/search'
import { labelOnlySparesTrip, onlySparesTrip, type Simpler, simplerOf, weightOf } from '../search/simpler'
import { type SolvedLine, together } from '../search/together'
import type { LineRequest, LineResult, MateRequest, MateResult, MateSettings, RankedOption } from '../types'
import { firstOfKinds } from './kinds'
import { lastResort } from './lastResort'
import { toOption } from './option'
import { otherMethods } from './refusals'
import { remedies } from './remedies'
import { temporaryWays } from './temporary'

const WAYS = 8

/** Everything that decides a line's answer: two lines with the same key are solved once. */
function lineKey({ lineId, ...line }: LineRequest, bodies: ReadonlyMap<string, number>): string {
  return JSON.stringify(bodies.has(teeOf(lineId)) ? { lineId, ...line } : line)
}

/** The bodies at which lines of a question meet, numbered: what one does to them another has to reckon with. */
function meetingPlaces(lines: readonly LineRequest[]): ReadonlyMap<string, number> {
  const touched = new Map<string, number>()
  for (const { from, to, branchOf } of lines)
    for (const name of [from?.bodyId, to?.bodyId, branchOf && teeOf(branchOf)])
      if (name !== undefined) touched.set(name, (touched.get(name) ?? 0) + 1)
  const met = [...touched].filter(([name, count]) => count > 1 || name.startsWith(teeOf('')))
  return new Map(met.map(([name], index) => [name, index]))
}

/** How the lines of a question hang together. */
class Branching {
  constructor(
    private readonly request: MateRequest,
    private readonly limits: Limits,
    private readonly bodies: ReadonlyMap<string, number>,
  ) {}

  /** What a line finds where it meets others. */
  meetingOf(line: LineRequest): Meeting {
    return { ...this.begun(line), ...this.leadsOn(line) }
  }

  private problem(line: LineRequest, meeting: Meeting): Problem {
    return new Problem(line, this.request, this.request.lines.length, this.limits, meeting)
  }

  /** The bodies, and the ends that the line before it may leave open for a line. */
  private begun({ branchOf, second, opens }: LineRequest, seen: readonly string[] = []): Meeting {
    const { bodies } = this
    const trunk = this.request.lines.find(({ lineId }) => lineId === branchOf)
    if (branchOf === undefined || !trunk) return { bodies }
    if (seen.includes(branchOf)) throw new CoreFault('branches-off-itself', { id: branchOf }, ['branchOf'])
    const before = this.problem(trunk, this.begun(trunk, [...seen, branchOf]))
    const open = before.branchEnds(second === true)
    const chosen = opens && portClass(end(opens.form, opens.system, opens.nominal, opens.material))
    return {
      bodies,
      wet: before.wetForBranches,
      headOn: trunk.cutIn?.second?.at === 'opposite',
      branchEnds: chosen ? open.filter((branch) => portClass(branch.end) === chosen) : open,
    }
  }

  /** Of what a line may leave open, that from which the next line gets anywhere; all where it gets nowhere. */
  private leadsOn(line: LineRequest): Pick<Meeting, 'leadsOn' | 'secondLeadsOn'> {
    const [leadsOn, secondLeadsOn] = [false, true].map((second) => this.leadsOnBy(line, second))
    return { ...(leadsOn ? { leadsOn } : {}), ...(secondLeadsOn ? { secondLeadsOn } : {}) }
  }

  private leadsOnBy({ lineId }: LineRequest, second: boolean): readonly PortEnd[] | null {
    const next = this.request.lines.find(
      (line) => line.branchOf === lineId && (line.second ?? false) === second,
    )
    if (!next) return null
    const { opens: _, ...anyEnd } = next
    const { goals, truncated } = search(this.problem(anyEnd, this.begun(anyEnd)), {
      kind: 'least',
      each: true,
    })
    // cut short, it has not seen all from which the next line gets on
    return goals.length > 0 && !truncated ? goals.map(({ start }) => start.port) : null
  }
}

/**
 * The way that a line alone would be given, the cheapest that does not only spare a trip, without refusals, remedies or
 * other lines; null where there is none.
 * For callers that only want to know what would be decided. `truncated` says that it was cut short: then nothing is
 * decided yet.
 *
 * @throws CoreFault naming a pipe or fixture that is in no table
 */
export function cheapestWay(
  line: LineRequest,
  settings: MateSettings,
  effort = new Effort(MATE_STEPS),
): { readonly option: RankedOption | null; readonly truncated: boolean } {
  const problem = new Problem(line, { settings }, 1, { effort })
  const { goals, truncated } = search(problem, { kind: 'ways', k: 1 })
  const [goal] = goals
  if (!goal || needsTrip(goal)) return { option: goal ? toOption(problem, goal) : null, truncated }
  const apart = search(problem, { kind: 'ways', k: 1, tripApart: true })
  const choice = apart.goals.map((other) => toOption(problem, other))
  const spared = labelOnlySparesTrip(goal, simplerOf(choice, problem), problem)
  return {
    option: (spared ? choice[0] : undefined) ?? toOption(problem, goal),
    truncated: truncated || apart.truncated,
  }
}

const NO_WAYS = { goals: [] as readonly Label[], truncated: false }

interface Solved {
  readonly goals: readonly Label[]
  readonly simpler: readonly Simpler[]
  readonly problem: Problem
  readonly guide: Guide
  readonly result: Omit<LineResult, 'lineId'>
}

function solve(line: LineRequest, request: MateRequest, limits: Limits, meeting: Meeting): Solved {
  const problem = new Problem(line, request, request.lines.length, limits, meeting)
  const guide = guideOf(problem)
  // whether anything fits is soon known; telling ways apart is what takes time
  const fitting = fits(problem, guide)
  const ways = fitting
    ? search(problem, { kind: 'ways', k: request.k ?? WAYS }, guide)
    : { goals: [], truncated: fitting === null }
  const cheapest = ways.goals.map((goal) => toOption(problem, goal))
  // what a plumber would do were all of it aboard is always among them
  const choice = fitting ? search(problem, { kind: 'ways', k: 1, tripApart: true }, guide) : NO_WAYS
  const others = otherMethods(problem, cheapest, guide)
  const first = cheapest[0]
  const found = first
    ? front(problem, first.costs.totalCents * FRONT_WINDOW, guide, ways.goals)
    : { goals: [], truncated: false }
  const points = fewOf(
    found.goals.map((goal) => {
      const option = toOption(problem, goal)
      return { option, criteria: option.criteria, totalCents: option.costs.totalCents }
    }),
  ).map(({ option }) => option)
  const all = [...cheapest, ...choice.goals.map((goal) => toOption(problem, goal)), ...others.more, ...points]
  const options = rank(all, points, problem)
  const wouldHelp = options.length === 0 ? remedies(problem) : { remedies: [], truncated: false }
  const forATime = request.improvised ? temporaryWays(problem) : { ways: [], truncated: false }
  return {
    goals: [...ways.goals, ...choice.goals],
    simpler: simplerOf(all, problem),
    problem,
    guide,
    result: {
      options,
      kinds: firstOfKinds(options),
      front: options.filter((option) => option.onFront).map((option) => option.id),
      refusals: others.refusals,
      remedies: wouldHelp.remedies,
      lastResort: options.length === 0 ? lastResort(problem) : null,
      leftOut: leftOut(problem),
      temporary: forATime.ways,
      truncated: [ways, choice, found, others, wouldHelp, forATime].some(({ truncated }) => truncated),
    },
  }
}

/**
 * One option a way, cheapest first, but none before a simpler one that is dearer by the trip alone. Where the front needs
 * another part than the cheapest of the same way, it is listed beside it under an id of its own.
 */
function rank(
  all: readonly RankedOption[],
  points: readonly RankedOption[],
  problem: Problem,
): RankedOption[] {
  const byId = new Map<string, RankedOption>()
  const runs = new Map<string, RankedOption>()
  for (const option of all) {
    if (problem.far) {
      // the same read from the run's other side
      const key = eitherWay(option.id.split(';').slice(1))
      const known = runs.get(key)
      if (known && known.id !== option.id && sameCriteria(known, option)) continue
      if (!known) runs.set(key, option)
    }
    const known = byId.get(option.id)
    const own = known ? apart(known, option) : option
    if (!byId.has(own.id)) byId.set(own.id, own)
  }
  const options = simplerFirst(
    [...byId.values()].sort((a, b) => a.costs.totalCents - b.costs.totalCents),
    problem,
  )
  return options.map((option) => ({
    ...option,
    onFront: points.some((point) => sameCriteria(point, option)),
    leads: CRITERIA.filter((criterion) =>
      options.every((other) => option.criteria[criterion] <= other.criteria[criterion]),
    ),
  }))
}

/** Cheapest first, each that only spares a trip after the first of those it is longer than; that one says so. */
function simplerFirst(sorted: readonly RankedOption[], problem: Problem): RankedOption[] {
  const after = new Map<RankedOption, RankedOption[]>()
  const kept = sorted.filter((option) => {
    // what is longer wants no trip, and what it is longer than does: the latter stays
    const shorter = sorted.find((other) =>
      onlySparesTrip(weightOf(option, problem), simplerOf([other], problem)),
    )
    if (shorter) after.set(shorter, [...(after.get(shorter) ?? []), option])
    return !shorter
  })
  return kept.flatMap((option) => {
    const [first, ...others] = after.get(option) ?? []
    if (!first) return [option]
    const worth = first.costs.totalCents < option.costs.totalCents ? { worthTrip: true as const } : {}
    return [{ ...option, ...worth }, first, ...others]
  })
}

/** The option under an id of its own, where the one that is listed makes the same way of other parts. */
function apart(listed: RankedOption, option: RankedOption): RankedOption {
  if (sameCriteria(listed, option)) return listed
  return { ...option, id: `${option.id}#${option.parts.map((part) => part.fittingId).join(',')}` }
}

function sameCriteria(a: RankedOption, b: RankedOption): boolean {
  return covers(a.criteria, b.criteria) && covers(b.criteria, a.criteria)
}

/**
 * Every sound way for each line, ranked; why the others are refused; what would help; the front over six criteria; and
 * the cheapest choice for all lines together. Exact on the integer cost of docs/cost-model.md.
 *
 * @param limits another catalogue, or fewer parts in a chain
 * @throws CoreFault naming a pipe or fixture that is in no table
 */
export function mate(request: MateRequest, limits: Limits = {}): MateResult {
  const bounded: Limits = { ...limits, effort: limits.effort ?? new Effort(MATE_STEPS) }
  const solved = new Map<string, Solved>()
  const bodies = meetingPlaces(request.lines)
  const names = [...bodies.keys()]
  const branching = new Branching(request, bounded, bodies)
  const lines = request.lines.map((line, at): SolvedLine & { readonly solved: Solved } => {
    const key = lineKey(line, bodies)
    const known =
      solved.get(key) ?? within(['lines', at], () => solve(line, request, bounded, branching.meetingOf(line)))
    solved.set(key, known)
    return {
      lineId: line.lineId,
      key,
      goals: known.goals,
      simpler: known.simpler,
      problem: known.problem,
      guide: known.guide,
      options: known.result.options,
      solved: known,
    }
  })
  const found = together(lines)
  const cutShort = found === 'cut short'
  const joint = cutShort ? null : found
  const chosen = joint?.goals.map((goal, index) => {
    const { problem, options } = lines[index] as SolvedLine
    const option = toOption(problem, goal)
    const listed = options.find((other) => other.id === option.id)
    return listed ? apart(listed, option) : option
  })
  const results = lines.map(({ lineId, solved: { result } }, index): LineResult => {
    const option = chosen?.[index]
    // the way chosen for all lines together may not be among a line's own cheapest; it is listed all the same
    const listed = !option || result.options.some((other) => other.id === option.id)
    return {
      lineId,
      ...result,
      options: listed ? result.options : [...result.options, option],
      truncated: result.truncated || cutShort,
    }
  })
  return {
    lines: results,
    together: joint
      ? {
          optionIds: (chosen ?? []).map((option) => option.id),
          totalCents: joint.totalCents,
          apartCents: joint.apartCents,
          short: joint.short,
          cools: joint.cools.map((body) => ({ bodyId: names[body] as string, reason: COOLS })),
          truncated: joint.truncated,
        }
      : null,
  }
}
