import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg'
import { usePalette } from './palette'

/** A surface as it looks. Real colours of real things, so they are the same on both sheets. */
const SURFACES: Record<string, string> = {
  'copper-brown': '#a5613a',
  green: '#5f9a7c',
  'grey-metal': '#9aa3a6',
  black: '#26292b',
  'yellow-metal': '#c9a23f',
  chrome: '#dfe5e8',
  cream: '#eadfbf',
  white: '#ffffff',
  red: '#c1362b',
  blue: '#2c62b5',
  clear: '#e9f1f2',
  'grey-plastic': '#7b8389',
  painted: '#f3eee2',
  copper: '#c4744a',
  silver: '#c9ced1',
  yellow: '#d4b24e',
  shaving: '#f1efe6',
  'none-seen': '#ffffff',
}

const SIZE = { width: 64, height: 34, viewBox: '0 0 64 34' }

/** A length of pipe in that colour. */
export function SurfaceSign({ kind, print = false }: { kind: string; print?: boolean }) {
  const { ink } = usePalette()
  const fill = print ? '#b9744b' : (SURFACES[kind] ?? '#ffffff')
  return (
    <Svg {...SIZE}>
      <Rect x={3} y={8} width={58} height={18} fill={fill} stroke={ink} strokeWidth={1.4} />
      {print && kind !== 'none-seen' ? (
        <G>
          {[10, 22, 34, 46].map((x) => (
            <Rect key={x} x={x} y={15} width={8} height={4} fill={SURFACES[kind] ?? ink} />
          ))}
        </G>
      ) : null}
      {kind === 'painted' ? (
        <Path d="M3 14l8 -3 7 5 9 -4 8 4 9 -5 9 4 8 -3" stroke={ink} fill="none" strokeWidth={1} />
      ) : null}
      {kind === 'shaving' ? (
        <Path d="M14 8c2 -8 14 -8 12 -1 -1 5 -8 4 -6 -1" stroke={ink} fill="none" strokeWidth={1.4} />
      ) : null}
    </Svg>
  )
}

function JointShape({ kind, ink, fill }: { kind: string; ink: string; fill: string }) {
  const stroke = { stroke: ink, strokeWidth: 1.4, fill }
  switch (kind) {
    case 'sweat':
      return (
        <G>
          <Rect x={34} y={8} width={26} height={18} {...stroke} />
          <Path d="M34 8q-3 2 -5 3M34 26q-3 -2 -5 -3" stroke={ink} strokeWidth={2.4} fill="none" />
        </G>
      )
    case 'compression':
      return (
        <G>
          <Path d="M24 7h12l3 3v14l-3 3H24l-3 -3V10z" {...stroke} />
          <Line x1={21} y1={17} x2={39} y2={17} stroke={ink} strokeWidth={1} />
          <Rect x={39} y={9} width={21} height={16} {...stroke} />
        </G>
      )
    case 'push-fit':
      return (
        <G>
          <Rect x={22} y={9} width={5} height={16} {...stroke} />
          <Path d="M27 7h18l6 3h9v14h-9l-6 3H27z" {...stroke} />
        </G>
      )
    case 'threaded':
      return (
        <G>
          <Path d="M20 11l3 -2 3 2 3 -2 3 2v12l-3 2 -3 -2 -3 2 -3 -2z" {...stroke} />
          <Rect x={32} y={5} width={8} height={24} {...stroke} />
          <Rect x={40} y={8} width={20} height={18} {...stroke} />
        </G>
      )
    case 'crimp':
      return (
        <G>
          <Rect x={22} y={8} width={12} height={18} stroke={ink} strokeWidth={1.4} fill="#b9744b" />
          <Rect x={38} y={10} width={22} height={14} {...stroke} />
        </G>
      )
    case 'cinch':
      return (
        <G>
          <Rect x={22} y={9} width={10} height={16} stroke={ink} strokeWidth={1.4} fill="#cfd5d8" />
          <Path d="M24 9v-5h6v5" {...stroke} />
          <Rect x={38} y={10} width={22} height={14} {...stroke} />
        </G>
      )
    case 'expansion':
      return (
        <G>
          <Path d="M18 8h18v18H18z" stroke={ink} strokeWidth={1.4} fill="#ffffff" />
          <Path d="M18 8q-3 9 0 18" stroke={ink} fill="none" strokeWidth={1.4} />
          <Rect x={38} y={10} width={22} height={14} {...stroke} />
        </G>
      )
    case 'cement':
      return (
        <G>
          <Rect x={28} y={7} width={32} height={20} {...stroke} />
          <Path d="M28 7l-3 3v14l3 3" stroke="#cf7a22" strokeWidth={2.6} fill="none" />
        </G>
      )
    default:
      return <Path d="M42 11v12" stroke={ink} strokeWidth={2.4} />
  }
}

