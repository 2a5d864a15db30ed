import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { Length } from '../ui/Length'
import { Txt } from '../ui/Txt'
import type { Cut } from './saw'

interface Props {
  cut: Cut
  /** The measurement to take again, in words, where one weighs most. */
  again: string | null
  onTick: () => void
  /** Measures from mouth to mouth, where that is surer. */
  onMouths?: () => void
  /** Leaves it long for now, or not, where it may be. */
  onLong?: () => void
}

/** One thing to saw: its length, its marks, and a box to tick. */
export function CutRow({ cut, again, onTick, onMouths, onLong }: Props) {
  const unit = usePreferences((state) => state.unit)
  const { letter, name, mm, quantity, marksMm, piece, done, long, wasMm } = cut
  return (
    <View className="border-b border-rule py-2">
      <View className="flex-row items-center gap-3">
        <Pressable
          role="checkbox"
          aria-checked={done}
          aria-disabled={mm === null}
          disabled={mm === null}
          aria-label={`${letter ? `Piece ${letter}` : 'Old pipe'} is cut`}
          onPress={onTick}
          className={`h-[48px] w-[48px] items-center justify-center rounded-[4px] border-2 ${done ? 'border-patina bg-patina' : mm === null ? 'border-rule bg-sheet' : 'border-ink bg-raised'}`}
        >
          <Txt bold size="l" tone={done ? 'on-patina' : 'ink'}>
            {done ? '✓' : (letter ?? '¦')}
          </Txt>
        </Pressable>
        <View className="flex-1">
          <Txt size="s" tone="soft">
            {name}
          </Txt>
          {marksMm.length > 0 ? (
            <View className="flex-row flex-wrap items-center gap-x-2">
              <Txt size="s" tone="soft">
                {marksMm.length > 1 ? 'marks' : 'mark'}
              </Txt>
              {marksMm.map((mark, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a piece has a first and a second end
                <Length key={index} mm={mark} quantity="insertion-mark" tone="patina" />
              ))}
            </View>
          ) : null}
        </View>
        {mm === null ? (
          <Txt bold size="xl" tone="soft">
            ?
          </Txt>
        ) : (
          <Length mm={mm} quantity={quantity} size="xxl" />
        )}
      </View>
      {wasMm !== null ? (
        <View className="flex-row flex-wrap items-center gap-1">
          <Txt bold tone="amber">
            ⚠ cut at
          </Txt>
          <Length mm={wasMm} tone="amber" />
          <Txt bold tone="amber">
            : measure it against this
          </Txt>
        </View>
      ) : null}
      {piece?.reason ? (
        <Txt
          size="s"
          tone={piece.reason.ruleId === 'cut.too-close' ? 'oxide' : onMouths ? 'amber' : 'soft'}
          bold={piece.reason.ruleId !== 'layout.measure-again'}
        >
          {piece.reason.ruleId === 'cut.too-close' ? '✕ ' : onMouths ? '⚠ ' : '± '}
          {say(REASONS[piece.reason.ruleId] ?? '', piece.reason.parameters, unit)}
        </Txt>
      ) : null}
      {again && !onMouths ? (
        <Txt size="s" tone="soft">
          It weighs most what was measured {again}.
        </Txt>
      ) : null}
      {onMouths ? <Button kind="quiet" label="Measure mouth to mouth" onPress={onMouths} /> : null}
      {long ? (
        <Txt bold tone="amber">
          Left long and capped: cut with the part in hand, once the wall is shut.
        </Txt>
      ) : null}
      {onLong ? (
        <Button
          kind="quiet"
          label={long ? 'Cut it now by the tape' : 'Leave it long for now'}
          onPress={onLong}
        />
      ) : null}
    </View>
  )
}
