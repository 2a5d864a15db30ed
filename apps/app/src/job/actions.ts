import type { Belief, MateOption } from '@diarmos/core'
import { findingBasis, matingBasis } from '@diarmos/core/record'
import type { ParsedLength } from '@diarmos/core/units'
import { conditionsOf, type JobView, type LineView, PLAIN_SITUATION } from '../data/select'
import { type Edit, edit, newId, now, useData } from '../data/store'
import type { Doc, EntityFields } from '../data/types'

type ObservationFields = EntityFields<'observation'>
type Look = Pick<ObservationFields, 'kind'> & Partial<ObservationFields>

const NOTHING_SEEN = {
  instrument: null,
  sign: null,
  answer: null,
  mm: null,
  resolutionMm: null,
  unit: null,
  withdrawn: false,
} as const

/** A sign that was seen. A second answer to the same question takes the first one's place. */
export function signSeen(sign: string, answer: string): Look {
  return { kind: 'sign', sign: sign as never, answer, entered: answer }
}

/** A length that was measured, as it was entered. */
export function measured(kind: 'outside' | 'wall', instrument: string, length: ParsedLength): Look {
  return {
    kind,
    instrument: instrument as never,
    entered: length.text,
    mm: length.mm,
    resolutionMm: length.resolutionMm,
    unit: length.unit,
  }
}

/** The visit that today's work belongs to: made with the first edit of a person's day at a job. */
function visitEdits(view: JobView): Edit[] {
  const { session, docs } = useData.getState()
  if (!session) return []
  const today = new Date().toDateString()
  const known = Object.values(docs.visit ?? {}).some(
    ({ fields }) =>
      fields.jobId === view.job.id &&
      fields.personId === session.person.id &&
      new Date(fields.startedAt).toDateString() === today,
  )
  if (known) return []
  const fields = { jobId: view.job.id, personId: session.person.id, startedAt: now(), endedAt: null }
  return [{ kind: 'visit', id: newId(), patch: fields } as Edit]
}

/** Keeps a look at a line. */
export async function addLook(view: JobView, line: LineView, look: Look, label: string): Promise<void> {
  const edits: Edit[] = visitEdits(view)
  if (look.kind === 'sign')
    for (const doc of line.observations)
      if (doc.fields.sign === look.sign && !doc.fields.withdrawn)
        edits.push({ kind: 'observation', id: doc.id, patch: { withdrawn: true } } as Edit)
  edits.push({
    kind: 'observation',
    id: newId(),
    patch: { ...NOTHING_SEEN, ...look, jobId: view.job.id, lineId: line.line.id, takenAt: now() },
  } as Edit)
  // a joint that was seen is also a condition of the work to come
  if (look.sign === 'joint') edits.push(...conditionEdits(view, line, { oldJoint: look.answer as never }))
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
          patch: { ...PLAIN_SITUATION, ...patch, jobId: view.job.id, lineId: line.line.id },
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
      snapshot: { classes: belief.classes.slice(0, 5), hazards: belief.hazards, versions: { tables: '1' } },
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
  const threaded = belief.classes[0]?.system === 'IPS'
  for (const target of [line, ...others]) {
    const already = target.situation?.fields
    const oldJoint = conditionsOf(line).oldJoint
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

export async function setFixture(view: JobView, fixtureId: string, label: string): Promise<void> {
  await edit([{ kind: 'job', id: view.job.id, patch: { fixtureId } } as Edit], label)
}

/** Chooses a way for one line, or the same kind of way for several. */
export async function chooseOptions(
  view: JobView,
  choices: readonly { line: LineView; option: MateOption }[],
  settings: EntityFields<'settings'>['mate'],
): Promise<void> {
  const edits = choices.flatMap(({ line, option }): Edit[] =>
    line.finding && view.job.fields.fixtureId
      ? [
          {
            kind: 'mating',
            id: newId(),
            patch: {
              jobId: view.job.id,
              lineId: line.line.id,
              optionId: option.id,
              option: option as EntityFields<'mating'>['option'],
              settings,
              basis: matingBasis(line.finding.fields.pipeId, view.job.fields.fixtureId, conditionsOf(line)),
              versions: { catalogue: '1', rules: '1' },
              chosenAt: now(),
            },
          } as Edit,
        ]
      : [],
  )
  await edit(edits, choices.length > 1 ? 'Chosen for both lines' : 'Chosen')
}

/** Ticks a step or takes the tick back. */
export async function tick(
  view: JobView,
  lineId: string | null,
  stepId: string,
  result: EntityFields<'check'>['result'],
): Promise<void> {
  const held = view.checks.get(stepId)
  await edit([
    ...visitEdits(view),
    held
      ? ({ kind: 'check', id: held.id, patch: { result, at: now() } } as Edit)
      : ({
          kind: 'check',
          id: newId(),
          patch: { jobId: view.job.id, lineId, stepId, result, at: now(), note: '' },
        } as Edit),
  ])
}

export async function closeJob(view: JobView, closed: boolean): Promise<void> {
  await edit(
    [
      {
        kind: 'job',
        id: view.job.id,
        patch: closed ? { state: 'closed', closedAt: now() } : { state: 'open', closedAt: null },
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
