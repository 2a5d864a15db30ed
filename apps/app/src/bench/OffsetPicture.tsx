import { formatLength } from '@diarmos/core/units'
import Svg, { Path, Text as SvgText } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { usePalette } from '../ui/palette'

interface Props {
  angleDegrees: number
  setMm: number
  runMm: number
  travelMm: number
}

/** Two lines and the travel between them, at its true angle; set, run and travel written where they lie. */
export function OffsetPicture({ angleDegrees, setMm, runMm, travelMm }: Props) {
  const { ink, patina, soft, sheet } = usePalette()
  const unit = usePreferences((state) => state.unit)
  // as large as fits between the lines: the shape is true, the size is the sheet's
  const [wide, high] = [170, 84]
  const scale = Math.min(wide / Math.max(runMm, 1), high / setMm)
  const [dx, dy] = [runMm * scale, setMm * scale]
  const [x1, y1] = [(360 - dx) / 2, 116]
  const [x2, y2] = [x1 + dx, y1 - dy]
  const write = (mm: number) => formatLength(mm, { unit })
  const label = `Offset with bends of ${angleDegrees} degrees: set ${write(setMm)}, run ${write(runMm)}, travel ${write(travelMm)}`
  const pipe = `M12 ${y1}H${x1}L${x2} ${y2}H348`
  return (
    <Svg width="100%" height={170} viewBox="0 0 360 170" role="img" aria-label={label}>
      <Path d={pipe} stroke={ink} strokeWidth={15} strokeLinejoin="miter" fill="none" />
      <Path d={pipe} stroke={sheet} strokeWidth={11} strokeLinejoin="miter" fill="none" />
      <Path d={pipe} stroke={soft} strokeWidth={0.8} strokeDasharray="9 3 2 3" fill="none" />
      <Path
        d={`M${x1} ${y1 + 12}V${y1 + 26}M${x2} ${y2 + 12}V${y1 + 26}M${x1} ${y1 + 22}H${x2}M${x2 + 10} ${y1}H${x2 + 34}M${x2 + 28} ${y2 + 9}V${y1}`}
        stroke={patina}
        strokeWidth={1.2}
        fill="none"
      />
      <SvgText
        x={(x1 + x2) / 2}
        y={y1 + 42}
        fill={patina}
        fontSize={15}
        fontWeight="bold"
        textAnchor="middle"
      >
        {`run ${write(runMm)}`}
      </SvgText>
      <SvgText x={x2 + 36} y={(y1 + y2) / 2 + 9} fill={patina} fontSize={15} fontWeight="bold">
        {`set ${write(setMm)}`}
      </SvgText>
      <SvgText
        x={(x1 + x2) / 2 - 16}
        y={(y1 + y2) / 2 - 10}
        fill={ink}
        fontSize={16}
        fontWeight="bold"
        textAnchor="end"
      >
        {`travel ${write(travelMm)}`}
      </SvgText>
    </Svg>
  )
}
