import { useState } from 'react'
import { View } from 'react-native'
import Svg, { Path, Text as SvgText } from 'react-native-svg'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'

const HIGH = 118

/** Ticks of a scale: how long each is, px, by how many of the finest steps it stands from nothing. */
function ticks(
  count: number,
  stepPx: number,
  long: (index: number) => number,
  from: number,
  way: 1 | -1,
): string {
  return Array.from(
    { length: count + 1 },
    (_, index) => `M${(1 + index * stepPx).toFixed(2)} ${from}v${way * long(index)}`,
  ).join('')
}

const SIXTEENTH = (index: number) =>
  index % 16 === 0 ? 40 : index % 8 === 0 ? 30 : index % 4 === 0 ? 22 : index % 2 === 0 ? 15 : 9
const MILLIMETRE = (index: number) => (index % 10 === 0 ? 34 : index % 5 === 0 ? 24 : 13)

/** A rule in true size along the edge of the screen: sixteenths above, millimetres below. */
export function TrueRule({ pxPerMm }: { pxPerMm: number }) {
  const { ink } = usePalette()
  const [width, setWidth] = useState(0)
  const inch = 25.4 * pxPerMm
  const inches = Math.floor(((width - 2) / inch) * 16)
  const mms = Math.floor((width - 2) / pxPerMm)
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} testID="rule">
      {width > 0 ? (
        <Svg width={width} height={HIGH} role="img" aria-label="A rule in true size">
          <Path
            d={ticks(inches, inch / 16, SIXTEENTH, 0, 1) + ticks(mms, pxPerMm, MILLIMETRE, HIGH, -1)}
            stroke={ink}
            strokeWidth={1}
          />
          {Array.from({ length: Math.floor(inches / 16) }, (_, index) => (
            <SvgText
              // biome-ignore lint/suspicious/noArrayIndexKey: a number on the rule is its place
              key={index}
              x={1 + (index + 1) * inch - 4}
              y={54}
              fontSize={18}
              fontWeight="bold"
              textAnchor="end"
              fill={ink}
            >
              {index + 1}
            </SvgText>
          ))}
          {Array.from({ length: Math.floor(mms / 10) }, (_, index) => (
            <SvgText
              // biome-ignore lint/suspicious/noArrayIndexKey: a number on the rule is its place
              key={index}
              x={1 + (index + 1) * 10 * pxPerMm - 3}
              y={HIGH - 38}
              fontSize={14}
              textAnchor="end"
              fill={ink}
            >
              {(index + 1) * 10}
            </SvgText>
          ))}
        </Svg>
      ) : null}
      <Txt size="s" tone="soft">
        Sixteenths of an inch above, millimetres below. Look straight down: from aside it reads wrong.
      </Txt>
    </View>
  )
}
