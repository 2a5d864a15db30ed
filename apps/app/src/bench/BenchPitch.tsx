import { screenText } from '@diarmos/core/words/counts'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import Svg, { Path, Rect } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { Choice } from '../ui/Choice'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { MeasureRows } from './MeasureRows'
import { useLengths } from './useLengths'

/** A pitch as it is spoken: inches to the foot, or in the hundred. */
const spoken = (id: string) => (id.endsWith('%') ? `${id.slice(0, -2)} in 100` : `${id} in a foot`)
const QUARTER = String(1 / 48)
const FITTINGS = ['First fitting', 'Second fitting', 'Third fitting'] as const
const UNDER = [
  [
    'Underside above to the middle',
    'From the joist or slab above down to the middle of the pipe’s high end.',
  ],
  ['Pipe with its fittings, across', 'The widest that has to pass.'],
  ['Room from above to below', 'From the same underside down to the ceiling or beam below.'],
] as const
const LEVELS = [
  { value: '228.6', label: '9 in' },
  { value: '609.6', label: '2 ft' },
  { value: '1219.2', label: '4 ft' },
  { value: '600', label: '600 mm' },
] as const

function LevelPicture() {
  const { ink, raised, patina } = usePalette()
  return (
    <Svg
      width="100%"
      height={96}
      viewBox="0 0 360 96"
      role="img"
      aria-label="A level on a pipe, shimmed at its low end"
    >
      <Path d="M16 52L344 74" stroke={ink} strokeWidth={17} />
      <Path d="M16 52L344 74" stroke={raised} strokeWidth={13} />
      <Rect x={70} y={16} width={214} height={22} fill={raised} stroke={ink} strokeWidth={1.8} />
      <Rect x={160} y={21} width={34} height={11} rx={5} fill="none" stroke={patina} strokeWidth={1.6} />
      <Path d="M172 21v11M182 21v11M74 38v9" stroke={ink} strokeWidth={1.4} />
      <Rect x={262} y={38} width={20} height={23} fill={patina} stroke={ink} strokeWidth={1.4} />
    </Svg>
  )
}

function Answer({ label, mm, text }: { label: string; mm?: number; text?: string }) {
  return (
    <View className="min-h-[64px] flex-row items-center justify-between border-b border-rule">
      <Txt className="flex-1">{label}</Txt>
      {mm === undefined ? (
        <Txt bold size="xl">
          {text}
        </Txt>
      ) : (
        <Length mm={mm} size="xl" />
      )}
    </View>
  )
}

/** What a run falls, and how a level shows it. */
export function BenchPitch() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(1 + FITTINGS.length + UNDER.length)
  const { pitch = QUARTER, level = '609.6' } = useLocalSearchParams<Record<string, string>>()
  const [lengthMm] = lengths
  const points = FITTINGS.flatMap((name, index) => {
    const alongMm = lengths[1 + index]
    return alongMm == null ? [] : [{ name, alongMm }]
  })
  const [headMm, outsideMm, roomMm] = lengths.slice(1 + FITTINGS.length)
  const request = {
    lengthMm: lengthMm ?? 1000,
    pitch: Number(pitch),
    levelMm: Number(level),
    ...(points.length > 0 ? { points } : {}),
    ...(lengthMm && headMm && outsideMm && roomMm ? { under: { headMm, outsideMm, roomMm } } : {}),
  }
  const { answer, error } = useSolved('pitch', request)
  const usual = answer?.usual ?? []
  const chosen = usual.find((entry) => String(entry.pitch) === pitch)
  return (
    <BenchFrame title="Pitch" fault={fault} error={error} operation="pitch" request={request}>
      <LevelPicture />
      <MeasureRow
        label="Length of the run"
        hint="Along the pipe, from end to end."
        mm={lengthMm ?? null}
        onEnter={({ mm }) => set(0, mm)}
      />
      {answer ? (
        <>
          {lengthMm ? <Answer label="It falls" mm={answer.fallMm} /> : null}
          <Answer label="Under the level’s low end" mm={answer.shimMm ?? 0} />
          <Answer label="A graduated vial reads" text={`${answer.percent.toFixed(2)} in 100`} />
        </>
      ) : null}
      {FITTINGS.map((name, index) => {
        const point = answer?.points?.find((entry) => entry.name === name)
        return (
          <MeasureRow
            key={name}
            label={`${name}, along the pipe`}
            hint="From the high end."
            mm={lengths[1 + index] ?? null}
            {...(point
              ? {
                  detail: screenText('pitch.below', { down: -point.elevationMm }, unit),
                }
              : {})}
            onEnter={({ mm }) => set(1 + index, mm)}
          />
        )
      })}
      {answer?.under ? (
        answer.under.ok ? (
          <Answer label="Left under its low end" mm={answer.under.leftMm} />
        ) : (
          <Note kind="caution" title="It does not pass">
            {say(REASONS[answer.under.reason.ruleId] ?? '', answer.under.reason.parameters, unit)}
          </Note>
        )
      ) : null}
      <MeasureRows rows={UNDER} lengths={lengths} set={set} from={1 + FITTINGS.length} />
      <View className="mt-3 gap-3">
        <Choice
          label="Pitch"
          value={pitch}
          options={usual.map((entry) => ({ value: String(entry.pitch), label: spoken(entry.id) }))}
          onChange={(value) => router.setParams({ pitch: value })}
        />
        <Choice
          label="The level is"
          columns={4}
          value={level}
          options={LEVELS.map((entry) => ({ ...entry }))}
          onChange={(value) => router.setParams({ level: value })}
        />
        <UnitButton />
      </View>
      <Txt size="s" tone="soft" className="mt-3">
        {chosen ? `${chosen.source.title} (${chosen.source.certainty}). ` : ''}The local code comes first.
      </Txt>
    </BenchFrame>
  )
}
