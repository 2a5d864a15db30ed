import type { Belief } from '@diarmos/core'
import { QUESTIONS } from '@diarmos/core/words/find'
import { useState } from 'react'
import { alike, isDrain, type JobView, keepsStop, type LineView } from '../data/select'
import { useData } from '../data/store'
import type { EntityFields } from '../data/types'
import { hasStop, usualStop } from '../fixture/stops'
import { addLook, setConditions, takeFinding, withdraw } from '../job/actions'
import { CopyCase } from '../job/CopyCase'
import { type Expectation, identifyRequest, looksOf } from '../job/requests'
import { StageFrame } from '../job/StageFrame'
import type { GoTo } from '../job/usePlace'
import { Pictures } from '../pictures/Pictures'
import { ThreadSheet } from '../thread/ThreadSheet'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { isSupply } from '../ui/service'
import { Toggle } from '../ui/Toggle'
import { useSheet } from '../ui/useSheet'
import type { Solved } from '../workers/solver'
import { ExpectedSheet } from './ExpectedSheet'
import { FaultPanel } from './FaultPanel'
import { FindPanel, useAsking } from './FindPanel'
import { isThreadLook } from './looks'

interface Props {
  view: JobView
  line: LineView
  belief: Solved<Belief>
  expectation: Expectation
  settings: EntityFields<'settings'>['mate'] | undefined
  goTo: GoTo
}

/** What is this pipe? Looks in, belief out, and the next look that is worth most. */
export function FindStage({ view, line, belief, expectation, settings, goTo }: Props) {
  const { asking, ask } = useAsking()
  // a run is worked on where it is opened; what a fixture takes is usually alike on both sides
  const [both, setBoth] = useState(view.here.point.fields.kind !== 'run')
  const [sheet, setSheet] = useSheet('find', ['expected', 'thread'])
  // what was just seen is not among what the answer rests on, while it is being written
  const writing = useData((state) => state.writing > 0)
  const answer = belief.answer
  const { service } = line.line.fields
  const supply = isSupply(service)
  const others = supply
    ? view.here.supply.filter(
        (other) =>
          other !== line &&
          // what begins at the new valve needs no old pipe
          (other.ends === null || other.ends.from === 'pipe') &&
          other.observations.length === 0 &&
          !other.finding,
      )
    : []
  // where a fixture hangs on a stop, that may be good for another
  const stoppable = (service === 'hot' || service === 'cold') && hasStop(view.here.point.fields.kind)
  const looks = looksOf(line)
  const pipeLooks = looks.filter((look) => !isThreadLook(look))
  const best = answer?.next[0]?.question
  const leader = answer?.classes[0]
  const settled = line.finding !== null && !line.findingStale
  const stopped =
    answer?.hazards.some(
      (flag) => flag.level === 'stop' && ['gas', 'refrigerant', 'sprinkler'].includes(flag.hazardId),
    ) ?? false
  const nameable =
    answer !== null &&
    !['find.no-observation', 'find.unknown', 'find.contradiction', 'find.misread'].includes(
      answer.reason.ruleId,
    )

  if (line.trunk && isDrain(line))
    return (
      <StageFrame
        actions={<Button kind="primary" label="On to the fixture" onPress={() => goTo('fixture')} />}
      >
        <Note kind="note" title="Begins at the side of the new branch">
          Nothing to find here: its pipe is new. What the run is of, is found on the drain line.
        </Note>
        <Pictures view={view} about="found" />
      </StageFrame>
    )
  return (
    <StageFrame
      actions={
        settled || keepsStop(line.ends) ? (
          service !== 'vent' ? (
            <Button kind="primary" label="On to the fixture" onPress={() => goTo('fixture')} />
          ) : null
        ) : (
          <>
            {answer && best && !answer.enough ? (
              <Button
                kind={pipeLooks.length > 0 ? 'plain' : 'primary'}
                label={`Best look: ${QUESTIONS[best] ?? best}`}
                onPress={() => ask(best)}
                testID="best-look"
              />
            ) : null}
            {stoppable && pipeLooks.length === 0 ? (
              <Button
                label="The old stop stays"
                onPress={() =>
                  goTo(
                    'fixture',
                    setConditions(
                      view,
                      alike(view, line),
                      { stopOutlet: usualStop(view.property.fields.region) },
                      'The old stop stays',
                    ),
                  )
                }
              />
            ) : null}
            {leader && nameable ? (
              <Button
                kind={answer?.enough ? 'primary' : 'plain'}
                label={line.findingStale ? `Take it anew: ${leader.name}` : `Take it: ${leader.name}`}
                disabled={belief.busy || writing || stopped}
                {...(stopped ? { hint: 'First see what it carries' } : {})}
                testID="take-finding"
                onPress={() => {
                  const taken = takeFinding(view, line, answer as Belief, both ? others : [])
                  if (service !== 'vent') goTo('fixture', taken)
                }}
              />
            ) : null}
          </>
        )
      }
    >
      {line.findingStale && line.finding ? (
        <Note kind="caution" title="Stale">
          {`“${line.finding.fields.name}” was taken before the looks changed. It is kept until you take the finding anew.`}
        </Note>
      ) : null}
      {line.trunk ? (
        <Note kind="note" title={`Begins at what the ${line.trunk.service} line leaves open`}>
          Nothing to find here: it hangs on the branch of the new tee, or on the second outlet of the new
          stop.
        </Note>
      ) : keepsStop(line.ends) ? (
        <Note kind="note" title="The old stop stays">
          Nothing to find here: the line begins at its outlet. What is behind it can still be looked at, and
          is remembered with the house.
        </Note>
      ) : line.ends && line.ends.from !== 'pipe' ? (
        <Note kind="note" title={`The ${service} begins at the new valve`}>
          Nothing to find here. Where an old pipe is kept, look at it as at any other: it is then mated to the
          valve.
        </Note>
      ) : null}
      {line.remembered ? (
        <Note kind="note" title={`This house remembers: ${line.remembered.fields.name}`}>
          {`Found here on ${line.remembered.fields.foundAt.slice(0, 10)}. It counts towards the odds below.`}
        </Note>
      ) : null}
      <FindPanel
        belief={belief}
        looks={pipeLooks}
        asking={asking}
        ask={ask}
        onLook={(look, label, replaces) => void addLook(view, line, look, label, replaces)}
        onWithdraw={(id, withdrawn) => {
          const doc = line.observations.find((entry) => entry.id === id)
          if (doc) void withdraw(doc, withdrawn)
        }}
      >
        {!settled && others.length > 0 && pipeLooks.length > 0 ? (
          <Toggle
            label={`Same pipe on the ${others[0]?.line.fields.service} line`}
            detail="its looks are copied there"
            value={both}
            onChange={setBoth}
          />
        ) : null}
      </FindPanel>
      <FaultPanel view={view} line={line} />
      <Pictures view={view} about="found" />
      <Button kind="quiet" label="Which thread is it?" onPress={() => setSheet('thread')} />
      <Button kind="quiet" label="What is usual here?" onPress={() => setSheet('expected')} />
      <CopyCase operation="identify" request={identifyRequest(view, line, expectation, settings)} />
      {sheet === 'expected' && answer ? (
        <ExpectedSheet
          belief={answer}
          era={view.property.fields.era}
          editable
          finds={expectation.finds ?? {}}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'thread' ? <ThreadSheet view={view} line={line} onClose={() => setSheet(null)} /> : null}
    </StageFrame>
  )
}
