import { type QuantityKind, toTape } from '@diarmos/core/units'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { type Tone, Txt } from './Txt'

interface Props {
  mm: number
  quantity?: QuantityKind
  size?: 'm' | 'l' | 'xl' | 'xxl' | 'huge' | 'saw'
  tone?: Tone
}

const SMALL = { m: 's', l: 's', xl: 'm', xxl: 'l', huge: 'xl', saw: 'xxl' } as const

/** A length as a tape reads: whole inches large, the fraction set as a fraction; or millimetres. */
export function Length({ mm, quantity = 'reading', size = 'm', tone = 'ink' }: Props) {
  const { unit, denominator } = usePreferences()
  const tape = toTape(mm, { unit, denominator, quantity })
  if (tape.unit === 'mm')
    return (
      <Txt bold size={size} tone={tone}>
        {tape.text}
      </Txt>
    )
  const fraction = tape.numerator > 0
  return (
    <View className="flex-row items-center" role="img" aria-label={`${tape.text.replace('"', ' inches')}`}>
      {tape.whole > 0 || !fraction ? (
        <Txt bold size={size} tone={tone}>
          {tape.whole}
        </Txt>
      ) : null}
      {fraction ? (
        <View className="mx-1 items-center">
          <Txt bold size={SMALL[size]} tone={tone} className="border-b-2 border-ink px-0.5">
            {tape.numerator}
          </Txt>
          <Txt bold size={SMALL[size]} tone={tone} className="px-0.5">
            {tape.denominator}
          </Txt>
        </View>
      ) : null}
      <Txt bold size={SMALL[size]} tone={tone} className={fraction ? '' : 'ml-1'}>
        in
      </Txt>
    </View>
  )
}
