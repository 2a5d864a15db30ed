import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Choice } from '../ui/Choice'
import { Length } from '../ui/Length'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { Between } from './Between'
import { MeasureRows } from './MeasureRows'
import { TrapPicture } from './TrapPicture'
import { useLengths } from './useLengths'

const ROWS = [
  ['Drain out from the wall', 'Finished wall to the middle of the drain.'],
  [
    'Drain aside of the stub',
    'Middle of the stub to the middle of the drain, along the wall. None: leave it.',
  ],
  ['Drain’s end over the floor', 'Floor to where the tailpiece begins.'],
  ['Stub over the floor', 'Floor to the middle of the stub in the wall.'],
  ['Stub’s nut out from the wall', 'Finished wall to the mouth of the nut. Flush: leave it.'],
  ['Tailpiece in hand', 'From where it begins to its end; leave it where none is there yet.'],
  ['Swing of the trap', 'Middle of its inlet to the middle of its outlet, where it is in hand.'],
] as const
const SIZES = ['1-1/4', '1-1/2', '32', '40'] as const

/** A basin's or sink's trap: whether it lines up with the stub, and what to cut. */
export function BenchTrap() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(ROWS.length)
  const { size = '1-1/2' } = useLocalSearchParams<{ size?: string }>()
  const [out, aside, drain, stub, stubOut, tail, swing] = lengths.map((mm) => mm ?? null)
  const known = SIZES.find((entry) => entry === size) ?? '1-1/2'
  const request =
    out != null && drain != null && stub != null
      ? {
          size: known,
          outMm: out,
          asideMm: aside ?? 0,
          drainMm: drain,
          stubMm: stub,
          stubOutMm: stubOut ?? 0,
          tailMm: tail ?? null,
          ...(swing == null ? {} : { swingMm: swing }),
        }
      : null
  const { answer, error } = useSolved('trap', request)
  const fit = answer?.fit
  const grips = answer?.trap.grips !== undefined
  return (
    <BenchFrame title="Trap" fault={fault} error={error} operation="trap" request={request}>
      {answer && request ? (
        <TrapPicture trap={answer.trap} ask={request} fit={answer.fit.ok ? answer.fit : null} />
      ) : null}
      {answer && fit?.ok ? (
        <>
          <View className="flex-row gap-4 border-b-2 border-ink pb-2">
            <Between
              label={grips ? 'pipe, wall to its end' : 'wall tube, bend to end'}
              mm={fit.armMm}
              off={answer.armOff}
            />
            <Between label={grips ? 'inlet drawn out' : 'tailpiece'} mm={fit.tailMm} off={answer.tailOff} />
          </View>
          <Txt className="border-b border-rule py-3">
            {fit.swingDegrees < 0.5
              ? `The bend points straight ${fit.leg === 'toward' ? 'at the wall' : 'away from the wall'}.`
              : `Swing the bend ${Math.round(fit.swingDegrees)}° aside, ${fit.leg === 'toward' ? 'toward the wall' : 'away from the wall'}.`}
          </Txt>
          {fit.tailChangeMm === 0 ? null : (
            <View className="min-h-[56px] flex-row items-center justify-between border-b border-rule">
              <Txt className="flex-1">
                {fit.tailChangeMm > 0 ? 'Extend the tailpiece in hand by' : 'Cut off the tailpiece in hand'}
              </Txt>
              <Length mm={Math.abs(fit.tailChangeMm)} quantity="missing-length" size="xl" />
            </View>
          )}
          {fit.notes.map((note) => (
            <Note key={note.ruleId} kind="caution" title="Check the local code">
              {`${say(REASONS[note.ruleId] ?? '', note.parameters, unit)} ${note.source?.title ?? ''}`}
            </Note>
          ))}
        </>
      ) : fit && !fit.ok ? (
        <Note kind="stop" title="It does not line up">
          {say(REASONS[fit.reason.ruleId] ?? '', fit.reason.parameters, unit)}
        </Note>
      ) : (
        <Txt tone="soft" className="py-6">
          Measure the drain and the stub: the trap swings until its tube points straight into the wall.
        </Txt>
      )}
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3 gap-3">
        <Choice
          label="Size"
          columns={4}
          value={known}
          options={SIZES.map((value) => ({
            value,
            label: value.includes('/') ? `${value} in` : `${value} mm`,
          }))}
          onChange={(value) => router.setParams({ size: value })}
        />
        {answer ? (
          <Txt size="s" tone="soft">
            {answer.trap.source.title} ({answer.trap.source.certainty}): measure the swing of the one in hand.
          </Txt>
        ) : null}
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
