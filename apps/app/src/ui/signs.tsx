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
  'dull-grey': '#8b9196',
  orange: '#e07b28',
  'green-plastic': '#3f8a4e',
  'yellow-plastic': '#e8c534',
  terracotta: '#b0563a',
  'cement-grey': '#b9b6ae',
  'silver-soft': '#c3c8cc',
  'grey-iron': '#5b5f62',
  crumbles: '#c08c68',
  metal: '#b4743f',
  grey: '#7b8389',
  stone: '#b9a48f',
}

export const SIZE = { width: 64, height: 34, viewBox: '0 0 64 34' }

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
      {kind === 'silver-soft' ? (
        <Path d="M16 12c10 5 22 8 34 8M18 17c9 3 18 5 28 5" stroke={ink} fill="none" strokeWidth={2} />
      ) : null}
      {kind === 'crumbles' ? (
        <G fill={ink}>
          <Circle cx={22} cy={29} r={1.6} />
          <Circle cx={29} cy={31} r={1.2} />
          <Circle cx={36} cy={29.5} r={1.8} />
          <Path d="M18 26l5 -4 6 4 5 -5 6 5" stroke={ink} fill="none" strokeWidth={1.2} />
        </G>
      ) : null}
      {kind === 'shaving' ? (
        <Path d="M14 8c2 -8 14 -8 12 -1 -1 5 -8 4 -6 -1" stroke={ink} fill="none" strokeWidth={1.4} />
      ) : null}
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
    case 'by-hand':
      return (
        <Svg {...SIZE}>
          <Path d="M4 8h26q12 0 12 12v12M4 16h24q6 0 6 6v10" {...line} />
        </Svg>
      )
    case 'rings':
    case 'dull':
    case 'clicks':
      return (
        <Svg {...SIZE}>
          <Rect x={4} y={14} width={30} height={10} fill={raised} stroke={ink} strokeWidth={1.4} />
          {kind === 'rings' ? <Path d="M40 10q5 9 0 18M46 6q8 13 0 26M52 3q11 16 0 31" {...line} /> : null}
          {kind === 'dull' ? <Path d="M40 12q4 7 0 14" {...line} /> : null}
          {kind === 'clicks' ? <Path d="M40 8l3 5M44 19h8M40 30l3 -5" {...line} /> : null}
        </Svg>
      )
    case 'waste':
      return (
        <Svg {...SIZE}>
          <Path d="M12 4v12a10 10 0 0 0 20 0a8 8 0 0 1 16 0v2h12" {...line} />
        </Svg>
      )
    case 'refrigerant-signs':
      return (
        <Svg {...SIZE}>
          <Rect x={34} y={6} width={26} height={24} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Circle cx={47} cy={18} r={8} {...line} />
          <Path d="M47 10v16M39 18h16M3 14h31M3 22h31" {...line} />
        </Svg>
      )
    case 'sprinkler-signs':
      return (
        <Svg {...SIZE}>
          <Path
            d="M4 6h56M32 6v9M25 15h14M29 15l-3 8M35 15l3 8M22 24h20M14 31l4 -4M32 32v-4M50 31l-4 -4"
            {...line}
          />
        </Svg>
      )
    case 'gauge':
      return (
        <Svg {...SIZE}>
          <Path d="M6 4h52v26H42V16a10 10 0 0 0 -20 0v14H6z" fill={raised} stroke={ink} strokeWidth={1.6} />
        </Svg>
      )
    case 'goes':
      return (
        <Svg {...SIZE}>
          <Path d="M8 4h48v26H43V15H21v15H8z" fill={raised} stroke={ink} strokeWidth={1.6} />
          <Circle cx={32} cy={23} r={8} {...line} />
        </Svg>
      )
    case 'stops':
      return (
        <Svg {...SIZE}>
          <Path d="M8 2h48v17H43V12H21v7H8z" fill={raised} stroke={ink} strokeWidth={1.6} />
          <Circle cx={32} cy={26} r={12} {...line} />
        </Svg>
      )
    case 'bore':
      return (
        <Svg {...SIZE}>
          <Circle cx={32} cy={17} r={14} {...line} />
          <Circle cx={32} cy={17} r={8} {...line} />
          <Path d="M24 17h16M27 14l-3 3 3 3M37 14l3 3 -3 3" {...line} />
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
    case 'screen-gauge':
      return (
        <Svg {...SIZE}>
          <Rect x={19} y={1} width={26} height={32} rx={4} {...line} />
          <Path d="M26 6v22M38 6v22" stroke={soft} strokeWidth={1.4} />
          <Path d="M3 13h58M3 21h58" {...line} strokeDasharray="14 2" />
        </Svg>
      )
    case 'tape':
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
