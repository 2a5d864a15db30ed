import Svg, { Circle, G, Path, Rect } from 'react-native-svg'
import { usePalette } from './palette'
import { SIZE } from './signs'

/** What can be wrong with an end, drawn on a plain pipe. */
export function FaultSign({ kind }: { kind: string }) {
  const { ink, raised, soft } = usePalette()
  const line = { stroke: ink, strokeWidth: 1.6, fill: 'none' }
  const pipe = <Rect x={3} y={9} width={58} height={16} fill={raised} stroke={ink} strokeWidth={1.4} />
  switch (kind) {
    case 'thinned':
    case 'choked':
      return (
        <Svg {...SIZE}>
          <Circle cx={32} cy={17} r={15} {...line} fill={raised} />
          <Circle cx={32} cy={17} r={kind === 'thinned' ? 13 : 5} {...line} />
          {kind === 'choked' ? (
            <Path d="M20 12l4 3M44 12l-4 3M22 26l4 -4M42 26l-4 -4" stroke={soft} strokeWidth={2.4} />
          ) : null}
        </Svg>
      )
    case 'out-of-round':
      return (
        <Svg {...SIZE}>
          <Path
            d="M12 17c0 -9 9 -13 20 -13s20 4 20 13 -9 13 -20 13 -20 -4 -20 -13z"
            {...line}
            fill={raised}
          />
        </Svg>
      )
    case 'bent':
      return (
        <Svg {...SIZE}>
          <Path d="M3 8h30l26 12v10L31 19H3z" {...line} fill={raised} />
        </Svg>
      )
    case 'ring-broken':
    case 'hub-split':
      return (
        <Svg {...SIZE}>
          <Circle cx={32} cy={17} r={15} {...line} fill={raised} />
          <Circle cx={32} cy={17} r={8} {...line} />
          {kind === 'ring-broken' ? (
            <Path d="M44 8l-6 4 3 2 -4 3" stroke={ink} strokeWidth={2.4} fill="none" />
          ) : (
            <Path d="M32 2l-2 4 4 2 -2 3M32 32l2 -4 -4 -2" stroke={ink} strokeWidth={2.4} fill="none" />
          )}
        </Svg>
      )
    case 'loose':
      return (
        <Svg {...SIZE}>
          <Path d="M8 2v30" stroke={soft} strokeWidth={4} />
          <Rect x={10} y={11} width={50} height={12} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M40 8q8 -5 14 0m0 0l-1 -5M40 27q8 5 14 0m0 0l-1 5" {...line} />
        </Svg>
      )
    default:
      return (
        <Svg {...SIZE}>
          {pipe}
          {kind === 'scored' ? <Path d="M16 13h34M22 18h30" {...line} /> : null}
          {kind === 'pitted' ? (
            <G fill={ink}>
              {[14, 21, 27, 34, 42, 49].map((x, index) => (
                <Circle key={x} cx={x} cy={13 + ((index * 5) % 9)} r={1.7} />
              ))}
            </G>
          ) : null}
          {kind === 'pinhole' || kind === 'pinholes' ? (
            <G>
              <Path d="M30 9q-2 -6 2 -8q4 2 2 8" fill={soft} />
              <Circle cx={32} cy={12} r={1.8} fill={ink} />
              {kind === 'pinholes' ? (
                <G fill={ink}>
                  <Circle cx={16} cy={14} r={1.8} />
                  <Circle cx={48} cy={20} r={1.8} />
                </G>
              ) : null}
            </G>
          ) : null}
          {kind === 'ring-mark' ? <Path d="M44 9v16M48 9v16" {...line} /> : null}
          {kind === 'tooth-marks' ? (
            <Path d="M44 10l2 3M44 15l2 3M44 20l2 3M50 10l2 3M50 15l2 3M50 20l2 3" {...line} />
          ) : null}
          {kind === 'solder-on' ? (
            <Path d="M42 8q4 -4 8 0t8 1v16q-4 4 -8 1t-8 0z" fill="#c3c8cc" stroke={ink} strokeWidth={1.2} />
          ) : null}
          {kind === 'dirty-bore' ? (
            <G>
              <Path d="M61 12q-8 5 0 10" {...line} />
              <Path d="M52 13q-3 4 0 8" stroke={soft} strokeWidth={3} fill="none" />
            </G>
          ) : null}
        </Svg>
      )
  }
}
