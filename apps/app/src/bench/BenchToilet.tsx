import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import type { ReactNode } from 'react'
import { View } from 'react-native'
import Svg, { Path, Rect } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { Choice } from '../ui/Choice'
import { Length } from '../ui/Length'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { MeasureRows } from './MeasureRows'
import { useLengths } from './useLengths'

const BOWLS = [
  { value: '254', label: '10 in' },
  { value: '304.8', label: '12 in' },
  { value: '355.6', label: '14 in' },
] as const
const ROWS = [
  [
    'Finished wall to the flange’s middle',
    'Or to the middle of the closet bolts; add tile that is still to come.',
  ],
  ['Flange’s top over the bare floor', 'Where it lies on the bare floor, its own thickness.'],
  ['Floor still to come', 'Board, mortar and tile together.'],
  ['Wall to the left slot', 'To the middle of the slot.'],
  ['Wall to the right slot', 'To the middle of the slot.'],
  ['Finished floor down to the drain’s stop', 'To where the riser will stand in the socket below.'],
  [
    'Flange’s underside down to its stop',
    'Where the riser ends in the flange; none where it goes right through.',
  ],
] as const
/** Between the two slots of a closet flange, mm. Typical of the kind. */
const SLOTS_MM = 152.4
const SEALS = {
  wax: 'one wax of the usual height',
  'wax-thick': 'one thick wax',
  foam: 'a reusable foam seal, or rings and one wax',
  extender: 'rings that bring it up, screwed and sealed, then one seal',
} as const

function FlangePicture() {
  const { ink, raised, rule, patina } = usePalette()
  return (
    <Svg
      width="100%"
      height={120}
      viewBox="0 0 360 120"
      role="img"
      aria-label="A closet flange on a floor before a wall"
    >
      <Rect x={20} y={4} width={14} height={88} fill={rule} stroke={ink} strokeWidth={1.4} />
      <Rect x={20} y={80} width={126} height={12} fill={raised} stroke={ink} strokeWidth={1.4} />
      <Rect x={206} y={80} width={134} height={12} fill={raised} stroke={ink} strokeWidth={1.4} />
      <Path d="M120 80v-7h112v7M148 73v44M204 73v44" stroke={ink} strokeWidth={2} fill="none" />
      <Path d="M34 52h142M34 46v12M176 40v76" stroke={patina} strokeWidth={1.6} fill="none" />
      <Path d="M176 40v76" stroke={patina} strokeWidth={1} strokeDasharray="8 3 2 3" />
    </Svg>
  )
}

function Answer({ label, children }: { label: string; children: ReactNode }) {
  return (
    <View className="min-h-[60px] border-b border-rule py-2">
      <Txt size="s" tone="soft">
        {label}
      </Txt>
      <View className="flex-row flex-wrap items-center gap-2">{children}</View>
    </View>
  )
}

/** Rough-in, flange and squareness of a toilet. */
export function BenchToilet() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(ROWS.length)
  const { bowl = '304.8' } = useLocalSearchParams<Record<string, string>>()
  const [rough, flange, floor, left, right, below, socket] = lengths.map((mm) => mm ?? null)
  const request = {
    bowlMm: Number(bowl) || 304.8,
    ...(rough == null ? {} : { roughInMm: rough }),
    ...(flange == null ? {} : { flangeMm: flange, floorMm: [floor ?? 0] }),
    ...(left == null || right == null ? {} : { slots: { leftMm: left, rightMm: right, apartMm: SLOTS_MM } }),
    ...(below == null ? {} : { riser: { belowMm: below, flangeSocketMm: socket ?? 0 } }),
  }
  const { answer, error } = useSolved('toilet', request)
  const told = (reason: { ruleId: string; parameters: Readonly<Record<string, string | number>> }) =>
    say(REASONS[reason.ruleId] ?? '', reason.parameters, unit)
  return (
    <BenchFrame title="Toilet" fault={fault} error={error} operation="toilet" request={request}>
      <FlangePicture />
      {answer?.bowl ? (
        <Answer label="The bowl">
          {answer.bowl.ok ? (
            answer.bowl.offsetMm > 0 ? (
              <>
                <Txt bold tone="amber">
                  △ An offset flange that moves it
                </Txt>
                <Length mm={answer.bowl.offsetMm} quantity="missing-length" size="l" tone="amber" />
              </>
            ) : (
              <>
                <Txt bold tone="patina">
                  ✓ Fits; behind the tank more than usual by
                </Txt>
                <Length mm={Math.max(0, answer.bowl.gapMm)} size="l" />
              </>
            )
          ) : (
            <Txt bold tone="oxide">
              ✕ {told(answer.bowl.reason)}
            </Txt>
          )}
        </Answer>
      ) : null}
      {answer?.flange ? (
        <Answer label="The flange">
          {answer.flange.ok ? (
            <>
              <Txt bold tone={answer.flange.aboveMm >= 0 ? 'patina' : 'amber'}>
                {answer.flange.aboveMm >= 0 ? '✓ Over the finished floor by' : '△ Beneath it by'}
              </Txt>
              <Length
                mm={Math.abs(answer.flange.aboveMm)}
                size="l"
                {...(answer.flange.aboveMm < 0 ? { quantity: 'missing-length' as const } : {})}
              />
              <Txt>Seal: {SEALS[answer.flange.seal]}.</Txt>
              {answer.flange.notes.map((note) => (
                <Txt key={note.ruleId} size="s">
                  {told(note)}
                </Txt>
              ))}
            </>
          ) : (
            <Txt bold tone="oxide">
              ✕ {told(answer.flange.reason)}
            </Txt>
          )}
        </Answer>
      ) : null}
      {answer?.riser ? (
        <Answer label="The riser">
          {answer.riser.ok ? (
            <>
              <Txt bold>Cut it to</Txt>
              <Length mm={answer.riser.cutMm} quantity="pipe-to-cut" size="xl" tone="patina" />
            </>
          ) : (
            <Txt bold tone="oxide">
              ✕ {told(answer.riser.reason)}
            </Txt>
          )}
        </Answer>
      ) : null}
      {answer?.turnedDegrees === undefined ? null : (
        <Answer label="Square to the wall">
          <Txt bold tone={Math.abs(answer.turnedDegrees) < 1 ? 'patina' : 'amber'}>
            {Math.abs(answer.turnedDegrees) < 1
              ? '✓ Square'
              : `△ Turned by ${Math.abs(answer.turnedDegrees).toFixed(1)}°: the ${answer.turnedDegrees > 0 ? 'left' : 'right'} slot is farther off`}
          </Txt>
        </Answer>
      )}
      <View className="mt-2">
        <Choice
          label="The bowl is made for"
          columns={3}
          value={bowl}
          options={BOWLS.map((entry) => ({ ...entry }))}
          onChange={(value) => router.setParams({ bowl: value })}
        />
      </View>
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3">
        <UnitButton />
      </View>
      <Txt size="s" tone="soft" className="mt-2">
        15 in clear to each side; flange on the finished floor and screwed to the structure. The local code
        comes first.
      </Txt>
    </BenchFrame>
  )
}
