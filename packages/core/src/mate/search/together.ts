import { COOL_BESIDE_SECONDS } from '../../assembly/methods/heat'
import type { Fitting } from '../../catalog/types'
import { labourCents } from '../costs/costs'
import { isWithin, union } from '../costs/sets'
import type { Problem } from '../model/problem'
import type { MateSettings, RankedOption } from '../types'
import type { Guide } from './guide'
import { type Label, needsTrip, piecesIn } from './labels'
import { type SearchMode, search } from './search'
import { labelOnlySparesTrip, type Simpler } from './simpler'

export interface SolvedLine {
  readonly lineId: string
  readonly problem: Problem
  readonly guide: Guide
  /** Everything that decides the line: two lines with the same key are solved once. */
  readonly key: string
  readonly options: readonly RankedOption[]
  /** Finished chains that are known already. */
  readonly goals: readonly Label[]
  /** Ways beside which a longer one is not taken, only because it spares the trip. */
  readonly simpler: readonly Simpler[]
}

/** One chain for some of the lines, and what it leaves for the others to share. */
interface Partial {
  readonly mask: number
  readonly trip: boolean
  /** Two bits for each body where lines meet. */
  readonly heat: number
  readonly additive: number
  readonly goals: readonly Label[]
  /** Pieces taken of the parts that are counted; none where the trip is made anyway. */
  readonly taken: readonly number[]
  /** The classes of what a line leaves open, its branch and its second side, where a later one begins there. */
  readonly open: ReadonlyMap<string, readonly [number, number]>
}

/** One chain for each line, chosen together. */
export interface Together {
  readonly goals: readonly Label[]
  readonly totalCents: number
  readonly apartCents: number
  /** Pieces that all chains together lack, by part. */
  readonly short: Readonly<Record<string, number>>
  /** Numbers of the bodies that have to cool. */
  readonly cools: readonly number[]
  readonly truncated: boolean
}

/** Bodies that were heated and then take what heat would spoil. */
function cooling(heat: number): number[] {
  const found: number[] = []
  for (let rest = heat, body = 0; rest !== 0; rest >>>= 2, body++) if ((rest & 3) === 3) found.push(body)
  return found
}

/** What is paid once for all lines, cents. */
type Shared = (mask: number, trip: boolean, heat: number) => number

function sharedOf({ settings, book }: Problem): Shared {
  const tripCents = labourCents(settings.tripMinutes * 60, settings)
  const coolCents = labourCents(COOL_BESIDE_SECONDS, settings)
  return (mask, trip, heat) =>
    book.setUp(mask).cents + (trip ? tripCents : 0) + cooling(heat).length * coolCents
}

/** Whether one can stand for another whatever the other lines open, take and meet. */
function stands(a: Partial, b: Partial): boolean {
  return (
    isWithin(a.mask, b.mask) &&
    (a.heat | b.heat) === b.heat &&
    (b.trip || (!a.trip && a.taken.every((count, index) => count <= (b.taken[index] as number))))
  )
}

/** Leaves out those for which a cheaper one can stand. */
function undominated(states: readonly Partial[]): Partial[] {
  const kept = new Map<string, Partial[]>()
  for (const state of [...states].sort((a, b) => a.additive - b.additive)) {
    const key = [...state.open].join()
    const cheaper = kept.get(key)
    if (!cheaper) kept.set(key, [state])
    else if (!cheaper.some((other) => stands(other, state))) cheaper.push(state)
  }
  return [...kept.values()].flat()
}

const NOTHING: Partial = {
  mask: 0,
  trip: false,
  heat: 0,
  additive: 0,
  goals: [],
  taken: [],
  open: new Map(),
}

/** Whether a choice for some lines may still be part of the cheapest, whatever the following come to. */
type Hopeful = (state: Partial, following: readonly SolvedLine[]) => boolean

