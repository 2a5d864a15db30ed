import type { LineResult } from '@diarmos/core'
import { CONSUMABLE_WORDS, TEMPORARY_WORDS } from '@diarmos/core/words/methods'
import { reasonText } from '@diarmos/core/words/reasons'
import { addDays } from 'date-fns/addDays'
import { format } from 'date-fns/format'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { minutes, money } from '../ui/money'
import { Txt } from '../ui/Txt'

interface Props {
  ways: LineResult['temporary']
  /** Puts a sentence into the job's record; there is none on the bench. */
  onNote?: (sentence: string) => void
}

/** What holds for a time only, each with the day by which someone must be back. */
export function ForATime({ ways, onNote }: Props) {
  const unit = usePreferences((state) => state.unit)
  if (ways.length === 0) return null
  return (
    <View className="mt-4" testID="for-a-time">
      <Txt bold heading={2}>
        For a time only
      </Txt>
      <Txt size="s" tone="soft">
        None of these is a repair. Each ends with a day on which someone comes back.
      </Txt>
      {ways.map(({ id, refused, returnDays, seconds, totalCents, consumables, option }) => {
        const by = format(addDays(new Date(), returnDays), 'EEE d MMM')
        const needs = option
          ? option.parts.map((part) => part.name)
          : consumables.map(({ id: what, quantity }) => `${quantity} × ${CONSUMABLE_WORDS[what] ?? what}`)
        return (
          <View key={id} className="border-b border-rule py-2">
            <Txt bold>{TEMPORARY_WORDS[id]}</Txt>
            {refused ? (
              <Txt size="s">Not here: {reasonText(refused, unit)}</Txt>
            ) : (
              <>
                <Txt size="s">
                  {needs.join(', ')} · {minutes(seconds)} · {money(totalCents)}
                </Txt>
                <Txt size="s" bold tone="amber">
                  △ back by {by}, {returnDays} days at most
                </Txt>
                {onNote ? (
                  <Button
                    kind="quiet"
                    label="Note it, with the day"
                    hint={TEMPORARY_WORDS[id] ?? id}
                    onPress={() =>
                      onNote(
                        `For a time only: ${TEMPORARY_WORDS[id]} (${needs.join(', ')}). Come back by ${by}.`,
                      )
                    }
                  />
                ) : null}
              </>
            )}
          </View>
        )
      })}
    </View>
  )
}
