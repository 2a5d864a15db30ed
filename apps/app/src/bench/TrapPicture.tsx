import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg'
import { usePalette } from '../ui/palette'

type Answer = OperationResponse<'trap'>
interface Props {
  trap: Answer['trap']
  ask: OperationRequest<'trap'>
  fit: Extract<Answer['fit'], { ok: true }> | null
  /** Its tube goes into a tee on a riser, not into a wall. */
  riser?: boolean
}

const TUBE_PX = 13

/** The trap seen from above, its bend swung, and from the side, both to one scale. */
export function TrapPicture({ trap, ask, fit, riser = false }: Props) {
  const { ink, patina, rule, sheet, soft } = usePalette()
  const { swingMm, inletAboveMm } = trap
  const { outMm, drainMm, stubMm, stubOutMm } = ask
  const aside = Math.abs(ask.asideMm)
  const tall = Math.max(80, drainMm - stubMm + 90)
  const deep = Math.max(outMm + swingMm * 0.4, fit?.legOutMm ?? 0) + 40
  const scale = Math.min(160 / deep, 120 / tall, 130 / (aside + swingMm + 30))
  const leg = fit?.legOutMm ?? outMm - swingMm
  // from the side: the wall at the left, heights upward from the stub
  const side = (out: number, up: number) => `${18 + out * scale} ${128 - up * scale}`
  const arm = stubMm
  const bottom = -swingMm * 0.45
  const bend = `M${side(outMm, drainMm - arm)}L${side(outMm, bottom + 20)}Q${side(outMm, bottom)} ${side((outMm + leg) / 2, bottom)}Q${side(leg, bottom)} ${side(leg, bottom + 20)}L${side(leg, -6)}Q${side(leg, 8)} ${side(leg - 14, 8)}L${side(stubOutMm - 12, 2)}`
  // from above: the wall at the left, the stub's line level
  const x0 = 206
  const y0 = 34
  const above = (out: number, down: number) => [x0 + out * scale, y0 + down * scale] as const
  const [tx, ty] = above(outMm, aside)
  const [lx, ly] = above(leg, 0)
  const [sx, sy] = above(stubOutMm - 12, 0)
  const plan = `M${tx} ${ty}L${lx} ${ly}L${sx} ${sy}`
  const tube = (d: string) => (
    <>
      <Path d={d} stroke={ink} strokeWidth={TUBE_PX} strokeLinejoin="round" fill="none" />
      <Path d={d} stroke={sheet} strokeWidth={TUBE_PX - 3.4} strokeLinejoin="round" fill="none" />
    </>
  )
  const label = fit
    ? `The trap from the side and from above: swung ${Math.round(fit.swingDegrees)} degrees`
    : 'The trap from the side and from above: it does not reach'
  return (
    <Svg width="100%" height={176} viewBox="0 0 372 176" role="img" aria-label={label}>
      {riser ? (
        <>
          {tube('M18 8v150')}
          <Circle cx={206} cy={y0} r={TUBE_PX * 0.6} stroke={ink} strokeWidth={1.7} fill={sheet} />
        </>
      ) : (
        <>
          <Path d="M18 8v150M206 8v150" stroke={ink} strokeWidth={3} />
          <Path
            d={Array.from(
              { length: 10 },
              (_, index) => `M18 ${20 + index * 14}l-8 8M206 ${20 + index * 14}l-8 8`,
            ).join('')}
            stroke={soft}
            strokeWidth={1}
          />
        </>
      )}
      {fit ? tube(bend) : null}
      {/* the drain, which everything hangs from */}
      <Path
        d={`M${side(outMm - 22, drainMm - arm)}L${side(outMm + 22, drainMm - arm)}`}
        stroke={patina}
        strokeWidth={3}
      />
      <Path
        d={`M${side(outMm, drainMm - arm + 18)}L${side(outMm, fit ? inletAboveMm : 0)}M${side(0, 0)}L${side(stubOutMm + 16, 0)}`}
        stroke={patina}
        strokeWidth={1.2}
        strokeDasharray="8 3 2 3"
      />
      <Circle
        cx={tx}
        cy={ty}
        r={swingMm * scale}
        stroke={rule}
        strokeWidth={1.6}
        strokeDasharray="5 4"
        fill="none"
      />
      <Path d={`M${x0} ${y0}H366`} stroke={patina} strokeWidth={1} strokeDasharray="8 3 2 3" />
      {fit ? tube(plan) : null}
      <Circle cx={tx} cy={ty} r={TUBE_PX * 0.72} stroke={patina} strokeWidth={2.4} fill={sheet} />
      <SvgText x={110} y={172} fill={soft} fontSize={14} textAnchor="middle">
        from the side
      </SvgText>
      <SvgText x={290} y={172} fill={soft} fontSize={14} textAnchor="middle">
        from above
      </SvgText>
    </Svg>
  )
}
