import type { Conditions } from '../../assembly/conditions'
import { isThreadedPipe } from '../../assembly/oldJoints/start'
import type { ChangeId } from '../../assembly/reason'
import type { EndFault } from '../../identify/answers'
import { deriveSettings, PER_MM } from '../model/book'
import { Problem } from '../model/problem'
import { fits, search } from '../search/search'
import type { MateSettings, Remedy } from '../types'
import { toOption } from './option'

/** The facts of one line, as they could be. */
interface Facts {
  readonly conditions: Conditions
  readonly settings: MateSettings
}
type Change = (facts: Facts, problem: Problem) => Facts | null

const conditions = (facts: Facts, patch: Partial<Conditions>): Facts => ({
  ...facts,
  conditions: { ...facts.conditions, ...patch },
})
const KNOWN = new WeakMap<MateSettings, Map<string, MateSettings>>()
/** A shop's numbers with one change, the same object each time: what is worked out for it serves every set. */
function changed(
  settings: MateSettings,
  name: string,
  change: (settings: MateSettings) => MateSettings,
): MateSettings {
  const known = KNOWN.get(settings) ?? new Map<string, MateSettings>()
  KNOWN.set(settings, known)
  const made = known.get(name) ?? change(settings)
  known.set(name, made)
  return made
}
const without = ({ conditions: { faults } }: Facts, ...mended: readonly EndFault[]) =>
  faults.filter((fault) => !mended.includes(fault))
const unless = (done: boolean, change: () => Facts): Facts | null => (done ? null : change())

/** What can be changed, in the order of effort; null where it already holds. `stub` is handled by length. */
const CHANGES: readonly { readonly id: Exclude<ChangeId, 'stub'>; readonly apply: Change }[] = [
  {
    id: 'push-fit-rule',
    apply: (p) =>
      unless(p.settings.houseRules.pushFitConcealed === 'allow', () => ({
        ...p,
        settings: changed(p.settings, 'rule', (settings) =>
          deriveSettings(settings, { houseRules: { ...settings.houseRules, pushFitConcealed: 'allow' } }),
        ),
      })),
  },
  {
    id: 'water-seen',
    apply: (p) => unless(p.conditions.waterSeen, () => conditions(p, { waterSeen: true })),
  },
  {
    // a split one goes on when the joint is made, and takes none of the stub
    id: 'plate',
    apply: (p, { line }) =>
      unless(p.conditions.plateMm === 0 || line.cutIn !== undefined, () => conditions(p, { plateMm: 0 })),
  },
  { id: 'flame', apply: (p) => unless(p.conditions.flame, () => conditions(p, { flame: true })) },
  { id: 'dry', apply: (p) => unless(p.conditions.line === 'dry', () => conditions(p, { line: 'dry' })) },
  {
    id: 'access',
    apply: (p) => unless(p.conditions.access === 'reachable', () => conditions(p, { access: 'reachable' })),
  },
  {
    id: 'smooth',
    apply: (p) =>
      unless(!p.conditions.scored && !p.conditions.faults.includes('pitted'), () =>
        conditions(p, { scored: false, faults: without(p, 'pitted') }),
      ),
  },
  {
    id: 'sound',
    apply: (p) =>
      unless(!p.conditions.faults.some((fault) => fault.startsWith('pinhole')), () =>
        conditions(p, { faults: without(p, 'pinhole', 'pinholes') }),
      ),
  },
  {
    id: 'straight',
    apply: (p) =>
      unless(!p.conditions.faults.includes('bent'), () => conditions(p, { faults: without(p, 'bent') })),
  },
  { id: 'round', apply: (p) => unless(!p.conditions.outOfRound, () => conditions(p, { outOfRound: false })) },
  {
    id: 'away-from-heater',
    apply: (p) => unless(!p.conditions.nearHeater, () => conditions(p, { nearHeater: false })),
  },
  {
    id: 'thread',
    apply: (p, { pipe }) =>
      unless(p.conditions.thread !== 'none' || !pipe || !isThreadedPipe(pipe), () =>
        conditions(p, { thread: 'NPT', oldJoint: 'none' }),
      ),
  },
  {
    id: 'tool',
    apply: (p) =>
      unless(p.settings.toolsAboard.includes('press-tool'), () => ({
        ...p,
        settings: changed(p.settings, 'tool', (settings) =>
          deriveSettings(settings, { toolsAboard: [...settings.toolsAboard, 'press-tool'] }),
        ),
      })),
  },
  {
    id: 'opening',
    apply: (p) => unless(p.conditions.openingMm == null, () => conditions(p, { openingMm: null })),
  },
  {
    id: 'vented',
    apply: (p) =>
      unless(p.conditions.unvented !== true && p.conditions.rises !== true, () =>
        conditions(p, { unvented: false, rises: false }),
      ),
  },
  { id: 'bowl', apply: (p) => unless(p.conditions.bowlMm == null, () => conditions(p, { bowlMm: null })) },
  { id: 'room', apply: (p) => unless(p.conditions.roomMm == null, () => conditions(p, { roomMm: null })) },
  {
    id: 'shade',
    apply: (p) => unless(p.conditions.sunlight !== true, () => conditions(p, { sunlight: false })),
  },
]

