import type { OperationResponse } from '@diarmos/contract'
import Svg, { Path } from 'react-native-svg'
import { usePalette } from '../ui/palette'

type Pair = OperationResponse<'bend-pairs'>[number]
type Point = readonly [number, number, number]

const COS = Math.cos(Math.PI / 6)
const WIDE = 360
const HIGH = 170

/** Both lines, the bends and the piece between them, seen from a corner, to one scale in all three directions. */
export function PairPicture({ pair, end }: { pair: Pair; end: Point }) {
  const { ink, patina, rule, sheet, soft } = usePalette()
  const [one, other] = pair.at
  const tail = Math.max(60, pair.travelMm * 0.35)
  const beyond = Math.max(0, pair.behindMm) + tail
  const points: Point[] = [
    [Math.min(0, one[0]) - tail, 0, 0],
    one,
    other,
    [
      other[0] + pair.toAxis[0] * beyond,
      other[1] + pair.toAxis[1] * beyond,
      other[2] + pair.toAxis[2] * beyond,
    ],
  ]
  const flat = (p: Point) => [p[0] * COS + p[1] * COS, (p[0] - p[1]) * 0.5 * 0.6 - p[2]] as const
  const shown = [...points, end, [end[0], end[1], 0] as Point, [end[0], 0, 0] as Point].map(flat)
  const xs = shown.map(([x]) => x)
  const ys = shown.map(([, y]) => y)
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  const scale = Math.min(
    (WIDE - 40) / (Math.max(...xs) - left || 1),
    (HIGH - 40) / (Math.max(...ys) - top || 1),
  )
  const [dx, dy] = [
    (WIDE - (Math.max(...xs) - left) * scale) / 2,
    (HIGH - (Math.max(...ys) - top) * scale) / 2,
  ]
  const at = (p: Point) => {
    const [x, y] = flat(p)
    return `${(dx + (x - left) * scale).toFixed(1)} ${(dy + (y - top) * scale).toFixed(1)}`
  }
  const pipe = `M${points.map(at).join('L')}`
  const travel = `M${at(one)}L${at(other)}`
  return (
    <Svg
      width="100%"
      height={HIGH}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      role="img"
      aria-label={`Two lines joined by bends of ${pair.first} and ${pair.second} degrees, seen from a corner`}
    >
      {/* the box that was measured: along, sideways, up */}
      <Path
        d={`M${at([0, 0, 0])}L${at([end[0], 0, 0])}L${at([end[0], end[1], 0])}L${at(end)}`}
        stroke={rule}
        strokeWidth={1.6}
        strokeDasharray="5 4"
        fill="none"
      />
      <Path d={pipe} stroke={ink} strokeWidth={14} strokeLinejoin="round" fill="none" />
      <Path d={pipe} stroke={sheet} strokeWidth={10} strokeLinejoin="round" fill="none" />
      <Path d={pipe} stroke={soft} strokeWidth={0.8} strokeDasharray="9 3 2 3" fill="none" />
      <Path d={travel} stroke={patina} strokeWidth={4} fill="none" />
    </Svg>
  )
}
