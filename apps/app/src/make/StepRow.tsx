import type { PlannedStep } from '@diarmos/core'
import { stepText } from '@diarmos/core/words/steps'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { minutes } from '../ui/money'
import { type LineService, SERVICE_LOOK } from '../ui/service'
import { Txt } from '../ui/Txt'

interface Props {
  step: PlannedStep
  line: LineService | null
  /** The point it is at, where the job has several. */
  at: string | null
  done: boolean
  onTick: () => void
}

/** A step to tick: the whole row is the target. */
export function StepRow({ step, line, at, done, onTick }: Props) {
  const unit = usePreferences((state) => state.unit)
  return (
    <Pressable
      role="checkbox"
      aria-checked={done}
      aria-label={`${line ? `${[at, line].filter(Boolean).join(' ')}: ` : ''}${stepText(step, unit)}`}
      onPress={onTick}
      testID={`step-${step.id}`}
      className="min-h-[56px] flex-row items-center gap-3 border-b border-rule py-2 active:bg-patina-wash"
    >
      <View
        aria-hidden
        className={`h-[34px] w-[34px] items-center justify-center rounded-[4px] border-2 ${done ? 'border-patina bg-patina' : 'border-ink bg-raised'}`}
      >
        <Txt bold size="l" tone="on-patina">
          {done ? '✓' : ' '}
        </Txt>
      </View>
      <View className="flex-1">
        <Txt tone={done ? 'soft' : 'ink'}>{stepText(step, unit)}</Txt>
        <Txt size="s" tone="soft">
          {[
            at ?? '',
            line ? `${SERVICE_LOOK[line].mark} ${SERVICE_LOOK[line].word.toLowerCase()}` : '',
            step.seam === null ? '' : `seam ${step.seam + 1}`,
            step.captive ? `waits on the pipe: ${step.captive}` : '',
            step.passive ? `wait ${minutes(step.endSeconds - step.startSeconds)}` : '',
          ]
            .filter(Boolean)
            .join(' · ')}
        </Txt>
      </View>
    </Pressable>
  )
}
