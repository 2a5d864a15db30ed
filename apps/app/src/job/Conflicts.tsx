import { View } from 'react-native'
import type { JobView } from '../data/select'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { settle } from './actions'

const show = (value: unknown) => {
  const text = typeof value === 'string' ? value : JSON.stringify(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

/** What two people changed at once: both are kept until someone says which holds. */
export function Conflicts({ view }: { view: JobView }) {
  const docs: Doc[] = [
    view.job,
    view.property,
    view.point,
    ...view.lines.flatMap((line) => [line.situation, ...line.observations, line.finding, line.mating]),
  ].filter((doc): doc is NonNullable<typeof doc> => doc !== null) as Doc[]
  return (
    <>
      {docs.flatMap((doc) =>
        doc.conflicts.map((conflict) => (
          <Note
            key={conflict.opId + conflict.field}
            kind="caution"
            title={`${doc.kind}: “${conflict.field}” was changed twice`}
          >
            <View>
              <Txt size="s">Which one holds?</Txt>
              <View className="flex-row flex-wrap gap-2 pt-1">
                <Button
                  label={show(conflict.theirs)}
                  onPress={() => void settle(doc, conflict.field, conflict.theirs)}
                />
                <Button
                  label={show(conflict.mine)}
                  onPress={() => void settle(doc, conflict.field, conflict.mine)}
                />
              </View>
            </View>
          </Note>
        )),
      )}
    </>
  )
}
