import {
  type Body,
  fromStop,
  isDrainLine,
  isWaste,
  LINE_SERVICES,
  type LineEnds,
  lineEnds,
  usualLine,
} from '@diarmos/core/bodies'
import { PLAIN_CONDITIONS } from '@diarmos/core/conditions'
import { keptStopEnd } from '@diarmos/core/kept-stops'
import {
  type CarriedWay,
  dimensionsFor,
  fillsRun,
  findingBasis,
  matingStands,
  nearestEdgeMm,
  type Stage,
  stageOf,
  stepOf,
} from '@diarmos/core/record'
import { isSupply } from '../ui/service'
import { byHeard } from './held'
import { leftOpen, openId } from './leftOpen'
import type { Shelf } from './shelf'
import type { Doc, EntityKind } from './types'

/** One line of a job, with everything known of it. */
export interface LineView {
  readonly line: Doc<'line'>
  readonly situation: Doc<'situation'> | null
  readonly observations: readonly Doc<'observation'>[]
  readonly finding: Doc<'finding'> | null
  /** The facts changed since the finding was taken. */
  readonly findingStale: boolean
  readonly mating: Doc<'mating'> | null
  readonly matingStale: boolean
  /** What an earlier job found here. */
  readonly remembered: Doc<'finding'> | null
  readonly ticked: readonly string[]
  /** What was measured along it and holds for the way that is chosen, each pair of places once, the newest. */
  readonly dimensions: readonly Doc<'dimension'>[]
  /** How many more were measured for a way that is no longer chosen. */
  readonly dimensionsElsewhere: number
  /** What it runs between; null while nothing goes in, or nothing that has such a line. */
  readonly ends: LineEnds | null
  /** Where it begins, by id: the pipe that was found, or the end of what goes in; null while neither is known. */
  readonly begins: string | null
  /** The line at whose branch or second outlet it begins; null for all others. */
  readonly trunk: { readonly id: string; readonly service: 'hot' | 'cold' | 'drain' } | null
  /** Another line begins at the second outlet of its stop. */
  readonly feeds: boolean
}

/** One point of a job, with what goes in there. */
export interface PointView {
  readonly point: Doc<'point'>
  readonly fixtures: readonly Body[]
  readonly lines: readonly LineView[]
  /** Of them those that bring water and that this job turns on. */
  readonly supply: readonly LineView[]
  /** All that is worked on there: those, and the waste where something comes down to it. */
  readonly works: readonly LineView[]
}

export interface JobView {
  readonly job: Doc<'job'>
  readonly property: Doc<'property'>
  /** The points of the house that the job works at, the one it was opened for first. */
  readonly points: readonly PointView[]
  /** Of them the one in front. */
  readonly here: PointView
  /** Lines of all points. */
  readonly lines: readonly LineView[]
  /** All that the job works on, at all points. */
  readonly works: readonly LineView[]
  readonly checks: ReadonlyMap<string, Doc<'check'>>
  readonly stage: Stage
}

/** The one that the shop heard of last; what it has not heard of yet is later still. */
export const newest = <Kind extends EntityKind>(docs: readonly Doc<Kind>[]): Doc<Kind> | null =>
  docs.reduce<Doc<Kind> | null>((best, doc) => (!best || byHeard(best, doc) < 0 ? doc : best), null)

/** What is known of the place at a line, with what was not said yet filled in plainly. */
export function situationOf(view: LineView) {
  const {
    jobId: _job,
    lineId: _line,
    oldJointSeen: _seen,
    trap: _trap,
    slab: _slab,
    tub: _tub,
    stopOutlet: _outlet,
    valveWall: _wall,
    opening,
    onRun: _things,
    ...fields
  } = {
    jobId: '',
    lineId: '',
    oldJointSeen: false,
    trap: null,
    slab: null,
    tub: null,
    stopOutlet: null,
    valveWall: null,
    opening: null,
    onRun: null,
    ...PLAIN_CONDITIONS,
    ...view.situation?.fields,
  }
  const openingMm = nearestEdgeMm(opening)
  // said only where it was measured: nothing else rests on it
  return { ...fields, ...(openingMm === null ? {} : { openingMm }), faults: [...fields.faults] }
}

