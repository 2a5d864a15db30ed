import type { Card } from '@diarmos/core'
import { Pressable, View } from 'react-native'
import { type JobView, pointName } from '../data/select'
import { SERVICE_LOOK } from '../ui/service'
import { Txt } from '../ui/Txt'
import type { Made } from './made'

interface Props {
  view: JobView
  made: Made
  card: Card
  /** Lines that are left out of the next tick. */
  without: ReadonlySet<string>
  onWithout: (lineId: string) => void
}

/** The lines that a card is done on; of several each can be left out of the tick. */
export function CardLines({ view, made, card, without, onWithout }: Props) {
  const ids = new Set(card.acts.flatMap((act) => act.steps.map((id) => made.stepOf(id).lineId)))
  const on = view.lines.filter(({ line }) => ids.has(line.id))
  return (
    <View className="max-w-[62%] flex-row flex-wrap justify-end gap-2">
      {on.map((line) => {
        const { mark, word, tone } = SERVICE_LOOK[line.line.fields.service]
        const name = [pointName(view, line), word.toLowerCase()].filter(Boolean).join(' ')
        const taken = !without.has(line.line.id)
        return on.length === 1 ? (
          <Txt key={line.line.id} bold tone={tone}>
            {mark} {name}
          </Txt>
        ) : (
          <Pressable
            key={line.line.id}
            role="checkbox"
            aria-checked={taken}
            aria-label={`${name}: ${taken ? 'with this one' : 'not this one'}`}
            onPress={() => onWithout(line.line.id)}
            className={`min-h-[48px] justify-center rounded-[4px] border-[1.5px] px-2 active:opacity-70 ${taken ? 'border-ink bg-raised' : 'border-rule'}`}
          >
            <Txt bold tone={taken ? tone : 'soft'} className={taken ? '' : 'line-through'}>
              {mark} {name}
            </Txt>
          </Pressable>
        )
      })}
    </View>
  )
}
