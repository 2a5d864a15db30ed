import type { Card } from '@diarmos/core'
import { stepText } from '@diarmos/core/words/steps'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Txt } from '../ui/Txt'
import type { Made } from './made'

/** What one card says, without who it is for: the same words on several joints are said once. */
export function cardLines(card: Card, textOf: (act: Card['acts'][number]) => string) {
  const lines = new Map<string, string[]>()
  for (const act of card.acts) {
    const text = textOf(act)
    lines.set(text, [...(lines.get(text) ?? []), ...act.steps])
  }
  return [...lines].map(([text, steps]) => ({ text, steps }))
}

/** One sitting, act by act, in very large type. */
export function CardView({ made, card }: { made: Made; card: Card }) {
  const unit = usePreferences((state) => state.unit)
  const lines = cardLines(card, (act) => stepText(act, unit))
  const size = lines.length <= 2 ? 'xl' : 'l'
  return (
    <View testID="card" className="gap-3 py-2">
      {lines.map(({ text, steps }, index) => {
        const done = steps.every(made.isDone)
        return (
          <View key={text} className="flex-row gap-3">
            {lines.length > 1 ? (
              <Txt bold size={size} tone="patina" className="min-w-[20px]">
                {done ? '✓' : index + 1}
              </Txt>
            ) : null}
            <Txt bold={lines.length === 1} size={size} tone={done ? 'soft' : 'ink'} className="flex-1">
              {text}
            </Txt>
          </View>
        )
      })}
    </View>
  )
}