/** Lines on which a condition that is said at one usually holds too: those beside it that carry the same. */
export function alike(view: JobView, line: LineView): readonly LineView[] {
  return isSupply(line.line.fields.service) && !isDrain(line) ? pointOf(view, line).supply : [line]
}

/** The point of a job that a line belongs to. */
export function pointOf({ points, here }: JobView, { line }: LineView): PointView {
  return points.find(({ point }) => point.id === line.fields.pointId) ?? here
}

/** Where a job works, in words. */
export function pointNames({ points }: Pick<JobView, 'points'>): string {
  return points.map(({ point }) => point.fields.name).join(' + ')
}

/** The name of the point that a line belongs to; null where the job has but one, or the line is none of its own. */
export function pointName(view: JobView, line: LineView | undefined): string | null {
  return view.points.length > 1 && line ? pointOf(view, line).point.fields.name : null
}

/** The same job with the point of a line in front. */
export function inFront(view: JobView, line: LineView | undefined): JobView {
  const here = line ? pointOf(view, line) : view.here
  return here === view.here ? view : { ...view, here }
}

/** Kinds of what goes in at the point in front: what takes water, the main one first, and what waste comes down by. */
export function kindsOf({ here }: JobView): {
  readonly water: readonly string[]
  readonly waste: readonly string[]
} {
  const split = (wasted: boolean) =>
    here.fixtures.filter((body) => isWaste(body) === wasted).map(({ kind }) => kind)
  return { water: split(false), waste: split(true) }
}

/** Whether the work still hangs on what is on the old end: nobody has looked, and no way was chosen yet. */
export function asksOldJoint(view: LineView): boolean {
  const fields = view.situation?.fields
  return (
    beginsAt(view) === 'pipe' &&
    view.mating === null &&
    !(fields?.oldJointSeen || (fields?.oldJoint ?? 'none') !== 'none')
  )
}

/** Lines whose old end is as this one's was seen to be: the same pipe beside it, that nobody has looked at. */
export function joinedAlike(view: JobView, line: LineView): readonly LineView[] {
  return alike(view, line).filter(
    (other) => other === line || (other.begins === line.begins && asksOldJoint(other)),
  )
}

/** What a line begins at: an old pipe that ends, the mouth of something new, or a run that is cut open. */
export function beginsAt({ ends }: LineView): 'pipe' | 'fresh' | 'run' {
  if (ends === null) return 'pipe'
  return ends.from !== 'pipe' ? 'fresh' : ends.insert ? 'run' : 'pipe'
}

/** Whether a line begins at the outlet of an old stop that stays. */
export function keepsStop(ends: LineView['ends']): boolean {
  return typeof ends?.from === 'object' && 'stop' in ends.from
}

/** The conditions of a line as Mate asks for them; null for a vent, which is not mated. */
export function conditionsOf(view: LineView) {
  const { service } = view.line.fields
  if (service === 'vent') return null
  const fields = situationOf(view)
  if (isDrain(view))
    // through what comes into a new branch nothing has run yet
    return {
      ...fields,
      ...(beginsAt(view) === 'fresh' ? { line: 'dry' as const } : {}),
      service: 'waste' as const,
    }
  // water that was seen to run while looking counts here too
  const seen = view.observations.some(
    (doc) => doc.fields.sign === 'carries' && doc.fields.answer === 'water' && !doc.fields.withdrawn,
  )
  // what a mixing valve feeds may run as hot as the hot line
  const water: 'hot' | 'cold' = (view.trunk?.service ?? service) === 'cold' ? 'cold' : 'hot'
  // no water has to be seen from a line that begins at the new valve
  const fresh = view.ends !== null && view.ends.from !== 'pipe'
  const outlets = view.feeds ? 2 : view.trunk ? 1 : fields.outlets
  // what stays is no stiff riser, whatever was said before
  const hardRiser = fields.hardRiser && !staysBehind(view.ends?.to.kind ?? '')
  return { ...fields, outlets, hardRiser, waterSeen: fields.waterSeen || seen || fresh, service: water }
}

