import { View } from 'react-native'
import { type JobView, type LineView, wasteKind } from '../data/select'
import { setConditions } from '../job/actions'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Txt } from '../ui/Txt'

/** Where the drain of a shower comes up: in the middle of the width that was measured, whatever the drawing says. */
export function PanMiddle({ view, line }: { view: JobView; line: LineView }) {
  if (!wasteKind(line)?.startsWith('waste.shower')) return null
  const tub = line.situation?.fields.tub ?? { outMm: null, highMm: null, widthMm: null }
  const { widthMm } = tub
  return (
    <View className="mt-3" testID="pan-middle">
      <MeasureRow
        label="Width of the pan, wall to wall"
        hint="Between the finished walls, or what they will be; a made base is measured itself."
        mm={widthMm}
        onEnter={({ mm, text }) =>
          void setConditions(view, [line], { tub: { ...tub, widthMm: mm } }, `Width of the pan: ${text}`)
        }
      />
      {widthMm === null ? null : (
        <View className="min-h-[48px] flex-row items-center justify-between border-b border-rule">
          <Txt className="flex-1 pr-2">Drain’s middle from either wall</Txt>
          <Length mm={widthMm / 2} size="l" />
        </View>
      )}
    </View>
  )
}
