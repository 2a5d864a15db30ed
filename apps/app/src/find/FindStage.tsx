import type { Belief } from '@diarmos/core'
import { SIGN_ANSWERS } from '@diarmos/core/answers'
import { ANSWERS, HAZARDS, odds, QUESTIONS } from '@diarmos/core/words/find'
import { reasonText } from '@diarmos/core/words/reasons'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView, LineView, Stage } from '../data/select'
import type { EntityFields } from '../data/types'
import { addLook, measured, signSeen, takeFinding, withdraw } from '../job/actions'
import { CopyCase } from '../job/CopyCase'
import { identifyRequest } from '../job/requests'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field } from '../ui/Field'
import { Keypad } from '../ui/Keypad'
import { Note } from '../ui/Note'
import { SheetModal } from '../ui/SheetModal'
import { JointSign, LookSign, SurfaceSign } from '../ui/signs'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import type { Solved } from '../workers/solver'

interface Props {
  view: JobView
  line: LineView
  belief: Solved<Belief>
  known: Parameters<typeof identifyRequest>[2]
  settings: EntityFields<'settings'>['mate'] | undefined
  goTo: (stage: Stage) => void
}

const LOOKS = [
  'sign:colour',
  'sign:scratch',
  'sign:magnet',
  'sign:joint',
  'sign:flex',
  'outside:caliper',
  'outside:string',
  'outside:tape',
  'outside:paper-strip',
  'sign:print-colour',
  'wall:caliper',
  'sign:carries',
  'print',
] as const

/** The drawn sign of a question or an answer. */
function signFor(question: string, answer?: string) {
  const [kind, what = ''] = question.split(':')
  if (kind === 'sign' && answer !== undefined) {
    if (what === 'joint') return <JointSign kind={answer} />
    if (what === 'colour' || what === 'scratch') return <SurfaceSign kind={answer} />
    if (what === 'print-colour') return <SurfaceSign kind={answer} print />
    return <LookSign kind={answer} />
  }
  const example: Record<string, string> = { magnet: 'holds', flex: 'flexible', carries: 'water' }
  if (kind === 'sign') {
    if (what === 'joint') return <JointSign kind="compression" />
    if (what === 'colour') return <SurfaceSign kind="copper-brown" />
    if (what === 'scratch') return <SurfaceSign kind="shaving" />
    if (what === 'print-colour') return <SurfaceSign kind="blue" print />
    return <LookSign kind={example[what] ?? what} />
  }
  return <LookSign kind={kind === 'wall' ? 'wall' : kind === 'print' ? 'print' : what} />
}

function BeliefView({ belief }: { belief: Belief }) {
  const unit = usePreferences((state) => state.unit)
  const leading = belief.classes.filter((entry) => entry.probability >= 0.01).slice(0, 4)
  const asked = belief.reason.ruleId !== 'find.no-observation'
  return (
    <View aria-live="polite" testID="belief">
      <Txt bold size="l" heading={2}>
        {asked ? (leading[0]?.name ?? 'None of these') : 'What is this pipe?'}
      </Txt>
      <Txt tone="soft">{reasonText(belief.reason, unit)}</Txt>
      {asked
        ? [
            ...leading,
            ...(belief.none >= 0.01
              ? [{ classId: 'none', name: 'none of these', probability: belief.none }]
              : []),
          ].map((entry) => (
            <View key={entry.classId} className="mt-1">
              <View className="flex-row justify-between">
                <Txt size="s">{entry.name}</Txt>
                <Txt size="s" bold>
                  {odds(entry.probability)}
                </Txt>
              </View>
              <View className="h-[6px] bg-rule" aria-hidden>
                <View
                  className="h-[6px] bg-patina"
                  style={{ width: `${Math.max(1, entry.probability * 100)}%` }}
                />
              </View>
            </View>
          ))
        : null}
    </View>
  )
}

function Hazards({ belief }: { belief: Belief }) {
  return (
    <>
      {belief.hazards.map((flag) => {
        const words = HAZARDS[flag.hazardId]
        return words ? (
          <Note key={flag.hazardId} kind={flag.level} title={words.title}>
            {`${words.todo} Decides: ${words.decides}.`}
          </Note>
        ) : null
      })}
    </>
  )
}

