import { ruleText } from '@diarmos/core/words/reasons'
import { View } from 'react-native'
import { Button } from '../ui/Button'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { AmendmentSheet } from './AmendmentSheet'
import type { MateSettings } from './houseRules'
import { SEVERITY_WORDS } from './severity'

interface Props {
  mate: MateSettings
  onChange: (patch: Partial<MateSettings>, label: string) => void
}

/** Where the local authority weighs a rule otherwise than the published code. */
export function Amendments({ mate, onChange }: Props) {
  const [sheet, setSheet] = useSheet('amendment', ['new'])
  const held = mate.amendments ?? []
  const without = (ruleId: string) => held.filter((entry) => entry.ruleId !== ruleId)
  return (
    <View className="mb-3">
      <Txt bold size="s" tone="soft">
        Local amendments
      </Txt>
      {held.length === 0 ? <Txt tone="soft">None: the rules hold as they are written.</Txt> : null}
      {held.map((amendment) => (
        <View key={amendment.ruleId} className="flex-row items-center border-b border-rule py-1">
          <View className="flex-1">
            <Txt size="s">
              <Txt size="s" bold>
                {SEVERITY_WORDS[amendment.severity]}:{' '}
              </Txt>
              {ruleText(amendment.ruleId)}
            </Txt>
            <Txt size="s" tone="soft">
              {amendment.why}
            </Txt>
          </View>
          <Button
            kind="quiet"
            label="Drop"
            hint={`the amendment of: ${ruleText(amendment.ruleId)}`}
            onPress={() => onChange({ amendments: without(amendment.ruleId) }, 'Amendment dropped')}
          />
        </View>
      ))}
      <Button label="Add an amendment" onPress={() => setSheet('new')} className="mt-2" />
      {sheet ? (
        <AmendmentSheet
          onClose={() => setSheet(null)}
          onSave={(amendment) => {
            setSheet(null)
            onChange({ amendments: [...without(amendment.ruleId), amendment] }, 'Amendment saved')
          }}
        />
      ) : null}
    </View>
  )
}
