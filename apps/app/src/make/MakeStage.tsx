import type { Card, Plan } from '@diarmos/core'
import { stepText } from '@diarmos/core/words/steps'
import { addSeconds } from 'date-fns/addSeconds'
import { format } from 'date-fns/format'
import { useState } from 'react'
import { View } from 'react-native'
import { prefer, usePreferences } from '../data/preferences'
import type { JobView, LineView, Stage } from '../data/select'
import { type Tick, tickAll } from '../job/actions'
import { StageFrame } from '../job/StageFrame'
import { verdictOf } from '../prove/verdicts'
import { Button } from '../ui/Button'
import { minutes } from '../ui/money'
import { Note } from '../ui/Note'
import { SheetModal } from '../ui/SheetModal'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import type { Solved } from '../workers/solver'
import { CardLines } from './CardLines'
import { CardView, cardLines } from './CardView'
import { Different } from './Different'
import { heldBy, looksBefore, type Made, madeOf } from './made'
import { ReadOut } from './ReadOut'
import { PHASES, StepList } from './StepList'
import { useAwake, useRing } from './signal'
import { useNow } from './useNow'
import { left, Waits } from './Waits'

interface Props {
  view: JobView
  line: LineView
  plan: Solved<Plan>
  goTo: (stage: Stage) => void
}

/** The order of work, one sitting at a time. */
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
  return <InHand view={view} plan={plan.answer} made={madeOf(view, plan.answer)} goTo={goTo} />
}

interface InHandProps {
  view: JobView
  plan: Plan
  made: Made
  goTo: (stage: Stage) => void
}

const isProof = (words: string) => words.startsWith('prove.')
const capital = (text: string) => text.replace(/^./, (letter) => letter.toUpperCase())
/** Waits up to here are stood by: the screen stays awake for them, ms. */
const SHORT_MS = 15 * 60_000

