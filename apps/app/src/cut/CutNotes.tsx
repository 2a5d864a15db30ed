import { goesInside, markedInPlace } from '@diarmos/core/record'
import { REASONS, reasonText } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { usePreferences } from '../data/preferences'
import { beginsAt, type LineView, situationOf } from '../data/select'
import { measuredOf } from '../job/requests'
import { Note } from '../ui/Note'
import type { Layout } from './saw'
import { spanText } from './span'

/** What speaks against sawing now: a way that is stale, a stub not measured, measurements that do not add up. */
export function CutNotes({ line, layout }: { readonly line: LineView; readonly layout: Layout | null }) {
  const unit = usePreferences((state) => state.unit)
  const measured = measuredOf(line)
  // on a nut, a hub or a flange that stays nothing is cut
  const option = line.mating?.fields.option
  const inPlace = option && markedInPlace(option)
  const named = (id: string) => {
    const found = measured.find((dimension) => dimension.id === id)
    return found ? `Measured ${spanText(line, found)}.` : []
  }
  return (
    <>
      {line.matingStale ? (
        <Note kind="caution" title="Stale">
          Facts changed since this way was chosen: look at Mate before cutting.
        </Note>
      ) : null}
      {beginsAt(line) === 'pipe' &&
      !option?.beginsAt &&
      !(option && goesInside(option)) &&
      situationOf(line).stubMm === null ? (
        <Note kind="caution" title="The stub is not measured">
          Measure the bare stub before cutting; without it only the least length is known.
        </Note>
      ) : null}
      {inPlace ? (
        <Note kind="caution" title="The old pipe has no length yet">
          {reasonText(inPlace, unit)}
        </Note>
      ) : null}
      {layout?.contradictions.map(({ dimensions, reason }) => (
        <Note key={dimensions.join()} kind="caution" title="This does not add up">
          {`${say(REASONS[reason.ruleId] ?? '', reason.parameters, unit)} ${dimensions
            .flatMap(named)
            .join(' ')}`}
        </Note>
      ))}
    </>
  )
}
