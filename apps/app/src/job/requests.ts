import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import { lineEnds, type Mouth, type PortAt, runBranch } from '@diarmos/core/bodies'
import { comesOutMm, legsOutMm, markedInPlace } from '@diarmos/core/record'
import { leftLongOf } from '../cut/saw'
import { leftOpen } from '../data/leftOpen'
import {
  atHub,
  beginsAt,
  conditionsOf,
  foundMaterial,
  isSecond,
  type JobView,
  keepsStop,
  type LineView,
  pointOf,
  situationOf,
} from '../data/select'
import type { EntityFields } from '../data/types'
import { toObservations, toThreadObservations } from '../find/looks'

/** What is known beforehand of a pipe behind a valve is what is known of the hot one. */
function seenAs(service: EntityFields<'line'>['service']) {
  return service === 'cold' || service === 'drain' || service === 'vent' ? service : 'hot'
}

type CutAsk = OperationRequest<'mate'>['lines'][number]['cutIn']
type MateSettings = EntityFields<'settings'>['mate']
/** What this house, this shop and its corrections say before anyone looks. */
export type Expectation = Pick<OperationRequest<'identify'>, 'known' | 'finds' | 'factors' | 'instruments'>

/** The looks at a line, as they are shared by a job and the bench. */
export function looksOf(line: LineView) {
  return line.observations.map(({ id, fields }) => ({ id, ...fields }))
}

/** A port of the job's own as a question names it. */
export function mouthAt({
  kind,
  bodyId,
  ends,
  route,
  held,
}: PortAt): Pick<Mouth, 'route' | 'held'> & { kind: string; bodyId: string; ends: Mouth['ends'][number][] } {
  return { kind, bodyId, ends: [...ends], route, ...(held ? { held } : {}) }
}

/** What Find asks: and, once it is known what goes in, for which decision. */
export function identifyRequest(
  view: JobView,
  line: LineView,
  expectation: Expectation,
  settings: MateSettings | undefined,
): OperationRequest<'identify'> {
  const { era, region } = view.property.fields
  // a pipe that is looked at is one that is kept
  const ends = lineEnds(pointOf(view, line).fixtures, line.line.fields.service, true)
  const conditions = conditionsOf(line)
  return {
    era,
    region,
    service: seenAs(line.line.fields.service),
    ...expectation,
    observations: toObservations(looksOf(line)),
    ...(ends && !ends.insert && settings && conditions
      ? { decideFor: { line: { lineId: line.line.id, to: mouthAt(ends.to), conditions }, settings } }
      : {}),
  }
}

/** What the thread at a line is asked from; null while nobody has looked at one. */
export function threadRequest(view: JobView, line: LineView): OperationRequest<'identify-thread'> {
  return { region: view.property.fields.region, observations: toThreadObservations(looksOf(line)) }
}

/** What Mate asks, for every line whose pipe is known; null while there is none or no fixture. */
export function mateRequest(
  view: JobView,
  settings: MateSettings | undefined,
  improvised = false,
): OperationRequest<'mate'> | null {
  if (!settings) return null
  const lines = view.works.flatMap((line): OperationRequest<'mate'>['lines'] => {
    const conditions = conditionsOf(line)
    if (!line.ends || !conditions) return []
    const lineId = line.line.id
    const { insert } = line.ends
    if (line.trunk) return branch(view, line, line.trunk.id, conditions)
    if (!line.begins) return []
    if (insert)
      return [
        {
          lineId,
          pipeId: line.begins,
          cutIn: { ...cutIn(insert, line), ...branchOfRun(view, line) },
          conditions: { ...conditions, plateMm: 0 },
        },
      ]
    const { from, to } = line.ends
    const begins =
      typeof from !== 'object' || 'branchOf' in from
        ? { pipeId: line.begins }
        : 'stop' in from
          ? { from: { ends: [from.stop] }, kept: 'stop' as const }
          : { from: mouthAt(from) }
    return [{ lineId, ...begins, to: mouthAt(to), conditions }]
  })
  return lines.length > 0 ? { lines, settings, ...(improvised ? { improvised } : {}) } : null
}

