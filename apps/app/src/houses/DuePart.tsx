import { dueOf } from '@diarmos/core/record'
import { byHeard } from '../data/held'
import { useDocs, useDocsOf } from '../data/select'
import { LinkTo } from '../ui/LinkTo'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

/** What else is due in a house: seen at once, since one visit does for all of it. */
export function DuePart({ propertyId }: { propertyId: string }) {
  const jobs = useDocsOf('job', 'propertyId', propertyId)
  const ids = new Set(jobs.map(({ id }) => id))
  const ways = [...useDocs('mating')].filter(({ fields }) => ids.has(fields.jobId)).sort(byHeard)
  const due = dueOf(
    jobs.map(({ id, fields }) => ({ id, state: fields.state, advice: fields.advice ?? [] })),
    ways.map(({ fields }) => fields),
  )
  if (due.length === 0) return null
  const titleOf = (jobId: string) => jobs.find(({ id }) => id === jobId)?.fields.title ?? ''
  const late = due.some((each) => each.kind === 'return' && each.by < new Date().toISOString().slice(0, 10))
  return (
    <Note
      kind={late ? 'caution' : 'note'}
      title={due.length > 1 ? 'Due here: one visit does for all' : 'Due here'}
    >
      {due.map((each) => (
        <LinkTo
          key={`${each.kind} ${each.jobId} ${each.kind === 'advice' ? each.text : ''}`}
          href={`/job/${each.jobId}`}
          label={titleOf(each.jobId)}
          className="min-h-[48px] justify-center active:opacity-70"
        >
          <Txt>
            {each.kind === 'return'
              ? `Back by ${each.by}: `
              : each.kind === 'replace'
                ? 'Improvised, to be replaced: '
                : each.kind === 'open'
                  ? 'Open: '
                  : `Advised, left for later: ${each.text}, `}
            <Txt bold tone="patina">
              {titleOf(each.jobId)}
            </Txt>
          </Txt>
        </LinkTo>
      ))}
    </Note>
  )
}
