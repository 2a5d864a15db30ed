import type { QuantityKind } from '@diarmos/core/units'
import { View } from 'react-native'
import { Length } from './Length'
import { Txt } from './Txt'

interface Props {
  label: string
  mm: number
  quantity?: QuantityKind
}

/** A length that was worked out, on a line of its own. */
export function LengthRow({ label, mm, quantity = 'reading' }: Props) {
  return (
    <View className="min-h-[48px] flex-row items-center justify-between border-b border-rule">
      <Txt className="flex-1 pr-2">{label}</Txt>
      <Length mm={mm} quantity={quantity} size="l" />
    </View>
  )
}