/** The same line under other facts. */
function under(problem: Problem, { conditions, settings }: Facts): Problem {
  return new Problem(
    { ...problem.line, conditions },
    { ...problem.request, settings },
    problem.linesTogether,
    problem.limits,
    problem.meeting,
  )
}

/** Whether any joint at all can be made on the stub: without that there is nothing to search. */
function canBegin(problem: Problem): boolean {
  return problem.begin.some(
    (start) =>
      start.forbidden.length === 0 &&
      [...problem.firstJoints(start)].some((pair) => problem.weigh(pair, start, true).allowed),
  )
}

function cheapest(problem: Problem) {
  if (!canBegin(problem) || !fits(problem)) return undefined
  return search(problem, { kind: 'ways', k: 1 }).goals[0]
}

/**
 * The least extra stub that makes something fit, mm, with everything else as it is; null where length is not
 * what is missing.
 */
function leastMissing(problem: Problem, facts: Facts): number | null {
  const { stubMm } = facts.conditions
  if (stubMm === null) return null
  const gaps = new Set<number>()
  for (const start of problem.begin) {
    if (start.forbidden.some((reason) => reason.change !== 'stub')) continue
    const room = Number(start.forbidden[0]?.parameters.missingMm ?? 0)
    for (const pair of problem.firstJoints(start)) {
      const joint = problem.weigh(pair, start, true)
      if (joint.forbidden.some((reason) => reason.change !== 'stub')) continue
      const missing = Math.max(room, problem.stubNeedMm(pair) - (start.usableMm ?? 0))
      if (missing > 0) gaps.add(missing)
    }
  }
  for (const missing of [...gaps].sort((a, b) => a - b))
    if (cheapest(under(problem, conditions(facts, { stubMm: stubMm + missing + 1 / PER_MM / PER_MM }))))
      return missing
  return null
}

/**
 * The smallest sets of up to three conditions whose change would make something fit, each with what it gives.
 * A set that contains a smaller one is not listed. Cost: at most C(15,3)+C(15,2)+15 searches of one way each; most
 * end at the stub. All share the question's steps; `truncated` says that they were used up, and sets may be missing.
 */
export function remedies(problem: Problem): {
  readonly remedies: readonly Remedy[]
  readonly truncated: boolean
} {
  const found: Remedy[] = []
  const now: Facts = { conditions: problem.conditions, settings: problem.settings }
  const open = CHANGES.filter((change) => change.apply(now, problem) !== null)
  const covered = (ids: readonly ChangeId[]) =>
    found.some((remedy) => remedy.changes.every((id) => ids.includes(id)))
  const tryOut = (ids: readonly ChangeId[], facts: Facts, missingMm?: number) => {
    if (problem.effort.exhausted) return
    const changed = under(problem, facts)
    const goal = cheapest(changed)
    if (!goal) return
    const option = toOption(changed, goal)
    found.push({
      changes: ids,
      ...(missingMm === undefined ? {} : { missingMm }),
      gives: {
        methods: option.joints.filter((joint) => joint.beforeStop).map((joint) => joint.method),
        removalId: option.removalId,
        totalCents: option.costs.totalCents,
      },
    })
  }
  const withStub = (ids: readonly ChangeId[], facts: Facts) => {
    const all: ChangeId[] = [...ids, 'stub']
    if (covered(all)) return
    const missing = leastMissing(under(problem, facts), facts)
    if (missing === null) return
    const stubMm = (facts.conditions.stubMm as number) + missing + 1 / PER_MM / PER_MM
    tryOut(all, conditions(facts, { stubMm }), missing)
  }
  /** Every set of so many of the changes that are still open. */
  const sets = (size: number, visit: (ids: readonly ChangeId[], facts: Facts) => void) => {
    const walk = (from: number, ids: readonly ChangeId[], facts: Facts) => {
      if (ids.length === size) return visit(ids, facts)
      for (let index = from; index < open.length; index++) {
        const change = open[index] as (typeof open)[number]
        const next = change.apply(facts, problem)
        if (next) walk(index + 1, [...ids, change.id], next)
      }
    }
    walk(0, [], now)
  }
  for (let size = 1; size <= 3; size++) {
    // of one size, none covers another, so all are tried before any is counted as smaller
    const smaller = [...found]
    const isCovered = (ids: readonly ChangeId[]) =>
      smaller.some((remedy) => remedy.changes.every((id) => ids.includes(id)))
    sets(size, (ids, facts) => {
      if (!isCovered(ids)) tryOut(ids, facts)
    })
    sets(size - 1, withStub)
  }
  found.sort((a, b) => a.changes.length - b.changes.length || a.gives.totalCents - b.gives.totalCents)
  return { remedies: found, truncated: problem.effort.exhausted }
}
