import type { OperationResponse } from '@diarmos/contract'
import { screenText } from '@diarmos/core/words/counts'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Length } from '../ui/Length'
import { Txt } from '../ui/Txt'

interface Props {
  apartMm: number | null
  service: string
  stagger: OperationResponse<'stagger'> | null
  onAsk: () => void
}

/** Whether this line and the one beside it can be made up where they stand. */
export function Beside({ apartMm, service, stagger, onAsk }: Props) {
  const unit = usePreferences((state) => state.unit)
  return (
    <Pressable
      role="button"
      aria-label={`To the ${service} line, middle to middle`}
      onPress={onAsk}
      className="min-h-[60px] flex-row items-center justify-between border-b border-rule"
    >
      <View className="flex-1 pr-2">
        <Txt>To the {service} line, middle to middle</Txt>
        {stagger ? (
          <Txt size="s" tone={stagger.clear ? 'soft' : 'amber'} bold={!stagger.clear}>
            {stagger.clear
              ? '✓ bodies and wrenches clear each other'
              : screenText(
                  'beside.touch',
                  { line: service, outMm: stagger.outMm, inMm: stagger.inMm, apartMm: stagger.apartMm },
                  unit,
                )}
          </Txt>
        ) : null}
      </View>
      {apartMm === null ? (
        <Txt bold tone="patina">
          measure
        </Txt>
      ) : (
        <Length mm={apartMm} size="l" />
      )}
    </Pressable>
  )
}
