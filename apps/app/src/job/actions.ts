import type { Belief, MateOption, PipeMaterial } from '@diarmos/core'
import { bodiesOf, furtherLines } from '@diarmos/core/bodies'
import { PLAIN_CONDITIONS } from '@diarmos/core/conditions'
import { OLD_JOINT_IDS, oldJointsOn } from '@diarmos/core/old-joints'
import { findingBasis, matingBasis } from '@diarmos/core/record'
import type { ParsedLength } from '@diarmos/core/units'
import { screenText } from '@diarmos/core/words/counts'
import { WORKED_ON_WORDS } from '@diarmos/core/words/fixtures'
import { type WorkedOnId, workedOn } from '@diarmos/core/worked-on'
import { conditionsOf, isDrain, type JobView, type LineView, situationOf } from '../data/select'
import { type Edit, edit, newId, now, shelf, useData } from '../data/store'
import type { Doc, EntityFields } from '../data/types'
import { type NewLook, NOTHING_SEEN } from '../find/looks'
import { solve } from '../workers/solver'

/** The visit that today's work belongs to: made with the first edit of a person's day at a job. */
function visitEdits(view: JobView): Edit[] {
  const { session } = useData.getState()
  if (!session) return []
  const today = new Date().toDateString()
  const known = shelf
    .of('visit', 'jobId', view.job.id)
    .some(
      ({ fields }) =>
        fields.personId === session.person.id && new Date(fields.startedAt).toDateString() === today,
    )
  if (known) return []
  const fields = { jobId: view.job.id, personId: session.person.id, startedAt: now(), endedAt: null }
  return [{ kind: 'visit', id: newId(), patch: fields } as Edit]
}

/** Keeps a look at a line; with `replaces`, in the place of one that was wrong, which is kept as withdrawn. */
export async function addLook(
  view: JobView,
  line: LineView,
  look: NewLook,
  label: string,
  replaces: string | null = null,
): Promise<void> {
  const edits: Edit[] = visitEdits(view)
  // a second answer to the same question takes the first one's place
  const once = look.kind === 'sign' || look.kind === 'thread-sign' || look.kind === 'print'
  for (const doc of line.observations) {
    const { kind, sign, withdrawn } = doc.fields
    const same = once && kind === look.kind && sign === (look.sign ?? null)
    if ((same || doc.id === replaces) && !withdrawn)
      edits.push({ kind: 'observation', id: doc.id, patch: { withdrawn: true } } as Edit)
  }
  edits.push({
    kind: 'observation',
    id: newId(),
    patch: { ...NOTHING_SEEN, ...look, jobId: view.job.id, lineId: line.line.id, takenAt: now() },
  } as Edit)
  // a joint that was seen is also a condition of the work to come
  // an end that is bare is no answer to how it is joined
  const oldJoint = OLD_JOINT_IDS.find((joint) => joint !== 'none' && joint === look.answer)
  // a slip nut or a hub on what brings water is no end that is known how to work on
  const known = oldJoint && oldJointsOn(undefined, isDrain(line)).includes(oldJoint)
  if (look.sign === 'joint' && oldJoint && known)
    edits.push(...conditionEdits(view, line, { oldJoint, oldJointSeen: true }))
  await edit(edits, `Noted: ${label}`)
}

export async function withdraw(observation: Doc<'observation'>, withdrawn: boolean): Promise<void> {
  await edit(
    [{ kind: 'observation', id: observation.id, patch: { withdrawn } } as Edit],
    withdrawn ? 'Look withdrawn' : 'Look counts again',
  )
}

function conditionEdits(view: JobView, line: LineView, patch: Partial<EntityFields<'situation'>>): Edit[] {
  return [
    line.situation
      ? ({ kind: 'situation', id: line.situation.id, patch } as Edit)
      : ({
          kind: 'situation',
          id: newId(),
          patch: {
            ...PLAIN_CONDITIONS,
            oldJointSeen: false,
            trap: null,
            slab: null,
            tub: null,
            stopOutlet: null,
            valveWall: null,
            opening: null,
            onRun: null,
            ...patch,
            jobId: view.job.id,
            lineId: line.line.id,
          },
        } as Edit),
  ]
}

/** Changes conditions of one line, or of all. */
export async function setConditions(
  view: JobView,
  lines: readonly LineView[],
  patch: Partial<EntityFields<'situation'>>,
  label: string,
): Promise<void> {
  await edit(
    lines.flatMap((line) => conditionEdits(view, line, patch)),
    label,
  )
}

