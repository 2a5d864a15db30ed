import Svg, { Circle, G, Path, Rect } from 'react-native-svg'
import { usePalette } from '../ui/palette'
import { SIZE } from '../ui/signs'

/** Teeth along an edge from x0 to x1, their crests at y and their roots a little inside; the edge may fall. */
function teeth(x0: number, x1: number, y: number, fall: number, pitch: number, inward: number): string {
  const points: string[] = []
  const count = Math.max(3, Math.round((x1 - x0) / pitch))
  for (let tooth = 0; tooth <= count * 2; tooth++) {
    const x = x0 + ((x1 - x0) * tooth) / (count * 2)
    const edge = y + (fall * (x - x0)) / (x1 - x0)
    points.push(`${x.toFixed(1)} ${(tooth % 2 ? edge : edge + inward).toFixed(1)}`)
  }
  return `M${points.join('L')}`
}

/** A thread by its real proportions: teeth as coarse as they are, tapering where they do, a nut where it is one. */
export function ThreadSign({
  pitchMm,
  taper,
  gender,
  form,
}: {
  pitchMm: number
  taper: boolean
  gender: 'male' | 'female'
  form: 60 | 55
}) {
  const { ink, raised } = usePalette()
  const pitch = Math.max(2, pitchMm * 2.4)
  const fall = taper ? 3 : 0
  const rounded = form === 55 ? 'round' : 'miter'
  if (gender === 'female')
    return (
      <Svg {...SIZE}>
        <Path d="M8 2h44l4 4v22l-4 4H8l-4-4V6z" fill={raised} stroke={ink} strokeWidth={1.4} />
        <Path
          d={teeth(8, 54, 10, fall, pitch, -2.4)}
          stroke={ink}
          strokeWidth={1.3}
          fill="none"
          strokeLinejoin={rounded}
        />
        <Path
          d={teeth(8, 54, 24, -fall, pitch, 2.4)}
          stroke={ink}
          strokeWidth={1.3}
          fill="none"
          strokeLinejoin={rounded}
        />
      </Svg>
    )
  return (
    <Svg {...SIZE}>
      <Rect x={2} y={4} width={12} height={26} fill={raised} stroke={ink} strokeWidth={1.4} />
      <Path
        d={teeth(14, 60, 6, fall, pitch, 2.4)}
        stroke={ink}
        strokeWidth={1.3}
        fill="none"
        strokeLinejoin={rounded}
      />
      <Path
        d={teeth(14, 60, 28, -fall, pitch, -2.4)}
        stroke={ink}
        strokeWidth={1.3}
        fill="none"
        strokeLinejoin={rounded}
      />
      <Path d={`M60 ${8 + fall}V${26 - fall}`} stroke={ink} strokeWidth={1.3} />
    </Svg>
  )
}

