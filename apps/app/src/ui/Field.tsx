import { useId } from 'react'
import { TextInput, type TextInputProps, View } from 'react-native'
import { Txt } from './Txt'

interface Props extends Omit<TextInputProps, 'onChange'> {
  label: string
  value: string
  onChange: (value: string) => void
  error?: string | undefined
  suffix?: string
}

/** One line of writing, with its name above and its fault below. Measurements never come through here. */
export function Field({ label, value, onChange, error, suffix, ...rest }: Props) {
  const id = useId()
  return (
    <View className="mb-2">
      <Txt bold size="s" tone="soft" nativeID={`${id}-label`}>
        {label}
      </Txt>
      <View className="flex-row items-center">
        <TextInput
          {...rest}
          value={value}
          onChangeText={onChange}
          aria-label={error ? `${label}. ${error}` : label}
          className={`min-h-[52px] flex-1 rounded-[4px] border-[1.5px] bg-raised px-3 font-sans text-[1.125rem] text-ink ${error ? 'border-oxide' : 'border-soft'}`}
        />
        {suffix ? (
          <Txt tone="soft" className="ml-2">
            {suffix}
          </Txt>
        ) : null}
      </View>
      {error ? (
        <Txt size="s" tone="oxide" role="alert">
          {error}
        </Txt>
      ) : null}
    </View>
  )
}