function findingEdit(view: JobView, lineId: string, belief: Belief, basis: string): Edit | null {
  const leader = belief.classes[0]
  const pipe = leader?.pipes[0]
  if (!leader || !pipe) return null
  return {
    kind: 'finding',
    id: newId(),
    patch: {
      jobId: view.job.id,
      lineId,
      pipeId: pipe.id,
      name: leader.name,
      probability: leader.probability,
      basis,
      snapshot: {
        classes: belief.classes
          .slice(0, 5)
          .map(({ pipes, ...entry }) => ({ ...entry, pipes: pipes.slice(0, 6) })),
        hazards: belief.hazards,
        joint: belief.joints[0] ?? null,
        versions: { tables: '2' },
      },
      foundAt: now(),
    },
  } as Edit
}

/** Takes what leads as the finding; with `others`, for the lines beside it that nobody has looked at too. */
export async function takeFinding(
  view: JobView,
  line: LineView,
  belief: Belief,
  others: readonly LineView[],
): Promise<void> {
  const looks = line.observations.filter((doc) => !doc.fields.withdrawn)
  const basis = findingBasis(looks.map((doc) => doc.fields))
  const edits: (Edit | null)[] = [findingEdit(view, line.line.id, belief, basis)]
  const threaded = ['galvanised-steel', 'black-steel', 'brass'].includes(belief.classes[0]?.material ?? '')
  const { oldJoint } = situationOf(line)
  for (const target of [line, ...others]) {
    const already = target.situation?.fields
    edits.push(
      ...conditionEdits(view, target, {
        ...(target === line ? {} : { oldJoint }),
        ...(threaded && (already?.thread ?? 'none') === 'none' && oldJoint === 'threaded'
          ? { thread: 'NPT' }
          : {}),
      }),
    )
  }
  for (const other of others) {
    for (const look of looks)
      edits.push({
        kind: 'observation',
        id: newId(),
        patch: { ...look.fields, lineId: other.line.id, takenAt: now() },
      } as Edit)
    edits.push(findingEdit(view, other.line.id, belief, basis))
  }
  await edit(
    edits.filter((entry): entry is Edit => entry !== null),
    `Found: ${belief.classes[0]?.name}`,
  )
}

type Further = EntityFields<'job'>['more'][number]

/** The further points of a job with one of them as it is now. */
function moreWith({ job }: JobView, present: Further): Further[] {
  return (job.fields.more ?? []).map((entry) => (entry.pointId === present.pointId ? present : entry))
}

/** A new point of a house, with the lines of what is worked on there. */
export function newPoint(propertyId: string, kind: WorkedOnId, name: string): { id: string; edits: Edit[] } {
  const id = newId()
  const point = { propertyId, name: name.trim() || WORKED_ON_WORDS[kind] || kind, kind }
  const lines = workedOn(kind).lines.map(
    (service): Edit => ({ kind: 'line', id: newId(), patch: { pointId: id, service } }) as Edit,
  )
  return { id, edits: [{ kind: 'point', id, patch: point } as Edit, ...lines] }
}

/** Takes another point of the house into the job: one that is known, or a new one of a kind. */
export async function addPoint(
  view: JobView,
  wanted: { readonly pointId: string } | { readonly kind: WorkedOnId; readonly name: string },
): Promise<string> {
  const made =
    'pointId' in wanted
      ? { id: wanted.pointId, edits: [] }
      : newPoint(view.property.id, wanted.kind, wanted.name)
  // where there is but one end that can go in, it is known
  const goesIn = 'kind' in wanted ? (workedOn(wanted.kind).goesIn ?? []) : []
  const further = { pointId: made.id, fixtures: bodiesOf(goesIn, made.id) } as Further
  const more = [...(view.job.fields.more ?? []), further]
  await edit(
    [...made.edits, { kind: 'job', id: view.job.id, patch: { more } } as Edit],
    'One more point in this job',
  )
  return made.id
}

/** Takes a further point out of the job; what was seen and chosen there stays, should it come back. */
export async function leaveOut(view: JobView): Promise<void> {
  const { point } = view.here
  const more = (view.job.fields.more ?? []).filter(({ pointId }) => pointId !== point.id)
  await edit(
    [{ kind: 'job', id: view.job.id, patch: { more } } as Edit],
    `${point.fields.name}: not in this job`,
  )
}

