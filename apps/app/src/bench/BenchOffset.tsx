import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Choice } from '../ui/Choice'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { BendChoice, useBend } from './BendChoice'
import { OffBy } from './OffBy'
import { OffsetPicture } from './OffsetPicture'
import { useLengths } from './useLengths'

const PITCHES = [
  { value: '0', label: 'level' },
  { value: String(1 / 48), label: '1/4 in a foot' },
  { value: String(1 / 96), label: '1/8 in a foot' },
  { value: '0.02', label: '2 in 100' },
] as const

/** A simple or rolling offset: every bend that is made, and the piece between. */
export function BenchOffset() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(2)
  const { at = '45', pitch = '0' } = useLocalSearchParams<Record<string, string>>()
  const [rollMm, riseMm] = lengths
  const { end, kind } = useBend()
  const request =
    (rollMm ?? null) === null && (riseMm ?? null) === null
      ? null
      : {
          rollMm: rollMm ?? 0,
          riseMm: riseMm ?? 0,
          ...(end ? { bend: end } : {}),
          ...(PITCHES.some(({ value }) => value === pitch && value !== '0') ? { pitch: Number(pitch) } : {}),
        }
  const solved = useSolved('offset', request)
  const rows = solved.answer ?? []
  const shown = rows.find(({ angleDegrees }) => String(angleDegrees) === at) ?? rows[2]
  const rolling = rollMm && riseMm
  return (
    <BenchFrame title="Offset" fault={fault} error={solved.error} operation="offset" request={request}>
      {shown?.offset.ok ? (
        <OffsetPicture angleDegrees={shown.angleDegrees} {...shown.offset} />
      ) : (
        <Txt tone="soft" className="py-6">
          Measure how far the two lines stand apart: sideways, up, or both.
        </Txt>
      )}
      <MeasureRow
        label="Sideways"
        hint="From the middle of one line to the middle of the other, level."
        mm={rollMm ?? null}
        onEnter={({ mm }) => set(0, mm)}
      />
      <MeasureRow
        label="Up or down"
        hint="From the middle of one line to the middle of the other, plumb."
        mm={riseMm ?? null}
        onEnter={({ mm }) => set(1, mm)}
      />
      {shown?.offset.ok ? <OffBy off={shown.off} /> : null}
      {shown?.fallMm ? (
        <View className="flex-row items-center justify-between border-b border-rule py-2">
          <Txt className="flex-1">The pitch is kept: from bend to bend it falls</Txt>
          <Length mm={shown.fallMm} size="l" />
        </View>
      ) : null}
      {rolling && shown?.offset.ok ? (
        <View className="flex-row items-center justify-between border-b border-rule py-2">
          <Txt>A rolling offset: its bends lie out of the flat by</Txt>
          <Txt bold size="l">
            {shown.offset.rollDegrees.toFixed(1)}°
          </Txt>
        </View>
      ) : null}
      {rows.length > 0 ? (
        <View role="radiogroup" aria-label="Bend" className="mt-3">
          <View className="flex-row border-b-2 border-ink pb-1">
            {['Bend', 'Travel', 'Run', 'Piece'].map((head) => (
              <Txt key={head} size="s" bold className="flex-1 text-right">
                {head}
              </Txt>
            ))}
          </View>
          {rows.map(({ angleDegrees, offset, piece }) => {
            const here = angleDegrees === shown?.angleDegrees
            return (
              <Pressable
                key={angleDegrees}
                role="radio"
                aria-checked={here}
                aria-label={`Bend: ${angleDegrees} degrees`}
                onPress={() => router.setParams({ at: String(angleDegrees) })}
                className={`min-h-[52px] flex-row items-center border-b border-rule ${here ? 'bg-patina-wash' : ''}`}
              >
                <Txt bold={here} tone={here ? 'patina' : 'ink'} className="flex-1 text-right">
                  {angleDegrees}°
                </Txt>
                {offset.ok ? (
                  <>
                    <View className="flex-1 items-end">
                      <Length mm={offset.travelMm} />
                    </View>
                    <View className="flex-1 items-end">
                      <Length mm={offset.runMm} />
                    </View>
                    <View className="flex-1 items-end">
                      {piece?.ok ? (
                        <Length mm={piece.cutMm} quantity="pipe-to-cut" tone="patina" />
                      ) : (
                        <Txt tone="soft">{piece ? 'too close' : '—'}</Txt>
                      )}
                    </View>
                  </>
                ) : null}
              </Pressable>
            )
          })}
        </View>
      ) : null}
      {shown?.piece && !shown.piece.ok ? (
        <Note kind="caution" title="No piece fits between">
          {say(REASONS[shown.piece.reason.ruleId] ?? '', shown.piece.reason.parameters, unit)}
        </Note>
      ) : null}
      {shown && !shown.piece ? (
        <Txt size="s" tone="soft" className="mt-1">
          No such bend is in the catalogue: travel and run hold for any.
        </Txt>
      ) : shown?.part ? (
        <Txt size="s" tone="soft" className="mt-1">
          Piece between two of: {shown.part},{' '}
          {kind?.plain ? 'the coupling’s stop on either side reckoned in' : 'pipe fully home'} (typical of the
          kind: the maker’s sheet decides).
        </Txt>
      ) : null}
      <View className="mt-3 gap-3">
        <BendChoice />
        <Choice
          label="The run is laid"
          columns={2}
          value={PITCHES.find(({ value }) => value === pitch)?.value ?? '0'}
          options={PITCHES.map((entry) => ({ ...entry }))}
          onChange={(value) => router.setParams({ pitch: value })}
        />
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
