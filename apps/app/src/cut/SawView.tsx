import { type QuantityKind, ROUNDING } from '@diarmos/core/units'
import { useEffect } from 'react'
import { Modal, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { CloseButton } from '../ui/CloseButton'
import { Length } from '../ui/Length'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useBackCloses } from '../ui/useBackCloses'
import { useEscapeCloses } from '../ui/useEscapeCloses'
import type { Cut } from './saw'

/** Which way a length was rounded, and why. */
function Rounded({ mm, quantity }: { mm: number; quantity: QuantityKind }) {
  const unit = usePreferences((state) => state.unit)
  const { direction, why } = ROUNDING[quantity]
  return (
    <Txt size="s" tone="soft">
      {unit === 'in' ? `exactly ${mm.toFixed(1)} mm; ` : ''}rounded {direction}: {why}.
    </Txt>
  )
}

interface Props {
  cuts: readonly Cut[]
  onCut: (cut: Cut) => void
  onClose: () => void
}

/** One number, as large as the screen lets it be, for whoever stands at the saw: mark, cut, next. */
export function SawView({ cuts, onCut, onClose }: Props) {
  useBackCloses(onClose)
  useEscapeCloses(onClose)
  // what is left long is not cut by the tape
  const known = cuts.filter((cut) => cut.mm !== null && !cut.long)
  const next = known.find((cut) => !cut.done || cut.wasMm !== null)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Enter' && next && !(event.target instanceof HTMLButtonElement)) onCut(next)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [next, onCut])
  return (
    <Modal visible animationType="none" onRequestClose={onClose} aria-label="At the saw">
      <View className="flex-1 bg-sheet px-4 pb-4 pt-2">
        <View className="flex-row items-center justify-between border-b-2 border-ink pb-2">
          <Txt bold size="l" heading={2}>
            {next ? `${known.indexOf(next) + 1} of ${known.length}` : 'At the saw'}
          </Txt>
          <View className="flex-row items-center gap-2">
            <UnitButton />
            <CloseButton onPress={onClose} />
          </View>
        </View>
        {next ? (
          <View className="flex-1 justify-center" aria-live="polite" testID="saw-number">
            <Txt bold size="xl" tone="soft">
              {next.letter ? `${next.letter}: ` : ''}
              {next.name}
            </Txt>
            <Length mm={next.mm ?? 0} quantity={next.quantity} size="saw" />
            <Rounded mm={next.mm ?? 0} quantity={next.quantity} />
            {next.marksMm.length > 0 ? (
              <View className="mt-4 flex-row flex-wrap items-center gap-x-3 border-t border-rule pt-3">
                <Txt size="l" tone="soft">
                  mark from the {next.marksMm.length > 1 ? 'ends' : 'end'}
                </Txt>
                {next.marksMm.map((mm, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a piece has a first and a second end
                  <Length key={index} mm={mm} quantity="insertion-mark" size="xl" tone="patina" />
                ))}
              </View>
            ) : null}
            {next.wasMm !== null ? (
              <Txt tone="amber" bold className="mt-3">
                ⚠ A piece was cut for the length before: this one is another.
              </Txt>
            ) : null}
          </View>
        ) : (
          <View className="flex-1 justify-center">
            <Txt bold tone="patina" size="xxl">
              ✓ All cut
            </Txt>
          </View>
        )}
        <Button
          kind="primary"
          label={next ? 'Mark, cut, next' : 'Back to the job'}
          onPress={() => (next ? onCut(next) : onClose())}
          testID="saw-next"
        />
      </View>
    </Modal>
  )
}