/** What is asked about a thread, and what may be answered. */
export function ThreadLookSign({ kind }: { kind: string }) {
  const { ink, raised, soft } = usePalette()
  const line = { stroke: ink, strokeWidth: 1.6, fill: 'none' }
  switch (kind) {
    case 'male':
    case 'thread-count':
      return <ThreadSign pitchMm={1.8} taper={false} gender="male" form={60} />
    case 'female':
      return <ThreadSign pitchMm={1.8} taper={false} gender="female" form={60} />
    case 'thread-taper':
    case 'none':
      return <ThreadSign pitchMm={1.8} taper gender="male" form={60} />
    case 'flat-washer':
      return (
        <Svg {...SIZE}>
          <Path d="M10 4h14v26H10zM40 4h14v26H40z" fill={raised} stroke={ink} strokeWidth={1.4} />
          <Rect x={24} y={6} width={6} height={22} fill={soft} />
        </Svg>
      )
    case 'cone':
      return (
        <Svg {...SIZE}>
          <Path d="M6 6h22l10 6v10l-10 6H6z" fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M58 3H42l-6 8v12l6 8h16" {...line} />
        </Svg>
      )
    case 'o-ring':
      return (
        <Svg {...SIZE}>
          <Rect x={6} y={8} width={50} height={18} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Circle cx={40} cy={8} r={3.4} fill={soft} />
          <Circle cx={40} cy={26} r={3.4} fill={soft} />
        </Svg>
      )
    case 'thread-leaf':
    case 'fits':
    case 'rocks':
      return (
        <Svg {...SIZE}>
          <Path d={teeth(8, 56, kind === 'rocks' ? 14 : 18, kind === 'rocks' ? 4 : 0, 6, -4)} {...line} />
          <Path d={`${teeth(8, 56, 20, 0, 6, -4)}V32H8z`} stroke={ink} strokeWidth={1.4} fill={raised} />
        </Svg>
      )
    case 'thread-across':
      return (
        <Svg {...SIZE}>
          <Path d="M4 4h54v6H20v18h-4l-3 -5V10H4zM44 10v13l-3 5h-4V10" {...line} />
          <Path d={teeth(21, 36, 15, 0, 4, 1.6)} {...line} />
          <Path d={teeth(21, 36, 26, 0, 4, -1.6)} {...line} />
        </Svg>
      )
    case 'faucet-tail':
      return (
        <Svg {...SIZE}>
          <Path d="M4 10h56M26 10V6q0 -4 5 -4h13" {...line} />
          <Path d="M26 10v22M38 10v22M26 16l12 -2M26 21l12 -2M26 26l12 -2M26 31l12 -2" {...line} />
        </Svg>
      )
    case 'hose':
      return (
        <Svg {...SIZE}>
          <Rect x={6} y={8} width={14} height={18} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M20 13h10q10 0 14 6t14 6M20 21h8q8 0 12 5t16 6" {...line} />
        </Svg>
      )
    case 'tube-nut':
      return (
        <Svg {...SIZE}>
          <Path d="M22 7h16l4 4v12l-4 4H22l-4-4V11z" fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M3 14h15M3 20h15M42 14h18M42 20h18" {...line} />
        </Svg>
      )
    case 'drain-nut':
      return (
        <Svg {...SIZE}>
          <Path d="M22 2v8M34 2v8" {...line} />
          <Rect x={18} y={10} width={20} height={8} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M22 18v4a7 7 0 0 0 14 0q0 -4 6 -4h18M28 18v3" {...line} />
        </Svg>
      )
    case 'faucet-tip':
      return (
        <Svg {...SIZE}>
          <Path d="M6 30V18Q6 4 20 4h16q12 0 12 12v4M14 30V18q0 -6 6 -6h14q6 0 6 6v2" {...line} />
          <Rect x={38} y={21} width={12} height={7} fill={raised} stroke={ink} strokeWidth={1.4} />
        </Svg>
      )
    case 'shower-arm':
      return (
        <Svg {...SIZE}>
          <Path d="M6 2v14M6 6h20l16 12M6 12h18l14 11" {...line} />
          <Path d="M36 28l12 -13 8 7 -12 13z" fill={raised} stroke={ink} strokeWidth={1.4} />
        </Svg>
      )
    case 'tub-spout':
      return (
        <Svg {...SIZE}>
          <Path d="M6 2v30M6 8h36q14 0 14 16v6H42v-6q0 -4 -5 -4H6" {...line} />
        </Svg>
      )
    case 'union':
      return (
        <Svg {...SIZE}>
          <Path d="M3 12h12v10H3M61 12H49v10h12" {...line} />
          <Rect x={15} y={7} width={12} height={20} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M27 4h14l5 5v16l-5 5H27z" fill={raised} stroke={ink} strokeWidth={1.4} />
        </Svg>
      )
    case 'toilet-valve':
      return (
        <Svg {...SIZE}>
          <Path d="M4 14h56M26 2v26M38 2v26M26 19l12 -2M26 24l12 -2M26 28l12 -2" {...line} />
          <Rect x={18} y={10} width={28} height={4} fill={soft} />
        </Svg>
      )
    case 'stop-outlet':
      return (
        <Svg {...SIZE}>
          <Path d="M4 20h18M4 28h18" {...line} />
          <Circle cx={30} cy={24} r={9} fill={raised} stroke={ink} strokeWidth={1.6} />
          <Path d="M25 16V3h10v13M25 6l10 -1M25 9l10 -1M25 12l10 -1M39 24h10M49 18v12" {...line} />
        </Svg>
      )
    case 'tub-drain':
      return (
        <Svg {...SIZE}>
          <Path d="M3 8h18M43 8h18" stroke={soft} strokeWidth={4} />
          <Path d="M14 4h36l-6 5H20z" fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M22 9v16M42 9v16M22 14l20 -2M22 18l20 -2M22 22l20 -2M32 25v7" {...line} />
        </Svg>
      )
    case 'pipe-end':
      return (
        <Svg {...SIZE}>
          <G fill={raised} stroke={ink} strokeWidth={1.4}>
            <Rect x={3} y={9} width={34} height={16} />
            <Path d="M37 10l3 -2 3 2 3 -2 3 2 3 -2 3 2v14l-3 2 -3 -2 -3 2 -3 -2 -3 2 -3 -2z" />
          </G>
        </Svg>
      )
    default:
      return (
        <Svg {...SIZE}>
          <Circle cx={32} cy={17} r={12} stroke={soft} strokeWidth={1.6} strokeDasharray="4 3" fill="none" />
        </Svg>
      )
  }
}