function LookList({ line, belief }: { line: LineView; belief: Belief | null }) {
  if (line.observations.length === 0) return null
  return (
    <View className="mt-3">
      <Txt bold size="s" tone="soft" heading={3}>
        Seen and measured
      </Txt>
      {line.observations.map((observation) => {
        const { fields } = observation
        const effect = belief?.effects.find((entry) => entry.id === observation.id)
        const question =
          fields.kind === 'sign'
            ? `sign:${fields.sign}`
            : fields.kind === 'print'
              ? 'print'
              : `${fields.kind}:${fields.instrument}`
        const words =
          fields.kind === 'sign'
            ? (ANSWERS[fields.answer ?? ''] ?? fields.answer)
            : `${fields.entered}${fields.unit === 'in' ? ' in' : ''}`
        return (
          <View key={observation.id} className="min-h-[52px] flex-row items-center border-b border-rule">
            <View className="flex-1">
              <Txt className={fields.withdrawn ? 'line-through' : ''}>
                {QUESTIONS[question] ?? question}: {words}
              </Txt>
              {effect?.disagrees ? (
                <Txt size="s" tone="amber" bold>
                  △ This reading disagrees with the others: measure again.
                </Txt>
              ) : effect && !fields.withdrawn ? (
                <Txt size="s" tone="soft">
                  {effect.bits >= 0.5
                    ? 'speaks for it'
                    : effect.bits <= -0.5
                      ? 'speaks against it'
                      : 'changes little'}
                </Txt>
              ) : null}
            </View>
            <Button
              kind="quiet"
              label={fields.withdrawn ? 'Count it' : 'Withdraw'}
              onPress={() => void withdraw(observation, !fields.withdrawn)}
            />
          </View>
        )
      })}
    </View>
  )
}

function AnswerSheet({
  question,
  onAnswer,
  onClose,
}: {
  question: string
  onAnswer: (answer: string) => void
  onClose: () => void
}) {
  const sign = question.split(':')[1] as keyof typeof SIGN_ANSWERS
  return (
    <SheetModal title={QUESTIONS[question] ?? question} onClose={onClose}>
      <Choice
        label={QUESTIONS[question] ?? question}
        hideLabel
        value={null}
        columns={SIGN_ANSWERS[sign].length > 4 ? 3 : 2}
        options={SIGN_ANSWERS[sign].map((answer) => ({
          value: answer as string,
          label: ANSWERS[answer] ?? answer,
          sign: signFor(question, answer),
        }))}
        onChange={onAnswer}
      />
    </SheetModal>
  )
}

function PrintSheet({ onRead, onClose }: { onRead: (text: string) => void; onClose: () => void }) {
  const [text, setText] = useState('')
  return (
    <SheetModal title="Read the print" onClose={onClose}>
      <Txt size="s" tone="soft">
        As much as can be read; misread letters still help.
      </Txt>
      <Field label="Print" value={text} onChange={setText} autoCapitalize="characters" maxLength={200} />
      <Button
        kind="primary"
        label="Enter"
        disabled={text.trim() === ''}
        onPress={() => onRead(text.trim())}
      />
    </SheetModal>
  )
}

