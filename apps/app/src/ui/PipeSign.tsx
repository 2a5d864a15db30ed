import type { PipeMaterial } from '@diarmos/core'
import Svg, { Circle, G, Path, Rect } from 'react-native-svg'
import { usePalette } from './palette'

type End =
  | 'tube'
  | 'thread'
  | 'hub'
  | 'plain-iron'
  | 'ribs'
  | 'bulb'
  | 'socket'
  | 'slip'
  | 'coil'
  | 'layers'
  | 'thick'

/** How each kind of pipe is drawn: its own colour, and what tells it from others of that colour. */
const SIGNS: Readonly<
  Record<PipeMaterial, { readonly fill: string; readonly end: End; readonly stripe?: string }>
> = {
  copper: { fill: '#b36b42', end: 'tube' },
  'copper-drain': { fill: '#b36b42', end: 'socket' },
  'copper-refrigeration': { fill: '#c98a5e', end: 'coil' },
  'chromed-supply': { fill: '#dfe5e8', end: 'tube' },
  'galvanised-steel': { fill: '#9aa3a6', end: 'thread' },
  'black-steel': { fill: '#2b2f31', end: 'thread' },
  'sprinkler-steel': { fill: '#b03a2e', end: 'thread' },
  brass: { fill: '#c9a23f', end: 'thread' },
  stainless: { fill: '#c9d0d4', end: 'tube' },
  'corrugated-stainless': { fill: '#e8c534', end: 'ribs' },
  lead: { fill: '#8b9196', end: 'bulb' },
  'lead-waste': { fill: '#8b9196', end: 'bulb' },
  cpvc: { fill: '#eadfbf', end: 'socket' },
  'cpvc-sprinkler': { fill: '#e07b28', end: 'socket' },
  'pex-a': { fill: '#f5f7f8', end: 'coil' },
  'pex-b': { fill: '#f5f7f8', end: 'coil' },
  'pex-c': { fill: '#f5f7f8', end: 'coil' },
  'pex-aluminium': { fill: '#f5f7f8', end: 'layers' },
  polybutylene: { fill: '#7b8389', end: 'coil' },
  polyethylene: { fill: '#26292b', end: 'coil', stripe: '#2c62b5' },
  'polyethylene-gas': { fill: '#e8c534', end: 'coil' },
  pvc: { fill: '#ffffff', end: 'socket', stripe: '#2c62b5' },
  'pvc-drain': { fill: '#ffffff', end: 'socket', stripe: '#7a4a93' },
  'pvc-sewer': { fill: '#3f8a4e', end: 'hub' },
  'abs-drain': { fill: '#26292b', end: 'socket' },
  'tubular-brass': { fill: '#dfe5e8', end: 'slip' },
  'tubular-plastic': { fill: '#ffffff', end: 'slip' },
  'waste-solvent': { fill: '#ffffff', end: 'socket' },
  'waste-push-fit': { fill: '#d9dcdd', end: 'hub' },
  'cast-iron': { fill: '#4a4d4f', end: 'plain-iron' },
  clay: { fill: '#b0563a', end: 'thick' },
  cement: { fill: '#b9b6ae', end: 'thick' },
}

function Shape({ end, fill, ink }: { end: End; fill: string; ink: string }) {
  const stroke = { stroke: ink, strokeWidth: 1.4, fill }
  switch (end) {
    case 'thread':
      return (
        <G {...stroke}>
          <Rect x={3} y={9} width={38} height={16} />
          <Path d="M41 10l3 -2 3 2 3 -2 3 2 3 -1v16l-3 -1 -3 2 -3 -2 -3 2 -3 -2z" />
        </G>
      )
    case 'hub':
      return (
        <G {...stroke}>
          <Rect x={3} y={9} width={40} height={16} />
          <Path d="M43 6h14v3h3v16h-3v3H43z" />
        </G>
      )
    case 'plain-iron':
      return (
        <G {...stroke}>
          <Rect x={3} y={7} width={58} height={20} />
          <Path d="M14 12h3M24 20h2M34 11h3M46 21h3M52 13h2" stroke="#c9ced1" strokeWidth={1.2} />
        </G>
      )
    case 'ribs':
      return (
        <G {...stroke}>
          <Path d="M3 10q4 -5 8 0t8 0t8 0t8 0t8 0t8 0t8 0v14q-4 5 -8 0t-8 0t-8 0t-8 0t-8 0t-8 0t-8 0z" />
        </G>
      )
    case 'bulb':
      return (
        <G {...stroke}>
          <Rect x={3} y={11} width={58} height={12} />
          <Path d="M24 11q4 -6 10 -6t10 6v12q-4 6 -10 6t-10 -6z" />
        </G>
      )
    case 'socket':
      return (
        <G {...stroke}>
          <Rect x={3} y={10} width={38} height={14} />
          <Rect x={41} y={7} width={20} height={20} />
        </G>
      )
    case 'slip':
      return (
        <G {...stroke}>
          <Rect x={3} y={11} width={58} height={12} />
          <Path d="M36 6h12v22H36z" />
          <Path d="M39 6v22M42 6v22M45 6v22" strokeWidth={0.8} />
        </G>
      )
    case 'coil':
      return (
        <G>
          <Path d="M3 24c14 4 24 2 30 -6s16 -12 28 -10" stroke={ink} strokeWidth={13} fill="none" />
          <Path d="M3 24c14 4 24 2 30 -6s16 -12 28 -10" stroke={fill} strokeWidth={10.4} fill="none" />
        </G>
      )
    case 'layers':
      return (
        <G>
          <Circle cx={32} cy={17} r={15} {...stroke} />
          <Circle cx={32} cy={17} r={11} fill="none" stroke="#8d979c" strokeWidth={2.4} />
          <Circle cx={32} cy={17} r={7} {...stroke} />
        </G>
      )
    case 'thick':
      return (
        <G {...stroke}>
          <Circle cx={32} cy={17} r={15} />
          <Circle cx={32} cy={17} r={9} />
        </G>
      )
    default:
      return (
        <G {...stroke}>
          <Rect x={3} y={10} width={52} height={14} />
          <Path d="M55 10q6 7 0 14q-5 -7 0 -14z" />
        </G>
      )
  }
}

/** A kind of pipe as it looks: a question mark for none of these. */
export function PipeSign({ material, small = false }: { material: PipeMaterial | null; small?: boolean }) {
  const { ink, soft } = usePalette()
  const size = small ? { width: 48, height: 26 } : { width: 64, height: 34 }
  if (!material)
    return (
      <Svg {...size} viewBox="0 0 64 34">
        <Rect
          x={3}
          y={9}
          width={58}
          height={16}
          fill="none"
          stroke={soft}
          strokeWidth={1.4}
          strokeDasharray="4 3"
        />
      </Svg>
    )
  const { fill, end, stripe } = SIGNS[material]
  return (
    <Svg {...size} viewBox="0 0 64 34">
      <Shape end={end} fill={fill} ink={ink} />
      {stripe && end === 'socket' ? <Path d="M6 17h32" stroke={stripe} strokeWidth={2} /> : null}
      {stripe && end === 'coil' ? (
        <Path d="M3 24c14 4 24 2 30 -6s16 -12 28 -10" stroke={stripe} strokeWidth={1.6} fill="none" />
      ) : null}
    </Svg>
  )
}
