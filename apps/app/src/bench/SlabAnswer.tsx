import type { OperationRequest, OperationResponse } from '@diarmos/contract'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Length } from '../ui/Length'
import { LengthRow } from '../ui/LengthRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { OffBy } from './OffBy'
import { SlabPicture } from './SlabPicture'

interface Props {
  ask: OperationRequest<'slab'>
  answer: OperationResponse<'slab'>
  /** In a job the riser stands with the other cuts: here only what it is cut by. */
  listed?: boolean
}

/** What the lengths are called where it is said which of them to take again. */
const NAMES = {
  deepMm: 'how deep the old pipe is',
  outMm: 'the way to the drain',
  aboveMm: 'the drain’s height',
}

/** A trench in a slab: riser, trap, how deep, what goes back in; or why not. */
export function SlabAnswer({ ask, answer: { fit, riserOff }, listed = false }: Props) {
  const unit = usePreferences((state) => state.unit)
  if (!fit.ok)
    return (
      <Note kind="stop" title="It does not go in like that">
        {say(REASONS[fit.reason.ruleId] ?? '', fit.reason.parameters, unit)}
      </Note>
    )
  const rows = [
    ['Fall, from the trap to the old pipe', ask.deepMm - fit.trapMm],
    ['Top of the slab to the trap’s mouth', fit.inletMm],
    ['Trench, along', fit.lengthMm],
    ['Trench, across', fit.acrossMm],
  ] as const
  return (
    <View testID="slab-answer">
      <SlabPicture ask={ask} fit={fit} />
      <View className="flex-row gap-4 border-b-2 border-ink pb-2">
        <View className="flex-1">
          <Txt size="s" tone="soft">
            riser, left long
          </Txt>
          <Length mm={fit.longMm} size="xxl" />
          <Txt size="s" tone="soft">
            half a foot over the floor
          </Txt>
        </View>
        <View className="flex-1">
          <Txt size="s" tone="soft">
            {listed ? 'trap’s middle to the drain’s mouth' : 'riser, cut for the drain'}
          </Txt>
          {fit.riserMm === null || ask.aboveMm == null ? (
            <Txt tone="soft">with the drain in hand</Txt>
          ) : (
            <>
              {listed ? (
                <Length mm={fit.trapMm + ask.aboveMm} size="xxl" />
              ) : (
                <Length mm={fit.riserMm} quantity="pipe-to-cut" size="xxl" />
              )}
              <OffBy off={riserOff} names={NAMES} />
            </>
          )}
        </View>
      </View>
      {rows.map(([label, mm]) => (
        <LengthRow key={label} label={label} mm={mm} />
      ))}
      <View className="min-h-[48px] flex-row items-center justify-between border-b border-rule">
        <Txt className="flex-1 pr-2">Concrete to put back</Txt>
        <Txt bold size="l">
          {`${Math.ceil(fit.litres)} litres, ${fit.bags} bags of ${unit === 'mm' ? '36 kg' : '80 lb'}`}
        </Txt>
      </View>
      <Txt size="s" tone="soft" className="pt-2">
        {`Dug for the least seal that a trap holds (${fit.seal.title}, ${fit.seal.certainty}): measure the one in hand.`}
      </Txt>
      {fit.notes.map((note) => (
        <Note
          key={note.ruleId}
          kind="caution"
          title={note.ruleId === 'trap.drop' ? 'Check the local code' : 'Before the saw'}
        >
          {`${say(REASONS[note.ruleId] ?? '', note.parameters, unit)} ${note.source?.title ?? ''}`.trim()}
        </Note>
      ))}
    </View>
  )
}
