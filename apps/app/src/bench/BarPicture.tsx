import { formatLength } from '@diarmos/core/units'
import { useState } from 'react'
import { View } from 'react-native'
import Svg, { G, Path, Rect, Text as SvgText } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { usePalette } from '../ui/palette'

interface BarProps {
  stockMm: number
  pieces: readonly { name: string; mm: number }[]
  restMm: number
}

/** A length of stock with its pieces in the order of cutting, to scale; what is left is hatched. */
export function BarPicture({ stockMm, pieces, restMm }: BarProps) {
  const { ink, raised, rule, soft } = usePalette()
  const unit = usePreferences((state) => state.unit)
  const [width, setWidth] = useState(360)
  const scale = (width - 4) / stockMm
  let at = 2
  const label = `${formatLength(stockMm, { unit })} of stock: ${pieces.map(({ name }) => name).join(', ')}, left ${formatLength(restMm, { unit })}`
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      <Svg width={width} height={44} role="img" aria-label={label}>
        <Rect
          x={2}
          y={8}
          width={width - 4}
          height={28}
          fill={rule}
          stroke={soft}
          strokeWidth={1}
          strokeDasharray="4 3"
        />
        {pieces.map(({ name, mm }) => {
          const x = at
          const long = mm * scale
          at += long
          return (
            <G key={name}>
              <Rect x={x} y={8} width={long} height={28} fill={raised} stroke={ink} strokeWidth={1.6} />
              <Path d={`M${x} 22h${long}`} stroke={soft} strokeWidth={0.7} strokeDasharray="8 3 2 3" />
              {long > 14 ? (
                <SvgText
                  x={x + long / 2}
                  y={28}
                  fill={ink}
                  fontSize={16}
                  fontWeight="bold"
                  textAnchor="middle"
                >
                  {name}
                </SvgText>
              ) : null}
            </G>
          )
        })}
      </Svg>
    </View>
  )
}
