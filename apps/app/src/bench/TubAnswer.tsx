import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { LengthRow } from '../ui/LengthRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { Between } from './Between'
import { TubPicture } from './TubPicture'

interface Props {
  ask: OperationRequest<'tub-waste'>
  answer: OperationResponse<'tub-waste'>
}

/** What is measured of a tub, in the job and at the bench. */
export const TUB_ROWS = {
  outMm: [
    'Drain to the overflow’s pipe',
    'Along the tub, from the middle of the drain to the middle of the pipe that comes down behind the overflow.',
  ],
  highMm: [
    'Overflow over the tub’s underside',
    'From under the tub at its drain up to the middle of the overflow’s hole.',
  ],
} as const

/** What both are called where it is said which of them to take again. */
const NAMES = { outMm: 'the way to the overflow’s pipe', highMm: 'the overflow’s height' }

/** The two tubes of a tub's waste and overflow, and where the trap comes; or why it does not go together. */
export function TubAnswer({ ask, answer: { fit, waste, shoeOff, overflowOff } }: Props) {
  const unit = usePreferences((state) => state.unit)
  return (
    <View testID="tub-answer">
      <TubPicture ask={ask} waste={waste} />
      {fit.ok ? (
        <>
          <View className="flex-row gap-4 border-b-2 border-ink pb-2">
            <Between label="tube, shoe to tee" mm={fit.shoeMm} off={shoeOff} names={NAMES} />
            <Between label="tube, tee to overflow" mm={fit.overflowMm} off={overflowOff} names={NAMES} />
          </View>
          <LengthRow label="Mouth to the trap, under the tub" mm={fit.mouthDownMm} />
          {fit.notes.map((note) => (
            <Note key={String(note.parameters.which)} kind="caution" title="The set in hand">
              {say(REASONS[note.ruleId] ?? '', note.parameters, unit)}
            </Note>
          ))}
        </>
      ) : (
        <Note kind="stop" title="It does not go together">
          {say(REASONS[fit.reason.ruleId] ?? '', fit.reason.parameters, unit)}
        </Note>
      )}
      <Txt size="s" tone="soft" className="pt-2">
        {`${waste.source.title} (${waste.source.certainty}): measure the set in hand. The trap stands under that mouth, not under the drain.`}
      </Txt>
    </View>
  )
}