/** Pieces that chains take of every part. */
function piecesOf(goals: readonly Label[]): Map<Fitting, number> {
  const pieces = new Map<Fitting, number>()
  for (const goal of goals)
    for (let at: Label | null = goal; at; at = at.back)
      if (at.choice) pieces.set(at.choice.part, (pieces.get(at.choice.part) ?? 0) + 1)
  return pieces
}

/** Of that, what the van cannot give. */
function shortOf(goals: readonly Label[], settings: MateSettings): [Fitting, number][] {
  return [...piecesOf(goals)].flatMap(([part, count]): [Fitting, number][] => {
    const lack = count - (settings.partsAboard[part.id] ?? 0)
    return lack > 0 ? [[part, lack]] : []
  })
}

/** Lines in an order in which each comes after the one it begins at. */
function inOrder(lines: readonly SolvedLine[]): SolvedLine[] {
  const ordered: SolvedLine[] = []
  const add = (line: SolvedLine) => {
    if (ordered.includes(line)) return
    const trunk = lines.find(({ lineId }) => lineId === line.problem.line.branchOf)
    if (trunk) add(trunk)
    ordered.push(line)
  }
  for (const line of lines) add(line)
  return ordered
}

/**
 * The cheapest choice for all lines together. Set-up, what is opened and the trip are paid once, the van is emptied by
 * all, a body that one line solders has to cool before another joins to it what heat would spoil, and a line that
 * begins at another's branch takes the branch that is there: so the best of each line need not be best together.
 *
 * For every line the chains are found for which no cheaper one can stand whatever the others open, take and meet,
 * bounded by the best combination already known; then lines are joined one by one, again without those for which a
 * cheaper one can stand. Pieces are counted only of parts that ran out in a choice made without counting them: what is
 * left out only makes a choice cheaper, so one that does not run out is the cheapest of all. Exact: what is shared
 * depends on the union alone and only grows with it. Cost O(lines × unions² ), at most once more for each part that
 * runs out; where a search is cut short the best so far is given, and `truncated` says so.
 */
