import type { MateOption } from '@diarmos/core'
import { METHOD_WORDS } from '@diarmos/core/words/fixtures'
import { CONSUMABLE_WORDS, SEALS, TOOL_WORDS } from '@diarmos/core/words/methods'
import { reasonText } from '@diarmos/core/words/reasons'
import { stepText } from '@diarmos/core/words/steps'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { useSettings } from '../data/select'
import { Length } from '../ui/Length'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'

function Line({ name, children }: { name: string; children: string }) {
  return (
    <View className="border-b border-rule py-2">
      <Txt size="s" bold tone="soft">
        {name}
      </Txt>
      <Txt>{children}</Txt>
    </View>
  )
}

/** A seam opened: its seal, its preparation, its tools, and why. */
export function SeamSheet({
  option,
  seam,
  onClose,
}: {
  option: MateOption
  seam: number
  onClose: () => void
}) {
  const unit = usePreferences((state) => state.unit)
  const rules = useSettings()?.fields.mate.houseRules
  const joint = option.joints[seam]
  if (!joint) return null
  // until the shop's own rules have come, the usual ones
  const chosen = {
    tool: 'tube-cutter',
    threadSeal: 'tape-then-paste',
    fluxOn: 'both',
    compressionNut: 'dry',
    ...rules,
  }
  const part = option.parts[joint.to]?.name ?? 'the fixture'
  return (
    <SheetModal title={`Seam ${seam + 1}: ${METHOD_WORDS[joint.method]}`} onClose={onClose}>
      <Line name="Into">{part}</Line>
      <View className="border-b border-rule py-2">
        <Txt size="s" bold tone="soft">
          Goes in
        </Txt>
        <Length mm={joint.maxMm} quantity="insertion-mark" size="l" />
        <Txt size="s" tone="soft">
          {joint.makeUpSource.title} ({joint.makeUpSource.certainty})
        </Txt>
      </View>
      <Line name="Seals">{SEALS[joint.seal] ?? joint.seal}</Line>
      {joint.consumables.length > 0 ? (
        <Line name="Takes">{joint.consumables.map(({ id }) => CONSUMABLE_WORDS[id] ?? id).join(', ')}</Line>
      ) : null}
      <Line name="Tools">{joint.tools.map((tool) => TOOL_WORDS[tool] ?? tool).join(', ')}</Line>
      <View className="border-b border-rule py-2">
        <Txt size="s" bold tone="soft">
          In order
        </Txt>
        {joint.steps.map((words) => (
          <Txt key={words}>
            · {stepText({ words, parameters: { ...chosen, insertionMm: joint.maxMm } }, unit)}
          </Txt>
        ))}
      </View>
      {joint.reasons.map((reason) => (
        <View key={reason.ruleId} className="py-2">
          <Txt>{reasonText(reason, unit)}</Txt>
          <Txt size="s" tone="soft">
            {reason.source.title} ({reason.source.certainty})
          </Txt>
        </View>
      ))}
    </SheetModal>
  )
}
