import type { EntityFields, EntityKind, HouseFile } from '@diarmos/contract'
import { dueOf } from '@diarmos/core/record'
import { METHOD_WORDS } from '@diarmos/core/words/fixtures'
import type { Block } from './block'
import { dayOf } from './record'

/** A document of a file, which was checked when it was read or is of this phone. */
type Row<Kind extends EntityKind> = EntityFields<Kind> & { readonly id: string }

/** What a house still asks for, as it is written on paper and on the screen. */
export function dueText(due: ReturnType<typeof dueOf>[number], title: string): string {
  if (due.kind === 'return') return `Back by ${due.by}: ${title} stands for a time only.`
  if (due.kind === 'replace') return `To be replaced: ${title} is improvised.`
  return due.kind === 'open' ? `Open: ${title}.` : `Advised, left for later: ${due.text} (${title}).`
}

/**
 * A house on paper: what is due, and at each point what is known of its lines, how sure, since when, and what was done.
 * What a document does not say is left out.
 */
export function houseBlocks({ documents }: HouseFile, shopName: string): Block[] {
  const rows = <Kind extends EntityKind>(kind: Kind) =>
    // a list by its kind: the compiler does not follow the key
    (documents[kind] ?? []) as unknown as readonly Row<Kind>[]
  const [house] = rows('property')
  const blocks: Block[] = []
  const say = (text: string) => blocks.push({ kind: 'text', text })
  const heading = (text: string) => blocks.push({ kind: 'heading', text })
  blocks.push({ kind: 'title', text: house?.label ?? '' })
  say([house?.street, house?.town, shopName].filter(Boolean).join(', '))
  if (house?.note) say(house.note)

  const titles = new Map(rows('job').map(({ id, title }) => [id, title]))
  const due = dueOf(rows('job'), rows('mating'))
  if (due.length > 0) heading('Due')
  for (const each of due) say(dueText(each, titles.get(each.jobId) ?? ''))

  const last = <Kind extends 'finding' | 'mating'>(kind: Kind, lineId: string) =>
    rows(kind)
      .filter((row) => row.lineId === lineId)
      .at(-1)
  for (const point of rows('point')) {
    heading(point.name)
    for (const line of rows('line').filter(({ pointId }) => pointId === point.id)) {
      const found = last('finding', line.id)
      const way = last('mating', line.id)
      const known = found
        ? `${found.name}, ${Math.round(found.probability * 100)} in 100, found ${dayOf(found.foundAt)}`
        : 'not known yet'
      say(`${line.service.replace(/^./, (letter) => letter.toUpperCase())}: ${known}.`)
      const option = way?.option
      const first = option?.joints[0]
      if (first)
        say(
          `    ${METHOD_WORDS[first.method]} onto ${option?.parts.map(({ name }) => name).join('; ') || 'what stands there'}, chosen ${dayOf(way?.chosenAt)}.`,
        )
    }
    for (const job of rows('job').filter(({ pointId }) => pointId === point.id))
      say(
        `${dayOf(job.openedAt)}: ${job.title}${job.state === 'closed' ? `, closed ${dayOf(job.closedAt)}` : ', open'}.${job.note ? ` ${job.note}` : ''}`,
      )
  }
  blocks.push({
    kind: 'small',
    text: 'What is inside a wall is known as far as somebody has looked. Local codes and a licensed plumber’s judgement come first.',
  })
  return blocks
}