/** A line that begins at what another leaves open: at any such end, until a way is chosen there. */
function branch(
  view: JobView,
  line: LineView,
  trunkId: string,
  conditions: NonNullable<ReturnType<typeof conditionsOf>>,
): OperationRequest<'mate'>['lines'] {
  const trunk = view.works.find((other) => other.line.id === trunkId)
  // an old stop that stays has no second outlet
  if (!line.ends || !trunk?.begins || keepsStop(trunk.ends)) return []
  const second = isSecond(line)
  const open = trunk.mating && !trunk.matingStale ? leftOpen(trunk.mating.fields.option, second) : null
  const begun = {
    lineId: line.line.id,
    branchOf: trunkId,
    ...(second ? { second: true as const } : {}),
    to: mouthAt(line.ends.to),
    conditions,
  }
  return [open ? { ...begun, opens: open } : begun]
}

/** What is known of the lengths of a line; null while no way is chosen. */
export function layoutRequest(line: LineView): OperationRequest<'layout'> | null {
  const option = line.mating?.fields.option
  if (!option) return null
  return {
    option,
    stubMm:
      beginsAt(line) !== 'pipe' || atHub(line) || markedInPlace(option)
        ? null
        : (option.leavesStubMm ?? situationOf(line).stubMm),
    dimensions: measuredOf(line),
  }
}

/** Whether two lines side by side clear each other; null while it is not known how far apart they stand. */
export function staggerRequest(
  line: LineView,
  beside: LineView | undefined,
): OperationRequest<'stagger'> | null {
  const apart = line.dimensions.find(({ fields }) => fields.to === 'beside')
  const [one, other] = [line, beside].map((entry) => {
    const option = entry?.mating?.fields.option
    const stubMm = entry && option ? (option.leavesStubMm ?? situationOf(entry).stubMm) : null
    return entry && option && stubMm !== null ? { option, stubMm, dimensions: measuredOf(entry) } : null
  })
  return apart && one && other ? { lines: [one, other], apartMm: apart.fields.mm } : null
}

/** How much of the old pipe a way to a heater takes off: it was measured from where that ends now. */
function cutBackMm(line: LineView): number {
  const { stubMm } = situationOf(line)
  const left = line.mating?.fields.option.leavesStubMm
  return line.ends?.to.route !== 'flexible' || stubMm === null || left == null ? 0 : stubMm - left
}

/** What was measured along a line, as the core takes it. */
export function measuredOf(line: LineView) {
  const taken = line.dimensions.map(({ id, fields: { from, to, mm, measurer, dry } }) => ({
    id,
    from,
    to,
    mm,
    measurer,
    dry,
  }))
  if (beginsAt(line) === 'run') {
    // as long as nothing else is said, the least comes out that has to
    const option = line.mating?.fields.option
    const corner = option ? cornerPlace(option) : null
    const [near, far] = option?.removeLegsMm ?? []
    const outs =
      corner && near && far
        ? [
            { id: 'out', from: 'stub', to: corner, mm: near.min },
            { id: 'out-far', from: corner, to: 'tail', mm: far.min },
          ]
        : [{ id: 'out', from: 'stub', to: 'tail', mm: outOfRun(line) ?? option?.removeMm?.min ?? 0 }]
    return [
      ...outs.filter(
        (out) => out.mm > 0 && !taken.some(({ from, to }) => from === out.from && to === out.to),
      ),
      ...taken,
    ]
  }
  // what the way was chosen by is known, and need not be measured again
  const { spanMm, reachMm, turn, rises } = situationOf(line)
  const parts = line.mating?.fields.option.parts ?? []
  const hose = parts.findIndex(({ family }) => family === 'supply-connector')
  const begins = beginsAt(line) === 'fresh' ? 'stub' : 'wall'
  const trap = parts.findIndex(({ family }) => family === 'p-trap')
  // pipe that is led to a bowl’s spigot is as long as the way between
  const led = parts.length > 1 && parts.at(-1)?.family === 'pan-connector'
  // before a heater it is measured from the pipe’s own end, whatever goes there
  const fromPipe = led || (line.ends?.to.route === 'flexible' && spanMm === null)
  const known =
    fromPipe && beginsAt(line) !== 'fresh'
      ? { id: 'reach', from: 'stub', to: 'tail', mm: reachMm === null ? null : reachMm + cutBackMm(line) }
      : hose > 0
        ? { id: 'reach', from: `part:${hose - 1}:out`, to: 'tail', mm: reachMm }
        : {
            id: 'span',
            from: begins,
            to: trap < 0 ? 'tail' : `part:${trap}:centre`,
            // out of a floor the line turns at its tee
            mm: turn === 0 && !(trap >= 0 && rises) && !atHub(line) ? spanMm : null,
          }
  const again = taken.some(({ from, to }) => from === known.from && to === known.to)
  return known.mm === null || again ? taken : [{ ...known, mm: known.mm }, ...taken]
}

