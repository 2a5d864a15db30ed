import type { Belief } from '@diarmos/core'
import type { ReactNode } from 'react'
import { View } from 'react-native'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { useSheet } from '../ui/useSheet'
import type { Solved } from '../workers/solver'
import { AskSheet } from './AskSheet'
import { BeliefView, Hazards } from './BeliefView'
import { LookGrid } from './LookGrid'
import { LookList } from './LookList'
import { type Look, type NewLook, questionOf } from './looks'

/** A question that is open, and the look that its answer will take the place of. */
export interface Asking {
  readonly question: string
  readonly replaces: string | null
}

/** Asking, shared between the panel and the actions below it. */
export function useAsking() {
  const [open, setOpen] = useSheet<string>('ask')
  const [question, replaces] = open?.split('~') ?? []
  return {
    asking: question ? { question, replaces: replaces ?? null } : null,
    ask: (question: string | null, replaces: string | null = null) =>
      setOpen(question === null ? null : replaces === null ? question : `${question}~${replaces}`),
  }
}

interface Props {
  readonly belief: Solved<Belief>
  readonly looks: readonly Look[]
  readonly asking: Asking | null
  readonly ask: (question: string | null, replaces?: string | null) => void
  readonly onLook: (look: NewLook, label: string, replaces: string | null) => void
  readonly onWithdraw: (id: string, withdrawn: boolean) => void
  /** Between the belief and the looks. */
  readonly children?: ReactNode
}

/** Looks in, belief out: the same on a job and on the bench. */
export function FindPanel({ belief, looks, asking, ask, onLook, onWithdraw, children }: Props) {
  const answer = belief.answer
  const counted = looks.filter((look) => !look.withdrawn)
  const stopped = answer?.hazards.some((flag) => flag.level === 'stop') ?? false
  const said = counted.some((look) => look.sign === 'carries')
  return (
    <View>
      {belief.error ? (
        <Note kind="caution" title="This could not be worked out">
          {belief.error.message}
        </Note>
      ) : null}
      {answer ? <BeliefView belief={answer} /> : null}
      {answer ? <Hazards belief={answer} /> : null}
      {stopped && !said ? (
        <Button label="Say what the line carries" onPress={() => ask('sign:carries')} />
      ) : null}
      {children}
      <LookList
        looks={looks}
        effects={answer?.effects ?? []}
        onWithdraw={onWithdraw}
        onCorrect={(look) => ask(questionOf(look), look.id)}
      />
      <LookGrid best={answer?.next[0]?.question} done={new Set(counted.map(questionOf))} onAsk={ask} />
      {asking ? (
        <AskSheet
          key={asking.question}
          question={asking.question}
          onClose={() => ask(null)}
          onLook={(look, label) => {
            ask(null)
            onLook(look, label, asking.replaces)
          }}
        />
      ) : null}
    </View>
  )
}