/** Says by its kinds what goes in at the point in front, the main one first, and adds the lines that only such a fixture has. */
export async function setFixtures(view: JobView, kinds: readonly string[], label: string): Promise<void> {
  const { point } = view.here
  const first = point.id === view.job.fields.pointId
  const held = shelf.of('line', 'pointId', point.id)
  const [before] = view.here.fixtures
  const fixtures = bodiesOf(kinds, first ? '' : point.id).map((body, at) =>
    before?.stays && at === 0 && body.mount === before.mount ? { ...body, stays: true } : body,
  )
  const missing = furtherLines(fixtures).filter(
    (service) => !held.some((doc) => doc.fields.service === service),
  )
  await edit(
    [
      ...missing.map(
        (service): Edit => ({ kind: 'line', id: newId(), patch: { pointId: point.id, service } }) as Edit,
      ),
      {
        kind: 'job',
        id: view.job.id,
        patch: first ? { fixtures } : { more: moreWith(view, { pointId: point.id, fixtures } as Further) },
      } as Edit,
    ],
    label,
  )
}

/** Says of what stands at the point in front that it stays, or that it is new. */
export async function setStays(view: JobView, stays: boolean): Promise<void> {
  const { point } = view.here
  const fixtures = view.here.fixtures.map((body, at) => (at === 0 ? { ...body, stays } : body))
  const first = point.id === view.job.fields.pointId
  await edit(
    [
      {
        kind: 'job',
        id: view.job.id,
        patch: first ? { fixtures } : { more: moreWith(view, { pointId: point.id, fixtures } as Further) },
      } as Edit,
    ],
    stays ? 'The fixture stays' : 'The fixture is new',
  )
}

/** Adds the drain or the vent to a point: its pipe can be found and is remembered with the house. */
export async function addLine(view: JobView, service: EntityFields<'line'>['service']): Promise<string> {
  const id = newId()
  await edit(
    [{ kind: 'line', id, patch: { pointId: view.here.point.id, service } } as Edit],
    `Line added: ${service}`,
  )
  return id
}

/** The shop's own word on what is usual in houses of an age: a kind so many times commoner than the tables say. */
export async function setExpected(
  settings: Doc<'settings'>,
  era: EntityFields<'property'>['era'],
  material: PipeMaterial,
  factor: number,
): Promise<void> {
  const { expected } = settings.fields
  const { [material]: _before, ...others } = expected?.[era] ?? {}
  const next = { ...expected, [era]: factor === 1 ? others : { ...others, [material]: factor } }
  await edit(
    [{ kind: 'settings', id: settings.id, patch: { expected: next } } as Edit],
    'What is usual: saved',
  )
}

/** A way as it is kept with a job: whole. Where the solver cannot say more, as it is; the tables then stand in. */
async function keptWay(
  { line, option }: { readonly line: LineView; readonly option: MateOption },
  settings: EntityFields<'settings'>['mate'],
): Promise<Pick<EntityFields<'mating'>, 'option' | 'versions'>> {
  const bare = option as EntityFields<'mating'>['option']
  try {
    const { options, versions } = await solve('keep', {
      options: [bare],
      airC: conditionsOf(line)?.airC ?? null,
      jointMinutes: settings.jointMinutes,
      cure: settings.houseRules.cure,
    })
    return { option: (options[0] ?? bare) as EntityFields<'mating'>['option'], versions }
  } catch {
    return { option: bare, versions: { kept: 'no' } }
  }
}

/** Chooses a way for one line, or the same kind of way for several. */
export async function chooseOptions(
  view: JobView,
  choices: readonly { line: LineView; option: MateOption }[],
  settings: EntityFields<'settings'>['mate'],
): Promise<void> {
  const kept = await Promise.all(choices.map((choice) => keptWay(choice, settings)))
  const edits = choices.flatMap(({ line }, index): Edit[] => {
    const { option, versions } = kept[index] as (typeof kept)[number]
    return line.begins && line.ends
      ? [
          {
            kind: 'mating',
            id: newId(),
            patch: {
              jobId: view.job.id,
              lineId: line.line.id,
              optionId: option.id,
              option,
              settings,
              basis: matingBasis(line.begins, line.ends, conditionsOf(line) ?? {}),
              versions,
              chosenAt: now(),
            },
          } as Edit,
        ]
      : []
  })
  await edit(edits, screenText('ways.chosen', { lines: choices.length }))
}

