import type { ReactNode } from 'react'
import { View } from 'react-native'
import Svg, { Path } from 'react-native-svg'
import { usePalette } from './palette'
import { Txt } from './Txt'

const KINDS = {
  stop: {
    box: 'border-oxide bg-oxide-wash',
    tone: 'oxide',
    word: 'Stop',
    path: 'M8 2h8l6 6v8l-6 6H8l-6-6V8z',
  },
  caution: { box: 'border-amber bg-amber-wash', tone: 'amber', word: 'Caution', path: 'M12 3l10 18H2z' },
  note: { box: 'border-rule bg-raised', tone: 'ink', word: 'Note', path: 'M4 4h16v16H4z' },
} as const

interface Props {
  kind: keyof typeof KINDS
  title: string
  children?: ReactNode
}

/** A warning: always a word and a shape beside its colour. */
export function Note({ kind, title, children }: Props) {
  const palette = usePalette()
  const look = KINDS[kind]
  const ink = kind === 'stop' ? palette.oxide : kind === 'caution' ? palette.amber : palette.ink
  return (
    <View
      role={kind === 'stop' ? 'alert' : 'note'}
      className={`my-1 flex-row gap-3 rounded-[4px] border-l-[5px] p-3 ${look.box}`}
    >
      <View aria-hidden className="pt-0.5">
        <Svg width={22} height={22} viewBox="0 0 24 24">
          <Path d={look.path} fill="none" stroke={ink} strokeWidth={2.4} />
        </Svg>
      </View>
      <View className="flex-1">
        <Txt bold tone={look.tone}>
          {look.word}: {title}
        </Txt>
        {typeof children === 'string' ? <Txt size="s">{children}</Txt> : children}
      </View>
    </View>
  )
}
