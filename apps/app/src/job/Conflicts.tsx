import type { Body } from '@diarmos/core/bodies'
import { formatLength, type LengthUnit } from '@diarmos/core/units'
import { fixtureText } from '@diarmos/core/words/fixtures'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView } from '../data/select'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { settle } from './actions'
import { changedText } from './fieldWords'

function show(field: string, value: unknown, unit: LengthUnit): string {
  if (value === null) return 'not measured'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number' && field.endsWith('Mm')) return formatLength(value, { unit })
  if (field === 'trap')
    return Object.values(value as Record<string, number | null>)
      .map((mm) => (mm === null ? '–' : formatLength(mm, { unit })))
      .join(' · ')
  if (field === 'fixtures')
    return (value as Body[]).map(({ kind }) => fixtureText(kind)).join(' + ') || 'not said'
  const text = typeof value === 'string' ? value : JSON.stringify(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

/** What two people changed at once: both are kept until someone says which holds. */
export function Conflicts({ view }: { view: JobView }) {
  const unit = usePreferences((state) => state.unit)
  const docs: Doc[] = [
    view.job,
    view.property,
    ...view.points.map(({ point }) => point),
    ...view.lines.flatMap((line) => [line.situation, ...line.observations, line.finding, line.mating]),
  ].filter((doc): doc is NonNullable<typeof doc> => doc !== null) as Doc[]
  return (
    <>
      {docs.flatMap((doc) =>
        doc.conflicts.map((conflict) => (
          <Note
            key={conflict.opId + conflict.field}
            kind="caution"
            title={`${changedText(doc.kind, conflict.field)} was changed twice`}
          >
            <View>
              <Txt size="s">Which one holds?</Txt>
              <View className="flex-row flex-wrap gap-2 pt-1">
                <Button
                  label={show(conflict.field, conflict.theirs, unit)}
                  onPress={() => settle(doc, conflict.field, conflict.theirs)}
                />
                <Button
                  label={show(conflict.field, conflict.mine, unit)}
                  onPress={() => settle(doc, conflict.field, conflict.mine)}
                />
              </View>
            </View>
          </Note>
        )),
      )}
    </>
  )
}
