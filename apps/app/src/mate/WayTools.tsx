import type { RankedOption } from '@diarmos/core'
import { screenText } from '@diarmos/core/words/counts'
import { View } from 'react-native'
import { Button } from '../ui/Button'
import { Txt } from '../ui/Txt'
import { methodTitle } from './OptionCard'

interface Props {
  readonly options: readonly RankedOption[]
  /** Those that no other beats in everything. */
  readonly worth: readonly RankedOption[]
  readonly option: RankedOption
  readonly all: boolean
  readonly onAll: (all: boolean) => void
  /** Null where there is one line alone. */
  readonly wide: boolean
  readonly onSheet: (sheet: 'parts' | 'table') => void
  readonly onCompare: (optionId: string) => void
}

/** What can be done with the way that is shown: its parts, the table, and the others it is compared with. */
export function WayTools(props: Props) {
  const { options, worth, option, all, onAll, wide, onSheet, onCompare } = props
  return (
    <>
      <View className="mt-1 flex-row flex-wrap gap-2">
        <Button kind="quiet" label="Parts" onPress={() => onSheet('parts')} />
        {wide ? <Button kind="quiet" label="Table" onPress={() => onSheet('table')} /> : null}
        {options.length > worth.length ? (
          <Button
            kind="quiet"
            label={all ? 'One of each kind' : screenText('ways.all', { ways: options.length })}
            onPress={() => onAll(!all)}
          />
        ) : null}
      </View>
      {options.length > 1 ? (
        <View className="mt-2">
          <Txt bold size="s" tone="soft">
            Compare with
          </Txt>
          <View className="flex-row flex-wrap gap-2">
            {(all || worth.length < 2 ? options : worth)
              .filter((entry) => entry !== option)
              .slice(0, 6)
              .map((entry) => (
                <Button
                  key={entry.id}
                  kind="quiet"
                  label={`${options.indexOf(entry) + 1}. ${methodTitle(entry)}`}
                  onPress={() => onCompare(entry.id)}
                />
              ))}
          </View>
        </View>
      ) : null}
    </>
  )
}