/** How a pipe is joined, as it looks from outside. */
export function JointSign({ kind }: { kind: string }) {
  const { ink, raised } = usePalette()
  const end = kind === 'none' ? 42 : 60
  return (
    <Svg {...SIZE}>
      <Rect x={3} y={11} width={end - 3} height={12} fill={raised} stroke={ink} strokeWidth={1.4} />
      <JointShape kind={kind} ink={ink} fill={raised} />
    </Svg>
  )
}

/** Everything else one looks for. */
export function LookSign({ kind }: { kind: string }) {
  const { ink, raised, soft } = usePalette()
  const line = { stroke: ink, strokeWidth: 1.6, fill: 'none' }
  switch (kind) {
    case 'holds':
      return (
        <Svg {...SIZE}>
          <Rect x={3} y={22} width={58} height={9} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M22 21v-8a10 10 0 0 1 20 0v8h-6v-8a4 4 0 0 0 -8 0v8z" {...line} />
        </Svg>
      )
    case 'falls':
      return (
        <Svg {...SIZE}>
          <Rect x={3} y={2} width={58} height={9} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M24 32v-6a8 8 0 0 1 16 0v6h-5v-6a3 3 0 0 0 -6 0v6z" {...line} />
          <Path d="M46 14v8m-3 -3l3 4 3 -4" {...line} />
        </Svg>
      )
    case 'rigid':
      return (
        <Svg {...SIZE}>
          <Rect x={3} y={13} width={58} height={9} fill={raised} stroke={ink} strokeWidth={1.6} />
        </Svg>
      )
    case 'flexible':
      return (
        <Svg {...SIZE}>
          <Path d="M3 26c18 2 22 -20 58 -18M3 32c22 2 26 -16 58 -15" {...line} />
        </Svg>
      )
    case 'water':
      return (
        <Svg {...SIZE}>
          <Path d="M32 3c7 9 10 13 10 19a10 10 0 0 1 -20 0c0 -6 3 -10 10 -19z" {...line} />
        </Svg>
      )
    case 'gas-signs':
      return (
        <Svg {...SIZE}>
          <Rect x={8} y={7} width={48} height={9} fill="#e3b93c" stroke={ink} strokeWidth={1.4} />
          <Path d="M20 16v14h8v-14" {...line} />
        </Svg>
      )
    case 'caliper':
      return (
        <Svg {...SIZE}>
          <Path d="M4 6h54v6H20v16h-4l-3 -5V12H4z" {...line} />
          <Path d="M40 12v11l-3 5h-4V12" {...line} />
          <Circle cx={26.5} cy={22} r={5} stroke={soft} strokeWidth={1.4} fill="none" />
        </Svg>
      )
    case 'tape':
    case 'screen-gauge':
      return (
        <Svg {...SIZE}>
          <Rect x={3} y={20} width={58} height={11} {...line} />
          {[9, 15, 21, 27, 33, 39, 45, 51].map((x, index) => (
            <Line key={x} x1={x} y1={20} x2={x} y2={index % 2 ? 28 : 24} stroke={ink} strokeWidth={1.4} />
          ))}
          <Circle cx={32} cy={10} r={8} {...line} />
        </Svg>
      )
    case 'string':
    case 'paper-strip':
      return (
        <Svg {...SIZE}>
          <Circle cx={30} cy={17} r={11} {...line} />
          <Path
            d="M30 3a14 14 0 1 1 -12 7l-12 -6"
            stroke={soft}
            strokeWidth={kind === 'string' ? 1.6 : 4}
            fill="none"
          />
        </Svg>
      )
    case 'wall':
      return (
        <Svg {...SIZE}>
          <Circle cx={32} cy={17} r={14} {...line} />
          <Circle cx={32} cy={17} r={10} {...line} />
        </Svg>
      )
    default:
      return (
        <Svg {...SIZE}>
          <Rect x={3} y={10} width={58} height={14} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M10 17h6m3 0h4m3 0h9m3 0h5m3 0h6" stroke={soft} strokeWidth={2.4} />
        </Svg>
      )
  }
}