/** Whether a line carries waste: a drain, and what comes into one by a new branch. */
export const isDrain = ({ line, ends }: Pick<LineView, 'line' | 'ends'>): boolean =>
  isDrainLine(line.fields.service, ends)

/** Whether what a line ends at is the old connector, which stays between the stop and the fixture. */
export const staysBehind = (kind: string): boolean => kind.includes('riser.hose')

/** Whether a line begins at the second side of a tee. */
export const isSecond = ({ ends }: Pick<LineView, 'ends'>): boolean =>
  typeof ends?.from === 'object' && 'branchOf' in ends.from && ends.from.second === true

/** A line before it is known what the others leave open for it. */
type Raw = Omit<LineView, 'matingStale' | 'begins' | 'trunk' | 'feeds'>

/** The same with what it begins at, and whether the way that was chosen still rests on the facts. */
function settled(view: Raw, lines: readonly Raw[], run: Raw | null): LineView {
  const trunkOf = ({ ends }: Raw) => {
    const from = ends?.from
    if (typeof from !== 'object' || !('branchOf' in from)) return null
    if (from.branchOf) return lines.find(({ line }) => line.fields.service === from.branchOf) ?? null
    return ends?.to.waste ? (lines.find(({ line }) => line.fields.service === 'drain') ?? null) : run
  }
  const { ends, mating } = view
  const trunk = trunkOf(view)
  const open = trunk?.mating ? leftOpen(trunk.mating.fields.option, isSecond(view)) : null
  const begins =
    ends && typeof ends.from === 'object'
      ? 'stop' in ends.from
        ? openId(ends.from.stop)
        : 'kind' in ends.from
          ? ends.from.kind
          : open && openId(open)
      : (view.finding?.fields.pipeId ?? null)
  const made: LineView = {
    ...view,
    begins,
    trunk: trunk && {
      id: trunk.line.id,
      service: isDrain(trunk) ? 'drain' : trunk.line.fields.service === 'cold' ? 'cold' : 'hot',
    },
    feeds: !ends?.insert && lines.some((other) => other !== view && trunkOf(other)?.line.id === view.line.id),
    matingStale: false,
  }
  const stale =
    mating !== null &&
    (made.findingStale ||
      begins === null ||
      ends === null ||
      !matingStands(mating.fields.basis, begins, ends, conditionsOf(made) ?? {}) ||
      // more is bad than it can fill
      !fillsRun(mating.fields.option, view.situation?.fields.onRun))
  return { ...made, matingStale: stale }
}

/** Lines of water that a job turns on: all, or where one is enough for the fixture those that were looked at. */
function supplyOf<View extends Raw>(lines: readonly View[], fixtures: readonly Body[]): readonly View[] {
  const water = lines.filter(({ line }) => isSupply(line.fields.service) && line.fields.service !== 'branch')
  const one = usualLine(fixtures)
  if (!one) return water
  const found = water.filter(({ finding }) => finding)
  const seen = water.filter(({ observations }) => observations.length > 0)
  const usual = water.filter(({ line }) => line.fields.service === one)
  return [found, seen, usual].find((some) => some.length > 0) ?? water
}

/** Of the distances measured along a line those that hold for the way that is chosen. */
function holding(
  docs: readonly Doc<'dimension'>[],
  way: CarriedWay | null,
  before: readonly CarriedWay[],
): readonly Doc<'dimension'>[] {
  return dimensionsFor(
    [...docs].sort(byHeard).map((doc) => ({ ...doc.fields, doc })),
    way,
    before,
  ).map(({ doc, from, to }) =>
    from === doc.fields.from && to === doc.fields.to ? doc : { ...doc, fields: { ...doc.fields, from, to } },
  )
}

