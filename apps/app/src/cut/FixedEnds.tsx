import type { OperationResponse } from '@diarmos/contract'
import type { Family } from '@diarmos/core'
import type { ParsedLength } from '@diarmos/core/units'
import { pieceLetter } from '@diarmos/core/units'
import { screenText } from '@diarmos/core/words/counts'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { sideTexts, stationText } from '@diarmos/core/words/stations'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

interface Props {
  answer: OperationResponse<'fixed-ends'>
  families: readonly Family[]
  /** Whether the free pipe and the room beside it were measured. */
  measured: boolean
  placeMm: number | null
  /** So much comes out; of a corner, on this side or the other. */
  onOut: (length: ParsedLength, leg: 0 | 1) => void
  /** Where what goes in stands: to that place, so far. */
  onPlace: (to: string, length: ParsedLength) => void
}

/** A force as a hand knows it: what hangs from it. */
const kilograms = (newtons: number) => `${Math.max(1, Math.round(newtons / 9.81))} kg`

const bridged = ([least, most]: readonly [number, number]) =>
  most - least > 50 ? 'or more, with a longer piece' : 'what the joints bridge'

/** What comes out of a run, what slides where, whether it could be sprung, and the order. */
export function FixedEnds({ answer, families, measured, placeMm, onOut, onPlace }: Props) {
  const unit = usePreferences((state) => state.unit)
  const { spring, windowMm, pieces } = answer
  const [one, other] = spring.sides
  const [side] = sideTexts(families)
  const begins = side === 'this side' ? 'on this side' : side
  const words = ({ ruleId, parameters }: { ruleId: string; parameters: Record<string, string | number> }) =>
    say(REASONS[ruleId] ?? ruleId, parameters, unit)
  return (
    <View testID="fixed-ends">
      {answer.corner ? (
        ([0, 1] as const).map((leg) => (
          <MeasureRow
            key={leg}
            label={leg === 0 ? 'Take out on this side of the corner' : 'Take out on the other side'}
            hint="From where the middles of both legs meet, to the cut."
            mm={answer.corner?.legs[leg].takeOutMm ?? null}
            quantity="piece-to-remove"
            detail={bridged(answer.corner?.legs[leg].windowMm ?? windowMm)}
            onEnter={(length) => onOut(length, leg)}
          />
        ))
      ) : (
        <MeasureRow
          label="Take out of the run"
          hint="From cut to cut."
          mm={answer.takeOutMm > 0 ? answer.takeOutMm : null}
          quantity="piece-to-remove"
          detail={bridged(windowMm)}
          onEnter={(length) => onOut(length, 0)}
        />
      )}
      {answer.between === null ? null : (
        <MeasureRow
          label={`From the cut ${begins} to ${stationText(`part:${answer.between}:centre`, families)}`}
          mm={placeMm}
          onEnter={(length) => onPlace(`part:${answer.between}:centre`, length)}
        />
      )}
      {answer.reason ? (
        <Note kind="caution" title="This does not go in">
          {words(answer.reason)}
        </Note>
      ) : null}
      <View className="flex-row gap-4 border-b border-rule py-2">
        {sideTexts(families).map((side, index) => (
          <View key={side} className="flex-1">
            <Txt size="s" tone="soft">
              bare straight pipe, {side}
            </Txt>
            <Length mm={answer.leastBareMm[index as 0 | 1]} quantity="least-stub" size="l" />
          </View>
        ))}
        {pieces.map(({ part, cutMm }, index) =>
          cutMm === null ? null : (
            <View key={part} className="flex-1">
              <Txt size="s" tone="soft">
                piece {pieceLetter(index)}
              </Txt>
              <Length mm={cutMm} quantity="pipe-to-cut" size="l" tone="patina" />
            </View>
          ),
        )}
      </View>
      <View role="list" aria-label="Order of work" className="mt-2">
        {answer.steps.map((step, index) => (
          <View
            key={step.ruleId + String(step.parameters.letter ?? '')}
            role="listitem"
            className="flex-row gap-3 py-1"
          >
            <Txt bold tone="patina" className="w-6 text-right">
              {index + 1}
            </Txt>
            <Txt className="flex-1">{words(step)}</Txt>
          </View>
        ))}
      </View>
      {one.limit === 'rigid' && other.limit === 'rigid' ? null : (
        <View className="mt-2 border-t border-rule pt-2">
          <Txt bold>
            {spring.can ? '✓ It could be sprung over a joint' : '✕ It cannot be sprung over a joint'}
          </Txt>
          {!measured ? (
            <Txt size="s" tone="soft">
              Measure the free pipe and the room beside it to know what it yields.
            </Txt>
          ) : (
            <Txt size="s" tone="soft">
              {screenText(
                answer.corner ? 'spring.corner' : 'spring.yields',
                { haveMm: spring.haveMm, needsMm: spring.needsMm },
                unit,
              )}
              {one.sidewaysMm > 0 && !answer.corner
                ? screenText(
                    'spring.pushed',
                    {
                      sidewaysMm: one.sidewaysMm,
                      force: kilograms(one.forceN),
                      stressMPa: Math.round(one.stressMPa),
                      limit: one.limit,
                    },
                    unit,
                  )
                : ''}
              {other.limit === 'rigid' ? '; it is not sprung at all' : ''}.{' '}
              {spring.can
                ? ''
                : spring.leastFreeMm === null
                  ? 'No length would do in that room.'
                  : screenText('spring.from', { free: spring.leastFreeMm }, unit)}
            </Txt>
          )}
          <Txt size="s" tone="soft">
            Bent as a beam clamped at one end; push it before cutting, to learn what it really gives.
          </Txt>
        </View>
      )}
    </View>
  )
}
