import type { ReactNode } from 'react'
import { View } from 'react-native'
import { type Measurer, prefer, usePreferences } from '../data/preferences'
import type { EntityFields } from '../data/types'
import { Choice } from '../ui/Choice'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'

const MEASURERS: readonly { value: Measurer; label: string }[] = [
  { value: 'tape', label: 'tape' },
  { value: 'rule', label: 'rule' },
  { value: 'caliper', label: 'caliper' },
]
const SOLVENT = new Set(['cement-socket', 'pvc-socket'])

interface Props {
  readonly option: EntityFields<'mating'>['option']
  readonly dry: boolean
  readonly onDry: (dry: boolean) => void
  /** Further tools of the stage. */
  readonly children: ReactNode
}

/** How it is measured here, and where the figures come from. */
export function CutSettings({ option, dry, onDry, children }: Props) {
  const measurer = usePreferences((state) => state.measurer)
  const solvent = option.joints.some((joint) => SOLVENT.has(joint.bodyForm))
  const first = option.joints[0]
  return (
    <View className="mt-3 gap-3">
      <Choice
        label="Measured with a"
        columns={3}
        value={measurer}
        options={MEASURERS.map((entry) => ({ ...entry }))}
        onChange={(value) => prefer({ measurer: value })}
      />
      {solvent ? (
        <Toggle
          label="Measured with the sockets tried dry: cement lets them close further"
          value={dry}
          onChange={onDry}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2">{children}</View>
      {first ? (
        <Txt size="s" tone="soft">
          {first.makeUpSource.title} ({first.makeUpSource.certainty}): the maker’s sheet decides. Pieces are
          rounded down, marks up.
        </Txt>
      ) : null}
    </View>
  )
}
