import { View } from 'react-native'
import { endKind, type JobView, type LineView } from '../data/select'
import { setConditions } from '../job/actions'
import { LengthRow } from '../ui/LengthRow'
import { MeasureRow } from '../ui/MeasureRow'
import { NOTHING } from './TubCut'

/** Where the drain of a shower comes up: in the middle of the width that was measured, whatever the drawing says. */
export function PanMiddle({ view, line }: { view: JobView; line: LineView }) {
  if (!endKind(line)?.startsWith('waste.shower')) return null
  const tub = line.situation?.fields.tub ?? NOTHING
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
      {widthMm === null ? null : <LengthRow label="Drain’s middle from either wall" mm={widthMm / 2} />}
    </View>
  )
}
