import Svg, { Circle, Path } from 'react-native-svg'
import { usePalette } from './palette'

/** The sign of the product: two ends and the seam between them. */
export function Mark({ size = 32 }: { size?: number }) {
  const { ink, patina } = usePalette()
  return (
    <Svg width={size} height={size} viewBox="0 0 64 64" aria-hidden>
      <Path d="M4 24h26M4 40h26M60 18H34v28h26" fill="none" stroke={ink} strokeWidth={4} />
      <Path d="M30 24v16" stroke={ink} strokeWidth={4} />
      <Circle cx={34} cy={32} r={5} fill={patina} />
    </Svg>
  )
}
