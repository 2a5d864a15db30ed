import { sectionsOf } from '@diarmos/core/record'
import { View } from 'react-native'
import { type JobView, pointName } from '../data/select'
import { Note } from '../ui/Note'
import { SERVICE_LOOK } from '../ui/service'
import { Txt } from '../ui/Txt'

const joints = (seams: readonly number[]) =>
  seams.length === 1
    ? `joint ${(seams[0] ?? 0) + 1}`
    : `joints ${(seams[0] ?? 0) + 1} to ${(seams.at(-1) ?? 0) + 1}`

/** A line that leaks: what can be held by itself, so that one joint, or few, are left to blame. */
export function WhichJoint({ view }: { view: JobView }) {
  const lines = view.lines.flatMap(({ line, mating }) =>
    mating && !['drain', 'vent'].includes(line.fields.service)
      ? [{ lineId: line.id, option: mating.fields.option }]
      : [],
  )
  const sections = sectionsOf(lines)
  if (sections.length < 2) return null
  return (
    <Note kind="note" title="Which joint is it?">
      <Txt size="s">
        Hold it with every new stop shut; then open one after the other. What makes it fall is the one:
      </Txt>
      {view.lines.map((each) => {
        const own = sections.filter(({ lineId }) => lineId === each.line.id)
        if (own.length === 0) return null
        const { mark, word, tone } = SERVICE_LOOK[each.line.fields.service]
        return (
          <View key={each.line.id} className="flex-row gap-3">
            <Txt bold size="s" tone={tone} className="w-[88px]">
              {mark} {word}
              {pointName(view, each) ? ` ${pointName(view, each)}` : ''}
            </Txt>
            <Txt size="s" className="flex-1">
              {own
                .map(({ seams, behind }) =>
                  own.length === 1
                    ? `${joints(seams)}, no stop between`
                    : `${joints(seams)} with its stop ${behind === null ? 'shut' : 'open'}`,
                )
                .join(', ')}
            </Txt>
          </View>
        )
      })}
      <Txt size="s">Within one of these no gauge tells joints apart: dry them, and go round with tissue.</Txt>
    </Note>
  )
}
