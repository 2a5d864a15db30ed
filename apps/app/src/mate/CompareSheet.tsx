import type { RankedOption } from '@diarmos/core'
import { REMOVAL_WORDS } from '@diarmos/core/words/methods'
import { reasonText } from '@diarmos/core/words/reasons'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { minutes, money } from '../ui/money'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { optionTitle } from './OptionCard'

const WATER = 'water off, at least'

/** A line of figures that can be compared: less is better in each. */
const FIGURES: readonly {
  readonly label: string
  readonly of: (option: RankedOption) => number
  readonly say: (value: number) => string
}[] = [
  { label: 'all told', of: (option) => option.costs.totalCents, say: money },
  { label: 'to buy', of: (option) => option.criteria.priceCents, say: money },
  { label: 'hands', of: (option) => option.criteria.seconds, say: minutes },
  { label: WATER, of: (option) => option.criteria.waterOffSeconds, say: minutes },
  { label: 'joints', of: (option) => option.criteria.joints, say: String },
  { label: 'call-backs in 1000', of: (option) => option.criteria.riskPerMille, say: String },
  { label: 'parts from the counter', of: (option) => option.criteria.notAboard, say: String },
]

/** Two ways side by side; the better figure of each line is marked by weight and by a tick. */
export function CompareSheet({
  a,
  b,
  planned = false,
  onClose,
}: {
  a: RankedOption
  b: RankedOption
  /** Minutes are those of the orders of work. */
  planned?: boolean
  onClose: () => void
}) {
  const unit = usePreferences((state) => state.unit)
  const pair = [a, b] as const
  return (
    <SheetModal title="Two ways compared" onClose={onClose}>
      <View className="flex-row gap-3" testID="compare">
        {pair.map((option, at) => (
          <View key={at === 0 ? 'left' : 'right'} className="flex-1">
            <Txt bold>{optionTitle(option)}</Txt>
            <Txt size="s" tone="soft">
              {REMOVAL_WORDS[option.removalId]}
            </Txt>
            {FIGURES.map(({ label, of, say }) => {
              const [own, other] = [of(option), of(pair[1 - at] as RankedOption)]
              return (
                <View key={label} className="min-h-[56px] justify-center border-b border-rule">
                  <Txt size="l" bold={own < other} tone={own < other ? 'patina' : 'ink'}>
                    {own < other ? '✓ ' : ''}
                    {say(own)}
                  </Txt>
                  <Txt size="s" tone="soft">
                    {planned && label === WATER ? 'water off' : label}
                  </Txt>
                </View>
              )
            })}
            {option.parts.map((part, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a part may come twice, its place is its name
              <Txt key={`${part.fittingId}-${index}`} size="s" className="mt-1">
                {part.aboard ? '· ' : '△ '}
                {part.name}
              </Txt>
            ))}
            {option.warnings
              .filter((warning) => warning.severity === 'warn')
              .map((warning) => (
                <Txt key={warning.ruleId} size="s" tone="amber" className="mt-1">
                  △ {reasonText(warning, unit)}
                </Txt>
              ))}
          </View>
        ))}
      </View>
    </SheetModal>
  )
}
