import type { ReactNode } from 'react'
import { Pressable, View } from 'react-native'
import { Txt } from './Txt'

interface Option<Value extends string> {
  value: Value
  label: string
  sign?: ReactNode
}

interface Props<Value extends string> {
  label: string
  options: readonly Option<Value>[]
  value: Value | null
  onChange: (value: Value) => void
  /** Tiles in a row on the phone. */
  columns?: 2 | 3 | 4
  hideLabel?: boolean
}

const WIDTHS = { 2: 'w-1/2', 3: 'w-1/3', 4: 'w-1/4' } as const

/** One of several, by picture where there is one. */
export function Choice<Value extends string>({
  label,
  options,
  value,
  onChange,
  columns = 2,
  hideLabel = false,
}: Props<Value>) {
  return (
    <View role="radiogroup" aria-label={label}>
      {hideLabel ? null : (
        <Txt bold size="s" tone="soft" className="mb-1">
          {label}
        </Txt>
      )}
      <View className="-mx-1 flex-row flex-wrap">
        {options.map((option) => {
          const chosen = option.value === value
          return (
            <View key={option.value} className={`${WIDTHS[columns]} p-1`}>
              <Pressable
                role="radio"
                aria-checked={chosen}
                tabIndex={chosen || (value === null && option === options[0]) ? 0 : -1}
                aria-label={`${label}: ${option.label}`}
                onPress={() => onChange(option.value)}
                className={`min-h-[52px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] px-2 py-2 active:opacity-70 ${chosen ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
              >
                {option.sign ? (
                  <View aria-hidden className="mb-1">
                    {option.sign}
                  </View>
                ) : null}
                <Txt size="s" bold={chosen} className="text-center">
                  {chosen ? `✓ ${option.label}` : option.label}
                </Txt>
              </Pressable>
            </View>
          )
        })}
      </View>
    </View>
  )
}
