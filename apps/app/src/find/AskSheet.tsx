import { SIGN_ANSWERS, type SignKind } from '@diarmos/core/answers'
import type { ParsedLength } from '@diarmos/core/units'
import { ANSWERS, QUESTIONS } from '@diarmos/core/words/find'
import { useState } from 'react'
import { useDraft } from '../data/draft'
import { GaugeSheet } from '../gauge/GaugeSheet'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field } from '../ui/Field'
import { Keypad } from '../ui/Keypad'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { gaugeTried, measured, type NewLook, NO_PRINT, signSeen } from './looks'
import { signFor } from './signFor'

interface Props {
  readonly question: string
  readonly onLook: (look: NewLook, label: string) => void
  readonly onClose: () => void
}

function AnswerSheet({ question, onLook, onClose }: Props) {
  const sign = question.split(':')[1] as SignKind
  const answers: readonly string[] = SIGN_ANSWERS[sign]
  return (
    <SheetModal title={QUESTIONS[question] ?? question} onClose={onClose}>
      <Choice
        label={QUESTIONS[question] ?? question}
        hideLabel
        value={null}
        columns={answers.length > 4 ? 3 : 2}
        options={answers.map((answer) => ({
          value: answer,
          label: ANSWERS[answer] ?? answer,
          sign: signFor(question, answer),
        }))}
        onChange={(answer) => onLook(signSeen(sign, answer), ANSWERS[answer] ?? answer)}
      />
    </SheetModal>
  )
}

function PrintSheet({ onLook, onClose }: Omit<Props, 'question'>) {
  const [text, setText, taken] = useDraft('print', '')
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
        onPress={() => {
          taken()
          onLook({ kind: 'print', entered: text.trim() }, text.trim())
        }}
      />
      <Button
        kind="quiet"
        label="Nothing legible"
        onPress={() => onLook({ kind: 'print', entered: NO_PRINT }, 'no print')}
      />
    </SheetModal>
  )
}

function SlotSheet({ onLook, onClose }: Omit<Props, 'question'>) {
  const [opening, setOpening] = useState<ParsedLength | null>(null)
  if (!opening)
    return (
      <Keypad
        title="Slot gauge: its opening"
        hint="The width that is marked on the slot or ring."
        onClose={onClose}
        onEnter={setOpening}
      />
    )
  return (
    <SheetModal title={`Slot of ${opening.text}: does it go over?`} onClose={onClose}>
      <Choice
        label={`Slot of ${opening.text}`}
        hideLabel
        value={null}
        options={(['goes', 'stops'] as const).map((fits) => ({
          value: fits,
          label: ANSWERS[fits] ?? fits,
          sign: signFor(fits),
        }))}
        onChange={(fits) => onLook(gaugeTried(opening, fits), `slot ${opening.text}: ${ANSWERS[fits]}`)}
      />
    </SheetModal>
  )
}

const HINTS: Readonly<Record<string, string>> = {
  'outside:string': 'Once round the bare pipe, square to it; read the length.',
  'outside:paper-strip': 'Once round the bare pipe, square to it; read the length.',
  'wall:caliper': 'At a clean cut end, not over the burr.',
  'bore:caliper': 'Inside jaws at a clean cut end; the burr off first.',
}

/** Asks one question from below, in the way it is best answered, and hands over the look. */
export function AskSheet({ question, onLook, onClose }: Props) {
  const [kind = '', what = ''] = question.split(':')
  if (what === 'screen-gauge')
    return (
      <GaugeSheet
        title={QUESTIONS[question] ?? question}
        onClose={onClose}
        onEnter={(length) => onLook(measured(kind as 'outside', what, length), length.text)}
      />
    )
  switch (kind) {
    case 'sign':
      return <AnswerSheet question={question} onLook={onLook} onClose={onClose} />
    case 'print':
      return <PrintSheet onLook={onLook} onClose={onClose} />
    case 'gauge':
      return <SlotSheet onLook={onLook} onClose={onClose} />
    default:
      return (
        <Keypad
          title={QUESTIONS[question] ?? question}
          hint={HINTS[question] ?? 'On bare pipe, square to it.'}
          onClose={onClose}
          onEnter={(length) => onLook(measured(kind as 'outside', what, length), length.text)}
        />
      )
  }
}
