import type { RankedOption } from '@diarmos/core'
import { useEffect, useRef, useState } from 'react'
import { Pressable, ScrollView, View } from 'react-native'
import { money } from '../ui/money'
import { Txt } from '../ui/Txt'
import { methodTitle, tellsApart } from './OptionCard'

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
  const strip = useRef<ScrollView>(null)
  const places = useRef(new Map<string, number>())
  const [laidOut, setLaidOut] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the places are known once the tiles have been laid out
  useEffect(() => {
    const x = shown === undefined ? undefined : places.current.get(shown)
    if (x !== undefined) strip.current?.scrollTo({ x: Math.max(0, x - 12), animated: false })
  }, [shown, laidOut])
  return (
    <ScrollView ref={strip} horizontal showsHorizontalScrollIndicator={false} testID="ways">
      <View role="tablist" aria-label="Ways" className="flex-row gap-2">
        {options.map((option) => {
          const here = option.id === shown
          const rank = all.indexOf(option) + 1
          const apart = tellsApart(option, options)
          return (
            <Pressable
              key={option.id}
              role="tab"
              aria-selected={here}
              tabIndex={here ? 0 : -1}
              aria-label={`Way ${rank}: ${methodTitle(option)}, ${apart ? `${apart}, ` : ''}${money(option.costs.totalCents)}`}
              onPress={() => onShow(option.id)}
              onLayout={({ nativeEvent }) => {
                places.current.set(option.id, nativeEvent.layout.x)
                if (here) setLaidOut((count) => count + 1)
              }}
              className={`min-h-[56px] min-w-[92px] max-w-[190px] justify-center rounded-[4px] border-[1.5px] px-2 py-1 active:opacity-70 ${here ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
            >
              <Txt size="s" bold numberOfLines={1}>
                {option.id === chosen ? '✓ ' : ''}
                {rank}. {methodTitle(option)}
              </Txt>
              <Txt size="s" tone="soft" numberOfLines={1}>
                {money(option.costs.totalCents)}
                {option.missingParts.length + option.missingTools.length > 0 ? ' △' : ''}
                {apart ? ` ${apart}` : ''}
              </Txt>
            </Pressable>
          )
        })}
      </View>
    </ScrollView>
  )
}
