import type { EntityFields, JobFile } from '@diarmos/contract'
import { changedSince } from '@diarmos/core/record'
import type { Block } from './block'

type Job = Partial<EntityFields<'job'>>
type Attachment = Partial<EntityFields<'attachment'>>

const ANSWERS = { taken: 'taken on', later: 'left for later', refused: 'refused' } as const
const MONTH = 'months'

/** The day of an instant, as it is written on paper. */
export const dayOf = (instant: unknown): string => String(instant ?? '').slice(0, 10)

/** What was advised and what the customer said to it, a line each. */
export function adviceBlocks({ advice }: Job): Block[] {
  if (!advice || advice.length === 0) return []
  return [
    { kind: 'heading', text: 'Advised' },
    ...advice.map(
      ({ text, answer, at }): Block => ({ kind: 'text', text: `${text} (${ANSWERS[answer]}, ${dayOf(at)})` }),
    ),
  ]
}

/** How long the shop stands by the work; nothing where nobody has said it. */
export function warrantyBlocks({ warranty, closedAt }: Job): Block[] {
  if (!warranty) return []
  const from = closedAt ? ` from ${dayOf(closedAt)}` : ' from the day it is closed'
  const length =
    warranty.months === 0 ? 'None is given on this work' : `${warranty.months} ${MONTH} on the work${from}`
  return [
    { kind: 'heading', text: 'Warranty' },
    { kind: 'text', text: `${length}.${warranty.note ? ` ${warranty.note}` : ''}` },
  ]
}

/** Ways that are only for a time: by when somebody has to come back, counted from when they were chosen. */
export function followUps(file: JobFile): string[] {
  const chosen = new Map<unknown, Record<string, unknown>>()
  for (const row of [...(file.documents.mating ?? [])].sort(
    (a, b) => Number(a.revision) - Number(b.revision),
  ))
    chosen.set(row.lineId, row)
  return [...chosen.values()].flatMap(({ option, chosenAt }) => {
    const { followUp } = option as Partial<EntityFields<'mating'>['option']>
    if (!followUp) return []
    if (followUp.returnDays === null) return ['Improvised: to be replaced by a standing way.']
    const due = new Date(Date.parse(String(chosenAt)) + followUp.returnDays * 86_400_000)
    return [`For a time only: back by ${dayOf(due.toISOString())}.`]
  })
}

/** The pictures of a job, those of how it was found first. */
export function pictureBlocks(file: JobFile): Block[] {
  const kept = ((file.documents.attachment ?? []) as Attachment[]).filter(
    ({ mediaType, content }) => content && mediaType !== 'text/plain',
  )
  const parts = [
    ['found', 'As it was found'],
    ['left', 'As it was left'],
  ] as const
  return parts.flatMap(([about, text]): Block[] => {
    const shown = kept.filter((picture) => (picture.about ?? 'left') === about)
    if (shown.length === 0) return []
    return [
      { kind: 'heading', text },
      ...shown.map(
        ({ content, name, takenAt }): Block => ({
          kind: 'picture',
          base64: content ?? '',
          text: [name, dayOf(takenAt)].filter(Boolean).join(', '),
        }),
      ),
    ]
  })
}

/** When what is agreed now came to be: the ways that are chosen, and what was said to the advice. */
function agreedAt({ job, documents }: JobFile): string[] {
  const latest = new Map<unknown, string>()
  for (const row of [...(documents.mating ?? [])].sort((a, b) => Number(a.revision) - Number(b.revision)))
    latest.set(row.lineId, String(row.chosenAt))
  return [...latest.values(), ...((job as Job).advice ?? []).map(({ at }) => at)]
}

/** Who signed, and what they wrote with a finger; said where what is agreed has changed since. */
export function signatureBlocks(file: JobFile): Block[] {
  const signed = ((file.documents.attachment ?? []) as Attachment[]).filter(
    ({ about }) => about === 'signature',
  )
  if (signed.length === 0) return []
  return [
    { kind: 'heading', text: 'Signed' },
    ...signed.map(
      ({ content, name, takenAt }): Block => ({
        kind: 'signature',
        path: strokes(content ?? ''),
        text: [
          name,
          dayOf(takenAt),
          changedSince(takenAt ?? '', agreedAt(file)) ? 'before something of this was changed' : '',
        ]
          .filter(Boolean)
          .join(', '),
      }),
    ),
  ]
}

/** The path that was kept as text; nothing of what is no path goes into a drawing. */
function strokes(base64: string): string {
  const text = base64 ? atob(base64) : ''
  return /^[ML0-9 .,-]*$/.test(text) ? text : ''
}