export function together(lines: readonly SolvedLine[]): Together | 'cut short' | null {
  if (lines.length === 0 || lines.some((line) => line.options.length === 0)) return null
  const [{ problem }] = lines as readonly [SolvedLine]
  const { settings } = problem
  const shared = sharedOf(problem)
  const total = (state: Partial) => state.additive + shared(state.mask, state.trip, state.heat)
  const apartCents = lines.reduce((sum, line) => sum + (line.options[0] as RankedOption).costs.totalCents, 0)
  const ordered = inOrder(lines)
  let truncated = false
  /** One search a line, whatever it is asked for; lines that are alike are solved once. */
  const each = (mode: (line: SolvedLine) => SearchMode, counted: readonly Fitting[] = []) => {
    const solved = new Map<string, readonly Label[]>()
    return (line: SolvedLine): readonly Label[] => {
      const known = solved.get(line.key)
      if (known) return known
      const found = search(line.problem.counting(counted), mode(line), line.guide)
      if (found.truncated) truncated = true
      solved.set(line.key, found.goals)
      return found.goals
    }
  }

  const made = (state: Partial, short: readonly [Fitting, number][]): Together => ({
    goals: lines.map((line) => state.goals[ordered.indexOf(line)] as Label),
    totalCents: total(short.length > 0 ? { ...state, trip: true } : state),
    apartCents,
    short: Object.fromEntries(short.map(([part, lack]) => [part.id, lack])),
    cools: cooling(state.heat),
    truncated,
  })

  const leastOf = each(() => ({ kind: 'least' }))
  const least = (line: SolvedLine) => leastOf(line)[0]?.additive ?? 0
  const leastSum = lines.reduce((sum, line) => sum + least(line), 0)
  // where lines begin at what others leave open, the listed ways may not go together: the least from end to end does
  const branches = lines.some(({ problem }) => problem.line.branchOf !== undefined)
  const ends = branches ? { each: true as const } : {}
  // which ends are open decides before the trip does
  const leftOut = ({ simpler, problem }: SolvedLine) =>
    branches || simpler.length === 0 ? null : (goal: Label) => labelOnlySparesTrip(goal, simpler, problem)
  const pool = new Map(
    lines.map((line) => {
      const out = leftOut(line)
      return [line.key, out ? line.goals.filter((goal) => !out(goal)) : [...line.goals]]
    }),
  )
  const gather = (counted: readonly Fitting[]) => {
    const found = each(() => ({ kind: 'least', ...ends, without: new Set(counted) }), counted)
    for (const line of new Map(lines.map((line) => [line.key, line])).values())
      pool.get(line.key)?.push(...found(line))
  }
  if (branches) gather([])
  const counted: Fitting[] = []
  for (;;) {
    const merge = (choicesOf: (line: SolvedLine) => readonly Label[], hopeful?: Hopeful) =>
      cheapest(merged(ordered, choicesOf, counted, settings, hopeful), total)
    // a choice among the chains that are known already is an upper bound
    const known = merge((line) => pool.get(line.key) ?? [])
    if (!known) return truncated ? 'cut short' : null
    const upper = total(known)
    const choices = each(
      (line) => ({
        kind: 'masks',
        ...(leftOut(line) ? { leftOut: leftOut(line) as (goal: Label) => boolean } : {}),
        additiveBound: (mask, trip, heat) => upper - (leastSum - least(line)) - shared(mask, trip, heat),
      }),
      counted,
    )
    const found = merge(
      choices,
      (state, following) => following.reduce((sum, line) => sum + least(line), total(state)) <= upper,
    )
    // cut short, it may have missed what was known
    const best = found && total(found) <= upper ? found : known
    const short = shortOf(best.goals, settings)
    if (best.trip || short.length === 0 || truncated) return made(best, short)
    counted.push(...short.map(([part]) => part))
    gather(counted)
  }
}
function cheapest(states: readonly Partial[], total: (state: Partial) => number): Partial | null {
  return states.reduce<Partial | null>(
    (best, state) => (!best || total(state) < total(best) ? state : best),
    null,
  )
}

/**
 * Chains of all lines that go together, the cheapest of each kind of what they share.
 */
function merged(
  ordered: readonly SolvedLine[],
  choicesOf: (line: SolvedLine) => readonly Label[],
  counted: readonly Fitting[],
  settings: MateSettings,
  hopeful: Hopeful = () => true,
): readonly Partial[] {
  const begun = new Set(ordered.map(({ problem }) => problem.line.branchOf))
  let states: readonly Partial[] = [{ ...NOTHING, taken: counted.map(() => 0) }]
  for (const [at, line] of ordered.entries()) {
    const following = ordered.slice(at + 1)
    const { branchOf, second } = line.problem.line
    const grown: Partial[] = []
    for (const goal of choicesOf(line)) {
      const pieces = counted.map((part) => piecesIn(goal, part))
      const begins = line.problem.network.classOf(goal.start.port)
      for (const state of states) {
        if (branchOf !== undefined && state.open.get(branchOf)?.[second ? 1 : 0] !== begins) continue
        const taken = pieces.map((count, index) => count + (state.taken[index] as number))
        const trip =
          state.trip ||
          needsTrip(goal) ||
          counted.some((part, index) => (taken[index] as number) > (settings.partsAboard[part.id] ?? 0))
        const longer: Partial = {
          mask: union(state.mask, goal.mask),
          trip,
          heat: state.heat | goal.heat,
          additive: state.additive + goal.additive,
          goals: [...state.goals, goal],
          taken: trip ? counted.map(() => 0) : taken,
          open: begun.has(line.lineId)
            ? new Map(state.open).set(line.lineId, [goal.branch, goal.second])
            : state.open,
        }
        if (hopeful(longer, following)) grown.push(longer)
      }
    }
    states = undominated(grown)
  }
  return states
}
