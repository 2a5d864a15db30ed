import { type TrapMeasures, trapAsk } from '@diarmos/core/record'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import { Between } from '../bench/Between'
import { TrapPicture } from '../bench/TrapPicture'
import { usePreferences } from '../data/preferences'
import type { JobView, LineView } from '../data/select'
import { setConditions } from '../job/actions'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'
import type { Layout } from './saw'

const ROWS = [
  ['outMm', 'Drain out from the wall', 'Finished wall to the middle of the drain.'],
  ['asideMm', 'Drain aside of the stub', 'Middle of the stub to the middle of the drain, along the wall.'],
  ['drainMm', 'Drain’s end over the floor', 'Floor to where the tailpiece begins.'],
  ['stubMm', 'Stub over the floor', 'Floor to the middle of the stub in the wall.'],
] as const satisfies readonly (readonly [keyof TrapMeasures, string, string])[]

/** With a vent tee before it the trap's arm goes into the side of that. */
const TEE_ROWS: readonly (readonly [keyof TrapMeasures, string, string])[] = ROWS.map(([key, label, hint]) =>
  key === 'stubMm'
    ? [
        key,
        'Side of the tee over the floor',
        'Floor to the middle of the tee’s side, held where it will stand.',
      ]
    : [key, label, hint],
)

/** A tee on a riser is turned to face the drain as near as may be: everything is measured from the riser's middle. */
const RISER_ROWS: readonly (readonly [keyof TrapMeasures, string, string])[] = TEE_ROWS.map(
  ([key, label, hint]) =>
    key === 'outMm'
      ? [
          key,
          'Drain away from the riser',
          'Middle of the riser to the middle of the drain, the way the tee’s side looks.',
        ]
      : key === 'asideMm'
        ? [
            key,
            'Drain aside of the tee',
            'Square to the way its side looks; nothing where it looks straight at it.',
          ]
        : [key, label, hint],
)

const NOTHING: TrapMeasures = { outMm: null, asideMm: null, drainMm: null, stubMm: null }

/** The two lengths that are cut at a tubular trap: its wall tube and the tailpiece over it. */
export function TrapCut({ view, line, layout }: { view: JobView; line: LineView; layout: Layout | null }) {
  const unit = usePreferences((state) => state.unit)
  const measured = line.situation?.fields.trap ?? NOTHING
  const option = line.mating?.fields.option
  const request = option && layout ? trapAsk(option, layout.stations, measured) : null
  const { answer } = useSolved('trap', request)
  const fit = answer?.fit
  const has = (family: string) => option?.parts.some((part) => part.family === family) ?? false
  const riser = has('vent-riser')
  const rows = riser ? RISER_ROWS : has('vent-tee') ? TEE_ROWS : ROWS
  return (
    <View className="mt-2" testID="trap-cut">
      {answer && request ? (
        <TrapPicture trap={answer.trap} ask={request} fit={fit?.ok ? fit : null} riser={riser} />
      ) : (
        <Txt tone="soft" className="pb-2">
          {riser
            ? 'Measure the drain and the tee: the trap swings until its tube points straight into the side of the tee.'
            : 'Measure the drain and the stub: the trap swings until its tube points straight into the wall.'}
        </Txt>
      )}
      {answer && fit?.ok ? (
        <>
          <View className="flex-row gap-4 border-b-2 border-ink pb-2">
            <Between
              label={riser ? 'tube to the tee, bend to end' : 'wall tube, bend to end'}
              mm={fit.armMm}
              off={answer.armOff}
            />
            <Between label="tailpiece" mm={fit.tailMm} off={answer.tailOff} />
          </View>
          {fit.notes.map((note) => (
            <Note key={note.ruleId} kind="caution" title="Check the local code">
              {`${say(REASONS[note.ruleId] ?? '', note.parameters, unit)} ${note.source?.title ?? ''}`}
            </Note>
          ))}
        </>
      ) : null}
      {fit && !fit.ok ? (
        <Note kind="stop" title="It does not line up">
          {say(REASONS[fit.reason.ruleId] ?? '', fit.reason.parameters, unit)}
        </Note>
      ) : null}
      {rows.map(([key, label, hint]) => (
        <MeasureRow
          key={key}
          label={label}
          hint={hint}
          mm={measured[key]}
          onEnter={({ mm, text }) =>
            void setConditions(view, [line], { trap: { ...measured, [key]: mm } }, `${label}: ${text}`)
          }
        />
      ))}
    </View>
  )
}
