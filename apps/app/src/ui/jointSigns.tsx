import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg'
import { usePalette } from './palette'
import { SIZE } from './signs'

interface Ink {
  readonly ink: string
  readonly fill: string
}

/** Real colours of real things, the same on both sheets. */
const COPPER = '#b9744b'
const STEEL = '#cfd5d8'
const RUBBER = '#4a4f52'
const LEAD = '#8b9196'

/** What sits on the pipe's end, by kind of joint: drawn over a pipe that comes from the left. */
const SHAPES: Readonly<Record<string, (ink: Ink) => React.JSX.Element>> = {
  sweat: ({ ink, fill }) => (
    <G>
      <Rect x={34} y={8} width={26} height={18} stroke={ink} strokeWidth={1.4} fill={fill} />
      <Path d="M34 8q-3 2 -5 3M34 26q-3 -2 -5 -3" stroke={ink} strokeWidth={2.4} fill="none" />
    </G>
  ),
  compression: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Path d="M24 7h12l3 3v14l-3 3H24l-3 -3V10z" />
      <Line x1={21} y1={17} x2={39} y2={17} strokeWidth={1} />
      <Rect x={39} y={9} width={21} height={16} />
    </G>
  ),
  flare: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Path d="M16 12l8 -5h12v20H24l-8 -5z" />
      <Line x1={24} y1={17} x2={36} y2={17} strokeWidth={1} />
      <Path d="M36 10h6l4 3h14v8H46l-4 3h-6z" />
    </G>
  ),
  'push-fit': ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Rect x={22} y={9} width={5} height={16} />
      <Path d="M27 7h18l6 3h9v14h-9l-6 3H27z" />
    </G>
  ),
  threaded: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Path d="M20 11l3 -2 3 2 3 -2 3 2v12l-3 2 -3 -2 -3 2 -3 -2z" />
      <Rect x={32} y={5} width={8} height={24} />
      <Rect x={40} y={8} width={20} height={18} />
    </G>
  ),
  crimp: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Rect x={22} y={8} width={12} height={18} fill={COPPER} />
      <Rect x={38} y={10} width={22} height={14} fill={fill} />
    </G>
  ),
  cinch: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Rect x={22} y={9} width={10} height={16} fill={STEEL} />
      <Path d="M24 9v-5h6v5" fill={fill} />
      <Rect x={38} y={10} width={22} height={14} fill={fill} />
    </G>
  ),
  expansion: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Path d="M18 8h18v18H18z" fill="#ffffff" />
      <Path d="M18 8q-3 9 0 18" fill="none" />
      <Rect x={38} y={10} width={22} height={14} fill={fill} />
    </G>
  ),
  press: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Path d="M20 8h5v-3h5v3h4v3l2 1v10l-2 1v3h-4v3h-5v-3h-5z" />
      <Path d="M25 5v24M30 5v24" strokeWidth={1} fill="none" />
      <Rect x={36} y={10} width={24} height={14} />
    </G>
  ),
  cement: ({ ink, fill }) => (
    <G>
      <Rect x={28} y={7} width={32} height={20} stroke={ink} strokeWidth={1.4} fill={fill} />
      <Path d="M28 7l-3 3v14l3 3" stroke="#cf7a22" strokeWidth={2.6} fill="none" />
    </G>
  ),
  slip: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Path d="M20 6h14v22H20z" />
      <Path d="M22 6v22M25 6v22M28 6v22M31 6v22" strokeWidth={0.8} />
      <Rect x={34} y={9} width={26} height={16} />
    </G>
  ),
  'hub-lead': ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Path d="M30 4h8v4h22v18H38v4h-8z" fill={fill} />
      <Rect x={27} y={8} width={4} height={18} fill={LEAD} />
    </G>
  ),
  'hub-rubber': ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Path d="M30 4h8v4h22v18H38v4h-8z" fill={fill} />
      <Path d="M30 8q-5 2 -5 4v10q0 2 5 4z" fill={RUBBER} />
    </G>
  ),
  hubless: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Rect x={40} y={11} width={20} height={12} fill={fill} />
      <Rect x={18} y={7} width={28} height={20} fill={STEEL} />
      <Path d="M23 7v20M41 7v20" strokeWidth={3} />
      <Path d="M26 7l3 20M30 7l3 20M34 7l3 20" strokeWidth={0.7} />
    </G>
  ),
  'flexible-coupling': ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Rect x={40} y={11} width={20} height={12} fill={fill} />
      <Rect x={18} y={7} width={28} height={20} fill={RUBBER} />
      <Path d="M23 5v24M41 5v24" strokeWidth={3} stroke={STEEL} />
    </G>
  ),
  wiped: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4}>
      <Rect x={42} y={11} width={18} height={12} fill={fill} />
      <Path d="M16 11q8 -7 15 -7t15 7v12q-8 7 -15 7t-15 -7z" fill={LEAD} />
    </G>
  ),
  flange: ({ ink, fill }) => (
    <G stroke={ink} strokeWidth={1.4} fill={fill}>
      <Rect x={38} y={11} width={22} height={12} />
      <Rect x={26} y={2} width={5} height={30} />
      <Rect x={33} y={2} width={5} height={30} />
      <Path d="M23 7h18M23 27h18" strokeWidth={2.4} />
    </G>
  ),
}

/** How a pipe is joined, as it looks from outside. */
export function JointSign({ kind }: { kind: string }) {
  const { ink, raised } = usePalette()
  const shape = SHAPES[kind]
  return (
    <Svg {...SIZE}>
      <Rect x={3} y={11} width={shape ? 57 : 39} height={12} fill={raised} stroke={ink} strokeWidth={1.4} />
      {shape ? shape({ ink, fill: raised }) : <Path d="M42 11v12" stroke={ink} strokeWidth={2.4} />}
    </Svg>
  )
}

/** Features of a joint, one at a time: the joint that shows it best, with an eye on the feature. */
const FEATURE: Readonly<Record<string, string>> = {
  'hex-nut': 'compression',
  'round-nut': 'slip',
  'copper-ring': 'crimp',
  'steel-clamp': 'cinch',
  'plastic-collar': 'expansion',
  'press-marks': 'press',
  'rubber-sleeve': 'flexible-coupling',
  'solder-line': 'sweat',
  'cement-bead': 'cement',
  'lead-ring': 'hub-lead',
  'rubber-lip': 'hub-rubber',
  bulb: 'wiped',
  'threads-show': 'threaded',
}

/** An answer to a question about the joint. */
export function JointFeatureSign({ kind }: { kind: string }) {
  const { ink, raised, soft } = usePalette()
  const like = FEATURE[kind]
  if (like) return <JointSign kind={like} />
  if (kind === 'turns' || kind === 'fixed')
    return (
      <Svg {...SIZE}>
        <Circle cx={32} cy={18} r={9} fill={raised} stroke={ink} strokeWidth={1.6} />
        {kind === 'turns' ? (
          <Path d="M16 20a16 16 0 0 1 30 -7m0 -7v8h-8" stroke={ink} strokeWidth={1.8} fill="none" />
        ) : (
          <Path d="M10 32h44M14 27v10M50 27v10" stroke={soft} strokeWidth={2} />
        )}
      </Svg>
    )
  // nothing there: a fitting with nothing to see on it
  return (
    <Svg {...SIZE}>
      <Rect x={3} y={11} width={30} height={12} fill={raised} stroke={ink} strokeWidth={1.4} />
      <Rect x={33} y={8} width={28} height={18} fill={raised} stroke={ink} strokeWidth={1.4} />
    </Svg>
  )
}
