import type { EndFault } from '../identify/answers'
import { toOption } from './option'
import { following } from './pairs'
import { judge } from './rules'
import { type Problem, search, stubNeedMm } from './search'
import { isThreadedPipe, starts } from './start'
import type { ChangeId, Conditions, MateSettings, Remedy } from './types'

type Change = (problem: Problem) => Problem | null

// other conditions can mean other ends to start from, so the guide is computed anew
const conditions = ({ guide: _, ...problem }: Problem, patch: Partial<Conditions>): Problem => ({
  ...problem,
  conditions: { ...problem.conditions, ...patch },
})
const without = ({ conditions: { faults } }: Problem, ...mended: readonly EndFault[]) =>
  faults.filter((fault) => !mended.includes(fault))
const unless = (done: boolean, change: () => Problem): Problem | null => (done ? null : change())

/** What can be changed, in the order of effort; null where it already holds. `stub` is handled by length. */
const CHANGES: readonly { readonly id: Exclude<ChangeId, 'stub'>; readonly apply: Change }[] = [
  {
    id: 'push-fit-rule',
    apply: (p) =>
      unless(p.settings.houseRules.pushFitConcealed === 'allow', () => {
        const settings: MateSettings = {
          ...p.settings,
          houseRules: { ...p.settings.houseRules, pushFitConcealed: 'allow' },
        }
        return { ...p, settings }
      }),
  },
  {
    id: 'water-seen',
    apply: (p) => unless(p.conditions.waterSeen, () => conditions(p, { waterSeen: true })),
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
    apply: (p) =>
      unless(p.conditions.thread !== 'none' || !isThreadedPipe(p.pipe), () =>
        conditions(p, { thread: 'NPT', oldJoint: 'none' }),
      ),
  },
]

/**
 * The least extra stub that makes something fit, mm, with everything else as it is; null where length is not
 * what is missing.
 */
function leastMissing(problem: Problem): number | null {
  if (problem.conditions.stubMm === null) return null
  const gaps = new Set<number>()
  for (const start of starts(problem.pipe, problem.conditions)) {
    if (start.forbidden.some((reason) => reason.change !== 'stub')) continue
    const room = start.forbidden[0]?.parameters.missingMm
    for (const step of following(start.port)) {
      const needsStubMm = stubNeedMm(step.pair, problem.conditions)
      const { forbidden } = judge({
        method: step.pair.method,
        tip: step.pair.tip,
        body: step.pair.body,
        start,
        beforeStop: true,
        needsStubMm,
        conditions: problem.conditions,
        settings: problem.settings,
      })
      if (forbidden.some((reason) => reason.change !== 'stub')) continue
      const missing = Math.max(Number(room ?? 0), needsStubMm - (start.usableMm ?? 0))
      if (missing > 0) gaps.add(missing)
    }
  }
  for (const missing of [...gaps].sort((a, b) => a - b)) {
    const longer = conditions(problem, { stubMm: problem.conditions.stubMm + missing + 1e-6 })
    if (search(longer, { kind: 'ways', k: 1 }).goals.length > 0) return missing
  }
  return null
}

/**
 * The smallest sets of up to three conditions whose change would make something fit, each with what it gives.
 * A set that contains a smaller one is not listed. Cost: at most C(12,3)+C(12,2)+12 searches of one way each.
 */
export function remedies(problem: Problem): Remedy[] {
  const found: Remedy[] = []
  const open = CHANGES.filter((change) => change.apply(problem) !== null)
  const covered = (ids: readonly ChangeId[]) =>
    found.some((remedy) => remedy.changes.every((id) => ids.includes(id)))
  const tryOut = (ids: ChangeId[], changed: Problem, missingMm?: number) => {
    const goal = search(changed, { kind: 'ways', k: 1 }).goals[0]
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
  const visit = (from: number, left: number, ids: ChangeId[], changed: Problem) => {
    if (left === 0) {
      if (ids.length > 0 && !covered(ids)) tryOut(ids, changed)
      return
    }
    for (let index = from; index < open.length; index++) {
      const change = open[index] as (typeof open)[number]
      const next = change.apply(changed)
      if (next) visit(index + 1, left - 1, [...ids, change.id], next)
    }
  }
  const withStub = (ids: ChangeId[], changed: Problem) => {
    const all: ChangeId[] = [...ids, 'stub']
    if (covered(all)) return
    const missing = leastMissing(changed)
    if (missing !== null)
      tryOut(
        all,
        conditions(changed, { stubMm: (changed.conditions.stubMm as number) + missing + 1e-6 }),
        missing,
      )
  }
  for (let size = 1; size <= 3; size++) {
    visit(0, size, [], problem)
    if (size === 1) withStub([], problem)
    else if (size === 2)
      for (const change of open) {
        const next = change.apply(problem)
        if (next) withStub([change.id], next)
      }
  }
  return found.sort((a, b) => a.changes.length - b.changes.length || a.gives.totalCents - b.gives.totalCents)
}
