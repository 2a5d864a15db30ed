import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import { formatLength } from '@diarmos/core/units'
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { usePalette } from '../ui/palette'

interface Props {
  ask: OperationRequest<'tub-waste'>
  waste: OperationResponse<'tub-waste'>['waste']
}

const PIPE_PX = 13

/** The end of a tub from its side: drain and overflow as they were measured, shoe, tee and elbow between them, to one scale. */
export function TubPicture({ ask, waste }: Props) {
  const { ink, patina, raised, sheet, soft } = usePalette()
  const unit = usePreferences((state) => state.unit)
  const { outMm, highMm } = ask
  const down = waste.shoeDownMm
  const scale = Math.min(170 / (outMm + 90), 136 / (highMm + down + 90))
  // the middle of the pipe behind the overflow, and the underside of the tub
  const [backX, underY] = [300, 24 + (highMm + 26) * scale]
  const drainX = backX - outMm * scale
  const overY = underY - highMm * scale
  const shoeY = underY + Math.max(down * scale, 12)
  const face = backX - 20
  const pipe = (d: string) => (
    <>
      <Path d={d} stroke={ink} strokeWidth={PIPE_PX} strokeLinejoin="round" fill="none" />
      <Path d={d} stroke={sheet} strokeWidth={PIPE_PX - 3.4} strokeLinejoin="round" fill="none" />
    </>
  )
  const write = (mm: number) => formatLength(mm, { unit })
  const label = `A tub from its side: overflow ${write(highMm)} over its underside, ${write(outMm)} behind the drain`
  return (
    <Svg width="100%" height={206} viewBox="0 0 360 206" role="img" aria-label={label}>
      {pipe(`M${drainX} ${underY - 2}V${shoeY}H${backX}V200`)}
      {pipe(`M${backX} ${shoeY}V${overY}H${face - 3}`)}
      {/* the tub: its floor, its end, its rim */}
      <Path
        d={`M30 ${underY - 4}H${face - 22}Q${face - 6} ${underY - 4} ${face - 5} ${underY - 22}L${face} ${overY - 20}Q${face} ${overY - 28} ${face + 10} ${overY - 28}H${face + 44}`}
        stroke={ink}
        strokeWidth={7}
        fill="none"
      />
      <Path
        d={`M30 ${underY - 4}H${face - 22}Q${face - 6} ${underY - 4} ${face - 5} ${underY - 22}L${face} ${overY - 20}Q${face} ${overY - 28} ${face + 10} ${overY - 28}H${face + 44}`}
        stroke={raised}
        strokeWidth={4}
        fill="none"
      />
      <Path d={`M${drainX - 13} ${underY - 9}h26`} stroke={patina} strokeWidth={4} />
      <Circle cx={face - 6} cy={overY} r={5} stroke={patina} strokeWidth={2.4} fill={sheet} />
      <Path
        d={`M${drainX} ${underY - 20}V${shoeY + 8}M${backX} ${overY - 10}V202`}
        stroke={soft}
        strokeWidth={0.9}
        strokeDasharray="8 3 2 3"
      />
      <Path
        d={`M${drainX} ${shoeY + 22}H${backX}m0 -5v10M${drainX} ${shoeY + 17}v10M${backX + 26} ${overY}V${underY}m-5 0h10M${backX + 21} ${overY}h10`}
        stroke={patina}
        strokeWidth={1.4}
        fill="none"
      />
      <SvgText
        x={(drainX + backX) / 2 - 6}
        y={shoeY + 40}
        fill={ink}
        fontSize={15}
        fontWeight="bold"
        textAnchor="middle"
      >
        {write(outMm)}
      </SvgText>
      <SvgText x={354} y={overY - 8} fill={ink} fontSize={15} fontWeight="bold" textAnchor="end">
        {write(highMm)}
      </SvgText>
    </Svg>
  )
}
