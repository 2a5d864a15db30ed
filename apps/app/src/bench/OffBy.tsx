import { View } from 'react-native'
import { Length } from '../ui/Length'
import { Txt } from '../ui/Txt'

/** What measurements are called by the names the core gives back. */
const NAMES: Readonly<Record<string, string>> = {
  rollMm: 'sideways',
  riseMm: 'up or down',
  alongMm: 'along',
  asideMm: 'sideways',
  upMm: 'up or down',
  outMm: 'out from the wall',
  stubOutMm: 'the nut out from the wall',
  drainMm: 'the drain’s height',
  stubMm: 'the stub’s height',
}

/** What a result may be off at worst, and which measurement to take again for less. */
export function OffBy(props: {
  off: { readonly offMm: number; readonly largest: string | null }
  /** Where a measurement is called otherwise here. */
  names?: Readonly<Record<string, string>>
}) {
  const { off, names } = props
  if (off.offMm < 0.05) return null
  return (
    <View className="flex-row flex-wrap items-center gap-1" testID="off-by">
      <Txt size="s" tone="soft">
        at worst off by
      </Txt>
      <Length mm={off.offMm} quantity="missing-length" />
      {off.largest ? (
        <Txt size="s" tone="soft">
          most of it from {names?.[off.largest] ?? NAMES[off.largest] ?? off.largest}
        </Txt>
      ) : null}
    </View>
  )
}
