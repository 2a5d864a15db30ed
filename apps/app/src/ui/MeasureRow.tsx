import type { ParsedLength, QuantityKind } from '@diarmos/core/units'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { Keypad } from './Keypad'
import { Length } from './Length'
import { Txt } from './Txt'

interface Props {
  label: string
  hint?: string
  mm: number | null
  /** What it is, where that decides which way it is rounded; a reading else. */
  quantity?: QuantityKind
  onEnter: (length: ParsedLength) => void
  detail?: string
}

/** A measurement on a line of its own: touched, it is asked for on the keypad. */
export function MeasureRow({ label, hint, mm, quantity, onEnter, detail }: Props) {
  const [asking, setAsking] = useState(false)
  return (
    <>
      <Pressable
        role="button"
        aria-label={label}
        onPress={() => setAsking(true)}
        className="min-h-[60px] flex-row items-center justify-between border-b border-rule"
      >
        <View className="flex-1 pr-2">
          <Txt>{label}</Txt>
          {detail ? (
            <Txt size="s" tone="soft">
              {detail}
            </Txt>
          ) : null}
        </View>
        {mm === null ? (
          <Txt bold tone="patina">
            measure
          </Txt>
        ) : (
          <Length mm={mm} size="l" {...(quantity ? { quantity } : {})} />
        )}
      </Pressable>
      {asking ? (
        <Keypad
          title={label}
          {...(hint ? { hint } : {})}
          onClose={() => setAsking(false)}
          onEnter={(length) => {
            setAsking(false)
            onEnter(length)
          }}
        />
      ) : null}
    </>
  )
}
