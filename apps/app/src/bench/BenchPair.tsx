import { router, useLocalSearchParams } from 'expo-router'
import { Pressable, View } from 'react-native'
import { Choice } from '../ui/Choice'
import { Length } from '../ui/Length'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { BendChoice, useBend } from './BendChoice'
import { MeasureRows } from './MeasureRows'
import { OffBy } from './OffBy'
import { PairPicture } from './PairPicture'
import { TurnedBends } from './TurnedBends'
import { useLengths } from './useLengths'

const ROWS = [
  ['Along', 'From the end of the first line to the end of the second, along the first.'],
  ['Sideways', 'From the middle of the first line to the middle of the second, level.'],
  ['Up or down', 'From the middle of the first line to the middle of the second, plumb.'],
] as const
const TURNS = ['0', '11.25', '22.5', '45', '60', '90'] as const
const keyOf = ({ first, second }: { first: number; second: number }) => `${first}-${second}`
type Turn = (typeof TURNS)[number]

/** Two lines that do not meet, and the pairs of bends that join them. */
export function BenchPair() {
  const { lengths, fault, set } = useLengths(ROWS.length)
  const params = useLocalSearchParams<Record<string, string>>()
  const turn: Turn = TURNS.find((entry) => entry === params.turn) ?? '0'
  const up = params.up === '1'
  const [along, aside, rise] = lengths.map((mm) => mm ?? null)
  const { end } = useBend()
  const request =
    along != null && (aside != null || rise != null || turn !== '0')
      ? {
          alongMm: along,
          asideMm: aside ?? 0,
          upMm: rise ?? 0,
          ...(up ? { tiltedDegrees: Number(turn) } : { turnedDegrees: Number(turn) }),
          ...(end ? { bend: end } : {}),
        }
      : null
  const { answer, error } = useSolved('bend-pairs', request)
  const shown = answer?.find((pair) => keyOf(pair) === params.at) ?? answer?.[0]
  return (
    <BenchFrame
      title="Two bends between two lines"
      fault={fault}
      error={error}
      operation="bend-pairs"
      request={request}
    >
      {shown && request ? (
        <PairPicture pair={shown} end={[request.alongMm, request.asideMm, request.upMm]} />
      ) : null}
      {answer && answer.length > 0 ? (
        answer.map((pair) => (
          <Pressable
            key={keyOf(pair)}
            role="radio"
            aria-checked={pair === shown}
            aria-label={`Bends of ${pair.first} and ${pair.second} degrees`}
            onPress={() => router.setParams({ at: keyOf(pair) })}
            className={`border-b border-rule px-2 py-2 ${pair === shown ? 'bg-patina-wash' : ''}`}
          >
            <View className="flex-row items-center justify-between">
              <Txt bold size="l">
                {pair.first}° and {pair.second}°
              </Txt>
              {pair.piece?.ok ? (
                <Length mm={pair.piece.cutMm} quantity="pipe-to-cut" size="xl" tone="patina" />
              ) : (
                <Txt tone="soft">{pair.piece ? 'too close' : 'travel'}</Txt>
              )}
              {pair.piece?.ok ? null : <Length mm={pair.travelMm} size="l" />}
            </View>
            <View className="flex-row flex-wrap gap-x-4">
              <Figure
                label={pair.beforeMm < 0 ? 'cut the first back' : 'first goes on'}
                mm={Math.abs(pair.beforeMm)}
              />
              <Figure
                label={pair.behindMm < 0 ? 'cut the second back' : 'second begins earlier by'}
                mm={Math.abs(pair.behindMm)}
              />
            </View>
            {pair === shown ? <OffBy off={pair.off} /> : null}
            <Txt size="s" tone={pair.missDegrees > 0.1 ? 'amber' : 'soft'} bold={pair.missDegrees > 0.1}>
              {pair.turnedDegrees > 0.5
                ? `second bend turned ${pair.turnedDegrees.toFixed(1)}° out of the plane of the first; `
                : 'both bends in one plane; '}
              {pair.missDegrees > 0.1
                ? `△ the joints have to give ${pair.missDegrees.toFixed(1)}°`
                : 'the angles come out'}
            </Txt>
          </Pressable>
        ))
      ) : answer ? (
        <Txt className="py-4">
          No two bends that are made join these lines within two degrees: a third bend, or a piece that gives.
        </Txt>
      ) : (
        <Txt tone="soft" className="py-6">
          Measure from the end of one line to the end of the other. Equal bends bring the line back to its own
          direction; where the second points elsewhere, two different ones may.
        </Txt>
      )}
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3 gap-3">
        <Choice
          label="The second line points another way by"
          columns={3}
          value={turn}
          options={TURNS.map((value) => ({ value, label: `${value}°` }))}
          onChange={(value) => router.setParams({ turn: value })}
        />
        {turn === '0' ? null : (
          <Toggle
            label="Upward, not sideways"
            value={up}
            onChange={(on) => router.setParams({ up: on ? '1' : '0' })}
          />
        )}
        <BendChoice />
        <UnitButton />
      </View>
      <TurnedBends />
    </BenchFrame>
  )
}

function Figure({ label, mm }: { label: string; mm: number }) {
  return (
    <View className="flex-row items-center gap-1">
      <Txt size="s" tone="soft">
        {label}
      </Txt>
      <Length mm={mm} />
    </View>
  )
}
