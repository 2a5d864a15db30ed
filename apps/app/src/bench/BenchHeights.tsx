import { screenText } from '@diarmos/core/words/counts'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { useLengths } from './useLengths'

/** Names of the usual heights, in the order in which the core lists them. */
const NAMES: Readonly<Record<string, string>> = {
  'tub-valve': 'Tub valve over the floor',
  'shower-valve': 'Shower valve over the floor',
  'shower-arm': 'Shower arm over the floor',
  'valve-from-tub-edge': 'Valve and spout from the tub’s outer edge: half its width',
  'spout-below-valve': 'Spout below the valve',
  'spout-above-rim': 'Spout over the rim',
  'basin-supply': 'Basin stops over the floor',
  'toilet-supply': 'Toilet stop over the floor',
  'washer-supply': 'Washing machine box over the floor',
  'standpipe-above-weir': 'Standpipe over its weir',
  'standpipe-trap-above-floor': 'Standpipe’s trap over the floor',
}
const ORDER = Object.keys(NAMES)

const WALL = ['Wall, outer layer', 'Sheathing or block', 'Stud or cavity', 'Board inside'] as const

/** Usual heights, and the length of a frost-free bib for its wall. */
export function BenchHeights() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(ORDER.length + WALL.length)
  const measured = ORDER.flatMap((id, index) => {
    const mm = lengths[index]
    return mm == null ? [] : [{ id, mm }]
  })
  const request = { measured }
  const { answer, error } = useSolved('rough-in', request)
  const layers = WALL.flatMap((name, index) => {
    const mm = lengths[ORDER.length + index]
    return mm == null ? [] : [{ name, mm }]
  })
  const bib = useSolved('bib', layers.length > 0 ? { layers } : null)
  return (
    <BenchFrame title="Heights and walls" fault={fault} error={error} operation="rough-in" request={request}>
      <Txt bold size="l" heading={2}>
        Usual heights
      </Txt>
      <Txt size="s" tone="soft">
        The sheet of what goes in, and the local code, come first.
      </Txt>
      {(answer ?? []).map(({ id, mm: [least, most], fit, measuredMm, source }) => (
        <View key={id}>
          <MeasureRow
            label={NAMES[id] ?? id}
            mm={measuredMm}
            detail={`${screenText('heights.range', { least, most }, unit)} · ${source.certainty === 'recalled' ? source.title : source.certainty}`}
            onEnter={(length) => set(ORDER.indexOf(id), length.mm)}
          />
          {fit ? (
            <Txt size="s" bold tone={fit.ok ? 'patina' : 'amber'}>
              {fit.ok
                ? '✓ as usual'
                : `△ ${say(REASONS[fit.reason.ruleId] ?? '', fit.reason.parameters, unit)}`}
            </Txt>
          ) : null}
        </View>
      ))}
      <Txt bold size="l" heading={2} className="mt-5">
        Frost-free bib
      </Txt>
      {WALL.map((name, index) => (
        <MeasureRow
          key={name}
          label={name}
          mm={lengths[ORDER.length + index] ?? null}
          onEnter={({ mm }) => set(ORDER.length + index, mm)}
        />
      ))}
      {bib.answer?.ok ? (
        <View className="flex-row items-end justify-between border-b-2 border-ink py-2">
          <Txt className="flex-1">Its seat lies an inch beyond the warm side with a bib of</Txt>
          <Length mm={bib.answer.lengthMm} size="xxl" />
        </View>
      ) : bib.answer ? (
        <Note kind="caution" title="Thicker than they are made">
          {say(REASONS[bib.answer.reason.ruleId] ?? '', bib.answer.reason.parameters, unit)}
        </Note>
      ) : (
        <Txt tone="soft">Measure the wall’s layers: the seat must lie on the warm side of all of them.</Txt>
      )}
      <View className="mt-3">
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
