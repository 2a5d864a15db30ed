import { mouthOf } from '../assembly/bodies/kinds'
import type { EndRef } from '../assembly/end'
import { partOf } from '../assembly/kept'
import { methodById } from '../assembly/methods/table'
import { KEEP_STOP } from '../assembly/oldJoints/removals'
import { mate } from '../mate'
import type { LineRequest, MateSettings } from '../mate/types'
import { SHUTS } from './lineWords'
import { sequence } from './plan'
import type { Plan, PlanLine, PlanRequest } from './types'

/** Work that has been begun, and has to be left. */
export interface CloseUpRequest {
  readonly plan: PlanRequest
  /** Ids of the plan's steps that are done. */
  readonly done: readonly string[]
  /** The old pipe of a line, by the line's id, and what is bare on the far side of a run, mm. */
  readonly pipes: Readonly<Record<string, { readonly pipeId: string; readonly farMm?: number | null }>>
  readonly settings: MateSettings
}

/** What closes one open end, from the van before all else. */
export interface Cap {
  /** The parts, the old end first. */
  readonly parts: readonly string[]
  readonly seconds: number
  readonly aboard: boolean
  /** What was made so far comes off again first: nothing closes the end that it shows. */
  readonly takesOff: boolean
}

export interface LineLeft {
  readonly lineId: string
  /**
   * What stands open: nothing, since it was not opened or is whole; a stop that is shut, old or new; what hangs on a
   * valve that is shut; ends, each with its cap or none that is known; a drain, whose plug stays in.
   */
  readonly open: 'untouched' | 'whole' | 'stop' | 'valve' | 'ends' | 'drain'
  readonly caps: readonly (Cap | null)[]
  /** Until the last joint that was made has set, seconds. */
  readonly waitSeconds: number
  /** Hands that it would take to make the rest of it instead, as far as the water waits for it, seconds. */
  readonly finishSeconds: number
}

export interface CloseUp {
  /** Whether the water is off now. */
  readonly waterOff: boolean
  readonly lines: readonly LineLeft[]
  /** Hands until every end is closed, and the longest wait, seconds: then the water may come back. */
  readonly seconds: number
  readonly waitSeconds: number
}

/** Nothing is hidden or forbidden by the place tonight: what is put on now comes off again. */
const TONIGHT = {
  access: 'reachable',
  oldJoint: 'none',
  faults: [],
  scored: false,
  plateMm: 0,
  spanMm: null,
  turn: 0,
} as const

/** The quickest thing that closes an end, from the van before the counter; null where nothing in the catalogue does. */
function capFor(
  line: Pick<LineRequest, 'pipeId' | 'from' | 'conditions'>,
  settings: MateSettings,
): Cap | null {
  const asked: LineRequest = { lineId: 'cap', ...line, to: mouthOf('closed') }
  const options = mate({ lines: [asked], settings, k: 8 }).lines[0]?.options ?? []
  const ranked = options
    .map(({ parts, criteria, missingParts, missingTools }) => ({
      parts: parts.map(({ name }) => name),
      seconds: criteria.seconds,
      aboard: missingParts.length === 0 && missingTools.length === 0,
      takesOff: false,
    }))
    .sort((a, b) => Number(b.aboard) - Number(a.aboard) || a.seconds - b.seconds)
  return ranked[0] ?? null
}

/** The end that the last part made shows to the next one. */
function shownEnd({ option }: PlanLine, made: number): EndRef | null {
  const chosen = option.parts[option.joints[made - 1]?.to ?? -1]
  const port = chosen && partOf(chosen)?.ports[chosen.outPort]
  return port
    ? { form: port.form, system: port.system, nominal: port.nominal, material: port.material }
    : null
}

/** What a branch begins at, once that is joined to the old pipe; null before. */
function begunAt(lines: readonly PlanLine[], trunkId: string | undefined, done: ReadonlySet<string>) {
  const { joints = [], parts = [] } = lines.find(({ lineId }) => lineId === trunkId)?.option ?? {}
  const at = parts.findIndex(({ family }) => /tee$|^dual-stop$/.test(family))
  const onto = joints.findIndex(({ to }) => to === at)
  const stands =
    onto >= 0 && joints.slice(0, onto + 1).every((_, seam) => done.has(`${trunkId}/${seam}/close`))
  return stands ? (parts[at] ?? null) : null
}