/** Keeps a distance that was measured along a line; one between the same places is kept as withdrawn. */
export async function keepDimension(
  view: JobView,
  line: LineView,
  { from, to }: { readonly from: string; readonly to: string },
  length: ParsedLength,
  about: Pick<EntityFields<'dimension'>, 'measurer' | 'dry'>,
): Promise<void> {
  // the wall and the fixture stay whichever way is chosen; everything else belongs to the way
  const stays = [from, to].every((place) => ['wall', 'tail', 'beside'].includes(place))
  const fields: EntityFields<'dimension'> = {
    jobId: view.job.id,
    lineId: line.line.id,
    optionId: stays ? null : (line.mating?.fields.optionId ?? null),
    from,
    to,
    entered: length.text,
    mm: length.mm,
    resolutionMm: length.resolutionMm,
    unit: length.unit,
    ...about,
    withdrawn: false,
    takenAt: now(),
  }
  await edit(
    [
      ...visitEdits(view),
      ...line.dimensions
        .filter((doc) => doc.fields.from === from && doc.fields.to === to)
        .map((doc): Edit => ({ kind: 'dimension', id: doc.id, patch: { withdrawn: true } }) as Edit),
      { kind: 'dimension', id: newId(), patch: fields } as Edit,
    ],
    `Measured: ${length.text}${length.unit === 'in' && !/["a-z]/.test(length.text) ? ' in' : ''}`,
  )
}

export async function dropDimension(dimension: Doc<'dimension'>): Promise<void> {
  await edit(
    [{ kind: 'dimension', id: dimension.id, patch: { withdrawn: true } } as Edit],
    'Measurement withdrawn',
  )
}

export interface Tick {
  readonly lineId: string | null
  readonly stepId: string
  readonly result: EntityFields<'check'>['result']
}

function tickEdit(
  view: JobView,
  { lineId, stepId, result }: Tick,
  note: string,
  readings: EntityFields<'check'>['readings'] = [],
): Edit {
  const held = view.checks.get(stepId)
  const chosen = view.lines.find(({ line }) => line.id === lineId)?.mating
  const optionId = chosen?.fields.optionId ?? null
  // one that was carried over from an earlier way stays what it was
  const own = held?.fields.stepId === stepId && (held.fields.optionId ?? optionId) === optionId
  return held && own
    ? ({ kind: 'check', id: held.id, patch: { result, at: now(), note, readings } } as Edit)
    : ({
        kind: 'check',
        id: newId(),
        patch: { jobId: view.job.id, lineId, stepId, optionId, result, at: now(), note, readings },
      } as Edit)
}

/** Ticks steps or takes their ticks back, all by one touch: each is a check of its own. */
export async function tickAll(view: JobView, ticks: readonly Tick[], note = ''): Promise<void> {
  const [first] = ticks
  if (!first) return
  await edit(
    [...visitEdits(view), ...ticks.map((each) => tickEdit(view, each, note))],
    first.result === 'undone' ? 'Tick taken back' : `Ticked: ${first.result}`,
  )
}

/** Ticks a step or takes the tick back; `note` says what it was done by. */
export async function tick(
  view: JobView,
  lineId: string | null,
  stepId: string,
  result: Tick['result'],
  note = '',
): Promise<void> {
  await tickAll(view, [{ lineId, stepId, result }], note)
}

/** Keeps what a hold came to, with every reading. */
export async function keepHold(
  view: JobView,
  stepId: string,
  result: Tick['result'],
  note: string,
  readings: EntityFields<'check'>['readings'],
): Promise<void> {
  await edit(
    [...visitEdits(view), tickEdit(view, { lineId: null, stepId, result }, note, readings)],
    `Ticked: ${result}`,
  )
}

export async function closeJob(view: JobView, closed: boolean): Promise<void> {
  await edit(
    [
      {
        kind: 'job',
        id: view.job.id,
        // a clock that was set back closes nothing before it was opened
        patch: closed
          ? { state: 'closed', closedAt: [now(), view.job.fields.openedAt].sort()[1] }
          : { state: 'open', closedAt: null },
      } as Edit,
    ],
    closed ? 'Job closed' : 'Job opened again',
  )
}

export async function setNote(view: JobView, note: string): Promise<void> {
  if (note !== view.job.fields.note)
    await edit([{ kind: 'job', id: view.job.id, patch: { note } } as Edit], 'Note kept')
}

/** Settles a field that was changed twice. */
export async function settle(doc: Doc, field: string, value: unknown): Promise<void> {
  await edit([{ kind: doc.kind, id: doc.id, patch: { [field]: value } } as Edit], 'Settled')
}

/** Whether a permit is open for the job: what will be covered then waits for its inspection. */
export async function flipPermit(view: JobView): Promise<void> {
  const permit = !(view.job.fields.permit ?? false)
  await edit(
    [{ kind: 'job', id: view.job.id, patch: { permit } } as Edit],
    permit ? 'A permit is open' : 'No permit',
  )
}
