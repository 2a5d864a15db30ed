import { useRef, useState } from 'react'
import { type GestureResponderEvent, type LayoutChangeEvent, View } from 'react-native'
import Svg, { Path } from 'react-native-svg'
import { usePalette } from '../ui/palette'

/** The box that strokes are kept in. */
const BOX = { width: 320, height: 120 } as const

interface Props {
  /** The path so far, in that box. */
  readonly strokes: string
  readonly onStrokes: (strokes: string) => void
}

/** Room to write a name with a finger: strokes as one path. */
export function SignaturePad({ strokes, onStrokes }: Props) {
  const palette = usePalette()
  const wide = useRef<number>(BOX.width)
  const [drawing, setDrawing] = useState(false)
  const at = ({ nativeEvent: { locationX, locationY } }: GestureResponderEvent) => {
    const scale = BOX.width / wide.current
    const inside = (value: number, most: number) => Math.min(most, Math.max(0, value * scale)).toFixed(1)
    return `${inside(locationX, BOX.width)} ${inside(locationY, BOX.height)}`
  }
  return (
    <View
      role="img"
      aria-label={strokes ? 'Signature, written' : 'Sign here with a finger'}
      className={`w-full border-[1.5px] bg-raised ${drawing ? 'border-patina' : 'border-soft'}`}
      style={{ aspectRatio: BOX.width / BOX.height, touchAction: 'none' } as object}
      onLayout={({ nativeEvent }: LayoutChangeEvent) => {
        wide.current = nativeEvent.layout.width || BOX.width
      }}
      onStartShouldSetResponder={() => true}
      onMoveShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={(event) => {
        setDrawing(true)
        onStrokes(`${strokes}M${at(event)}`)
      }}
      onResponderMove={(event) => onStrokes(`${strokes}L${at(event)}`)}
      onResponderRelease={() => setDrawing(false)}
    >
      <Svg viewBox={`0 0 ${BOX.width} ${BOX.height}`} width="100%" height="100%" pointerEvents="none">
        <Path d={`M12 96L${BOX.width - 12} 96`} stroke={palette.rule} strokeWidth={1} />
        <Path
          d={strokes || 'M0 0'}
          stroke={palette.ink}
          strokeWidth={2.5}
          strokeLinecap="round"
          strokeLinejoin="round"
          fill="none"
        />
      </Svg>
    </View>
  )
}