/** Every way that was ever chosen for a line. */
const waysOf = (matings: readonly Doc<'mating'>[], lineId: string | null): readonly CarriedWay[] =>
  matings.flatMap((mating) => (mating.fields.lineId === lineId ? [wayOf(mating)] : []))
const wayOf = ({ fields }: Doc<'mating'>): CarriedWay => ({ ...fields.option, id: fields.optionId })

/** The newest tick of each step, those of earlier ways as the step that they are now. */
function ticksOf({ checks, matings }: Facts): ReadonlyMap<string, Doc<'check'>> {
  const latest = new Map<string, Doc<'check'>>()
  for (const check of checks) {
    const { lineId } = check.fields
    const chosen = newest(matings.filter(({ fields }) => fields.lineId === lineId))
    const step = stepOf(check.fields, chosen ? wayOf(chosen) : null, waysOf(matings, lineId))
    const held = step === null ? undefined : latest.get(step)
    if (step !== null && (!held || byHeard(held, check) <= 0)) latest.set(step, check)
  }
  return latest
}

/** What goes in at each point of a job, the one it was opened for first. */
function goesIn({ pointId, fixtures, more }: Doc<'job'>['fields']) {
  return [{ pointId, fixtures }, ...(more ?? [])]
}

/** The documents that a job page is derived from, each the same until something in it changes. */
function factsOf(shelf: Shelf, jobId: string) {
  const job = shelf.get('job', jobId)
  const points = (job ? goesIn(job.fields) : []).map(({ pointId, fixtures }) => ({
    point: shelf.get('point', pointId),
    fixtures,
    lines: shelf.of('line', 'pointId', pointId),
  }))
  return {
    job,
    property: shelf.get('property', job?.fields.propertyId),
    points,
    situations: shelf.of('situation', 'jobId', jobId),
    observations: shelf.of('observation', 'jobId', jobId),
    matings: shelf.of('mating', 'jobId', jobId),
    checks: shelf.of('check', 'jobId', jobId),
    dimensions: shelf.of('dimension', 'jobId', jobId),
    // what earlier jobs found along the same lines counts too
    findings: points.flatMap(({ lines }) => lines.map((line) => shelf.of('finding', 'lineId', line.id))),
  }
}
type Facts = ReturnType<typeof factsOf>

/** All that facts consist of, one after another. */
function each({ points, findings, ...others }: Facts): readonly unknown[] {
  return [...Object.values(others), ...points.flatMap((entry) => Object.values(entry)), ...findings]
}

const derived = new Map<string, { readonly facts: readonly unknown[]; readonly view: JobView | null }>()
const MOST = 200

/** Everything a job page shows, derived from the documents; the same object until one of them changes. */
export function jobViewOf(shelf: Shelf, jobId: string | undefined): JobView | null {
  if (!jobId) return null
  const found = factsOf(shelf, jobId)
  const facts = each(found)
  const held = derived.get(jobId)
  if (held && held.facts.length === facts.length && held.facts.every((fact, index) => fact === facts[index]))
    return held.view
  const view = derive(found)
  if (derived.size >= MOST) derived.clear()
  derived.set(jobId, { facts, view })
  return view
}

