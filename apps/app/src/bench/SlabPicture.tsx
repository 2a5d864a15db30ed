import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import { formatLength } from '@diarmos/core/units'
import Svg, { Path, Rect, Text as SvgText } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { usePalette } from '../ui/palette'

interface Props {
  ask: OperationRequest<'slab'>
  fit: Extract<OperationResponse<'slab'>['fit'], { ok: true }>
}

const PIPE_PX = 12
/** The old pipe's cut, the drain's middle, and the top of the slab on the sheet. */
const [CUT_X, DRAIN_X, TOP_Y] = [94, 266, 52]

/** The floor cut through along the new arm: what is opened, dug out and laid; heights to one scale, the way along shortened to fit. */
export function SlabPicture({ ask, fit }: Props) {
  const { ink, patina, raised, rule, sheet, soft } = usePalette()
  const unit = usePreferences((state) => state.unit)
  const write = (mm: number) => formatLength(mm, { unit })
  const [old, under] = fit.digMm
  const scale = 118 / Math.max(old, under, ask.slabMm * 1.5)
  const y = (mm: number) => TOP_Y + mm * scale
  const riserTop = y(-(ask.aboveMm ?? 90))
  const [left, right] = [CUT_X - 34, DRAIN_X + 40]
  // the trap hangs from its outlet, as wide as it is deep
  const half = Math.min(24, (under - fit.trapMm) * scale * 0.5)
  const low = y(fit.trapMm) + (under - fit.trapMm) * scale * 0.5
  const outlet = DRAIN_X - 2 * half
  const arm = `M${CUT_X} ${y(ask.deepMm)}L${outlet - 8} ${y(fit.trapMm)}`
  const trap = `M${outlet - 9} ${y(fit.trapMm)}H${outlet - 2}Q${outlet} ${y(fit.trapMm)} ${outlet} ${y(fit.trapMm) + 8}V${low - half}A${half} ${half} 0 0 0 ${DRAIN_X} ${low - half}V${riserTop}`
  const pipe = (d: string, inside: string) => (
    <>
      <Path d={d} stroke={ink} strokeWidth={PIPE_PX} fill="none" />
      <Path d={d} stroke={inside} strokeWidth={PIPE_PX - 3.2} fill="none" />
    </>
  )
  const bottom = `M${left} ${y(ask.slabMm)}V${y(old)}L${outlet - 22} ${y(old)}L${outlet - 14} ${y(under)}H${right}V${y(ask.slabMm)}`
  const label = `The floor cut through: ${write(old)} deep at the old pipe, ${write(under)} under the trap`
  return (
    <Svg width="100%" height={206} viewBox="0 0 360 206" role="img" aria-label={label}>
      <Rect x={6} y={y(ask.slabMm)} width={348} height={190 - y(ask.slabMm)} fill={raised} />
      <Path d={`${bottom}Z`} fill={sheet} stroke={soft} strokeWidth={1.4} strokeDasharray="5 4" />
      {[
        [6, left],
        [right, 354],
      ].map(([from = 0, to = 0]) => (
        <Rect
          key={from}
          x={from}
          y={TOP_Y}
          width={to - from}
          height={ask.slabMm * scale}
          fill={rule}
          stroke={ink}
          strokeWidth={1.6}
        />
      ))}
      {pipe(`M6 ${y(ask.deepMm) + 3}L${CUT_X} ${y(ask.deepMm)}`, rule)}
      {pipe(arm, sheet)}
      {pipe(trap, sheet)}
      <Path
        d={`M${DRAIN_X} ${TOP_Y - 44}V${low}`}
        stroke={patina}
        strokeWidth={1.2}
        strokeDasharray="8 3 2 3"
      />
      {/* depths from the top of the slab */}
      <Path
        d={`M${CUT_X - 18} ${TOP_Y}V${y(old)}m-5 0h10M${CUT_X - 23} ${TOP_Y}h10M${right - 12} ${TOP_Y}V${y(under)}m-5 0h10M${right - 17} ${TOP_Y}h10`}
        stroke={patina}
        strokeWidth={1.4}
        fill="none"
      />
      <SvgText x={CUT_X - 10} y={y(old) + 16} fill={ink} fontSize={15} fontWeight="bold" textAnchor="middle">
        {write(old)}
      </SvgText>
      <SvgText
        x={right - 14}
        y={y(under) + 16}
        fill={ink}
        fontSize={15}
        fontWeight="bold"
        textAnchor="middle"
      >
        {write(under)}
      </SvgText>
      <SvgText x={8} y={y(ask.deepMm) - 10} fill={soft} fontSize={14}>
        old pipe
      </SvgText>
      <SvgText x={DRAIN_X - 14} y={TOP_Y - 22} fill={soft} fontSize={14} textAnchor="end">
        riser
      </SvgText>
    </Svg>
  )
}