function InHand({ view, plan, made, goTo }: InHandProps) {
  const { unit, people } = usePreferences()
  const [sheet, setSheet] = useSheet('make', ['all', 'different'])
  // another card than the one whose turn it is
  const [looked, setLooked] = useState<number | null>(null)
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set())
  const now = useNow(made.waits.length > 0)
  const running = made.waits.filter(({ endsAt }) => endsAt > now)
  useRing(running.length)
  useAwake(running.some(({ endsAt }) => endsAt - now < SHORT_MS))
  const at = Math.min(looked ?? made.at, made.cards.length)
  const card = made.cards[at]
  const show = (place: number) => {
    setLooked(place === made.at ? null : Math.max(0, Math.min(place, made.cards.length)))
    setWithout(new Set())
  }
  const steps = (of: Card) => of.acts.flatMap((act) => act.steps.map(made.stepOf))
  const ticks = (of: Card, proof: Tick['result'], back: boolean): Tick[] => {
    const chosen = steps(of).filter(
      ({ id, lineId }) => !without.has(lineId ?? '') && made.isDone(id) === back,
    )
    const over = back ? [] : heldBy(made, of).map(({ step }) => step)
    return [...over, ...chosen].map(({ id, lineId, words, passive }) => ({
      lineId,
      stepId: id,
      result: back ? 'undone' : isProof(words) && !passive ? proof : 'done',
    }))
  }
  const done = (of: Card, proof: Tick['result'] = 'dry') => {
    const all = ticks(of, proof, false)
    setLooked(null)
    setWithout(new Set())
    return tickAll(view, all)
  }
  const proves = card?.acts.some(({ words }) => isProof(words))
  const wet = card !== undefined && steps(card).some(({ id }) => view.checks.get(id)?.fields.result === 'wet')
  const held = card ? heldBy(made, card).filter(({ endsAt }) => endsAt > now) : []
  const looks = card && !made.isCardDone(card) ? looksBefore(made, card) : []
  const verdict = verdictOf(card?.acts.find(({ words }) => isProof(words))?.words ?? '')
  const stale = view.lines.some((entry) => entry.matingStale)
  const actions =
    !card || looks.length > 0 ? (
      <Button kind="primary" label="On to the proof" onPress={() => goTo('prove')} />
    ) : made.isCardDone(card) ? (
      <Button
        label="Take it back"
        onPress={() => tickAll(view, ticks(card, 'undone', true)).then(() => setLooked(null))}
      />
    ) : (
      <View className="flex-row gap-2">
        {proves ? (
          <Button
            label={capital(verdict.bad)}
            onPress={() => done(card, 'wet')}
            className="flex-1"
            testID="card-wet"
          />
        ) : null}
        <Button
          kind="primary"
          label={
            proves
              ? verdict.good === 'dry'
                ? 'Done, and all dry'
                : capital(verdict.good)
              : card.acknowledge
                ? 'Seen to'
                : 'Done'
          }
          onPress={() => done(card)}
          className="flex-[2]"
          testID="tick-next"
        />
      </View>
    )
  return (
    <StageFrame
      actions={
        <>
          <View className="flex-row items-center gap-2">
            <Button
              kind="quiet"
              label="‹"
              hint="The card before"
              disabled={at === 0}
              onPress={() => show(at - 1)}
            />
            <Button kind="quiet" label="All steps" onPress={() => setSheet('all')} className="flex-1" />
            <Button kind="quiet" label="Different" onPress={() => setSheet('different')} className="flex-1" />
            <Button
              kind="quiet"
              label="›"
              hint="The next card"
              disabled={at >= made.cards.length}
              onPress={() => show(at + 1)}
            />
          </View>
          {actions}
        </>
      }
    >
      {stale ? (
        <Note kind="caution" title="Stale">
          Facts changed since the way was chosen: these steps are for the old choice.
        </Note>
      ) : null}
      {!card || card.phase === 'after' ? null : <WaterOff plan={plan} />}
      <View
        role="progressbar"
        aria-label="Cards done"
        aria-valuemin={0}
        aria-valuemax={made.cards.length}
        aria-valuenow={made.at}
        className="mt-2 flex-row gap-[3px]"
      >
        {made.cards.map((each, place) => (
          <View
            key={each.id}
            className={`h-[6px] flex-1 rounded-[2px] ${made.isCardDone(each) ? 'bg-patina' : place === at ? 'bg-ink' : 'bg-rule'}`}
          />
        ))}
      </View>
      <Waits waits={made.waits} now={now} />
      <View aria-live="polite">
        {card ? (
          <>
            <View className="mt-2 flex-row items-center justify-between gap-2">
              <View className="flex-1">
                <Txt bold tone={card.phase === 'water-off' ? 'cold' : 'soft'} heading={2}>
                  {PHASES[card.phase]}
                </Txt>
                <Txt size="s" tone="soft" testID="card-place">
                  {at + 1} of {made.cards.length}
                  {people === 2 ? (card.hands === 0 ? ' · the first of you' : ' · the other') : ''}
                </Txt>
              </View>
              <ReadOut
                key={card.id}
                text={cardLines(card, (act) => stepText(act, unit))
                  .map(({ text }) => text)
                  .join(' ')}
              />
              <CardLines
                view={view}
                made={made}
                card={card}
                without={without}
                onWithout={(lineId) =>
                  setWithout(
                    new Set(
                      without.has(lineId) ? [...without].filter((id) => id !== lineId) : [...without, lineId],
                    ),
                  )
                }
              />
            </View>
            {held.length > 0 ? (
              <Note
                kind="note"
                title={`Not yet: ${left(Math.max(...held.map(({ endsAt }) => endsAt)), now)} to go`}
              >
                What was made before has to stand first.
              </Note>
            ) : null}
            {looks.length > 0 ? (
              <Note kind="note" title="Not before it was looked at again">
                {`${looks.map((step) => stepText(step, unit)).join(' ')} What is covered cannot be looked at any more: it stands at the proof, with its time.`}
              </Note>
            ) : null}
            {wet ? (
              <Note kind="stop" title={verdict.title}>
                {verdict.todo}
              </Note>
            ) : null}
            {card.acknowledge ? (
              <Note kind="caution" title="Before you go on">
                <Txt bold size="xl">
                  {cardLines(card, (act) => stepText(act, unit))
                    .map(({ text }) => text)
                    .join(' ')}
                </Txt>
              </Note>
            ) : (
              <CardView made={made} card={card} />
            )}
          </>
        ) : (
          <View className="mt-3 gap-1">
            <Txt bold size="xl" heading={2}>
              Everything is made.
            </Txt>
            <Txt tone="soft">
              What is looked at again later waits at the proof, with its time, and in the list of jobs.
            </Txt>
          </View>
        )}
      </View>
      {sheet === 'all' ? (
        <SheetModal title="All steps" onClose={() => setSheet(null)}>
          <Toggle
            label="Two of us at work"
            detail={people === 2 ? 'never two at one fixture' : undefined}
            value={people === 2}
            onChange={(two) => prefer({ people: two ? 2 : 1 })}
          />
          <StepList
            view={view}
            steps={plan.steps.filter(({ kind }) => kind !== 'record')}
            isDone={made.isDone}
          />
        </SheetModal>
      ) : null}
      {sheet === 'different' ? (
        <Different view={view} made={made} goTo={goTo} onClose={() => setSheet(null)} />
      ) : null}
    </StageFrame>
  )
}

/** How long the house is without, until when if it is shut now, and how sure that nothing is shorter. */
function WaterOff({ plan: { waterOff, steps } }: { plan: Plan }) {
  if (waterOff.seconds === 0)
    return (
      <Txt bold size="l" className="border-b-2 border-ink pb-1">
        The water stays on: this is work on a drain.
      </Txt>
    )
  const back = addSeconds(new Date(), waterOff.seconds)
  const kept = steps.some(({ words }) => words === 'safe.shut-kept')
  return (
    <View className="flex-row items-end justify-between border-b-2 border-ink pb-1">
      <View>
        <Txt size="s" tone="soft">
          {kept ? 'off at the fixture for' : 'water off for'}
        </Txt>
        <Txt bold size="xl">
          {minutes(waterOff.seconds)}
        </Txt>
      </View>
      <Txt size="s" tone="soft" className="max-w-[62%] text-right">
        shut now, it may be back at {format(back, 'HH:mm')};{' '}
        {waterOff.seconds <= waterOff.boundSeconds
          ? 'no order is shorter'
          : `no order can take less than ${minutes(waterOff.boundSeconds)}`}
      </Txt>
    </View>
  )
}