const twoOf = (legs: readonly [number, number] | null): [number, number] | null => legs && [legs[0], legs[1]]

/** The place in a way where it turns, as the tape knows it; null where it goes straight on. */
export function cornerPlace(option: EntityFields<'mating'>['option']): string | null {
  const at = option.removeLegsMm ? option.parts.findIndex(({ family }) => family.includes('elbow')) : -1
  return at < 0 ? null : `part:${at}:centre`
}

/** What has to come out of a run, where it is more than the way that is chosen takes at least, mm; null where it is not. */
function outOfRun(line: LineView): number | null {
  const bad = comesOutMm(line.situation?.fields.onRun)
  const least = line.mating?.fields.option.removeMm?.min ?? 0
  return bad !== null && bad > least ? bad : null
}

/** What the sides of a tee or a wye into a drain take; nothing where none goes in. */
function branchOfRun(view: JobView, line: LineView): Pick<NonNullable<CutAsk>, 'branch' | 'second'> {
  const body = pointOf(view, line).fixtures.find(({ id }) => id === line.ends?.to.bodyId)
  const [branch, side] = ['branch', 'side'].map((port) => body?.ports.find(({ id }) => id === port))
  const at = runBranch(body?.kind)?.second?.at
  return {
    ...(branch ? { branch: [...branch.ends] } : {}),
    ...(side && at ? { second: { at, ends: [...side.ends] } } : {}),
  }
}

/** The run beside the cut, as far as it was measured: what was not gives nothing. */
function cutIn(insert: Exclude<CutAsk, undefined>['insert'], line: LineView) {
  const { farMm, freeMm, sidewaysMm } = situationOf(line)
  return {
    insert,
    farMm,
    freeMm: [freeMm ?? 0, freeMm ?? 0] as [number, number],
    sidewaysMm: sidewaysMm ?? 0,
    ...(insert === 'corner'
      ? { legsMm: twoOf(legsOutMm(line.situation?.fields.onRun)) }
      : { outMm: comesOutMm(line.situation?.fields.onRun) }),
  }
}

/** What goes into a run between fixed ends; null for a line that ends. */
export function fixedEndsRequest(line: LineView): OperationRequest<'fixed-ends'> | null {
  const option = line.mating?.fields.option
  const { stubMm, farMm, freeMm, sidewaysMm } = situationOf(line)
  if (!option || !line.begins || beginsAt(line) !== 'run') return null
  const between = (begins: string, place: RegExp) =>
    line.dimensions.find(({ fields: { from, to } }) => from === begins && place.test(to))?.fields.mm ?? null
  const measured = (place: RegExp) => between('stub', place)
  const corner = cornerPlace(option)
  return {
    pipeId: line.begins,
    option,
    takeOutMm: measured(/^tail$/) ?? outOfRun(line),
    ...(corner
      ? {
          legsMm: [measured(new RegExp(`^${corner}$`)), between(corner, /^tail$/)] as [
            number | null,
            number | null,
          ],
        }
      : { placeMm: measured(/:centre$/) }),
    bareMm: [stubMm, farMm],
    freeMm: [freeMm ?? 0, freeMm ?? 0],
    roomMm: sidewaysMm ?? 0,
  }
}

