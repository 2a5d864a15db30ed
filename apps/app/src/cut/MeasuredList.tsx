import { screenText } from '@diarmos/core/words/counts'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView, LineView } from '../data/select'
import { dropDimension, keepDimension } from '../job/actions'
import { Button } from '../ui/Button'
import { MeasureRow } from '../ui/MeasureRow'
import { Txt } from '../ui/Txt'
import type { Layout } from './saw'
import { spanText, spanTitle } from './span'

interface Props {
  readonly view: JobView
  readonly line: LineView
  readonly layout: Layout | null
  /** Whether what is measured now is measured with the sockets tried dry. */
  readonly dry: boolean
}

/** What was measured on a line: as entered, with what, and why one does not count. */
export function MeasuredList({ view, line, layout, dry }: Props) {
  const { unit, measurer } = usePreferences()
  const measured = line.dimensions.filter(({ fields }) => fields.to !== 'beside')
  return (
    <>
      {measured.length > 0 ? (
        <View className="mt-3">
          <Txt bold tone="soft" heading={2}>
            Measured
          </Txt>
          {measured.map((doc) => {
            const unused = layout?.unused.find(({ dimension }) => dimension === doc.id)
            return (
              <View key={doc.id} className="flex-row items-center">
                <View className="flex-1">
                  <MeasureRow
                    label={spanTitle(line, doc.fields)}
                    mm={doc.fields.mm}
                    detail={
                      unused
                        ? say(REASONS[unused.reason.ruleId] ?? '', unused.reason.parameters, unit)
                        : `as entered: ${doc.fields.entered}, by ${doc.fields.measurer}${doc.fields.dry ? ', dry' : ''}`
                    }
                    onEnter={(length) =>
                      void keepDimension(view, line, doc.fields, length, { measurer, dry })
                    }
                  />
                </View>
                <Button
                  kind="quiet"
                  label="Drop"
                  hint={spanText(line, doc.fields)}
                  onPress={() => dropDimension(doc)}
                />
              </View>
            )
          })}
        </View>
      ) : null}
      {line.dimensionsElsewhere > 0 ? (
        <Txt size="s" tone="soft">
          {screenText('measured.elsewhere', { count: line.dimensionsElsewhere })}
        </Txt>
      ) : null}
    </>
  )
}
