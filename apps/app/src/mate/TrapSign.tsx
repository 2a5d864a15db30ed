import type { OldTrap } from '@diarmos/core/conditions'
import Svg, { Path, Rect } from 'react-native-svg'
import { usePalette } from '../ui/palette'
import { SIZE } from '../ui/signs'

/** The way of the pipe, as seen from the side: fixture above, wall at the right, floor below. */
const WAYS: Readonly<Partial<Record<OldTrap, string>>> = {
  p: 'M14 1v15a8 8 0 0 0 16 0q0 -6 6 -6h22',
  s: 'M13 1v15a7.5 7.5 0 0 0 15 0v-3a7.5 7.5 0 0 1 15 0v18',
  bottle: 'M20 1v6M30 13h28',
  drum: 'M4 25h18M42 10h18',
  running: 'M2 9h13q6 0 6 6v3a9 9 0 0 0 18 0v-3q0 -6 6 -6h17',
  two: 'M9 1v15a6 6 0 0 0 12 0v-2q0 -6 5 -6t5 6v2a6 6 0 0 0 12 0v-2q0 -5 5 -5h10',
  standing: 'M32 2v30',
  none: 'M16 1v16q0 8 8 8h34',
}

/** A trap by its shape. */
export function TrapSign({ kind }: { kind: OldTrap }) {
  const { ink, raised, soft, cold } = usePalette()
  return (
    <Svg {...SIZE}>
      {kind === 's' || kind === 'standing' ? (
        <Path d="M2 32h60" stroke={soft} strokeWidth={2.4} />
      ) : kind === 'drum' || kind === 'running' ? null : (
        <Path d="M59 1v32" stroke={soft} strokeWidth={2.4} />
      )}
      <Path d={WAYS[kind] ?? ''} stroke={ink} strokeWidth={7} fill="none" />
      <Path d={WAYS[kind] ?? ''} stroke={raised} strokeWidth={4.2} fill="none" />
      {kind === 'bottle' ? (
        <>
          <Rect x={11} y={7} width={19} height={24} rx={3} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M17 7v14M23 7v14" stroke={ink} strokeWidth={1.2} />
        </>
      ) : null}
      {kind === 'drum' ? (
        <>
          <Rect x={22} y={4} width={20} height={28} fill={raised} stroke={ink} strokeWidth={1.4} />
          <Path d="M20 4h24" stroke={ink} strokeWidth={2.6} />
        </>
      ) : null}
      {kind === 'standing' ? (
        <Path d="M29.9 15h4.2M29.9 19h4.2M29.9 23h4.2" stroke={cold} strokeWidth={2} />
      ) : null}
    </Svg>
  )
}