/** What is this pipe? Looks in, belief out, and the next look that is worth most. */
export function FindStage({ view, line, belief, known, settings, goTo }: Props) {
  const [asking, setAsking] = useState<string | null>(null)
  const [both, setBoth] = useState(true)
  const answer = belief.answer
  const others = view.lines.filter(
    (other) => other !== line && other.observations.length === 0 && !other.finding,
  )
  const best = answer?.next[0]?.question
  const look = async (entry: Parameters<typeof addLook>[2], label: string) => {
    setAsking(null)
    await addLook(view, line, entry, label)
  }
  const [kind, what = ''] = (asking ?? '').split(':')
  const leader = answer?.classes[0]
  const settled = line.finding !== null && !line.findingStale
  const gas = answer?.hazards.some((flag) => flag.hazardId === 'gas' && flag.level === 'stop') ?? false

  return (
    <StageFrame
      actions={
        settled ? (
          <Button kind="primary" label="On to the fixture" onPress={() => goTo('fixture')} />
        ) : (
          <>
            {answer && best && !answer.enough ? (
              <Button
                kind={answer.classes.length > 0 && line.observations.length > 0 ? 'plain' : 'primary'}
                label={`Best look: ${QUESTIONS[best] ?? best}`}
                onPress={() => setAsking(best)}
                testID="best-look"
              />
            ) : null}
            {leader &&
            answer.reason.ruleId !== 'find.no-observation' &&
            answer.reason.ruleId !== 'find.unknown' ? (
              <Button
                kind={answer.enough ? 'primary' : 'plain'}
                label={line.findingStale ? `Take it anew: ${leader.name}` : `Take it: ${leader.name}`}
                disabled={belief.busy || gas}
                {...(gas ? { hint: 'First see that it carries water' } : {})}
                testID="take-finding"
                onPress={() => {
                  void takeFinding(view, line, answer, both ? others : []).then(() => goTo('fixture'))
                }}
              />
            ) : null}
          </>
        )
      }
    >
      {belief.error ? (
        <Note kind="caution" title="This could not be worked out">
          {belief.error.message}
        </Note>
      ) : null}
      {line.findingStale && line.finding ? (
        <Note kind="caution" title="Stale">
          {`“${line.finding.fields.name}” was taken before the looks changed. It is kept until you take the finding anew.`}
        </Note>
      ) : null}
      {line.remembered ? (
        <Note kind="note" title={`This house remembers: ${line.remembered.fields.name}`}>
          {`Found here on ${line.remembered.fields.foundAt.slice(0, 10)}. It counts towards the odds below.`}
        </Note>
      ) : null}
      {answer ? <BeliefView belief={answer} /> : null}
      {answer ? <Hazards belief={answer} /> : null}
      {answer?.hazards.some((flag) => flag.hazardId === 'gas') &&
      !line.observations.some((o) => o.fields.sign === 'carries' && !o.fields.withdrawn) ? (
        <Button label="Say what the line carries" onPress={() => setAsking('sign:carries')} />
      ) : null}
      {!settled && others.length > 0 && line.observations.length > 0 ? (
        <Toggle
          label={`Same pipe on the ${others[0]?.line.fields.service} line`}
          detail="its looks are copied there"
          value={both}
          onChange={setBoth}
        />
      ) : null}
      <LookList line={line} belief={answer} />
      <Txt bold size="s" tone="soft" heading={3} className="mb-1 mt-4">
        Look or measure
      </Txt>
      <View className="-mx-1 flex-row flex-wrap">
        {LOOKS.map((question) => (
          <View key={question} className="w-1/2 p-1">
            <Pressable
              role="button"
              aria-label={QUESTIONS[question] ?? question}
              onPress={() => setAsking(question)}
              className={`min-h-[92px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] bg-raised p-2 active:bg-patina-wash ${question === best ? 'border-patina' : 'border-rule'}`}
            >
              <View aria-hidden>{signFor(question)}</View>
              <Txt size="s" className="mt-1 text-center" bold={question === best}>
                {QUESTIONS[question]}
              </Txt>
            </Pressable>
          </View>
        ))}
      </View>
      <CopyCase operation="identify" request={identifyRequest(view, line, known, settings)} />

      {kind === 'sign' && asking ? (
        <AnswerSheet
          question={asking}
          onClose={() => setAsking(null)}
          onAnswer={(given) => void look(signSeen(what, given), ANSWERS[given] ?? given)}
        />
      ) : null}
      {(kind === 'outside' || kind === 'wall') && asking ? (
        <Keypad
          title={QUESTIONS[asking] ?? asking}
          hint={
            what === 'string' || what === 'paper-strip'
              ? 'Once round the bare pipe, square to it; read the length.'
              : kind === 'wall'
                ? 'At a clean cut end.'
                : 'On bare pipe, square to it.'
          }
          onClose={() => setAsking(null)}
          onEnter={(length) => void look(measured(kind, what, length), length.text)}
        />
      ) : null}
      {kind === 'print' ? (
        <PrintSheet
          onClose={() => setAsking(null)}
          onRead={(text) => void look({ kind: 'print', entered: text }, text)}
        />
      ) : null}
    </StageFrame>
  )
}
