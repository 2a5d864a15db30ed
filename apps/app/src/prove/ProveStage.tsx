import type { Plan } from '@diarmos/core'
import { screenText } from '@diarmos/core/words/counts'
import { stepText } from '@diarmos/core/words/steps'
import { useState } from 'react'
import { View } from 'react-native'
import { saveReminders } from '../calendar/reminders'
import { usePreferences } from '../data/preferences'
import { isDrain, type JobView, type LineView, pointName, type Stage, useSettings } from '../data/select'
import { HOLD_STEP, HoldSheet } from '../hold/HoldSheet'
import { closeJob, tick } from '../job/actions'
import { JobName } from '../job/JobName'
import { StageFrame } from '../job/StageFrame'
import { RecordPart } from '../record/RecordPart'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Note } from '../ui/Note'
import { SERVICE_LOOK } from '../ui/service'
import { Txt } from '../ui/Txt'
import type { Solved } from '../workers/solver'
import { dueText, looksAgain } from './rechecks'
import { verdictOf } from './verdicts'

interface Props {
  view: JobView
  line: LineView
  plan: Solved<Plan>
  goTo: (stage: Stage) => void
}

/** Dry or wet, at every seam, now and again. */
export function ProveStage({ view, line, plan, goTo }: Props) {
  const [holding, setHolding] = useState(false)
  const unit = usePreferences((state) => state.unit)
  const closed = view.job.fields.state === 'closed'
  const recheck = useSettings()?.fields.mate.houseRules.recheck
  const again = recheck ? looksAgain(view, recheck) : []
  const now = new Date()
  const steps = plan.answer?.steps ?? []
  // the hold has its own place below
  const proofs = steps.filter((step) => step.kind === 'prove' && step.id !== HOLD_STEP)
  const asksHold = steps.some((step) => step.id === HOLD_STEP)
  const results = proofs.map((step) => view.checks.get(step.id)?.fields.result ?? 'undone')
  const held = view.checks.get(HOLD_STEP)?.fields
  // a drain bears no pressure
  const watered = view.lines.some((each) => each.mating && !isDrain(each))
  const heldIs = held?.result ?? 'undone'
  const bad = proofs.find((_, index) => results[index] === 'wet')
  const seams = results.filter((result) => result === 'wet').length
  const wet = seams + (heldIs === 'wet' ? 1 : 0)
  const open =
    results.filter((result) => result === 'undone').length + (asksHold && heldIs === 'undone' ? 1 : 0)
  const lineOf = (lineId: string | null) => view.lines.find((entry) => entry.line.id === lineId)
  if (!plan.answer && plan.busy)
    return (
      <StageFrame>
        <Txt size="l">Working out what to prove …</Txt>
      </StageFrame>
    )
  if (proofs.length === 0)
    return (
      <StageFrame actions={<Button kind="primary" label="Choose a way first" onPress={() => goTo('mate')} />}>
        <Txt size="l">Nothing to prove yet.</Txt>
        <Txt tone="soft">Dry checks come with the seams that were made.</Txt>
        <JobName view={view} />
      </StageFrame>
    )
  return (
    <StageFrame
      actions={
        closed ? (
          <Button label="Open the job again" onPress={() => closeJob(view, false)} />
        ) : (
          <Button
            kind={wet === 0 && open === 0 ? 'primary' : 'plain'}
            label={screenText('prove.close', { checks: open })}
            disabled={wet > 0}
            {...(wet > 0 ? { hint: bad ? verdictOf(bad.words).title : 'The line does not hold' } : {})}
            onPress={() => closeJob(view, true)}
            testID="close-job"
          />
        )
      }
    >
      <Txt bold size="l" heading={2}>
        {closed ? 'Closed' : 'Is every seam dry?'}
      </Txt>
      <Txt tone="soft" className="mb-2">
        Dry everything first, so that a drop is a leak.
      </Txt>
      {bad ? (
        <Note kind="stop" title={verdictOf(bad.words).title}>
          {verdictOf(bad.words).todo}
        </Note>
      ) : null}
      {proofs.map((step, index) => {
        const line = lineOf(step.lineId)?.line.fields.service
        const at = pointName(view, lineOf(step.lineId))
        const result = results[index]
        return (
          <View key={step.id} className="border-b border-rule py-2" testID={`proof-${step.id}`}>
            <Txt bold tone={line ? SERVICE_LOOK[line].tone : 'ink'}>
              {line
                ? `${at ? `${at} · ` : ''}${SERVICE_LOOK[line].mark} ${SERVICE_LOOK[line].word}`
                : view.works.length === 1
                  ? 'This line'
                  : view.works.length > 2
                    ? 'All lines'
                    : 'Both lines'}
            </Txt>
            {again.map(({ stepId, due }) =>
              stepId === step.id ? (
                <Txt key={stepId} bold tone={due <= now ? 'amber' : 'patina'}>
                  {due <= now ? 'Due ' : ''}
                  {dueText(due, now)}
                </Txt>
              ) : null,
            )}
            <Choice
              label={stepText(step, unit)}
              value={result === 'dry' || result === 'wet' ? result : null}
              options={[
                { value: 'dry', label: verdictOf(step.words).good },
                { value: 'wet', label: verdictOf(step.words).bad },
              ]}
              onChange={(value) => void tick(view, step.lineId, step.id, result === value ? 'undone' : value)}
            />
          </View>
        )
      })}
      {again.some(({ due }) => due > now) ? (
        <Button
          kind="quiet"
          label="Looks again into the calendar"
          onPress={() =>
            saveReminders(
              again
                .filter(({ due }) => due > now)
                .map(({ stepId, due }) => ({
                  uid: `${view.job.id} ${stepId}`,
                  at: due,
                  title: `Look again: ${view.job.fields.title}`,
                  note: proofs
                    .filter(({ id }) => id === stepId)
                    .map((step) => stepText(step, unit))
                    .join('\n'),
                })),
              'look-again',
            )
          }
        />
      ) : null}
      {watered || held ? (
        <View className="border-b border-rule py-2">
          <Txt bold>Under pressure</Txt>
          {held && heldIs !== 'undone' ? (
            <Note kind={heldIs === 'wet' ? 'stop' : 'note'} title="The last hold">
              {held.note || (heldIs === 'wet' ? 'It fell.' : 'It held, read at the work.')}
            </Note>
          ) : (
            <Txt tone={asksHold ? 'amber' : 'soft'} bold={asksHold}>
              {asksHold
                ? 'It will be covered: held under pressure first, or a leak is found through the wall.'
                : 'A gauge on the shut line finds what tissue does not reach, before a wall is closed.'}
            </Txt>
          )}
          <Button
            label={heldIs === 'undone' ? 'Hold it under pressure' : 'Hold it again'}
            onPress={() => setHolding(true)}
            testID="hold"
          />
          {heldIs === 'wet' ? (
            <Button
              kind="quiet"
              label="Take this hold back"
              onPress={() => tick(view, null, HOLD_STEP, 'undone')}
            />
          ) : null}
          {holding ? <HoldSheet view={view} line={line} onClose={() => setHolding(false)} /> : null}
        </View>
      ) : null}
      <RecordPart view={view} />
      <JobName view={view} />
    </StageFrame>
  )
}
