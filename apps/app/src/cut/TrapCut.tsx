import { gripsPipe, isOnRiser, type TrapMeasures, trapAsk } from '@diarmos/core/record'
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

type Words = readonly [label: string, hint: string]
/** What stands over what is said of a trap that lines up. */
const TITLES: Readonly<Record<string, string>> = {
  'trap.drop': 'Check the local code',
  'trap.longer-arm': 'A waste arm instead of its tube',
}

/** A metric trap hangs on the thread of the waste. */
const ON_THREAD: Words = ['Drain’s end over the floor', 'Floor to the lower end of the waste’s thread.']
const FROM_WALL: Readonly<Record<keyof TrapMeasures, Words>> = {
  outMm: ['Drain out from the wall', 'Finished wall to the middle of the drain.'],
  asideMm: ['Drain aside of the stub', 'Middle of the stub to the middle of the drain, along the wall.'],
  drainMm: ['Drain’s end over the floor', 'Floor to where the tailpiece begins.'],
  stubMm: ['Stub over the floor', 'Floor to the middle of the stub in the wall.'],
}
/** With a vent tee before it the trap's arm goes into the side of that. */
const FROM_TEE: typeof FROM_WALL = {
  ...FROM_WALL,
  stubMm: [
    'Side of the tee over the floor',
    'Floor to the middle of the tee’s side, held where it will stand.',
  ],
}
/** A tee on a riser is turned to face the drain as near as may be: all is measured from the riser's middle. */
const FROM_RISER: typeof FROM_WALL = {
  ...FROM_TEE,
  outMm: [
    'Drain away from the riser',
    'Middle of the riser to the middle of the drain, the way the tee’s side looks.',
  ],
  asideMm: [
    'Drain aside of the tee',
    'Square to the way its side looks; nothing where it looks straight at it.',
  ],
}
/** What the four are called where the answer says which of them to take again. */
const OF_RISER = { outMm: 'how far the riser is', stubMm: 'the height of the tee’s side' }
const ROWS = Object.keys(FROM_WALL) as (keyof TrapMeasures)[]

const NOTHING: TrapMeasures = { outMm: null, asideMm: null, drainMm: null, stubMm: null }

/** The two lengths that are cut at a tubular trap: its wall tube and the tailpiece over it. */
export function TrapCut({ view, line, layout }: { view: JobView; line: LineView; layout: Layout | null }) {
  const unit = usePreferences((state) => state.unit)
  const measured = line.situation?.fields.trap ?? NOTHING
  const option = line.mating?.fields.option
  const request = option && layout ? trapAsk(option, layout.stations, measured) : null
  const { answer } = useSolved('trap', request)
  const fit = answer?.fit
  const riser = option ? isOnRiser(option) : false
  const tee = option?.parts.some(({ family }) => family === 'vent-tee') ?? false
  const grips = option ? gripsPipe(option) : false
  const names = riser ? OF_RISER : {}
  const words = riser ? FROM_RISER : tee ? FROM_TEE : FROM_WALL
  return (
    <View className="mt-2" testID="trap-cut">
      {answer && request ? (
        <TrapPicture trap={answer.trap} ask={request} fit={fit?.ok ? fit : null} riser={riser} />
      ) : (
        <Txt tone="soft" className="pb-2">
          {grips
            ? 'Measure the drain and the stub: the trap swings until its outlet points straight at the pipe, and the pipe is cut to it.'
            : riser
              ? 'Measure the drain and the tee: the trap swings until its tube points straight into the side of the tee.'
              : 'Measure the drain and the stub: the trap swings until its tube points straight into the wall.'}
        </Txt>
      )}
      {answer && fit?.ok ? (
        <>
          <View className="flex-row gap-4 border-b-2 border-ink pb-2">
            <Between
              label={
                grips
                  ? 'pipe, wall to its end'
                  : riser
                    ? 'tube to the tee, bend to end'
                    : 'wall tube, bend to end'
              }
              mm={fit.armMm}
              off={answer.armOff}
              names={names}
            />
            <Between
              label={grips ? 'inlet drawn out' : 'tailpiece'}
              mm={fit.tailMm}
              off={answer.tailOff}
              names={names}
            />
          </View>
          {fit.notes.map((note) => (
            <Note key={note.ruleId} kind="caution" title={TITLES[note.ruleId] ?? 'The pipe that is there'}>
              {`${say(REASONS[note.ruleId] ?? '', note.parameters, unit)} ${note.source?.title ?? ''}`.trim()}
            </Note>
          ))}
        </>
      ) : null}
      {fit && !fit.ok ? (
        <Note kind="stop" title="It does not line up">
          {say(REASONS[fit.reason.ruleId] ?? '', fit.reason.parameters, unit)}
        </Note>
      ) : null}
      {ROWS.map((key) => {
        const [label, hint] = grips && key === 'drainMm' ? ON_THREAD : words[key]
        return (
          <MeasureRow
            key={key}
            label={label}
            hint={hint}
            mm={measured[key]}
            onEnter={({ mm, text }) =>
              void setConditions(view, [line], { trap: { ...measured, [key]: mm } }, `${label}: ${text}`)
            }
          />
        )
      })}
    </View>
  )
}