/** A line with what was seen, found, chosen and measured along it. */
function lineOf(facts: Facts, line: Doc<'line'>, fixtures: readonly Body[], ticked: readonly string[]): Raw {
  const along = <T extends { fields: { lineId: string | null } }>(docs: readonly T[]) =>
    docs.filter((doc) => doc.fields.lineId === line.id)
  const jobId = facts.job?.id
  const findings = along(facts.findings.flat())
  const seen = along(facts.observations).sort((a, b) => (a.fields.takenAt < b.fields.takenAt ? -1 : 1))
  const finding = newest(findings.filter((doc) => doc.fields.jobId === jobId))
  const mating = newest(along(facts.matings))
  const measured = along(facts.dimensions)
  const dimensions = holding(measured, mating && wayOf(mating), waysOf(facts.matings, line.id))
  return {
    line,
    situation: along(facts.situations)[0] ?? null,
    observations: seen,
    finding,
    findingStale: finding !== null && finding.fields.basis !== findingBasis(seen.map((doc) => doc.fields)),
    mating,
    remembered: newest(findings.filter((doc) => doc.fields.jobId !== jobId)),
    ticked: ticked.filter((step) => step.startsWith(line.id)),
    dimensions,
    dimensionsElsewhere: measured.filter(
      ({ id, fields: { optionId, withdrawn } }) =>
        !withdrawn &&
        optionId !== null &&
        optionId !== mating?.fields.optionId &&
        !dimensions.some((held) => held.id === id),
    ).length,
    ends: fromStop(
      lineEnds(fixtures, line.fields.service, finding !== null),
      keptStopEnd(along(facts.situations)[0]?.fields.stopOutlet ?? ''),
    ),
  }
}

/** Where a line stands among those of its point: what comes into a drain by a branch follows that. */
function placeOf(view: Raw): number {
  const { service } = view.line.fields
  const at = LINE_SERVICES.indexOf('drain')
  if (service === 'side') return at + 0.6
  return service === 'branch' && isDrain(view) ? at + 0.5 : LINE_SERVICES.indexOf(service)
}

function pointView(
  point: Doc<'point'>,
  fixtures: readonly Body[],
  lines: readonly Doc<'line'>[],
  facts: Facts,
  ticked: readonly string[],
): PointView {
  const raw = lines
    .map((line) => lineOf(facts, line, fixtures, ticked))
    .sort((a, b) => placeOf(a) - placeOf(b))
    // a spout or a shower arm is a line of its own only where one goes in
    .filter(
      ({ line, ends }) =>
        ends !== null ||
        !isSupply(line.fields.service) ||
        (fixtures.every(isWaste) && ['hot', 'cold'].includes(line.fields.service)),
    )
  const turnedOn = supplyOf(raw, fixtures)
  const views = raw.map((view) => settled(view, raw, turnedOn[0] ?? null))
  const wastes = views.filter((view) => isDrain(view) && view.ends !== null)
  const supply = views.filter(
    (view) =>
      !wastes.includes(view) &&
      (view.line.fields.service === 'branch' || turnedOn.some(({ line }) => line === view.line)),
  )
  const water = fixtures.some((body) => !isWaste(body))
  const works = water ? [...supply, ...wastes] : wastes.length > 0 ? wastes : supply
  return { point, fixtures, lines: views, supply, works }
}

function derive(facts: Facts): JobView | null {
  const { job, property } = facts
  if (!job || !property) return null
  const latest = ticksOf(facts)
  const ticked = [...latest].filter(([, check]) => check.fields.result !== 'undone').map(([step]) => step)
  // a further point that has not arrived yet, or was removed, keeps nobody from the others
  const points = facts.points.flatMap(({ point, fixtures, lines }) =>
    point ? [pointView(point, fixtures, lines, facts, ticked)] : [],
  )
  const [here] = points
  if (here?.point.id !== job.fields.pointId) return null
  const works = points.flatMap((entry) => entry.works)
  return {
    job,
    property,
    points,
    here,
    lines: points.flatMap((entry) => entry.lines),
    works,
    checks: latest,
    stage: stageOf({
      closed: job.fields.state === 'closed',
      fixture: points.every(({ fixtures }) => fixtures.length > 0),
      // pipe that is cut is not yet made up
      started: ticked.some((step) => !/\/(cut|long)\//.test(step)),
      // a drain that was looked at beside keeps no job from its end
      lines: works.map((view) => ({
        lineId: view.line.id,
        // where another line begins it, nothing has to be found
        finding: view.begins !== null || view.trunk !== null,
        mating: view.mating !== null,
        ticked: view.ticked,
        seams: view.mating?.fields.option.joints.length ?? 0,
      })),
    }),
  }
}
