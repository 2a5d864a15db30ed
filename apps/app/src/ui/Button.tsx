import { type ReactNode, useRef } from 'react'
import { Pressable, View } from 'react-native'
import { Txt } from './Txt'

const KINDS = {
  primary: { box: 'bg-patina border-patina', tone: 'on-patina' },
  plain: { box: 'bg-raised border-ink', tone: 'ink' },
  quiet: { box: 'bg-transparent border-transparent', tone: 'patina' },
  danger: { box: 'bg-raised border-oxide', tone: 'oxide' },
} as const

interface Props {
  label: string
  /** While what it began goes on, a second touch begins nothing. */
  onPress: () => unknown
  kind?: keyof typeof KINDS
  icon?: ReactNode
  disabled?: boolean
  hint?: string
  className?: string
  testID?: string
}

/** An action: never lower than 52 px, so that a wet glove finds it. */
export function Button({
  label,
  onPress,
  kind = 'plain',
  icon,
  disabled = false,
  hint,
  className = '',
  testID,
}: Props) {
  const look = KINDS[kind]
  const busy = useRef(false)
  const press = () => {
    if (busy.current) return
    const begun = onPress()
    if (!(begun instanceof Promise)) return
    busy.current = true
    void begun.finally(() => {
      busy.current = false
    })
  }
  return (
    <Pressable
      role="button"
      aria-label={hint ? `${label}. ${hint}` : label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={press}
      testID={testID}
      className={`min-h-[52px] flex-row items-center justify-center gap-2 rounded-[4px] border-[1.5px] px-4 py-2 ${look.box} ${disabled ? 'opacity-50' : 'active:opacity-70'} ${className}`}
    >
      {icon ? <View aria-hidden>{icon}</View> : null}
      <Txt bold tone={look.tone} className="shrink text-center">
        {label}
      </Txt>
    </Pressable>
  )
}
