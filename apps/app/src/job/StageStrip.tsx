import type { ReactNode } from 'react'
import { Pressable, ScrollView, View } from 'react-native'
import { STAGES, type Stage } from '../data/select'
import { Txt } from '../ui/Txt'
import { usePressed } from '../ui/usePressed'
import { STAGE_WORDS } from './StageRule'

/** The six stages, each reachable at any time; the one the facts have reached is marked. */
export function StageStrip({
  shown,
  reached,
  stale,
  onShow,
  beside = null,
}: {
  shown: Stage
  reached: Stage
  stale: boolean
  onShow: (stage: Stage) => void
  /** At its end, where it does not scroll away. */
  beside?: ReactNode
}) {
  const at = STAGES.indexOf(reached)
  const [chosen, press] = usePressed(shown, onShow)
  return (
    <View className="flex-row border-b border-t border-rule bg-sheet">
      {/* where six do not fit side by side, they scroll */}
      <ScrollView
        className="flex-1"
        horizontal
        showsHorizontalScrollIndicator={false}
        contentContainerClassName="min-w-full"
      >
        <View role="tablist" aria-label="Stages" className="min-w-full flex-row">
          {STAGES.map((stage, index) => {
            const here = stage === chosen
            return (
              <Pressable
                key={stage}
                role="tab"
                aria-selected={here}
                tabIndex={here ? 0 : -1}
                aria-label={`${STAGE_WORDS[stage]}${index < at ? ', done' : index === at ? ', next' : ''}`}
                onPress={() => press(stage)}
                className={`min-h-[50px] min-w-[50px] flex-1 items-center px-0.5 justify-center ${here ? 'bg-patina-wash' : ''}`}
              >
                <View
                  className={`absolute left-0 right-0 top-0 h-[4px] ${index < at ? 'bg-patina' : index === at ? 'bg-ink' : 'bg-transparent'}`}
                />
                <Txt size="s" bold={here} tone={here ? 'patina' : 'ink'}>
                  {STAGE_WORDS[stage]}
                  {stale && index >= 2 && index <= at ? '*' : ''}
                </Txt>
              </Pressable>
            )
          })}
        </View>
      </ScrollView>
      {beside}
    </View>
  )
}
