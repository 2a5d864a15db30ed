import { SHELF_WORDS } from '@diarmos/core/words/methods'
import { View } from 'react-native'
import { Button } from '../ui/Button'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'
import type { MateSettings } from './houseRules'

interface Props {
  mate: MateSettings
  onChange: (patch: Partial<MateSettings>, label: string) => void
}

/** Fills the van shelf by shelf, as such vans carry it; says how many pieces are short. */
export function Shelves({ mate, onChange }: Props) {
  const { toolsAboard, partsAboard } = mate
  const { answer } = useSolved('shelves', { toolsAboard, partsAboard })
  return (
    <View className="mb-4">
      <Txt size="s" tone="soft">
        Shelves as such vans carry them. Filling one takes nothing away.
      </Txt>
      {(answer ?? []).map(({ id, short, filled }) => {
        const label = SHELF_WORDS[id] ?? id
        return (
          <View key={id} className="min-h-[52px] flex-row items-center border-b border-rule">
            <Txt className="flex-1">{label}</Txt>
            <Txt tone="soft" className="mr-2">
              {short > 0 ? `${short} short` : 'full'}
            </Txt>
            {short > 0 ? (
              <Button
                kind="quiet"
                label="Fill"
                hint={`the shelf ${label}`}
                className="w-[72px]"
                onPress={() => onChange(filled as Partial<MateSettings>, `${label}: filled up`)}
              />
            ) : (
              <View className="w-[72px]" />
            )}
          </View>
        )
      })}
    </View>
  )
}
