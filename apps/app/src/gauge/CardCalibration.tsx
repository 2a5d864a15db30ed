import { CARD_MM } from '@diarmos/core/units'
import { useState } from 'react'
import { View } from 'react-native'
import Svg, { Path, Rect } from 'react-native-svg'
import { Button } from '../ui/Button'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { calibrate, guess, useScale } from './scale'

const STEPS = [
  { label: '− −', hint: 'much narrower', by: -4 },
  { label: '−', hint: 'a hair narrower', by: -0.5 },
  { label: '+', hint: 'a hair wider', by: 0.5 },
  { label: '+ +', hint: 'much wider', by: 4 },
] as const

/** A card laid on the glass says how large a millimetre is on this screen. */
export function CardCalibration({ onDone }: { onDone?: () => void }) {
  const { ink, patina, raised } = usePalette()
  const known = useScale()
  const [width, setWidth] = useState((known ?? guess()) * CARD_MM.short)
  const height = (width * CARD_MM.long) / CARD_MM.short
  // a whole card need not fit: its width is what counts
  const shown = Math.min(height, 330)
  const whole = shown === height
  return (
    <View testID="calibration">
      <Txt className="pb-2">
        Lay a bank or library card upright on the glass, and make the outline exactly as wide as the card.
      </Txt>
      <View className="items-center">
        <Svg width={width + 4} height={shown + 4} role="img" aria-label="Outline of the card">
          <Rect x={2} y={2} width={width} height={shown} fill={raised} />
          <Path
            d={`M2 ${shown + 2}V14q0 -12 12 -12H${width - 10}q12 0 12 12V${shown + 2}${whole ? 'Z' : ''}`}
            stroke={ink}
            strokeWidth={1}
            fill="none"
          />
          <Path d={`M2 60H${width + 2}`} stroke={patina} strokeWidth={1} strokeDasharray="6 4" />
        </Svg>
      </View>
      <View className="mt-2 flex-row gap-2">
        {STEPS.map(({ label, hint, by }) => (
          <View key={label} className="flex-1">
            <Button label={label} hint={hint} onPress={() => setWidth((held) => held + by)} />
          </View>
        ))}
      </View>
      <View className="mt-2">
        <Button
          kind="primary"
          label="It is as wide as the card"
          onPress={() => {
            calibrate(width)
            onDone?.()
          }}
        />
      </View>
      <Txt size="s" tone="soft" className="mt-1">
        Kept on this device; zooming the page asks for it again. Card: ISO/IEC 7810, 53.98 by 85.60 mm.
      </Txt>
    </View>
  )
}
