import type { ThreadBelief } from '@diarmos/core'
import { formatLength } from '@diarmos/core/units'
import { odds } from '@diarmos/core/words/find'
import { reasonText } from '@diarmos/core/words/reasons'
import { PLACE_HINTS, THREAD_FAMILY, THREAD_QUESTIONS, threadLookWords } from '@diarmos/core/words/threads'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { LookList } from '../find/LookList'
import { type Look, type NewLook, questionOf } from '../find/looks'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import type { Solved } from '../workers/solver'
import { ThreadAsk } from './ThreadAsk'
import { ThreadLookSign, ThreadSign } from './ThreadSign'

interface Props {
  readonly belief: Solved<ThreadBelief>
  readonly looks: readonly Look[]
  readonly onLook: (look: NewLook, label: string) => void
  readonly onWithdraw: (id: string, withdrawn: boolean) => void
}

const NAMED = 4

function threadsText(pitchMm: number): string {
  const perInch = 25.4 / pitchMm
  return Math.abs(perInch - Math.round(perInch * 2) / 2) < 0.02
    ? `${Math.round(perInch * 2) / 2} an inch`
    : `${pitchMm.toFixed(2)} mm pitch`
}

function Candidates({ belief }: { belief: ThreadBelief }) {
  const unit = usePreferences((state) => state.unit)
  const asked = belief.reason.ruleId !== 'thread.no-observation'
  const [first] = belief.candidates
  const noneLeads = belief.none > (first?.probability ?? 0)
  return (
    <View aria-live="polite" testID="thread-belief">
      <Txt bold size="l" heading={2}>
        {asked ? (noneLeads ? 'None of these' : first?.name) : 'Which thread is it?'}
      </Txt>
      <Txt tone="soft">{reasonText(belief.reason, unit)}</Txt>
      {asked
        ? belief.candidates
            .filter((entry) => entry.probability >= 0.01)
            .slice(0, NAMED)
            .map((entry) => (
              <View key={entry.id} className="mt-2 flex-row items-center gap-3">
                <View aria-hidden>
                  <ThreadSign {...entry} />
                </View>
                <View className="flex-1">
                  <View className="flex-row justify-between">
                    <Txt size="s" className="shrink">
                      {entry.name}
                    </Txt>
                    <Txt size="s" bold className="shrink-0">
                      {odds(entry.probability)}
                    </Txt>
                  </View>
                  <View className="mt-0.5 h-[8px] bg-rule" aria-hidden>
                    <View
                      className="h-[8px] bg-patina"
                      style={{ width: `${Math.max(1, entry.probability * 100)}%` }}
                    />
                  </View>
                  <Txt size="s" tone="soft">
                    {threadsText(entry.pitchMm)},{' '}
                    {formatLength(entry.acrossMm[0], { unit: 'mm', decimals: 1 })} to{' '}
                    {formatLength(entry.acrossMm[1], { unit: 'mm', decimals: 1 })} across
                  </Txt>
                </View>
              </View>
            ))
        : null}
      {asked && first && first.probability > 0.5 ? (
        <Note kind="note" title="What it takes">
          {THREAD_FAMILY[first.family] ?? ''}
        </Note>
      ) : null}
    </View>
  )
}

/** Which thread or connection face it is: looks in, belief out. */
export function ThreadPanel({ belief, looks, onLook, onWithdraw }: Props) {
  const [asking, setAsking] = useState<string | null>(null)
  const best = belief.answer?.next[0]?.question
  const leaf = belief.answer?.next.find((entry) => entry.leaf)?.leaf
  const place = looks.find((look) => look.sign === 'place' && !look.withdrawn)?.answer
  const hint = PLACE_HINTS[place ?? '']
  const done = new Set(looks.filter((look) => !look.withdrawn).map(questionOf))
  return (
    <View>
      {belief.error ? (
        <Note kind="caution" title="This could not be worked out">
          {belief.error.message}
        </Note>
      ) : null}
      {belief.answer ? <Candidates belief={belief.answer} /> : null}
      {hint ? (
        <Note kind="note" title="At such a place">
          {hint}
        </Note>
      ) : null}
      <LookList looks={looks} effects={belief.answer?.effects ?? []} onWithdraw={onWithdraw} />
      <View className="-mx-1 mt-3 flex-row flex-wrap">
        {Object.keys(THREAD_QUESTIONS).map((question) => {
          const label = threadLookWords(question, question === 'thread-leaf' ? leaf : undefined)
          return (
            <View key={question} className="w-1/2 p-1">
              <Pressable
                role="button"
                aria-label={label}
                onPress={() => setAsking(question)}
                className={`min-h-[92px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] bg-raised p-2 active:bg-patina-wash ${question === best ? 'border-patina' : 'border-rule'}`}
              >
                <View aria-hidden>
                  <ThreadLookSign kind={EXAMPLE[question] ?? question} />
                </View>
                <Txt size="s" bold={question === best} className="mt-1 text-center">
                  {done.has(question) ? '✓ ' : ''}
                  {label}
                </Txt>
              </Pressable>
            </View>
          )
        })}
      </View>
      {asking ? (
        <ThreadAsk
          key={asking}
          question={asking}
          onClose={() => setAsking(null)}
          onLook={(look, label) => {
            setAsking(null)
            onLook(look, label)
          }}
        />
      ) : null}
    </View>
  )
}

const EXAMPLE: Readonly<Record<string, string>> = {
  'thread-sign:gender': 'male',
  'thread-sign:place': 'stop-outlet',
  'thread-sign:seat': 'flat-washer',
  'thread-across:caliper': 'thread-across',
  'thread-across:tape': 'thread-across',
}
