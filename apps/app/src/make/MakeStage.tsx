import type { Plan, PlannedStep } from '@diarmos/core'
import { addSeconds } from 'date-fns/addSeconds'
import { format } from 'date-fns/format'
import { View } from 'react-native'
import { type JobView, type LineView, pointName, type Stage } from '../data/select'
import { tick } from '../job/actions'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { minutes } from '../ui/money'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import type { Solved } from '../workers/solver'
import { StepRow } from './StepRow'

interface Props {
  view: JobView
  line: LineView
  plan: Solved<Plan>
  goTo: (stage: Stage) => void
}

const PHASES = [
  ['before', 'While the water is on'],
  ['water-off', 'While the water is off'],
  ['after', 'Water on again'],
] as const

const PROOFS: ReadonlySet<PlannedStep['kind']> = new Set(['prove', 'record'])

/** The seams as a checklist, in the order in which they must close. */
export function MakeStage({ view, plan, goTo }: Props) {
  if (!plan.answer && plan.busy)
    return (
      <StageFrame>
        <Txt size="l">Working out the order …</Txt>
      </StageFrame>
    )
  if (!plan.answer)
    return (
      <StageFrame actions={<Button kind="primary" label="Choose a way first" onPress={() => goTo('mate')} />}>
        {plan.error ? (
          <Note kind="caution" title="No order could be found">
            {plan.error.message}
          </Note>
        ) : null}
        <Txt size="l">No steps yet.</Txt>
        <Txt tone="soft">The order of work follows from the joints that were chosen.</Txt>
      </StageFrame>
    )
  const { steps, waterOff } = plan.answer
  const lineOf = (lineId: string | null) => view.lines.find((entry) => entry.line.id === lineId)
  const isDone = (step: PlannedStep) => {
    const result = view.checks.get(step.id)?.fields.result
    return result !== undefined && result !== 'undone'
  }
  const toDo = steps.filter((step) => !PROOFS.has(step.kind))
  const next = toDo.find((step) => !isDone(step))
  const waterBack = addSeconds(new Date(), waterOff.seconds)
  const stale = view.lines.some((entry) => entry.matingStale)
  return (
    <StageFrame
      actions={
        next ? (
          <Button
            kind="primary"
            label="Tick the next step"
            onPress={() => tick(view, next.lineId, next.id, 'done')}
            testID="tick-next"
          />
        ) : (
          <Button kind="primary" label="On to the proof" onPress={() => goTo('prove')} />
        )
      }
    >
      {stale ? (
        <Note kind="caution" title="Stale">
          Facts changed since the way was chosen: these steps are for the old choice.
        </Note>
      ) : null}
      {waterOff.seconds > 0 ? (
        <View aria-live="polite" className="flex-row items-end justify-between border-b-2 border-ink pb-1">
          <View>
            <Txt size="s" tone="soft">
              {steps.some(({ words }) => words === 'safe.shut-kept')
                ? 'off at the fixture for'
                : 'water off for'}
            </Txt>
            <Txt bold size="xxl">
              {minutes(waterOff.seconds)}
            </Txt>
          </View>
          <Txt size="s" tone="soft" className="max-w-[60%] text-right">
            shut now, it may be back at {format(waterBack, 'HH:mm')};{' '}
            {waterOff.seconds <= waterOff.boundSeconds + 1
              ? 'no order is shorter'
              : `no order can take less than ${minutes(waterOff.boundSeconds)}`}
          </Txt>
        </View>
      ) : (
        <Txt bold size="l" className="border-b-2 border-ink pb-1">
          The water stays on: this is work on a drain.
        </Txt>
      )}
      {PHASES.map(([phase, title]) => {
        const inPhase = toDo.filter((step) => step.phase === phase)
        return inPhase.length > 0 ? (
          <View key={phase} className="mt-3">
            <Txt bold tone={phase === 'water-off' ? 'cold' : 'soft'} heading={2}>
              {title}
            </Txt>
            {inPhase.map((step) => (
              <StepRow
                key={step.id}
                step={step}
                line={lineOf(step.lineId)?.line.fields.service ?? null}
                at={pointName(view, lineOf(step.lineId))}
                done={isDone(step)}
                onTick={() => void tick(view, step.lineId, step.id, isDone(step) ? 'undone' : 'done')}
              />
            ))}
          </View>
        ) : null
      })}
    </StageFrame>
  )
}
