import { drainOf, type OldTrap, oldTrapsAt } from '@diarmos/core/conditions'
import { OLD_TRAP_WORDS } from '@diarmos/core/words/find'
import { View } from 'react-native'
import type { EntityFields } from '../data/types'
import { Choice } from '../ui/Choice'
import { Unfold } from '../ui/Unfold'
import { TrapSign } from './TrapSign'

type Situation = EntityFields<'situation'>

interface Props {
  readonly trap: OldTrap | null | undefined
  /** It hangs in the open, as under a basin. */
  readonly hanging: boolean
  readonly onSet: (patch: Partial<Situation>, label: string) => void
}

/** What trap was there, by its picture: it says whether one stays, and whether the pipe comes out of the floor. */
export function OldTrapChoice({ trap, hanging, onSet }: Props) {
  const kinds = oldTrapsAt(hanging)
  return (
    <Unfold closed="What trap was there?" open="the trap that was there" known={trap != null}>
      <View className="mt-2">
        <Choice
          label="The trap that was there"
          hideLabel
          columns={3}
          value={trap ?? null}
          options={kinds.map((kind) => ({
            value: kind,
            label: OLD_TRAP_WORDS[kind],
            sign: <TrapSign kind={kind} />,
          }))}
          onChange={(kind) =>
            onSet({ oldTrap: kind, ...drainOf(kind, hanging) }, `Old trap: ${OLD_TRAP_WORDS[kind]}`)
          }
        />
      </View>
    </Unfold>
  )
}