function left(line: PlanLine, plan: Plan, done: ReadonlySet<string>, request: CloseUpRequest): LineLeft {
  const { lineId, option, conditions, meets, branchOf } = line
  const own = plan.steps.filter((step) => step.lineId === lineId)
  const isClosed = (seam: number) => done.has(`${lineId}/${seam}/close`)
  // a union that is not drawn is two halves
  const isMade = (seam: number) => {
    const union = `${lineId}/${seam}/union`
    return isClosed(seam) && (done.has(union) || !own.some(({ id }) => id === union))
  }
  const made = option.joints.findIndex((_, seam) => !isMade(seam))
  const count = made < 0 ? option.joints.length : made
  const finishSeconds = own.reduce(
    (sum, { id, phase, passive, startSeconds, endSeconds }) =>
      phase === 'water-off' && !passive && !done.has(id) ? sum + endSeconds - startSeconds : sum,
    0,
  )
  const waitSeconds = own.reduce(
    (most, { id, seam, passive, startSeconds, endSeconds }) =>
      passive && seam !== null && isMade(seam) && !done.has(id)
        ? Math.max(most, endSeconds - startSeconds)
        : most,
    0,
  )
  const found = (open: LineLeft['open'], caps: LineLeft['caps'] = []): LineLeft => ({
    lineId,
    open,
    caps,
    waitSeconds: open === 'untouched' ? 0 : waitSeconds,
    finishSeconds: open === 'untouched' || open === 'whole' ? 0 : finishSeconds,
  })
  const opened = own.some(({ id }) => id.startsWith(`${lineId}/remove/`) && done.has(id))
  if (methodById(option.joints[0]?.method ?? 'compression').medium === 'drain')
    return found(opened ? 'drain' : 'untouched')
  if (option.removalId === KEEP_STOP.id) return found(count === option.joints.length ? 'whole' : 'stop')
  if (meets?.from !== undefined && branchOf === undefined)
    return found(count === option.joints.length ? 'whole' : 'valve')
  // what begins at a tee is open once that is on its line; a stop with two outlets shuts both
  const at = begunAt(request.plan.lines, branchOf, done)
  if (branchOf !== undefined && !at) return found('untouched')
  if (at && SHUTS.test(at.family)) return found(count === option.joints.length ? 'whole' : 'stop')
  const removes = own.some(({ id }) => id.startsWith(`${lineId}/remove/`))
  if (removes && !opened) return found('untouched')
  if (count === option.joints.length) return found('whole')
  const stop = option.parts
    .slice(0, (option.joints[count - 1]?.to ?? -1) + 1)
    .some(({ family }) => SHUTS.test(family))
  if (stop) return found('stop')
  const { settings, pipes } = request
  const tonight = { ...conditions, ...TONIGHT }
  const pipe = pipes[lineId]
  const bare = (stubMm: number | null) =>
    pipe ? capFor({ pipeId: pipe.pipeId, conditions: { ...tonight, stubMm } }, settings) : null
  const shown = count === 0 ? (option.beginsAt ?? null) : shownEnd(line, count)
  const onShown = shown && capFor({ from: { ends: [shown] }, conditions: tonight }, settings)
  const onStub = onShown ? null : bare(option.leavesStubMm ?? conditions.stubMm)
  const near = onShown ?? (onStub && isClosed(0) ? { ...onStub, takesOff: true } : onStub)
  if (option.closes === undefined || pipe?.farMm === undefined) return found('ends', [near])
  // a run has another end, which stays as it was cut until the last joint
  return found('ends', [near, bare(pipe.farMm)])
}

/**
 * The fastest safe way back to water from where the work stands: what is open on every line and what closes it, by what
 * is aboard; what has still to set; and what it would take to finish instead.
 *
 * @throws CircularPlanError where the data contradict themselves
 */
export function closeUp(request: CloseUpRequest): CloseUp {
  const plan = sequence(request.plan)
  const done = new Set(request.done)
  const shut = plan.steps.find(({ id }) => id === 'general/shut')
  const waterOff = shut !== undefined && done.has('general/shut') && !done.has('general/restore')
  const lines = request.plan.lines.map((line) =>
    waterOff || line.option.removalId === KEEP_STOP.id
      ? left(line, plan, done, request)
      : {
          lineId: line.lineId,
          open: done.has('general/restore') ? ('whole' as const) : ('untouched' as const),
          caps: [],
          waitSeconds: 0,
          finishSeconds: 0,
        },
  )
  return {
    waterOff,
    lines,
    seconds: lines.reduce(
      (sum, { caps }) => sum + caps.reduce((all, cap) => all + (cap?.seconds ?? 0), 0),
      0,
    ),
    waitSeconds: Math.max(0, ...lines.map((each) => each.waitSeconds)),
  }
}
