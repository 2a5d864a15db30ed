import { View } from 'react-native'
import Svg, { Path, Rect } from 'react-native-svg'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'

interface Props {
  readonly load: number
  readonly most: number | null
  readonly takes: boolean
  /** What is counted: fixture units, or litres a second. */
  readonly of: string
}

/** A pipe from the side, as full as its table lets it be: the water stands to the share that is used. */
export function LoadPicture({ load, most, takes, of }: Props) {
  const { ink, raised, cold, oxide } = usePalette()
  const share = most ? Math.min(1, load / most) : 0
  return (
    <View className="py-2">
      <Svg
        width="100%"
        height={56}
        viewBox="0 0 360 56"
        preserveAspectRatio="none"
        role="img"
        aria-label={`${load} of ${most ?? 'no'} ${of}`}
      >
        <Rect x={8} y={8} width={344} height={40} fill={raised} />
        <Rect
          x={8}
          y={48 - 40 * share}
          width={344}
          height={40 * share}
          fill={takes ? cold : oxide}
          opacity={0.45}
        />
        <Path d="M8 6H352M8 50H352" stroke={ink} strokeWidth={4} />
      </Svg>
      <View className="flex-row items-baseline justify-center gap-2">
        <Txt bold size="xl">
          {load}
        </Txt>
        <Txt>{most === null ? of : `of ${most} ${of}`}</Txt>
      </View>
    </View>
  )
}
