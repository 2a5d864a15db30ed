import { View } from 'react-native'
import { Length } from '../ui/Length'
import { Txt } from '../ui/Txt'
import { OffBy } from './OffBy'

/** The longest that holds, large; the shortest beneath it; and what it may be off. */
export function Between(props: {
  label: string
  mm: readonly [number, number]
  off: { readonly offMm: number; readonly largest: string | null }
  names?: Readonly<Record<string, string>>
}) {
  return (
    <View className="flex-1">
      <Txt size="s" tone="soft">
        {props.label}
      </Txt>
      <Length mm={props.mm[1]} quantity="pipe-to-cut" size="xxl" />
      {/* what is cemented has one length */}
      {props.mm[0] === props.mm[1] ? null : (
        <>
          <Txt size="s" tone="soft">
            not under
          </Txt>
          <Length mm={props.mm[0]} quantity="least-stub" />
        </>
      )}
      <OffBy off={props.off} {...(props.names ? { names: props.names } : {})} />
    </View>
  )
}
