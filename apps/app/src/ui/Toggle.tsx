import { Pressable, View } from 'react-native'
import { Txt } from './Txt'

interface Props {
  label: string
  detail?: string
  value: boolean
  onChange: (value: boolean) => void
}

/** Yes or no, as wide as the thumb is clumsy. */
export function Toggle({ label, detail, value, onChange }: Props) {
  return (
    <Pressable
      role="switch"
      aria-checked={value}
      aria-label={label}
      onPress={() => onChange(!value)}
      className="min-h-[52px] flex-row items-center gap-3 border-b border-rule py-1 active:opacity-70"
    >
      <View className="flex-1">
        <Txt>{label}</Txt>
        {detail ? (
          <Txt size="s" tone="soft">
            {detail}
          </Txt>
        ) : null}
      </View>
      <View
        aria-hidden
        className={`h-[34px] w-[68px] flex-row items-center rounded-[4px] border-[1.5px] px-1 ${value ? 'justify-end border-patina bg-patina' : 'justify-start border-soft bg-raised'}`}
      >
        <Txt size="s" bold tone={value ? 'on-patina' : 'soft'} className="px-1">
          {value ? 'yes' : 'no'}
        </Txt>
      </View>
    </Pressable>
  )
}
