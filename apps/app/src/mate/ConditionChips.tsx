import { Pressable, View } from 'react-native'
import type { EntityFields } from '../data/types'
import { Txt } from '../ui/Txt'

type Situation = EntityFields<'situation'>

interface Props {
  conditions: Pick<Situation, 'flame' | 'line' | 'access' | 'waterSeen'>
  /** The line begins at something new: nothing trickles there, no water need be seen. */
  fresh?: boolean
  /** It carries waste: no flame comes near plastic, and no water need be seen. */
  waste?: boolean
  set: (patch: Partial<Situation>, label: string) => void
  /** Whether a permit is open for the job, and how that is changed: asked where something will be covered. */
  permit: { readonly open: boolean; readonly flip: () => void }
}

/** What changes the answer most, where the thumb is: every flip gives a new one. */
export function ConditionChips({ conditions, fresh = false, waste = false, set, permit }: Props) {
  const { flame, line, access, waterSeen } = conditions
  const chips = [
    {
      name: 'Flame allowed',
      ofOldPipe: false,
      short: 'flame',
      on: flame,
      flip: () => set({ flame: !flame }, flame ? 'No flame' : 'Flame allowed'),
    },
    {
      name: 'Line dry',
      ofOldPipe: true,
      short: line === 'dry' ? 'dry' : 'trickles',
      on: line === 'dry',
      flip: () =>
        set({ line: line === 'dry' ? 'trickle' : 'dry' }, line === 'dry' ? 'Line trickles' : 'Line dry'),
    },
    {
      name: 'Within reach later',
      ofOldPipe: false,
      short: access === 'reachable' ? 'in reach' : access === 'buried' ? 'buried' : 'closed in',
      on: access === 'reachable',
      flip: () =>
        set(
          { access: access === 'reachable' ? 'closed-wall' : 'reachable', slabMm: null },
          access === 'reachable' ? 'Closed in later' : 'Within reach later',
        ),
    },
    {
      name: 'Water seen from this line',
      ofOldPipe: true,
      short: 'water seen',
      on: waterSeen,
      flip: () => set({ waterSeen: !waterSeen }, waterSeen ? 'Water not seen' : 'Water seen'),
    },
    ...(access === 'reachable' || waste
      ? []
      : [
          {
            name: 'A permit is open: inspected before it is covered',
            ofOldPipe: false,
            short: 'permit',
            on: permit.open,
            flip: permit.flip,
          },
        ]),
  ]
  return (
    <View className="flex-row flex-wrap gap-1">
      {chips
        .filter(({ ofOldPipe }) => !(fresh && ofOldPipe))
        .filter(({ name }) => !waste || name === 'Line dry' || name === 'Within reach later')
        .map(({ name, short, on, flip }) => (
          <Pressable
            key={name}
            role="switch"
            aria-checked={on}
            aria-label={name}
            onPress={flip}
            className={`min-h-[48px] min-w-[76px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] px-1 active:opacity-70 ${on ? 'border-patina bg-patina-wash' : 'border-soft bg-raised'}`}
          >
            <Txt size="s" bold={on} tone={on ? 'patina' : 'ink'} className="text-center">
              {on ? '✓ ' : '✕ '}
              {short}
            </Txt>
          </Pressable>
        ))}
    </View>
  )
}
