import type { LineLeft } from '@diarmos/core'
import { View } from 'react-native'
import { type JobView, pointName, useSettings } from '../data/select'
import { planRequest } from '../job/requests'
import { SERVICE_LOOK } from '../ui/service'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'
import type { Made } from './made'

const minutes = (seconds: number) => Math.max(1, Math.round(seconds / 60))

const OPEN: Readonly<Record<Exclude<LineLeft['open'], 'ends'>, string>> = {
  untouched: 'not opened: nothing to do',
  whole: 'whole: nothing to do',
  stop: 'its stop is on: shut it',
  valve: 'behind the valve: shut that',
  drain: 'its plug stays in',
}

const SIDES = ['this side', 'far side'] as const

function LineTonight({ left }: { left: LineLeft }) {
  return (
    <View className="flex-1">
      {left.open !== 'ends' ? <Txt>{OPEN[left.open]}</Txt> : null}
      {left.caps.map((cap, index) => (
        <Txt key={SIDES[index]}>
          {left.caps.length > 1 ? `${SIDES[index]}: ` : ''}
          {cap
            ? `${cap.takesOff ? 'off again what is on, then ' : ''}${cap.parts.join(' and ')}, ${minutes(cap.seconds)} min${cap.aboard ? '' : ', from the counter'}`
            : 'no cap is known for this end: it stays shut off at the house'}
        </Txt>
      ))}
      {left.open === 'ends' && left.finishSeconds > 0 ? (
        <Txt size="s" tone="soft">
          To finish it instead: {minutes(left.finishSeconds)} min
        </Txt>
      ) : null}
      {left.waitSeconds > 0 ? (
        <Txt size="s" tone="amber">
          A joint has to set for {minutes(left.waitSeconds)} min from when it was made
        </Txt>
      ) : null}
    </View>
  )
}

/** The fastest safe way back to water from where the work stands, line by line. */
export function Night({ view, made }: { view: JobView; made: Made }) {
  const settings = useSettings()?.fields.mate
  const plan = planRequest(view, settings)
  const pipes = Object.fromEntries(
    view.lines.flatMap(({ line, finding, situation, ends }) =>
      finding?.fields.pipeId
        ? [
            [
              line.id,
              {
                pipeId: finding.fields.pipeId,
                ...(ends?.insert ? { farMm: situation?.fields.farMm ?? null } : {}),
              },
            ],
          ]
        : [],
    ),
  )
  const done = made.cards.flatMap(({ acts }) => acts.flatMap(({ steps }) => steps)).filter(made.isDone)
  const night = useSolved('close-up', plan && settings ? { plan, done, pipes, settings } : null)
  const { answer } = night
  if (!answer) return night.busy ? <Txt tone="soft">Looking at what stands open …</Txt> : null
  return (
    <View className="gap-1 py-1" testID="night">
      {answer.lines.map((left) => {
        const line = view.lines.find((each) => each.line.id === left.lineId)
        if (!line) return null
        const { mark, word, tone } = SERVICE_LOOK[line.line.fields.service]
        return (
          <View key={left.lineId} className="flex-row gap-3">
            <Txt bold tone={tone} className="w-[88px]">
              {mark} {word}
              {pointName(view, line) ? ` ${pointName(view, line)}` : ''}
            </Txt>
            <LineTonight left={left} />
          </View>
        )
      })}
      <Txt bold>
        {answer.waterOff
          ? `Water can be back ${answer.seconds + answer.waitSeconds > 0 ? `in ${minutes(answer.seconds + answer.waitSeconds)} min` : 'at once'}`
          : 'The water is on'}
      </Txt>
    </View>
  )
}