/** What the plan asks, for every line that has a way chosen. */
export function planRequest(
  view: JobView,
  settings: MateSettings | undefined,
  people: 1 | 2 = 1,
): OperationRequest<'sequence'> | null {
  if (!settings) return null
  const lines = view.lines.flatMap((line) => {
    const found = line.finding?.fields.snapshot as { classes?: { material: 'copper' }[] } | undefined
    const material = found?.classes?.[0]?.material
    const conditions = conditionsOf(line)
    const leftLong = leftLongOf(view, line)
    const discMm = line.situation?.fields.slab?.discMm
    return line.mating && conditions
      ? [
          {
            lineId: line.line.id,
            conditions,
            option: line.mating.fields.option,
            ...(material && line.ends?.from === 'pipe' ? { material } : {}),
            ...meets(line),
            ...(leftLong === null ? {} : { leftLong }),
            ...(discMm == null ? {} : { discMm }),
          },
        ]
      : []
  })
  const old = !['1995-2010', 'since-2010'].includes(view.property.fields.era)
  return lines.length > 0
    ? {
        lines,
        bodies: bodiesOf(view),
        houseRules: settings.houseRules,
        oldSolder: old,
        jointMinutes: settings.jointMinutes,
        ...coverFacts(view, settings),
        people,
      }
    : null
}

/** What of house, job and shop the shutting and the covering go by. */
function coverFacts({ job, property }: JobView, { codeProfile }: MateSettings) {
  const { storeys, stopAt } = property.fields
  return {
    ...(job.fields.permit ? { permit: true } : {}),
    ...(codeProfile ? { codeProfile } : {}),
    ...(storeys ? { storeys } : {}),
    ...(stopAt ? { stopAt } : {}),
  }
}

/** The ways that are listed for a line, for what the order of work makes of each; null while there are none. */
export function wayTimesRequest(
  view: JobView,
  line: LineView,
  answer: OperationResponse<'mate'> | null,
  settings: MateSettings | undefined,
): OperationRequest<'way-times'> | null {
  const options = answer?.lines.find(({ lineId }) => lineId === line.line.id)?.options ?? []
  const conditions = conditionsOf(line)
  if (!settings || !conditions || options.length === 0) return null
  const material = foundMaterial(line)
  return {
    line: {
      lineId: line.line.id,
      conditions,
      ...(material && line.ends?.from === 'pipe' ? { material } : {}),
      ...meets(line),
    },
    // the same shape; a request's lists are not read-only
    options: options as OperationRequest<'way-times'>['options'],
    bodies: bodiesOf(view),
    houseRules: settings.houseRules,
    jointMinutes: settings.jointMinutes,
    ...coverFacts(view, settings),
  }
}

/** What goes in, as far as the order of work asks for it. */
function bodiesOf(view: JobView) {
  return view.points.flatMap(({ fixtures }) =>
    fixtures.map(({ id, kind, contents, mount, stays }) => ({
      id,
      kind,
      contents: [...contents],
      mount,
      ...(stays ? { stays } : {}),
    })),
  )
}

/** The bodies that a line begins and stops at: what a flame does to one there, the others have to wait for. */
function meets(line: LineView) {
  const { ends, trunk } = line
  if (!ends || ends.insert) return {}
  const from = typeof ends.from === 'object' && 'bodyId' in ends.from ? { from: ends.from.bodyId } : {}
  return {
    meets: { ...from, to: ends.to.bodyId },
    ...(trunk ? { branchOf: trunk.id } : {}),
    ...(isSecond(line) ? { second: true as const } : {}),
  }
}
