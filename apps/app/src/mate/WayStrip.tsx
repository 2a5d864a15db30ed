import type { RankedOption } from '@diarmos/core'
import { Pressable, ScrollView, View } from 'react-native'
import { money } from '../ui/money'
import { Txt } from '../ui/Txt'
import { methodTitle } from './OptionCard'

interface Props {
  /** Those that are shown, of all. */
  options: readonly RankedOption[]
  all: readonly RankedOption[]
  shown: string | undefined
  chosen: string | undefined
  onShow: (id: string) => void
}

/** The ways side by side: a touch draws one. */
export function WayStrip({ options, all, shown, chosen, onShow }: Props) {
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} testID="ways">
      <View role="tablist" aria-label="Ways" className="flex-row gap-2">
        {options.map((option) => {
          const here = option.id === shown
          const rank = all.indexOf(option) + 1
          return (
            <Pressable
              key={option.id}
              role="tab"
              aria-selected={here}
              aria-label={`Way ${rank}: ${methodTitle(option)}, ${money(option.costs.totalCents)}`}
              onPress={() => onShow(option.id)}
              className={`min-h-[56px] min-w-[92px] justify-center rounded-[4px] border-[1.5px] px-2 py-1 active:opacity-70 ${here ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
            >
              <Txt size="s" bold numberOfLines={1}>
                {option.id === chosen ? '✓ ' : ''}
                {rank}. {methodTitle(option)}
              </Txt>
              <Txt size="s" tone="soft" numberOfLines={1}>
                {money(option.costs.totalCents)}
                {option.missingParts.length + option.missingTools.length > 0 ? ' △' : ''}
              </Txt>
            </Pressable>
          )
        })}
      </View>
    </ScrollView>
  )
}
